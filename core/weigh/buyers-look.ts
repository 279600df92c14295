import type { Money } from '../reference';
import { isDoubtful, progressOf, type Claim, type Progress, type SpotState } from '../walk';
import { severity, VERDICTS, type Verdict } from './finding';

/** Hours to put a member right, least and most, by verdict; cleaning and coating in them (common practice, no source; a rail patch about two days, a bad rail a week). */
export const HOURS_BY_VERDICT: Readonly<Record<Verdict, readonly [number, number]>> = {
  Leave: [0, 0],
  Watch: [0.5, 2],
  'Can’t say': [0, 0],
  Mend: [10, 30],
  Splice: [20, 45],
  Renew: [8, 24],
  Retire: [60, 160],
};
/** A critical spot nobody saw may hide nothing, or a patch like the others. */
const HOURS_UNSEEN: readonly [number, number] = [0, 8];
/** Unseen beyond this share of critical spots, nobody should decide (our judgement). */
const TOO_LITTLE_SEEN = 0.3;

export const BUYERS_ANSWERS = [
  'walk away',
  'do not decide yet',
  'only with its price taken off',
  'no reason recorded against it',
] as const;
/** Why a buyer is answered so, as data. */
export type BuyersWhy =
  | { readonly code: 'nothing to land on'; readonly names: readonly string[] }
  | { readonly code: 'cracked and bad'; readonly cracked: number; readonly bad: number }
  | { readonly code: 'critical unseen'; readonly unseen: number; readonly critical: number }
  | { readonly code: 'to put right'; readonly names: readonly string[] }
  | { readonly code: 'claim not borne out'; readonly words: string };
export interface BuyersLook {
  readonly answer: (typeof BUYERS_ANSWERS)[number];
  readonly whys: readonly BuyersWhy[];
  readonly progress: Progress;
  readonly found: readonly SpotState[];
  readonly unseen: readonly SpotState[];
  readonly hours: readonly [number, number];
  /** Of the most hours: what hangs on spots nobody saw. */
  readonly hoursUnseen: number;
  readonly money: readonly [number, number];
  readonly worst: Verdict;
}

/** What a buyer is told: seen, not seen, found, roughly what it costs, and whether to walk away. A rough range, no offer. */
export function buyersLook(
  states: readonly SpotState[],
  members: readonly { readonly name: string; readonly verdict: Verdict; readonly cracked: boolean }[],
  claims: readonly Claim[],
  money: Money,
): BuyersLook {
  const progress = progressOf(states);
  const unseen = states.filter((state) => !state.seen);
  const criticalUnseen = unseen.filter((state) => state.spot.critical);
  const acted = members.filter(
    (member) => severity(member.verdict) >= severity('Mend') || member.verdict === 'Watch',
  );
  const hoursOf = (k: 0 | 1) => acted.reduce((sum, member) => sum + HOURS_BY_VERDICT[member.verdict][k], 0);
  const hoursUnseen = criticalUnseen.length * HOURS_UNSEEN[1];
  const hours: [number, number] = [hoursOf(0), hoursOf(1) + hoursUnseen];
  const worst =
    VERDICTS[
      Math.max(
        0,
        ...members
          .filter((member) => member.verdict !== 'Can’t say')
          .map((member) => severity(member.verdict)),
      )
    ]!;
  const broken = claims.filter((claim) => claim.standing === 'not borne out');
  const cracked = members.filter((member) => member.cracked);
  const retired = members.filter((member) => member.verdict === 'Retire');
  const bad = members.filter((member) => severity(member.verdict) >= severity('Mend'));
  const tooLittle = progress.critical > 0 && criticalUnseen.length / progress.critical > TOO_LITTLE_SEEN;
  const names = (some: typeof members) => some.map((member) => member.name);
  const away: BuyersWhy[] = [
    ...(retired.length ? [{ code: 'nothing to land on', names: names(retired) } as const] : []),
    ...(cracked.length >= 2 && bad.length >= 3
      ? [{ code: 'cracked and bad', cracked: cracked.length, bad: bad.length } as const]
      : []),
  ];
  const whys: BuyersWhy[] = [
    ...away,
    ...(tooLittle
      ? [{ code: 'critical unseen', unseen: criticalUnseen.length, critical: progress.critical } as const]
      : []),
    ...(bad.length && !away.length ? [{ code: 'to put right', names: names(bad) } as const] : []),
    ...broken.map((claim): BuyersWhy => ({ code: 'claim not borne out', words: claim.words })),
  ];
  const answer = away.length
    ? 'walk away'
    : tooLittle
      ? 'do not decide yet'
      : bad.length || broken.length
        ? 'only with its price taken off'
        : 'no reason recorded against it';
  return {
    answer,
    whys,
    progress,
    unseen,
    hours,
    hoursUnseen,
    worst,
    found: states.filter((state) => state.result !== undefined && isDoubtful(state.result)),
    money: [hours[0] * money.ratePerHour, hours[1] * money.ratePerHour],
  };
}
