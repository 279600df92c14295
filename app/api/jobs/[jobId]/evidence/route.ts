import { z } from 'zod';
import { mutation } from '../../../_door';
import { openEvidence, type Evidence } from '@/core/job';
import { database, keepEvidence } from '@/data';

/** Evidence of any kind, in whichever version the sender knows; what is wrong is named by its place in the record. */
const evidence = z.unknown().transform((raw, context): Evidence => {
  const outcome = openEvidence(raw);
  if (outcome.ok && outcome.value.kind !== 'photo') return outcome.value;
  if (outcome.ok) {
    context.addIssue({ code: 'custom', message: 'a photo is sent with its picture, at its own door' });
    return z.NEVER;
  }
  context.addIssue({ code: 'custom', message: outcome.reason, path: outcome.at?.split('.') ?? [] });
  return z.NEVER;
});
const message = z.object({ evidence: z.array(evidence).min(1).max(5000) });

/** Keeps evidence, all of a message or none. Photos have a door of their own: they come with their picture. */
export const POST = async (request: Request, { params }: { params: Promise<{ jobId: string }> }) => {
  const { jobId } = await params;
  return mutation(request, message, (value) => keepEvidence(database(), jobId, value.evidence));
};
