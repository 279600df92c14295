import { memberOf } from '../frame';
import { claimsStand } from '../walk';
import { buyersLook, unitVerdict, type BuyersLook, type MemberVerdict } from '../weigh';
import { recordedAgainst } from './complaint';
import { straightenedFirst } from './geometry';
import { jobHosts, jobSpots } from './inputs';
import type { MemberWork } from './member';
import { stands, type JobRecords } from './records';

/** What a buyer's look takes of a member's work. */
export const boughtMember = ({ picture, verdict }: Pick<MemberWork, 'picture' | 'verdict'>) => ({
  memberId: picture.member.id,
  verdict,
  cracked: picture.cracks.length > 0,
  against: recordedAgainst({ picture, verdict }),
});

/** What somebody who thinks of buying the unit is told. */
export function jobBuyersLook(
  records: JobRecords,
  members: readonly {
    readonly memberId: string;
    readonly verdict: MemberVerdict;
    readonly cracked: boolean;
    readonly against: number;
  }[],
): BuyersLook {
  const judged = members.flatMap(({ memberId, verdict }) => {
    const member = memberOf(records.frame, memberId);
    return member ? [{ member, verdict }] : [];
  });
  return buyersLook(
    jobSpots(records, true),
    {
      members: members.map(({ memberId, verdict, cracked, against }) => ({
        name: memberOf(records.frame, memberId)?.name ?? memberId,
        verdict: verdict.verdict,
        cracked,
        against,
      })),
      nothingToLandOn: unitVerdict(judged).nothingToLandOn,
      hosts: jobHosts(records),
      outOfTrue: straightenedFirst(records),
    },
    claimsStand(stands(records, 'claim')),
    records.practice.money,
  );
}
