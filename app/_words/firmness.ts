import type { Member } from '@/core/frame';
import { percent, printLength, type UnitSystem } from '@/core/quantity';
import type { Firmness } from '@/core/weigh';
import { printStation } from './station';

export const FIRM_WORDS: Readonly<Record<Firmness['is'], string>> = {
  firm: 'Firm',
  'could flip with one more reading': 'Could flip with one more look or reading',
  open: 'Open',
};

/** Where nothing was drawn. */
const UNDRAWN_WORDS: Readonly<Record<Firmness['is'], string>> = {
  firm: 'what was found decides, whatever lies between',
  'could flip with one more reading': 'it rests on hand and eye: nothing was measured',
  open: 'too little is known',
};

const WITHIN_ERROR = 'it was read thinner than sound by less than the tool may be off';

/** Why a decision is as firm as it is. */
export function firmLine({ is, other, fields, unseen, isWithinError }: Firmness): string {
  const seen = unseen.length > 0 ? `; not seen: ${unseen.slice(0, 3).join(', ')}` : '';
  if (isWithinError) return `${WITHIN_ERROR}${seen}`;
  if (fields === 0) return `${UNDRAWN_WORDS[is]}${is === 'firm' ? '' : seen}`;
  const share = other === 0 ? 'in none' : `in ${percent(other)}`;
  return `of ${fields} ways the metal between the readings may be, ${share} it would be the other way${seen}`;
}

/** The one thing that would most change it. */
export function wouldChange(
  { is, fields, next, unseen }: Firmness,
  member: Member,
  system: UnitSystem,
): string | undefined {
  // What was found decides: no reading changes that, only metal.
  if (fields === 0 && is === 'firm') return undefined;
  if (unseen.length > 0) return `look at ${unseen[0]}`;
  if (!next) return undefined;
  return `a reading at ${printStation(member, next.stationMm, system)}, ${next.face}, ${printLength(next.heightMm, system, 'length')} up`;
}
