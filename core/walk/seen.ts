import { twinOf, type Frame, type Member } from '../frame';
import {
  isDoubtful,
  isFailed,
  isOnlyTold,
  LOOK_RESULTS,
  standingLook,
  type Look,
  type LookResult,
  type UnseenWhy,
  type Way,
} from './look';
import { ACTS, leaveTo, type Act, type Leave } from './leave';
import type { HotSpot } from './spot';

/** Why a spot counts as not seen though somebody stood before it. */
export type NotSeenWhy = UnseenWhy | 'not looked at' | 'by eye only' | 'only told';

/** A hot spot and what is known of it. `seen` is about metal, not about taps on a screen. */
export interface SpotState {
  readonly spot: HotSpot;
  /** What stands of all that was said of it. */
  readonly look?: Look;
  /** Looks of after it that do not answer it: it stands all the same. */
  readonly since?: readonly Look[];
  /** What stands of the member and of what hangs on it, where that is not the same: the state itself is the worse of both. */
  readonly ofMember?: SpotState;
  readonly ofFitting?: SpotState;
  readonly seen: boolean;
  readonly why?: NotSeenWhy;
  readonly result?: LookResult;
  /** Seen because it was measured there. */ readonly measured: boolean;
}

/** Where thickness was read or a crack recorded, by member, own stations. */
export type MeasuredAt = ReadonlyMap<string, readonly number[]>;

const ACT_OF: Partial<Record<Way, Act>> = {
  hammer: 'hammer',
  ring: 'hammer',
  pick: 'scrape',
  scope: 'drill',
};
/** A reading this near a spot has seen it; a stretch wants three in it. */
const NEAR_MM = 160;
const READINGS_A_STRETCH = 3;

/** Whether what was found at a spot was put right, or turned out to be no crack, between two looks at it. */
export type Settled = (spot: HotSpot, before: Look, after: Look) => boolean;

export function spotStates(
  spots: readonly HotSpot[],
  looks: readonly Look[],
  leaves: readonly Leave[],
  { measuredAt, settled }: { readonly measuredAt: MeasuredAt; readonly settled: Settled },
): SpotState[] {
  const bySpot = new Map<string, Look[]>();
  for (const look of looks) bySpot.set(look.spotId, [...(bySpot.get(look.spotId) ?? []), look]);
  const refused = new Set(ACTS.filter((act) => leaveTo(leaves, act)?.given === false));
  return spots.map((spot) => {
    const stateBy = (said: readonly Look[]): SpotState => {
      const { look, since } = standingLook(said, (before, after) => settled(spot, before, after));
      const state = stateOf(spot, look, refused, isMeasured(spot, measuredAt));
      return since.length > 0 ? { ...state, since } : state;
    };
    const all = bySpot.get(spot.id) ?? [];
    if (!all.some(({ on }) => on !== undefined)) return stateBy(all);
    return worseOf(
      stateBy(all.filter(({ on }) => on !== 'fitting')),
      stateBy(all.filter(({ on }) => on !== 'member')),
    );
  });
}

/** What is said of the one takes nothing from what was said of the other. */
function worseOf(ofMember: SpotState, ofFitting: SpotState): SpotState {
  if (!ofMember.look || !ofFitting.look) return ofMember.look ? ofMember : ofFitting;
  if (ofMember.look === ofFitting.look) return ofMember;
  const rank = ({ look }: SpotState) => LOOK_RESULTS.indexOf(look!.result);
  return rank(ofFitting) > rank(ofMember) ? { ...ofFitting, ofMember } : { ...ofMember, ofFitting };
}

function stateOf(
  spot: HotSpot,
  look: Look | undefined,
  refused: ReadonlySet<Act>,
  measured: boolean,
): SpotState {
  if (!look)
    return measured ? { spot, seen: true, measured } : { spot, seen: false, why: 'not looked at', measured };
  if (isOnlyTold(look.ways)) return { spot, look, seen: measured, why: 'only told', measured };
  const known = { spot, look, result: look.result, measured };
  // Said not seen stays not seen, whatever was read nearby, until somebody looks.
  if (look.result === 'not seen') return { ...known, seen: false, why: look.why! };
  if (
    isDoubtful(look.result) ||
    spot.needs.length === 0 ||
    look.ways.some((way) => spot.needs.includes(way)) ||
    measured
  )
    return { ...known, seen: true };
  // Looked at from outside only: what rusts from inside was not seen.
  const wasRefused = spot.needs.some((way) => ACT_OF[way] !== undefined && refused.has(ACT_OF[way]!));
  return { ...known, seen: false, why: wasRefused ? 'leave refused' : 'by eye only' };
}

function isMeasured({ memberId, fromMm, toMm }: HotSpot, measuredAt: MeasuredAt): boolean {
  if (memberId === undefined || fromMm === undefined || toMm === undefined) return false;
  const stations = measuredAt.get(memberId) ?? [];
  if (toMm - fromMm < 2 * NEAR_MM) return stations.some((mm) => mm > fromMm - NEAR_MM && mm < toMm + NEAR_MM);
  return stations.filter((mm) => mm >= fromMm && mm <= toMm).length >= READINGS_A_STRETCH;
}

export interface Progress {
  readonly spots: number;
  readonly seen: number;
  readonly critical: number;
  readonly criticalSeen: number;
}
export const progressOf = (states: readonly SpotState[]): Progress => ({
  spots: states.length,
  seen: states.filter((state) => state.seen).length,
  critical: states.filter((state) => state.spot.critical).length,
  criticalSeen: states.filter((state) => state.spot.critical && state.seen).length,
});

/** The next spot that nobody has looked at, from `afterId` on and round again. */
export function nextToLookAt(states: readonly SpotState[], afterId: string | undefined): HotSpot | undefined {
  const start = states.findIndex((state) => state.spot.id === afterId) + 1;
  return [...states.slice(start), ...states.slice(0, start)].find((state) => !state.look && !state.measured)
    ?.spot;
}

/** What a bad spot asks to be looked at next: its twin always, the diagonal one for a crack. Only what is not seen yet. */
export function askedBy(state: SpotState, states: readonly SpotState[]): SpotState[] {
  if (state.result === undefined || !isDoubtful(state.result)) return [];
  const ids = [state.spot.twinId, ...(state.result === 'cracked' ? [state.spot.diagonalId] : [])];
  return ids.flatMap((id) => states.filter((other) => other.spot.id === id && !other.seen));
}

/** What the Walk has found out about one member. */
export interface MemberWalk {
  readonly spots: readonly SpotState[];
  /** Spots of its own not seen while their twin is bad. */
  readonly twinBad: readonly SpotState[];
}

export function memberWalk(frame: Frame, member: Member, states: readonly SpotState[]): MemberWalk {
  const own = states.filter((state) => state.spot.memberId === member.id);
  const byId = new Map(states.map((state) => [state.spot.id, state]));
  const bad = (id: string | undefined) => {
    const result = id === undefined ? undefined : byId.get(id)?.result;
    return (
      result !== undefined &&
      isDoubtful(result) &&
      (isFailed(result) || result === 'delaminating' || result === 'patched before')
    );
  };
  const twin = twinOf(frame, member);
  const twinBad = own.filter(
    (state) =>
      !state.seen &&
      (bad(state.spot.twinId) ||
        (twin !== undefined &&
          bad(state.spot.diagonalId) &&
          byId.get(state.spot.diagonalId!)!.result === 'cracked')),
  );
  return { spots: own, twinBad };
}
