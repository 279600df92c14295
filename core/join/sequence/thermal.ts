import { riseK } from '../../mechanics';
import { pathLength, type Point } from '../../geometry';
import type { MemberShape } from '../../frame';
import { pathBetween, squareApart, type WeldRun } from './runs';

/** Heat that laid metal brings into the parts, J/mm³: arc voltage × amps × 0.8 over what it lays (common practice, no source: 0.5 kJ/mm for a 3/16 in fillet). */
const HEAT_PER_MM3 = 45;
/** What an arc of common settings puts into the work, W: 24 V × 170 A × 0.8. */
const ARC_W = 3300;
/** Between the end of a run and the next start, when nobody waits: helmet up, next place, helmet down, s (common practice, no source). */
export const HANDLING_S = 15;
/** A start warmer than this over its surroundings waits (ours: hand-hot through a glove). It spaces runs; it is no interpass temperature. */
export const WAIT_OVER_K = 90;
/** Nobody is told to wait longer than this for one run, s. */
const LONGEST_WAIT_S = 900;
const WAIT_STEP_S = 15;

export const runHeatJ = ({ volumeMm3 }: WeldRun): number => HEAT_PER_MM3 * volumeMm3;
export const runSeconds = (run: WeldRun): number => runHeatJ(run) / ARC_W;

/** A run's heat as three sources along it, from its start to its end. */
const SHARES = [1 / 6, 1 / 2, 5 / 6] as const;

/** The place a share of the way along a course. */
export function pointAlong(path: readonly Point[], share: number): Point {
  if (path.length === 1) return path[0]!;
  const atMm = share * pathLength(path);
  return pathBetween(path, atMm, atMm)[0]!;
}

/** Runs with what a search asks over and over: how far each one's start lies from every bit of every other's heat. */
export interface ThermalTable {
  readonly runs: readonly WeldRun[];
  readonly seconds: Float64Array;
  readonly heatJ: Float64Array;
  /** Squared, mm²: [start of run · n + other run] · 3 + which third. */
  readonly square: Float64Array;
}

export function thermalTable(shape: MemberShape, runs: readonly WeldRun[]): ThermalTable {
  const apart = squareApart(shape);
  const thirds = runs.map(({ path }) => SHARES.map((share) => pointAlong(path, share)));
  const square = new Float64Array(runs.length * runs.length * 3);
  runs.forEach(({ path }, start) =>
    thirds.forEach((points, other) =>
      points.forEach((point, third) => {
        square[(start * runs.length + other) * 3 + third] = apart(path[0]!, point);
      }),
    ),
  );
  return {
    runs,
    seconds: Float64Array.from(runs, runSeconds),
    heatJ: Float64Array.from(runs, runHeatJ),
    square,
  };
}

/** Runs laid already: which, and how long ago each one's arc went out, s. */
export interface LaidRun {
  readonly run: number;
  readonly endedAgoS: number;
}

/** Rise at the start of a run, K, over what was laid before: heard from the last heat back. Its own heat is not in it. */
function startRiseK(table: ThermalTable, run: number, nowS: number, endsS: Float64Array): number {
  const count = table.runs.length;
  const { thicknessMm } = table.runs[run]!;
  let rise = 0;
  for (let other = 0; other < count; other++) {
    const endS = endsS[other]!;
    if (!(endS <= nowS)) continue;
    for (let third = 0; third < 3; third++)
      rise += riseK(
        table.heatJ[other]! / 3,
        table.square[(run * count + other) * 3 + third]!,
        nowS - endS + (1 - SHARES[third]!) * table.seconds[other]!,
        thicknessMm,
      );
  }
  return rise;
}

/** Not laid yet. */
const NEVER = Infinity;
const endsOf = (table: ThermalTable, laid: readonly LaidRun[]): Float64Array => {
  const ends = new Float64Array(table.runs.length).fill(NEVER);
  for (const { run, endedAgoS } of laid) ends[run] = -endedAgoS;
  return ends;
};

/** The warmest start of an order laid without waiting, K over its surroundings. Stops counting once it is above `enough`. */
export function warmestStartK(
  table: ThermalTable,
  order: readonly number[],
  laid: readonly LaidRun[],
  enough = Infinity,
): number {
  const ends = endsOf(table, laid);
  let [nowS, warmest] = [0, 0];
  for (const run of order) {
    warmest = Math.max(warmest, startRiseK(table, run, nowS, ends));
    if (warmest > enough) return warmest;
    nowS += table.seconds[run]!;
    ends[run] = nowS;
    nowS += HANDLING_S;
  }
  return warmest;
}

/** How long to wait before each run of an order, s, so that none starts warm. */
export function waitsOf(table: ThermalTable, order: readonly number[], laid: readonly LaidRun[]): number[] {
  const ends = endsOf(table, laid);
  let nowS = 0;
  return order.map((run) => {
    const waitS = waitBefore(table, run, nowS, ends);
    nowS += waitS + table.seconds[run]!;
    ends[run] = nowS;
    nowS += HANDLING_S;
    return waitS;
  });
}

/** How long to wait before one run, from now, s. */
export const waitNowS = (table: ThermalTable, run: number, laid: readonly LaidRun[]): number =>
  waitBefore(table, run, 0, endsOf(table, laid));

function waitBefore(table: ThermalTable, run: number, nowS: number, ends: Float64Array): number {
  let waitS = 0;
  while (waitS < LONGEST_WAIT_S && startRiseK(table, run, nowS + waitS, ends) > WAIT_OVER_K)
    waitS += WAIT_STEP_S;
  return waitS;
}
