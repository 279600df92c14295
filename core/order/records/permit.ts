import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { ok } from '../../quantity';
import { nobody, stamped, zoneIdSchema } from './stamp';

/** What is looked at before hot work, in this order on screen and paper. */
export const PERMIT_CHECKS = [
  'tank out',
  'tank outside',
  'lines capped',
  'brake lines',
  'hydraulic lines',
  'air lines',
  'harness',
  'coatings off',
  'trim and foam',
  'timber',
  'cavity',
  'zinc',
  'battery',
  'extinguisher',
  'ventilation',
  'helper',
  'draught',
] as const;
export type PermitCheck = (typeof PERMIT_CHECKS)[number];

/** Leave to strike an arc in one zone, for one shift; when the last arc was out; when the watch was over. */
export const permitSchema = z
  .object({
    kind: z.literal('permit'),
    ...stamped,
    zoneId: zoneIdSchema,
    is: z.enum(['given', 'arc out', 'watched', 'withdrawn']),
    /** The permit it is of, where it is not the giving of one. */
    permitId: z.string().max(60).optional(),
    checks: z
      .array(z.enum(PERMIT_CHECKS))
      .max(PERMIT_CHECKS.length)
      .default(() => []),
    /** What does not hang or lie there: each said by itself. */
    none: z
      .array(z.enum(PERMIT_CHECKS))
      .max(PERMIT_CHECKS.length)
      .default(() => []),
    /** Who stands beside it with the extinguisher: not who welds. */
    helper: z.string().trim().max(40).default(''),
    watchMin: z.number().int().gte(30, 'half an hour at the least').lte(480).optional(),
  })
  .superRefine(({ is, helper, by, permitId, watchMin }, context) => {
    if (is !== 'given') {
      if (permitId === undefined)
        context.addIssue({ code: 'custom', path: ['permitId'], message: 'of which permit?' });
      return;
    }
    if (helper === '' || helper.toLowerCase() === by.toLowerCase())
      context.addIssue({ code: 'custom', path: ['helper'], message: 'somebody else stands beside it' });
    if (watchMin === undefined)
      context.addIssue({ code: 'custom', path: ['watchMin'], message: 'how long is it watched after?' });
  });
export type Permit = z.infer<typeof permitSchema>;

export const permitKind = evidenceKind<Permit>({
  name: 'permit',
  schema: permitSchema,
  fits: () => ok({}),
  tells: nobody,
});
