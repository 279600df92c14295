import { sayingsOf, type Claim } from '../metal';
import { nominalMm, soundThresholdMm, type Reading } from '../probe';
import type { Complaint } from '../walk';
import type { HostVerdict, MemberEvidence } from '../weigh';

/** What speaks against metal, whether it stands alone or a later look answered it: it may be what the owner felt. */
const AGAINST: ReadonlySet<Claim> = new Set<Claim>(['gone', 'parted', 'unsound', 'doubtful', 'hidden']);

/** Complaints with nothing on record of their whole path that could be what is felt: no bad metal, no bad bracket or joint. */
export function unexplainedComplaints(
  complaints: readonly Complaint[],
  hosts: readonly HostVerdict[],
  evidenceOf: (memberId: string) => MemberEvidence | undefined,
): Complaint[] {
  const isBad = (memberId: string): boolean => {
    const evidence = evidenceOf(memberId);
    return evidence !== undefined && speaksAgainst(evidence);
  };
  return complaints.filter(
    ({ memberIds }) =>
      !hosts.some((host) => host.memberIds.some((id) => memberIds.includes(id))) && !memberIds.some(isBad),
  );
}

function speaksAgainst(evidence: MemberEvidence): boolean {
  const { member, readings, practice } = evidence;
  const isThin = ({ face, thicknessMm }: Reading) =>
    thicknessMm < soundThresholdMm(nominalMm(member, face), practice);
  return (
    readings.some(isThin) ||
    sayingsOf(member, evidence, practice.hand).some(({ claim }) => AGAINST.has(claim))
  );
}
