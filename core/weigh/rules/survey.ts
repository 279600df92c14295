import { evenWall, facesOf, type Face } from '../../frame';
import { knownShare, vouchedShare, type CellIs } from '../../metal';
import type { Finding } from '../finding';
import type { MemberPicture } from '../picture';

/** Above this share of guessed surface a member cannot be left on its readings (our judgement). */
const TOO_MUCH_GUESSED = 0.35;
/** A face of which less than this is known was not read, whatever the others say (our judgement). */
const FACE_KNOWN = 0.3;

/** How metal may be known by a gauge; and by a gauge or by hand. */
const READ: readonly CellIs[] = ['measured', 'between', 'doubtful', 'hidden', 'unsound', 'parted', 'gone'];

/** Nothing measured, mostly guessed, or a face nobody read: not seen is never fine. */
export function survey(picture: MemberPicture): Finding[] {
  if (!picture.map) {
    return [
      {
        code: 'not-measured',
        verdict: 'Can’t say',
        quantity: 'count',
        value: 0,
        source: 'practice',
        firmness: 'open',
      },
    ];
  }
  const { guessedShare } = picture.map;
  if (guessedShare > TOO_MUCH_GUESSED)
    return [
      {
        code: 'mostly-guessed',
        verdict: 'Can’t say',
        quantity: 'fraction',
        value: guessedShare,
        limit: TOO_MUCH_GUESSED,
        source: 'practice',
        firmness: 'open',
      },
    ];
  return unreadFaces(picture).slice(0, 1);
}

/** Faces that carry and of which hardly anything was read. */
function unreadFaces(picture: MemberPicture): Finding[] {
  return facesOf(picture.member.shape)
    .map((face: Face) => ({ face, share: knownShare(picture.account, face.id, READ) }))
    .filter(({ share }) => share < FACE_KNOWN)
    .sort((a, b) => a.share - b.share)
    .map(({ face, share }) => ({
      code: 'face-unknown',
      verdict: 'Can’t say',
      quantity: 'fraction',
      value: share,
      limit: FACE_KNOWN,
      source: 'practice',
      name: face.id,
      firmness: 'open',
    }));
}

/** Each face held, felt or read well enough over its length for a *Leave by hand*. */
const HAND_SHARE = 0.6;
export function isKnownByHand({ account, member, surface, built, practice }: MemberPicture): boolean {
  const asked = { keptShare: practice.hand.struckKept, madeMm: evenWall(surface, built.thicknessMm) };
  return facesOf(member.shape).every((face) => vouchedShare(account, face.id, asked) >= HAND_SHARE);
}
/** Held by hand over most of every face, whatever was read of the rest. */
export const isHeldByHand = ({ account, member }: MemberPicture): boolean =>
  facesOf(member.shape).every((face) => knownShare(account, face.id, ['held']) >= HAND_SHARE);
