import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { seamKeySchema } from '../said';
import { atSeam, onItsMember } from './stamp';

/** A run or a tack that was laid, by the plan or not. */
export const runDoneSchema = z.object({
  kind: z.literal('run'),
  ...atSeam,
  seam: seamKeySchema,
  mark: z.string().min(1).max(12),
  nth: z.number().int().gte(1).lte(999),
  is: z.enum(['run', 'tack']),
});
export type RunDone = z.infer<typeof runDoneSchema>;

export const runDoneKind = evidenceKind<RunDone>({
  name: 'run',
  schema: runDoneSchema,
  fits: onItsMember,
  tells: () => [],
});
