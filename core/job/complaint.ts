import { explain, type Complaint, type Explanation } from '../walk';
import { standingAgainst } from '../metal';
import { fittingVerdicts, modelMovement, type FindingCode } from '../weigh';
import type { JobDemand } from './demand';
import { jobSpots } from './inputs';
import type { MemberWork } from './member';
import type { JobRecords } from './records';

/** What counts of a member's work where a complaint is looked into: whether anything bad or doubtful of its metal is on record. */
export interface Damaged {
  readonly zones: number;
  readonly against: number;
}

const FASTENED: ReadonlySet<FindingCode> = new Set(['fastener', 'maker-weld', 'welded-solid'] as const);

/** How much on record speaks against a member, however it is known: metal, and what fastens it. */
export const recordedAgainst = ({ picture, verdict }: Pick<MemberWork, 'picture' | 'verdict'>): number =>
  standingAgainst(picture.account).length + verdict.findings.filter(({ code }) => FASTENED.has(code)).length;

/** Whether what is recorded accounts for what the owner feels, by the model where it can. */
export function explainComplaint(
  records: JobRecords,
  damage: ReadonlyMap<string, Damaged>,
  demand: JobDemand | undefined,
  complaint: Complaint,
): Explanation {
  const spots = jobSpots(records);
  const fittings = fittingVerdicts(records.frame, spots);
  const damaged = complaint.memberIds.some((id) => {
    const found = damage.get(id);
    return (
      (found?.zones ?? 0) + (found?.against ?? 0) > 0 || fittings.some(({ memberId }) => memberId === id)
    );
  });
  return explain(
    complaint,
    modelMovement(complaint, demand?.['as built'], demand?.['as found']),
    damaged,
    spots,
  );
}
