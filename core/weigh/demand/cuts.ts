import type { Frame, Member } from '../../frame';
import { cutOf, heldIn, type Braces, type Cut, type Stretch } from './cut';
import type { WallAt } from './demand';

/** Cuts through members, by what their walls rest on; each by its stretch and how its member is held. */
export type KeptCuts = WeakMap<object, Map<string, Cut | undefined>>;

/** The walls of a frame in one state. */
export interface Walls {
  readonly wallAt: WallAt;
  /** What a member's walls rest on: the same object while they are the same walls. */
  readonly wallsOf?: (member: Member) => object | undefined;
}

export type CutAt = (member: Member, stretch: Stretch) => Cut | undefined;

/** Cuts of a frame, held by whichever crossmembers are said to hold it; each is made once, and kept for the next state or the next solve. */
export function cutsIn(
  frame: Frame,
  { wallAt, wallsOf }: Walls,
  kept: KeptCuts = new WeakMap(),
): (braces: Braces) => CutAt {
  const heldAs = heldIn(frame);
  // Walls that nobody names are this call's own.
  const unnamed = new Map(frame.members.map((member) => [member.id, {}]));
  const cutsOf = (member: Member, braces: Braces) => {
    const holdsAt = heldAs(member, braces);
    const walls = wallsOf?.(member) ?? unnamed.get(member.id)!;
    const cuts = kept.get(walls) ?? new Map<string, Cut | undefined>();
    kept.set(walls, cuts);
    return (stretch: Stretch): Cut | undefined => {
      const holds = holdsAt(stretch.stationMm);
      const key = [stretch.stationMm, stretch.halfMm, holds.unbracedMm, holds.mirrored].join(' ');
      if (!cuts.has(key)) {
        const wall = wallAt(member, stretch.stationMm, stretch.halfMm);
        cuts.set(key, wall && cutOf(member, wall, holds));
      }
      return cuts.get(key);
    };
  };
  return (braces) => {
    const all = new Map(frame.members.map((member) => [member.id, cutsOf(member, braces)]));
    return (member, stretch) => all.get(member.id)!(stretch);
  };
}
