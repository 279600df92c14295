import { z } from 'zod';
import {
  bySchema,
  evidenceKind,
  instantSchema,
  onMember,
  recordIdSchema,
  SEEN_BY_IDS,
  usedSchema,
} from '../frame';
import { ok } from '../quantity';

const runMm = z.number().gte(0, 'a crack does not grow shorter than it was recorded').lte(5000);
const gapMm = z.number().gte(0).lte(200);

/**
 * A later look at a crack. `startMm` and `finishMm` say how far each end lies past where it was recorded first, not past the look before; gaps are
 * its width with the load off and on.
 */
export const crackLookSchema = z.object({
  kind: z.literal('crack look'),
  id: recordIdSchema,
  crackId: recordIdSchema,
  memberId: z.string().min(1).max(40),
  startMm: runMm,
  finishMm: runMm,
  startFound: z.boolean(),
  finishFound: z.boolean(),
  startUnder: z.boolean().optional(),
  finishUnder: z.boolean().optional(),
  seenBy: z.enum(SEEN_BY_IDS),
  gapUnloadedMm: gapMm.optional(),
  gapLoadedMm: gapMm.optional(),
  /** Its gap was read, its length was not. */
  gapOnly: z.literal(true).optional(),
  loadedBy: z.string().max(80).default(''),
  ...usedSchema,
  by: bySchema,
  at: instantSchema,
  note: z.string().max(300).default(''),
});
export type CrackLook = z.infer<typeof crackLookSchema>;

export const crackLookKind = evidenceKind<CrackLook>({
  name: 'crack look',
  schema: crackLookSchema,
  fits: (frame, look) => onMember(frame, look.memberId, () => ok({})),
  tells: (look) => [look.memberId],
});
