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
  'a break on its path',
  'damage there, not computed',
  'nothing found there yet',
] as const;
export interface Explanation {
  readonly standing: (typeof EXPLANATIONS)[number];
  readonly movement?: ModelMovement;
  /** Measured less what the model moves as found. */
  readonly leftOverMm?: number;
  /** What is broken on its path, by name. */
  readonly broken: readonly string[];
  /** Spots on its members that nobody has seen. */
  readonly unseen: readonly SpotState[];
}

/** Beams are nominal and doors are measured with a thumb: the model's movement explains a measured one up to this much larger (our judgement). */
const GENEROUS = 1.25;

/**
 * Whether what is recorded accounts for what the owner feels. Small cracks found first may be too small for the movement seen: as long as the
 * model on the found sections moves less than was measured, the complaint stays unexplained. `path`: what is on record of its members, doubtful or broken.
 */
export function explain(
  complaint: Complaint,
  movement: ModelMovement | undefined,
  path: { readonly damaged: boolean; readonly broken: readonly string[] },
  states: readonly SpotState[],
): Explanation {
  const unseen = states.filter(
    (state) =>
      !state.seen && state.spot.memberId !== undefined && complaint.memberIds.includes(state.spot.memberId),
  );
  const { broken } = path;
  const recorded = broken.length
    ? ('a break on its path' as const)
    : path.damaged
      ? ('damage there, not computed' as const)
      : undefined;
  if (complaint.movementMm === undefined || !movement)
    return {
      standing: recorded ?? 'nothing found there yet',
      broken,
      unseen,
      ...(movement && { movement }),
    };
  const leftOverMm = complaint.movementMm - movement.foundMm;
  // Never *as made* while something bad on its path is on record: what the model does not show yet may be that.
  if (complaint.movementMm <= GENEROUS * movement.builtMm)
    return {
      standing: recorded ?? 'moves so as made',
      broken,
      movement,
      leftOverMm,
      unseen,
    };
  return {
    standing:
      complaint.movementMm <= GENEROUS * movement.foundMm ? 'accounted for' : 'unexplained, keep looking',
    movement,
    leftOverMm,
    broken,
    unseen,
  };
}
