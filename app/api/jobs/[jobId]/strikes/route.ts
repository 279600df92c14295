import { mutation } from '../../../_door';
import { strikeSchema } from '@/core/frame';
import { database, keepStrike } from '@/data';

export const POST = async (request: Request, { params }: { params: Promise<{ jobId: string }> }) => {
  const { jobId } = await params;
  return mutation(request, strikeSchema, (strike) => keepStrike(database(), jobId, strike));
};
