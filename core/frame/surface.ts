import { midline, type Midline } from '../mechanics';
import { facesOf, isClosed, midlinePoint, type Face, type MemberShape } from './shape';

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
  /** The plain wall's midline: one strip a row, nodes at the row edges. */
  readonly midline: Midline;
}

const ROW_MM = 12.7;

export function surfaceOf(shape: MemberShape): Surface {
  const faces = facesOf(shape);
  const edges = [0];
  const rowFace: Face[] = [];
  for (const face of faces) {
    const rows = Math.max(3, Math.round(face.widthMm / ROW_MM));
    for (let k = 1; k <= rows; k++) {
      edges.push(face.uStartMm + (face.widthMm * k) / rows);
      rowFace.push(face);
    }
  }
  const uMm = Float64Array.from({ length: edges.length - 1 }, (_, k) => (edges[k]! + edges[k + 1]!) / 2);
  const closed = isClosed(shape);
  const nodeCount = closed ? rowFace.length : rowFace.length + 1;
  const nodes = Array.from({ length: nodeCount }, (_, k) => midlinePoint(shape, rowFace[Math.min(k, rowFace.length - 1)]!, edges[k]!));
  return { shape, faces, rowFace, edgeUMm: Float64Array.from(edges), uMm, closed, midline: midline(nodes, rowFace.map((_, k) => [k, (k + 1) % nodeCount] as const)) };
}
