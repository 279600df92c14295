import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { ok } from '../../quantity';
import { nobody, stamped } from './stamp';

/** What is tried once everything is together, beside what removals owe. */
export const PROOFS = [
  'drain run through',
  'wax or water at the seams',
  'dry film',
  'torqued again',
  'lock to lock',
  'legs or doors run',
  'noise listened for',
  'road test',
  'the cause is gone',
] as const;
export type ProofOf = (typeof PROOFS)[number];

/** What steers or stops: not driven, nor signed away, while it does not hold. */
export const STEERS_OR_STOPS: readonly ProofOf[] = ['lock to lock', 'torqued again'];

/** One thing tried, at one place, and whether it held. */
export const proofSchema = z
  .object({
    kind: z.literal('proof'),
    ...stamped,
    of: z.enum(PROOFS),
    place: z.string().trim().min(2, 'where was it tried?').max(120),
    held: z.boolean(),
    memberId: z.string().max(40).optional(),
    /** Of a dry film: what was read and what was asked, µm. */
    filmUm: z.number().gte(0).lte(5000).optional(),
    askedUm: z.number().gt(0).lte(5000).optional(),
  })
  .superRefine(({ of, held, note, filmUm, askedUm }, context) => {
    const wrong = (path: string, message: string) =>
      context.addIssue({ code: 'custom', path: [path], message });
    if (of === 'the cause is gone' && note === '')
      wrong('note', 'say what was the cause, and what became of it');
    else if (!held && note === '') wrong('note', 'say what did not hold');
    if (of !== 'dry film') return;
    if (filmUm === undefined || askedUm === undefined)
      wrong('filmUm', 'a film is read, and held against what was asked');
    else if (held && filmUm < askedUm) wrong('held', 'it is thinner than was asked: it does not hold');
  });
export type Proof = z.infer<typeof proofSchema>;
export const proofKind = evidenceKind<Proof>({
  name: 'proof',
  schema: proofSchema,
  fits: () => ok({}),
  tells: nobody,
});

/** What was tried last of each thing at each place, and did not hold. */
export function failedProofs(proofs: readonly Proof[]): Proof[] {
  const last = new Map<string, Proof>();
  for (const proof of [...proofs].sort((a, b) => a.at.localeCompare(b.at)))
    last.set(`${proof.of} ${proof.place.toLowerCase()}`, proof);
  return [...last.values()].filter(({ held }) => !held);
}
