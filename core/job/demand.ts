import { faceOf, totalKg, uOnFace, type Frame, type Member } from '../frame';
import {
  frameDemand,
  bearsLoad,
  laidSection,
  leastWall,
  layoutOf,
  weigh,
  type Detail,
  type FrameDemand,
  type MemberPicture,
  type MemberVerdict,
  type WallAt,
} from '../weigh';
import { STATE_IDS, stateSection, type StateId } from '../shape';
import { fingerprint } from './inputs';
import { workJob, type MemberWork } from './member';
import type { JobRecords } from './records';

/** What the frame asks in one state, with the mark of what it was solved from. */
export type StateDemand = FrameDemand & { readonly mark: string };
/** A state of the metal, or *least*: as found with all that is doubtful, hidden or unseen taken away (the removal test). */
export type DemandId = StateId | 'least';
const DEMAND_IDS: readonly DemandId[] = [...STATE_IDS, 'least'];
/**
 * What the frame asks of every member, in each state there is: as built and as found always, least once anything is known of the metal and of
 * what it carries, the others once something is repaired.
 */
export type JobDemand = Partial<Readonly<Record<DemandId, StateDemand>>>;
type Works = ReadonlyMap<string, MemberWork>;

/** States that differ from one another: the repaired ones only where something is repaired. */
const statesOf = (records: JobRecords, works: Works, wanted: readonly DemandId[]): DemandId[] => {
  const all = [...works.values()];
  const repaired = all.some((work) => work.repairs.length > 0);
  const known = totalKg(records.frame) > 0 && all.some((work) => work.picture.account.isKnown);
  return wanted.filter((id) => id === 'as built' || id === 'as found' || (id === 'least' ? known : repaired));
};

/**
 * The whole frame solved on the sections that the members' work found: rust changes stiffness, and where force goes. A state none of whose
 * inputs changed since `before` is taken over as it is.
 */
export function jobDemand(
  records: JobRecords,
  works: Works,
  wanted: readonly DemandId[] = DEMAND_IDS,
  before: JobDemand = {},
): JobDemand {
  return Object.fromEntries(
    statesOf(records, works, wanted).map((state) => {
      const mark = stateMark(records, works, state);
      const known = before[state];
      return [state, known?.mark === mark ? known : { ...solvedState(records, works, state), mark }];
    }),
  );
}

/** Whether a demand still rests on what stands. */
export const isDemandOf = (records: JobRecords, works: Works, demand: JobDemand): boolean =>
  statesOf(records, works, DEMAND_IDS).every(
    (state) => demand[state]?.mark === stateMark(records, works, state),
  );

const solvedState = (records: JobRecords, works: Works, state: DemandId): FrameDemand =>
  frameDemand(
    frameIn(records.frame, state),
    records.practice.loadFactors,
    state === 'least' ? leastWallIn(works, 'as made') : wallIn(works, state),
    state === 'as repaired' ? (member) => plateEnds(works.get(member.id)) : undefined,
  );

/** What one state rests on: the frame with its loads, the factors, and of each member what counts in that state. */
function stateMark(records: JobRecords, works: Works, state: DemandId): string {
  const counts = ({ picture, marks }: MemberWork): string =>
    state === 'as built'
      ? String(picture.built.thicknessMm)
      : state === 'as found' || state === 'least'
        ? marks.metalMark
        : marks.mark;
  const members = records.frame.members.map((member) => {
    const work = works.get(member.id);
    return work ? counts(work) : '';
  });
  return fingerprint([state, JSON.stringify([records.frame, records.practice.loadFactors]), ...members]);
}

/** A plate's ends on a rail: category E, E′ where they are cut square (our reading of AISC 360: no end weld across). */
function plateEnds(work: MemberWork | undefined): Detail[] {
  return (work?.repairs ?? []).flatMap(({ repair }) =>
    repair.pieces.flatMap((piece) => {
      const category =
        piece.taperMm < work!.picture.member.shape.depthMm / 4 ? ('E′' as const) : ('E' as const);
      return [
        { stationMm: piece.startMm, what: `${piece.kind}, front end`, category },
        { stationMm: piece.endMm, what: `${piece.kind}, rear end`, category },
      ];
    }),
  );
}

