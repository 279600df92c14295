import fc from 'fast-check';
import {
  bendAllowanceMm,
  checkRepair,
  coverage,
  coverageAt,
  blankOfPiece,
  drawBlank,
  flatPattern,
  kFromCoupon,
  outlineOnStrip,
  pieceSchema,
  type Piece,
  type Repair,
} from '.';
import { svgPen, polygonArea } from '../geometry';
import { inchesToMm } from '../quantity';
import { DEFAULT_PRACTICE } from '../reference';
import { defaultFrame, type Member } from '../frame';

const rail = defaultFrame({
  family: 'open-channel ladder',
  railShape: { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 },
  steel: 'a36',
  lengthMm: 6000,
  widthMm: 860,
  datum: 'hole',
}).members[0]!;
const boxed: Member = { ...rail, shape: { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 5 } };
const piece = (kind: Piece['kind'], more: Partial<Piece> = {}): Piece =>
  pieceSchema.parse({
    id: 'p',
    kind,
    startMm: 1000,
    endMm: 2200,
    thicknessMm: 5,
    lowerEdgeMm: 60,
    upperEdgeMm: 120,
    taperMm: 150,
    ...more,
  });
const repair = (one: Piece, more: Partial<Repair> = {}): Repair => ({
  id: 'r',
  memberId: rail.id,
  cutOut: false,
  pieces: [one],
  weldStyle: 'continuous',
  plugs: false,
  onBench: false,
  by: 'RK',
  at: '2026-01-01T00:00:00Z',
  ...more,
});

describe('bending', () => {
  test('K 0.41 at 90° is 0.64 t + 1.57 R', () => {
    expect(bendAllowanceMm(Math.PI / 2, 10, 5, 0.41)).toBeCloseTo(0.644 * 5 + 1.5708 * 10, 2);
  });

  test('a coupon made with a K gives that K back; a mismeasured one is refused', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.25, max: 0.55, noNaN: true }),
        fc.double({ min: 2, max: 8, noNaN: true }),
        fc.double({ min: 1, max: 15, noNaN: true }),
        (k, t, r) => {
          const flatMm = 2 * (60 - r - t) + bendAllowanceMm(Math.PI / 2, r, t, k);
          const found = kFromCoupon({
            flatMm,
            legOneMm: 60,
            legTwoMm: 60,
            insideRadiusMm: r,
            thicknessMm: t,
          });
          expect(found.ok && found.value).toBeCloseTo(k, 9);
        },
      ),
      { seed: 3, numRuns: 60 },
    );
    expect(
      kFromCoupon({ flatMm: 100, legOneMm: 60, legTwoMm: 70, insideRadiusMm: 5, thicknessMm: 5 }).ok,
    ).toBe(false);
    expect(
      kFromCoupon({ flatMm: NaN, legOneMm: 60, legTwoMm: 70, insideRadiusMm: 5, thicknessMm: 5 }).ok,
    ).toBe(false);
  });
});

describe('coverage', () => {
  test('what each kind wraps, in developed coordinates', () => {
    expect(coverage(rail.shape, piece('bottom L'))).toEqual({ uFromMm: 70 + 80, uToMm: 340, noseUMm: 270 });
    expect(coverage(rail.shape, piece('top L'))).toEqual({ uFromMm: 0, uToMm: 70 + 140, noseUMm: 70 });
    expect(coverage(rail.shape, piece('side plate'))).toEqual({ uFromMm: 150, uToMm: 210, noseUMm: 180 });
    expect(coverage(boxed.shape, piece('bottom U'))).toEqual({ uFromMm: 105, uToMm: 420, noseUMm: 262.5 });
    expect(coverage(boxed.shape, piece('top U'))).toEqual({ uFromMm: -90, uToMm: 165, noseUMm: 37.5 });
  });

  test('ends narrow to a nose no sharper than two corner radii, and are square where the member ends', () => {
    const tip = coverageAt(rail, piece('bottom L'), 1000)!;
    expect(tip.uToMm - tip.uFromMm).toBeCloseTo(50, 6);
    const full = coverageAt(rail, piece('bottom L'), 1150)!;
    expect(full.uToMm - full.uFromMm).toBeCloseTo(190, 6);
    const atEnd = coverageAt(rail, piece('bottom L', { startMm: 0 }), 0)!;
    expect(atEnd.uToMm - atEnd.uFromMm).toBeCloseTo(190, 6);
    expect(coverageAt(rail, piece('bottom L'), 999)).toBeUndefined();
  });

  test('a repair that cannot lie on its member is refused with the reason', () => {
    const wrong = (one: Piece, on = rail) => {
      const check = checkRepair(on, { pieces: [one] });
      return check.ok ? '' : check.reason;
    };
    expect(wrong(piece('bottom U'))).toContain('does not fit a channel');
    expect(wrong(piece('bottom L', { endMm: 7000 }))).toContain('reaches off');
    expect(wrong(piece('bottom L', { endMm: 1010 }))).toContain('shorter than');
    expect(wrong(piece('bottom L', { upperEdgeMm: 300 }))).toContain('above the top corner');
    expect(wrong(piece('side plate', { upperEdgeMm: 65 }))).toContain('narrower');
    expect(wrong(piece('bottom U'), boxed)).toBe('');
    expect(pieceSchema.safeParse({ ...piece('bottom L'), thicknessMm: NaN }).success).toBe(false);
  });
});

