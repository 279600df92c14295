import { sectionProperties, shearCentre, warping, withThickness } from '@/core/mechanics';
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
interface Solid {
  area: number;
  cx: number;
  cy: number;
  ix: number;
  iy: number;
  j: number;
  sx: number;
  sy: number;
  cw: number;
}

const whole = new Float64Array(surface.uMm.length).fill(T);
const pristine: Rectangle[] = [
  [0, 0, T, D],
  [0, D - T, B, D],
  [0, 0, B, T],
];

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
  return [
    [0, high, T, D],
    [0, D - T, B, D],
    [webIn, flangeIn, T - webIn, high],
    [webIn, flangeIn, B, T - flangeIn],
  ];
};

/** A 4.76 mm bottom L outside the thinned rail, welded along its upper edge on the web and along the flange tip. */
const PLATE = 4.7625;
const upper = 130;
const change: SectionChange = {
  cuts: [],
  plates: [
    {
      uFromMm: B + D - upper,
      uToMm: 2 * B + D,
      thicknessMm: PLATE,
      weldedAtUMm: [B + D - upper, 2 * B + D],
      carries: true,
    },
  ],
};
/** Plate and wall touch but are joined at the two welds only: a slit 0.1 mm wide stands for the contact. */
const SLIT = 0.1;
const cappedRectangles: Rectangle[] = [
  ...pristine,
  [-PLATE, -PLATE, -SLIT, upper],
  [-PLATE, -PLATE, B, -SLIT],
  [-SLIT, upper - 4, 0, upper],
  [B - 4, -SLIT, B, 0],
];

