import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { ok } from '../../quantity';
import { nobody, stamped, taskIdSchema } from './stamp';

/** One pair of hands leaves, another goes on: what is half done, and what must not be done. */
export const handoverSchema = z
  .object({
    kind: z.literal('handover'),
    ...stamped,
    to: z.string().trim().min(1, 'to whom?').max(40),
    halfDone: z.array(z.object({ taskId: taskIdSchema, words: z.string().trim().max(200) })).max(40),
    words: z.string().trim().min(3, 'what must the next one know?').max(600),
  })
  .refine(({ to, by }) => to.toLowerCase() !== by.toLowerCase(), {
    message: 'a handover is to somebody else',
    path: ['to'],
  });
export type Handover = z.infer<typeof handoverSchema>;

export const handoverKind = evidenceKind<Handover>({
  name: 'handover',
  schema: handoverSchema,
  fits: () => ok({}),
  tells: nobody,
});
