import { z } from 'zod';
import { evidenceKind, instantSchema, onMember, recordIdSchema } from '../frame';
import { ok } from '../quantity';
import { VERDICTS } from './finding';

/** What a technician may say against a computed verdict of a member: any but that nothing can be said, and but *Retire*, which is the unit's. */
export const OVERRIDING = VERDICTS.filter(
  (verdict): verdict is Exclude<(typeof VERDICTS)[number], 'Can’t say' | 'Retire'> =>
    verdict !== 'Can’t say' && verdict !== 'Retire',
);

/** A verdict that a named technician puts beside the computed one, and why. The computed one stays, and both are printed. */
export const overrideSchema = z.object({
  kind: z.literal('override'),
  id: recordIdSchema,
  memberId: z.string().min(1).max(40),
  verdict: z.enum(OVERRIDING),
  why: z.string().trim().min(3, 'say why').max(300),
  by: z
    .string()
    .trim()
    .min(1)
    .max(40)
    .refine(
      (name) => name.toLowerCase() !== 'unnamed',
      'a verdict is somebody’s: say who, in the head of the page',
    ),
  at: instantSchema,
  note: z.string().max(300).default(''),
});
export type Override = z.infer<typeof overrideSchema>;

export const overrideKind = evidenceKind<Override>({
  name: 'override',
  schema: overrideSchema,
  fits: (frame, { memberId }) => onMember(frame, memberId, () => ok({})),
  tells: () => [],
});
