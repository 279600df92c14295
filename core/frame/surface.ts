import { midline, type Midline, type MidlineNode } from '../mechanics';
import { facesOf, isBranched, isClosed, midlinePoint, type Face, type MemberShape } from './shape';

/**
 * A member's outside unrolled and ruled into rows: row k is a lengthwise band `rowWidth` wide about uMm[k].
 * The thickness map has one value per row and column; a section takes one thickness per row.
 */
export interface Surface {
  readonly shape: MemberShape;
  readonly faces: readonly Face[];
  readonly rowFace: readonly Face[];
  /** Row edges, one more than rows; folds always fall on an edge. */
  readonly edgeUMm: Float64Array;
  readonly uMm: Float64Array;
  readonly closed: boolean;
  /** The plain wall's midline: one strip a row. */
  readonly midline: Midline;
}

const ROW_MM = 12.7;

export function surfaceOf(shape: MemberShape): Surface {
  const faces = facesOf(shape);
  const edges = [0];
  const rowFace: Face[] = [];
  for (const face of faces) {
    const rows = rowsOn(face, isBranched(shape));
    for (let k = 1; k <= rows; k++) {
      edges.push(face.uStartMm + (face.widthMm * k) / rows);
      rowFace.push(face);
    }
  }
  const uMm = Float64Array.from({ length: edges.length - 1 }, (_, k) => (edges[k]! + edges[k + 1]!) / 2);
  const wall = wallOf(shape, faces, edges);
  return {
    shape,
    faces,
    rowFace,
    edgeUMm: Float64Array.from(edges),
    uMm,
    closed: isClosed(shape),
    midline: midline(
      wall.nodes,
      wall.strips.map(({ from, to }) => [from, to] as const),
    ),
  };
}

/** At least three rows a face; an even number where a web meets the face's middle, so that a node stands there. */
function rowsOn(face: Face, branched: boolean): number {
  const rows = Math.max(3, Math.round(face.widthMm / ROW_MM));
  return branched && face.id !== 'web' ? 2 * Math.ceil(rows / 2) : rows;
}

export interface WallStrip {
  readonly from: number;
  readonly to: number;
  readonly fromUMm: number;
  readonly toUMm: number;
}
export interface Wall {
  readonly nodes: MidlineNode[];
  readonly strips: WallStrip[];
  readonly nodeAt: (uMm: number) => number;
}

const keyOf = (uMm: number): number => Math.round(uMm * 1000);

/**
 * Midline nodes and strips of a wall broken at the given developed coordinates, which include every fold. Faces that meet (at a fold, round a
 * closed section, a web on a flange's middle) share the node there.
 */
export function wallOf(shape: MemberShape, faces: readonly Face[], breaks: readonly number[]): Wall {
  const nodes: MidlineNode[] = [];
  const strips: WallStrip[] = [];
  const nodeOfBreak = new Map<number, number>();
  /** Nodes that another face may share. */
  const shared: number[] = [];
  const place = (point: MidlineNode, mayMeet: boolean): number => {
    const met = mayMeet
      ? shared.find(
          (node) =>
            Math.abs(nodes[node]![0] - point[0]) < 1e-6 && Math.abs(nodes[node]![1] - point[1]) < 1e-6,
        )
      : undefined;
    if (met !== undefined) return met;
    nodes.push(point);
    if (mayMeet) shared.push(nodes.length - 1);
    return nodes.length - 1;
  };
  let at = 0;
  for (const face of faces) {
    const end = face.uStartMm + face.widthMm;
    while (at < breaks.length && breaks[at]! < face.uStartMm - 1e-6) at++;
    let before: { node: number; uMm: number } | undefined;
    for (let k = at; k < breaks.length && breaks[k]! <= end + 1e-6; k++) {
      const uMm = breaks[k]!;
      const isEnd = uMm < face.uStartMm + 1e-6 || uMm > end - 1e-6;
      const isMiddle = isBranched(shape) && Math.abs(uMm - face.uStartMm - face.widthMm / 2) < 1e-6;
      const node = place(midlinePoint(shape, face, uMm), isEnd || isMiddle);
      nodeOfBreak.set(keyOf(uMm), node);
      if (before) strips.push({ from: before.node, to: node, fromUMm: before.uMm, toUMm: uMm });
      before = { node, uMm };
    }
  }
  return { nodes, strips, nodeAt: (uMm) => nodeOfBreak.get(keyOf(uMm)) ?? -1 };
}

/** A wall as made: `thicknessMm` where the shape says its wall, other faces (a thicker flange) in proportion. */
export const evenWall = (surface: Surface, thicknessMm: number): Float64Array =>
  Float64Array.from(surface.rowFace, (face) => (face.wallMm * thicknessMm) / surface.shape.thicknessMm);
