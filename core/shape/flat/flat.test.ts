import { contourArea, flattenContour, isWithin, svgPen, type Point } from '../../geometry';
import { developedWidthMm, surfaceOf, type Member, type MemberShape } from '../../frame';
import { DEFAULT_PRACTICE, leastBendRadiusMm, leastLegMm, STEEL_DENSITY_KG_PER_MM3 } from '../../reference';
import { inchesToMm, ksiToMpa } from '../../quantity';
import { foldsBetween } from '../../weigh';
import { faceOfPiece, formOf, pieceKindsFor } from '../forms';
import { pieceSchema, type Piece } from '../piece';
import { coverage, isInside, type Repair } from '../repair';
import type { WorkPart } from '../works';
import { bendAllowanceMm } from './bend';
import { blankFigures, mirroredBlank } from './blank';
import { drawBlank, linesOf } from './draw';
import { checkOutline, standsOffMm } from './findings';
import { pilotMm } from './flare';
import type { FlatPattern } from './pattern';
import { blankOfPiece } from './piece-blank';
import { flatPattern } from './piece-flat';
import { drawScribe, scribeSheet } from './scribe';
import { PAPER_MARGIN_MM, paperOf, PAPERS, TILE_OVERLAP_MM, tilesOf } from './tiles';
import { blankOfPart, blanksOfWork, massOfPartKg } from './work-blank';

