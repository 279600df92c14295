import { explain, isDoubtful, signWeight, type Complaint, type Explanation } from '../walk';
import { modelMovement } from '../weigh';
import type { JobDemand } from './demand';
import { jobSpots } from './inputs';
import { stands, type JobRecords } from './records';

/** Whether what is recorded accounts for what the owner feels, by the model where it can. */
export function explainComplaint(
  records: JobRecords,
  damage: ReadonlyMap<string, { readonly zones: number }>,
  demand: JobDemand | undefined,
  complaint: Complaint,
): Explanation {
  const states = jobSpots(records);
  const onThem = (memberId: string | undefined) =>
    memberId !== undefined && complaint.memberIds.includes(memberId);
  const damaged =
    stands(records, 'crack').some((crack) => onThem(crack.memberId)) ||
    states.some(
      (state) => onThem(state.spot.memberId) && state.result !== undefined && isDoubtful(state.result),
    ) ||
    stands(records, 'sign').some((sign) => onThem(sign.memberId) && signWeight(sign.detail) === 'failed') ||
    complaint.memberIds.some((id) => (damage.get(id)?.zones ?? 0) > 0);
  return explain(
    complaint,
    modelMovement(complaint, demand?.['as built'], demand?.['as found']),
    damaged,
    states,
  );
}
