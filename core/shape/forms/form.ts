import type { Face, MemberShape } from '../../frame';
import type { Outcome } from '../../quantity';
import type { Piece, PieceKind } from '../piece';

/** What a piece covers in developed coordinates, and where its ends come to a nose. */
export interface Coverage {
  readonly uFromMm: number;
  readonly uToMm: number;
  readonly noseUMm: number;
}

/** Heights of a piece's lengthwise edges, where it has them: up from the bottom corner, or out from the web on a flange. */
export type EdgeHeights = Pick<Piece, 'lowerEdgeMm' | 'upperEdgeMm'>;

/**
 * One form of plate: which sections it fits, where it lands, and what it does there. One shape a form; adding a form is adding a file and a line.
 */
export interface PieceForm {
  readonly kind: PieceKind;
  /** Faces it may be laid on, the usual one first; none where the section cannot take it. */
  readonly facesOn: (shape: MemberShape) => readonly Face[];
  /** Its lengthwise edges that somebody sets. */
  readonly sets: { readonly lower: boolean; readonly upper: boolean };
  /** Heights it starts with on a face. */
  readonly start: (shape: MemberShape, face: Face) => EdgeHeights;
  readonly coverage: (shape: MemberShape, piece: Piece, face: Face) => Coverage;
  /** Bad metal beneath it may be cut away: it takes its place. */
  readonly replaces: boolean;
  /** It goes all the way round: its own edges meet, and its ends alone are welded to what is beneath. */
  readonly wraps?: true;
  /** Width of a leg that stands free where the flange beneath it is gone; absent where both edges must land. */
  readonly freeLegMm?: (shape: MemberShape, piece: Piece, face: Face) => number;
  /** It may lie on the inside of the wall. */
  readonly inside: (shape: MemberShape) => boolean;
  /** What is wrong with its measures on that face. */
  readonly check?: (shape: MemberShape, piece: Piece, face: Face) => Outcome<null>;
}
