import { z } from 'zod';
import { faceIdSchema } from '../frame';

export const PIECE_KINDS = [
  'bottom L',
  'top L',
  'full C',
  'side plate',
  'bottom U',
  'top U',
  'cover plate',
  'sleeve',
] as const;
export type PieceKind = (typeof PIECE_KINDS)[number];

/** A recess in one lengthwise edge, over stations of the member. */
export const notchSchema = z
  .object({
    fromMm: z.number(),
    toMm: z.number(),
    edge: z.enum(['first', 'last']),
    deepMm: z.number().gt(0, 'a notch is deeper than nothing').lte(1000),
  })
  .refine(({ fromMm, toMm }) => toMm > fromMm, 'a notch ends after it starts');
export type Notch = z.infer<typeof notchSchema>;

/**
 * One plate, bent or flat, laid on a member's wall: its outside, unless `inside`.
 * `upperEdgeMm` / `lowerEdgeMm`: heights of its lengthwise edges on its face, up from the bottom corner on a side, out from the web on a flange. A
 * bottom piece uses only the upper one, a top piece only the lower one, flat plates both.
 */
export const pieceSchema = z.object({
  id: z.string().min(1).max(60),
  kind: z.enum(PIECE_KINDS),
  /** The face a flat plate lies on, where it is not its form's usual one. */
  face: faceIdSchema.optional(),
  inside: z.boolean().optional(),
  startMm: z.number(),
  endMm: z.number(),
  thicknessMm: z.number().gt(0.5).lt(40),
  lowerEdgeMm: z.number().gte(0),
  upperEdgeMm: z.number().gte(0),
  /** Length over which each end narrows to its nose; 0 is a square cut. */
  taperMm: z.number().gte(0).lte(2000),
  /** Cut into a lengthwise edge to pass what is in the way: the first edge is the upper one of a bottom piece, the last its tip. */
  notches: z.array(notchSchema).max(40).optional(),
  /** Stations where it is made of two lengths, welded to each other right through: it is one plate all the same. */
  joints: z.array(z.number()).max(12).optional(),
});
export type Piece = z.infer<typeof pieceSchema>;

/** A piece by what it is and where it lies: `cover plate, top`, `bottom L, inside`. */
export const pieceName = ({ kind, face, inside }: Pick<Piece, 'kind' | 'face' | 'inside'>): string =>
  [kind, ...(face ? [face] : []), ...(inside ? ['inside'] : [])].join(', ');

/** It lies on the inside of the wall. */
export const isInside = ({ inside }: Pick<Piece, 'inside'>): boolean => inside === true;

/** The lengths a piece is made of, front to rear: the whole of it where it has no joint. */
export function lengthsOf({
  startMm,
  endMm,
  joints = [],
}: Pick<Piece, 'startMm' | 'endMm' | 'joints'>): { readonly fromMm: number; readonly toMm: number }[] {
  const cuts = [startMm, ...joints, endMm];
  return cuts.slice(1).map((toMm, k) => ({ fromMm: cuts[k]!, toMm }));
}
