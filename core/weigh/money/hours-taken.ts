import { z } from 'zod';
import { bySchema, evidenceKind, instantSchema, recordIdSchema } from '../../frame';
import { ok } from '../../quantity';
import { WAYS_OUT } from './ways';

const hours = z.number().gt(0, 'work takes some time').lte(2000, 'that is a year of one person');

/** What a job took, against what the norms by themselves foresaw, nine times in ten. Counts for the shop's next prices once the job is closed. */
export const hoursTakenSchema = z.object({
  kind: z.literal('hours taken'),
  id: recordIdSchema,
  way: z.enum(WAYS_OUT),
  hours,
  foreseen: z.tuple([hours, hours]).refine(([low, high]) => low <= high, 'foreseen from less to more'),
  by: bySchema,
  at: instantSchema,
  note: z.string().max(300).default(''),
});
export type HoursTaken = z.infer<typeof hoursTakenSchema>;

export const hoursTakenKind = evidenceKind<HoursTaken>({
  name: 'hours taken',
  schema: hoursTakenSchema,
  fits: () => ok({}),
  tells: () => [],
});

/** What closed jobs say of the norms: hours are so many times what they foresee. */
export interface HoursLearnt {
  readonly factor: number;
  readonly jobs: number;
}

/** The norms weigh as much as this many jobs (our judgement): the first closed job moves them a little, the tenth hardly against nine others. */
const NORMS_WEIGH = 2;
/** No number of jobs takes norms beyond these multiples of themselves: then they are wrong, and are to be written anew (ours). */
const [LEAST, MOST] = [0.5, 2];

/**
 * The factor by which closed jobs correct the norms: the geometric mean of taken over foreseen (its middle, as ratios go: the root of low times
 * high), drawn towards 1 by the norms' own weight. Undefined where nothing was closed with its hours.
 */
export function hoursLearnt(
  taken: readonly Pick<HoursTaken, 'hours' | 'foreseen'>[],
): HoursLearnt | undefined {
  if (taken.length === 0) return undefined;
  const logs = taken.map(({ hours: took, foreseen: [low, high] }) => Math.log(took / Math.sqrt(low * high)));
  const mean = logs.reduce((sum, log) => sum + log, 0) / (taken.length + NORMS_WEIGH);
  return { factor: Math.min(MOST, Math.max(LEAST, Math.exp(mean))), jobs: taken.length };
}
