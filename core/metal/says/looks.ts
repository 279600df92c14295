import type { HandPractice } from '../../reference';
import { facesOf, type MemberShape } from '../../frame';
import { isDoubtful, isOnlyTold, type LookResult, type MendedBefore, type SpotState } from '../../walk';
import type { KnownBy, Saying } from '../saying';

/**
 * What is known of a hot spot's metal. A result is of the place it was looked at: failed metal is taken to be where rust goes first, on the face
 * the spot is of, else underneath (all round where the section has no underside), until somebody says better; the rest of the extent is doubtful then. Metal looked at by eye and nothing wrong
 * found is seen, on every outer face; tapped, it is held: on the spot's own face, or all round where it is of none.
 */
export function lookSays(
  found: SpotState,
  shape: MemberShape,
  practice: HandPractice,
  mended: readonly MendedBefore[] = [],
): Saying[] {
  const state = found.ofMember ?? found;
  const { spot, result, look } = state;
  if (spot.memberId === undefined || spot.fromMm === undefined || spot.toMm === undefined) return [];
  const isPlace = spot.toMm - spot.fromMm < 1;
  const about = {
    recordId: look?.id ?? spot.id,
    where: spot.title,
    ...(look && { at: look.at }),
    fromMm: spot.fromMm - (isPlace ? practice.tapReachMm : 0),
    toMm: spot.toMm + (isPlace ? practice.tapReachMm : 0),
  };
  const face = spot.face ?? facesOf(shape).find(({ id }) => id === 'bottom')?.id;
  const told = look && isOnlyTold(look.ways) && look.result !== 'not seen' && isDoubtful(look.result);
  const hearsay: Saying[] = told ? [{ ...about, claim: 'doubtful', by: 'told', what: look.result }] : [];
  if (!state.seen) {
    const isSaid = result === 'not seen';
    const what = state.why ?? 'not looked at';
    return [{ ...about, claim: 'unseen', by: 'seen', what, ...(isSaid && { isSaid }) }, ...hearsay];
  }
  if (!look || result === undefined || result === 'not seen') return hearsay;
  // Said of what hangs there, the member beside it was in sight and nothing was said of it.
  const ofBeside = look.on === 'fitting' && isDoubtful(result) ? 'surface rust' : result;
  // The shop's own repair, closed and looked at, is as made: the patch it is asks nothing.
  const ofMember = ofBeside === 'patched before' && isOwnRepair(state, mended) ? 'surface rust' : ofBeside;
  return claimsOf(ofMember, tapped(state), spot.face !== undefined).map((claim) => ({
    ...about,
    what: ofMember,
    by: tapped(state) ? 'struck' : 'seen',
    ...claim,
    ...(claim.on === 'worst face' && face && { face }),
    ...(claim.claim === 'held' && { keptLow: practice.struckKept }),
  }));
}

/** Whether all of a spot lies in what an earlier job of this unit renewed or plated before it was looked at. */
const isOwnRepair = ({ spot, look }: SpotState, mended: readonly MendedBefore[]): boolean =>
  mended.some(({ fromMm, toMm, at }) => at < look!.at && fromMm <= spot.fromMm! && toMm >= spot.toMm!);

/** A tap on what hangs there is none on the member. */
const tapped = ({ look }: SpotState): boolean =>
  look !== undefined && look.on !== 'fitting' && look.ways.some((way) => way === 'hammer' || way === 'ring');

interface Word {
  readonly claim: Saying['claim'];
  readonly on: 'worst face' | 'whole section';
  readonly unlocated?: boolean;
  readonly by?: KnownBy;
}

/** The worst of it first underneath, then the rest of the section: what is said last holds where nothing worse was. */
function claimsOf(result: Exclude<LookResult, 'not seen'>, isTapped: boolean, isOneFace: boolean): Word[] {
  const rest: Word = { claim: 'doubtful', on: 'whole section' };
  switch (result) {
    case 'sound':
    case 'surface rust':
      return isTapped
        ? [
            { claim: 'seen', on: 'whole section', by: 'seen' },
            { claim: 'held', on: isOneFace ? 'worst face' : 'whole section' },
          ]
        : [{ claim: 'seen', on: 'whole section' }];
    case 'scaling':
    case 'pitted':
      return [
        { claim: 'seen', on: 'whole section', by: 'seen' },
        { claim: 'doubtful', on: 'worst face' },
      ];
    case 'delaminating':
    case 'patched before':
      return [rest];
    case 'soft':
    case 'through':
      return [rest, { claim: 'gone', on: 'worst face', unlocated: true }];
    case 'cracked':
      return [rest, { claim: 'parted', on: 'worst face', unlocated: true }];
    default:
      return result satisfies never;
  }
}
