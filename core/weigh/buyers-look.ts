import type { Money } from '../reference';
import { isDoubtful, isFailed, progressOf, type Claim, type Progress, type SpotState } from '../walk';
import { severity, VERDICTS, type Verdict } from './finding';
import type { HostVerdict } from './hosts';

/** Hours to put a member right, least and most, by verdict; cleaning and coating in them (common practice, no source; a rail patch about two days, a bad rail a week). */
export const HOURS_BY_VERDICT: Readonly<Record<Verdict, readonly [number, number]>> = {
  Leave: [0, 0],
  'Leave by hand': [0, 0.5],
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
  /** Doubtful or hidden metal is on record, and it decides. */
  | { readonly code: 'undecided'; readonly names: readonly string[] }
  /** Measured, and out of straight or square beyond doubt. */
  | { readonly code: 'out of true'; readonly names: readonly string[] }
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

/** A member as a buyer's look takes it. */
interface Bought {
  readonly name: string;
  readonly verdict: Verdict;
  readonly cracked: boolean;
  /** How much on record speaks against it. */
  readonly against: number;
}
/** The unit as a buyer's look takes it. */
interface Unit {
  readonly members: readonly Bought[];
  /** Members that leave nothing to land on: the unit is done. */
  readonly nothingToLandOn: readonly string[];
  /** Brackets, joints, panels and closed spaces found bad by themselves. */
  readonly hosts: readonly HostVerdict[];
  /** What was measured out of straight or square. */
  readonly outOfTrue?: readonly string[];
}
/** Cracks in so many members with so much to put right, and nobody should buy (our judgement). */
const CRACKED_MEMBERS = 2;
const BAD_MEMBERS = 3;

/** Body items through, soft or cracked: spots of no member and no host. */
export const badBodyItems = (states: readonly SpotState[]): string[] =>
  states
    .filter(({ spot, result }) => !spot.memberId && !spot.host && result !== undefined && isFailed(result))
    .map(({ spot }) => spot.title);

const isBad = ({ verdict }: Bought): boolean => severity(verdict) >= severity('Mend');
const names = (members: readonly Bought[]) => members.map((member) => member.name);

/** What a buyer is told: seen, not seen, found, roughly what it costs, and whether to walk away. A rough range, no offer. */
export function buyersLook(
  states: readonly SpotState[],
  { members, nothingToLandOn, hosts, outOfTrue = [] }: Unit,
  claims: readonly Claim[],
  money: Money,
): BuyersLook {
  const progress = progressOf(states);
  const unseen = states.filter((state) => !state.seen);
  const criticalUnseen = unseen.filter((state) => state.spot.critical).length;
  const tooLittle = progress.critical > 0 && criticalUnseen / progress.critical > TOO_LITTLE_SEEN;
  const broken = claims.filter((claim) => claim.standing === 'not borne out');
  const away = walkAwayWhys(members, nothingToLandOn);
  const bodyBad = [
    ...hosts.filter(({ carriesNothing }) => carriesNothing).map(({ name }) => name),
    ...badBodyItems(states),
  ];
  const bad = [...names(members.filter(isBad)), ...bodyBad];
  const undecided = names(members.filter(({ verdict, against }) => verdict === 'Can’t say' && against > 0));
  const whys: BuyersWhy[] = [
    ...away,
    ...(tooLittle
      ? [{ code: 'critical unseen', unseen: criticalUnseen, critical: progress.critical } as const]
      : []),
    ...(undecided.length ? [{ code: 'undecided', names: undecided } as const] : []),
    ...(bad.length && !away.length ? [{ code: 'to put right', names: bad } as const] : []),
    ...(outOfTrue.length ? [{ code: 'out of true', names: outOfTrue } as const] : []),
    ...broken.map((claim): BuyersWhy => ({ code: 'claim not borne out', words: claim.words })),
  ];
  const hoursUnseen = criticalUnseen * HOURS_UNSEEN[1];
  const bodyHours = money.norms.bodyItem.map((each) => each * bodyBad.length);
  const hours = hoursOf(members, bodyHours, hoursUnseen);
  return {
    answer: answerOf(
      away.length > 0,
      tooLittle || undecided.length > 0,
      bad.length + broken.length + outOfTrue.length > 0,
    ),
    whys,
    progress,
    unseen,
    hours,
    hoursUnseen,
    worst: nothingToLandOn.length ? 'Retire' : worstOf(members),
    found: states.filter((state) => state.result !== undefined && isDoubtful(state.result)),
    money: [hours[0] * money.ratePerHour, hours[1] * money.ratePerHour],
  };
}

function walkAwayWhys(members: readonly Bought[], nothingToLandOn: readonly string[]): BuyersWhy[] {
  const cracked = members.filter((member) => member.cracked).length;
  const bad = members.filter(isBad).length;
  return [
    ...(nothingToLandOn.length ? [{ code: 'nothing to land on', names: nothingToLandOn } as const] : []),
    ...(cracked >= CRACKED_MEMBERS && bad >= BAD_MEMBERS
      ? [{ code: 'cracked and bad', cracked, bad } as const]
      : []),
  ];
}

function answerOf(away: boolean, tooLittle: boolean, costs: boolean): BuyersLook['answer'] {
  if (away) return 'walk away';
  if (tooLittle) return 'do not decide yet';
  return costs ? 'only with its price taken off' : 'no reason recorded against it';
}

/** Hours by the norms of each verdict, least and most; what nobody saw may hide more. */
function hoursOf(
  members: readonly Bought[],
  bodyHours: readonly number[],
  hoursUnseen: number,
): [number, number] {
  const acted = members.filter((member) => isBad(member) || member.verdict === 'Watch');
  const sum = (k: 0 | 1) =>
    acted.reduce((hours, member) => hours + HOURS_BY_VERDICT[member.verdict][k], 0) + bodyHours[k]!;
  return [sum(0), sum(1) + hoursUnseen];
}

function worstOf(members: readonly Bought[]): Verdict {
  const known = members.filter((member) => member.verdict !== 'Can’t say');
  return VERDICTS[Math.max(0, ...known.map((member) => severity(member.verdict)))]!;
}
