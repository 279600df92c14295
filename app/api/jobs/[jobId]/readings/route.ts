import { z } from 'zod';
import { mutation, download, guarded, notFound, systemOf } from '../../../_door';
import { readingSchema } from '@/core/probe';
import { readingsToCsv } from '@/core/exchange';
import { database, jobFile, keepReadings } from '@/data';

type Context = { params: Promise<{ jobId: string }> };

export const POST = async (request: Request, { params }: Context) => {
  const { jobId } = await params;
  return mutation(request, z.object({ readings: z.array(readingSchema).min(1).max(5000) }), ({ readings }) =>
    keepReadings(database(), jobId, readings),
  );
};

/** Every reading of the job as CSV, struck ones marked. */
export const GET = (request: Request, { params }: Context) =>
  guarded(request, async () => {
    const file = jobFile(database(), (await params).jobId);
    if (!file) return notFound('job');
    return download(
      readingsToCsv(file.frame, file.readings, file.strikes, systemOf(request)),
      'text/csv; charset=utf-8',
      `${file.unit.tag}-readings.csv`,
    );
  });
