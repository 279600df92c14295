import { memberOf } from '../frame';
import { renewalTubes, type Renewal, type RenewalTube } from '../shape';
import { stands, type JobRecords } from './records';

/** What each crossmember is to be renewed with, as it was last said. */
export const renewalsOf = (records: Pick<JobRecords, 'evidence' | 'strikes'>): ReadonlyMap<string, Renewal> =>
  new Map(stands(records, 'renewal').map((renewal) => [renewal.memberId, renewal]));

/** What a planned tube comes to in its place, as the frame stands today; undefined for one that is on no list. */
export function plannedTube(
  { frame }: Pick<JobRecords, 'frame'>,
  { memberId, tube }: Renewal,
): RenewalTube | undefined {
  const member = memberOf(frame, memberId);
  return (member ? renewalTubes(frame, member) : []).find(
    ({ tube: { depthMm, widthMm, nominalMm } }) =>
      depthMm === tube.depthMm && widthMm === tube.widthMm && nominalMm === tube.nominalMm,
  );
}

/** Members that count as renewed in the repaired frame: those whose tube is known to be no weaker and no softer than the old one was made. */
export const countedRenewed = (records: JobRecords): ReadonlySet<string> =>
  new Set(
    [...renewalsOf(records).values()].flatMap((renewal) => {
      const planned = plannedTube(records, renewal);
      return planned && planned.modulus >= 1 && planned.torsion >= 1 ? [renewal.memberId] : [];
    }),
  );
