import type { Frame, Member } from '../../frame';
import { cutOf, heldIn, type Braces, type Cut, type Held, type Stretch } from './cut';
import type { StateWall, WallAt } from './demand';

/** Cuts through members, by what their walls rest on; each by its stretch and how its member is held, and by the metal it goes through. */
export type KeptCuts = WeakMap<object, CutsOf>;

/** Cuts through one member's walls: by stretch, and one of every metal that any of them goes through. */
interface CutsOf {
  readonly byStretch: Map<string, Cut | undefined>;
  readonly alike: AlikeCut[];
}
interface AlikeCut {
  readonly wall: StateWall;
  readonly holds: Held;
  readonly cut: Cut | undefined;
}

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
    const cuts = kept.get(walls) ?? { byStretch: new Map<string, Cut | undefined>(), alike: [] };
    kept.set(walls, cuts);
    const { byStretch } = cuts;
    return (stretch: Stretch): Cut | undefined => {
      const holds = holdsAt(stretch.stationMm);
      const key = [stretch.stationMm, stretch.halfMm, holds.unbracedMm, holds.mirrored].join(' ');
      if (!byStretch.has(key)) {
        const wall = wallAt(member, stretch.stationMm, stretch.halfMm);
        byStretch.set(key, wall && cutThrough(member, wall, holds, cuts.alike));
      }
      return byStretch.get(key);
    };
  };
  return (braces) => {
    const all = new Map(frame.members.map((member) => [member.id, cutsOf(member, braces)]));
    return (member, stretch) => all.get(member.id)!(stretch);
  };
}

/** Most of a member is like the rest of it: one cut stands for every stretch of the same metal, held the same way. */
function cutThrough(member: Member, wall: StateWall, holds: Held, alike: AlikeCut[]): Cut | undefined {
  // What was measured is nowhere quite alike.
  if (wall.leastMm || wall.slot || wall.bends) return cutOf(member, wall, holds);
  const known = alike.find((each) => isHeldAlike(each.holds, holds) && isSameMetal(each.wall, wall));
  if (known) return known.cut;
  const cut = cutOf(member, wall, holds);
  alike.push({ wall, holds, cut });
  return cut;
}

const isHeldAlike = (one: Held, other: Held): boolean =>
  one.unbracedMm === other.unbracedMm && one.mirrored === other.mirrored;

/** Every figure of a wall and its section. */
const isSameMetal = (one: StateWall, other: StateWall): boolean =>
  one.surface === other.surface &&
  isSame(one.wallMm, other.wallMm) &&
  SECTION_FIGURES.every((of) => isSame(one.section[of], other.section[of]));

const SECTION_FIGURES = ['thicknessMm', 'xMm', 'yMm', 'from', 'to'] as const;

const isSame = (one: ArrayLike<number>, other: ArrayLike<number>): boolean => {
  if (one === other) return true;
  if (one.length !== other.length) return false;
  for (let k = 0; k < one.length; k++) if (one[k] !== other[k]) return false;
  return true;
};