against(['finite elements'], 'solid sections by finite elements (gmsh and scipy)', () => {
  let solid: Record<'pristine' | 'thinned' | 'capped' | 'square', Solid>;
  beforeAll(() => {
    const ask = [
      { rectangles: pristine, size: 3 },
      { rectangles: thinRectangles(), size: 2 },
      { rectangles: cappedRectangles, size: 2 },
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
    const within = (value: number, reference: number, share: number) =>
      expect(Math.abs(value / reference - 1)).toBeLessThan(share);
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
    const oneWeld = changedSection(surface, whole, {
      ...NO_CHANGE,
      plates: [{ ...change.plates[0]!, weldedAtUMm: [2 * B + D] }],
    });
    expect(sectionProperties(oneWeld)!.jMm4 / solid.capped.j).toBeLessThan(0.6);
  });
});

/** One section of every other family, corroded: faces thinned about their midline. Solid rectangles against our strips. */
interface Rusted {
  readonly name: string;
  readonly shape: MemberShape;
  readonly left: Readonly<Record<string, number>>;
  readonly rectangles: Rectangle[];
  readonly closed: boolean;
}
const across = (x0: number, x1: number, y: number, t: number): Rectangle => [x0, y - t / 2, x1, y + t / 2];
const upright = (x: number, y0: number, y1: number, t: number): Rectangle => [x - t / 2, y0, x + t / 2, y1];
const RUSTED: readonly Rusted[] = [
  {
    name: 'I beam, lower flange at 60 %',
    shape: { kind: 'I', depthMm: 254, flangeMm: 102, thicknessMm: 5, flangeThicknessMm: 8 },
    left: { bottom: 0.6 },
    closed: false,
    rectangles: [across(0, 102, 250, 8), upright(51, 4, 250, 5), across(0, 102, 4, 4.8)],
  },
  {
    name: 'built-up beam, web at 70 %',
    shape: {
      kind: 'built-up',
      depthMm: 350,
      topMm: 120,
      bottomMm: 150,
      thicknessMm: 8,
      topThicknessMm: 12,
      bottomThicknessMm: 10,
    },
    left: { web: 0.7 },
    closed: false,
    rectangles: [across(15, 135, 344, 12), upright(75, 5, 344, 5.6), across(0, 150, 5, 10)],
  },
  {
    name: 'hat under a floor, bottom at half',
    shape: { kind: 'hat', depthMm: 64, widthMm: 76, lipMm: 20, thicknessMm: 2 },
    left: { bottom: 0.5 },
    closed: false,
    rectangles: [
      across(0, 22, 63, 2),
      upright(21, 1, 64, 2),
      across(20, 96, 1, 1),
      upright(95, 1, 64, 2),
      across(94, 116, 63, 2),
    ],
  },
  {
    name: 'box, lower wall at half',
    shape: { kind: 'box', depthMm: 127, widthMm: 63, thicknessMm: 3.4 },
    left: { bottom: 0.5 },
    closed: true,
    rectangles: [
      across(0, 63, 125.3, 3.4),
      upright(1.7, 0.85, 127, 3.4),
      upright(61.3, 0.85, 127, 3.4),
      across(0, 63, 1.7, 1.7),
    ],
  },
  {
    name: 'angle, upright leg at 80 %',
    shape: { kind: 'angle', depthMm: 64, flangeMm: 64, thicknessMm: 6 },
    left: { web: 0.8 },
    closed: false,
    rectangles: [upright(3, 3, 64, 4.8), across(0, 64, 3, 6)],
  },
];

against(['finite elements'], 'sections of the other families, corroded (gmsh and scipy)', () => {
  let solids: Solid[];
  beforeAll(() => {
    const ran = run(
      PYTHON,
      ['checks/outside/warping.py'],
      JSON.stringify(RUSTED.map(({ rectangles, closed }) => ({ rectangles, size: closed ? 1.7 : 2.4 }))),
    );
    if (ran.status !== 0) throw new Error(ran.err);
    solids = JSON.parse(ran.out) as Solid[];
  }, 240_000);

  test.each(RUSTED.map((each, k) => [each.name, k] as const))(
    '%s: A, Ix, Iy, J, shear centre, Cw',
    (_name, k) => {
      const { shape: made, left, closed } = RUSTED[k]!;
      const own = surfaceOf(made);
      const midline = withThickness(
        own.midline,
        Float64Array.from(own.rowFace, (face) => face.wallMm * (left[face.id] ?? 1)),
      );
      const [ours, warp, theirs] = [sectionProperties(midline)!, warping(midline)!, solids[k]!];
      const within = (value: number, reference: number, share: number) =>
        expect(Math.abs(value / reference - 1)).toBeLessThan(share);
      within(ours.areaMm2, theirs.area, 0.04);
      within(ours.ixMm4, theirs.ix, 0.05);
      within(ours.iyMm4, theirs.iy, 0.05);
      // Σbt³/3 knows nothing of where thick walls meet; a sharp-cornered box is about 3 % stiffer than Bredt's.
      within(ours.jMm4, theirs.j, closed ? 0.05 : 0.12);
      expect(Math.abs(warp.yMm - ours.centroidYMm - (theirs.sy - theirs.cy))).toBeLessThan(
        0.04 * made.depthMm,
      );
      expect(Math.abs(warp.xMm - ours.centroidXMm - (theirs.sx - theirs.cx))).toBeLessThan(
        0.04 * made.depthMm,
      );
      // An angle's Cw is its walls' own thickness warping, which midlines leave out; a box's does not carry.
      if (made.kind !== 'angle' && !closed) within(warp.cwMm6, theirs.cw, 0.07);
    },
  );

  test('the channel’s Cw as built, and the comparison would notice a flange left out', () => {
    const channel: MemberShape = { kind: 'channel', depthMm: D, flangeMm: B, thicknessMm: T };
    const own = surfaceOf(channel);
    const ran = run(
      PYTHON,
      ['checks/outside/warping.py'],
      JSON.stringify([{ rectangles: pristine, size: 3 }]),
    );
    const [theirs] = JSON.parse(ran.out) as [Solid];
    const of = (bottom: number) =>
      warping(
        withThickness(
          own.midline,
          Float64Array.from(own.rowFace, (face) => T * (face.id === 'bottom' ? bottom : 1)),
        ),
      )!.cwMm6;
    expect(Math.abs(of(1) / theirs.cw - 1)).toBeLessThan(0.04);
    expect(of(0.5) / theirs.cw).toBeLessThan(0.8);
  }, 120_000);
});
