import { z } from 'zod';
import { mutation } from '../../../_door';
import { bySchema, frameSchema, instantSchema } from '@/core/frame';
import { practiceSchema } from '@/core/reference';
import { changeSetup, database } from '@/data';

const change = z.object({
  basedOn: z.number().int().positive(),
  frame: frameSchema,
  practice: practiceSchema,
  by: bySchema,
  at: instantSchema,
});

export const POST = async (request: Request, { params }: { params: Promise<{ jobId: string }> }) => {
  const { jobId } = await params;
  return mutation(request, change, (value) => changeSetup(database(), jobId, value));
};
