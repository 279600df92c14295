import { developedWidthMm, isEnclosing, type Member } from '../frame';
import { coatLitres } from '../reference';
import type { Preserved } from './records';

/** What came out of a member at one time, kg. */
export interface Weighed {
  readonly memberId: string;
  readonly at: string;
  readonly kg: number;
}

/** What a unit's other jobs recorded of keeping it whole. */
export interface PreservedElsewhere {
  readonly visits: readonly Preserved[];
  readonly weighed: readonly Weighed[];
}

/** Dirt that came in between two visits, kg a month, with its error. */
export interface DebrisRate {
  readonly fromAt: string;
  readonly toAt: string;
  readonly kgPerMonth: number;
  readonly plusMinus: number;
}
export const DEBRIS_SAYS = ['more', 'less', 'as before', 'can’t say'] as const;
export type DebrisSays = (typeof DEBRIS_SAYS)[number];

/** How much comes into a member, visit by visit, oldest first. What came out first had gathered nobody knows how long. */
export interface DebrisTrend {
  readonly memberId: string;
  readonly visits: readonly Omit<Weighed, 'memberId'>[];
  readonly rates: readonly DebrisRate[];
  /** The last stretch against the one before; absent before there are two. */
  readonly says?: DebrisSays;
}

const DAY_MS = 86_400_000;
const DAYS_A_MONTH = 365.25 / 12;
/** What is emptied in several goes is one visit, days (ours). */
const ONE_VISIT_DAYS = 14;
/** A bucket on a hanging scale, kg, and what of the dirt stays inside (ours): two standard deviations. */
const SCALE_KG = 0.2;
const STAYS_INSIDE = 0.15;

/** What was weighed of each member, put together by visits. */
export function debrisTrends(weighed: readonly Weighed[]): DebrisTrend[] {
  const byMember = new Map<string, Weighed[]>();
  for (const each of [...weighed].sort((a, b) => a.at.localeCompare(b.at)))
    byMember.set(each.memberId, [...(byMember.get(each.memberId) ?? []), each]);
  return [...byMember].map(([memberId, all]) => {
    const visits = visitsOf(all);
    const rates = visits.slice(1).map((visit, k) => rateBetween(visits[k]!, visit));
    const [before, last] = rates.slice(-2);
    return { memberId, visits, rates, ...(before && last && { says: saysOf(before, last) }) };
  });
}

function visitsOf(all: readonly Weighed[]): DebrisTrend['visits'] {
  const visits: { at: string; kg: number }[] = [];
  for (const { at, kg } of all) {
    const last = visits.at(-1);
    if (last && daysBetween(last.at, at) <= ONE_VISIT_DAYS) last.kg += kg;
    else visits.push({ at, kg });
  }
  return visits;
}

const daysBetween = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / DAY_MS;

function rateBetween(from: { at: string; kg: number }, to: { at: string; kg: number }): DebrisRate {
  const months = daysBetween(from.at, to.at) / DAYS_A_MONTH;
  // What stayed inside the last time is in what comes out this time.
  const error = Math.hypot(SCALE_KG, STAYS_INSIDE * to.kg, STAYS_INSIDE * from.kg);
  return { fromAt: from.at, toAt: to.at, kgPerMonth: to.kg / months, plusMinus: error / months };
}

function saysOf(before: DebrisRate, last: DebrisRate): DebrisSays {
  const by = last.kgPerMonth - before.kgPerMonth;
  const error = Math.hypot(before.plusMinus, last.plusMinus);
  if (Math.abs(by) > error) return by > 0 ? 'more' : 'less';
  return error < Math.max(before.kgPerMonth, last.kgPerMonth) / 2 ? 'as before' : 'can’t say';
}

/** What is coated of a member, m²: the inside of what closes a space in, both sides of any other. */
export const coatedM2 = ({ shape, lengthMm }: Pick<Member, 'shape' | 'lengthMm'>): number =>
  (developedWidthMm(shape) * lengthMm * (isEnclosing(shape) ? 1 : 2)) / 1e6;

/** What a coat of a member takes, l, and whether what was used is too little to have reached all of it. */
export function coatOf(
  member: Pick<Member, 'shape' | 'lengthMm'>,
  used?: NonNullable<Preserved['coat']>,
): { readonly low: number; readonly high: number; readonly isShort: boolean } {
  const takes = coatLitres(coatedM2(member));
  return { ...takes, isShort: used !== undefined && used.litres < takes.low };
}
