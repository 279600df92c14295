import fc from 'fast-check';
import { inchesToMm, ksiToMpa } from '../quantity';
import {
  bearingAtHoleN,
  boltHoleMm,
  boltLengthMm,
  boltShearN,
  boltTorqueNm,
  leastEdgeMm,
  leastPitchMm,
  widestBoltPitchMm,
} from '../reference';
import type { Member, MemberShape } from '../frame';
import {
  boltRowsAt,
  boltsOf,
  boltsSchema,
  boltStationsMm,
  checkRepair,
  coverageAt,
  flatPattern,
  isBolted,
  repairSchema,
  type BoltedRepair,
  type Piece,
} from '.';
import { DEFAULT_PRACTICE, metalPractice } from '../reference';

const inch = inchesToMm;
const kip = (newtons: number | undefined) => newtons! / 4448.2216;

describe('bolts against the tables they come from', () => {
  test('single shear, AISC Manual Table 7-1, 3/4 in A325-N (120 ksi as grade 5): 11.9 kip (from memory)', () =>
    expect(kip(boltShearN(3, inch(3 / 4)))).toBeCloseTo(11.9, 1));
  test('the same of 150 ksi (A490-N, grade 8): 15 kip (from memory)', () =>
    expect(kip(boltShearN(6, inch(3 / 4)))).toBeCloseTo(14.9, 1));
  test('bearing, AISC Manual Table 7-4, 3/4 in at 3 in, Fu 58: 52.2 kip an inch of thickness (from memory)', () =>
    expect(kip(bearingAtHoleN(inch(3 / 4), inch(1), ksiToMpa(58), inch(3 - 13 / 16)))).toBeCloseTo(52.2, 1));
  test('tearing out, Table 7-5, 3/4 in 1 1/4 in from the end, Fu 58: 29.4 kip an inch with its 13/16 in hole (from memory)', () =>
    expect(kip(bearingAtHoleN(inch(3 / 4), inch(1), ksiToMpa(58), inch(1.25 - 13 / 32)))).toBeCloseTo(
      29.4,
      1,
    ));
  test('least edge, Table J3.4: 3/4 in for 1/2, 1 in for 3/4; never under one and a half diameters', () => {
    expect(leastEdgeMm(inch(1 / 2))).toBeCloseTo(inch(3 / 4), 9);
    expect(leastEdgeMm(inch(3 / 4))).toBeCloseTo(inch(1.125), 9);
  });
  test('pitches, J3.3 and J3.5', () => {
    expect(leastPitchMm(inch(3 / 4))).toBeCloseTo(inch(2), 9);
    expect(widestBoltPitchMm(inch(1 / 4))).toBeCloseTo(inch(6), 9);
    expect(widestBoltPitchMm(inch(3 / 4))).toBeCloseTo(inch(12), 9);
  });
  test('torque of a dry 1/2-13 grade 5 by shop tables: about 75 lbf·ft (common practice, from memory)', () =>
    expect(boltTorqueNm(3, inch(1 / 2))! / 1.3558).toBeCloseTo(75, 0));
  test('an M16 of class 8.8 in shear: 0.45 of 800 MPa on its shank over 2, beside EN 1993-1-8’s 60.3 kN at γ 1.25 on its thread (from memory)', () => {
    expect(boltShearN(8.8, 16)).toBeCloseTo((0.45 * 800 * Math.PI * 64) / 2, 6);
    // Allowable against factored: EN’s design value over a load factor of 1.5 is 40.2 kN.
    expect(boltShearN(8.8, 16)! / 40_200).toBeGreaterThan(0.85);
    expect(boltShearN(8.8, 16)! / 40_200).toBeLessThan(1);
  });
  test('torque of a dry M12 of class 8.8 by shop tables: about 85 to 90 N·m (common practice, from memory)', () => {
    expect(boltTorqueNm(8.8, 12)!).toBeGreaterThan(84);
    expect(boltTorqueNm(8.8, 12)!).toBeLessThan(91);
  });
  test('head marks that belong to no grade have no strength', () => {
    expect(boltShearN(4, inch(1 / 2))).toBeUndefined();
    expect(boltTorqueNm(4, inch(1 / 2))).toBeUndefined();
  });
  test('a bolt is long enough for its grip, two washers and its nut, and no half inch too long', () => {
    for (const gripMm of [8, 12.7, 19, 25.4]) {
      const over = boltLengthMm(inch(1 / 2), gripMm) - gripMm - inch(11 / 16 + 5 / 16);
      expect(over).toBeGreaterThanOrEqual(-1e-6);
      expect(over).toBeLessThan(inch(1 / 4));
    }
  });
});

