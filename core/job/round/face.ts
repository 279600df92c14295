import type { Vector } from '../../geometry';

export const ROUND_PARTS = ['wall', 'plate', 'weld', 'drain', 'bolt', 'fitting', 'crossmember'] as const;
export type RoundPart = (typeof ROUND_PARTS)[number];

/**
 * A flat face of the picture in the round. x runs back along the frame, y up, z to the left, mm: a left rail looks at the eye with its outer side and its
 * front to the left.
 */
export interface RoundFace {
  readonly part: RoundPart;
  readonly corners: readonly Vector[];
  /** Share of the wall that is left, of a wall; absent where nobody knows. */
  readonly kept?: number;
  /** Which way it goes when the picture is pulled apart, times how far beside the others: nothing for what stays. */
  readonly out: Vector;
  /** Which way it lies off the wall, of what stays and is no wall. */
  readonly off?: Vector;
}

export const STAYS: Vector = [0, 0, 0];
