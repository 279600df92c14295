import { randomLcg } from 'd3-random';
import { MaxRectsPacker, PACKING_LOGIC } from 'maxrects-packer';
import {
  contourArea,
  extentOf,
  flattenContour,
  mirroredContour,
  roundedContour,
  circleContour,
  type Contour,
  type Point,
} from '@/core/geometry';
import {
  cutInto,
  laidContours,
  nestFigures,
  nestSteps,
  type CutSheet,
  type NestPart,
  type NestWays,
} from '@/core/shape';
import { against, PYTHON, run } from './programs';

const SHEET = { id: 's', lengthMm: 2438, widthMm: 1219, count: 8 };
const WAYS: NestWays = { kerfMm: 1.5, gapMm: 5, edgeMm: 6, turns: 'quarter turns' };
const SEEDS = Array.from({ length: 30 }, (_, k) => 101 + 7 * k);

/** Plates with tapered ends, gussets, discs, brackets with a recess: sizes of the trade, drawn anew for each seed. */
function drawn(seed: number): NestPart[] {
  const random = randomLcg(seed);
  return Array.from({ length: 8 + Math.floor(random() * 18) }, (_, k): NestPart => {
    const [l, w] = [120 + 1300 * random() ** 2, 60 + 200 * random()];
    const outline = OUTLINES[k % OUTLINES.length]!(l, w, random());
    // Every other one is turned over, as a twin is.
    return { id: `p${k}`, outline: k % 2 ? mirroredContour(outline, l) : outline, inner: [], count: 1 };
  });
}
const OUTLINES: readonly ((l: number, w: number, share: number) => Contour)[] = [
  (l, w, share) => {
    const t = Math.min(0.4 * l, 150 * share + 20);
    const points: Point[] = [
      [0, 0.35 * w],
      [t, 0],
      [l - t, 0],
      [l, 0.35 * w],
      [l, 0.65 * w],
      [l - t, w],
      [t, w],
      [0, 0.65 * w],
    ];
    return roundedContour(points, 12.7);
  },
  (l, w) =>
    roundedContour(
      [
        [0, 0],
        [l, 0],
        [l, w],
        [0, w],
      ],
      12.7,
    ),
  (_, w, share) =>
    roundedContour(
      [
        [0, 0],
        [1.5 * w, 0],
        [0, w * (0.7 + share)],
      ],
      0,
    ),
  (_, w) => circleContour(w / 2, w / 2, w / 2),
  (l, w) =>
    roundedContour(
      [
        [0, 0],
        [l, 0],
        [l, w],
        [0.7 * l, w],
        [0.7 * l, 0.5 * w],
        [0.3 * l, 0.5 * w],
        [0.3 * l, w],
        [0, w],
      ],
      5,
    ),
];

/** As many tries as a second or two takes. */
const TRIES = 30;
function nested(parts: readonly NestPart[]) {
  for (const { nest, tries } of nestSteps(parts, [SHEET], WAYS, 3)) if (tries >= TRIES) return nest;
  throw new Error('it stopped by itself');
}

/** The same pieces by their boxes: the best of the packer's own ways, kerf and gap between, the edge kept free. */
function packed(parts: readonly NestPart[]): { sheets: number; strips: number } {
  const tries = [PACKING_LOGIC.MAX_AREA, PACKING_LOGIC.MAX_EDGE].flatMap((logic) =>
    [true, false].map((allowRotation) => {
      const between = WAYS.kerfMm + WAYS.gapMm;
      const packer = new MaxRectsPacker(SHEET.lengthMm, SHEET.widthMm, between, {
        smart: false,
        pot: false,
        square: false,
        allowRotation,
        border: WAYS.edgeMm,
        logic,
      });
      packer.addArray(
        parts.map(({ outline }): never => {
          const { minX, minY, maxX, maxY } = extentOf(flattenContour(outline, 0.01));
          return { width: maxX - minX, height: maxY - minY } as never;
        }),
      );
      const strips = packer.bins.map(({ rects }): CutSheet => ({
        sheetId: 's',
        lengthMm: SHEET.lengthMm,
        widthMm: SHEET.widthMm,
        usedLengthMm: Math.max(...rects.map(({ x, width }) => x + width)),
        usedWidthMm: Math.max(...rects.map(({ y, height }) => y + height)),
      }));
      return { sheets: strips.length, strips: strips.reduce((sum, each) => sum + cutInto(each), 0) };
    }),
  );
  return tries.reduce((a, b) =>
    b.sheets < a.sheets || (b.sheets === a.sheets && b.strips < a.strips) ? b : a,
  );
}

against(['shapely'], 'nests, by shapely and against packing by boxes', () => {
  test.each(SEEDS)(
    'seed %i: none overlaps, gap and edge are kept, and no box packing does better',
    (seed) => {
      const parts = drawn(seed);
      const nest = nested(parts);
      const byId = new Map(parts.map((part) => [part.id, part]));
      expect(nest.left).toEqual([]);
      const sheets = nest.sheets.map(({ lengthMm, widthMm }, k) => ({
        length: lengthMm,
        width: widthMm,
        polygons: nest.laid
          .filter(({ sheet }) => sheet === k)
          .map((laid) => flattenContour(laidContours(byId.get(laid.partId)!, laid)[0]!, 0.005)),
      }));
      const asked = run(PYTHON, ['checks/outside/nest_audit.py'], JSON.stringify({ sheets }));
      expect(asked.err).toBe('');
      const said = JSON.parse(asked.out) as {
        closest: number | null;
        side: number;
        overlap: number;
        areas: number[];
      };
      expect(said.overlap).toBe(0);
      expect(said.closest ?? Infinity).toBeGreaterThanOrEqual(WAYS.kerfMm + WAYS.gapMm - 0.02);
      expect(said.side).toBeGreaterThanOrEqual(WAYS.edgeMm - 0.02);
      const ours = parts.reduce((sum, { outline }) => sum + Math.abs(contourArea(outline)), 0);
      expect(said.areas.reduce((sum, area) => sum + area, 0) / ours).toBeCloseTo(1, 4);
      const boxes = packed(parts);
      const { ofStrips, fewestSheets } = nestFigures(nest, parts, 6.35);
      expect(nest.sheets.length).toBeLessThanOrEqual(boxes.sheets);
      expect(nest.sheets.length).toBeGreaterThanOrEqual(fewestSheets);
      if (nest.sheets.length === boxes.sheets)
        expect(ofStrips).toBeGreaterThanOrEqual(ours / boxes.strips - 1e-9);
    },
  );
});
