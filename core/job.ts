import { faceOf, standing, uOnFace, type Frame, type JobSheet, type Member, type Notice, type Strike, type Unit } from './frame';
import type { Practice } from './reference';
import type { Reading } from './probe';
import type { Crack } from './trace';
import { frameDemand, laidSection, layoutOf, memberPicture, weigh, type Detail, type FrameDemand, type MemberPicture, type MemberVerdict, type WallAt } from './weigh';
import { checkRules, flatPattern, lengthened, memberStates, proposeRepairs, repairPicture, STATE_IDS, stateKept, stateSection, type FlatPattern, type MemberState, type StateId, type Repair, type RepairFinding, type RepairPicture } from './shape';
import { checkJoining, designShearN, joining, strengthNPerMm, type JoinFinding, type Joining } from './join';
import type { SectionKept } from './weigh';

/** A job's records as they were kept: struck evidence is still among them. */
export interface JobRecords {
  readonly frame: Frame;
  readonly practice: Practice;
  readonly readings: readonly Reading[];
  readonly cracks: readonly Crack[];
  readonly strikes: readonly Strike[];
  readonly repairs: readonly Repair[];
  readonly grossMassKg?: number;
}

/** A job's whole file: its unit and sheet beside its records, with the set-up revision a change must name. */
export interface JobFile extends JobRecords { readonly unit: Unit; readonly notices: readonly Notice[]; readonly job: JobSheet; readonly revision: number }

/** A repair worked right through: what it restores, which rules it breaks, its flat patterns and its welds. */
export interface WorkedRepair {
  readonly repair: Repair;
  readonly isProposal: boolean;
  readonly target?: { readonly fromMm: number; readonly toMm: number };
  readonly restored: readonly SectionKept[];
  /** Each piece looked at along its length: where its edges land. */
  readonly pieces: RepairPicture['pieces'];
  readonly findings: readonly RepairFinding[];
  readonly patterns: readonly FlatPattern[];
  readonly joined: Joining;
  readonly joinFindings: readonly JoinFinding[];
}

/** One member, first reading to last weld. */
export interface MemberWork {
  readonly picture: MemberPicture;
  readonly verdict: MemberVerdict;
  readonly repairs: readonly WorkedRepair[];
  readonly states: readonly MemberState[];
  /** The section as repaired along the rail, at the map's columns; empty without repairs. */
  readonly repairedAlong: readonly SectionKept[];
}

/** What stands on one member, seen and judged; nothing planned yet. */
export function weighMember(records: JobRecords, member: Member): { picture: MemberPicture; verdict: MemberVerdict } {
  const picture = memberPicture({
    frame: records.frame, member, practice: records.practice,
    readings: standing(records.readings, records.strikes).filter((reading) => reading.memberId === member.id),
    cracks: standing(records.cracks, records.strikes).filter((crack) => crack.memberId === member.id),
  });
  return { picture, verdict: weigh(picture) };
}

/** What the frame asks of every member, in each state there is: as built and as found always, the others once something is repaired. */
export type JobDemand = Partial<Readonly<Record<StateId, FrameDemand>>>;

/** The whole frame solved on the sections that the members' work found: rust changes stiffness, and where force goes. */
export function jobDemand(records: JobRecords, works: ReadonlyMap<string, MemberWork>, wanted: readonly StateId[] = STATE_IDS): JobDemand {
  const repaired = [...works.values()].some((work) => work.repairs.length > 0);
  const states = wanted.filter((state) => repaired || state === 'as built' || state === 'as found');
  return Object.fromEntries(states.map((state) => [state, frameDemand(frameIn(records.frame, state), records.practice.loadFactors, wallIn(works, state), state === 'as repaired' ? (member) => plateEnds(works.get(member.id)) : undefined)]));
}

/** A plate's ends on a rail: category E, E′ where they are cut square (our reading of AISC 360: no end weld across). */
function plateEnds(work: MemberWork | undefined): Detail[] {
  return (work?.repairs ?? []).flatMap(({ repair }) => repair.pieces.flatMap((piece) => {
    const category = piece.taperMm < work!.picture.member.shape.depthMm / 4 ? 'E′' as const : 'E' as const;
    return [{ stationMm: piece.startMm, what: `${piece.kind}, front end`, category }, { stationMm: piece.endMm, what: `${piece.kind}, rear end`, category }];
  }));
}

/** Cut open and tacked, what was taken off no longer weighs. */
function frameIn(frame: Frame, state: StateId): Frame {
  if (!frame.loads || (state !== 'cut open' && state !== 'tacked')) return frame;
  const off = new Set(frame.loads.takenOff ?? []);
  return { ...frame, loads: { ...frame.loads, items: frame.loads.items.filter((item) => !off.has(item.id)) } };
}

