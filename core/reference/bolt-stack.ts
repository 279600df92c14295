import { inchesToMm, MM_PER_INCH } from '../quantity';
import { METRIC_LENGTH_STEP_MM } from './bolted';
import { boltGrade, metricBolt, tensileStressAreaMm2, UNC_THREADS } from './bolts';
import type { Source } from './source';

export const STACK_SOURCE: Source = {
  document: 'ASME B18.2.1 thread length 2 D + 1/4 in to 6 in; B18.2.2 hex nuts',
  fromMemory: true,
};

/** What a stack is reckoned with for one size. Lengths mm. */
interface StackSize {
  readonly nutMm: number;
  /** Thread on a bolt of usual length. */
  readonly threadMm: number;
  readonly washerMm: number;
  readonly pitchMm: number;
  readonly stepMm: number;
}

/** A flat washer's thickness: 5/32 in at most (from memory). */
export const WASHER_MM = inchesToMm(5 / 32);
/** Hex nut 7/8 of its bolt (ASME B18.2.2, within 1/64 in up to 1 in), thread on bolts up to 6 in; metric by ISO 4032, ISO 4014 to 125 mm. All from memory. */
function stackSize(diameterMm: number): StackSize {
  const metric = metricBolt(diameterMm);
  if (metric) return { ...metric, threadMm: 2 * diameterMm + 6, stepMm: METRIC_LENGTH_STEP_MM };
  return {
    nutMm: 0.875 * diameterMm,
    threadMm: 2 * diameterMm + inchesToMm(1 / 4),
    washerMm: WASHER_MM,
    pitchMm: inchPitchMm(diameterMm),
    stepMm: inchesToMm(1 / 4),
  };
}
const MOST_WASHERS = 4;

/** A bolt through a stack: what to buy, and where its thread lies. Lengths mm. */
export interface BoltStack {
  /** Plates and coats between the washers. */
  readonly gripMm: number;
  readonly washers: number;
  readonly lengthMm: number;
  /** Unthreaded, from under the head. */
  readonly shankMm: number;
  /** Thread past the nut. */
  readonly threadLeftMm: number;
  /** Every plane between two plates crosses the shank, none the thread. */
  readonly isShankInPlanes: boolean;
}

const inchPitchMm = (diameterMm: number): number => {
  const size = [...UNC_THREADS.keys()].find((each) => Math.abs(each * MM_PER_INCH - diameterMm) < 0.2);
  return MM_PER_INCH / (size === undefined ? 12 : UNC_THREADS.get(size)!);
};

/**
 * The shortest bolt by quarter inches, or 5 mm, with two threads past its nut, and one washer under head and nut. Where the nut would run off its thread before it
 * grips, washers are added, four in all at most; undefined where even that does not do.
 */
export function boltStack(
  diameterMm: number,
  platesMm: readonly number[],
  { coatMm = 0 }: { readonly coatMm?: number } = {},
): BoltStack | undefined {
  const gripMm = platesMm.reduce((sum, each) => sum + each, 0) + 2 * coatMm * platesMm.length;
  const { nutMm, threadMm, washerMm, pitchMm, stepMm } = stackSize(diameterMm);
  for (let washers = 2; washers <= MOST_WASHERS; washers++) {
    const stackMm = gripMm + washers * washerMm;
    const lengthMm = Math.ceil((stackMm + nutMm + 2 * pitchMm) / stepMm - 1e-6) * stepMm;
    const shankMm = Math.max(0, lengthMm - threadMm);
    if (shankMm > stackMm - 1e-6) continue;
    return {
      gripMm,
      washers,
      lengthMm,
      shankMm,
      threadLeftMm: lengthMm - stackMm - nutMm,
      isShankInPlanes: shankMm >= washerMm + gripMm - platesMm.at(-1)! - 1e-6,
    };
  }
  return undefined;
}

/** Slip between bare faces: μ 0.30 for clean mill scale, 1.13 of the pull, over 1.5 (AISC 360 J3.8, from memory); a painted, primed or wet face is not counted. */
const [FRICTION, PULL_MEAN, SLIP_SAFETY, OF_PROOF] = [0.3, 1.13, 1.5, 0.75];
/** Allowable force of one bolt before one pair of bare faces slips, N, tightened to three quarters of its proof load. */
export function boltSlipN(marks: number, diameterMm: number): number | undefined {
  const [grade, area] = [boltGrade(marks, diameterMm), tensileStressAreaMm2(diameterMm)];
  return grade && area !== undefined
    ? (FRICTION * PULL_MEAN * OF_PROOF * grade.proofMpa * area) / SLIP_SAFETY
    : undefined;
}

/** A hole opened up so that parts can be lined up, at most: 3/16 in over to 7/8 in bolts, 1/4 in beyond (AISC 360 Table J3.3 oversize, from memory). */
export const oversizeHoleMm = (diameterMm: number): number =>
  diameterMm + inchesToMm(diameterMm <= inchesToMm(7 / 8) + 1e-6 ? 3 / 16 : 1 / 4);
