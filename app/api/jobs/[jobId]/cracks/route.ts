import { mutation } from '../../../_door';
import { crackSchema } from '@/core/trace';
import { database, keepCrack } from '@/data';

export const POST = async (request: Request, { params }: { params: Promise<{ jobId: string }> }) => {
  const { jobId } = await params;
  return mutation(request, crackSchema, (crack) => keepCrack(database(), jobId, crack));
};
