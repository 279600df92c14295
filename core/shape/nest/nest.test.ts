import {
  cutInto,
  isOfThickness,
  liesOnShelf,
  laidBends,
  laidContours,
  LEAST_REMNANT_MM,
  nestFigures,
  nestPart,
  nestPiece,
  nestSteps,
  remnantsOf,
  sheetsOnShelf,
  shelfAfter,
  type Nest,
  type NestPart,
  type NestSheet,
  type NestWays,
} from '.';
import type { Blank } from '../flat/blank';
import { circleContour, extentOf, flattenContour, roundedContour, type Point } from '../../geometry';

const WAYS: NestWays = { kerfMm: 2, gapMm: 3, edgeMm: 5, turns: 'quarter turns' };
const sheet = (lengthMm: number, widthMm: number, count = 1, id = 's'): NestSheet => ({
  id,
  lengthMm,
  widthMm,
  count,
});
const box = (l: number, w: number, more: Partial<NestPart> = {}): NestPart => ({
  id: `${l}x${w}`,
  outline: roundedContour(
    [
      [0, 0],
      [l, 0],
      [l, w],
      [0, w],
    ],
    0,
  ),
  inner: [],
  count: 1,
  ...more,
});
function nested(parts: NestPart[], sheets: NestSheet[], ways: Partial<NestWays> = {}, tries = 20): Nest {
  for (const step of nestSteps(parts, sheets, { ...WAYS, ...ways }, 1))
    if (step.tries >= tries) return step.nest;
  throw new Error('it stopped by itself');
}

test('two boxes side by side: edge, kerf and gap are kept to the millimetre, and a millimetre less is no room', () => {
  const parts = [box(100, 50, { count: 2 })];
  const both = nested(parts, [sheet(110, 5 + 50 + 5 + 50 + 5.2)]);
  expect(both.left).toEqual([]);
  const ys = both.laid.map(({ at }) => at[1]).sort((a, b) => a - b);
  expect(ys[0]).toBeCloseTo(5, 1);
  expect(ys[1]! - ys[0]! - 50).toBeGreaterThanOrEqual(5);
  expect(ys[1]! - ys[0]! - 50).toBeLessThan(5.2);
  expect(nested(parts, [sheet(110, 114)]).left).toEqual(['100x50']);
});

test('a piece as large as the sheet within its edges fits; a millimetre larger is named, the rest is laid', () => {
  const one = nested([box(190, 90)], [sheet(200, 100)]);
  expect(one.laid).toHaveLength(1);
  const other = nested([box(191, 90), box(20, 20)], [sheet(200, 100)]);
  expect(other.tooLarge).toEqual(['191x90']);
  expect(other.left).toEqual(['191x90']);
  expect(other.laid.map(({ partId }) => partId)).toEqual(['20x20']);
});

test('turned where it only fits turned, and not where it may only lie lengthwise', () => {
  const tall = box(90, 190);
  expect(nested([tall], [sheet(200, 100)]).laid).toHaveLength(1);
  expect(nested([tall], [sheet(200, 100)], { turns: 'lengthwise' }).tooLarge).toEqual(['90x190']);
  // A bar as long as the diagonal goes in aslant.
  const bar = box(215, 10);
  expect(nested([bar], [sheet(220, 180)], { edgeMm: 4 }).tooLarge).toEqual(['215x10']);
  expect(nested([bar], [sheet(220, 180)], { edgeMm: 4, turns: 'every 15°' }).laid).toHaveLength(1);
});

test('offcuts go first, the smallest that takes it; a whole sheet only for what they do not take', () => {
  const nest = nested(
    [box(100, 50), box(300, 200)],
    [sheet(2000, 1000, 3, 'whole'), sheet(400, 300, 1, 'offcut'), sheet(130, 70, 1, 'scrap')],
  );
  expect(nest.sheets.map(({ sheetId }) => sheetId).sort()).toEqual(['offcut', 'scrap']);
});

test('nothing is bought while the shelf has room, were the bought sheet smaller', () => {
  const sheets = [{ ...sheet(320, 220, 2, 'buy'), isBought: true }, sheet(2000, 1000, 1, 'whole')];
  expect(nested([box(300, 200)], sheets).sheets.map(({ sheetId }) => sheetId)).toEqual(['whole']);
  expect(nested([box(300, 200, { count: 25 })], sheets).sheets.map(({ sheetId }) => sheetId)).toEqual([
    'whole',
    'buy',
  ]);
});

test('two triangles make one square: they interlock closer than their boxes could', () => {
  const triangle: NestPart = {
    id: 't',
    outline: roundedContour(
      [
        [0, 0],
        [200, 0],
        [0, 200],
      ],
      0,
    ),
    inner: [],
    count: 2,
  };
  const nest = nested([triangle], [sheet(2000, 225)]);
  expect(Math.max(...nest.sheets.map(({ usedLengthMm }) => usedLengthMm))).toBeLessThan(225);
});

