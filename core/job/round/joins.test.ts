import { workJob } from '..';
import { defaultFrame, familyOf, memberOf } from '../../frame';
import { DEFAULT_PRACTICE } from '../../reference';
import { faceOfPiece, formOf, pieceSchema, type Piece } from '../../shape';
import type { WorkedRepair } from '../worked-repair';
import { weldFaces } from './joins';
import type { Stretch } from './stretch';

const family = 'open-channel ladder';
const frame = defaultFrame({ ...familyOf(family).typical, family, steel: 'hot-rolled-50', datum: 'hole' });
const { shape } = memberOf(frame, 'rail-right')!;
const { picture } = workJob({
  frame,
  practice: DEFAULT_PRACTICE,
  evidence: [],
  strikes: [],
  repairs: [],
}).find((work) => work.picture.member.id === 'rail-right')!;
const [FROM, TO, LEG] = [1000, 1400, 6];
const stretch: Stretch = { picture, fromMm: FROM - 100, toMm: TO + 100, mostSteps: 40 };
const face = faceOfPiece(shape, { kind: 'side plate', face: 'web' })!;
const plate = (id: string): Piece =>
  pieceSchema.parse({
    id,
    kind: 'side plate',
    face: 'web',
    startMm: FROM,
    endMm: TO,
    thicknessMm: 5,
    taperMm: 0,
    ...formOf('side plate').start(shape, face),
  });
const [a, b] = [plate('a'), plate('b')];
type Line = WorkedRepair['joined']['lines'][number];
const line = (place: Line['place'], more: Partial<Line> = {}): Line =>
  ({ pieceId: 'a', kind: 'fillet', place, fromMm: FROM, toMm: TO, legMm: LEG, ...more }) as Line;

/** What is drawn of these lines on plate a: each weld from station to station, and how high it lies. */
function drawn(...lines: readonly Line[]) {
  const repair = { id: 'r', pieces: [a, b] } as unknown as WorkedRepair['repair'];
  const pieces = [a, b].map((piece) => ({ piece })) as unknown as WorkedRepair['pieces'];
  const joined = { lines } as unknown as WorkedRepair['joined'];
  return weldFaces(stretch, { repair, pieces, joined }).map(({ part, corners }) => {
    const [along, up] = [0, 1].map((axis) => corners.map((at) => at[axis]!)) as [number[], number[]];
    return {
      part,
      fromMm: Math.min(...along),
      toMm: Math.max(...along),
      highMm: Math.max(...up),
      lowMm: Math.min(...up),
    };
  });
}
const covered = (welds: readonly { fromMm: number; toMm: number }[]) =>
  welds.reduce((sum, { fromMm, toMm }) => sum + toMm - fromMm, 0);

test('along the edge that is welded, and along no other', () => {
  const [upper, lower] = [drawn(line('upper edge')), drawn(line('lower edge'))];
  for (const welds of [upper, lower]) {
    expect(new Set(welds.map(({ part }) => part))).toEqual(new Set(['weld']));
    expect(covered(welds)).toBeCloseTo(TO - FROM, 6);
  }
  expect(Math.min(...upper.map(({ lowMm }) => lowMm))).toBeGreaterThan(
    Math.max(...lower.map(({ highMm }) => highMm)),
  );
  expect(drawn(line('upper edge'), line('lower edge'))).toHaveLength(upper.length + lower.length);
});

test('only where it is welded along the edge', () => {
  const half = drawn(line('upper edge', { toMm: FROM + 200 }));
  expect(covered(half)).toBeCloseTo(200, 6);
  expect(Math.max(...half.map(({ toMm }) => toMm))).toBeCloseTo(FROM + 200, 6);
});

test('in runs where it is welded in runs, their share of its length', () => {
  const share = covered(drawn(line('upper edge', { runs: { lengthMm: 60, pitchMm: 120 } as Line['runs'] })));
  expect(share / (TO - FROM)).toBeGreaterThan(0.4);
  expect(share / (TO - FROM)).toBeLessThan(0.6);
});

test('across an end that is welded, a leg beyond it', () => {
  const [front, rear] = [drawn(line('front end')), drawn(line('rear end'))];
  expect(front.length).toBeGreaterThan(0);
  for (const { fromMm, toMm } of front) expect([fromMm, toMm]).toEqual([FROM - LEG, FROM]);
  expect(rear).toHaveLength(front.length);
  for (const { fromMm, toMm } of rear) expect([fromMm, toMm]).toEqual([TO, TO + LEG]);
});

test('none of plugs, of a seam that stays open, and each with its own piece', () => {
  expect(drawn(line('upper edge', { kind: 'plug' }))).toEqual([]);
  expect(drawn(line('upper edge', { leftOpen: 'drain' }))).toEqual([]);
  expect(drawn(line('upper edge', { pieceId: 'c' }))).toEqual([]);
  expect(drawn(line('upper edge', { pieceId: 'b' }))).toEqual(drawn(line('upper edge')));
});
