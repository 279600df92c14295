import { z } from 'zod';
import { mutation } from '../../../_door';
import { recordIdSchema } from '@/core/frame';
import { repairSchema } from '@/core/shape';
import { database, keepRepair } from '@/data';

const change = z.object({
  changeId: recordIdSchema,
  /** The change it was made on; none where the repair is new. */
  basedOn: z.string().max(120).optional(),
  repair: repairSchema,
});

export const POST = async (request: Request, { params }: { params: Promise<{ jobId: string }> }) => {
  const { jobId } = await params;
  return mutation(request, change, ({ repair, ...made }) => keepRepair(database(), jobId, repair, made));
};
