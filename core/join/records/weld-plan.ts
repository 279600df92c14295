import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { seamKeySchema } from '../said';
import { atSeam, onItsMember } from './stamp';

/** Nobody follows more runs than this. */
export const MOST_PLANNED = 600;

const place = z.tuple([z.number(), z.number()]);

/** A run as it is followed at the rail: where it starts, which way it goes, how long to wait before it. */
export const plannedRunSchema = z.object({
  seam: seamKeySchema,
  mark: z.string().min(1).max(12),
  nth: z.number().int().gte(1).lte(999),
  /** Its course on the unrolled wall (station, u), from where the arc is struck. */
  path: z.array(place).min(1).max(8),
  lengthMm: z.number().gte(0).lte(20_000),
  waitS: z.number().gte(0).lte(3600),
});
export type PlannedRun = z.infer<typeof plannedRunSchema>;

/** An order of runs that somebody took: everybody follows the same one, whatever page or phone they stand at. The last one of a repair counts. */
export const weldPlanSchema = z.object({
  kind: z.literal('weld plan'),
  ...atSeam,
  runs: z.array(plannedRunSchema).min(1, 'a plan has at least one run').max(MOST_PLANNED),
  tacks: z
    .array(z.object({ mark: z.string().min(1).max(12), at: place }))
    .max(2000)
    .default([]),
  /** What the plates were when it was made: their lines and lengths. Other lines, and it is made anew. */
  basis: z.string().min(1).max(40),
});
export type WeldPlan = z.infer<typeof weldPlanSchema>;

export const weldPlanKind = evidenceKind<WeldPlan>({
  name: 'weld plan',
  schema: weldPlanSchema,
  fits: onItsMember,
  tells: () => [],
});
