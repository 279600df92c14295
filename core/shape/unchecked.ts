import type { RepairFinding } from './repair-finding';
import type { RepairPicture } from './repair-picture';
import { MINDS_HEAT } from './rules/in-the-way';

/** What of a repair no rule could look at: said instead of *no rule broken*. */
export const UNCHECKED = ['landing', 'reach', 'beside', 'feet', 'steel'] as const;
export type Unchecked = (typeof UNCHECKED)[number];

/**
 *   landing   a weld lands where nothing was read, or on metal struck only
 *   reach     whether torch, drill and hand come to each seam: nobody recorded it
 *   beside    lines, harness and tanks: none is recorded on this frame, so none was looked for
 *   feet      on which face a bracket under the plate sits
 *   steel     what the steel is
 */
export function uncheckedIn(
  { picture, repair }: RepairPicture,
  findings: readonly RepairFinding[],
): Unchecked[] {
  const has = (...codes: RepairFinding['code'][]) => findings.some(({ code }) => codes.includes(code));
  const is: Readonly<Record<Unchecked, boolean>> = {
    landing: has('edge-not-measured', 'edge-struck-only', 'bolts-unread', 'bolts-struck'),
    reach: !repair.onBench,
    beside: !picture.frame.fittings.some(({ kind }) => MINDS_HEAT.has(kind)),
    feet: has('off-and-back'),
    steel: picture.steel.id === 'unknown' || picture.steel.id === 'presumed-mild',
  };
  return UNCHECKED.filter((each) => is[each]);
}
