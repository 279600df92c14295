import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { ok } from '../../quantity';
import { hoursSchema, nobody, stamped, taskIdSchema, zoneIdSchema } from './stamp';

/** A task as the plan that was kept had it: what a calendar needs, and no more. */
export const plannedTaskSchema = z.object({
  id: taskIdSchema,
  title: z.string().trim().min(1).max(160),
  zoneId: zoneIdSchema.optional(),
  hours: hoursSchema,
  tail: z.object({ chance: z.number().gte(0).lte(1), hours: hoursSchema }).optional(),
  hands: z.union([z.literal(1), z.literal(2)]),
  welds: z.literal(true).optional(),
  atBench: z.literal(true).optional(),
  axleOut: z.literal(true).optional(),
  thenWaitH: z.number().gte(0).lte(1000).optional(),
  /** Earlier ones in this list that it waits for, by their number. */
  after: z.array(z.number().int().gte(0).lte(399)).max(399),
  /** Not before this day: a part is due. */
  notBefore: z.iso.date().optional(),
});
export type PlannedTask = z.infer<typeof plannedTaskSchema>;

/** The plan as it was agreed: the shop's calendar goes by it until another one is kept. */
export const jobPlanSchema = z
  .object({
    kind: z.literal('job plan'),
    ...stamped,
    tasks: z.array(plannedTaskSchema).min(1).max(400),
    /** Equal while the tasks that the records make are these. */
    basis: z.string().min(1).max(120),
    /** What was promised, and with which chance. */
    promised: z.object({ on: z.iso.date(), chance: z.number().gte(0).lte(1) }).optional(),
    /** Of its frame, end to end, mm: no bay that is shorter holds it. */
    lengthMm: z.number().gt(0).lte(40_000).optional(),
    /** What the owner was told until its turn came, in plans kept before that was a record of its own. */
    meanwhile: z.string().trim().max(300).default(''),
  })
  .superRefine(({ tasks }, context) => {
    tasks.forEach(({ after }, k) => {
      if (after.some((before) => before >= k))
        context.addIssue({
          code: 'custom',
          path: ['tasks', k, 'after'],
          message: 'a task waits for earlier ones only',
        });
    });
  });
export type JobPlan = z.infer<typeof jobPlanSchema>;

export const jobPlanKind = evidenceKind<JobPlan>({
  name: 'job plan',
  schema: jobPlanSchema,
  fits: () => ok({}),
  tells: nobody,
});
