import { z } from 'zod';
import { mutation } from '../../../_door';
import { practiceSchema } from '@/core/reference';
import { database, jobFile, refused } from '@/data';
import { askOffice } from '../../../../_office';

/** What another practice would make of a job; nothing is kept. */
export const POST = async (request: Request, { params }: { params: Promise<{ jobId: string }> }) => {
  const { jobId } = await params;
  return mutation(request, z.object({ to: practiceSchema }), ({ to }) => {
    const file = jobFile(database(), jobId);
    return file
      ? askOffice('tried', { ...file, tried: to })
      : refused('not-found', 'there is no such job', 'Nothing was worked out.');
  });
};
