import { contourPen } from './contour-pen';
import type { Pen } from './pen';
import { drawRounded, polygonArea, type Point } from './polygon';
import type { Contour, Vertex } from './vertex';

export type { Contour, Vertex } from './vertex';

interface Arc {
  readonly centre: Point;
  readonly radius: number;
  readonly startRad: number;
  /** Signed: positive counter-clockwise. */
  readonly sweepRad: number;
}

function arcOf(from: Vertex, to: Vertex): Arc {
  const sweepRad = 4 * Math.atan(from.bulge);
  const chord = Math.hypot(to.x - from.x, to.y - from.y);
  const radius = chord / 2 / Math.abs(Math.sin(sweepRad / 2));
  // From the chord's middle the centre lies to its left by the apothem, to the right on a clockwise arc.
  const apothem = ((chord / 2) * (1 - from.bulge ** 2)) / (2 * from.bulge);
  const [ux, uy] = [(to.x - from.x) / chord, (to.y - from.y) / chord];
  const centre: Point = [(from.x + to.x) / 2 - uy * apothem, (from.y + to.y) / 2 + ux * apothem];
  return { centre, radius, startRad: Math.atan2(from.y - centre[1], from.x - centre[0]), sweepRad };
}

const isLine = ({ bulge }: Vertex): boolean => Math.abs(bulge) < 1e-9;
const nextOf = (contour: Contour, k: number): Vertex => contour[(k + 1) % contour.length]!;

/** A polygon with its corners rounded, as far as its edges leave room. */
export function roundedContour(points: readonly Point[], cornerMm: number): Contour {
  if (!(cornerMm > 0)) return points.map(([x, y]) => ({ x, y, bulge: 0 }));
  const pen = contourPen();
  drawRounded(pen, points, cornerMm);
  return pen.result();
}

export const circleContour = (x: number, y: number, radius: number): Contour => [
  { x: x - radius, y, bulge: 1 },
  { x: x + radius, y, bulge: 1 },
];

/** Signed area, arcs counted whole: positive counter-clockwise. */
export function contourArea(contour: Contour): number {
  const chords = polygonArea(contour.map(({ x, y }): Point => [x, y]));
  return contour.reduce((sum, from, k) => {
    if (isLine(from)) return sum;
    const { radius, sweepRad } = arcOf(from, nextOf(contour, k));
    return sum + (radius ** 2 / 2) * (sweepRad - Math.sin(sweepRad));
  }, chords);
}

export const contourLength = (contour: Contour): number =>
  contour.reduce((sum, from, k) => {
    const to = nextOf(contour, k);
    if (isLine(from)) return sum + Math.hypot(to.x - from.x, to.y - from.y);
    const { radius, sweepRad } = arcOf(from, to);
    return sum + radius * Math.abs(sweepRad);
  }, 0);

/** Its corners and points along its arcs, no chord farther from its arc than `toleranceMm`. */
export function flattenContour(contour: Contour, toleranceMm = 0.1): Point[] {
  return contour.flatMap((from, k): Point[] => {
    if (isLine(from)) return [[from.x, from.y]];
    const { centre, radius, startRad, sweepRad } = arcOf(from, nextOf(contour, k));
    const step = 2 * Math.acos(Math.max(0, 1 - toleranceMm / radius));
    const steps = Math.max(2, Math.ceil(Math.abs(sweepRad) / step));
    return Array.from({ length: steps }, (_, n): Point => {
      const at = startRad + (sweepRad * n) / steps;
      return [centre[0] + radius * Math.cos(at), centre[1] + radius * Math.sin(at)];
    });
  });
}

/** An arc up to this sweep is replaced by the corner where its ends' tangents meet; a longer one by corners round it, rad. */
const CORNER_SWEEP_RAD = (100 * Math.PI) / 180;

