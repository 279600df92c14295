import { polygonArea, svgPen } from '../geometry';
import { sectionProperties } from '../mechanics';
import { DEFAULT_PRACTICE } from '../reference';
import { developedWidthMm, evenWall, isClosed, surfaceOf, type Member, type MemberShape } from '../frame';
import { changedSection, type PlateBand } from '../weigh';
import {
  bendAllowanceMm,
  checkRepair,
  coverage,
  blankOfPiece,
  drawBlank,
  faceOfPiece,
  flatPattern,
  formOf,
  outlineOnStrip,
  PIECE_KINDS,
  pieceKindsFor,
  pieceName,
  pieceSchema,
  type Piece,
  type Repair,
} from '.';

const SHAPES: readonly MemberShape[] = [
  { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 },
  { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 5 },
  { kind: 'I', depthMm: 254, flangeMm: 100, thicknessMm: 4, flangeThicknessMm: 6 },
  {
    kind: 'built-up',
    depthMm: 300,
    topMm: 120,
    bottomMm: 140,
    thicknessMm: 5,
    topThicknessMm: 8,
    bottomThicknessMm: 10,
  },
  { kind: 'hat', depthMm: 90, widthMm: 80, lipMm: 25, thicknessMm: 2 },
  { kind: 'angle', depthMm: 75, flangeMm: 60, thicknessMm: 6 },
  { kind: 'flat', depthMm: 120, thicknessMm: 8 },
  { kind: 'tube', depthMm: 90, thicknessMm: 4 },
];
const member = (shape: MemberShape): Member => ({
  id: 'rail-left',
  name: 'Left rail',
  role: 'rail',
  steel: 'a36',
  side: 'left',
  shape,
  lengthMm: 6000,
});
const piece = (shape: MemberShape, kind: Piece['kind'], more: Partial<Piece> = {}): Piece => {
  const face = faceOfPiece(shape, { kind, ...(more.face && { face: more.face }) })!;
  return pieceSchema.parse({
    id: 'p',
    kind,
    startMm: 1000,
    endMm: 2200,
    thicknessMm: 5,
    taperMm: 100,
    ...formOf(kind).start(shape, face),
    ...more,
  });
};
const door = (shape: MemberShape, one: Piece) => {
  const checked = checkRepair(member(shape), { pieces: [one] });
  return checked.ok ? '' : checked.reason;
};

/** Every form on every face of every section that it claims. */
const CLAIMED = SHAPES.flatMap((shape) =>
  pieceKindsFor(shape).flatMap((kind) =>
    formOf(kind)
      .facesOn(shape)
      .map((face) => [shape.kind, kind, face.id, shape] as const),
  ),
);

test('every form is claimed by some section, and a tube by its sleeve alone', () => {
  expect(new Set(CLAIMED.map(([, kind]) => kind))).toEqual(new Set(PIECE_KINDS));
  expect(pieceKindsFor(SHAPES.at(-1)!)).toEqual(['sleeve']);
});

