import { ALL_HOLDS, faceOf, uOnFace, type Holds, type Member } from '../frame';
import { columnsUnder, isAnyBad, slackenedWall, slotsOf, type Slot } from '../metal';
import {
  bearsLoad,
  braces,
  laidSection,
  leastWall,
  layoutOf,
  type FrameState,
  type HostVerdict,
  type MemberPicture,
  type StateWall,
  type Walls,
} from '../weigh';
import { stateSection, type MemberState, type StateId } from '../shape';
import type { MemberWork } from './member';

export type Works = ReadonlyMap<string, MemberWork>;

/** What a state of the frame consists of, beside the frame itself. */
type StateOf = Walls & Pick<FrameState, 'holds' | 'braces' | 'isUnseen'>;

/** As found: holes, cracks and soft metal in its walls, joints that let go, crossmembers that hold nothing any more. */
export const foundState = (works: Works, hosts: readonly HostVerdict[]): StateOf => ({
  ...wallIn(works, 'as found'),
  ...whatHolds(works, hosts),
});

/** As found with all that is doubtful, hidden or unseen taken away. */
export const leastState = (
  works: Works,
  hosts: readonly HostVerdict[],
  unknownMembers: 'as made' | 'away',
): StateOf => ({ ...leastWallIn(works, unknownMembers), ...whatHolds(works, hosts) });

/**
 * Joints that carry nothing are let go; crossmembers found bad brace nothing. Brackets hold here: a broken one is renewed for itself, and does not
 * condemn the sound rail that it hung on.
 */
function whatHolds(works: Works, hosts: readonly HostVerdict[]): Required<Omit<StateOf, keyof Walls>> {
  const failed = new Set(
    hosts.filter(({ carriesNothing }) => carriesNothing).map(({ on, id }) => `${on} ${id}`),
  );
  const holds: Holds = {
    ...ALL_HOLDS,
    joint: ({ id }, end) => !failed.has(`joint ${id} ${end}`),
    floor: !hosts.some(({ kind, carriesNothing }) => kind === 'floor' && carriesNothing),
  };
  return {
    holds,
    isUnseen: ({ id }) => works.get(id)?.picture.account.isKnown === false,
    braces: (crossmember) => {
      const work = works.get(crossmember.id);
      const isJoined = holds.joint(crossmember, 'start') && holds.joint(crossmember, 'end');
      return isJoined && (!work || braces(work.picture));
    },
  };
}

/** How it moves with its broken brackets let go as well; undefined where none is. */
export function withoutBroken(state: FrameState, hosts: readonly HostVerdict[]): FrameState | undefined {
  const broken = new Set(
    hosts.flatMap(({ on, id, carriesNothing }) => (on === 'fitting' && carriesNothing ? [id] : [])),
  );
  if (broken.size === 0) return undefined;
  const holds = state.holds ?? ALL_HOLDS;
  return { ...state, holds: { ...holds, fitting: ({ id }, side) => !broken.has(`${id} ${side}`) } };
}

/**
 * The same with every joint, floor and member that was found to have let go as it was made; undefined where none did. What let go spares what it held, and
 * only until it is mended.
 */
export function withLostWhole(
  state: FrameState,
  works: Works,
  hosts: readonly HostVerdict[],
): FrameState | undefined {
  const isAnyLost = hosts.some(
    ({ on, kind, carriesNothing }) => carriesNothing && (on === 'joint' || kind === 'floor'),
  );
  const lost = new Set([...works].filter(([, { picture }]) => hasLetGo(picture)).map(([id]) => id));
  if (!isAnyLost && lost.size === 0) return undefined;
  const { joint, floor } = ALL_HOLDS;
  const made = wallIn(works, 'as built');
  const wallsOf = ({ id }: Member): Required<Walls> | FrameState => (lost.has(id) ? made : state);
  return {
    ...state,
    holds: { ...(state.holds ?? ALL_HOLDS), joint, floor },
    wallAt: (member, stationMm, halfMm) => wallsOf(member).wallAt(member, stationMm, halfMm),
    wallsOf: (member) => wallsOf(member).wallsOf?.(member),
  };
}

/** Metal of it is surely missing, as things stand. */
const hasLetGo = ({ partedAtMm, account }: MemberPicture): boolean =>
  partedAtMm.length > 0 || isAnyBad(account);

/**
 * As repaired: plates on what is planned. What was found of joints and crossmembers still holds: a crossmember found bad braces nothing until its own
 * repair is planned, or it is to be renewed.
 */
