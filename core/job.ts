import {
  axlesOf,
  faceOf,
  standing,
  totalKg,
  uOnFace,
  type Frame,
  type JobSheet,
  type Member,
  type Notice,
  type Strike,
  type Unit,
} from './frame';
import { STANDARD_GRAVITY } from './quantity';
import type { Practice } from './reference';
import { feltEdgesOf, type Reading, type SurveyRecord } from './probe';
import { crackExtent, type Crack } from './trace';
import {
  candidateStations,
  explain,
  hotSpots,
  insteadOf,
  isDoubtful,
  liftAnswer,
  liftReasons,
  liftSteps,
  memberWalk,
  ofKind,
  signWeight,
  spotStates,
  takesPoints,
  TRADE_SPOTS,
  type Complaint,
  type Explanation,
  type Instead,
  type LiftAnswer,
  type LiftEvidence,
  type LiftFacts,
  type LiftPlan,
  type LiftReason,
  type LiftStep,
  type MeasuredAt,
  type SpotRule,
  type SpotState,
  type WalkRecord,
} from './walk';
import {
  buyersLook,
  frameDemand,
  laidSection,
  layoutOf,
  memberPicture,
  modelMovement,
  preparedLift,
  weigh,
  type BuyersLook,
  type Detail,
  type FrameDemand,
  type MemberPicture,
  type MemberVerdict,
  type WallAt,
} from './weigh';
import {
  checkRules,
  flatPattern,
  lengthened,
  memberStates,
  proposeRepairs,
  repairPicture,
  STATE_IDS,
  stateKept,
  stateSection,
  type FlatPattern,
  type MemberState,
  type StateId,
  type Repair,
  type RepairFinding,
  type RepairPicture,
} from './shape';
import { checkJoining, designShearN, joining, strengthNPerMm, type JoinFinding, type Joining } from './join';
import type { SectionKept } from './weigh';

/** A job's records as they were kept: struck evidence is still among them. */
export interface JobRecords {
  readonly frame: Frame;
  readonly practice: Practice;
  readonly readings: readonly Reading[];
  readonly cracks: readonly Crack[];
  readonly walk: readonly WalkRecord[];
  /** Felt edges and calibrations. */
  readonly survey: readonly SurveyRecord[];
  /** What to look at, as the shop has it; the trade's own list where nothing is said. */
  readonly spotRules?: readonly SpotRule[];
  readonly strikes: readonly Strike[];
  readonly repairs: readonly Repair[];
  readonly grossMassKg?: number;
}

/** A job's whole file: its unit and sheet beside its records, with the set-up revision a change must name. */
export interface JobFile extends JobRecords {
  readonly unit: Unit;
  readonly notices: readonly Notice[];
  readonly job: JobSheet;
  readonly revision: number;
  readonly closed: boolean;
}

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
export function weighMember(
  records: JobRecords,
  member: Member,
): { picture: MemberPicture; verdict: MemberVerdict } {
  const picture = memberPicture({
    frame: records.frame,
    member,
    practice: records.practice,
    readings: standing(records.readings, records.strikes).filter((reading) => reading.memberId === member.id),
    cracks: standing(records.cracks, records.strikes).filter((crack) => crack.memberId === member.id),
    walk: memberWalk(records.frame, member, jobSpots(records)),
    signs: ofKind(standing(records.walk, records.strikes), 'sign').filter(
      (sign) => sign.memberId === member.id,
    ),
    feltEdges: feltEdgesOf(standing(records.survey, records.strikes)).filter(
      (felt) => felt.memberId === member.id,
    ),
  });
  return { picture, verdict: weigh(picture) };
}

/** What the frame asks of every member, in each state there is: as built and as found always, the others once something is repaired. */
export type JobDemand = Partial<Readonly<Record<StateId, FrameDemand>>>;