test('a recess is used: what fits into it from outside goes there', () => {
  const u: Point[] = [
    [0, 0],
    [300, 0],
    [300, 200],
    [200, 200],
    [200, 60],
    [100, 60],
    [100, 200],
    [0, 200],
  ];
  const parts = [{ id: 'u', outline: roundedContour(u, 0), inner: [], count: 1 }, box(80, 100)];
  const nest = nested(parts, [sheet(2000, 212)], { turns: 'quarter turns' });
  expect(nest.sheets[0]!.usedLengthMm).toBeLessThan(310);
});

test('more tries never make it worse, and the same seed comes to the same nest', () => {
  const parts = Array.from({ length: 9 }, (_, k) => box(60 + 31 * k, 40 + 17 * (k % 4)));
  const costs: number[] = [];
  for (const { nest, tries } of nestSteps(parts, [sheet(800, 400, 4)], WAYS, 5)) {
    costs.push(nest.sheets.reduce((sum, each) => sum + cutInto(each), 0) + 1e9 * nest.left.length);
    if (tries >= 40) break;
  }
  costs.slice(1).forEach((cost, k) => expect(cost).toBeLessThanOrEqual(costs[k]! + 1e-6));
  expect(nested(parts, [sheet(800, 400, 4)])).toEqual(nested(parts, [sheet(800, 400, 4)]));
});

test('no sheets, no pieces: nothing is laid, everything is named', () => {
  expect(nested([box(10, 10)], [])).toMatchObject({ laid: [], left: ['10x10'], sheets: [] });
  expect(nested([], [sheet(100, 100)])).toMatchObject({ laid: [], left: [], sheets: [] });
});

test('figures by hand: length cut, pierces, mass, shares, and no fewer sheets than the area asks', () => {
  const part = box(100, 50, { inner: [circleContour(50, 25, 10)] });
  const nest = nested([part], [sheet(200, 100)]);
  const figures = nestFigures(nest, [part], 10);
  const area = 5000 - Math.PI * 100;
  expect(figures.cutMm).toBeCloseTo(300 + 20 * Math.PI, 6);
  expect(figures.pierces).toBe(2);
  expect(figures.massKg).toBeCloseTo(area * 10 * 7.849e-6, 5);
  expect(figures.ofSheets).toBeCloseTo(area / 20000, 9);
  expect(figures.fewestSheets).toBe(1);
  expect(figures.ofStrips).toBeCloseTo(area / Math.min(...nest.sheets.map(cutInto)), 9);
});

test('a piece with holes lies with them: everything of it is turned and moved together', () => {
  const part = box(100, 40, { inner: [circleContour(20, 20, 5)] });
  const [outline, hole] = laidContours(part, { partId: part.id, sheet: 0, turnRad: Math.PI / 2, at: [7, 9] });
  expect(extentOf(flattenContour(outline!))).toMatchObject({
    minX: expect.closeTo(7, 6) as number,
    maxX: expect.closeTo(47, 6) as number,
    maxY: expect.closeTo(109, 6) as number,
  });
  // 20 from its front and 20 from its edge: turned left, 20 up and 20 in from the right.
  const at = extentOf(flattenContour(hole!, 0.001));
  expect((at.minX + at.maxX) / 2).toBeCloseTo(27, 2);
  expect((at.minY + at.maxY) / 2).toBeCloseTo(29, 2);
});

describe('what goes back to the pile', () => {
  const cut = (usedLengthMm: number, usedWidthMm: number) =>
    remnantsOf(
      { sheetId: 's', lengthMm: 2000, widthMm: 1000, usedLengthMm, usedWidthMm },
      { kerfMm: 2, gapMm: 3 },
    );
  test('the larger piece stays whole', () => {
    expect(cut(500, 900)).toEqual([{ lengthMm: 1495, widthMm: 1000 }]);
    expect(cut(1900, 300)).toEqual([{ lengthMm: 2000, widthMm: 695 }]);
    expect(cut(500, 300)).toEqual([
      { lengthMm: 1495, widthMm: 1000 },
      { lengthMm: 500, widthMm: 695 },
    ]);
  });
  test('nobody keeps a strip under 4 in; one of 4 in is kept', () => {
    expect(cut(2000 - 5 - LEAST_REMNANT_MM - 1, 1000)).toHaveLength(1);
    expect(cut(2000 - 5 - LEAST_REMNANT_MM + 1, 1000)).toHaveLength(0);
  });
});

