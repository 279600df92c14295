import type { JobDemand } from '@/core/job';
import { STATE_IDS, type StateId } from '@/core/shape';
import type { MemberDemand, StationDemand } from '@/core/weigh';
import type { Ink } from '@/ui/charts';
import { usedWords } from '../../../../_words/demand';

/** States that drive: they take the road's cases. */
export const SHOWN: readonly StateId[] = ['as built', 'as found', 'as repaired'];
/** States that stand still, on stands. */
export const ON_STANDS: readonly StateId[] = STATE_IDS.filter((state) => !SHOWN.includes(state));
export const STATE_INK: Readonly<Record<string, readonly [keyof Ink, string]>> = {
  'as built': ['ink', 'built'],
  'as found': ['oxide', 'found'],
  'as repaired': ['slate', 'repaired'],
};

export const of = (demand: JobDemand, state: StateId, memberId: string): MemberDemand | undefined =>
  demand[state]?.members.find((each) => each.memberId === memberId);

export const Used = ({ here }: { here: StationDemand }) => (
  <td className={`whitespace-nowrap pr-3 font-semibold ${here.utilisation > 1 ? 'text-oxide' : ''}`}>
    {usedWords(here.utilisation)}
  </td>
);
