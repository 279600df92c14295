import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { ok } from '../../quantity';
import { LOAD_STATES } from '../../trace';
import { nobody, stamped } from './stamp';

/** How far one place gives under one push, in one state of the unit. Measured before and after, it proves or it does not. */
export const flexSchema = z.object({
  kind: z.literal('flex'),
  ...stamped,
  /** Where it is read, and against what: the same words before and after. */
  place: z.string().trim().min(2, 'where is it read, against what?').max(120),
  /** What pushes: the same words before and after. */
  push: z.string().trim().min(2, 'what pushes it: who, where, how hard?').max(120),
  state: z.enum(LOAD_STATES),
  gaveMm: z.number().gte(0, 'what gives, gives nothing at least').lte(500),
  plusMinusMm: z.number().gt(0).lte(100).optional(),
  complaintId: stamped.id.optional(),
  /** What else was changed since it was read the last time; nothing where it is left open. */
  changed: z.string().trim().max(200).default(''),
});
export type Flex = z.infer<typeof flexSchema>;
export const flexKind = evidenceKind<Flex>({
  name: 'flex',
  schema: flexSchema,
  fits: () => ok({}),
  tells: nobody,
});
