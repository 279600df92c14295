import { z } from 'zod';
import {
  bySchema,
  FAMILY_IDS,
  instantSchema,
  memberSchema,
  recordIdSchema,
  type Frame,
  type Member,
} from '../frame';
import type { Form } from '../quantity';
import { faceOfPiece, repairSchema, type Piece, type Repair } from '../shape';
import { anchored, anchorsSchema, landmarksOn, type Landmark } from './landmarks';

/** A height of an edge told from the corner it is nearer to: a deeper rail keeps it as far from that corner. */
const edgeSchema = z.object({ from: z.enum(['first', 'last']), mm: z.number().gte(0).lte(2000) });
type Edge = z.infer<typeof edgeSchema>;

/** Where one plate of a pattern lies, told by landmarks and corners; each of its notches likewise, in their order. */
export const piecePlacesSchema = z.object({
  start: anchorsSchema,
  end: anchorsSchema,
  lower: edgeSchema,
  upper: edgeSchema,
  notches: z.array(z.object({ from: anchorsSchema, to: anchorsSchema })).max(40),
});
export type PiecePlaces = z.infer<typeof piecePlacesSchema>;

/** Pictures that a pattern keeps. */
export const MOST_PHOTOS = 12;

/**
 * A repair that the shop keeps as its own: as it was made, and where, told by the landmarks of its member, so that it can be laid on the same
 * family again, on the other side or where the same brackets stand elsewhere.
 */
export const patternSchema = z
  .object({
    id: recordIdSchema,
    name: z.string().trim().min(3, 'give it a name').max(80),
    family: z.enum(FAMILY_IDS),
    /** What it was made on, as it was made. */
    member: memberSchema,
    repair: repairSchema,
    places: z.array(piecePlacesSchema).min(1).max(6),
    from: z.object({ jobId: recordIdSchema, tag: z.string().min(1).max(20) }),
    /** Hours that hands were on its tasks, as they were logged; absent where nobody did. */
    workedH: z.number().gt(0).lte(2000).optional(),
    /** Pictures of it by what is kept of them. */
    photos: z
      .array(z.object({ hash: z.string().regex(/^[0-9a-f]{64}$/), caption: z.string().max(160) }))
      .max(MOST_PHOTOS),
    note: z.string().trim().max(500),
    by: bySchema,
    at: instantSchema,
  })
  .refine(
    ({ repair: { pieces }, places }) =>
      pieces.length === places.length &&
      pieces.every(({ notches = [] }, k) => notches.length === places[k]!.notches.length),
    { message: 'every piece and notch has its place', path: ['places'] },
  );
export type Pattern = z.infer<typeof patternSchema>;
export const patternForm: Form<Pattern> = { name: 'pattern', version: 1, schema: patternSchema, upcasts: {} };

/** A pattern dropped from the list, by whom and why: where it was laid stays on record. */
export const patternDroppedSchema = z.object({
  id: recordIdSchema,
  patternId: recordIdSchema,
  why: z.string().trim().min(3, 'say why it is dropped').max(300),
  by: bySchema,
  at: instantSchema,
});
export type PatternDropped = z.infer<typeof patternDroppedSchema>;

/** What is said of a pattern beside what its repair says. */
export type PatternAbout = Pick<Pattern, 'id' | 'name' | 'from' | 'photos' | 'note' | 'by' | 'at'> &
  Partial<Pick<Pattern, 'workedH'>>;

/** A repair as a pattern. What was in its way is that member's own and does not come along. */
export function patternOf(
  frame: Frame,
  member: Member,
  { beneath: _, pattern: __, ...repair }: Repair,
  about: PatternAbout,
): Pattern {
  const landmarks = landmarksOn(frame, member);
  return {
    ...about,
    family: frame.family,
    member,
    repair,
    places: repair.pieces.map((piece) => placesOf(landmarks, member, piece)),
  };
}

function placesOf(landmarks: readonly Landmark[], member: Member, piece: Piece): PiecePlaces {
  const { startMm, endMm, lowerEdgeMm, upperEdgeMm, notches = [] } = piece;
  const { widthMm } = faceOfPiece(member.shape, piece)!;
  return {
    start: anchored(landmarks, startMm),
    end: anchored(landmarks, endMm),
    lower: fromCorner(lowerEdgeMm, widthMm),
    upper: fromCorner(upperEdgeMm, widthMm),
    notches: notches.map(({ fromMm, toMm }) => ({
      from: anchored(landmarks, fromMm),
      to: anchored(landmarks, toMm),
    })),
  };
}

const fromCorner = (mm: number, widthMm: number): Edge =>
  mm <= widthMm / 2 ? { from: 'first', mm } : { from: 'last', mm: widthMm - mm };
/** The height an edge has on a face of this width, mm; undefined where the face is too narrow for it. */
export function edgeOn({ from, mm }: Edge, widthMm: number): number | undefined {
  const at = from === 'first' ? mm : widthMm - mm;
  return at >= 0 && at <= widthMm ? at : undefined;
}
