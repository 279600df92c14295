import { z } from 'zod';

/** Who wrote something down: a role or initials. */
export const bySchema = z.string().trim().min(1, 'who: role or initials').max(40);
/** An instant, ISO 8601 in UTC, as the device that took the record says. */
export const instantSchema = z.iso.datetime();
/** Ids are made by the client, so that a message sent twice is one record. */
export const recordIdSchema = z.uuid();

/** A correction: evidence is struck through with who, when and why, and stays readable. */
export const strikeSchema = z.object({
  id: recordIdSchema,
  evidenceId: recordIdSchema,
  why: z.string().trim().min(3, 'say why in a few words').max(300),
  by: bySchema,
  at: instantSchema,
});
export type Strike = z.infer<typeof strikeSchema>;

/** The records that no strike names. */
export function standing<Evidence extends { id: string }>(
  evidence: readonly Evidence[],
  strikes: readonly Strike[],
): Evidence[] {
  const struck = new Set(strikes.map((strike) => strike.evidenceId));
  return evidence.filter((record) => !struck.has(record.id));
}
