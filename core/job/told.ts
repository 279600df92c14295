import { isLookMade, LOOKED_BY, lookDue, type Interim, type LookDue } from '../order';
import { stands, type JobRecords } from './records';

/** What an owner was told of a unit that waits for its turn, and when it is looked at again. */
export interface ToldUntil {
  readonly interim: Interim;
  readonly due?: LookDue;
}

/** The last word to its owner, until the job is signed off; `today` is the day where the unit is, yyyy-mm-dd. */
export function toldUntil(
  records: Pick<JobRecords, 'evidence' | 'strikes' | 'heldElsewhere'>,
  today: string,
): ToldUntil | undefined {
  const interim = stands(records, 'interim').at(-1);
  if (!interim || stands(records, 'sign off').some(({ at }) => at > interim.at)) return undefined;
  const lastLook = LOOKED_BY.flatMap((kind) => stands(records, kind).filter(isLookMade))
    .map(({ at }) => at)
    .sort()
    .at(-1);
  const trips = [...(records.heldElsewhere?.trips ?? []), ...stands(records, 'trip')];
  const due = lookDue(interim, lastLook, trips, today);
  return { interim, ...(due && { due }) };
}
