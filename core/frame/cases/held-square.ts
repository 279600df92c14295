import { plainProfile, type BeamElement, type Releases } from '../../mechanics';
import type { Load } from '../loads';
import type { MeshedMember } from '../beam-mesh';
import type { Structure } from '../structure';

/**
 * A body, house or cab that is fastened down has a floor: rails under it do not rack against each other in its plane, however slack the ladder
 * is by itself. A floor counts as crossed straps from rail to rail, pinned at both ends: they hold nothing up and nothing from twisting.
 *
 *     left   ─┬────┬────┬─
 *             │ ╲╱ │ ╲╱ │       a strap pair a bay
 *             │ ╱╲ │ ╱╲ │
 *     right  ─┴────┴────┴─
 *
 * Without it side loads bend crossmembers about their weak axis, which no trailer with a floor was ever seen to do.
 */
const HAS_A_FLOOR: ReadonlySet<Load['kind']> = new Set<Load['kind']>(['body', 'house', 'cab']);

/** Bays of a floor are about this long, mm, and its straps this heavy, mm²: as stiff in shear as some 18 mm of plywood (ours). */
const BAY_MM = 900;
const STRAP_MM2 = 150;
const STRAP = plainProfile({ areaMm2: STRAP_MM2, iyyMm4: 1e4, izzMm4: 1e4, jMm4: 1e4 });
const NEAR_END: Releases = [false, false, false, false, true, true];
const FAR_END: Releases = [false, false, false, true, true, true];

/** Straps of every floor there is; none once the floor is found to have let go. */
export function heldSquare(structure: Structure): BeamElement[] {
  if (!structure.holds.floor) return [];
  const floors = (structure.frame.loads?.items ?? []).filter(({ kind }) => HAS_A_FLOOR.has(kind));
  return floors.flatMap((floor) => strapsUnder(structure, floor));
}

function strapsUnder({ members, nodes }: Structure, floor: Load): BeamElement[] {
  const carriers = members.filter(
    ({ member }) =>
      member.side !== undefined &&
      (member.role === 'rail' || member.role === 'deck beam' || member.role === 'floor rail'),
  );
  const nodesOf = (side: 'left' | 'right') =>
    carriers
      .filter(({ member }) => member.side === side)
      .flatMap(presentNodes)
      .filter((node) => nodes[node]![0] >= floor.fromMm - 1 && nodes[node]![0] <= floor.toMm + 1)
      .sort((a, b) => nodes[a]![0] - nodes[b]![0]);
  const [left, right] = [nodesOf('left'), nodesOf('right')];
  if (left.length < 2 || right.length < 2) return [];
  const spanMm = floor.toMm - floor.fromMm;
  const bays = Math.max(1, Math.round(spanMm / BAY_MM));
  const nearest = (of: readonly number[], x: number) =>
    of.reduce((best, node) => (Math.abs(nodes[node]![0] - x) < Math.abs(nodes[best]![0] - x) ? node : best));
  const posts = Array.from({ length: bays + 1 }, (_, k) => {
    const x = floor.fromMm + (spanMm * k) / bays;
    return [nearest(left, x), nearest(right, x)] as const;
  });
  return posts.slice(1).flatMap(([l, r], k) => {
    const [lBefore, rBefore] = posts[k]!;
    if (l === lBefore || r === rBefore) return [];
    return [strap(`floor ${floor.id} ${k} out`, lBefore, r), strap(`floor ${floor.id} ${k} in`, rBefore, l)];
  });
}

/** Nodes of a member that any of its metal stands at. */
const presentNodes = ({ nodes, elements }: MeshedMember): number[] =>
  nodes.filter((_, k) => (elements[k] ?? -1) >= 0 || (elements[k - 1] ?? -1) >= 0);

const strap = (id: string, from: number, to: number): BeamElement => ({
  id,
  upGlobal: [0, 0, 1],
  profile: STRAP,
  from: { node: from, warping: { kind: 'fixed' }, released: NEAR_END },
  to: { node: to, warping: { kind: 'fixed' }, released: FAR_END },
});
