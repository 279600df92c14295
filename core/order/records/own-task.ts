import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { ok } from '../../quantity';
import { hoursSchema, nobody, stamped, zoneIdSchema } from './stamp';

export const OWN_BEFORE = ['the first cut', 'refit', 'the drive'] as const;
/** A task of the shop's own that no record asks for. */
export const ownTaskSchema = z.object({
  kind: z.literal('own task'),
  ...stamped,
  what: z.string().trim().min(3, 'say what is to be done').max(120),
  zoneId: zoneIdSchema.optional(),
  hours: hoursSchema,
  before: z.enum(OWN_BEFORE),
});
export type OwnTask = z.infer<typeof ownTaskSchema>;

export const ownTaskKind = evidenceKind<OwnTask>({
  name: 'own task',
  schema: ownTaskSchema,
  fits: () => ok({}),
  tells: nobody,
});
