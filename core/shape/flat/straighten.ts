import { inverse, Matrix, SingularValueDecomposition } from 'ml-matrix';
import { distance, polygonArea, type Point } from '../../geometry';
import { fail, ok, type Outcome } from '../../quantity';
import { PAPERS, type Paper } from './tiles';

/** Middles of the marks lie so far in from the paper's sides, mm. */
export const MARK_IN_MM = 20;

/** Where the printed frame has its marks, mm from its lower left one: lower left, lower right, upper right, upper left. */
export function marksOf(paper: Paper): {
  readonly places: readonly Point[];
  readonly wideMm: number;
  readonly highMm: number;
} {
  const [wideMm, highMm] = [PAPERS[paper].heightMm - 2 * MARK_IN_MM, PAPERS[paper].widthMm - 2 * MARK_IN_MM];
  return { places: marksAt(wideMm, highMm), wideMm, highMm };
}
/** Four marks of a rectangle of that size: the printed one, or single marks laid round a larger card and measured. */
export const marksAt = (wideMm: number, highMm: number): Point[] => [
  [0, 0],
  [wideMm, 0],
  [wideMm, highMm],
  [0, highMm],
];

/** A plane seen by a camera: from pixels of its picture to mm on it, nine numbers row by row. */
export type Homography = readonly number[];

export function seenAt(h: Homography, [x, y]: Point): Point {
  const w = h[6]! * x + h[7]! * y + h[8]!;
  return [(h[0]! * x + h[1]! * y + h[2]!) / w, (h[3]! * x + h[4]! * y + h[5]!) / w];
}

/** Points moved to their middle and scaled, so that the equations are of one size (Hartley's normalisation). */
function normalised(points: readonly Point[]): { readonly to: Matrix; readonly at: Point[] } {
  const middle: Point = [0, 1].map(
    (k) => points.reduce((sum, point) => sum + point[k]!, 0) / points.length,
  ) as unknown as Point;
  const spread =
    points.reduce((sum, [x, y]) => sum + Math.hypot(x - middle[0], y - middle[1]), 0) / points.length || 1;
  const s = Math.SQRT2 / spread;
  return {
    to: new Matrix([
      [s, 0, -s * middle[0]],
      [0, s, -s * middle[1]],
      [0, 0, 1],
    ]),
    at: points.map(([x, y]): Point => [s * (x - middle[0]), s * (y - middle[1])]),
  };
}

/** Corners of a quadrilateral nearer together than this, px, or turning less than this, are no frame. */
const LEAST_PX = 40;
const LEAST_SINE = 0.15;
/** Seen this much narrower than it is, the camera looked along the card: tipped by some 70° (ours). */
const FLATTEST = 0.3;

/**
 * From the picture to the plane, by the direct linear transform over four marks or more (Hartley and Zisserman, Multiple View Geometry, 4.1, from memory), its
 * least singular vector found by ml-matrix. Marks are given in order round the frame; fails where they cannot be one's.
 */
export function homography(pixels: readonly Point[], planeMm: readonly Point[]): Outcome<Homography> {
  if (pixels.length < 4 || pixels.length !== planeMm.length)
    return fail('four marks are needed: tap each of them');
  const shape = checkMarks(pixels.slice(0, 4), planeMm.slice(0, 4));
  if (!shape.ok) return shape;
  const [from, to] = [normalised(pixels), normalised(planeMm)];
  const rows = from.at.flatMap(([x, y], k) => {
    const [u, v] = to.at[k]!;
    return [
      [-x, -y, -1, 0, 0, 0, u * x, u * y, u],
      [0, 0, 0, -x, -y, -1, v * x, v * y, v],
    ];
  });
  // Nine columns want nine rows: the ninth of four marks says nothing.
  if (rows.length < 9) rows.push(new Array<number>(9).fill(0));
  const { rightSingularVectors } = new SingularValueDecomposition(new Matrix(rows), { autoTranspose: true });
  const least = rightSingularVectors.getColumn(8);
  const inner = new Matrix([least.slice(0, 3), least.slice(3, 6), least.slice(6, 9)]);
  const whole = inverse(to.to).mmul(inner).mmul(from.to);
  const flat = whole.to1DArray();
  const scale = flat[8]!;
  return Math.abs(scale) > 1e-12 && flat.every(Number.isFinite)
    ? ok(flat.map((value) => value / scale))
    : fail('these marks cannot be one frame’s: tap them again, in order round it');
}