describe.each(CLAIMED)('on a %s, a %s on the %s', (_, kind, face, shape) => {
  const one = piece(shape, kind, { face });
  const { widthMm } = faceOfPiece(shape, one)!;

  test('starts where it can lie, and covers part of the wall', () => {
    expect(door(shape, one)).toBe('');
    const { uFromMm, uToMm, noseUMm } = coverage(shape, one);
    expect(uToMm - uFromMm).toBeGreaterThan(20);
    expect(noseUMm).toBeGreaterThanOrEqual(uFromMm);
    expect(noseUMm).toBeLessThanOrEqual(uToMm);
    if (!isClosed(shape)) {
      expect(uFromMm).toBeGreaterThanOrEqual(0);
      expect(uToMm).toBeLessThanOrEqual(developedWidthMm(shape) + 1e-9);
    }
  });
  test('an edge a millimetre off its face is refused, at its face’s end it is not', () => {
    const { sets } = formOf(kind);
    if (sets.upper) expect(door(shape, { ...one, upperEdgeMm: widthMm })).toBe('');
    if (sets.upper) expect(door(shape, { ...one, upperEdgeMm: widthMm + 1 })).not.toBe('');
    if (sets.lower && !sets.upper) expect(door(shape, { ...one, lowerEdgeMm: widthMm + 1 })).not.toBe('');
  });
  test('goes inside an open wall; into a box flat on its sides alone', () => {
    const inside = door(shape, { ...one, inside: true });
    expect(inside === '').toBe(formOf(kind).inside(shape));
    if (isClosed(shape) && kind !== 'side plate') expect(inside).toMatch(/does not go inside/);
    if (shape.kind === 'tube') expect(inside).not.toBe('');
  });
  test('lies flat: its outline does not cross itself, and weighs what it covers', () => {
    const repair: Repair = {
      id: 'r',
      memberId: 'rail-left',
      cutOut: false,
      pieces: [one],
      weldStyle: 'continuous',
      plugs: false,
      onBench: false,
      by: 'RK',
      at: '2026-01-01T00:00:00Z',
    };
    const flat = flatPattern(member(shape), repair, one, DEFAULT_PRACTICE);
    expect(crossings(flat.outline)).toBe(0);
    expect(flat.massKg).toBeCloseTo(Math.abs(polygonArea(flat.outline)) * 5 * 7.85e-6, 1);
    expect(flat.widthMm).toBeGreaterThan(0);
  });
  test('a notch leaves 20 mm of it, or is refused; one beyond its ends is', () => {
    const { uFromMm, uToMm } = coverage(shape, one);
    const notch = (deepMm: number, fromMm = 1400) => ({
      ...one,
      notches: [{ fromMm, toMm: fromMm + 80, edge: 'first' as const, deepMm }],
    });
    expect(door(shape, notch(uToMm - uFromMm - 20))).toBe('');
    expect(door(shape, notch(uToMm - uFromMm - 19))).toMatch(/leaves nothing/);
    expect(door(shape, notch(5, 2121))).toMatch(/beyond its ends/);
    expect(door(shape, notch(5, 2120))).toBe('');
    // The outline steps in by its depth, and only there.
    const outline = outlineOnStrip(member(shape), notch(5));
    const edges = (mm: number) =>
      outline.filter(([station, u]) => Math.abs(station - mm) < 1e-9 && u < uToMm - 10).map(([, u]) => u);
    const repeated = outline.filter(([mm, u], k) => {
      const [nextMm, nextU] = outline[(k + 1) % outline.length]!;
      return Math.hypot(mm - nextMm, u - nextU) < 1e-6;
    });
    expect(repeated).toEqual([]);
    const pen = svgPen();
    const flat = flatPattern(
      member(shape),
      { plugs: false, pieces: [] as Piece[] } as Repair,
      notch(15),
      DEFAULT_PRACTICE,
    );
    drawBlank(pen, blankOfPiece(flat), { system: 'in', isTwin: false });
    const cut = pen.result().paths.get('CUT')!;
    expect(cut).not.toMatch(/NaN|Infinity/);
    // Four corners more than the plain plate's, each with room for its radius.
    expect(cut.match(/A/g)!.length).toBeGreaterThanOrEqual(8);
    // Both sides are square: the full width and the notched one on one station, so that its corners can be rounded.
    for (const side of [1400, 1480])
      expect(edges(side).sort((a, b) => a - b)).toEqual([
        expect.closeTo(uFromMm, 6),
        expect.closeTo(uFromMm + 5, 6),
      ]);
    const edge = (mm: number) => Math.min(...edges(mm));
    expect(edge(1100)).toBeCloseTo(uFromMm, 6);
  });
});

/** How often a closed outline crosses itself. */
function crossings(points: readonly (readonly [number, number])[]): number {
  const side = (
    [ax, ay]: readonly [number, number],
    [bx, by]: readonly [number, number],
    [x, y]: readonly [number, number],
  ) => Math.sign((bx - ax) * (y - ay) - (by - ay) * (x - ax));
  const at = (k: number) => points[k % points.length]!;
  let count = 0;
  for (let i = 0; i < points.length; i++)
    for (let j = i + 2; j < points.length; j++) {
      if ((j + 1) % points.length === i) continue;
      const [a, b, c, d] = [at(i), at(i + 1), at(j), at(j + 1)];
      if (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0) count++;
    }
  return count;
}

test.each<[Piece['kind'], MemberShape, lower: number, upper: number]>([
  ['bottom L', SHAPES[0]!, 0, 100],
  ['top L', SHAPES[0]!, 100, 200],
  ['full C', SHAPES[0]!, 0, 200],
  ['bottom U', SHAPES[1]!, 0, 75],
  ['top U', SHAPES[1]!, 75, 150],
  ['side plate', SHAPES[0]!, 50, 150],
  // A shelf of 3/8 in beside its welds.
  ['cover plate', SHAPES[1]!, 9.525, 65.475],
])(
  'a %s that is drawn by hand begins at half a side, or over what it is for',
  (kind, shape, lower, upper) => {
    const face = faceOfPiece(shape, { kind, ...(kind === 'cover plate' && { face: 'bottom' as const }) })!;
    const start = formOf(kind).start(shape, face);
    expect([start.lowerEdgeMm, start.upperEdgeMm]).toEqual([
      expect.closeTo(lower, 6),
      expect.closeTo(upper, 6),
    ]);
  },
);

test('a face that a form does not lie on is refused by name', () => {
  const [channel, , beam] = SHAPES as [MemberShape, MemberShape, MemberShape];
  expect(door(channel, { ...piece(channel, 'cover plate'), face: 'web' })).toBe(
    'a cover plate does not lie on the web of a channel',
  );
  expect(door(beam, { ...piece(channel, 'bottom L') })).toBe('a bottom L does not fit a I');
  expect(pieceName({ kind: 'side plate', face: 'inner', inside: true })).toBe('side plate, inner, inside');
});

