import { mutation } from '../../../_door';
import { walkRecordSchema } from '@/core/walk';
import { database, keepWalkRecord } from '@/data';

/** Everything the Walk keeps, one record a message; photos have a door of their own. */
export const POST = async (request: Request, { params }: { params: Promise<{ jobId: string }> }) => {
  const { jobId } = await params;
  return mutation(request, walkRecordSchema, (record) => keepWalkRecord(database(), jobId, record));
};
