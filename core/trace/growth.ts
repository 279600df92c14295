import { linearRegression } from 'simple-statistics';
import type { Member, SeenBy } from '../frame';
import { ONE_SIDED_95 } from '../quantity';
import { driveAt, growthCurve, lengthAt, type GrowthCurve } from '../mechanics';
import {
  LAW_SCATTER,
  LENGTH_ERROR_MM,
  LOOKS_TO_LIMIT,
  PARIS_CAUTIOUS,
  PARIS_EXPONENT,
  PARIS_MEAN,
  TOUGHNESS,
} from '../reference';
import { looksAt, runOn } from './as-seen';
import { crossingOn, foretoldToMm, intensityBetween, type Crossing, type WhyNoCrossing } from './crossing';
import type { Crack } from './crack';
import type { CrackLook } from './crack-look';
import type { Trip } from './trip';

/** What the frame does at the crack, MPa, nominal: the range a load of ±0.5 g makes, and the most over a bump. */
export interface StressThere {
  readonly rangeMpa: number;
  readonly bumpMpa: number;
  readonly yieldMpa: number;
}
/** What is changed until then: shares of load, of how rough it is driven, and of stress that bracing leaves. 1 each: as it is. */
export interface Easing {
  readonly load: number;
  readonly road: number;
  readonly braced: number;
}
export const AS_IT_IS: Easing = { load: 1, road: 1, braced: 1 };

/** A crack's length at one look and how much the unit had done by then. */
export interface Seen {
  readonly at: string;
  readonly aMm: number;
  readonly seenBy: SeenBy;
  /** In the basis' unit; absent where nobody noted it. */
  readonly used?: number;
}
export type Basis = 'km' | 'hours';

export const WHY_NOT = [
  'one look',
  'no distance',
  'distance backwards',
  'no stress',
  'past what is foretold',
  'past the limit',
] as const;
export type WhyNot = (typeof WHY_NOT)[number] | WhyNoCrossing;

/** Least, middle and most of what resampling came to: the 5th, 50th and 95th of a hundred. Infinity: no end in sight. */
export interface Band {
  readonly low: number;
  readonly mid: number;
  readonly high: number;
}
export const LIMITS = [
  'toughness over a bump',
  'the rest yields over a bump',
  'past what is foretold',
] as const;
export interface Limit {
  readonly aMm: number;
  readonly why: (typeof LIMITS)[number];
}
export interface Foretold {
  readonly basis: Basis;
  readonly crossing: Crossing;
  readonly seen: readonly Seen[];
  /** ΔK now, MPa√mm: least and most. */
  readonly deltaK: readonly [number, number];
  readonly limit: Limit;
  /** Growth by the last two looks' figures alone, mm a km or an hour; and whether it differs from nothing by its own error. */
  readonly pace: number;
  readonly isGrowing: boolean;
  /** Swings of that range per km or hour that the mean law and the cautious one need for this pace: a check on the stress. */
  readonly swings: readonly [mean: number, cautious: number];
  /** From the last look to the limit. */
  readonly toLimit: Band;
  /** Looks come this often: the cautious edge in so many parts. */
  readonly lookEvery: number;
  readonly lengthAfter: (used: number) => Band;
}
export type Growth =
  | { readonly ok: true; readonly foretold: Foretold }
  | {
      readonly ok: false;
      readonly why: WhyNot;
      readonly seen: readonly Seen[];
      readonly crossing?: Crossing;
    };

/** A crack's looks, its first record among them, on one scale of use. Trips stand in for an odometer that is not there. */
export function seenOf(
  member: Pick<Member, 'shape' | 'lengthMm' | 'holes'>,
  crack: Crack,
  looks: readonly CrackLook[],
  trips: readonly Trip[],
): { readonly seen: readonly Seen[]; readonly basis: Basis } {
  const own = looksAt(looks, crack.id).filter(({ gapOnly }) => !gapOnly);
  const all = [{ ...crack, startMm: 0, finishMm: 0 }, ...own].sort((a, b) => a.at.localeCompare(b.at));
  const has = (key: 'usedKm' | 'usedHours') => all.filter((each) => each[key] !== undefined).length;
  const basis: Basis = has('usedHours') > has('usedKm') ? 'hours' : 'km';
  const byTrips = basis === 'km' && has('usedKm') === 0 && trips.length > 0;
  const usedAt = (each: (typeof all)[number]) =>
    byTrips
      ? trips.filter(({ at }) => at <= each.at).reduce((sum, { km }) => sum + km, 0)
      : basis === 'km'
        ? each.usedKm
        : each.usedHours;
  const seen = all.flatMap((each): Seen[] => {
    const crossing = crossingOn(member, { ...crack, path: runOn(member, crack.path, each) });
    if (typeof crossing === 'string') return [];
    const used = usedAt(each);
    return [{ at: each.at, aMm: crossing.aMm, seenBy: each.seenBy, ...(used !== undefined && { used }) }];
  });
  return { seen, basis };
}

