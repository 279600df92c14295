import { isLookMade, LOOKED_BY, lookDue, type Interim, type LookDue } from '../order';
import { MOVE_ANSWERS } from '../trace';
import { lastWord } from '../frame';
import { stands, type JobRecords } from './records';

/** What an owner was told of a unit that waits for its turn, and when it is looked at again. */
export interface ToldUntil {
  readonly interim: Interim;
  readonly due?: LookDue;
}

/** The last word to its owner. Where two devices disagree which that was, the stricter. */
export const lastTold = (records: Pick<JobRecords, 'evidence' | 'strikes'>): Interim | undefined =>
  lastWord(stands(records, 'interim'), ({ answer }) => MOVE_ANSWERS.indexOf(answer));

/** What the owner goes by, until the job is signed off; `today` is the day where the unit is, yyyy-mm-dd. */
export function toldUntil(
  records: Pick<JobRecords, 'evidence' | 'strikes' | 'heldElsewhere'>,
  today: string,
): ToldUntil | undefined {
  const interim = lastTold(records);
  if (!interim || stands(records, 'sign off').some(({ at }) => at > interim.at)) return undefined;
  const lastLook = LOOKED_BY.flatMap((kind) => stands(records, kind).filter(isLookMade))
    .map(({ at }) => at)
    .sort()
    .at(-1);
  const trips = [...(records.heldElsewhere?.trips ?? []), ...stands(records, 'trip')];
  const due = lookDue(interim, lastLook, trips, today);
  return { interim, ...(due && { due }) };
}