describe('what a plate adds to a section, against the sum of its parts by hand', () => {
  const properties = (shape: MemberShape, plates: readonly PlateBand[]) => {
    const surface = surfaceOf(shape);
    return sectionProperties(
      changedSection(surface, evenWall(surface, shape.thicknessMm), { cuts: [], plates }),
    )!;
  };
  const band = (shape: MemberShape, one: Piece): PlateBand => {
    const { uFromMm, uToMm } = coverage(shape, one);
    return {
      uFromMm,
      uToMm,
      thicknessMm: one.thicknessMm,
      weldedAtUMm: [uFromMm, uToMm],
      carries: true,
      ...(one.inside && { inside: true }),
    };
  };

  test('a cover under a beam’s lower flange: parallel axes', () => {
    const shape = SHAPES[2]!;
    const bare = properties(shape, []);
    const cover = piece(shape, 'cover plate', {
      face: 'bottom',
      lowerEdgeMm: 10,
      upperEdgeMm: 90,
      thicknessMm: 8,
    });
    const got = properties(shape, [band(shape, cover)]);
    const [area, y] = [80 * 8, -4];
    const total = bare.areaMm2 + area;
    const middle = (bare.areaMm2 * bare.centroidYMm + area * y) / total;
    const inertia =
      bare.ixMm4 +
      bare.areaMm2 * (bare.centroidYMm - middle) ** 2 +
      (80 * 8 ** 3) / 12 +
      area * (y - middle) ** 2;
    expect(got.areaMm2).toBeCloseTo(total, 3);
    expect(got.centroidYMm).toBeCloseTo(middle, 3);
    expect(got.ixMm4 / inertia).toBeCloseTo(1, 3);
  });
  test('a pair on a beam’s web adds two flats’ own stiffness, and nothing sideways', () => {
    const shape = SHAPES[2]!;
    const bare = properties(shape, []);
    const outer = piece(shape, 'side plate', { lowerEdgeMm: 30, upperEdgeMm: 224 });
    const got = properties(shape, [band(shape, outer), band(shape, { ...outer, inside: true })]);
    const high = 194;
    expect(got.areaMm2).toBeCloseTo(bare.areaMm2 + 2 * 5 * high, 3);
    expect(got.centroidXMm).toBeCloseTo(bare.centroidXMm, 6);
    expect(got.ixMm4).toBeCloseTo(bare.ixMm4 + (2 * 5 * high ** 3) / 12, -2);
  });
  test('a plate on each side inside a box: parallel axes about both', () => {
    const shape: MemberShape = { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 4.8 };
    const t = 6;
    const sides = (['outer', 'inner'] as const).map((face) =>
      piece(shape, 'side plate', { face, inside: true, lowerEdgeMm: 30, upperEdgeMm: 120, thicknessMm: t }),
    );
    const [plain, got] = [
      properties(shape, []),
      properties(
        shape,
        sides.map((one) => band(shape, one)),
      ),
    ];
    const area = 90 * t;
    expect(got.areaMm2 - plain.areaMm2).toBeCloseTo(2 * area, 3);
    expect((got.ixMm4 - plain.ixMm4) / ((2 * t * 90 ** 3) / 12)).toBeCloseTo(1, 2);
    // From the middle of the box to the middle of a plate laid against the inside of its wall.
    const out = 75 / 2 - 4.8 - t / 2;
    expect((got.iyMm4 - plain.iyMm4) / (2 * area * out ** 2 + (2 * 90 * t ** 3) / 12)).toBeCloseTo(1, 1);
    const outside = properties(
      shape,
      sides.map((one) => band(shape, { ...one, inside: false })),
    );
    expect(outside.iyMm4).toBeGreaterThan(got.iyMm4);
  });
  test('an L inside a channel nests in its corner', () => {
    const shape = SHAPES[0]!;
    const bare = properties(shape, []);
    const inside = piece(shape, 'bottom L', { inside: true, upperEdgeMm: 100, thicknessMm: 4 });
    const got = properties(shape, [band(shape, inside)]);
    // Its midline runs 6 + 2 mm in from the channel's outside: legs of 100 − 8 and 70 − 8.
    expect(got.areaMm2).toBeCloseTo(bare.areaMm2 + 4 * (92 + 62), 3);
  });
});

test('an L bent to go inside is shorter by its corner: the legs to the tangent lines and the bend between', () => {
  const shape = SHAPES[0]!;
  const one = piece(shape, 'bottom L', { inside: true, upperEdgeMm: 100, thicknessMm: 4 });
  const radiusMm = DEFAULT_PRACTICE.bendRadiusPerThickness * 4;
  const cornerMm = 6 + 4 + radiusMm;
  const repair = { plugs: false, pieces: [] as Piece[] } as Repair;
  const flat = flatPattern(member(shape), repair, one, DEFAULT_PRACTICE);
  const byHand =
    100 - cornerMm + (70 - cornerMm) + bendAllowanceMm(Math.PI / 2, radiusMm, 4, DEFAULT_PRACTICE.bendK);
  expect(flat.widthMm).toBeCloseTo(byHand, 6);
  const [bend] = flat.bends;
  expect(bend!.startVMm).toBeCloseTo(100 - cornerMm, 6);
});
