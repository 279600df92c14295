import { z } from 'zod';
import { mutation } from '../../../_door';
import { bySchema, instantSchema } from '@/core/frame';
import { practiceSchema } from '@/core/reference';
import { changePractice, database } from '@/data';

const change = z.object({
  basedOn: z.number().int().positive(),
  to: practiceSchema,
  /** Why it differs from the shop's. */
  why: z.string().trim().max(300).optional(),
  /** The shop's revision that the job takes up. */
  shopRevision: z.number().int().gte(0).optional(),
  by: bySchema,
  at: instantSchema,
});

export const POST = async (request: Request, { params }: { params: Promise<{ jobId: string }> }) => {
  const { jobId } = await params;
  return mutation(request, change, (value) => changePractice(database(), jobId, value));
};
