import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { ok } from '../../quantity';
import { nobody, stamped } from './stamp';

/** Something that is bought for the job: ordered, come in, or another one taken in its place. */
export const boughtSchema = z
  .object({
    kind: z.literal('bought'),
    ...stamped,
    /** As the list of parts names it. */
    key: z.string().min(1).max(120),
    name: z.string().trim().min(1).max(160),
    is: z.enum(['ordered', 'in']),
    due: z.iso.date().optional(),
    cost: z.number().gte(0).lte(1e6).optional(),
    /** In what another part differs from the one that was wanted. */
    differs: z.string().trim().max(300).optional(),
    /** Hours that the difference costs. */
    differsHours: z.number().gte(0).lte(400).optional(),
  })
  .refine(({ is, due }) => is !== 'ordered' || due !== undefined, {
    message: 'when is it due?',
    path: ['due'],
  });
export type Bought = z.infer<typeof boughtSchema>;

export const boughtKind = evidenceKind<Bought>({
  name: 'bought',
  schema: boughtSchema,
  fits: () => ok({}),
  tells: nobody,
});
