import { z } from 'zod';
import { mutation, notFound } from '../../../_door';
import { practiceSchema } from '@/core/reference';
import { database, jobFile } from '@/data';
import { askOffice } from '../../../../_office';

/** What another practice would make of a job; nothing is kept. */
export const POST = async (request: Request, { params }: { params: Promise<{ jobId: string }> }) => {
  const file = jobFile(database(), (await params).jobId);
  if (!file) return notFound('job');
  return mutation(request, z.object({ to: practiceSchema }), ({ to }) =>
    askOffice('tried', { ...file, tried: to }),
  );
};
