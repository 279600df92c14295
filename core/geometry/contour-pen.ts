import type { Pen } from './pen';
import type { Contour } from './vertex';

/** Bulge of an arc from one angle to another: the tangent of a quarter of its sweep, positive counter-clockwise. */
export function bulgeOf(startRad: number, endRad: number, clockwise: boolean): number {
  const turn = 2 * Math.PI;
  const forward = (((endRad - startRad) % turn) + turn) % turn;
  return clockwise ? -Math.tan((turn - forward) / 4) : Math.tan(forward / 4);
}

/** A pen whose strokes become one closed contour, its arcs bulges. */
export function contourPen(): Pen & { result(): Contour } {
  const path: { x: number; y: number; bulge: number }[] = [];
  const add = (x: number, y: number) => {
    const last = path[path.length - 1];
    if (!last || Math.hypot(last.x - x, last.y - y) > 1e-9) path.push({ x, y, bulge: 0 });
  };
  return {
    layer: () => undefined,
    moveTo: add,
    lineTo: add,
    arc: (cx, cy, r, start, end, clockwise) => {
      path[path.length - 1]!.bulge = bulgeOf(start, end, clockwise);
      add(cx + r * Math.cos(end), cy + r * Math.sin(end));
    },
    close: () => undefined,
    circle: () => undefined,
    text: () => undefined,
    result: () => {
      const [first, last] = [path[0], path[path.length - 1]];
      const isOnePoint =
        first && last && first !== last && Math.hypot(first.x - last.x, first.y - last.y) < 1e-9;
      return isOnePoint ? path.slice(0, -1) : path;
    },
  };
}
