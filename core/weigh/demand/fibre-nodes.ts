import type { Face } from '../../frame';
import type { Section } from '../../mechanics';

/** A face that has any node: its first and last along the wall. */
export interface FaceEdges {
  readonly id: Face['id'];
  readonly first: number;
  readonly last: number;
}

/** Nodes that one limit holds for: a face's, or those of plates, which are on none. */
export interface FaceFibres {
  readonly face: FaceEdges | undefined;
  readonly nodes: Int32Array;
}

/** Nodes of a cut: where each is, its sectorial coordinate, its face (−1 on none), and whether it has metal. */
interface Nodes {
  readonly y: Float64Array;
  readonly z: Float64Array;
  readonly omega: Float64Array;
  readonly faceOfNode: Int8Array;
  readonly edgesOfFace: readonly FaceEdges[];
  readonly hasMetal: readonly boolean[];
}

/**
 * Along a straight piece of wall stress rises evenly, so that of three nodes in a row the middle one is never the one stressed most: it is left
 * out where all three are held to one limit. What is left holds the most stressed node whatever the forces, in a third of the nodes or fewer.
 */
export function fibresOf(section: Section, nodes: Nodes): FaceFibres[] {
  const { hasMetal, faceOfNode, edgesOfFace } = nodes;
  const isBetween = between(section, nodes);
  const looked = Array.from(hasMetal.keys()).filter((node) => hasMetal[node] && !isBetween(node));
  return [undefined, ...edgesOfFace]
    .map((face, k) => ({ face, nodes: Int32Array.from(looked.filter((node) => faceOfNode[node] === k - 1)) }))
    .filter((fibres) => fibres.nodes.length > 0);
}

/** Whether a node lies in a straight row between its only two neighbours, on the same face as both. */
function between(
  { from, to, thicknessMm }: Section,
  { y, z, omega, faceOfNode }: Nodes,
): (node: number) => boolean {
  const beside: number[][] = Array.from(y, () => []);
  thicknessMm.forEach((mm, strip) => {
    if (!(mm > 0)) return;
    beside[from[strip]!]!.push(to[strip]!);
    beside[to[strip]!]!.push(from[strip]!);
  });
  return (node) => {
    const [before, after] = beside[node]!;
    if (beside[node]!.length !== 2 || before === undefined || after === undefined) return false;
    if (faceOfNode[before] !== faceOfNode[node] || faceOfNode[after] !== faceOfNode[node]) return false;
    const [dy, dz] = [y[after]! - y[before]!, z[after]! - z[before]!];
    const lengthMm = Math.hypot(dy, dz);
    const share = ((y[node]! - y[before]!) * dy + (z[node]! - z[before]!) * dz) / lengthMm ** 2;
    if (!(share > 0 && share < 1)) return false;
    const awayMm = Math.hypot(y[node]! - y[before]! - share * dy, z[node]! - z[before]! - share * dz);
    const rise = omega[after]! - omega[before]!;
    const off = Math.abs(omega[node]! - omega[before]! - share * rise);
    return awayMm <= STRAIGHT * lengthMm && off <= STRAIGHT * lengthMm ** 2;
  };
}

/** As straight as figures are kept. */
const STRAIGHT = 1e-9;
