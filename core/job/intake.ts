import { lastWord } from '../frame';
import type { Intake } from '../walk';
import { stands, type JobRecords } from './records';

/** What was last told at the counter; undefined where nobody asked. Where two devices disagree which that was, no maker has said yes. */
export const intakeOf = (records: Pick<JobRecords, 'evidence' | 'strikes'>): Intake | undefined =>
  lastWord(stands(records, 'intake'), (intake) => Number(isUnauthorised(intake)));

/** A maker pays and has not said yes: nothing is cut before. */
export const isUnauthorised = (intake: Intake | undefined): boolean =>
  intake?.makersClaim !== undefined && intake.makersClaim.authorised !== 'yes';