/** A polygon of few corners that holds the contour, counter-clockwise: outward arcs become corners outside them, inward ones their chords. */
export function aroundContour(given: Contour): Point[] {
  const contour = contourArea(given) < 0 ? reversedContour(given) : given;
  return contour.flatMap((from, k): Point[] => {
    const start: Point = [from.x, from.y];
    if (isLine(from) || from.bulge < 0) return [start];
    const { centre, radius, startRad, sweepRad } = arcOf(from, nextOf(contour, k));
    const parts = Math.ceil(sweepRad / CORNER_SWEEP_RAD) > 1 ? Math.ceil(sweepRad / (Math.PI / 6)) : 1;
    const half = sweepRad / parts / 2;
    // Corners where tangents at the ends of each part meet; the arc's own ends lie on the lines between them.
    return Array.from({ length: parts }, (_, n): Point => {
      const at = startRad + half * (2 * n + 1);
      const out = radius / Math.cos(half);
      return [centre[0] + out * Math.cos(at), centre[1] + out * Math.sin(at)];
    });
  });
}

/** Draws it closed, its arcs as arcs. */
export function drawContour(pen: Pen, contour: Contour): void {
  contour.forEach((from, k) => {
    if (k === 0) pen.moveTo(from.x, from.y);
    const to = nextOf(contour, k);
    if (!isLine(from)) {
      const { centre, radius, startRad, sweepRad } = arcOf(from, to);
      pen.arc(centre[0], centre[1], radius, startRad, startRad + sweepRad, sweepRad < 0);
    } else if (k < contour.length - 1) pen.lineTo(to.x, to.y);
  });
  pen.close();
}

export interface Extent {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
}
export const extentOf = (points: readonly Point[]): Extent => ({
  minX: Math.min(...points.map(([x]) => x)),
  minY: Math.min(...points.map(([, y]) => y)),
  maxX: Math.max(...points.map(([x]) => x)),
  maxY: Math.max(...points.map(([, y]) => y)),
});

/** The same path the other way round: each way to the next corner bends the other way. */
export const reversedContour = (contour: Contour): Contour =>
  contour.map((_, k) => {
    const at = contour.length - 1 - k;
    const { x, y } = contour[at]!;
    return { x, y, bulge: -contour[(at + contour.length - 1) % contour.length]!.bulge };
  });

/** Turned over left to right within a width; it goes round the same way as before. */
export const mirroredContour = (contour: Contour, widthMm: number): Contour =>
  reversedContour(contour.map(({ x, y, bulge }) => ({ x: widthMm - x, y, bulge: -bulge })));

/** Turned counter-clockwise about the origin, then moved. */
export function placedContour(contour: Contour, turnRad: number, [dx, dy]: Point): Contour {
  const [c, s] = [Math.cos(turnRad), Math.sin(turnRad)];
  return contour.map(({ x, y, bulge }) => ({ x: c * x - s * y + dx, y: s * x + c * y + dy, bulge }));
}

/** Whether a point lies within a polygon; on its edge either answer may come. */
export function isWithin(points: readonly Point[], [x, y]: Point): boolean {
  let within = false;
  points.forEach(([ax, ay], k) => {
    const [bx, by] = points[(k + 1) % points.length]!;
    if (ay > y !== by > y && x < ax + ((y - ay) * (bx - ax)) / (by - ay)) within = !within;
  });
  return within;
}

/** Where two edges of a closed polygon cross, if any do: such an outline encloses nothing that could be cut. */
export function crossingOf(points: readonly Point[]): Point | undefined {
  const edges = points.map((from, k) => [from, points[(k + 1) % points.length]!] as const);
  for (let a = 0; a < edges.length; a++)
    for (let b = a + 2; b < edges.length; b++) {
      if (a === 0 && b === edges.length - 1) continue;
      const at = meetingOf(edges[a]!, edges[b]!);
      if (at) return at;
    }
  return undefined;
}

/** Where two straight edges meet, ends included. */
export function meetingOf(
  [[ax, ay], [bx, by]]: readonly [Point, Point],
  [[cx, cy], [dx, dy]]: readonly [Point, Point],
): Point | undefined {
  const cross = (bx - ax) * (dy - cy) - (by - ay) * (dx - cx);
  if (Math.abs(cross) < 1e-12) return undefined;
  const s = ((cx - ax) * (dy - cy) - (cy - ay) * (dx - cx)) / cross;
  const t = ((cx - ax) * (by - ay) - (cy - ay) * (bx - ax)) / cross;
  return s >= 0 && s <= 1 && t >= 0 && t <= 1 ? [ax + s * (bx - ax), ay + s * (by - ay)] : undefined;
}