/** Area over the longest side squared. */
const openness = (marks: readonly Point[]): number =>
  Math.abs(polygonArea(marks)) /
  Math.max(...marks.map((mark, k) => distance(mark, marks[(k + 1) % marks.length]!))) ** 2;

/** Four marks go one way round, none on the line of its neighbours. */
function checkMarks(marks: readonly Point[], places: readonly Point[]): Outcome<null> {
  const turns = marks.map((here, k) => {
    const [before, after] = [marks[(k + 3) % 4]!, marks[(k + 1) % 4]!];
    const a: Point = [here[0] - before[0], here[1] - before[1]];
    const b: Point = [after[0] - here[0], after[1] - here[1]];
    const [la, lb] = [Math.hypot(...a), Math.hypot(...b)];
    return { sine: (a[0] * b[1] - a[1] * b[0]) / (la * lb || 1), shortest: Math.min(la, lb) };
  });
  if (turns.some(({ shortest }) => shortest < LEAST_PX))
    return fail('two marks lie at one place: is the whole frame in the picture?');
  const way = Math.sign(turns[0]!.sine);
  if (turns.some(({ sine }) => Math.sign(sine) !== way))
    return fail('the marks cross over: tap them in order round the frame, lower left first');
  const isOpen = openness(marks) >= FLATTEST * openness(places);
  return isOpen && turns.every(({ sine }) => Math.abs(sine) >= LEAST_SINE)
    ? ok(null)
    : fail('the picture was taken too flat: from above the card it is exact');
}

/** A finger on a mark is off by so many pixels of the picture as it is shown (ours). */
export const TAP_PX = 1.5;

/**
 * How far a length over the frame may be off, mm a metre: each mark moved by a tap's error both ways, what that does to the other corners' distances, the
 * squares added.
 */
export function errorPerMetreMm(pixels: readonly Point[], planeMm: readonly Point[], tapPx = TAP_PX): number {
  const best = homography(pixels, planeMm);
  if (!best.ok) return Infinity;
  const [wideMm, highMm] = [planeMm[1]![0] - planeMm[0]![0], planeMm[3]![1] - planeMm[0]![1]];
  const inner = [0.2, 0.8].flatMap((x) =>
    [0.2, 0.8].map((y) => seenAt(opposite(best.value), [x * wideMm, y * highMm])),
  );
  const lengths = (h: Homography) => {
    const [a, b, c, d] = inner.map((pixel) => seenAt(h, pixel)) as [Point, Point, Point, Point];
    return [distance(a, b), distance(c, d), distance(a, c), distance(b, d), distance(a, d)];
  };
  const stood = lengths(best.value);
  let squares = 0;
  pixels.forEach((_, k) =>
    [0, 1].forEach((axis) => {
      const moved = pixels.map((point, n): Point =>
        n !== k ? point : axis === 0 ? [point[0] + tapPx, point[1]] : [point[0], point[1] + tapPx],
      );
      const h = homography(moved, planeMm);
      if (!h.ok) return void (squares = Infinity);
      const worst = Math.max(...lengths(h.value).map((mm, n) => Math.abs(mm - stood[n]!) / stood[n]!));
      squares += worst ** 2;
    }),
  );
  return 1000 * Math.sqrt(squares);
}

/** From the plane back to the picture. */
export const opposite = (h: Homography): Homography =>
  inverse(new Matrix([h.slice(0, 3), h.slice(3, 6), h.slice(6, 9)].map((row) => [...row]))).to1DArray();