/** The whole frame solved on the sections that the members' work found: rust changes stiffness, and where force goes. */
export function jobDemand(
  records: JobRecords,
  works: ReadonlyMap<string, MemberWork>,
  wanted: readonly StateId[] = STATE_IDS,
): JobDemand {
  const repaired = [...works.values()].some((work) => work.repairs.length > 0);
  const states = wanted.filter((state) => repaired || state === 'as built' || state === 'as found');
  return Object.fromEntries(
    states.map((state) => [
      state,
      frameDemand(
        frameIn(records.frame, state),
        records.practice.loadFactors,
        wallIn(works, state),
        state === 'as repaired' ? (member) => plateEnds(works.get(member.id)) : undefined,
      ),
    ]),
  );
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
function frameIn(frame: Frame, state: StateId): Frame {
  if (!frame.loads || (state !== 'cut open' && state !== 'tacked')) return frame;
  const off = new Set(frame.loads.takenOff ?? []);
  return {
    ...frame,
    loads: { ...frame.loads, items: frame.loads.items.filter((item) => !off.has(item.id)) },
  };
}

/** Holes count as gone over their whole width within this of their middle: a mesh station seldom stands on one. */
const HOLE_REACH_MM = 80;

function wallIn(works: ReadonlyMap<string, MemberWork>, wanted: StateId): WallAt {
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
    const cuts = (member.holes ?? [])
      .filter((hole) => Math.abs(hole.stationMm - stationMm) < HOLE_REACH_MM)
      .flatMap((hole) => {
        const face = faceOf(member.shape, hole.face);
        const u = face && uOnFace(face, hole.heightMm);
        return u === undefined ? [] : [{ uFromMm: u - hole.diameterMm / 2, uToMm: u + hole.diameterMm / 2 }];
      });
    const change = chosen.changeAt(stationMm);
    const section = cuts.length
      ? laidSection(layoutOf(surface, { cuts: [...change.cuts, ...cuts], plates: change.plates }), wallMm)
      : stateSection(work.picture, chosen, stationMm);
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
  const demand = jobDemand(records, new Map(works.map((work) => [work.picture.member.id, work])), [
    'as built',
    'as found',
  ]);
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
    picture,
    verdict,
    states,
    repairs: repairs.map((repair) =>
      workRepair(repairPicture(picture, repair), proposals.includes(repair), records.grossMassKg),
    ),
    repairedAlong:
      repaired && picture.map
        ? [...picture.map.stationsMm]
            .map((stationMm) => stateKept(picture, repaired, stationMm))
            .filter((kept) => kept !== undefined)
        : [],
  };
}

function workRepair(
  context: RepairPicture,
  isProposal: boolean,
  grossMassKg: number | undefined,
): WorkedRepair {
  const { repair, picture } = context;
  const joined = joining(context, grossMassKg === undefined ? undefined : designShearN(grossMassKg));
  return {
    repair,
    isProposal,
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
      const perMm = lines
        .filter((line) => line.pieceId === end.pieceId && line.place === 'upper edge')
        .reduce((sum, line) => sum + strengthNPerMm(line), 0);
      repair =
        perMm > 0
          ? lengthened(picture, repair, end.pieceId, end.end, (end.forceN - end.capacityN) / perMm)
          : repair;
    }
  }
  return repair;
}

/** Every member of the job. Members without evidence are cheap: they have no map. */
export const workJob = (records: JobRecords): MemberWork[] =>
  records.frame.members.map((member) => workMember(records, member));

// ——— the Walk: what was seen, and whether it may be raised ———

/** Every hot spot of the job's frame with what is known of it; body items too where somebody looks before buying. */
export function jobSpots(records: JobRecords, beforeBuying = false): SpotState[] {
  const walk = standing(records.walk, records.strikes);
  return spotStates(
    hotSpots(records.frame, records.spotRules ?? TRADE_SPOTS, beforeBuying),
    ofKind(walk, 'look'),
    ofKind(walk, 'leave'),
    measuredAt(records),
  );
}

