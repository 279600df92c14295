import { EndType, inflatePaths, JoinType, minkowskiSum, ramerDouglasPeucker } from 'clipper2-ts';
import {
  aroundContour,
  extentOf,
  flattenContour,
  placedContour,
  polygonArea,
  type Contour,
  type Extent,
  type Point,
} from '../../geometry';

/** Outlines are thinned by so much, mm: it is added to what is kept between pieces. */
const THIN_MM = 0.05;
/** Clipper counts in whole numbers: this many to a millimetre. */
const FINE = 1000;

/** A piece turned one way: its own box, and its outline grown by half of what two pieces keep between them. Its box begins at 0, 0. */
export interface Turned {
  readonly key: string;
  readonly turnRad: number;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly grown: readonly Point[];
}

type Path = { x: number; y: number }[];
const toPath = (points: readonly Point[]): Path =>
  points.map(([x, y]) => ({ x: Math.round(x * FINE), y: Math.round(y * FINE) }));
const toPoints = (path: readonly { x: number; y: number }[]): Point[] =>
  path.map(({ x, y }) => [x / FINE, y / FINE]);

/** A piece turned each way it may be; ways that come to the same are one. */
export function turnedWays(
  partId: string,
  outline: Contour,
  turns: readonly number[],
  betweenMm: number,
): Turned[] {
  const seen = new Set<string>();
  return turns.flatMap((turnRad): Turned[] => {
    const turned = placedContour(outline, turnRad, [0, 0]);
    const box = extentOf(flattenContour(turned, 0.01));
    const points = aroundContour(placedContour(turned, 0, [-box.minX, -box.minY]));
    const mark = points
      .map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`)
      .sort()
      .join();
    if (seen.has(mark)) return [];
    seen.add(mark);
    return [
      {
        key: `${partId}@${turnRad.toFixed(4)}`,
        turnRad,
        widthMm: box.maxX - box.minX,
        heightMm: box.maxY - box.minY,
        grown: grownBy(points, betweenMm / 2 + THIN_MM),
      },
    ];
  });
}

/** An outline moved outward, with no more corners than it needs. */
function grownBy(points: readonly Point[], mm: number): Point[] {
  const [grown] = inflatePaths([toPath(points)], mm * FINE, JoinType.Miter, EndType.Polygon, 2);
  return toPoints(ramerDouglasPeucker(grown ?? toPath(points), THIN_MM * FINE));
}

/** One closed loop: its corners one after another, x and y apart, and its box. */
export interface Loop {
  readonly xs: Float64Array;
  readonly ys: Float64Array;
  readonly box: Extent;
}
/** Where a second piece's corner may not lie beside a first one whose corner is at 0, 0. */
export type NoFit = readonly Loop[];

/** The no-fit polygon: first ⊕ (−second), its outer loops. A hollow that the second would fit into whole counts as filled. */
export function noFitOf(first: Turned, second: Turned): NoFit {
  const mirrored = second.grown.map(([x, y]): Point => [-x, -y]);
  const loops =
    isConvex(first.grown) && isConvex(mirrored)
      ? [convexSum(first.grown, mirrored)]
      : minkowskiSum(toPath(mirrored), toPath(first.grown), true)
          .map(toPoints)
          .filter((points) => polygonArea(points) > 0);
  return loops.map((points) => ({
    xs: Float64Array.from(points, ([x]) => x),
    ys: Float64Array.from(points, ([, y]) => y),
    box: extentOf(points),
  }));
}

const edgesOf = (points: readonly Point[]): Point[] =>
  points.map(([x, y], k) => {
    const [nextX, nextY] = points[(k + 1) % points.length]!;
    return [nextX - x, nextY - y];
  });

/** A corner that turns right by less than this is straight but for whole numbers: its sine. */
const STRAIGHT = 1e-3;

/** Counter-clockwise, and it turns left at every corner. */
function isConvex(points: readonly Point[]): boolean {
  const edges = edgesOf(points);
  return edges.every(([x, y], k) => {
    const [nextX, nextY] = edges[(k + 1) % edges.length]!;
    return x * nextY - y * nextX >= -STRAIGHT * Math.hypot(x, y) * Math.hypot(nextX, nextY);
  });
}

/** Of two convex polygons: their edges one after another by their direction, from the sum of their lowest corners. */
function convexSum(one: readonly Point[], other: readonly Point[]): Point[] {
  const [a, b] = [fromLowest(one), fromLowest(other)];
  const edges = [...edgesOf(a), ...edgesOf(b)]
    .map((edge) => ({ edge, way: angleOf(edge) }))
    .sort((p, q) => p.way - q.way);
  let [x, y] = [a[0]![0] + b[0]![0], a[0]![1] + b[0]![1]];
  return edges.map(({ edge: [dx, dy] }): Point => {
    const at: Point = [x, y];
    [x, y] = [x + dx, y + dy];
    return at;
  });
}

/** From its lowest corner on, the leftmost of several: its edges' directions rise from there. */
function fromLowest(points: readonly Point[]): Point[] {
  const at = points.reduce((best, [x, y], k) => {
    const [bestX, bestY] = points[best]!;
    return y < bestY || (y === bestY && x < bestX) ? k : best;
  }, 0);
  return [...points.slice(at), ...points.slice(0, at)];
}

const angleOf = ([x, y]: Point): number => (Math.atan2(y, x) + 2 * Math.PI) % (2 * Math.PI);
