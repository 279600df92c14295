import type { Member } from '@/core/frame';
import type { UnitSystem } from '@/core/quantity';
import type { Saying } from '@/core/metal';
import { printStation } from './station';

/** One thing found on a member: what, where, how it is known. */
export function sayingWords(member: Member, saying: Saying, system: UnitSystem): string {
  const clamp = (mm: number) => Math.min(Math.max(mm, 0), member.lengthMm);
  const middle = (clamp(saying.fromMm) + clamp(saying.toMm)) / 2;
  const where = saying.where ?? `station ${printStation(member, middle, system)}`;
  const face = saying.face && !saying.where ? `, ${saying.face}` : '';
  return `${where}${face}: ${saying.what} (${saying.by})`;
}
