import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { atSeam, onItsMember } from './stamp';

/** A step of a card that was done: ends found, hole drilled, groove ground, rivet out. */
export const stepDoneSchema = z.object({
  kind: z.literal('step'),
  ...atSeam,
  card: z.enum(['crack', 'rivets', 'bolts']),
  step: z.string().min(1).max(60),
});
export type StepDone = z.infer<typeof stepDoneSchema>;

export const stepDoneKind = evidenceKind<StepDone>({
  name: 'step',
  schema: stepDoneSchema,
  fits: onItsMember,
  tells: () => [],
});

/** The steps of a card in order, what stands done of each, and the first that does not. */
export interface CardStep<Step extends string> {
  readonly step: Step;
  readonly done?: StepDone;
}
export const cardSteps = <Step extends string>(
  steps: readonly Step[],
  done: readonly StepDone[],
): CardStep<Step>[] =>
  steps.map((step) => {
    const last = done.findLast((each) => each.step === step);
    return { step, ...(last && { done: last }) };
  });
