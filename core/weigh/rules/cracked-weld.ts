import type { Finding } from '../finding';
import type { MemberPicture } from '../picture';

/** A weld that was looked at and found cracked holds nothing until it is cut out and welded again; what it put right is as it was before. */
export const crackedWelds = ({ crackedWelds: found = [] }: MemberPicture): Finding[] =>
  found.map(({ mark, fromMm, toMm }) => ({
    code: 'weld-cracked',
    verdict: 'Mend',
    quantity: 'count',
    source: 'practice',
    name: mark,
    at: { fromMm, toMm },
    firmness: 'firm',
  }));
