import { crackExtent, crackLengthMm } from '../../trace';
import type { LimitSource } from '../../reference';
import type { Finding } from '../finding';
import type { MemberPicture } from '../picture';
import { actOnCrack } from '../mended';

/** A cracked frame member is not used until repaired, however short the crack; a crack without both ends is longer than it looks. */
export function cracks(picture: MemberPicture): Finding[] {
  return picture.cracks.flatMap((crack) => {
    const lengthMm = crackLengthMm(picture.member.shape, crack.path);
    const found: Finding = {
      code: 'crack',
      verdict: actOnCrack(picture),
      quantity: 'length',
      value: lengthMm,
      limit: 0,
      source: crackSource(picture),
      at: crackExtent(crack),
      firmness: 'firm',
    };
    if (crack.startFound && crack.finishFound) return [found];
    return [
      found,
      {
        code: 'crack-end-open',
        verdict: 'Can’t say',
        quantity: 'length',
        value: lengthMm,
        source: 'practice',
        at: crackExtent(crack),
        firmness: 'open',
      },
    ];
  });
}

/** Which rule forbids it: the profile's own; common practice is no milder. */
const crackSource = ({ legal }: MemberPicture): LimitSource =>
  legal.basis === 'us' ? 'crack' : legal.basis === 'uk' ? 'ukStructure' : 'ownProfile';