function measuredAt({ readings, cracks, strikes }: JobRecords): MeasuredAt {
  const at = new Map<string, number[]>();
  for (const reading of standing(readings, strikes))
    at.set(reading.memberId, [...(at.get(reading.memberId) ?? []), reading.stationMm]);
  for (const crack of standing(cracks, strikes))
    at.set(crack.memberId, [...(at.get(crack.memberId) ?? []), crack.path[0]!.stationMm]);
  return at;
}

function liftEvidence(records: JobRecords, notices: readonly Notice[]): LiftEvidence {
  const shapes = new Map(records.frame.members.map((member) => [member.id, member.shape]));
  const kept = (reading: Reading) =>
    reading.thicknessMm /
    (faceOf(shapes.get(reading.memberId)!, reading.face)?.wallMm ??
      shapes.get(reading.memberId)!.thicknessMm);
  return {
    frame: records.frame,
    spots: jobSpots(records),
    signs: ofKind(standing(records.walk, records.strikes), 'sign'),
    readings: standing(records.readings, records.strikes)
      .filter((reading) => shapes.has(reading.memberId))
      .map((reading) => ({ memberId: reading.memberId, stationMm: reading.stationMm, kept: kept(reading) })),
    cracks: standing(records.cracks, records.strikes).map((crack) => ({
      memberId: crack.memberId,
      ...crackExtent(crack),
    })),
    notices: notices.map((notice) => notice.words),
    reachMm: records.practice.walk.reachMm,
  };
}

/** Changes whenever evidence does that a lift rests on: an answer given on another basis is asked again. */
export function liftBasis(
  records: JobRecords & { readonly revision?: number },
  notices: readonly Notice[],
): string {
  const evidence = records.walk.filter(
    (record) => record.kind === 'look' || record.kind === 'sign' || record.kind === 'leave',
  );
  return [
    records.revision ?? 0,
    records.readings.length,
    records.cracks.length,
    evidence.length,
    records.strikes.length,
    notices.length,
  ].join(' ');
}

export interface LiftReply {
  readonly answer: LiftAnswer;
  readonly reasons: readonly LiftReason[];
  readonly facts: LiftFacts;
  readonly steps: readonly LiftStep[];
  readonly instead: readonly Instead[];
  readonly better: readonly {
    readonly plan: LiftPlan;
    readonly unknowns: number;
    readonly utilisation: number;
  }[];
}

/** Whether the unit may be raised so, by what is on record and by the frame model on the sections found; and where it had better be. */
export function askLift(
  records: JobRecords,
  notices: readonly Notice[],
  works: ReadonlyMap<string, MemberWork>,
  plan: LiftPlan,
): LiftReply {
  const evidence = liftEvidence(records, notices);
  const lift = preparedLift(
    records.frame,
    records.practice.loadFactors,
    wallIn(works, 'as found'),
    (id) => works.get(id)?.picture.map !== undefined,
  );
  const facts = lift.facts(plan);
  const reasons = liftReasons(plan, facts, evidence);
  const better = reasons.some((reason) => reason.weight === 'refused')
    ? betterPlans(plan, evidence, lift.facts)
    : [];
  const loads = lift.facts({ ...plan, way: 'four-post', points: [] }).supports;
  const axles = axlesOf(records.frame).map((axle) => ({
    id: axle.id,
    name: axle.name,
    stationMm: axle.stationMm,
    loadKg:
      loads
        .filter((each) => each.id.startsWith(`tyre ${axle.id} `))
        .reduce((sum, each) => sum + each.upN, 0) / STANDARD_GRAVITY,
  }));
  const loaded = facts.members
    .filter((member) => member.utilisation > 0.3)
    .map((member) => records.frame.members.find((each) => each.id === member.memberId)!.name);
  return {
    answer: liftAnswer(reasons, better.length > 0),
    reasons,
    facts,
    steps: liftSteps(plan, axles, loaded),
    instead: insteadOf(plan, reasons),
    better,
  };
}

