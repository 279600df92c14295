import { z } from 'zod';
import { evidenceKind, memberOf } from '../../frame';
import { fail, ok } from '../../quantity';
import { nobody, stamped } from './stamp';

/** One member on a visit that is to keep it whole: washed, emptied and the dirt weighed, coated. */
export const preservedSchema = z
  .object({
    kind: z.literal('preserved'),
    ...stamped,
    memberId: z.string().min(1).max(60),
    washed: z.boolean(),
    /** What came out of it, kg; 0 where it was looked for and nothing came. */
    debrisKg: z.number().gte(0).lte(500).optional(),
    coat: z
      .object({
        product: z.string().trim().min(2, 'say what it was coated with').max(80),
        litres: z.number().gt(0, 'a coat is more than nothing').lte(200),
      })
      .optional(),
  })
  .refine(({ washed, debrisKg, coat }) => washed || debrisKg !== undefined || coat !== undefined, {
    path: ['washed'],
    message: 'say what was done: washed, emptied or coated',
  });
export type Preserved = z.infer<typeof preservedSchema>;

export const preservedKind = evidenceKind<Preserved>({
  name: 'preserved',
  schema: preservedSchema,
  fits: (frame, { memberId }) =>
    memberOf(frame, memberId) ? ok({}) : fail(`member ${memberId} is not on this frame`, 'memberId'),
  tells: nobody,
});
