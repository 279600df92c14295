import type { Finding } from '../finding';
import type { MemberPicture } from '../picture';

/** The owner feels something along this member, and nothing on record of its whole path explains it: it is there, and not yet found. */
export const complainedOf = ({ unexplained = [] }: MemberPicture): Finding[] =>
  unexplained.slice(0, 1).map(({ what, where }) => ({
    code: 'complaint-unexplained',
    verdict: 'Watch',
    quantity: 'count',
    source: 'practice',
    name: `${what}, ${where}`,
    firmness: 'could flip with one more reading',
  }));
