import { z } from 'zod';
import { bySchema, evidenceKind, instantSchema, recordIdSchema } from '../frame';
import { ok } from '../quantity';

export const AUTHORISED = ['not asked', 'asked, not yet', 'yes', 'refused'] as const;
const amount = z.number().gt(0, 'money is more than nothing; leave it open where nobody said').lte(1e7);
const words = z.string().trim().max(400);

/**
 * What an owner tells at the counter, as far as he does: nothing here is asked before the walk may begin. The last one counts, whole.
 */
export const intakeSchema = z.object({
  kind: z.literal('intake'),
  id: recordIdSchema,
  /** When the frame was built, apart from the unit: a year, or a year and month. */
  frameBuilt: z
    .string()
    .regex(/^(19|20)\d\d(-(0[1-9]|1[0-2]))?$/, 'a year, such as 2011, or a month, such as 2011-04')
    .optional(),
  livedAt: words.optional(),
  needBy: z.iso.date().optional(),
  isHome: z.boolean(),
  ceiling: amount.optional(),
  unitValue: amount.optional(),
  askingPrice: amount.optional(),
  /** What was tried before and did not hold. */
  tried: words.optional(),
  /** Advice received, and from whom. */
  advice: words.optional(),
  makersClaim: z
    .object({ who: z.string().trim().min(1, 'whose claim is it?').max(80), authorised: z.enum(AUTHORISED) })
    .optional(),
  by: bySchema,
  at: instantSchema,
  note: z.string().max(300).default(''),
});
export type Intake = z.infer<typeof intakeSchema>;

export const intakeKind = evidenceKind<Intake>({
  name: 'intake',
  schema: intakeSchema,
  fits: () => ok({}),
  tells: () => [],
});
