import { mutation } from '../../../_door';
import { closeJob, closingSchema, database } from '@/data';

export const POST = async (request: Request, { params }: { params: Promise<{ jobId: string }> }) => {
  const { jobId } = await params;
  return mutation(request, closingSchema, (closing) => closeJob(database(), jobId, closing));
};