/** Holes count as gone over their whole width within this of their middle: a mesh station seldom stands on one. */
const HOLE_REACH_MM = 80;

function wallIn(works: ReadonlyMap<string, MemberWork>, wanted: StateId): WallAt {
  return (member, stationMm) => {
    const work = works.get(member.id);
    if (!work) return undefined;
    const state = work.states.find((each) => each.id === wanted) ?? work.states.find((each) => each.id === 'as found') ?? work.states[0]!;
    const chosen = wanted === 'as built' ? work.states[0]! : state;
    const { surface } = work.picture;
    const wallMm = chosen.wallAt(stationMm).thicknessMm;
    const cuts = (member.holes ?? []).filter((hole) => Math.abs(hole.stationMm - stationMm) < HOLE_REACH_MM).flatMap((hole) => {
      const face = faceOf(member.shape, hole.face);
      const u = face && uOnFace(face, hole.heightMm);
      return u === undefined ? [] : [{ uFromMm: u - hole.diameterMm / 2, uToMm: u + hole.diameterMm / 2 }];
    });
    const change = chosen.changeAt(stationMm);
    const section = cuts.length ? laidSection(layoutOf(surface, { cuts: [...change.cuts, ...cuts], plates: change.plates }), wallMm) : stateSection(work.picture, chosen, stationMm);
    return { surface, section, wallMm };
  };
}

/** A member's verdict with what the frame asks of it. */
export function verdictWithDemand(picture: MemberPicture, demand: JobDemand): MemberVerdict {
  const of = (state: StateId) => demand[state]?.members.find((each) => each.memberId === picture.member.id);
  const [found, built] = [of('as found'), of('as built')];
  return weigh(picture, found && built ? { found, built } : undefined);
}

/** Every member worked out and judged with what the frame asks of it: what a report prints. */
export function judgedJob(records: JobRecords): MemberWork[] {
  const works = workJob(records);
  const demand = jobDemand(records, new Map(works.map((work) => [work.picture.member.id, work])), ['as built', 'as found']);
  return works.map((work) => ({ ...work, verdict: verdictWithDemand(work.picture, demand) }));
}

export function workMember(records: JobRecords, member: Member): MemberWork {
  const { picture, verdict } = weighMember(records, member);
  const saved = records.repairs.filter((repair) => repair.memberId === member.id);
  const proposals = proposeRepairs(picture, saved).map((proposal) => withRoomForWelds(picture, proposal));
  const repairs = [...saved, ...proposals].sort((a, b) => a.pieces[0]!.startMm - b.pieces[0]!.startMm);
  const states = memberStates(picture, repairs);
  const repaired = states.find((state) => state.id === 'as repaired');
  return {
    picture, verdict, states,
    repairs: repairs.map((repair) => workRepair(repairPicture(picture, repair), proposals.includes(repair), records.grossMassKg)),
    repairedAlong: repaired && picture.map ? [...picture.map.stationsMm].map((stationMm) => stateKept(picture, repaired, stationMm)).filter((kept) => kept !== undefined) : [],
  };
}

function workRepair(context: RepairPicture, isProposal: boolean, grossMassKg: number | undefined): WorkedRepair {
  const { repair, picture } = context;
  const joined = joining(context, grossMassKg === undefined ? undefined : designShearN(grossMassKg));
  return {
    repair, isProposal,
    ...(context.target && { target: context.target }),
    restored: context.restored,
    pieces: context.pieces,
    findings: checkRules(context),
    patterns: repair.pieces.map((piece) => flatPattern(picture.member, repair, piece, picture.practice)),
    joined,
    joinFindings: checkJoining(context, joined),
  };
}

/** The way back: a proposed plate whose end welds cannot take its force is made longer there until they can, three times at most. */
function withRoomForWelds(picture: MemberPicture, proposal: Repair): Repair {
  let repair = proposal;
  for (let round = 0; round < 3; round++) {
    const { ends, lines } = joining(repairPicture(picture, repair), undefined);
    const short = ends.filter((end) => end.capacityN < end.forceN);
    if (short.length === 0) return repair;
    for (const end of short) {
      const perMm = lines.filter((line) => line.pieceId === end.pieceId && line.place === 'upper edge').reduce((sum, line) => sum + strengthNPerMm(line), 0);
      repair = perMm > 0 ? lengthened(picture, repair, end.pieceId, end.end, (end.forceN - end.capacityN) / perMm) : repair;
    }
  }
  return repair;
}

/** Every member of the job. Members without evidence are cheap: they have no map. */
export const workJob = (records: JobRecords): MemberWork[] => records.frame.members.map((member) => workMember(records, member));
