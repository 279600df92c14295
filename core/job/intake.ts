import type { Intake } from '../walk';
import { stands, type JobRecords } from './records';

/** What was last told at the counter; undefined where nobody asked. */
export const intakeOf = (records: Pick<JobRecords, 'evidence' | 'strikes'>): Intake | undefined =>
  stands(records, 'intake').at(-1);

/** A maker pays and has not said yes: nothing is cut before. */
export const isUnauthorised = (intake: Intake | undefined): boolean =>
  intake?.makersClaim !== undefined && intake.makersClaim.authorised !== 'yes';
