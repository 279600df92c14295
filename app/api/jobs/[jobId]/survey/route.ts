import { mutation } from '../../../_door';
import { surveyRecordSchema } from '@/core/probe';
import { database, keepSurveyRecords } from '@/data';

/** Felt edges and calibrations, one a message. */
export const POST = async (request: Request, { params }: { params: Promise<{ jobId: string }> }) => {
  const { jobId } = await params;
  return mutation(request, surveyRecordSchema, (record) => keepSurveyRecords(database(), jobId, [record]));
};
