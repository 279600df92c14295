import { inchesToMm } from '../quantity';
import { boltGrade, metricBolt, tensileStressAreaMm2 } from './bolts';
import type { Source } from './source';

export const BOLTED_SOURCE: Source = {
  document: 'AISC 360',
  clause: 'J3.3 to J3.10, allowable strengths',
  fromMemory: true,
};

/** Bolts a plate is put on with, mm: 3/8 to 3/4 in (common practice, no source). */
export const PLATE_BOLTS_MM: readonly number[] = [3 / 8, 7 / 16, 1 / 2, 5 / 8, 3 / 4].map(inchesToMm);
/** The same of metric bolts: M10 to M20. */
export const METRIC_PLATE_BOLTS_MM: readonly number[] = [10, 12, 14, 16, 20];

/** A standard hole is 1/16 in over its bolt (AISC 360 Table J3.3, from memory); a metric one 1 or 2 mm (EN 1090-2, from memory). */
export const boltHoleMm = (diameterMm: number): number =>
  metricBolt(diameterMm)?.holeMm ?? diameterMm + inchesToMm(1 / 16);

const SAFETY = 2;
/** Shear stress of a bolt with its threads in the plane, of its tensile strength (AISC 360 Table J3.2, from memory: 54 of 120 ksi). */
const THREADS_IN_PLANE = 0.45;

/** Allowable force of one bolt in one shear plane, N; undefined for head marks of no grade. */
export function boltShearN(marks: number, diameterMm: number): number | undefined {
  const grade = boltGrade(marks, diameterMm);
  return grade && (THREADS_IN_PLANE * grade.tensileMpa * Math.PI * diameterMm ** 2) / 4 / SAFETY;
}

/**
 * Allowable force that a hole's edge takes from its bolt, N: the less of bearing 2.4 d t Fu and tearing out 1.2 l t Fu, over 2. `clearMm`: metal in the
 * force's line, from the hole's edge to the next hole or the plate's end (AISC 360 J3.10, from memory).
 */
export const bearingAtHoleN = (
  diameterMm: number,
  thicknessMm: number,
  tensileMpa: number,
  clearMm: number,
): number =>
  (Math.min(2.4 * diameterMm, 1.2 * Math.max(0, clearMm)) * Math.max(0, thicknessMm) * tensileMpa) / SAFETY;

/** Least distance from a bolt's middle to an edge, inches by inches of bolt (AISC 360 Table J3.4, from memory). */
const LEAST_EDGES: readonly (readonly [bolt: number, edge: number])[] = [
  [1 / 2, 3 / 4],
  [5 / 8, 7 / 8],
  [3 / 4, 1],
  [7 / 8, 1.125],
  [1, 1.25],
];
/** Least distance from a bolt's middle to an edge, mm; one and a half diameters at least. */
export const leastEdgeMm = (diameterMm: number): number => {
  const row = LEAST_EDGES.find(([bolt]) => diameterMm <= inchesToMm(bolt) + 1e-6);
  return Math.max(1.5 * diameterMm, row ? inchesToMm(row[1]) : 1.25 * diameterMm);
};

/** Least pitch: 2 2/3 diameters (AISC 360 J3.3, from memory). */
export const leastPitchMm = (diameterMm: number): number => (8 / 3) * diameterMm;
/** Widest pitch that keeps the faces together: 24 times the thinner part, 12 in at most (AISC 360 J3.5(a), from memory). */
export const widestBoltPitchMm = (thinnerMm: number): number => Math.min(24 * thinnerMm, inchesToMm(12));

/** Farthest that an edge may lie from its nearest row of bolts: 12 times the part, 6 in at most (AISC 360 J3.5, from memory). */
export const farthestEdgeMm = (thicknessMm: number): number => Math.min(12 * thicknessMm, inchesToMm(6));

/** Nut, point and one washer past the grip, inches by inches of bolt (RCSC, from memory). */
const PAST_GRIP: readonly (readonly [bolt: number, past: number])[] = [
  [3 / 8, 9 / 16],
  [7 / 16, 5 / 8],
  [1 / 2, 11 / 16],
  [5 / 8, 7 / 8],
  [3 / 4, 1],
  [1, 1.25],
];
const WASHERS_MM = 2 * inchesToMm(5 / 32);
/** Metric bolts are bought by so much of length, mm. */
export const METRIC_LENGTH_STEP_MM = 5;
/** Length of bolt to buy for a grip, mm, by quarter inches or 5 mm: two flat washers, a nut, two threads past it. */
export function boltLengthMm(diameterMm: number, gripMm: number): number {
  const metric = metricBolt(diameterMm);
  if (metric) {
    const { nutMm, pitchMm, washerMm } = metric;
    const least = gripMm + 2 * washerMm + nutMm + 2 * pitchMm;
    return Math.ceil(least / METRIC_LENGTH_STEP_MM - 1e-6) * METRIC_LENGTH_STEP_MM;
  }
  const past = PAST_GRIP.find(([bolt]) => diameterMm <= inchesToMm(bolt) + 1e-6)?.[1] ?? 1.25;
  const steps = (gripMm + WASHERS_MM + inchesToMm(past)) / inchesToMm(1 / 4);
  return Math.ceil(steps - 1e-6) * inchesToMm(1 / 4);
}

/** Nut factor of dry plain steel (common practice, no source). */
const NUT_FACTOR = 0.2;
const OF_PROOF = 0.75;
/** Torque to three quarters of a bolt's proof load, N·m: T = K D P. The bolt maker's table wins. */
export function boltTorqueNm(marks: number, diameterMm: number): number | undefined {
  const [grade, area] = [boltGrade(marks, diameterMm), tensileStressAreaMm2(diameterMm)];
  return grade && area !== undefined
    ? (NUT_FACTOR * diameterMm * OF_PROOF * grade.proofMpa * area) / 1000
    : undefined;
}
