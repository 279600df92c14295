import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { atSeam, onItsMember } from './stamp';

/** What is looked at before the first arc, each by itself. */
export const READY_CHECKS = ['gas', 'earth', 'bright band', 'scrap test', 'tank and lines', 'watch'] as const;
export type ReadyCheck = (typeof READY_CHECKS)[number];

/** Somebody stood at the rail and found it ready to weld. It holds for one shift. */
export const readySchema = z.object({
  kind: z.literal('ready to weld'),
  ...atSeam,
  checks: z
    .array(z.enum(READY_CHECKS))
    .max(READY_CHECKS.length)
    .refine(
      (checks) => READY_CHECKS.every((each) => checks.includes(each)),
      'every check is made before an arc',
    ),
  welder: z.string().trim().min(1, 'who welds it?').max(40),
  /** What the welder's paper says, as it stood in the shop's list. */
  qualification: z.string().trim().max(120).default(''),
  /** Where the maker's leave to weld stands: bulletin, letter, date. */
  makersLeave: z.string().trim().max(200).default(''),
});
export type Ready = z.infer<typeof readySchema>;

export const readyKind = evidenceKind<Ready>({
  name: 'ready to weld',
  schema: readySchema,
  fits: onItsMember,
  tells: () => [],
});

/** Gas bottles empty, clamps come off: asked again after so long, h (ours). */
export const READY_HOURS = 12;
export const isStillReady = ({ at }: Pick<Ready, 'at'>, nowMs: number): boolean =>
  nowMs - Date.parse(at) < READY_HOURS * 3_600_000;
