import type { Renewal } from '../shape';
import { stands, type JobRecords } from './records';

/** What each crossmember is to be renewed with, as it was last said. */
export const renewalsOf = (records: Pick<JobRecords, 'evidence' | 'strikes'>): ReadonlyMap<string, Renewal> =>
  new Map(stands(records, 'renewal').map((renewal) => [renewal.memberId, renewal]));