describe('flat patterns', () => {
  const flat = (one: Piece, member = rail, more: Partial<Repair> = {}) =>
    flatPattern(member, repair(one, more), one, DEFAULT_PRACTICE);

  test('an L is its two legs less twice the corner, plus one bend allowance', () => {
    const pattern = flat(piece('bottom L'));
    const r = 1.5 * 5;
    expect(pattern.bends).toHaveLength(1);
    expect(pattern.widthMm).toBeCloseTo(120 - r + (Math.PI / 2) * (r + 0.41 * 5) + 70 - r, 6);
    expect(pattern.bends[0]!.startVMm).toBeCloseTo(120 - r, 6);
    expect(pattern.bends[0]!.endVMm - pattern.bends[0]!.startVMm).toBeCloseTo(pattern.bendAllowanceMm, 6);
  });

  test('a U has two bends and drains; a channel’s L has none; a side plate is flat', () => {
    const cap = flat(piece('bottom U', { endMm: 2600 }), boxed);
    expect(cap.bends).toHaveLength(2);
    expect(cap.holes.map((hole) => hole.purpose)).toEqual(['drain', 'drain', 'drain']);
    const middle = cap.widthMm / 2;
    for (const hole of cap.holes) expect(hole.vMm).toBeCloseTo(middle, 6);
    expect(flat(piece('bottom L')).holes).toEqual([]);
    expect(flat(piece('side plate')).bends).toEqual([]);
    expect(flat(piece('side plate')).widthMm).toBeCloseTo(60, 9);
  });

  test('plug holes are of the published size, in the upright legs, at 4 in', () => {
    const holes = flat(piece('bottom L'), rail, { plugs: true }).holes;
    expect(holes.length).toBeGreaterThan(5);
    expect(new Set(holes.map((hole) => hole.diameterMm))).toEqual(new Set([inchesToMm(9 / 16)]));
    expect(holes[1]!.xMm - holes[0]!.xMm).toBeCloseTo(101.6, 6);
  });

  test('mass is the outline’s area times thickness and steel', () => {
    const pattern = flat(piece('bottom L', { taperMm: 0 }));
    expect(pattern.massKg).toBeCloseTo(1200 * pattern.widthMm * 5 * 7.849e-6, 6);
    expect(Math.abs(polygonArea(pattern.outline))).toBeCloseTo(1200 * pattern.widthMm, 3);
    expect(outlineOnStrip(rail, piece('bottom L'))).toHaveLength(8);
  });

  test('drawn: one closed outline with every corner rounded, bends three lines each, labels on MARK', () => {
    const pen = svgPen();
    drawBlank(pen, blankOfPiece(flat(piece('bottom L'))), { system: 'in', isTwin: false });
    const { paths, texts } = pen.result();
    expect(paths.get('CUT')!.match(/Z/g)).toHaveLength(1);
    expect(paths.get('CUT')!.match(/A/g)).toHaveLength(8);
    expect(paths.get('BEND')!.match(/M/g)).toHaveLength(3);
    expect(texts.every((text) => text.layer === 'MARK')).toBe(true);
    expect(texts[0]!.words).toContain('bottom L');
  });
});
