import { pieceName } from '../piece';
import type { FlatPattern } from './pattern';

/** What a flat is asked for by: its piece's own name, and which of its lengths. */
export const flatId = ({ piece, length }: Pick<FlatPattern, 'piece' | 'length'>): string =>
  length ? `${piece.id} ${length.nth}` : piece.id;
export const flatName = ({ piece, length }: Pick<FlatPattern, 'piece' | 'length'>): string =>
  length ? `${pieceName(piece)}, length ${length.nth} of ${length.of}` : pieceName(piece);