const RESAMPLES = 2000;
/** The range of K is tried in this many steps. */
const STEPS = 9;

/** How a crack goes on, from what was seen of it. `random` gives 0 … 1. */
export function foretell(
  member: Pick<Member, 'shape' | 'lengthMm' | 'holes'>,
  crack: Crack,
  { looks, trips }: { readonly looks: readonly CrackLook[]; readonly trips: readonly Trip[] },
  stress: StressThere | undefined,
  {
    easing = AS_IT_IS,
    random,
    resamples = RESAMPLES,
  }: { readonly easing?: Easing; readonly random: () => number; readonly resamples?: number },
): Growth {
  const { seen, basis } = seenOf(member, crack, looks, trips);
  const most = looksAt(looks, crack.id).reduce(
    (end, { startMm, finishMm }) => ({
      startMm: Math.max(end.startMm, startMm),
      finishMm: Math.max(end.finishMm, finishMm),
    }),
    { startMm: 0, finishMm: 0 },
  );
  const crossing = crossingOn(member, { ...crack, path: runOn(member, crack.path, most) });
  if (typeof crossing === 'string') return { ok: false, why: crossing, seen };
  const not = (why: WhyNot): Growth => ({ ok: false, why, seen, crossing });
  const read = seen.filter(
    (each): each is Required<Seen> => each.seenBy !== 'told' && each.used !== undefined,
  );
  if (seen.filter(({ seenBy }) => seenBy !== 'told').length < 2) return not('one look');
  if (read.length < 2 || !(read.at(-1)!.used > read[0]!.used)) return not('no distance');
  if (read.some(({ used }, k) => k > 0 && used < read[k - 1]!.used)) return not('distance backwards');
  if (!stress || !(stress.rangeMpa > 0)) return not('no stress');
  if (crossing.aMm >= foretoldToMm(crossing)) return not('past what is foretold');
  const limit = limitOf(crossing, stress, easing);
  if (crossing.aMm >= limit.aMm) return not('past the limit');
  return {
    ok: true,
    foretold: resampled(crossing, read, { basis, seen, stress, easing, random, limit, resamples }),
  };
}

/** The bump's own part beyond standing goes with the road; all of it with load and bracing. */
const eased = ({ rangeMpa, bumpMpa }: StressThere, { load, road, braced }: Easing) => {
  const standing = Math.min(rangeMpa, bumpMpa);
  return {
    rangeMpa: rangeMpa * load * road * braced,
    bumpMpa: (standing + (bumpMpa - standing) * road) * load * braced,
  };
};

/** The least length at which it must not be used any longer, by the most that may hold it open. */
export function limitOf(crossing: Crossing, stress: StressThere, easing: Easing = AS_IT_IS): Limit {
  const { bumpMpa } = eased(stress, easing);
  const end = foretoldToMm(crossing);
  const widthMm = crossing.faceMm ?? crossing.wallMm;
  const share = Math.max(0, 1 - bumpMpa / stress.yieldMpa);
  const yieldsAt =
    crossing.kind === 'hole'
      ? Math.max(0, (widthMm * share) / 2 - crossing.radiusMm!)
      : (widthMm * share) / (crossing.kind === 'centre' ? 2 : 1);
  const tearsAt = firstOver((a) => bumpMpa * intensityBetween(crossing, a, 1), TOUGHNESS, end);
  const least = Math.min(tearsAt, yieldsAt, end);
  const why =
    least === end
      ? 'past what is foretold'
      : least === tearsAt
        ? 'toughness over a bump'
        : 'the rest yields over a bump';
  return { aMm: least, why };
}

/** Where a rising quantity first passes a limit, by halving; `end` where it does not before. */
function firstOver(of: (a: number) => number, over: number, end: number): number {
  if (!(of(end) > over)) return end;
  let [low, high] = [0, end];
  for (let k = 0; k < 60; k++) {
    const middle = (low + high) / 2;
    if (of(middle) > over) high = middle;
    else low = middle;
  }
  return high;
}

