import { carriedBy, type Carried, type Frame } from '../frame';
import { isDoubtful, isFailed, type LookResult, type SpotState } from '../walk';
import type { Verdict } from './finding';

/** A bracket, hanger or mount found bad by itself: what is to be done with it, and what falls or steers if it lets go. */
export interface FittingVerdict {
  readonly id: string;
  readonly name: string;
  readonly memberId: string;
  /** The member's own station. */
  readonly stationMm: number;
  readonly result: LookResult;
  readonly verdict: Extract<Verdict, 'Watch' | 'Renew'>;
  readonly carries: readonly Carried[];
}

/** Fittings somebody looked at and found bad; what was said of the member they hang on is the member's. */
export function fittingVerdicts(frame: Frame, states: readonly SpotState[]): FittingVerdict[] {
  return states.flatMap(({ spot, look, result }) => {
    if (!spot.fittingId || !spot.memberId || look?.on !== 'fitting') return [];
    if (result === undefined || !isDoubtful(result)) return [];
    const mark = frame.landmarks.find(({ id }) => id === spot.fittingId);
    return [
      {
        id: spot.id,
        name: spot.title,
        memberId: spot.memberId,
        stationMm: spot.fromMm ?? 0,
        result,
        verdict: isFailed(result) ? ('Renew' as const) : ('Watch' as const),
        carries: mark ? carriedBy(mark) : [],
      },
    ];
  });
}
