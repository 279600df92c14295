import { z } from 'zod';
import { bySchema, evidenceKind, instantSchema, lastWord, recordIdSchema } from '../frame';
import { ok } from '../quantity';

const stamp = { id: recordIdSchema, by: bySchema, at: instantSchema, note: z.string().max(500).default('') };

export const CLAIM_STANDINGS = ['to be checked', 'borne out', 'not borne out', 'cannot be told'] as const;
/** Something said to have been done already. Said again with another standing, the last word counts. */
export const claimSchema = z.object({
  kind: z.literal('claim'),
  ...stamp,
  claimId: recordIdSchema,
  words: z.string().trim().min(3, 'what is claimed?').max(160),
  standing: z.enum(CLAIM_STANDINGS),
});
export type Claim = z.infer<typeof claimSchema>;

/** Each claim by the last word on it; where two devices disagree which that was, it is not borne out. */
export const claimsStand = (claims: readonly Claim[]): Claim[] =>
  [...new Set(claims.map(({ claimId }) => claimId))].flatMap(
    (id) =>
      lastWord(
        claims.filter(({ claimId }) => claimId === id),
        ({ standing }) => (standing === 'not borne out' ? 2 : Number(standing !== 'borne out')),
      ) ?? [],
  );

export const claimKind = evidenceKind<Claim>({
  name: 'claim',
  schema: claimSchema,
  fits: () => ok({}),
  tells: () => [],
});
