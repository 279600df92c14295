import { z } from 'zod';
import { bySchema, evidenceKind, instantSchema, recordIdSchema } from '../frame';
import { ok } from '../quantity';

/** What an owner can choose; the shop may decline, or pass the job on. */
export const CHOSEN = [
  'temporary only',
  'reinforce',
  'bolt on',
  'mend',
  'splice or renew',
  'swap the frame',
  'withdraw it',
  'part of it',
  'nothing for now',
  'declined by the shop',
  'passed on',
] as const;
export type Chosen = (typeof CHOSEN)[number];
/** Choices that leave bad metal in use: what is left is said in words and signed for. */
export const LEAVES_BAD: readonly Chosen[] = ['temporary only', 'part of it', 'nothing for now', 'passed on'];

/** The owner's pick on record, by whom it was told, and what stays undone. The last one counts. */
export const choiceSchema = z
  .object({
    kind: z.literal('choice'),
    id: recordIdSchema,
    chosen: z.enum(CHOSEN),
    /** What is left undone, in words. */
    left: z.string().trim().max(600).default(''),
    why: z.string().trim().max(300).default(''),
    /** The cheaper form first: when it counts as held, and what comes next where it does not. */
    stage: z
      .object({
        heldWhen: z.string().trim().min(3, 'say when it counts as held').max(200),
        next: z.enum(CHOSEN),
      })
      .optional(),
    by: bySchema,
    at: instantSchema,
    note: z.string().max(300).default(''),
  })
  .superRefine(({ chosen, left, why, stage }, context) => {
    if (stage?.next === chosen)
      context.addIssue({ code: 'custom', path: ['stage'], message: 'what comes next is another way' });
    if (LEAVES_BAD.includes(chosen) && left === '')
      context.addIssue({ code: 'custom', path: ['left'], message: 'say what is left undone' });
    if (chosen === 'declined by the shop' && why === '')
      context.addIssue({ code: 'custom', path: ['why'], message: 'say why the shop declines' });
  });
export type OwnersChoice = z.infer<typeof choiceSchema>;

export const choiceKind = evidenceKind<OwnersChoice>({
  name: 'choice',
  schema: choiceSchema,
  fits: () => ok({}),
  tells: () => [],
});
