import type { Member } from '../frame';
import type { Ways } from '../reference';
import type { Verdict } from './finding';

/** Rails and sills run on past their damage and are mended; what stands between them is sooner renewed (common practice, no source). */
export const isMended = (member: Pick<Member, 'role'>): boolean =>
  member.role === 'rail' || member.role === 'sill';

/** What of a picture decides what is done with bad metal. */
export interface ActedOn {
  readonly member: Pick<Member, 'role'>;
  readonly ways: Pick<Ways, 'approach' | 'cracks'>;
}

/** What bad metal asks for on a member, by the shop's school: one that replaces only renews a rail, one of sections splices it. */
export function actOn({ member, ways: { approach } }: ActedOn): Verdict {
  if (!isMended(member) || approach === 'replace only') return 'Renew';
  return approach === 'section' ? 'Splice' : 'Mend';
}

/** What a crack asks for: a shop that splices cracked rails out does not weld them. */
export const actOnCrack = (picture: ActedOn): Verdict => {
  const asked = actOn(picture);
  return asked === 'Mend' && picture.ways.cracks === 'splice' ? 'Splice' : asked;
};
