import type { BentSection } from '../join';
import { reachOf, stateProperties } from '../shape';
import type { MemberWork } from './member';
import type { WorkedRepair } from './worked-repair';

/** The section that a repair's welds bend as they shrink: as repaired, in the middle of its pieces. Undefined where no metal was found. */
export function bentSection(
  { picture, states }: Pick<MemberWork, 'picture' | 'states'>,
  { repair }: Pick<WorkedRepair, 'repair'>,
): BentSection | undefined {
  const state =
    states.find(({ id }) => id === 'as repaired') ?? states.find(({ id }) => id === 'as found') ?? states[0];
  if (!state) return undefined;
  const { fromMm, toMm } = reachOf(repair);
  const of = stateProperties(picture, state, (fromMm + toMm) / 2);
  return of && { middle: [of.centroidXMm, of.centroidYMm], ixMm4: of.ixMm4, iyMm4: of.iyMm4 };
}
