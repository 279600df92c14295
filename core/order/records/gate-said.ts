import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { ok } from '../../quantity';
import { nobody, stamped } from './stamp';

export const GATE_IDS = ['raise', 'hot work', 'geometry', 'cool', 'look', 'coat', 'cure', 'owner'] as const;
export type GateId = (typeof GATE_IDS)[number];

/** What somebody said at a gate: what was measured there, or that it was passed against what it asks, by whom and why. */
export const gateSaidSchema = z
  .object({
    kind: z.literal('gate'),
    ...stamped,
    gate: z.enum(GATE_IDS),
    /** Zone, repair or unit it is of. */
    of: z.string().min(1).max(80),
    is: z.enum(['measured', 'forced']),
    /** A second pair of eyes, other than who writes. */
    second: z.string().trim().max(40).default(''),
    surfaceC: z
      .number()
      .gte(-60, 'colder than any yard')
      .lte(900, 'hotter than any wall one coats')
      .optional(),
    airC: z.number().gte(-60, 'colder than any yard').lte(70, 'hotter than any shop').optional(),
    humidity: z.number().gt(0, 'air is never quite dry').lte(1, 'over 100 % is fog').optional(),
  })
  .superRefine(({ is, second, by, note }, context) => {
    if (is !== 'forced') return;
    if (note === '')
      context.addIssue({ code: 'custom', path: ['note'], message: 'say why it is passed all the same' });
    if (second === '' || second.toLowerCase() === by.toLowerCase())
      context.addIssue({ code: 'custom', path: ['second'], message: 'a second pair of eyes signs with you' });
  });
export type GateSaid = z.infer<typeof gateSaidSchema>;

export const gateSaidKind = evidenceKind<GateSaid>({
  name: 'gate',
  schema: gateSaidSchema,
  fits: () => ok({}),
  tells: nobody,
});
