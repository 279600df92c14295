import { hostOf, memberOf, type Frame } from '../frame';
import { renewalTubes, type Footing, type Renewal, type RenewalTube, type WorkFinding } from '../shape';
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

/** Those that nobody recorded as renewed since. */
export function openRenewals(records: Pick<JobRecords, 'evidence' | 'strikes'>): Renewal[] {
  const signs = stands(records, 'sign');
  return [...renewalsOf(records).values()].filter(
    ({ memberId, at }) =>
      !signs.some(
        (sign) =>
          sign.memberId === memberId &&
          sign.at > at &&
          sign.detail.sign === 'put right' &&
          sign.detail.done === 'renewed',
      ),
  );
}

/** Where a crossmember is welded in: the other member at each of its ends, about the joint. */
export const endsOn = (frame: Frame, { memberId }: Pick<Renewal, 'memberId'>): Footing[] =>
  ['start', 'end'].flatMap((end) =>
    (hostOf(frame, 'joint', `${memberId} ${end}`)?.spans ?? [])
      .filter((span) => span.memberId !== memberId)
      .map((span) => ({ ...span, overPlate: true })),
  );

/** How many rules a planned tube breaks: by its sizes, and by the metal found where it is welded in. */
export const brokenOfTube = (
  records: Pick<JobRecords, 'frame'>,
  renewal: Renewal,
  underIt: readonly WorkFinding[],
): number =>
  (plannedTube(records, renewal)?.whyNot ?? ['on no list']).length +
  underIt.filter(({ weight }) => weight === 'broken').length;

/** Members that count as renewed in the repaired frame: those whose tube is no weaker and no softer than the old one was made, and goes in with space beneath. */
export const countedRenewed = (records: JobRecords): ReadonlySet<string> =>
  new Set(
    [...renewalsOf(records).values()].flatMap((renewal) => {
      const planned = plannedTube(records, renewal);
      return planned?.whyNot.length === 0 ? [renewal.memberId] : [];
    }),
  );
