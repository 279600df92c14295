import type { LineLoad, Vector3 } from '../../mechanics';
import type { Structure } from '../structure';

/**
 * Line loads under the numbers that their elements have in the model that is solved. A piece that hangs on nothing is not in it; what it carries does not
 * vanish: a body or a load comes down on what is left, and is laid on the nearest of it. `kept`: each element's number in the model, −1 where it is left out.
 */
export function laidOnKept(
  structure: Structure,
  kept: Int32Array,
): (lines: readonly LineLoad[]) => LineLoad[] {
  const { elements } = structure;
  const nearest = new Map<number, number>();
  const nearestTo = (lost: number): number => {
    const known = nearest.get(lost) ?? closest(structure, lost, (element) => kept[element]! >= 0);
    nearest.set(lost, known);
    return known;
  };
  return (lines) =>
    lines.flatMap((line): LineLoad[] => {
      const element = kept[line.element]!;
      if (element >= 0) return [{ ...line, element }];
      const on = nearestTo(line.element);
      if (on < 0 || !elements[line.element]) return [];
      const share = lengthOf(structure, line.element) / lengthOf(structure, on);
      const [x, y, z] = line.perMmN;
      return [{ ...line, element: kept[on]!, perMmN: [share * x, share * y, share * z] }];
    });
}

const endsOf = ({ elements, nodes }: Structure, element: number): readonly [Vector3, Vector3] => {
  const { from, to } = elements[element]!;
  const at = ({ node, offsetMm: [x, y, z] = [0, 0, 0] }: typeof from): Vector3 => {
    const [nx, ny, nz] = nodes[node]!;
    return [nx + x, ny + y, nz + z];
  };
  return [at(from), at(to)];
};
const lengthOf = (structure: Structure, element: number): number => {
  const [a, b] = endsOf(structure, element);
  return Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
};

/** The element nearest to another, middle to middle, of those wanted; −1 where there is none. */
function closest(structure: Structure, to: number, isWanted: (element: number) => boolean): number {
  const middle = (element: number): Vector3 => {
    const [a, b] = endsOf(structure, element);
    return [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];
  };
  const [x, y, z] = middle(to);
  let best = -1;
  let away = Infinity;
  structure.elements.forEach((_, element) => {
    if (!isWanted(element)) return;
    const [p, q, r] = middle(element);
    const here = Math.hypot(p - x, q - y, r - z);
    if (here < away) [best, away] = [element, here];
  });
  return best;
}