export function repairedState(
  works: Works,
  hosts: readonly HostVerdict[],
  renewed: ReadonlySet<string>,
): StateOf {
  const found = whatHolds(works, hosts);
  const isPlanned = ({ id }: Member) => renewed.has(id) || (works.get(id)?.repairs.length ?? 0) > 0;
  const [repaired, made] = [wallIn(works, 'as repaired'), wallIn(works, 'as built')];
  const joint: Holds['joint'] = (member, end) => renewed.has(member.id) || found.holds.joint(member, end);
  return {
    // What is renewed is at least as strong as the old one was made, and counts as that.
    wallAt: (member, stationMm, halfMm) =>
      (renewed.has(member.id) ? made : repaired).wallAt(member, stationMm, halfMm),
    wallsOf: (member) => (renewed.has(member.id) ? made : repaired).wallsOf(member),
    ...found,
    holds: { ...found.holds, joint },
    braces: (crossmember) => isPlanned(crossmember) || found.braces(crossmember),
  };
}

/** The walls of one state, over a stretch: where its section is weakest, and how it bends as a whole. */
export function wallIn(works: Works, wanted: StateId): Required<Walls> {
  const known = new Map<string, Weakened>();
  const weakenedIn = (member: Member, { picture: { account } }: MemberWork, state: StateId): Weakened => {
    if (state !== 'as found') return NOT_WEAKENED;
    const weakened = known.get(member.id) ?? { slackAt: slackenedWall(account), slots: slotsOf(account) };
    known.set(member.id, weakened);
    return weakened;
  };
  const stateOf = ({ id }: Member) => {
    const work = works.get(id);
    return work && stateNamed(work, wanted);
  };
  return {
    wallsOf: stateOf,
    wallAt: (member, stationMm, halfMm) => {
      const work = works.get(member.id);
      const state = stateOf(member);
      if (!work || !state) return undefined;
      if (state.id === 'as built') return builtStretch(member, work, state, stationMm, halfMm);
      return foundStretch(member, work, state, { stationMm, halfMm, ...weakenedIn(member, work, state.id) });
    },
  };
}

/** What weakens a member beyond the section of a station: slack metal round cuts, openings in its web. */
interface Weakened {
  readonly slackAt: (stationMm: number) => Float64Array | undefined;
  readonly slots: readonly Slot[];
}
const NOT_WEAKENED: Weakened = { slackAt: () => undefined, slots: [] };

const stateNamed = ({ states }: MemberWork, wanted: StateId): MemberState =>
  wanted === 'as built'
    ? states[0]!
    : (states.find(({ id }) => id === wanted) ?? states.find(({ id }) => id === 'as found') ?? states[0]!);

/** The wall as made with the maker's holes in it. */
function builtStretch(
  member: Member,
  work: MemberWork,
  state: MemberState,
  stationMm: number,
  halfMm: number,
): StateWall {
  const { surface } = work.picture;
  const wallMm = state.wallAt(stationMm).thicknessMm;
  const cuts = holesIn(member, stationMm, halfMm);
  const section =
    cuts.length === 0
      ? stateSection(work.picture, state, stationMm)
      : laidSection(layoutOf(surface, { cuts, plates: [] }), wallMm);
  return { surface, section, wallMm };
}

interface Stretch extends Weakened {
  readonly stationMm: number;
  readonly halfMm: number;
}

function foundStretch(
  member: Member,
  { picture }: MemberWork,
  state: MemberState,
  { stationMm, halfMm, slackAt, slots }: Stretch,
): StateWall {
  const { surface, account } = picture;
  const places = columnsWithin(account.stationsMm, stationMm, halfMm);
  const walls = places.map((mm) => state.wallAt(mm).thicknessMm);
  const weakest = weakestOf(surface, walls);
  const holes = holesIn(member, stationMm, halfMm);
  const lay = (mm: number, wallMm: Float64Array, cuts: typeof holes) => {
    if (cuts.length === 0) return laidSection(state.layoutAt(mm), wallMm);
    const change = state.changeAt(mm);
    return laidSection(layoutOf(surface, { cuts: [...change.cuts, ...cuts], plates: change.plates }), wallMm);
  };
  const slackPlaces = finely(stationMm, halfMm).map((mm) => ({ mm, wallMm: slackAt(mm) }));
  const isSlack = slackPlaces.some(({ wallMm }) => wallMm !== undefined);
  return {
    surface,
    section: lay(places[weakest]!, walls[weakest]!, holes),
    wallMm: walls[weakest]!,
    leastMm: leastOf(walls),
    ...slotThrough(slots, stationMm),
    bends: {
      // A hole is short: it weakens and hardly softens.
      whole: lay(stationMm, meanOf(walls), []),
      inRow: isSlack
        ? slackPlaces.map(({ mm, wallMm }) => lay(mm, wallMm ?? state.wallAt(mm).thicknessMm, []))
        : [],
    },
  };
}

