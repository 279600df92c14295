import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { ok } from '../../quantity';
import { nobody, stamped } from './stamp';

/** A passport that was printed: the sum of the record as it stood then. The paper is the reference, not this. */
export const passportIssuedSchema = z.object({
  kind: z.literal('passport'),
  ...stamped,
  sha256: z.string().regex(/^[0-9a-f]{64}$/, 'a sum is 64 figures, 0 to 9 and a to f'),
});
export type PassportIssued = z.infer<typeof passportIssuedSchema>;
export const passportIssuedKind = evidenceKind<PassportIssued>({
  name: 'passport',
  schema: passportIssuedSchema,
  fits: () => ok({}),
  tells: nobody,
});
