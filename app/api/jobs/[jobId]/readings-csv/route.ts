import { createHash } from 'node:crypto';
import { z } from 'zod';
import { answer, bodyText, FILE_LIMIT, guarded, notFound, systemOf } from '../../../_door';
import { bySchema, ofKind } from '@/core/frame';
import { columnMapSchema, readingsFromCsv } from '@/core/exchange';
import { currentFrame, database, evidenceOf, keepEvidence, refused } from '@/data';

const columns = z
  .string()
  .max(4000)
  .transform((text, context) => {
    try {
      return columnMapSchema.parse(JSON.parse(text));
    } catch {
      context.addIssue({ code: 'custom', message: 'the columns are not named as they should be' });
      return z.NEVER;
    }
  });
const query = z.object({ by: bySchema, at: z.iso.datetime(), columns: columns.optional() });

/** Takes in a CSV of readings: good rows are kept, bad ones answered by line and reason. Rows already on record are passed over, so a corrected file can be taken in again. */
export const POST = (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  guarded(request, async () => {
    const { jobId } = await params;
    const asked = query.safeParse(Object.fromEntries(new URL(request.url).searchParams));
    if (!asked.success)
      return answer(
        refused(
          'invalid',
          asked.error.issues[0]!.message,
          'Nothing was imported.',
          asked.error.issues[0]!.path.join('.'),
        ),
      );
    const db = database();
    const current = currentFrame(db, jobId);
    if (!current) return notFound('job');
    const text = await bodyText(request, FILE_LIMIT);
    if (!text.ok) return answer(text);
    const { by, at, columns: map } = asked.data;
    const imported = readingsFromCsv(current.frame, text.value, {
      by,
      at,
      system: systemOf(request),
      existing: ofKind(evidenceOf(db, jobId, ['reading']), 'reading'),
      idFor: (says) => rowId(jobId, says),
      ...(map && { columns: map }),
    });
    if (!imported.ok) return answer(refused('unreadable', imported.reason));
    const { readings } = imported.value;
    if (readings.length === 0) return answer(imported);
    const kept = keepEvidence(db, jobId, readings);
    return kept.ok ? answer(imported) : answer(kept);
  });

/** A version-8 uuid from the job and what the row says. */
function rowId(jobId: string, says: string): string {
  const hex = createHash('sha256').update(`${jobId} ${says}`).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}
