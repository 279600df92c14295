import { answer, guarded, notFound } from '../../../_door';
import { database, jobFile } from '@/data';

/** The job as it now stands, for a tab that comes back into view. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  guarded(request, async () => {
    const file = jobFile(database(), (await params).jobId);
    return file ? answer({ ok: true, value: file }) : notFound('job');
  });
