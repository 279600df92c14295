import { defaultFrame, familyOf, memberOf } from '../frame';
import { overlaid, repairSchema, type Piece, type Repair } from '.';

const family = 'open-channel ladder';
const frame = defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' });
const rail = memberOf(frame, 'rail-left')!;
const repairOf = (...pieces: Partial<Piece>[]): Repair =>
  repairSchema.parse({
    id: 'r',
    memberId: rail.id,
    cutOut: false,
    pieces: pieces.map((piece, k) => ({
      id: `p-${k + 1}`,
      kind: 'side plate',
      startMm: 2000,
      endMm: 2900,
      thicknessMm: 4.7625,
      lowerEdgeMm: 20,
      upperEdgeMm: 80,
      taperMm: 0,
      ...piece,
    })),
    weldStyle: 'continuous',
    plugs: false,
    onBench: false,
    by: 'TM',
    at: '2026-11-25T08:00:00Z',
  });
const says = (one: Repair, ...others: Repair[]) => overlaid(rail, one, others).map(({ code }) => code);

test('two plates on one stretch of one face: broken, with where; said of both, and of a repair’s own pieces never', () => {
  const [one, other] = [repairOf({}), repairOf({ startMm: 2500, endMm: 3500 })];
  expect(overlaid(rail, one, [other])).toMatchObject([
    { code: 'plates-overlaid', weight: 'broken', pieceId: 'p-1', at: { fromMm: 2500, toMm: 2900 } },
  ]);
  expect(says(other, one)).toEqual(['plates-overlaid']);
  expect(says(repairOf({}, {}))).toEqual([]);
  expect(says(one, other, other)).toHaveLength(2);
});

test('end to end, edge to edge, on another face, or one inside and one outside they do not lie over one another', () => {
  const one = repairOf({});
  expect(says(one, repairOf({ startMm: 2898 }))).toEqual([]);
  expect(says(one, repairOf({ startMm: 2897 }))).toEqual(['plates-overlaid']);
  expect(says(one, repairOf({ lowerEdgeMm: 78, upperEdgeMm: 140 }))).toEqual([]);
  expect(says(one, repairOf({ lowerEdgeMm: 77, upperEdgeMm: 140 }))).toEqual(['plates-overlaid']);
  expect(says(one, repairOf({ kind: 'cover plate', lowerEdgeMm: 5, upperEdgeMm: 40 }))).toEqual([]);
  expect(says(one, repairOf({ inside: true }))).toEqual([]);
  expect(says(repairOf({ inside: true }), repairOf({ inside: true }))).toEqual(['plates-overlaid']);
});

test('a cap that goes round the corner lies over a plate on the side; not over one that begins above it', () => {
  const cap = repairOf({ kind: 'bottom L', lowerEdgeMm: 0, upperEdgeMm: 60 });
  expect(says(cap, repairOf({}))).toEqual(['plates-overlaid']);
  expect(says(cap, repairOf({ lowerEdgeMm: 70 }))).toEqual([]);
});
