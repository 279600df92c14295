import type { WeldRun } from './runs';

/** The section that shrinking welds bend, about its own middle: mm and mm⁴. */
export interface BentSection {
  readonly middle: readonly [x: number, y: number];
  readonly ixMm4: number;
  readonly iyMm4: number;
}

/** Curvature of a weld's shrinkage: δ = 0.005 A_w d L²/I (Blodgett, Design of Welded Structures, 7.7, from memory) is 0.04 A_w d/I over its length. */
const CURVATURE = 0.04;
/** The formula's own band (our judgement: half to twice). */
export const BOW_BAND = [0.5, 2] as const;

/** Bow over a repair's length, mm: up or down and sideways together, by its largest distance from the chord. */
export interface Bow {
  /** When everything is laid: the same whatever the order. */
  readonly endMm: number;
  /** The most on the way. */
  readonly worstMm: number;
}

const POINTS = 48;

/** Bow as runs are laid one after another, everything tacked and so acting as one section. */
export function bowOf(runs: readonly WeldRun[], section: BentSection): Bow {
  if (runs.length === 0) return { endMm: 0, worstMm: 0 };
  const stations = runs.flatMap(({ path }) => path.map(([station]) => station));
  const [from, to] = [Math.min(...stations), Math.max(...stations)];
  const stepMm = (to - from) / POINTS;
  if (!(stepMm > 0)) return { endMm: 0, worstMm: 0 };
  const bend = [new Float64Array(POINTS), new Float64Array(POINTS)] as const;
  let [endMm, worstMm] = [0, 0];
  for (const run of runs) {
    addCurvature(bend, run, section, { from, stepMm });
    endMm = Math.hypot(offChord(bend[0], stepMm), offChord(bend[1], stepMm));
    worstMm = Math.max(worstMm, endMm);
  }
  return { endMm, worstMm };
}

/** A run's shrinkage acts lengthwise: of a slanted one its part along the member. */
function addCurvature(
  bend: readonly [Float64Array, Float64Array],
  { path, volumeMm3, at }: WeldRun,
  { middle, ixMm4, iyMm4 }: BentSection,
  { from, stepMm }: { readonly from: number; readonly stepMm: number },
): void {
  const stations = path.map(([station]) => station);
  const [low, high] = [Math.min(...stations), Math.max(...stations)];
  if (!(high > low)) return;
  const lengthMm = path
    .slice(1)
    .reduce((sum, [s, u], k) => sum + Math.hypot(s - path[k]![0], u - path[k]![1]), 0);
  const areaMm2 = (volumeMm3 / lengthMm) * ((high - low) / lengthMm);
  const up = (CURVATURE * areaMm2 * (at[1] - middle[1])) / ixMm4;
  const across = (CURVATURE * areaMm2 * (at[0] - middle[0])) / iyMm4;
  for (let k = 0; k < POINTS; k++) {
    const [a, b] = [from + k * stepMm, from + (k + 1) * stepMm];
    const share = Math.max(0, Math.min(b, high) - Math.max(a, low)) / stepMm;
    bend[0][k]! += up * share;
    bend[1][k]! += across * share;
  }
}

/** Largest distance from the chord of a line with such a curvature, by summing it twice. */
function offChord(curvature: Float64Array, stepMm: number): number {
  const line = new Float64Array(curvature.length + 1);
  let slope = 0;
  for (let k = 0; k < curvature.length; k++) {
    line[k + 1] = line[k]! + (slope + (curvature[k]! * stepMm) / 2) * stepMm;
    slope += curvature[k]! * stepMm;
  }
  const last = line[line.length - 1]!;
  return line.reduce((most, y, k) => Math.max(most, Math.abs(y - (last * k) / (line.length - 1))), 0);
}

/**
 * How far shrinkage runs ahead of itself in an order, of all there is: the largest of the laid runs' moment about the section's middle and along the length,
 * less its even share of the whole. 0 where every run is answered at once.
 */
export function unevenness(
  runs: readonly WeldRun[],
  order: readonly number[],
  middle: readonly [number, number],
  before: readonly number[] = [],
): number {
  const pulls = runs.map((run) => pullOf(run, middle));
  const stations = runs.map(({ path }) => path[0]![0]);
  const halfMm = Math.max(1, (Math.max(...stations) - Math.min(...stations)) / 2);
  const centre = (Math.max(...stations) + Math.min(...stations)) / 2;
  const all = [...before, ...order];
  const total: [number, number, number] = [0, 0, 0];
  let [volume, arm] = [0, 0];
  for (const run of all) {
    volume += runs[run]!.volumeMm3;
    arm += Math.hypot(...pulls[run]!);
    addTo(total, run);
  }
  if (!(volume > 0)) return 0;
  const gone: [number, number, number] = [0, 0, 0];
  let [laid, most] = [0, 0];
  for (const run of all) {
    addTo(gone, run);
    laid += runs[run]!.volumeMm3;
    const share = laid / volume;
    const across = arm > 0 ? Math.hypot(gone[0] - share * total[0], gone[1] - share * total[1]) / arm : 0;
    const along = Math.abs(gone[2] - share * total[2]) / (volume * halfMm);
    most = Math.max(most, Math.hypot(across, along));
  }
  return most;

  function addTo(sum: [number, number, number], run: number): void {
    sum[0] += pulls[run]![0];
    sum[1] += pulls[run]![1];
    sum[2] += runs[run]!.volumeMm3 * (stations[run]! - centre);
  }
}

const pullOf = ({ volumeMm3, at }: WeldRun, middle: readonly [number, number]): [number, number] => [
  volumeMm3 * (at[0] - middle[0]),
  volumeMm3 * (at[1] - middle[1]),
];