/** Cut open and tacked, what was taken off no longer weighs. */
function frameIn(frame: Frame, state: DemandId): Frame {
  if (!frame.loads || (state !== 'cut open' && state !== 'tacked')) return frame;
  const off = new Set(frame.loads.takenOff ?? []);
  return {
    ...frame,
    loads: { ...frame.loads, items: frame.loads.items.filter((item) => !off.has(item.id)) },
  };
}

/** Holes count as gone over their whole width within this of their middle: a mesh station seldom stands on one. */
const HOLE_REACH_MM = 80;

export function wallIn(works: ReadonlyMap<string, MemberWork>, wanted: StateId): WallAt {
  return (member, stationMm) => {
    const work = works.get(member.id);
    if (!work) return undefined;
    const state =
      work.states.find((each) => each.id === wanted) ??
      work.states.find((each) => each.id === 'as found') ??
      work.states[0]!;
    const chosen = wanted === 'as built' ? work.states[0]! : state;
    const { surface } = work.picture;
    const wallMm = chosen.wallAt(stationMm).thicknessMm;
    const cuts = holesAt(member, stationMm);
    const change = chosen.changeAt(stationMm);
    const section = cuts.length
      ? laidSection(layoutOf(surface, { cuts: [...change.cuts, ...cuts], plates: change.plates }), wallMm)
      : stateSection(work.picture, chosen, stationMm);
    return { surface, section, wallMm };
  };
}

/** Factory holes of a wall near a station, gone over their whole width. */
const holesAt = (member: Member, stationMm: number) =>
  (member.holes ?? [])
    .filter((hole) => Math.abs(hole.stationMm - stationMm) < HOLE_REACH_MM)
    .flatMap((hole) => {
      const face = faceOf(member.shape, hole.face);
      const u = face && uOnFace(face, hole.heightMm);
      return u === undefined ? [] : [{ uFromMm: u - hole.diameterMm / 2, uToMm: u + hole.diameterMm / 2 }];
    });

/**
 * The wall with all doubtful, hidden and unseen metal taken away. `unknownMembers`: whether members of which nothing at all is on record stand
 * *as made* (their own verdict says what is to be looked at) or are taken *away*, as far as load goes along them.
 */
export function leastWallIn(
  works: ReadonlyMap<string, MemberWork>,
  unknownMembers: 'as made' | 'away',
): WallAt {
  const asFound = wallIn(works, 'as found');
  const walls = new Map<string, (stationMm: number) => Float64Array>();
  return (member, stationMm) => {
    const picture = works.get(member.id)?.picture;
    if (!picture) return undefined;
    if (!picture.account.isKnown && (!bearsLoad(member) || unknownMembers === 'as made'))
      return asFound(member, stationMm);
    const wallOf = walls.get(member.id) ?? leastWall(picture);
    walls.set(member.id, wallOf);
    const wallMm = wallOf(stationMm);
    const layout = layoutOf(picture.surface, { cuts: holesAt(member, stationMm), plates: [] });
    return { surface: picture.surface, section: laidSection(layout, wallMm), wallMm };
  };
}

/** A member's verdict with what the frame asks of it. */
export function verdictWithDemand(picture: MemberPicture, demand: JobDemand): MemberVerdict {
  const of = (state: DemandId) => demand[state]?.members.find((each) => each.memberId === picture.member.id);
  const [found, built, least] = [of('as found'), of('as built'), of('least')];
  return weigh(picture, found && built ? { found, built, ...(least && { least }) } : undefined);
}

/** Every member worked out and judged with what the frame asks of it: what a report prints. */
export function judgedJob(records: JobRecords): MemberWork[] {
  const works = workJob(records);
  const demand = jobDemand(records, new Map(works.map((work) => [work.picture.member.id, work])), [
    'as built',
    'as found',
    'least',
  ]);
  return works.map((work) => ({ ...work, verdict: verdictWithDemand(work.picture, demand) }));
}
