import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { ok } from '../../quantity';
import { isSomebodyElse, nobody, stamped } from './stamp';

/** The job signed off by name and by a second pair of eyes. What is still open stands in it with its reason, and on every paper. */
export const signOffSchema = z
  .object({
    kind: z.literal('sign off'),
    ...stamped,
    second: z.string().trim().min(1, 'a second pair of eyes signs too').max(40),
    /** Walked round with its owner, or somebody of theirs: by role. */
    walkedWith: z.string().trim().min(1, 'who of the owner’s side walked round it?').max(40),
    /** Open, and signed for all the same. */
    passed: z
      .array(
        z.object({
          key: z.string().min(1).max(200),
          name: z.string().min(1).max(300),
          /** What of it was open as it was signed. */
          parts: z.array(z.string().min(1).max(300)).min(1).max(400),
          why: z.string().trim().min(5, 'a reason has some words').max(300),
        }),
      )
      .max(200),
  })
  .superRefine(({ by, second }, context) => {
    if (!isSomebodyElse(by, second))
      context.addIssue({
        code: 'custom',
        path: ['second'],
        message: 'the second pair of eyes is somebody else',
      });
  });
export type SignOff = z.infer<typeof signOffSchema>;
export const signOffKind = evidenceKind<SignOff>({
  name: 'sign off',
  schema: signOffSchema,
  fits: () => ok({}),
  tells: nobody,
});
