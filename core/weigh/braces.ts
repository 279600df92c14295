import { isJudged, type KeptKey } from './kept';
import type { MemberPicture } from './picture';

/** A crossmember that has kept less than this of its area or of its second moment holds nothing sideways (our judgement). */
const HOLDS_FROM = 0.5;

/**
 * Whether a crossmember still holds its rails from buckling sideways: unless it is found bad, cracked or parted. One that nobody has seen holds; what
 * rests on that says so.
 */
export function braces({ account, sections, partedAtMm, cracks }: MemberPicture): boolean {
  if (!account.isKnown) return true;
  if (partedAtMm.length > 0 || cracks.length > 0) return false;
  const figures: readonly KeptKey[] = ['area', 'inertia'];
  return sections
    .filter(isJudged)
    .every(({ kept }) => figures.every((key) => (kept[key]?.value ?? 1) >= HOLDS_FROM));
}