/** Columns of the account within a stretch, and its middle. */
function columnsWithin(stationsMm: Float64Array, stationMm: number, halfMm: number): number[] {
  const [from, to] = columnsUnder(stationsMm, stationMm - halfMm, stationMm + halfMm);
  const within = Array.from(stationsMm.subarray(from, to + 1)).filter(
    (mm) => Math.abs(mm - stationMm) <= halfMm + 1e-6,
  );
  return [...within, stationMm];
}

/** A wedge of slack metal is met in steps this long, mm. */
const SLACK_STEP_MM = 25;
function finely(stationMm: number, halfMm: number): number[] {
  const steps = Math.max(1, Math.ceil((2 * halfMm) / SLACK_STEP_MM));
  return Array.from({ length: steps }, (_, k) => stationMm - halfMm + ((k + 0.5) * 2 * halfMm) / steps);
}

/** Which wall stands least round its middle: metal counts by how far out it is. */
function weakestOf({ midline, edgeUMm }: StateWall['surface'], walls: readonly Float64Array[]): number {
  const out = (strip: number) => {
    const [i, j] = [midline.from[strip]!, midline.to[strip]!];
    return [(midline.xMm[i]! + midline.xMm[j]!) / 2, (midline.yMm[i]! + midline.yMm[j]!) / 2] as const;
  };
  const rows = Array.from(walls[0]!, (_, row) => row);
  const [x, y] = [0, 1].map((axis) => rows.reduce((sum, row) => sum + out(row)[axis]!, 0) / rows.length) as [
    number,
    number,
  ];
  const stands = walls.map((wall) =>
    rows.reduce((sum, row) => {
      const [rowX, rowY] = out(row);
      const wideMm = edgeUMm[row + 1]! - edgeUMm[row]!;
      return sum + wall[row]! * wideMm * ((rowX - x) ** 2 + (rowY - y) ** 2);
    }, 0),
  );
  return stands.indexOf(Math.min(...stands));
}

const leastOf = (walls: readonly Float64Array[]): Float64Array =>
  walls[0]!.map((_, row) => Math.min(...walls.map((wall) => wall[row]!)));

function slotThrough(slots: readonly Slot[], stationMm: number): Pick<StateWall, 'slot'> {
  const slot = slots.find(({ fromMm, toMm }) => stationMm >= fromMm && stationMm <= toMm);
  return slot ? { slot: { longMm: slot.toMm - slot.fromMm, fromRow: slot.fromRow, toRow: slot.toRow } } : {};
}

/** Row by row, the mean of what metal there is: a crack by itself takes none away. */
function meanOf(walls: readonly Float64Array[]): Float64Array {
  return walls[0]!.map((_, row) => {
    const there = walls.map((wall) => wall[row]!).filter((mm) => mm > 0);
    return there.length === 0 ? 0 : there.reduce((sum, mm) => sum + mm, 0) / there.length;
  });
}

/** The maker's holes whose middle lies in a stretch, gone over their whole width. */
const holesIn = (member: Member, stationMm: number, halfMm: number) =>
  (member.holes ?? [])
    .filter((hole) => Math.abs(hole.stationMm - stationMm) <= halfMm)
    .flatMap((hole) => {
      const face = faceOf(member.shape, hole.face);
      const u = face && uOnFace(face, hole.heightMm);
      return u === undefined ? [] : [{ uFromMm: u - hole.diameterMm / 2, uToMm: u + hole.diameterMm / 2 }];
    });

/**
 * The wall with all doubtful, hidden and unseen metal taken away. `unknownMembers`: whether members of which nothing at all is on record stand
 * *as made* (their own verdict says what is to be looked at) or are taken *away*, as far as load goes along them.
 */
function leastWallIn(works: Works, unknownMembers: 'as made' | 'away'): Walls {
  const asFound = wallIn(works, 'as found');
  const walls = new Map<string, (stationMm: number) => Float64Array>();
  const pictureOf = (member: Member) => {
    const picture = works.get(member.id)?.picture;
    const isTakenAway = picture?.account.isKnown || (bearsLoad(member) && unknownMembers === 'away');
    return isTakenAway ? picture : undefined;
  };
  const wallAt: Walls['wallAt'] = (member, stationMm, halfMm) => {
    const picture = pictureOf(member);
    if (!picture) return asFound.wallAt(member, stationMm, halfMm);
    const wallOf = walls.get(member.id) ?? leastWall(picture);
    walls.set(member.id, wallOf);
    const { surface, account } = picture;
    const least = columnsWithin(account.stationsMm, stationMm, halfMm).map(wallOf);
    const wallMm = least[weakestOf(surface, least)]!;
    const layout = layoutOf(surface, { cuts: holesIn(member, stationMm, halfMm), plates: [] });
    return { surface, section: laidSection(layout, wallMm), wallMm };
  };
  return { wallAt, wallsOf: (member) => pictureOf(member) ?? asFound.wallsOf(member) };
}
