import { sectionProperties, shearCentre } from '@/core/mechanics';
import { surfaceOf, type MemberShape } from '@/core/frame';
import { changedSection, NO_CHANGE, wallSection, type SectionChange } from '@/core/weigh';
import { against, PYTHON, run } from './programs';

/**
 * The rail of the demo's truck, 8 × 3 × 1/4 in, with square corners (the midline model has no bend radii): as built, thinned, capped.
 * Solid rectangles, x right from the back of the web, y up from the bottom.
 */
const [D, B, T] = [203.2, 76.2, 6.35];
const shape: MemberShape = { kind: 'channel', depthMm: D, flangeMm: B, thicknessMm: T };
const surface = surfaceOf(shape);
type Rectangle = [number, number, number, number];
interface Solid { area: number; cx: number; cy: number; ix: number; iy: number; j: number; sx: number; sy: number }

const whole = new Float64Array(surface.uMm.length).fill(T);
const pristine: Rectangle[] = [[0, 0, T, D], [0, D - T, B, D], [0, 0, B, T]];

/** Bottom flange 3.6 mm, lowest 50 mm of web 4.8 mm; thinner metal keeps the midline. */
const THIN = { flange: 3.6, web: 4.8, webHeight: 50 };
const thinned = Float64Array.from(whole);
surface.uMm.forEach((u, k) => {
  if (u > B + D) thinned[k] = THIN.flange;
  else if (u > B + D - THIN.webHeight) thinned[k] = THIN.web;
});
const edgeOfThinWeb = () => {
  const row = surface.uMm.findIndex((u) => u > B + D - THIN.webHeight && u < B + D);
  return B + D - surface.edgeUMm[row]!;
};
const thinRectangles = (): Rectangle[] => {
  const high = edgeOfThinWeb();
  const [webIn, flangeIn] = [(T - THIN.web) / 2, (T - THIN.flange) / 2];
  return [[0, high, T, D], [0, D - T, B, D], [webIn, flangeIn, T - webIn, high], [webIn, flangeIn, B, T - flangeIn]];
};

/** A 4.76 mm bottom L outside the thinned rail, welded along its upper edge on the web and along the flange tip. */
const PLATE = 4.7625;
const upper = 130;
const change: SectionChange = { cuts: [], plates: [{ uFromMm: B + D - upper, uToMm: 2 * B + D, thicknessMm: PLATE, weldedAtUMm: [B + D - upper, 2 * B + D], carries: true }] };
/** Plate and wall touch but are joined at the two welds only: a slit 0.1 mm wide stands for the contact. */
const SLIT = 0.1;
const cappedRectangles: Rectangle[] = [
  ...pristine,
  [-PLATE, -PLATE, -SLIT, upper], [-PLATE, -PLATE, B, -SLIT],
  [-SLIT, upper - 4, 0, upper], [B - 4, -SLIT, B, 0],
];

against(['finite elements'], 'solid sections by finite elements (gmsh and scipy)', () => {
  let solid: Record<'pristine' | 'thinned' | 'capped' | 'square', Solid>;
  beforeAll(() => {
    const ask = [
      { rectangles: pristine, size: 3 }, { rectangles: thinRectangles(), size: 2 }, { rectangles: cappedRectangles, size: 2 },
      { rectangles: [[0, 0, 100, 100]], size: 12 },
    ];
    const ran = run(PYTHON, ['checks/outside/warping.py'], JSON.stringify(ask));
    if (ran.status !== 0) throw new Error(ran.err);
    const [first, second, third, fourth] = JSON.parse(ran.out) as [Solid, Solid, Solid, Solid];
    solid = { pristine: first, thinned: second, capped: third, square: fourth };
  }, 240_000);

  test('the finite elements themselves: a square bar has J = 0.1406 a⁴ (Timoshenko & Goodier, table of rectangular bars)', () => {
    expect(solid.square.j / 100 ** 4).toBeCloseTo(0.1406, 3);
  });

  test.each([
    ['as built', 'pristine', wallSection(surface, whole)],
    ['thinned', 'thinned', wallSection(surface, thinned)],
    ['capped', 'capped', changedSection(surface, whole, change)],
  ] as const)('%s: A, centroid, I, J, shear centre', (_name, which, midline) => {
    const [ours, theirs, centre] = [sectionProperties(midline)!, solid[which], shearCentre(midline)!];
    const within = (value: number, reference: number, share: number) => expect(Math.abs(value / reference - 1)).toBeLessThan(share);
    within(ours.areaMm2, theirs.area, 0.02);
    within(ours.ixMm4, theirs.ix, 0.02);
    within(ours.iyMm4, theirs.iy, 0.03);
    within(ours.jMm4, theirs.j, 0.04);
    expect(Math.abs(ours.centroidYMm - theirs.cy)).toBeLessThan(0.01 * D);
    // Shear centre against the frame that both share: the centroid. 4 % of the breadth across, 4 % of the depth up.
    expect(Math.abs(centre.xMm - ours.centroidXMm - (theirs.sx - theirs.cx))).toBeLessThan(0.04 * B);
    expect(Math.abs(centre.yMm - ours.centroidYMm - (theirs.sy - theirs.cy))).toBeLessThan(0.04 * D);
  });

  test('the comparison would notice a plate left unwelded at one edge', () => {
    const oneWeld = changedSection(surface, whole, { ...NO_CHANGE, plates: [{ ...change.plates[0]!, weldedAtUMm: [2 * B + D] }] });
    expect(sectionProperties(oneWeld)!.jMm4 / solid.capped.j).toBeLessThan(0.6);
  });
});
