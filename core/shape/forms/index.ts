import type { Face, MemberShape } from '../../frame';
import type { Piece, PieceKind } from '../piece';
import { bottomL } from './bottom-l';
import { bottomU } from './bottom-u';
import { coverPlate } from './cover-plate';
import type { PieceForm } from './form';
import { fullC } from './full-c';
import { sleeve } from './sleeve';
import { sidePlate } from './side-plate';
import { topL } from './top-l';
import { topU } from './top-u';

export type { Coverage, EdgeHeights, PieceForm } from './form';

const FORMS: Readonly<Record<PieceKind, PieceForm>> = {
  'bottom L': bottomL,
  'top L': topL,
  'full C': fullC,
  'bottom U': bottomU,
  'top U': topU,
  'side plate': sidePlate,
  'cover plate': coverPlate,
  sleeve,
};
export const formOf = (kind: PieceKind): PieceForm => FORMS[kind];

/** Forms that fit a section. */
export const pieceKindsFor = (shape: MemberShape): readonly PieceKind[] =>
  (Object.keys(FORMS) as PieceKind[]).filter((kind) => FORMS[kind].facesOn(shape).length > 0);

/** The face a piece lies on or its heights are read on: the one it names, else its form's usual one; undefined where the section has none. */
export function faceOfPiece(shape: MemberShape, piece: Pick<Piece, 'kind' | 'face'>): Face | undefined {
  const faces = FORMS[piece.kind].facesOn(shape);
  return piece.face === undefined ? faces[0] : faces.find(({ id }) => id === piece.face);
}
