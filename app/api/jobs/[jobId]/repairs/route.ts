import { mutation } from '../../../_door';
import { repairSchema } from '@/core/shape';
import { database, keepRepair } from '@/data';

export const POST = async (request: Request, { params }: { params: Promise<{ jobId: string }> }) => {
  const { jobId } = await params;
  return mutation(request, repairSchema, (repair) => keepRepair(database(), jobId, repair));
};