/** Places for the same points with nothing against them: front and rear pairs, or along from the jack; least unknown first, then least loaded. */
function betterPlans(
  plan: LiftPlan,
  evidence: LiftEvidence,
  factsOf: (plan: LiftPlan) => LiftFacts,
): LiftReply['better'] {
  if (!takesPoints(plan.way) || plan.points.length === 0 || totalKg(evidence.frame) === 0) return [];
  return candidatePoints(plan, evidence)
    .flatMap((points) => {
      const moved = { ...plan, points };
      const facts = factsOf(moved);
      const reasons = liftReasons(moved, facts, evidence);
      if (reasons.some((reason) => reason.weight === 'refused')) return [];
      return [
        {
          plan: moved,
          unknowns: reasons.filter((reason) => reason.weight === 'unknown').length,
          utilisation: Math.max(0, ...facts.members.map((member) => member.utilisation)),
        },
      ];
    })
    .sort((a, b) => a.unknowns - b.unknowns || a.utilisation - b.utilisation)
    .slice(0, 3);
}

/** How many places front and rear are tried. */
const TRIES = 4;
const spreadOut = <Each>(all: readonly Each[]): Each[] =>
  all.length <= TRIES
    ? [...all]
    : Array.from({ length: TRIES }, (_, k) => all[Math.round((k * (all.length - 1)) / (TRIES - 1))]!);

function candidatePoints(plan: LiftPlan, evidence: LiftEvidence): LiftPlan['points'][] {
  const stations = candidateStations(evidence).map((each) => each.stationMm);
  const L = evidence.frame.lengthMm;
  if (plan.way === 'jack')
    return spreadOut(stations.filter((mm) => Math.abs(mm - plan.points[0]!.stationMm) < 1500)).map(
      (stationMm) => plan.points.map((point) => ({ ...point, stationMm })),
    );
  const order = [...plan.points].sort((a, b) => a.stationMm - b.stationMm);
  const isFront = (point: LiftPlan['points'][number]) => order.indexOf(point) < order.length / 2;
  const [front, rear] = [
    spreadOut(stations.filter((mm) => mm > 0.05 * L && mm < 0.48 * L)),
    spreadOut(stations.filter((mm) => mm >= 0.52 * L && mm < 0.97 * L)),
  ];
  return front.flatMap((a) =>
    rear.map((b) => plan.points.map((point) => ({ ...point, stationMm: isFront(point) ? a : b }))),
  );
}

/** Whether what is recorded accounts for what the owner feels, by the model where it can. */
export function explainComplaint(
  records: JobRecords,
  works: ReadonlyMap<string, Pick<MemberWork, 'picture'>>,
  demand: JobDemand | undefined,
  complaint: Complaint,
): Explanation {
  const states = jobSpots(records);
  const onThem = (memberId: string | undefined) =>
    memberId !== undefined && complaint.memberIds.includes(memberId);
  const damaged =
    standing(records.cracks, records.strikes).some((crack) => onThem(crack.memberId)) ||
    states.some(
      (state) => onThem(state.spot.memberId) && state.result !== undefined && isDoubtful(state.result),
    ) ||
    ofKind(standing(records.walk, records.strikes), 'sign').some(
      (sign) => onThem(sign.memberId) && signWeight(sign.detail) === 'failed',
    ) ||
    complaint.memberIds.some((id) => (works.get(id)?.picture.zones.length ?? 0) > 0);
  return explain(
    complaint,
    modelMovement(complaint, demand?.['as built'], demand?.['as found']),
    damaged,
    states,
  );
}

/** What somebody who thinks of buying the unit is told. */
export function jobBuyersLook(
  records: JobRecords,
  works: readonly Pick<MemberWork, 'picture' | 'verdict'>[],
): BuyersLook {
  const claims = new Map(
    ofKind(standing(records.walk, records.strikes), 'claim').map((claim) => [claim.claimId, claim]),
  );
  return buyersLook(
    jobSpots(records, true),
    works.map(({ picture, verdict }) => ({
      name: picture.member.name,
      verdict: verdict.verdict,
      cracked: picture.cracks.length > 0,
    })),
    [...claims.values()],
    records.practice.walk,
  );
}