const rail = (shape: MemberShape, more: Partial<Member> = {}): Member => ({
  id: 'rail-left',
  name: 'Left rail',
  role: 'rail',
  steel: 'heat-treated-110',
  side: 'left',
  shape,
  lengthMm: 6000,
  ...more,
});
const CHANNEL: MemberShape = { kind: 'channel', depthMm: 254, flangeMm: 89, thicknessMm: 7.9 };
const plate = (more: Partial<Piece> = {}): Piece => ({
  id: 'out',
  kind: 'side plate',
  startMm: 1000,
  endMm: 2000,
  thicknessMm: 6.35,
  lowerEdgeMm: 30,
  upperEdgeMm: 224,
  taperMm: 190,
  ...more,
});
const bolted = (pieces: Piece[], more: Partial<BoltedRepair['bolts']> = {}) =>
  repairSchema.parse({
    id: 'r',
    memberId: 'rail-left',
    cutOut: false,
    pieces,
    weldStyle: 'continuous',
    plugs: false,
    bolts: { diameterMm: inch(5 / 8), marks: 6, pitchMm: inch(2.5), ...more },
    onBench: false,
    by: 'MR',
    at: '2026-05-01T08:00:00Z',
  }) as BoltedRepair & ReturnType<typeof repairSchema.parse>;

describe('where bolts go', () => {
  const pair = bolted([plate(), plate({ id: 'in', inside: true, startMm: 925, endMm: 2075 })]);
  const on = rail(CHANNEL);

  test('every bolt has its edge distance inside every plate it goes through, and its pitch to the next', () => {
    const bolts = boltsOf(on, pair);
    expect(bolts.length).toBeGreaterThan(20);
    const edge = leastEdgeMm(pair.bolts.diameterMm) - 1e-6;
    for (const { stationMm, uMm, pieceIds } of bolts)
      for (const piece of pair.pieces.filter(({ id }) => pieceIds.includes(id))) {
        const { uFromMm, uToMm } = coverageAt(on, piece, stationMm)!;
        expect(uMm - uFromMm).toBeGreaterThanOrEqual(edge);
        expect(uToMm - uMm).toBeGreaterThanOrEqual(edge);
        expect(Math.min(stationMm - piece.startMm, piece.endMm - stationMm)).toBeGreaterThanOrEqual(edge);
      }
    for (const [k, one] of bolts.entries())
      for (const other of bolts.slice(k + 1))
        expect(Math.hypot(one.stationMm - other.stationMm, one.uMm - other.uMm)).toBeGreaterThanOrEqual(
          leastPitchMm(pair.bolts.diameterMm) - 1e-6,
        );
  });
  test('plates on both sides share their bolts: the same holes in both flats where both lie', () => {
    const bolts = boltsOf(on, pair);
    const through = bolts.filter(({ pieceIds }) => pieceIds.length === 2);
    expect(through.length).toBeGreaterThan(bolts.length / 2);
    const holes = pair.pieces.map((piece) =>
      flatPattern(on, pair, piece, { ...metalPractice(DEFAULT_PRACTICE) }).holes.filter(
        ({ purpose }) => purpose === 'bolt',
      ),
    );
    const at = (k: number) =>
      new Set(holes[k]!.map(({ xMm }) => Math.round((pair.pieces[k]!.startMm + xMm) * 10)));
    for (const { stationMm } of through) {
      expect(at(0).has(Math.round(stationMm * 10))).toBe(true);
      expect(at(1).has(Math.round(stationMm * 10))).toBe(true);
    }
    expect(holes[0]!.every(({ diameterMm }) => diameterMm === boltHoleMm(pair.bolts.diameterMm))).toBe(true);
  });
  /** Every bolt beside every plate it passes through or near, whichever piece it was laid out for. */
  const misfits = (repair: BoltedRepair) => {
    const edge = leastEdgeMm(repair.bolts.diameterMm) - 1e-6;
    return boltsOf(on, repair).flatMap(({ stationMm, uMm, pieceIds }) =>
      repair.pieces.flatMap((piece) => {
        const cover = coverageAt(on, piece, stationMm);
        const isUnder = cover !== undefined && uMm > cover.uFromMm && uMm < cover.uToMm;
        const nearEnd = Math.min(Math.abs(stationMm - piece.startMm), Math.abs(stationMm - piece.endMm));
        const isCrowded =
          isUnder && (nearEnd < edge || uMm - cover.uFromMm < edge || cover.uToMm - uMm < edge);
        return (isUnder && !pieceIds.includes(piece.id)) || isCrowded ? [[piece.id, stationMm, uMm]] : [];
      }),
    );
  };
  test('no bolt goes through a plate that has no hole for it: plates of two thicknesses share all their rows', () => {
    const uneven = bolted([
      plate({ thicknessMm: 9.5 }),
      plate({ id: 'in', inside: true, thicknessMm: 4.76, startMm: 925, endMm: 2075 }),
    ]);
    expect(misfits(uneven)).toEqual([]);
    expect(boltRowsAt(on, uneven, uneven.pieces[0]!, 1500)).toEqual(
      boltRowsAt(on, uneven, uneven.pieces[1]!, 1500),
    );
    expect(boltRowsAt(on, uneven, uneven.pieces[0]!, 1500)).toHaveLength(3);
  });
  test('wherever the plates’ ends fall, none comes too near the end of the one beside it, on a slanted edge either', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 60, max: 300, noNaN: true }),
        fc.double({ min: 60, max: 300, noNaN: true }),
        fc.double({ min: 45, max: 120, noNaN: true }),
        (front, rear, pitchMm) => {
          const staggered = bolted(
            [plate(), plate({ id: 'in', inside: true, startMm: 1000 - front, endMm: 2000 + rear })],
            { pitchMm },
          );
          expect(misfits(staggered)).toEqual([]);
          // The distance to a slanted edge is square to it.
          for (const { stationMm, uMm } of boltsOf(on, staggered)) {
            const cover = coverageAt(on, staggered.pieces[0]!, stationMm);
            if (!cover) continue;
            const [near, slope] = [uMm - cover.uFromMm, (194 - 50) / 2 / 190];
            const isInTaper = stationMm < 1190 || stationMm > 1810;
            const square = isInTaper ? near / Math.hypot(1, slope) : near;
            expect(square).toBeGreaterThanOrEqual(leastEdgeMm(inch(5 / 8)) - 0.1);
          }
        },
      ),
      { seed: 3, numRuns: 60 },
    );
  });
  test('rows no farther apart than keeps the faces together: a wide thin plate has one between', () => {
    const rows = (thicknessMm: number) =>
      boltRowsAt(on, bolted([plate({ thicknessMm })]), plate({ thicknessMm }), 1500).length;
    expect(rows(6.35)).toBe(2);
    expect(rows(4.76)).toBe(3);
  });
  test('a nose too narrow for two has one down its middle; none where not even that has its edge', () => {
    const narrow = (width: number) =>
      boltRowsAt(
        on,
        bolted([plate({ lowerEdgeMm: 100, upperEdgeMm: 100 + width, taperMm: 0 })]),
        plate({ lowerEdgeMm: 100, upperEdgeMm: 100 + width, taperMm: 0 }),
        1500,
      );
    const edge = leastEdgeMm(inch(5 / 8));
    expect(narrow(2 * edge + 1)).toHaveLength(1);
    expect(narrow(2 * edge - 1)).toHaveLength(0);
    expect(narrow(2 * edge + leastPitchMm(inch(5 / 8)) + 1)).toHaveLength(2);
  });
  test('no bolt beyond a plate’s ends', () =>
    expect(boltStationsMm(pair, pair.pieces[0]!).every((mm) => mm > 1000 && mm < 2000)).toBe(true));
  test('a nut sits on the flat: no row within its width of a bend', () => {
    const corner = plate({ kind: 'bottom L', lowerEdgeMm: 0, upperEdgeMm: 200 });
    const fold = 89 + 254;
    for (const uMm of boltRowsAt(on, bolted([corner]), corner, 1500))
      expect(Math.abs(uMm - fold)).toBeGreaterThanOrEqual(inch(5 / 8));
  });
});

