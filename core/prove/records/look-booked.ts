import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { ok } from '../../quantity';
import { nobody, stamped } from './stamp';

/** A later look that was agreed: on a day, or after so far, whichever comes first. */
export const lookBookedSchema = z
  .object({
    kind: z.literal('look booked'),
    ...stamped,
    what: z.string().trim().min(3, 'say what is looked at: torque, seams, wash and drains').max(200),
    on: z.iso.date().optional(),
    afterKm: z.number().gt(0, 'a distance is more than nothing').lte(200_000).optional(),
  })
  .refine(({ on, afterKm }) => on !== undefined || afterKm !== undefined, {
    path: ['on'],
    message: 'a look has a day or a distance',
  });
export type LookBooked = z.infer<typeof lookBookedSchema>;
export const lookBookedKind = evidenceKind<LookBooked>({
  name: 'look booked',
  schema: lookBookedSchema,
  fits: () => ok({}),
  tells: nobody,
});