describe('the shelf', () => {
  const row = (thicknessMm: number, lengthMm: number, widthMm: number, count = 1) => ({
    thicknessMm,
    lengthMm,
    widthMm,
    count,
  });
  const shelf = [row(6.35, 2000, 1000, 2), row(3, 500, 500), row(6.3, 600, 400)];
  test('of one thickness within 3 %, by its place in the list', () => {
    expect(sheetsOnShelf(shelf, 6.35).map(({ id }) => id)).toEqual(['shelf 0', 'shelf 2']);
    expect(isOfThickness(6.35 * 1.029, 6.35)).toBe(true);
    expect(isOfThickness(6.35 * 1.031, 6.35)).toBe(false);
  });
  test.each<[string, Parameters<typeof row>[], [number, number][], boolean]>([
    ['a flat as large as the piece', [[6.35, 600, 400, 1]], [[600, 400]], true],
    ['turned it lies there too', [[6.35, 400, 600, 1]], [[600, 400]], true],
    ['longer by a hair', [[6.35, 600, 400, 1]], [[600.1, 300]], false],
    ['wider by a hair', [[6.35, 600, 400, 1]], [[500, 400.1]], false],
    ['two flats, one piece', [[6.35, 2000, 2000, 1]], Array(2).fill([300, 200]), false],
    ['two flats, two pieces', [[6.35, 300, 200, 2]], Array(2).fill([300, 200]), true],
    ['the shelf has none', [], [[300, 200]], false],
    ['another thickness', [[7, 600, 400, 1]], [[300, 200]], false],
    [
      'the small one leaves the large piece to the large one',
      [
        [6.35, 900, 600, 1],
        [6.35, 300, 200, 1],
      ],
      [
        [250, 150],
        [800, 500],
      ],
      true,
    ],
    [
      'the large one leaves the long piece to the long one',
      [
        [6.35, 3000, 400, 1],
        [6.35, 700, 400, 1],
      ],
      [
        [650, 350],
        [2000, 100],
      ],
      true,
    ],
  ])('on the shelf, each on a piece of its own: %s', (_, rows, flats, lies) => {
    const sizes = flats.map(([lengthMm, widthMm]) => ({ lengthMm, widthMm }));
    expect(
      liesOnShelf(
        rows.map((each) => row(...each)),
        6.35,
        sizes,
      ),
    ).toBe(lies);
  });
  test('once it is cut: sheets are gone, what is left lies on the pile, counted with its like', () => {
    const used = (
      sheetId: string,
      lengthMm: number,
      widthMm: number,
      usedLengthMm: number,
      usedWidthMm: number,
    ) => ({
      sheetId,
      lengthMm,
      widthMm,
      usedLengthMm,
      usedWidthMm,
    });
    const nest: Nest = {
      laid: [],
      left: [],
      tooLarge: [],
      sheets: [
        used('shelf 0', 2000, 1000, 1395, 1000),
        used('shelf 2', 600, 400, 600, 400),
        used('buy', 2500, 1250, 2500, 700),
      ],
    };
    const after = shelfAfter([...shelf, row(6.35, 600, 1000, 3)], nest, { ways: WAYS, thicknessMm: 6.35 });
    expect(after).toEqual([
      row(6.35, 2000, 1000, 1),
      row(3, 500, 500),
      row(6.35, 600, 1000, 4),
      row(6.35, 2500, 545),
    ]);
  });
});

test('a twin is the other hand of its piece, its bends with it', () => {
  const blank: Blank = {
    id: 'b',
    name: 'L',
    for: 'rail',
    thicknessMm: 6,
    count: 1,
    outline: roundedContour(
      [
        [0, 0],
        [100, 0],
        [60, 40],
        [0, 40],
      ],
      0,
    ),
    cutouts: [],
    holes: [{ xMm: 10, yMm: 20, cutMm: 6, purpose: 'hole' }],
    bends: [
      {
        from: [0, 10],
        to: [100, 10],
        halfWidthMm: 4,
        angleRad: Math.PI / 2,
        way: 'down',
        insideRadiusMm: 9,
        allowanceMm: 8,
      },
    ],
    scribes: [],
  };
  const [piece, twin] = [nestPiece(blank, false, 1), nestPiece(blank, true, 1)];
  const hole = extentOf(flattenContour(nestPart(twin).inner[0]!, 0.001));
  expect((hole.minX + hole.maxX) / 2).toBeCloseTo(90, 3);
  const laid = { partId: 'b', sheet: 0, turnRad: 0, at: [0, 0] as Point };
  expect(laidBends(piece, laid)[0]).toEqual([
    [0, 6],
    [100, 6],
  ]);
  // Seen the other way along, so its first line is the far tangent.
  expect(laidBends(twin, laid)[2]).toEqual([
    [100, 6],
    [0, 6],
  ]);
  const turned = laidBends(piece, { ...laid, turnRad: Math.PI / 2 })[1]!;
  expect(turned[0][0]).toBeCloseTo(30, 9);
  expect(turned[1][1]).toBeCloseTo(100, 9);
});
