import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { ok } from '../../quantity';
import { nobody, stamped } from './stamp';

/** Something seen on the walk-through that is not as it should be. */
export const snagSchema = z.object({
  kind: z.literal('snag'),
  ...stamped,
  what: z.string().trim().min(3, 'say what is not right').max(300),
});
export type Snag = z.infer<typeof snagSchema>;
export const snagKind = evidenceKind<Snag>({
  name: 'snag',
  schema: snagSchema,
  fits: () => ok({}),
  tells: nobody,
});

/** A snag put right, or opened again; the last word counts. */
export const snagAnswerSchema = z.object({
  kind: z.literal('snag answer'),
  ...stamped,
  snagId: stamped.id,
  is: z.enum(['put right', 'open again']),
});
export type SnagAnswer = z.infer<typeof snagAnswerSchema>;
export const snagAnswerKind = evidenceKind<SnagAnswer>({
  name: 'snag answer',
  schema: snagAnswerSchema,
  fits: () => ok({}),
  tells: nobody,
});

/** Snags nobody has put right. */
export const openSnags = (snags: readonly Snag[], answers: readonly SnagAnswer[]): Snag[] =>
  snags.filter(({ id }) => {
    const last = answers
      .filter(({ snagId }) => snagId === id)
      .reduce<SnagAnswer | undefined>(
        (latest, each) => (latest && latest.at > each.at ? latest : each),
        undefined,
      );
    return last?.is !== 'put right';
  });
