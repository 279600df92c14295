import { crackExtent, crackFamilies } from '../../trace';
import type { Finding } from '../finding';
import { actOnCrack, isMended } from '../mended';
import type { MemberPicture } from '../picture';

/** So many families of cracks on one rail and a length of it is spliced sooner than each is chased (common practice, no source). */
const MANY = 3;

/** Many cracks on one member; and cracks that start beside a weld: worse news than a soft spot, for what was welded there drew them. */
export function crackKinds(picture: MemberPicture): Finding[] {
  const { member, cracks } = picture;
  const families = crackFamilies(member.shape, cracks).length;
  const many: Finding[] =
    families >= MANY
      ? [
          {
            code: 'crack-many',
            verdict: isMended(member) && picture.ways.approach !== 'replace only' ? 'Splice' : 'Renew',
            quantity: 'count',
            value: families,
            limit: MANY - 1,
            source: 'practice',
            firmness: 'firm',
          },
        ]
      : [];
  const atWelds = cracks
    .filter(({ startsAt }) => startsAt === 'weld toe')
    .map((crack): Finding => ({
      code: 'crack-at-weld',
      verdict: actOnCrack(picture),
      quantity: 'count',
      source: 'practice',
      firmness: 'firm',
      at: crackExtent(crack),
    }));
  return [...many, ...atWelds];
}
