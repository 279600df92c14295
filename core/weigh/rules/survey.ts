import type { Finding } from '../finding';
import type { MemberPicture } from '../picture';

/** Above this share of guessed surface a member cannot be left on its readings (our judgement). */
const TOO_MUCH_GUESSED = 0.35;

/** Nothing measured, or mostly guessed: not seen is never fine. */
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
  if (guessedShare <= TOO_MUCH_GUESSED) return [];
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
}
