import type { Member } from '@/core/frame';
import type { Backing, CrackWeld } from '@/core/join';
import { printLength, type UnitSystem } from '@/core/quantity';
import { printStation } from './station';

const BACKING_WORDS: Readonly<Record<Backing, string>> = {
  'gouge and weld the back': 'then gouge the back to sound metal and weld it',
  'copper or magnetic bar': 'copper or a magnetic bar behind it',
  'strip left inside': 'a strip inside before it is drawn together, left there',
  'none reaches': 'no backing reaches: the first pass small and all through, looked at before the next',
};

/** How a crack is ground out and filled, in one line. */
export function crackWeldWords(weld: CrackWeld, member: Member, system: UnitSystem): string {
  const thick = (mm: number) => printLength(mm, system, 'thickness');
  const groove =
    weld.groove === 'V'
      ? `grind a ${weld.angleDeg}° V right through, root open ${thick(weld.rootGapMm)}`
      : `open it ${thick(weld.rootGapMm)} wide, square`;
  const passes = `${weld.passes} ${weld.passes === 1 ? 'pass' : 'passes'}`;
  return `${printLength(weld.lengthMm, system, 'length')} from ${printStation(member, weld.stationMm, system)}: ${groove}; ${passes}, ground flush; ${BACKING_WORDS[weld.backing]}`;
}
export const NOT_READY_WORDS = 'an end of it was not found: not welded until it is, and holed';
