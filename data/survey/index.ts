import { checkSurveyRecord, SURVEY_KINDS, surveyRecordSchema, type SurveyRecord } from '@/core/probe';
import type { Db } from '../connection';
import { bodiesOf, keepBodies } from '../evidence/bodies';
import type { Written } from '../problem';

/** Felt edges and calibrations of a job, in the order they were kept. */
export const surveyOf = (db: Db, jobId: string): SurveyRecord[] =>
  bodiesOf(db, jobId, SURVEY_KINDS, surveyRecordSchema);

export const keepSurveyRecords = (
  db: Db,
  jobId: string,
  records: readonly SurveyRecord[],
): Written<readonly SurveyRecord[]> => keepBodies(db, jobId, records, surveyRecordSchema, checkSurveyRecord);
