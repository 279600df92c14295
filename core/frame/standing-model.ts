import { minus } from '../geometry';
import { type BeamElement, type BeamModel, type Support, type Vector3 } from '../mechanics';
import { YOUNGS_MODULUS_MPA } from '../reference';
import { size } from './beam-joints';
import { type StructureProblem } from './beam-mesh';
import type { Structure } from './structure';

/** Steel's shear modulus, MPa: E / 2(1 + 0.3). */
export const SHEAR_MODULUS_MPA = YOUNGS_MODULUS_MPA / 2.6;

export interface Attachment {
  readonly node: number;
  readonly offsetMm: Vector3;
}

/** The point of the structure nearest to a place, and the rigid way from its node. */
export function attach(
  { nodes, elements }: Structure,
  at: Vector3,
  wanted: (element: number) => boolean = () => true,
): Attachment {
  let best = -1;
  let away = Infinity;
  const consider = (node: number) => {
    const here = size(minus(at, nodes[node]!));
    if (here < away) [best, away] = [node, here];
  };
  elements.forEach(({ from, to }, element) => {
    if (!wanted(element)) return;
    consider(from.node);
    consider(to.node);
  });
  if (best < 0 && nodes.length > 0) return attach({ nodes, elements } as Structure, at);
  return { node: best, offsetMm: minus(at, nodes[best]!) };
}

/** What a structure stands on and under, beyond its own: `ties` keep it square where it hangs together without them. */
interface Extra {
  readonly nodes: readonly Vector3[];
  readonly elements: readonly BeamElement[];
  readonly ties?: readonly BeamElement[];
}

/**
 * The model of a structure on given supports. Whatever hangs together but stands on none of them is left out and named; the rest is computed.
 */
export function standingModel(
  structure: Structure,
  extra: Extra,
  supports: readonly Support[],
): { model: BeamModel; kept: Int32Array; problems: StructureProblem[] } {
  const carrying = [...structure.elements, ...extra.elements];
  const nodes = [...structure.nodes, ...extra.nodes];
  const held = reachable(
    nodes.length,
    carrying,
    supports.map((support) => support.node),
  );
  // A tie holds up nothing: a piece that hangs on ties alone would swing.
  const ties = (extra.ties ?? []).filter(({ from, to }) => held[from.node] && held[to.node]);
  const all = [...carrying, ...ties];
  const kept = new Int32Array(all.length).fill(-1);
  const elements: BeamElement[] = [];
  all.forEach((element, k) => {
    if (!held[element.from.node]) return;
    kept[k] = elements.length;
    elements.push(element);
  });
  const problems = structure.members
    .filter(({ elements: own }) => own.some((k) => k >= 0) && own.every((k) => k < 0 || kept[k]! < 0))
    .map(({ member }): StructureProblem => ({ code: 'stands on nothing', memberId: member.id, atMm: 0 }));
  return {
    model: {
      nodes,
      elements,
      supports,
      warpTies: structure.warpTies.filter((tie) => held[tie.node]),
      youngsMpa: YOUNGS_MODULUS_MPA,
      shearMpa: SHEAR_MODULUS_MPA,
      shearDeforms: true,
    },
    kept,
    problems,
  };
}

function reachable(count: number, elements: readonly BeamElement[], from: readonly number[]): Uint8Array {
  const neighbours: number[][] = Array.from({ length: count }, () => []);
  for (const { from: a, to: b } of elements) {
    neighbours[a.node]!.push(b.node);
    neighbours[b.node]!.push(a.node);
  }
  const seen = new Uint8Array(count);
  const queue = [...from];
  for (const node of queue) seen[node] = 1;
  for (const node of queue)
    for (const other of neighbours[node]!)
      if (!seen[other]) {
        seen[other] = 1;
        queue.push(other);
      }
  return seen;
}
