import type { Frame, Member } from '../../frame';
import { cutOf, heldIn, type Braces, type Cut, type Held, type Stretch } from './cut';
import type { StateWall, WallAt } from './demand';

/** Cuts through members, by what their walls rest on; each by its stretch and how its member is held, and by the metal it goes through. */
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
        cuts.set(key, wall && cutThrough(member, wall, holds, cuts));
      }
      return cuts.get(key);
    };
  };
  return (braces) => {
    const all = new Map(frame.members.map((member) => [member.id, cutsOf(member, braces)]));
    return (member, stretch) => all.get(member.id)!(stretch);
  };
}

/** Most of a member is like the rest of it: one cut stands for every stretch of the same metal, held the same way. */
function cutThrough(
  member: Member,
  wall: StateWall,
  holds: Held,
  cuts: Map<string, Cut | undefined>,
): Cut | undefined {
  // What was measured is nowhere quite alike.
  if (wall.leastMm || wall.slot || wall.bends) return cutOf(member, wall, holds);
  const key = `${holds.unbracedMm} ${holds.mirrored} ${metalOf(wall)}`;
  if (!cuts.has(key)) cuts.set(key, cutOf(member, wall, holds));
  return cuts.get(key);
}

/** Every figure of a wall and its section, bit by bit. */
function metalOf({ wallMm, section }: StateWall): string {
  const figures = [wallMm, section.xMm, section.yMm, section.thicknessMm, section.from, section.to];
  const all = new Float64Array(figures.reduce((sum, { length }) => sum + 1 + length, 0));
  let next = 0;
  for (const each of figures) {
    all[next++] = each.length;
    all.set(each, next);
    next += each.length;
  }
  return String.fromCharCode(...new Uint16Array(all.buffer));
}
