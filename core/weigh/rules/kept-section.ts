import { lowerBound, worstStation, type KeptKey } from '../kept';
import type { Finding, FindingCode, Verdict } from '../finding';
import type { MemberPicture } from '../picture';
import { actOn } from '../mended';

const RULES: readonly (readonly [FindingCode, readonly KeptKey[]])[] = [
  ['modulus-kept', ['modulusBottom', 'modulusTop']],
  ['inertia-kept', ['inertia']],
  ['area-kept', ['area']],
  ['torsion-kept', ['torsion']],
];
/** What a verdict is held to, as far as it is kept. */
export const JUDGED: readonly KeptKey[] = RULES.flatMap(([, keys]) => keys);

/**
 * Retained A, I, S (J for closed sections) at the worst station, held by their lower bound against the shop's fraction.
 * Above it by the best estimate but not by the lower bound: more readings decide, or a look again.
 */
export function keptSection(picture: MemberPicture): Finding[] {
  return RULES.flatMap(([code, keys]) => {
    const worst = keys
      .map((key) => ({ key, here: worstStation(picture.sections, key) }))
      .filter((candidate) => candidate.here)
      .sort((a, b) => lowerBound(a.here!.kept[a.key]!) - lowerBound(b.here!.kept[b.key]!))[0];
    if (!worst) return [];
    const { value, plusMinus } = worst.here!.kept[worst.key]!;
    const limit = picture.practice.leaveFraction;
    return [
      {
        code,
        quantity: 'fraction',
        value,
        plusMinus,
        limit,
        source: 'retained',
        verdict: verdictOn(value, value - plusMinus, limit, picture, worst.here!.guessedShare),
        at: { fromMm: worst.here!.stationMm, toMm: worst.here!.stationMm },
        firmness: Math.abs(value - limit) > plusMinus ? 'firm' : 'could flip with one more reading',
      } satisfies Finding,
    ];
  });
}

function verdictOn(
  value: number,
  lower: number,
  limit: number,
  picture: MemberPicture,
  guessedShare: number,
): Verdict {
  if (lower >= limit) return 'Leave';
  if (value >= limit) return guessedShare > 0.1 ? 'Can’t say' : 'Watch';
  return actOn(picture);
}
