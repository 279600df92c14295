import type { Complaint } from './complaint';
import type { SpotState } from './seen';

/** What the frame model moves where the owner feels it: as it was made, and on the sections found. mm. */
export interface ModelMovement {
  readonly builtMm: number;
  readonly foundMm: number;
  readonly from: string;
}

export const EXPLANATIONS = [
  'accounted for',
  'moves so as made',
  'unexplained, keep looking',
  'damage there, not computed',
  'nothing found there yet',
] as const;
export interface Explanation {
  readonly standing: (typeof EXPLANATIONS)[number];
  readonly movement?: ModelMovement;
  /** Measured less what the model moves as found. */
  readonly leftOverMm?: number;
  /** Spots on its members that nobody has seen. */
  readonly unseen: readonly SpotState[];
}

/** Beams are nominal and doors are measured with a thumb: the model's movement explains a measured one up to this much larger (our judgement). */
const GENEROUS = 1.25;

/**
 * Whether what is recorded accounts for what the owner feels. Small cracks found first may be too small for the movement seen: as long as the
 * model on the found sections moves less than was measured, the complaint stays unexplained. `damaged`: something bad is on record on its members.
 */
export function explain(
  complaint: Complaint,
  movement: ModelMovement | undefined,
  damaged: boolean,
  states: readonly SpotState[],
): Explanation {
  const unseen = states.filter(
    (state) =>
      !state.seen && state.spot.memberId !== undefined && complaint.memberIds.includes(state.spot.memberId),
  );
  if (complaint.movementMm === undefined || !movement)
    return {
      standing: damaged ? 'damage there, not computed' : 'nothing found there yet',
      unseen,
      ...(movement && { movement }),
    };
  const leftOverMm = complaint.movementMm - movement.foundMm;
  // Never *as made* while something bad on its path is on record: what the model does not show yet may be that.
  if (complaint.movementMm <= GENEROUS * movement.builtMm)
    return {
      standing: damaged ? 'damage there, not computed' : 'moves so as made',
      movement,
      leftOverMm,
      unseen,
    };
  return {
    standing:
      complaint.movementMm <= GENEROUS * movement.foundMm ? 'accounted for' : 'unexplained, keep looking',
    movement,
    leftOverMm,
    unseen,
  };
}
