import { defaultFrame, familyOf } from '@/core/frame';
import { changesBetween } from '@/core/prove';
import { DEFAULT_GEOMETRY_PRACTICE } from '@/core/reference';
import type { Geometry } from '@/core/weigh';
import { MOST_LARGER, movedViews, roundBelow } from './moved-views';

const family = 'open-channel ladder';
const frame = defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' });
const line = (direction: 'up' | 'across', at: string, ...offMm: number[]): Geometry => ({
  kind: 'geometry',
  id: `${direction} ${at}`,
  measure: {
    of: 'line',
    memberId: 'rail-left',
    direction,
    marks: offMm.map((off, k) => ({ stationMm: 1000 * k, offMm: off })),
  },
  instrument: 'laser line',
  stood: 'on its wheels, empty',
  by: 'RK',
  at,
  note: '',
});
const [BEFORE, AFTER] = ['2026-11-01T08:00:00Z', '2026-11-20T08:00:00Z'];
const views = (direction: 'up' | 'across', was: number[], is: number[]) =>
  movedViews(
    frame,
    changesBetween(line(direction, BEFORE, ...was), line(direction, AFTER, ...is), DEFAULT_GEOMETRY_PRACTICE),
  );

test('a line sideways stands in the plan on its own rail, off by as many times as is said; its ends lie where the rail does', () => {
  const [plan, none] = views('across', [10, 10, 10], [10, 14, 12]);
  expect(none).toBeUndefined();
  expect(plan).toMatchObject({ view: 'plan', lines: [{ when: 'before' }, { when: 'after' }] });
  const [before, after] = plan!.lines;
  expect(after!.offMm).toEqual([0, 3, 0]);
  expect(before!.drawnMm[1]).toBeCloseTo(before!.drawnMm[0]!, 9);
  // The left rail lies to the left of the middle.
  expect(before!.drawnMm[0]).toBeLessThan(-frame.widthMm / 4);
  expect(after!.drawnMm[1]! - after!.drawnMm[0]!).toBeCloseTo(3 * plan!.exaggerated, 9);
  expect(after!.alongMm).toEqual([0, 1000, 2000].map((mm) => expect.closeTo(mm, 6)));
  const shown = (3 * plan!.exaggerated) / frame.widthMm;
  expect(shown).toBeLessThanOrEqual(0.15);
  expect(shown).toBeGreaterThan(0.05);
  expect(plan!.made.length).toBe(frame.members.filter(({ role }) => /rail|crossmember/.test(role)).length);
});
test('a line up and down stands in the side view, where crossmembers are not drawn', () => {
  const [side] = views('up', [0, 0, 0], [0, -4, 0]);
  expect(side).toMatchObject({ view: 'side' });
  expect(side!.lines[1]!.drawnMm[1]).toBeCloseTo(-4 * side!.exaggerated, 9);
  expect(side!.made.length).toBe(frame.members.filter(({ role }) => role === 'rail').length);
});
test('nothing measured twice, nothing is drawn; nothing off, nothing is made larger', () => {
  expect(movedViews(frame, [])).toEqual([]);
  expect(views('up', [0, 0, 0], [0, 0, 0])[0]!.exaggerated).toBe(1);
});
test.each([
  [0.5, 1],
  [1, 1],
  [1.99, 1],
  [2, 2],
  [4.9, 2],
  [5, 5],
  [10, 10],
  [99, 50],
  [MOST_LARGER, 200],
  [1e9, 200],
  [Infinity, 1],
  [NaN, 1],
])('%d is made %d', (factor, round) => expect(roundBelow(factor)).toBe(round));
