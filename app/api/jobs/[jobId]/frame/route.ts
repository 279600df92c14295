import { z } from 'zod';
import { mutation } from '../../../_door';
import { bySchema, frameSchema, instantSchema } from '@/core/frame';
import { changeFrame, database } from '@/data';

const change = z.object({
  basedOn: z.number().int().positive(),
  to: frameSchema,
  by: bySchema,
  at: instantSchema,
});

export const POST = async (request: Request, { params }: { params: Promise<{ jobId: string }> }) => {
  const { jobId } = await params;
  return mutation(request, change, (value) => changeFrame(database(), jobId, value));
};
