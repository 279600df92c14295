import { defaultFrame, familyOf } from '@/core/frame';
import { changesBetween } from '@/core/prove';
import { DEFAULT_GEOMETRY_PRACTICE } from '@/core/reference';
import type { Geometry, GeometryMeasure } from '@/core/weigh';
import { angleViews } from './angle-views';

const family = 'open-channel ladder';
const frame = defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' });
const measured = (at: string, measure: GeometryMeasure): Geometry => ({
  kind: 'geometry',
  id: at,
  at,
  by: 'RK',
  note: '',
  instrument: 'spirit level',
  stood: 'on its wheels, empty',
  measure,
});
const views = (was: GeometryMeasure, is: GeometryMeasure) =>
  angleViews(
    frame,
    changesBetween(
      measured('2026-11-01T08:00:00Z', was),
      measured('2026-11-20T08:00:00Z', is),
      DEFAULT_GEOMETRY_PRACTICE,
    ),
  );
const across = (...degrees: number[]): GeometryMeasure => ({
  of: 'level across',
  stations: degrees.map((each, k) => ({ stationMm: 1000 * k, degrees: each })),
});

test('twist is drawn from the first station: how the floor lies is no twist', () => {
  const [twist] = views(across(1, 1.5, 2), across(-3, -2.9, -2.8));
  expect(twist!.name).toBe('Twist, level across');
  expect(twist!.turns.map(({ when }) => when)).toEqual(['before', 'after']);
  expect(twist!.turns[0]!.degrees).toEqual([0, 0.5, 1]);
  expect(twist!.turns[1]!.degrees.map((each) => Number(each.toFixed(9)))).toEqual([0, 0.1, 0.2]);
});
test('stations in any order; along a member it is named by it', () => {
  const along = (degrees: readonly number[]): GeometryMeasure => ({
    of: 'angle along',
    memberId: 'rail-left',
    stations: degrees.map((each, k) => ({ stationMm: 2000 - 1000 * k, degrees: each })),
  });
  const [view] = views(along([2, 1, 0]), along([2, 1, 0]));
  expect(view!.name).toBe('Left rail, angle along it');
  expect(view!.turns[0]).toMatchObject({ stationMm: [0, 1000, 2000], degrees: [0, 1, 2] });
  expect(angleViews(frame, [])).toEqual([]);
});
