import { z } from 'zod';
import { evidenceKind, lastWord, memberOf } from '../../frame';
import { fail, ok } from '../../quantity';
import { hoursSchema, nobody, stamped, zoneIdSchema } from './stamp';

/** More was found while it was open, or nothing that changes anything: either way the zone's pause is answered. */
export const extraSchema = z.object({
  kind: z.literal('extra'),
  ...stamped,
  zoneId: zoneIdSchema,
  memberId: z.string().min(1).max(40).optional(),
  /** Nothing changes: what was recorded is known and no more is to be done. */
  grows: z.boolean(),
  what: z.string().trim().min(3, 'say what was found').max(200),
  hours: hoursSchema,
  money: z.tuple([z.number().gte(0).lte(1e6), z.number().gte(0).lte(1e6)]),
});
export type Extra = z.infer<typeof extraSchema>;

/** What more work comes to by the shop's rate, with what is bought for it, least and most. */
export const extraMoney = (
  [least, most]: readonly [number, number],
  ratePerHour: number,
  parts: number,
): [number, number] => [least * ratePerHour + parts, most * ratePerHour + parts];

export const extraKind = evidenceKind<Extra>({
  name: 'extra',
  schema: extraSchema,
  fits: (frame, { memberId }) =>
    memberId === undefined || memberOf(frame, memberId)
      ? ok({})
      : fail(`member ${memberId} is not on this frame`, 'memberId'),
  tells: nobody,
});

export const EXTRA_ANSWERS = ['yes', 'no', 'later'] as const;
/** What the owner said to it: who, by which way, and until when where he put it off. */
export const extraAnswerSchema = z
  .object({
    kind: z.literal('extra answer'),
    ...stamped,
    extraId: z.string().min(1).max(60),
    answer: z.enum(EXTRA_ANSWERS),
    who: z.string().trim().min(1, 'who said it? a role is enough').max(40),
    how: z.enum(['in person', 'by telephone', 'in writing']),
    until: z.iso.date().optional(),
  })
  .refine(({ answer, until }) => answer !== 'later' || until !== undefined, {
    message: 'put off until when?',
    path: ['until'],
  });
export type ExtraAnswer = z.infer<typeof extraAnswerSchema>;

/** What the owner said to it last; where two devices disagree which that was, no yes stands. */
export const answerTo = (answers: readonly ExtraAnswer[], id: string): ExtraAnswer | undefined =>
  lastWord(
    answers.filter(({ extraId }) => extraId === id),
    ({ answer }) => Number(answer !== 'yes'),
  );

export const extraAnswerKind = evidenceKind<ExtraAnswer>({
  name: 'extra answer',
  schema: extraAnswerSchema,
  fits: () => ok({}),
  tells: nobody,
});
