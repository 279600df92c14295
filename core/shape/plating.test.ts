import { defaultFrame, familyOf } from '../frame';
import { boltHoleMm, DEFAULT_PRACTICE } from '../reference';
import { memberPicture } from '../weigh';
import { boltRowsAt, type BoltedRepair } from './bolting';
import { pieceSchema, type Piece } from './piece';
import { drilledWall } from './plating';
import type { Repair } from './repair';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const rail = frame.members.find(({ id }) => id === 'rail-left')!;
const picture = memberPicture({
  frame,
  member: rail,
  practice: DEFAULT_PRACTICE,
  readings: [],
  cracks: [],
  signs: [],
});
const plate = (more: Partial<Piece> = {}): Piece =>
  pieceSchema.parse({
    id: 'p',
    kind: 'side plate',
    startMm: 1000,
    endMm: 3000,
    thicknessMm: 6,
    lowerEdgeMm: 30,
    upperEdgeMm: 150,
    taperMm: 0,
    ...more,
  });
const bolted = (pieces: readonly Piece[]): Repair & BoltedRepair =>
  ({
    id: 'r',
    memberId: rail.id,
    cutOut: false,
    plugs: false,
    weldStyle: 'continuous',
    onBench: false,
    pieces,
    bolts: { diameterMm: 12.7, marks: '3 lines', pitchMm: 100 },
    by: 'RK',
    at: '2026-11-10T08:00:00Z',
  }) as never;

describe('what drilling takes out of a wall', () => {
  const wallMm = 5;
  const { rowFace, edgeUMm } = picture.surface;
  const wall = {
    thicknessMm: Float64Array.from(rowFace, () => wallMm),
    known: Uint8Array.from(rowFace, () => 0),
  } as unknown as Parameters<typeof drilledWall>[3];
  const lostMm2 = (repairs: readonly Repair[], stationMm: number) =>
    [...drilledWall(picture, repairs, stationMm, wall).thicknessMm].reduce(
      (sum, mm, row) => sum + (wallMm - mm) * (edgeUMm[row + 1]! - edgeUMm[row]!),
      0,
    );

  test('is one hole’s width through the wall for every row of bolts, wherever along it one looks', () => {
    const repair = bolted([plate()]);
    const rows = boltRowsAt(rail, repair, repair.pieces[0]!, 2000).length;
    expect(rows).toBeGreaterThan(1);
    for (const mm of [1500, 2000, 2033])
      expect(lostMm2([repair], mm)).toBeCloseTo(rows * boltHoleMm(12.7) * wallMm, 6);
  });
  test('plates on both sides share their bolts; two repairs each have their own', () => {
    const one = bolted([plate()]);
    const both = bolted([plate(), plate({ id: 'q', inside: true })]);
    expect(lostMm2([both], 2000)).toBeCloseTo(lostMm2([one], 2000), 6);
    const above = bolted([plate({ id: 'a', lowerEdgeMm: 160, upperEdgeMm: 200 })]);
    expect(lostMm2([one, above], 2000)).toBeCloseTo(lostMm2([one], 2000) + lostMm2([above], 2000), 6);
    expect(lostMm2([above], 2000)).toBeGreaterThan(0);
  });
  test('is nothing beyond the plate, nor where it is welded', () => {
    expect(lostMm2([bolted([plate()])], 3001)).toBe(0);
    const { bolts: _, ...welded } = bolted([plate()]);
    expect(drilledWall(picture, [welded as Repair], 2000, wall)).toBe(wall);
  });
});
