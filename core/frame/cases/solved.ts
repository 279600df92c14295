import type { CaseResult, Unsolvable, Vector3 } from '../../mechanics';
import type { Stand } from '../stand';
import type { StructureProblem } from '../beam-mesh';

export const CASE_IDS = [
  'standing',
  'bump',
  'brake',
  'corner',
  'one wheel in a ditch',
  'tandem scrub',
  'hitched',
  'on legs',
  'on a lift',
  'on a jack',
  'on stands',
  'steering push',
  'recovery pull',
] as const;
export type CaseId = (typeof CASE_IDS)[number];
/** Where the shop's own allowable applies: people under it, or the road. */
export const isLifted = (id: CaseId): boolean =>
  id === 'on a lift' || id === 'on a jack' || id === 'on legs' || id === 'on stands';

/** On arms or a jack, without its payload. */
export const isRaised = (id: CaseId): boolean => id === 'on a lift' || id === 'on a jack';

/** One case solved on one state of the frame; a case that happens either way (left and right) is there twice. */
export interface SolvedCase {
  readonly id: CaseId;
  readonly result: CaseResult;
  /** Where the structure's element k stands in the solved model; −1 where it is left out. */
  readonly kept: Int32Array;
  readonly supports: readonly StoodOn[];
}

/** What a frame stands on with at one place: all that comes from there, a tyre's push as well as what it holds. */
export interface StoodOn {
  readonly stand: Stand;
  /** Where it touches: the ground under a tyre, the ball in a coupler. */
  readonly atMm: Vector3;
  readonly upN: number;
  /** Level, along and across together. */
  readonly sideN: number;
  /** From there on the frame: along (+ rearwards), across (+ to the right), up. */
  readonly forceN: Vector3;
}

export interface UnsolvedCase {
  readonly id: CaseId;
  readonly why: Unsolvable | { readonly kind: 'not for this frame' | 'no loads' | 'no stands' | 'tips' };
}
export interface SolvedFrame {
  readonly cases: readonly SolvedCase[];
  readonly unsolved: readonly UnsolvedCase[];
  readonly problems: readonly StructureProblem[];
  readonly wheels: readonly WheelLoad[];
  readonly couplerKg?: number;
}
export interface WheelLoad {
  readonly axleId: string;
  readonly axleName: string;
  readonly side: 'left' | 'right';
  readonly loadKg: number;
  readonly ratingKg?: number;
  /** Its node in every case on wheels. */ readonly node: number;
}
