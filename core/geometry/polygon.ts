import type { Pen } from './pen';

export type Point = readonly [x: number, y: number];

export const distance = (a: Point, b: Point): number => Math.hypot(b[0] - a[0], b[1] - a[1]);

export function pathLength(points: readonly Point[]): number {
  let sum = 0;
  for (let k = 1; k < points.length; k++) sum += distance(points[k - 1]!, points[k]!);
  return sum;
}

/** Signed area of a closed polygon: positive counter-clockwise. */
export function polygonArea(points: readonly Point[]): number {
  let twice = 0;
  points.forEach(([x, y], k) => {
    const [nextX, nextY] = points[(k + 1) % points.length]!;
    twice += x * nextY - nextX * y;
  });
  return twice / 2;
}

interface RoundedCorner {
  start: Point;
  end: Point;
  centre: Point;
  radius: number;
  clockwise: boolean;
}

/**
 * Draws a closed polygon with every corner rounded to `radiusMm`, or to what the shorter neighbouring edge leaves room for.
 * Returns the smallest radius actually used.
 */
export function drawRounded(pen: Pen, points: readonly Point[], radiusMm: number): number {
  const corners = points.map((_, k) => roundCorner(points, k, radiusMm));
  corners.forEach((corner, k) => {
    if (k === 0) pen.moveTo(...corner.start);
    else pen.lineTo(...corner.start);
    if (!(corner.radius > 0)) return;
    const angleOf = (p: Point) => Math.atan2(p[1] - corner.centre[1], p[0] - corner.centre[0]);
    pen.arc(
      corner.centre[0],
      corner.centre[1],
      corner.radius,
      angleOf(corner.start),
      angleOf(corner.end),
      corner.clockwise,
    );
  });
  pen.close();
  const turned = corners.filter((corner) => corner.radius > 0).map((corner) => corner.radius);
  return turned.length ? Math.min(...turned) : 0;
}

function roundCorner(points: readonly Point[], k: number, wanted: number): RoundedCorner {
  const corner = points[k]!;
  const before = points[(k + points.length - 1) % points.length]!;
  const after = points[(k + 1) % points.length]!;
  const [lengthIn, lengthOut] = [distance(corner, before), distance(corner, after)];
  const toBefore: Point = [(before[0] - corner[0]) / lengthIn, (before[1] - corner[1]) / lengthIn];
  const toAfter: Point = [(after[0] - corner[0]) / lengthOut, (after[1] - corner[1]) / lengthOut];
  const between = Math.acos(Math.max(-1, Math.min(1, toBefore[0] * toAfter[0] + toBefore[1] * toAfter[1])));
  const straight = Math.PI - between < 1e-6;
  if (straight) return { start: corner, end: corner, centre: corner, radius: 0, clockwise: false };
  const setBack = Math.min(wanted / Math.tan(between / 2), 0.49 * lengthIn, 0.49 * lengthOut);
  const radius = setBack * Math.tan(between / 2);
  const bisector: Point = [toBefore[0] + toAfter[0], toBefore[1] + toAfter[1]];
  const reach = radius / Math.sin(between / 2) / Math.hypot(...bisector);
  return {
    start: [corner[0] + toBefore[0] * setBack, corner[1] + toBefore[1] * setBack],
    end: [corner[0] + toAfter[0] * setBack, corner[1] + toAfter[1] * setBack],
    centre: [corner[0] + bisector[0] * reach, corner[1] + bisector[1] * reach],
    radius,
    clockwise: toBefore[0] * toAfter[1] - toBefore[1] * toAfter[0] > 0,
  };
}
