import { randomLcg } from 'd3-random';
import { firmnessOf, type Firmness } from '../weigh';
import type { MemberWork } from './member';
import { standsOn, type JobRecords } from './records';

/** Always the same fields: firmness changes when what it rests on does. */
const SEED = 0.382;

/** How firm the decision on each member is, by the member; of members that nothing was measured on it is open, or what a hammer or a crack decides. */
export function jobFirmness(
  records: JobRecords,
  works: ReadonlyMap<string, Pick<MemberWork, 'picture' | 'verdict'>>,
  fields?: number,
): ReadonlyMap<string, Firmness> {
  const { hiddenChance } = records.practice.money.norms;
  return new Map(
    [...works].map(([memberId, { picture, verdict }]) => [
      memberId,
      firmnessOf(picture, standsOn(records, 'reading', memberId), verdict, {
        random: randomLcg(SEED),
        hiddenChance,
        ...(fields !== undefined && { fields }),
      }),
    ]),
  );
}
