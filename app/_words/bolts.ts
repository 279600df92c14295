import type { BoltSet, Retighten } from '@/core/join';
import { printLength, type UnitSystem } from '@/core/quantity';

export const RETIGHTEN_WORDS: Readonly<Record<Retighten, string>> = {
  'not tightened': 'not tightened yet',
  'look again': 'look at it again: a day has gone',
  wait: 'looked at again after a day, or 50 to 100 miles',
  settled: 'settled: none had moved',
};

/** Where a bolt's shank and thread lie in what it goes through. */
export function stackWords({ stack, gripMm, diameterMm }: BoltSet, system: UnitSystem): string {
  const length = (mm: number) => printLength(mm, system, 'length');
  if (!stack)
    return `No bolt by quarter inches has its thread where it is wanted on a grip of ${length(gripMm)}: threaded full, or another size than Ø ${length(diameterMm)}`;
  return [
    `${length(stack.lengthMm)} long on a grip of ${length(stack.gripMm)}, ${stack.washers} washers`,
    `thread left past the nut ${length(stack.threadLeftMm)}`,
    stack.isShankInPlanes
      ? 'no thread between the plates'
      : 'thread lies between the plates, and is counted so; a longer bolt with more washers keeps it out',
  ].join('; ');
}
