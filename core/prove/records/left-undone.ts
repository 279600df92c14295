import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { ok } from '../../quantity';
import { nobody, stamped } from './stamp';

/** What is not done, or a cause that stays, with the owner's word on it: who of the owner's side, how it was given, until when. */
export const leftUndoneSchema = z.object({
  kind: z.literal('left undone'),
  ...stamped,
  /** What of the open list it is, by its key; free where it is none of it. */
  of: z.string().trim().max(160).optional(),
  what: z.string().trim().min(3, 'say what is left').max(300),
  memberId: z.string().max(40).optional(),
  why: z.string().trim().min(3, 'say why').max(300),
  /** By role: owner, driver. Never a whole name. */
  owner: z.string().trim().min(1, 'who of the owner’s side signed for it?').max(40),
  how: z.string().trim().min(2, 'how was it given: on paper, by telephone?').max(80),
});
export type LeftUndone = z.infer<typeof leftUndoneSchema>;
export const leftUndoneKind = evidenceKind<LeftUndone>({
  name: 'left undone',
  schema: leftUndoneSchema,
  fits: () => ok({}),
  tells: nobody,
});
