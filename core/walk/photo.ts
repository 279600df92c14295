import { z } from 'zod';
import { bySchema, evidenceKind, faceIdSchema, instantSchema, onMember, recordIdSchema } from '../frame';
import { fail, ok } from '../quantity';

const stamp = { id: recordIdSchema, by: bySchema, at: instantSchema, note: z.string().max(500).default('') };

export const PHOTO_MOMENTS = ['as it is', 'before', 'after', 'as built'] as const;
/**
 * A picture; `picture` is absent while it is still held in the browser. `pairOf` names the one taken before from the same place. One of a place as the
 * maker built it is shown on other frames of the family, at the same place.
 */
export const photoSchema = z.object({
  kind: z.literal('photo'),
  ...stamp,
  memberId: z.string().min(1).max(40).optional(),
  stationMm: z.number().gte(0).optional(),
  face: faceIdSchema.optional(),
  spotId: z.string().max(120).optional(),
  caption: z.string().trim().max(160),
  moment: z.enum(PHOTO_MOMENTS),
  pairOf: recordIdSchema.optional(),
  picture: z
    .object({
      hash: z.string().regex(/^[0-9a-f]{64}$/),
      widthPx: z.number().int().positive(),
      heightPx: z.number().int().positive(),
    })
    .optional(),
});
export type Photo = z.infer<typeof photoSchema>;

/** A photo is kept together with its picture or not at all. */
export const photoKind = evidenceKind<Photo>({
  name: 'photo',
  schema: photoSchema,
  fits: (frame, photo) => {
    if (!photo.picture) return fail('a photo comes with its picture', 'picture');
    if (photo.moment === 'as built' && (photo.memberId === undefined || photo.stationMm === undefined))
      return fail('a photo of how it was built says where on the frame that is', 'memberId');
    return photo.memberId === undefined ? ok({}) : onMember(frame, photo.memberId, () => ok({}));
  },
  tells: () => [],
});

/** One place, before and after. */
export interface PhotoPair {
  readonly before: Photo;
  readonly after: Photo;
}
/** Pictures taken after, each with the one that was taken before from the same place; struck ones are left out before. */
export function photoPairs(photos: readonly Photo[]): PhotoPair[] {
  const byId = new Map(photos.map((photo) => [photo.id, photo]));
  return photos.flatMap((after) => {
    const before = after.pairOf === undefined ? undefined : byId.get(after.pairOf);
    return before ? [{ before, after }] : [];
  });
}
