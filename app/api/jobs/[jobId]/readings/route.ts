import { download, guarded, notFound, systemOf } from '../../../_door';
import { readingsToCsv } from '@/core/exchange';
import { recorded } from '@/core/job';
import { database, jobFile } from '@/data';

/** Every reading of the job as CSV, struck ones marked. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  guarded(request, async () => {
    const file = jobFile(database(), (await params).jobId);
    if (!file) return notFound('job');
    const csv = readingsToCsv(file.frame, recorded(file, 'reading'), file.strikes, systemOf(request));
    return download(csv, 'text/csv; charset=utf-8', `${file.unit.tag}-readings.csv`);
  });
