import { debrisTrends, type DebrisTrend, type Weighed } from '../../prove';
import { stands, type JobRecords } from '../records';

/** What came out of members, by visits that emptied them and by what was noted on the way round. */
export const weighedIn = (kept: Pick<JobRecords, 'evidence' | 'strikes'>): Weighed[] => [
  ...stands(kept, 'preserved').flatMap(({ memberId, at, debrisKg }) =>
    debrisKg === undefined ? [] : [{ memberId, at, kg: debrisKg }],
  ),
  ...stands(kept, 'sign').flatMap(({ memberId, at, detail }) =>
    detail.sign === 'debris' && detail.outKg !== undefined ? [{ memberId, at, kg: detail.outKg }] : [],
  ),
];

/** How much dirt comes into each member of the unit, over all its jobs. */
export const jobDebris = (
  records: Pick<JobRecords, 'evidence' | 'strikes' | 'preservedElsewhere'>,
): DebrisTrend[] => debrisTrends([...(records.preservedElsewhere?.weighed ?? []), ...weighedIn(records)]);
