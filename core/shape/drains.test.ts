import fc from 'fast-check';
import type { Member } from '../frame';
import { drainsOf, pieceSchema, repairSchema, type Piece, type Repair } from '.';

const box: Member = {
  id: 'rail-left',
  name: 'Left rail',
  role: 'rail',
  steel: 'a36',
  side: 'left',
  shape: { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 5 },
  lengthMm: 6000,
};
const cap = (more: Partial<Piece> = {}): Piece =>
  pieceSchema.parse({
    id: 'cap',
    kind: 'bottom U',
    startMm: 1000,
    endMm: 2400,
    thicknessMm: 5,
    taperMm: 110,
    lowerEdgeMm: 0,
    upperEdgeMm: 60,
    ...more,
  });
const repair = (cutOut: boolean, piece = cap()): Repair =>
  repairSchema.parse({
    id: 'r',
    memberId: 'rail-left',
    cutOut,
    pieces: [piece],
    weldStyle: 'continuous',
    plugs: false,
    onBench: false,
    by: 'MR',
    at: '2026-05-01T08:00:00Z',
  });
const zone = (fromMm: number, toMm: number) => ({
  fromMm,
  toMm,
  topFlange: false,
  bottomFlange: true,
  side: false,
});
const practice = { drainDiameterMm: 25.4, drains: 'open' as const };
const at = (of: Repair, zones: ReturnType<typeof zone>[], more = practice) =>
  drainsOf(box, of, of.pieces[0]!, { practice: more, zones });

test('where the floor is cut out its water is let out there, at both ends, and not beside it through metal that stays', () => {
  const drains = at(repair(true), [zone(1500, 1900)]);
  expect(drains.map(({ stationMm }) => stationMm)).toEqual([1525.4, 1874.6]);
  expect(drains.every(({ isOpenAbove }) => isOpenAbove)).toBe(true);
});
test('laid over, they are inside the straight part, through the old floor too', () => {
  const drains = at(repair(false), [zone(1500, 1900)]);
  expect(drains.every(({ isOpenAbove }) => !isOpenAbove)).toBe(true);
  expect(drains[0]!.stationMm).toBeGreaterThan(1110);
  expect(drains.at(-1)!.stationMm).toBeLessThan(2290);
});
test('two openings under one cap are drained each; a short one by one hole; a long one in its middle too', () => {
  expect(at(repair(true), [zone(1300, 1500), zone(1900, 2010)])).toHaveLength(4);
  expect(at(repair(true), [zone(1500, 1500 + 4 * 25.4 - 0.1)])).toHaveLength(1);
  expect(at(repair(true), [zone(1500, 1500 + 4 * 25.4 + 0.1)])).toHaveLength(2);
  const long = repair(true, cap({ endMm: 2900 }));
  expect(at(long, [zone(1200, 2400)])).toHaveLength(2);
  expect(at(long, [zone(1200, 2401)])).toHaveLength(3);
});
test('none on an open section, under another form, or where the shop seals', () => {
  const channel: Member = { ...box, shape: { kind: 'channel', depthMm: 150, flangeMm: 60, thicknessMm: 5 } };
  const of = repair(true);
  expect(drainsOf(channel, of, of.pieces[0]!, { practice, zones: [] })).toEqual([]);
  expect(at(repair(true, cap({ kind: 'top U', upperEdgeMm: 150, lowerEdgeMm: 80 })), [])).toEqual([]);
  expect(at(of, [zone(1500, 1900)], { ...practice, drains: 'sealed' as never })).toEqual([]);
});
test('wherever it is cut open, each opening under the cap has an outlet within it', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1000, max: 2300, noNaN: true }),
      fc.double({ min: 30, max: 1400, noNaN: true }),
      (fromMm, longMm) => {
        const toMm = Math.min(2400, fromMm + longMm);
        const drains = at(repair(true), [zone(fromMm, toMm)]);
        expect(drains.length).toBeGreaterThan(0);
        for (const { stationMm } of drains) {
          expect(stationMm).toBeGreaterThanOrEqual(fromMm);
          expect(stationMm).toBeLessThanOrEqual(toMm);
        }
      },
    ),
    { seed: 5 },
  );
});
