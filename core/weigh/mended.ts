import type { Member } from '../frame';
import type { Verdict } from './finding';

/** Rails and sills run on past their damage and are mended; what stands between them is sooner renewed (common practice, no source). */
export const isMended = (member: Pick<Member, 'role'>): boolean =>
  member.role === 'rail' || member.role === 'sill';

/** What bad metal asks for on a member. */
export const actOn = (member: Pick<Member, 'role'>): Verdict => (isMended(member) ? 'Mend' : 'Renew');