interface Means {
  readonly basis: Basis;
  readonly seen: readonly Seen[];
  readonly stress: StressThere;
  readonly easing: Easing;
  readonly random: () => number;
  readonly limit: Limit;
  readonly resamples: number;
}

function resampled(
  crossing: Crossing,
  looks: readonly Required<Seen>[],
  { basis, seen, stress, easing, random, limit, resamples }: Means,
): Foretold {
  const last = looks[looks.length - 1]!;
  const least = Math.max(0.25, 0.3 * Math.min(...looks.map(({ aMm }) => aMm)));
  const end = Math.max(limit.aMm, crossing.aMm * 1.5);
  // What was only told, or seen without a distance, sets no pace; it is as long as that all the same.
  const besides = seen.filter((each) => !looks.some(({ at }) => at === each.at)).map(({ aMm }) => aMm);
  const atLeastMm = Math.max(0, ...besides);
  // Lengths are the looks'; the stress they grew under is today's, what eases it acts from now on.
  const curves = Array.from({ length: STEPS }, (_, k) =>
    growthCurve((a) => stress.rangeMpa * intensityBetween(crossing, a, k / (STEPS - 1)), PARIS_EXPONENT, [
      least,
      end,
    ]),
  );
  const factor = (eased(stress, easing).rangeMpa / stress.rangeMpa) ** PARIS_EXPONENT;
  const draws = Array.from({ length: resamples }, () =>
    draw(curves[Math.min(STEPS - 1, Math.floor(random() * STEPS))]!, looks, random, factor),
  ).map((each) => ({ ...each, from: Math.max(each.from, driveAt(each.curve, atLeastMm)) }));
  const middle = curves[(STEPS - 1) / 2]!;
  const pace = paceOn(middle, looks);
  const used = last.used - looks[0]!.used;
  const [first] = looks;
  const error = Math.hypot(LENGTH_ERROR_MM[first!.seenBy], LENGTH_ERROR_MM[last.seenBy]);
  const left = ({ curve, from, rate }: Draw) => {
    const more = driveAt(curve, limit.aMm) - from;
    return more <= 0 ? 0 : rate > 0 ? more / rate : Infinity;
  };
  const toLimit = bandOf(draws.map(left));
  return {
    basis,
    crossing,
    seen,
    deltaK: [0, 1].map((share) => stress.rangeMpa * intensityBetween(crossing, crossing.aMm, share)) as [
      number,
      number,
    ],
    limit,
    pace: (last.aMm - first!.aMm) / used,
    isGrowing: last.aMm - first!.aMm > ONE_SIDED_95 * error,
    swings: [pace / PARIS_MEAN, pace / PARIS_CAUTIOUS.air],
    toLimit,
    lookEvery: toLimit.low / LOOKS_TO_LIMIT,
    lengthAfter: (more) => bandOf(draws.map(({ curve, from, rate }) => lengthAt(curve, from + rate * more))),
  };
}

interface Draw {
  readonly curve: GrowthCurve;
  /** Drive used up to today's length. */
  readonly from: number;
  /** Drive a km or an hour from now on; 0 where it does not grow. */
  readonly rate: number;
}

/** One history that the looks could have been, and how it goes on. */
function draw(
  curve: GrowthCurve,
  looks: readonly Required<Seen>[],
  random: () => number,
  factor: number,
): Draw {
  const drawn = looks.map((look) => ({
    ...look,
    aMm: Math.max(curve.lengthsMm[0]!, look.aMm + normal(random) * LENGTH_ERROR_MM[look.seenBy]),
  }));
  // What was seen is the mean of as many intervals as there were; the next is one more.
  const scatter = LAW_SCATTER * Math.sqrt(1 + 1 / (looks.length - 1));
  const rate = Math.max(0, paceOn(curve, drawn)) * Math.exp(normal(random) * scatter) * factor;
  return { curve, from: driveAt(curve, drawn[drawn.length - 1]!.aMm), rate };
}

/** Drive a km or an hour, the straight line through the looks. */
const paceOn = (curve: GrowthCurve, looks: readonly Required<Seen>[]): number =>
  linearRegression(looks.map(({ used, aMm }) => [used, driveAt(curve, aMm)])).m;

/** Box and Muller's normal deviate. */
const normal = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

function bandOf(values: readonly number[]): Band {
  const sorted = Float64Array.from(values).sort();
  const at = (share: number) => sorted[Math.round(share * (sorted.length - 1))]!;
  return { low: at(0.05), mid: at(0.5), high: at(0.95) };
}
