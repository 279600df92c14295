import { mean, probit, rootMeanSquare } from 'simple-statistics';
import { ONE_SIDED_95 } from '../quantity';
import { faceOf, type FaceId, type Member, type Unit } from '../frame';
import { ATMOSPHERES, CAVITY_MM_PER_YEAR, outsideLossMm, type Atmosphere } from '../reference';
import { METHOD_ERROR_MM, SAME_ACROSS_MM, SAME_ALONG_MM, type Reading } from './reading';

const YEAR_MS = 365.25 * 24 * 3600 * 1000;
export const yearsBetween = (from: string, to: string): number =>
  (Date.parse(to) - Date.parse(from)) / YEAR_MS;

/** The same place read twice: what was lost, and how sure that is. */
export interface Change {
  readonly stationMm: number;
  readonly face: FaceId;
  readonly heightMm: number;
  readonly beforeMm: number;
  readonly nowMm: number;
  readonly years: number;
  readonly lossPerYearMm: number;
  readonly errorPerYearMm: number;
}

/** Surveys closer than this tell a tool's error, not a rate. */
const LEAST_YEARS = 0.25;

/** This survey against the last: each new reading with the nearest old one of the same place. Greatest loss first. */
export function changesBetween(before: readonly Reading[], now: readonly Reading[]): Change[] {
  return now
    .flatMap((reading): Change[] => {
      const old = before
        .filter(
          (each) =>
            each.memberId === reading.memberId &&
            each.face === reading.face &&
            Math.abs(each.stationMm - reading.stationMm) <= SAME_ALONG_MM &&
            Math.abs(each.heightMm - reading.heightMm) <= SAME_ACROSS_MM,
        )
        .sort(
          (a, b) => Math.abs(a.stationMm - reading.stationMm) - Math.abs(b.stationMm - reading.stationMm),
        )[0];
      const years = old ? yearsBetween(old.at, reading.at) : 0;
      if (!old || years < LEAST_YEARS) return [];
      return [
        {
          stationMm: reading.stationMm,
          face: reading.face,
          heightMm: reading.heightMm,
          beforeMm: old.thicknessMm,
          nowMm: reading.thicknessMm,
          years,
          lossPerYearMm: (old.thicknessMm - reading.thicknessMm) / years,
          errorPerYearMm: Math.hypot(METHOD_ERROR_MM[old.method], METHOD_ERROR_MM[reading.method]) / years,
        },
      ];
    })
    .sort((a, b) => b.lossPerYearMm - a.lossPerYearMm);
}

export const YEAR_BANDS = ['gone already', 'under 2 years', '2 to 5 years', 'over 5 years'] as const;
export type YearBand = (typeof YEAR_BANDS)[number];
export const bandOf = (years: number): YearBand =>
  !(years > 0) ? 'gone already' : years < 2 ? 'under 2 years' : years <= 5 ? '2 to 5 years' : 'over 5 years';

/** The air a unit stands in, by where it lives: a start, the shop's to change (our judgement). */
export const ATMOSPHERE_BY_EXPOSURE: Readonly<Record<Unit['exposure'], Atmosphere>> = {
  'dry inland': 'C2',
  'road salt': 'C4',
  'sea air': 'C5',
  'dips in the sea': 'CX',
  'farm and manure': 'C4',
  'salt load': 'CX',
};

/** A rate as a range, where it comes from, and how long the wall lasts to its limit at either end. */
export interface LossForecast {
  readonly from: 'two surveys' | 'no loss seen' | 'nominal and age' | 'outside air' | 'wet debris inside';
  readonly ratePerYearMm: readonly [number, number];
  readonly years: readonly [number, number];
  readonly bands: readonly [YearBand, YearBand];
}

/** Measured rates are planned with this much more (common practice, no source). */
const PLAN_FACTOR = 1.5;
const FAR_YEARS = 100;

export interface ForecastInput {
  readonly thicknessMm: number;
  readonly limitMm: number;
  readonly nominalMm: number;
  readonly ageYears?: number;
  readonly changes: readonly Change[];
  readonly atmosphere: Atmosphere;
  readonly cavity: boolean;
  readonly cavityMmPerYear?: readonly [number, number];
}

