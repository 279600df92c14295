import { memberOf } from '../frame';
import { latest } from '../walk';
import { buyersLook, type BuyersLook, type MemberVerdict } from '../weigh';
import { jobSpots } from './inputs';
import type { MemberWork } from './member';
import { stands, type JobRecords } from './records';

/** What a buyer's look takes of a member's work. */
export const boughtMember = ({ picture, verdict }: Pick<MemberWork, 'picture' | 'verdict'>) => ({
  memberId: picture.member.id,
  verdict,
  cracked: picture.cracks.length > 0,
});

/** What somebody who thinks of buying the unit is told. */
export function jobBuyersLook(
  records: JobRecords,
  members: readonly {
    readonly memberId: string;
    readonly verdict: MemberVerdict;
    readonly cracked: boolean;
  }[],
): BuyersLook {
  const claims = latest(stands(records, 'claim'), (claim) => claim.claimId);
  return buyersLook(
    jobSpots(records, true),
    members.map(({ memberId, verdict, cracked }) => ({
      name: memberOf(records.frame, memberId)?.name ?? memberId,
      verdict: verdict.verdict,
      cracked,
    })),
    [...claims.values()],
    records.practice.money,
  );
}
