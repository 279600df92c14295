import { z } from 'zod';
import { mutation } from '../../../../../_door';
import { recordIdSchema } from '@/core/frame';
import { database, withdrawRepair } from '@/data';

const change = z.object({ changeId: recordIdSchema, basedOn: z.string().max(120).optional() });

export const POST = async (
  request: Request,
  { params }: { params: Promise<{ jobId: string; repairId: string }> },
) => {
  const { jobId, repairId } = await params;
  return mutation(request, change, (made) => withdrawRepair(database(), jobId, repairId, made));
};
