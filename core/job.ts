import { standing, type Frame, type JobSheet, type Member, type Notice, type Strike, type Unit } from './frame';
import type { Practice } from './reference';
import type { Reading } from './probe';
import type { Crack } from './trace';
import { memberPicture, weigh, type MemberPicture, type MemberVerdict } from './weigh';
import { checkRules, flatPattern, lengthened, memberStates, proposeRepairs, repairPicture, stateKept, type FlatPattern, type MemberState, type Repair, type RepairFinding, type RepairPicture } from './shape';
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
