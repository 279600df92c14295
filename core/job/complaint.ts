import { memberOf } from '../frame';
import { explain, type Complaint, type Explanation } from '../walk';
import { standingAgainst } from '../metal';
import { modelMovement, type FindingCode } from '../weigh';
import type { JobDemand } from './demand';
import { jobHosts, jobSpots } from './inputs';
import type { MemberWork } from './member';
import type { JobRecords } from './records';

/** What counts of a member's work where a complaint is looked into: whether anything bad or doubtful of its metal is on record. */
export interface Damaged {
  readonly zones: number;
  readonly against: number;
  /** Some of its metal is gone or cracked through. */
  readonly isBroken: boolean;
}

const FASTENED: ReadonlySet<FindingCode> = new Set(['fastener', 'maker-weld', 'welded-solid'] as const);

/** How much on record speaks against a member, however it is known: metal, and what fastens it. */
export const recordedAgainst = ({ picture, verdict }: Pick<MemberWork, 'picture' | 'verdict'>): number =>
  standingAgainst(picture.account).length + verdict.findings.filter(({ code }) => FASTENED.has(code)).length;

/** Whether any of a member's metal is recorded as gone or cracked through. */
export const isBroken = ({ picture }: Pick<MemberWork, 'picture'>): boolean =>
  standingAgainst(picture.account).some(({ claim }) => claim === 'gone' || claim === 'parted');

/** Whether what is recorded accounts for what the owner feels, by the model where it can. */
export function explainComplaint(
  records: JobRecords,
  damage: ReadonlyMap<string, Damaged>,
  demand: JobDemand | undefined,
  complaint: Complaint,
): Explanation {
  const spots = jobSpots(records);
  const hosts = jobHosts(records);
  const onPath = hosts.filter(({ memberIds }) => complaint.memberIds.some((id) => memberIds.includes(id)));
  const broken = [
    ...complaint.memberIds
      .filter((id) => damage.get(id)?.isBroken)
      .map((id) => memberOf(records.frame, id)?.name ?? id),
    ...onPath.filter(({ carriesNothing }) => carriesNothing).map(({ name }) => name),
  ];
  const damaged = complaint.memberIds.some((id) => {
    const found = damage.get(id);
    return (found?.zones ?? 0) + (found?.against ?? 0) > 0;
  });
  return explain(
    complaint,
    modelMovement(complaint, demand?.['as built'], demand?.['as found']),
    { damaged: damaged || onPath.length > 0, broken },
    spots,
  );
}
