import { z } from 'zod';
import { answer, guarded, mutation, notFound } from '../../../_door';
import { bySchema, instantSchema } from '@/core/frame';
import { practiceSchema } from '@/core/reference';
import { changePractice, database, newestPractice, written } from '@/data';

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

/** What the job would be judged by if it took up the shop's newest practice: what it says otherwise stays. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  guarded(request, async () => {
    const newest = newestPractice(database(), (await params).jobId);
    return newest ? answer(written(newest)) : notFound('job');
  });