/** How long the thinnest place lasts, by every way there is to tell; bands and ranges, never a date. Most to be trusted first. */
export function forecasts({
  thicknessMm,
  limitMm,
  nominalMm,
  ageYears,
  changes,
  atmosphere,
  cavity,
  cavityMmPerYear = CAVITY_MM_PER_YEAR,
}: ForecastInput): LossForecast[] {
  const leftMm = thicknessMm - limitMm;
  const steady = (from: LossForecast['from'], low: number, high: number): LossForecast => {
    const years = [high, low].map((rate) =>
      leftMm <= 0 ? 0 : rate > 0 ? Math.min(FAR_YEARS, leftMm / rate) : FAR_YEARS,
    ) as [number, number];
    return { from, ratePerYearMm: [low, high], years, bands: [bandOf(years[0]), bandOf(years[1])] };
  };
  const measured = measuredRate(changes);
  const surveyed = (): LossForecast[] => {
    if (!measured) return [];
    if (!measured.isSeen) return [steady('no loss seen', 0, measured.high)];
    return [steady('two surveys', Math.max(0, measured.low), PLAN_FACTOR * Math.max(measured.high, 0))];
  };
  const aged = ageYears !== undefined && ageYears > 0.5 ? (nominalMm - thicknessMm) / ageYears : undefined;
  return [
    ...surveyed(),
    ...(aged !== undefined && aged > 0 ? [steady('nominal and age', aged, PLAN_FACTOR * aged)] : []),
    cavity
      ? steady('wet debris inside', ...(cavityMmPerYear as [number, number]))
      : outside(leftMm, atmosphere),
  ];
}

/** Loss counts as seen where as much would come of error alone in one survey of a hundred (our judgement). */
const SEEN_FROM = probit(0.99);

interface MeasuredRate {
  /** Whether the loss differs from nothing by its own error. */
  readonly isSeen: boolean;
  readonly low: number;
  readonly high: number;
}

/**
 * The worse quarter of the places read twice. The worst of many is the worst by error too: of readings that lost nothing, the worse quarter would
 * show a loss of 1.27 times their error. That much is taken off first; what is left, or the loss of all places together, has to differ from nothing.
 */
function measuredRate(changes: readonly Change[]): MeasuredRate | undefined {
  const count = changes.length;
  if (count < 3) return undefined;
  const worseCount = Math.max(3, Math.ceil(count / 4));
  const worse = mean(changes.slice(0, worseCount).map(({ lossPerYearMm }) => lossPerYearMm));
  const all = mean(changes.map(({ lossPerYearMm }) => lossPerYearMm));
  const error = rootMeanSquare(changes.map(({ errorPerYearMm }) => errorPerYearMm));
  const [worseError, allError] = [error / Math.sqrt(worseCount), error / Math.sqrt(count)];
  const lost = worse - error * chosenWorst(worseCount / count);
  const isSeen = lost > SEEN_FROM * worseError || all > SEEN_FROM * allError;
  const rate = Math.max(lost, all);
  // Where it is seen, part of the worst may be truth: the slow end is without it, the fast end with.
  return isSeen
    ? { isSeen, low: rate - worseError, high: worse + worseError }
    : { isSeen, low: 0, high: Math.max(0, rate) + ONE_SIDED_95 * worseError };
}

/** How far the mean of the greatest share of many errors lies above their own mean, in errors: φ(z)/share beyond z. */
function chosenWorst(share: number): number {
  if (share >= 1) return 0;
  const z = probit(1 - share);
  return Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI) / share;
}

/** Open air eats one face by ISO 9224's power law: years until what is left above the limit is gone. */
function outside(leftMm: number, atmosphere: Atmosphere): LossForecast {
  const [slow, fast] = ATMOSPHERES[atmosphere];
  const yearsAt = (um: number): number => {
    if (leftMm <= 0) return 0;
    let [low, high] = [0, FAR_YEARS];
    if (outsideLossMm(um, high) < leftMm) return FAR_YEARS;
    for (let k = 0; k < 60; k++) {
      const middle = (low + high) / 2;
      if (outsideLossMm(um, middle) < leftMm) low = middle;
      else high = middle;
    }
    return (low + high) / 2;
  };
  const years = [yearsAt(fast), yearsAt(slow)] as const;
  return {
    from: 'outside air',
    ratePerYearMm: [slow / 1000, fast / 1000],
    years,
    bands: [bandOf(years[0]), bandOf(years[1])],
  };
}

/** When to look again: at half of the shortest forecast, within the year. Undefined where the limit is passed: now. */
export function nextLook(forecast: LossForecast, today: string): string | undefined {
  if (forecast.bands[0] === 'gone already') return undefined;
  return new Date(Date.parse(today) + Math.min(1, forecast.years[0] / 2) * YEAR_MS)
    .toISOString()
    .slice(0, 10);
}

/** The thinnest standing reading that is not a hole, with its face's wall. */
export function thinnest(
  member: Member,
  readings: readonly Reading[],
): { readonly reading: Reading; readonly wallMm: number } | undefined {
  const kept = readings
    .filter((reading) => reading.thicknessMm > 0.05)
    .flatMap((reading) => {
      const wallMm = faceOf(member.shape, reading.face)?.wallMm;
      return wallMm === undefined ? [] : [{ reading, wallMm }];
    });
  return kept.sort((a, b) => a.reading.thicknessMm / a.wallMm - b.reading.thicknessMm / b.wallMm)[0];
}
