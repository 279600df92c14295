import type { MemberShape } from '../frame';
import { distance, type Point } from '../geometry';
import { crackLengthMm, unrolledPath, type Crack } from './crack';

/** An end that lies this near another crack's path runs into it, mm (ours: a chalk line's width). */
const RUNS_INTO_MM = 3;

/** Cracks of one member that branch off or run into one another, each family with the longest first; the largest family first. */
export function crackFamilies(shape: MemberShape, cracks: readonly Crack[]): Crack[][] {
  const parent = new Map(cracks.map(({ id }) => [id, id]));
  const rootOf = (id: string): string => {
    const up = parent.get(id)!;
    return up === id ? id : rootOf(up);
  };
  const join = (a: string, b: string) => parent.set(rootOf(a), rootOf(b));
  const paths = new Map(cracks.map(({ id, path }) => [id, unrolledPath(shape, path)]));
  for (const crack of cracks) {
    if (crack.branchOf !== undefined && parent.has(crack.branchOf)) join(crack.id, crack.branchOf);
    for (const other of cracks)
      if (
        other.id !== crack.id &&
        endsOf(paths.get(crack.id)!).some((end) => isOn(end, paths.get(other.id)!))
      )
        join(crack.id, other.id);
  }
  const families = new Map<string, Crack[]>();
  for (const crack of cracks)
    families.set(rootOf(crack.id), [...(families.get(rootOf(crack.id)) ?? []), crack]);
  const long = ({ path }: Crack) => crackLengthMm(shape, path);
  return [...families.values()]
    .map((family) => family.sort((a, b) => long(b) - long(a)))
    .sort((a, b) => familyLengthMm(shape, b) - familyLengthMm(shape, a));
}

/** All that a family's cracks run, mm. */
export const familyLengthMm = (shape: MemberShape, family: readonly Crack[]): number =>
  family.reduce((sum, { path }) => sum + crackLengthMm(shape, path), 0);

const endsOf = (path: readonly Point[]): Point[] =>
  path.length > 0 ? [path[0]!, path[path.length - 1]!] : [];

const isOn = (end: Point, path: readonly Point[]): boolean =>
  path.slice(1).some((to, k) => fromSegmentMm(end, path[k]!, to) <= RUNS_INTO_MM);

function fromSegmentMm(point: Point, from: Point, to: Point): number {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const squared = dx * dx + dy * dy;
  const along = squared > 0 ? ((point[0] - from[0]) * dx + (point[1] - from[1]) * dy) / squared : 0;
  const t = Math.min(1, Math.max(0, along));
  return distance(point, [from[0] + t * dx, from[1] + t * dy]);
}
