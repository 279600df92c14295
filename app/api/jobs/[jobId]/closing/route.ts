import { mutation } from '../../../_door';
import { closingSchema } from '@/core/job';
import { closeIfBack, database } from '@/data';

export const POST = async (request: Request, { params }: { params: Promise<{ jobId: string }> }) => {
  const { jobId } = await params;
  return mutation(request, closingSchema, (closing) => closeIfBack(database(), jobId, closing));
};
