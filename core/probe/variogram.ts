/**
 * How alike two readings are by their distance: C(h) = sill · exp(−h/range), h in scaled millimetres (along the rail counted a quarter).
 * Values are fractions of each face's own nominal, so that faces of different walls go together.
 */
export interface Covariance {
  readonly sill: number;
  readonly rangeMm: number;
}

/** Readings placed on the unrolled surface, in order of station. `variance`: the tool's own, as a fraction of nominal, squared. */
export interface PlacedReadings {
  readonly count: number;
  readonly stationMm: Float64Array;
  readonly uMm: Float64Array;
  readonly kept: Float64Array;
  readonly variance: Float64Array;
  /** Developed width where the faces close on themselves; Infinity where they do not. */
  readonly roundMm: number;
}

/** Rust runs along a rail: this many mm along count as one across (common practice, no source). */
export const ALONG_PER_ACROSS = 4;

export function scaledDistanceMm(points: PlacedReadings, k: number, stationMm: number, uMm: number): number {
  const along = (points.stationMm[k]! - stationMm) / ALONG_PER_ACROSS;
  let across = Math.abs(points.uMm[k]! - uMm);
  if (across > points.roundMm / 2) across = points.roundMm - across;
  return Math.sqrt(along * along + across * across);
}

/** Guarded default where readings are too few to tell: 0.15 of nominal, alike over a hand's breadth (our judgement). */
export const DEFAULT_COVARIANCE: Covariance = { sill: 0.15 ** 2, rangeMm: 60 };
const FEWEST_READINGS = 25;
const FEWEST_PAIRS = 12;
const LAGS_MM = [8, 16, 26, 40, 60, 85, 120, 170];
const RANGES_MM = [12, 20, 30, 45, 65, 95, 140];
const SILLS = [0.04 ** 2, 0.45 ** 2] as const;
/** The robust fit hears the sound majority; a small thin spot must not be smoothed away with the noise, so that the sill is at least this share of all the readings' own variance (our judgement). */
const LEAST_OF_VARIANCE = 0.5;
/** Each reading is paired with this many after it along the rail: near pairs are what a fit needs. */
const PAIRED_AHEAD = 48;

/**
 * Fits the covariance to the readings' own differences: Cressie and Hawkins' robust estimator by lag (a few wild readings do not move it),
 * the tool's variance taken off, sill by weighted least squares at each of a list of ranges, the best kept. Too few readings, too few pairs
 * or all equal: the default, at least as wide as the readings spread.
 */
export function fittedCovariance(points: PlacedReadings): Covariance {
  const fallback = {
    ...DEFAULT_COVARIANCE,
    sill: clamp(Math.max(DEFAULT_COVARIANCE.sill, varianceOf(points.kept)), ...SILLS),
  };
  if (points.count < FEWEST_READINGS) return fallback;
  const lags = experimental(points).filter((lag) => lag.pairs >= FEWEST_PAIRS);
  if (lags.length < 4) return fallback;
  const least = LEAST_OF_VARIANCE * varianceOf(points.kept);
  let best: { covariance: Covariance; misfit: number } | undefined;
  for (const rangeMm of RANGES_MM) {
    const shape = lags.map((lag) => 1 - Math.exp(-lag.awayMm / rangeMm));
    const weight = lags.map((lag) => lag.pairs / (1 + lag.awayMm / 40) ** 2);
    const top = lags.reduce((sum, lag, k) => sum + weight[k]! * shape[k]! * lag.gamma, 0);
    const bottom = shape.reduce((sum, each, k) => sum + weight[k]! * each * each, 0);
    const sill = clamp(Math.max(top / bottom, least), ...SILLS);
    const misfit = lags.reduce((sum, lag, k) => sum + weight[k]! * (lag.gamma - sill * shape[k]!) ** 2, 0);
    if (!best || misfit < best.misfit) best = { covariance: { sill, rangeMm }, misfit };
  }
  return best!.covariance;
}

interface Lag {
  readonly awayMm: number;
  readonly pairs: number;
  readonly gamma: number;
}

/** γ(h) by lag: half the fourth power of the mean root difference, corrected for small counts (Cressie & Hawkins 1980, from memory). */
function experimental(points: PlacedReadings): Lag[] {
  const roots = new Float64Array(LAGS_MM.length),
    away = new Float64Array(LAGS_MM.length),
    tool = new Float64Array(LAGS_MM.length),
    pairs = new Float64Array(LAGS_MM.length);
  for (let i = 0; i < points.count; i++) {
    for (let j = i + 1; j < Math.min(points.count, i + PAIRED_AHEAD); j++) {
      const h = scaledDistanceMm(points, j, points.stationMm[i]!, points.uMm[i]!);
      const lag = LAGS_MM.findIndex((upTo) => h <= upTo);
      if (lag < 0) continue;
      roots[lag]! += Math.sqrt(Math.abs(points.kept[i]! - points.kept[j]!));
      away[lag]! += h;
      tool[lag]! += (points.variance[i]! + points.variance[j]!) / 2;
      pairs[lag]!++;
    }
  }
  return LAGS_MM.flatMap((_, k) => {
    const n = pairs[k]!;
    if (n === 0) return [];
    const gamma = (0.5 * (roots[k]! / n) ** 4) / (0.457 + 0.494 / n);
    return [{ awayMm: away[k]! / n, pairs: n, gamma: Math.max(0, gamma - tool[k]! / n) }];
  });
}

const clamp = (value: number, least: number, most: number): number => Math.min(Math.max(value, least), most);

function varianceOf(values: Float64Array): number {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  return values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / values.length;
}