describe('inch and metric bolts', () => {
  test.each([
    [12.7, 3, true],
    [12.7, 8.8, false],
    [12, 8.8, true],
    [12, 10.9, true],
    [12, 6, false],
    [12.7, 4, false],
  ])('%d mm with %d on its head may be bought: %s', (diameterMm, marks, isMade) =>
    expect(boltsSchema.safeParse({ diameterMm, marks, pitchMm: 80 }).success).toBe(isMade),
  );
});

describe('refused at the door', () => {
  const refused = (shape: MemberShape, repair: Parameters<typeof checkRepair>[1]) => {
    const checked = checkRepair(rail(shape), repair);
    return checked.ok ? '' : checked.reason;
  };
  test('on a closed section: nobody gets to the nuts', () => {
    const box: MemberShape = { kind: 'box', depthMm: 254, widthMm: 89, thicknessMm: 6 };
    expect(refused(box, bolted([plate()]))).toMatch(/nobody gets to the nuts/);
    expect(refused(CHANNEL, bolted([plate()]))).toBe('');
  });
  test('with metal cut out under it', () =>
    expect(refused(CHANNEL, { ...bolted([plate()]), cutOut: true })).toMatch(/nothing is cut out/));
  test('crowded bolts, and marks of no grade', () => {
    const d = inch(1 / 2);
    expect(boltsSchema.safeParse({ diameterMm: d, marks: 3, pitchMm: leastPitchMm(d) }).success).toBe(true);
    expect(boltsSchema.safeParse({ diameterMm: d, marks: 3, pitchMm: leastPitchMm(d) - 0.1 }).success).toBe(
      false,
    );
    expect(boltsSchema.safeParse({ diameterMm: d, marks: 4, pitchMm: 60 }).success).toBe(false);
  });
  test('what was written down before there were bolts is welded', () =>
    expect(isBolted({ ...bolted([plate()]), bolts: undefined })).toBe(false));
});