const SHAPES: readonly MemberShape[] = [
  { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 },
  { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 5 },
  { kind: 'I', depthMm: 254, flangeMm: 100, thicknessMm: 4, flangeThicknessMm: 6 },
  { kind: 'hat', depthMm: 90, widthMm: 80, lipMm: 25, thicknessMm: 2 },
  { kind: 'angle', depthMm: 75, flangeMm: 60, thicknessMm: 6 },
  { kind: 'flat', depthMm: 120, thicknessMm: 8 },
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
const repairOf = (...pieces: Piece[]): Repair =>
  ({ id: 'r', memberId: 'rail-left', cutOut: false, plugs: false, pieces }) as unknown as Repair;
const flat = (shape: MemberShape, one: Piece, practice: Partial<typeof DEFAULT_PRACTICE> = {}): FlatPattern =>
  flatPattern(member(shape), repairOf(one), one, { ...DEFAULT_PRACTICE, ...practice });
const [CHANNEL, BOX] = [SHAPES[0]!, SHAPES[1]!];

/**
 * A flat folded as a brake does: straight legs, and between them arcs whose inside is the radius and whose neutral fibre, K of the way through,
 * is as long as the flat was. Answers the mould lines of its inside face: each leg's length to where it would meet the next one sharp.
 */
function foldedInside({ bends, widthMm, insideRadiusMm }: FlatPattern): number[] {
  let [x, y, heading, at] = [0, 0, 0, 0];
  const lines: { from: Point; heading: number }[] = [{ from: [0, 0], heading: 0 }];
  const go = (length: number) => {
    x += length * Math.cos(heading);
    y += length * Math.sin(heading);
  };
  for (const { startVMm, endVMm } of bends) {
    go(startVMm - at);
    const [cx, cy] = [x - insideRadiusMm * Math.sin(heading), y + insideRadiusMm * Math.cos(heading)];
    heading += Math.PI / 2;
    [x, y] = [cx + insideRadiusMm * Math.sin(heading), cy - insideRadiusMm * Math.cos(heading)];
    lines.push({ from: [x, y], heading });
    at = endVMm;
  }
  go(widthMm - at);
  const meets = lines.slice(1).map(({ from, heading: way }, k): Point => {
    const before = lines[k]!;
    // Two lines at a right angle: the corner lies on the first, level with the second.
    const along =
      (from[0] - before.from[0]) * Math.cos(before.heading) +
      (from[1] - before.from[1]) * Math.sin(before.heading);
    expect(Math.cos(way - before.heading)).toBeCloseTo(0, 9);
    return [
      before.from[0] + along * Math.cos(before.heading),
      before.from[1] + along * Math.sin(before.heading),
    ];
  });
  const corners: Point[] = [[0, 0], ...meets, [x, y]];
  return corners.slice(1).map(([toX, toY], k) => Math.hypot(toX - corners[k]![0], toY - corners[k]![1]));
}

const CLAIMED = SHAPES.flatMap((shape) =>
  pieceKindsFor(shape).flatMap((kind) =>
    formOf(kind)
      .facesOn(shape)
      .flatMap((face) =>
        [false, ...(formOf(kind).inside(shape) ? [true] : [])].map(
          (inside) => [shape.kind, kind, face.id, inside, shape] as const,
        ),
      ),
  ),
);

describe.each(CLAIMED)('on a %s, a %s on the %s, inside %s', (_, kind, face, inside, shape) => {
  const one = piece(shape, kind, { face, ...(inside && { inside: true }) });

  test.each([0.33, 0.41, 0.5])('folded with K %d, each leg is as long as the wall it covers', (bendK) => {
    const pattern = flat(shape, one, { bendK });
    const { uFromMm, uToMm } = coverage(shape, one);
    const folds = foldsBetween(surfaceOf(shape), uFromMm, uToMm);
    const stops = [uFromMm, ...folds, uToMm];
    // Inside the wall its mould line is its outer face: a wall in from the rail's own, its own thickness in again on its inner one.
    const offMm = isInside(one) ? shape.thicknessMm + one.thicknessMm : 0;
    const walls = stops
      .slice(1)
      .map((mm, k) => mm - stops[k]! - offMm * (Number(k > 0) + Number(k < folds.length)));
    foldedInside(pattern).forEach((mm, k) => expect(mm).toBeCloseTo(walls[k]!, 6));
    for (const { startVMm, endVMm } of pattern.bends)
      expect(endVMm - startVMm).toBeCloseTo(
        (Math.PI / 2) * (pattern.insideRadiusMm + bendK * one.thicknessMm),
        9,
      );
  });

  test('drawn as a blank it lies in its own box, its holes within it, its first words its name', () => {
    const blank = blankOfPiece(flat(shape, one));
    const { lengthMm, widthMm, pierces } = blankFigures(blank);
    expect(lengthMm).toBeCloseTo(1200, 1);
    expect(widthMm).toBeLessThanOrEqual(developedWidthMm(shape) + 0.1);
    expect(pierces).toBe(1 + blank.holes.length);
    const outline = flattenContour(blank.outline);
    for (const { xMm, yMm } of blank.holes) expect(isWithin(outline, [xMm, yMm])).toBe(true);
    expect(linesOf(blank, { system: 'in', isTwin: false })[0]).toContain(kind);
  });
});

test.each([
  ['soft brass, soft copper', 0.55],
  ['soft steel, half-hard copper, aluminium', 0.64],
  ['cold-rolled and spring steel, bronze', 0.71],
])(
  'bend of %s: L = %d t + 1.57 R (Machinery’s Handbook, straight lengths of 90° bends, from memory)',
  (_, factor) => {
    // K of each row is its factor over a quarter turn.
    for (const [t, r] of [
      [3.175, 3.175],
      [6.35, 9.525],
      [1.2, 2],
    ] as const)
      expect(bendAllowanceMm(Math.PI / 2, r, t, factor / (Math.PI / 2))).toBeCloseTo(
        factor * t + 1.57 * r,
        1,
      );
    expect(DEFAULT_PRACTICE.bendK).toBeCloseTo(0.64 / (Math.PI / 2), 2);
  },
);

test('a hole to be drilled once it is welded on is marked, not cut', () => {
  const part: WorkPart = {
    name: 'doubler',
    lengthMm: 60,
    widthMm: 60,
    thicknessMm: 5,
    count: 1,
    shape: { is: 'disc' },
    drillLater: [{ at: [30, 30], diameterMm: 16 }],
  };
  const blank = blankOfPart(part, 'x', 'there')!;
  const pen = svgPen();
  drawBlank(pen, blank, { system: 'mm', isTwin: false });
  expect(blankFigures(blank).pierces).toBe(1);
  expect(
    pen
      .result()
      .texts.map(({ words }) => words)
      .join(),
  ).toContain('drill 16');
});

describe('a recess and a bend', () => {
  // The bottom L's fold is at u 270; its inside radius 7.5 and its thickness 5: a recess that stops within 12.5 of it is cut on.
  const notch = (deepMm: number) =>
    piece(CHANNEL, 'bottom L', {
      upperEdgeMm: 100,
      taperMm: 0,
      notches: [{ fromMm: 1400, toMm: 1500, edge: 'last', deepMm }],
    });
  const deepest = (deepMm: number) => {
    const pattern = flat(CHANNEL, notch(deepMm));
    const inside = pattern.outline.filter(([x]) => x > 1 && x < 1199).map(([, v]) => v);
    return { pattern, mm: pattern.widthMm - Math.min(...inside.filter((v) => v > pattern.widthMm / 2 - 60)) };
  };
  test('one that stops a thickness short of the bend stays as it is', () => {
    const { pattern, mm } = deepest(57.5);
    expect(pattern.isRelieved).toBe(false);
    expect(mm).toBeCloseTo(57.5, 6);
  });
  test('a millimetre deeper it goes past the bend, and that is said', () => {
    const { pattern } = deepest(58.5);
    expect(pattern.isRelieved).toBe(true);
    expect(pattern.findings.map(({ code }) => code)).toContain('bend-relieved');
    const bend = pattern.bends[0]!;
    const least = Math.min(
      ...pattern.outline
        .filter(([x]) => x > 399 && x < 501)
        .map(([, v]) => v)
        .filter((v) => v > 1),
    );
    expect(least).toBeCloseTo(bend.startVMm - 5, 6);
  });
});

describe('what a brake says', () => {
  const codes = (shape: MemberShape, one: Piece, practice: Partial<typeof DEFAULT_PRACTICE> = {}) =>
    flat(shape, one, practice).findings.map(({ code }) => code);

  test.each([
    [36, 1.5],
    [50, 2.5],
    [51, 3],
    [110, 3],
  ])('steel of %d ksi bends to %d thicknesses', (ksi, times) =>
    expect(leastBendRadiusMm(4, ksiToMpa(ksi))).toBeCloseTo(4 * times, 9),
  );
  test('a radius at its least is fine, a hundredth under it is not', () => {
    const one = piece(CHANNEL, 'bottom L');
    expect(codes(CHANNEL, one, { bendRadiusPerThickness: 1.5 })).not.toContain('radius-tight');
    expect(codes(CHANNEL, one, { bendRadiusPerThickness: 1.49 })).toContain('radius-tight');
    expect(codes(CHANNEL, piece(CHANNEL, 'side plate'), { bendRadiusPerThickness: 1 })).toEqual([]);
  });
  test('a bend wider than its corner stands off by 0.293 of the difference; a sixteenth can be welded', () => {
    expect(standsOffMm(20, 10)).toBeCloseTo(10 - 10 / Math.SQRT2, 9);
    expect(standsOffMm(10, 12)).toBe(0);
    // Corner 12; off by 1.5875 at R − r = 5.42: R 17.42.
    const one = piece(CHANNEL, 'bottom L');
    expect(codes(CHANNEL, one, { bendRadiusPerThickness: 17.4 / 5 })).not.toContain('corner-stands-off');
    expect(codes(CHANNEL, one, { bendRadiusPerThickness: 17.45 / 5 })).toContain('corner-stands-off');
    expect(codes(CHANNEL, { ...one, inside: true }, { bendRadiusPerThickness: 4 })).not.toContain(
      'corner-stands-off',
    );
  });
  test('a leg at 5.6 thicknesses over the outside is held, a millimetre less is not', () => {
    expect(leastLegMm(5)).toBeCloseTo(28, 9);
    // Over the outside a leg is its height on the web and the plate's own thickness.
    const leg = (upperEdgeMm: number) => codes(CHANNEL, piece(CHANNEL, 'bottom L', { upperEdgeMm }));
    expect(leg(23.1)).not.toContain('leg-short');
    expect(leg(22.1)).toContain('leg-short');
  });
  test('a hole two thicknesses from the tangent is fine, nearer it is drawn out of round', () => {
    const holed = (heightMm: number) => {
      const on = {
        ...member(CHANNEL),
        holes: [{ id: 'h', face: 'web', stationMm: 1600, heightMm, diameterMm: 20, purpose: 'drain' }],
      } as unknown as Member;
      const one = piece(CHANNEL, 'bottom L', { upperEdgeMm: 120 });
      return flatPattern(on, repairOf(one), one, DEFAULT_PRACTICE).findings.map(({ code }) => code);
    };
    // Tangent 7.5 up the web, rim 10 below the hole's middle, 10 clear.
    expect(holed(27.6)).not.toContain('hole-near-bend');
    expect(holed(27.4)).toContain('hole-near-bend');
  });
});

test('a drain is cut smaller than it is flared: the lip’s metal comes from its rim', () => {
  // D = 20 + 3, H = 3 + 4: d = 23 − 2 (7 − 0.72 · 3).
  expect(pilotMm(20, 3, 4)).toBeCloseTo(23 - 2 * (7 - 2.16), 9);
  expect(pilotMm(20, 6, 0)).toBe(20);
  const cap = blankOfPiece(flat(BOX, piece(BOX, 'bottom U')));
  const drain = cap.holes.find(({ purpose }) => purpose === 'drain')!;
  expect(drain.flaredMm).toBe(inchesToMm(3 / 4));
  expect(drain.cutMm).toBeLessThan(drain.flaredMm!);
  expect(drain.lipMm).toBeCloseTo(3.2, 9);
});

describe('what is written on it', () => {
  const blank = blankOfPiece(flat(CHANNEL, piece(CHANNEL, 'bottom L')));
  const words = (isTwin: boolean, warning?: string) =>
    linesOf(blank, { system: 'mm', isTwin, warning }).join('\n');
  test('its side, its front and its upper edge; the twin’s are the other side’s', () => {
    expect(words(false)).toContain('LEFT side');
    expect(words(false)).toContain('< front');
    expect(words(false)).toContain('top edge UP');
    expect(words(true)).toContain('RIGHT side');
    expect(words(true)).toContain('front >');
    expect(words(true)).toContain('MIRRORED TWIN');
    expect(words(false, 'DO NOT CUT')).toContain('DO NOT CUT');
    expect(words(false)).toContain('1 bend 90 down');
  });
  test('a right-hand rail is seen from its own outside: its front to the right, what lies near its front too', () => {
    const one = piece(CHANNEL, 'bottom L', {
      notches: [{ fromMm: 1100, toMm: 1200, edge: 'first', deepMm: 20 }],
    });
    const holed = (side: 'left' | 'right') => {
      const on = {
        ...member(CHANNEL),
        side,
        holes: [{ id: 'h', face: 'web', stationMm: 1100, heightMm: 60, diameterMm: 20, purpose: 'drain' }],
      } as unknown as Member;
      return blankOfPiece(flatPattern(on, repairOf(one), one, DEFAULT_PRACTICE));
    };
    const [left, right] = [holed('left'), holed('right')];
    const said = (of: typeof left) => linesOf(of, { system: 'mm', isTwin: false }).join(' ');
    expect(said(left)).toMatch(/LEFT side {2}< front.*this face out/);
    expect(said(right)).toMatch(/RIGHT side {2}front >.*this face out/);
    expect(left.holes[0]!.xMm).toBeCloseTo(100, 6);
    expect(right.holes[0]!.xMm).toBeCloseTo(1100, 6);
    expect(right.holes[0]!.yMm).toBeCloseTo(left.holes[0]!.yMm, 6);
    // The left one's twin is the right one, but for its name.
    expect(mirroredBlank(left).outline).toEqual(right.outline);
    expect(mirroredBlank(left).place).toEqual(right.place);
    // Paper laid round it is read from outside too.
    const paper = (side: 'left' | 'right') => scribeSheet({ ...member(CHANNEL), side }, repairOf(one), [])!;
    const nearFront = (of: ReturnType<typeof paper>) => of.plates[0]!.outline.map(([x]) => x);
    expect(paper('right').front).toBe('right');
    expect(Math.max(...nearFront(paper('right')))).toBeCloseTo(
      paper('left').lengthMm - Math.min(...nearFront(paper('left'))),
      6,
    );
  });
  test('no letter lies over a bend', () => {
    const pen = svgPen();
    drawBlank(pen, blank, { system: 'mm', isTwin: false });
    const { texts } = pen.result();
    const bend = blank.bends[0]!;
    const [low, high] = [bend.from[1] - bend.halfWidthMm, bend.from[1] + bend.halfWidthMm];
    for (const { y, height } of texts) expect(-y > high || -y + height < low).toBe(true);
  });
  test('an inner plate says which face goes to the wall', () => {
    const inner = blankOfPiece(flat(CHANNEL, piece(CHANNEL, 'bottom L', { inside: true })));
    expect(linesOf(inner, { system: 'in', isTwin: false }).join()).toContain('this face to the wall');
  });
  test('where another plate of the repair ends is scribed on it, within its length only', () => {
    const [outer, inner] = [
      piece(CHANNEL, 'bottom L'),
      piece(CHANNEL, 'side plate', { id: 'q', startMm: 1076, endMm: 2400 }),
    ];
    const pattern = flatPattern(member(CHANNEL), repairOf(outer, inner), outer, DEFAULT_PRACTICE);
    expect(pattern.othersEndAtXMm).toEqual([76]);
    expect(blankOfPiece(pattern).scribes.map(({ what }) => what)).toEqual(['other plate ends']);
  });
});

describe('paper', () => {
  const outline: Point[] = [
    [0, 0],
    [1000, 0],
    [1000, 100],
    [0, 100],
  ];
  test('every point of the drawing is on a page, neighbours share what they overlap', () => {
    const tiling = tilesOf(outline, 'a4');
    if (!tiling.ok) throw new Error(tiling.reason);
    const { tiles, isLandscape } = tiling.value;
    expect(isLandscape).toBe(true);
    for (const [x, y] of [...outline, [517, 33] as const])
      expect(
        tiles.some(
          (tile) =>
            x >= tile.xMm && x <= tile.xMm + tile.widthMm && y >= tile.yMm && y <= tile.yMm + tile.heightMm,
        ),
      ).toBe(true);
    expect(tiles[0]!.widthMm).toBeCloseTo(PAPERS.a4.heightMm - 2 * PAPER_MARGIN_MM, 9);
    expect(tiles[0]!.xMm + tiles[0]!.widthMm - tiles[1]!.xMm).toBeCloseTo(TILE_OVERLAP_MM, 9);
    expect(tiles.map(({ name }) => name)).toEqual(['A1', 'A2', 'A3', 'A4']);
  });
  test('one page where it fits to the millimetre, two where it is over', () => {
    const wide = (mm: number) => {
      const made = tilesOf(
        [
          [0, 0],
          [mm, 0],
          [mm, 50],
          [0, 50],
        ],
        'a4',
      );
      return made.ok ? made.value.tiles.length : 0;
    };
    expect(wide(297 - 24 - 6)).toBe(1);
    expect(wide(297 - 24 - 5)).toBe(2);
  });
  test('pages that nothing lies on are left out', () => {
    const slanted: Point[] = [
      [0, 0],
      [20, 0],
      [1500, 1480],
      [1500, 1500],
      [1480, 1500],
      [0, 20],
    ];
    const tiling = tilesOf(slanted, 'a4');
    if (!tiling.ok) throw new Error(tiling.reason);
    expect(tiling.value.tiles.length).toBeLessThan(tiling.value.columns * tiling.value.rows);
  });
  test('a paper nobody sells, and more pages than anybody tapes, are named', () => {
    expect(paperOf('A4')).toEqual({ ok: true, value: 'a4' });
    expect(paperOf('foolscap')).toMatchObject({
      ok: false,
      reason: expect.stringContaining('letter') as string,
    });
    expect(
      tilesOf(
        [
          [0, 0],
          [9000, 0],
          [9000, 2000],
          [0, 2000],
        ],
        'letter',
      ),
    ).toMatchObject({ ok: false });
  });
});

describe('the sheet to scribe by', () => {
  test('laid round the outside, a corner takes the arc of two walls’ radius', () => {
    const one = piece(CHANNEL, 'bottom L', { upperEdgeMm: 100, taperMm: 0 });
    const sheet = scribeSheet(member(CHANNEL), repairOf(one), [
      {
        pieceId: 'p',
        outline: [
          [1300, 200],
          [1500, 200],
          [1500, 300],
          [1300, 300],
        ],
      },
    ])!;
    // u 144.6 (an inch above the plate's edge at 170) to the tip at 340: one fold at 270, radius 12.
    const plain = 340 - (170 - 25.4);
    expect(sheet.widthMm).toBeCloseTo(plain - 2 * 12 + (Math.PI / 2) * 12, 6);
    expect(sheet.lengthMm).toBeCloseTo(1200 + 2 * 25.4, 6);
    expect(sheet.fromStationMm).toBeCloseTo(1000 - 25.4, 6);
    expect(sheet.openings[0]![0]).toEqual([325.4, expect.closeTo(sheet.widthMm - (200 - 144.6), 6)]);
    const pen = svgPen();
    drawScribe(pen, sheet, 'in');
    expect([...pen.result().paths.keys()]).toEqual(['PLATE', 'OPENING', 'FOLD', 'MARK']);
  });
  test('none where every plate lies inside', () => {
    const inner = piece(CHANNEL, 'bottom L', { inside: true });
    expect(scribeSheet(member(CHANNEL), repairOf(inner), [])).toBeUndefined();
  });
});

describe('parts of works', () => {
  const part: WorkPart = { name: 'part', lengthMm: 100, widthMm: 60, thicknessMm: 5, count: 2 };
  const area = (shape: WorkPart['shape'], more: Partial<WorkPart> = {}) =>
    blankFigures(blankOfPart({ ...part, ...more, ...(shape && { shape }) }, 'x', 'there')!).areaMm2;
  test('areas by hand', () => {
    expect(area(undefined)).toBeCloseTo(6000 - (4 - Math.PI) * 12.7 ** 2, 6);
    expect(area({ is: 'sheet', cornerMm: 0 })).toBeCloseTo(6000, 9);
    expect(area({ is: 'triangle', snipeMm: 20 })).toBeCloseTo(3000 - 200, 9);
    expect(area({ is: 'triangle', snipeMm: 0 })).toBeCloseTo(3000, 9);
    const hole = { holes: [{ at: [50, 50] as Point, diameterMm: 20 }], widthMm: 100 };
    expect(area({ is: 'disc' }, hole)).toBeCloseTo(Math.PI * (2500 - 100), 6);
  });
  test('a bend from the far end lies as far from it', () => {
    const bend = { runs: 'across', atMm: 25, insideRadiusMm: 5, allowanceMm: 10 } as const;
    const blank = blankOfPart(
      { ...part, shape: { is: 'sheet', bends: [bend, { ...bend, fromEnd: true }] } },
      'x',
      'there',
    )!;
    expect(blank.bends.map(({ from }) => from[0])).toEqual([25, 75]);
  });
  test('what is bought to length is cut from no sheet, and weighs what it weighs; nothing of no size is cut', () => {
    expect(
      blanksOfWork('w', 'there', [part, { ...part, shape: { is: 'length' } }, { ...part, lengthMm: 0 }]),
    ).toHaveLength(1);
    expect(massOfPartKg({ ...part, shape: { is: 'length' } })).toBeCloseTo(
      100 * 60 * 5 * 2 * STEEL_DENSITY_KG_PER_MM3,
      9,
    );
    expect(Math.abs(contourArea(blanksOfWork('w', 't', [part])[0]!.outline))).toBeGreaterThan(0);
  });
});

describe('an outline', () => {
  test.each([
    [
      'of two corners',
      [
        [0, 0],
        [10, 0],
      ],
      'three corners',
    ],
    [
      'that crosses itself',
      [
        [0, 0],
        [10, 10],
        [10, 0],
        [0, 10],
      ],
      'crosses itself',
    ],
    [
      'with a corner twice',
      [
        [0, 0],
        [10, 0],
        [10, 0.01],
        [0, 10],
      ],
      'one place',
    ],
    [
      'with a corner nowhere',
      [
        [0, 0],
        [NaN, 0],
        [10, 5],
      ],
      'nowhere',
    ],
  ] as const)('%s is refused with the reason', (_, points, reason) =>
    expect(checkOutline(points as unknown as Point[])).toMatchObject({
      ok: false,
      reason: expect.stringContaining(reason) as string,
    }),
  );
  test('of three is taken', () =>
    expect(
      checkOutline([
        [0, 0],
        [10, 0],
        [0, 10],
      ]).ok,
    ).toBe(true));
});
