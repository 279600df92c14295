import { severity, type Override, type Verdict } from '../weigh';
import { stands, type JobRecords } from './records';

/** What a technician said last of each member, by member. */
export const overridesOf = (records: Pick<JobRecords, 'evidence' | 'strikes'>): Map<string, Override> =>
  new Map(stands(records, 'override').map((override) => [override.memberId, override]));

/** The harsher of what was computed and what somebody said: nobody's word makes an answer milder. */
export const harsher = (computed: Verdict, said: Override | undefined): Verdict =>
  said && severity(said.verdict) > severity(computed) ? said.verdict : computed;
