import { axlesOf, lastWord, totalKg, type Notice } from '../frame';
import { STANDARD_GRAVITY } from '../quantity';
import {
  LIFT_ANSWERS,
  takesPoints,
  usualLift,
  type LiftAnswer,
  type LiftFacts,
  type LiftPlan,
  type LiftReason,
  type LiftRecord,
  type LiftWay,
} from '../walk';
import {
  candidateStations,
  insteadOf,
  liftAnswer,
  liftReasons,
  liftSteps,
  middleStations,
  preparedLift,
  type Instead,
  type KeptCuts,
  type LiftEvidence,
  type LiftStep,
  type PreparedLift,
} from '../weigh';
import { foundState, leastState } from './state-of-frame';
import { tellsOf } from './evidence';
import { fingerprint } from '../quantity';
import { jobHosts } from './inputs';
import type { MemberWork } from './member';
import { stands, type JobRecords } from './records';

const liftEvidence = (
  records: JobRecords,
  notices: readonly Notice[],
  works: ReadonlyMap<string, MemberWork>,
): LiftEvidence => ({
  frame: records.frame,
  hosts: jobHosts(records),
  accounts: new Map([...works].map(([id, { picture }]) => [id, picture.account])),
  notices: notices.map((notice) => notice.words),
  reachMm: records.practice.walk.reachMm,
  partedShare: records.practice.hand.partedShare,
  unreadable: records.unreadable?.length ?? 0,
});

/** The last answer that was kept; where two devices disagree which that was, the stricter. */
export const lastLift = (records: Pick<JobRecords, 'evidence' | 'strikes'>): LiftRecord | undefined =>
  lastWord(stands(records, 'lift'), ({ answer }) => LIFT_ANSWERS.indexOf(answer));

/**
 * Raised with every change of how a frame on pads, jacks, legs or axles is computed. 2: held sideways by friction, not by walls. 3: a guess from
 * readings far off thins no metal. 4: pads and coupler bear where they are, not at the nearest node.
 */
const LIFT_MODEL = 4;

/**
 * Changes whenever anything does that a lift rests on (evidence that tells of metal, what of it cannot be read, the frame and its loads, its factors, the list of spots,
 * notices), or the model by which it is judged: an answer given on another basis is asked again.
 */
export function liftBasis(records: JobRecords, notices: readonly Notice[]): string {
  const tells = records.evidence.filter((record) => tellsOf(record).length > 0).map((record) => record.id);
  const struck = records.strikes.map((strike) => strike.evidenceId);
  const { loadFactors, walk, hand } = records.practice;
  const rest = [
    records.frame,
    loadFactors,
    walk,
    hand,
    records.spotRules,
    notices.map((notice) => notice.words),
    ...(records.unreadable ?? []).map(({ id }) => id),
  ];
  return fingerprint([`model ${LIFT_MODEL}`, ...tells, '|', ...struck, '|', JSON.stringify(rest)]);
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

const statesOfLift = (works: ReadonlyMap<string, MemberWork>, { hosts }: LiftEvidence, kept: KeptCuts) => ({
  found: { ...foundState(works, hosts), kept },
  least: { ...leastState(works, hosts, 'away'), kept },
});

/**
 * Whether the unit may be raised so, by what is on record and by the frame model on the sections found; and where it had better be. Cuts that are `kept`
 * from before are taken over.
 */
export function askLift(
  records: JobRecords,
  notices: readonly Notice[],
  works: ReadonlyMap<string, MemberWork>,
  plan: LiftPlan,
  kept: KeptCuts = new WeakMap(),
): LiftReply {
  const evidence = liftEvidence(records, notices, works);
  const lift = preparedLift(records.frame, records.practice.loadFactors, statesOfLift(works, evidence, kept));
  const facts = lift.facts(plan);
  const reasons = liftReasons(plan, facts, evidence);
  // Another place can only help against what speaks of a place.
  const isOfPlaces = ({ weight, pointId }: LiftReason) =>
    weight === 'refused' || (weight === 'unknown' && pointId !== undefined);
  const better = reasons.some(isOfPlaces) ? betterPlans(plan, evidence, lift) : [];
  const loads = lift.foundFacts({ ...plan, way: 'four-post', points: [] }).supports;
  const axles = axlesOf(records.frame).map((axle) => ({
    id: axle.id,
    name: axle.name,
    stationMm: axle.stationMm,
    loadKg:
      loads
        .filter(({ stand }) => stand.on === 'tyre' && stand.axleId === axle.id)
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

/** Ways of lifting that every job is asked about, before anybody says how (our choice: what most shops have). Stands bear where pads do. */
export const USUAL_WAYS = ['two-post pads', 'by the axles'] as const satisfies readonly LiftWay[];

/** A usual way of lifting, as it came out where it usually takes the frame, and whether other places pass. */
export interface LiftTried extends Pick<LiftReply, 'answer' | 'reasons'> {
  readonly way: LiftWay;
  /** The most that one place takes, kg: what a jack, stand or arm there must be rated for. */
  readonly mostKg: number;
  /** Stations that pass every test where the usual ones do not. */
  readonly better?: readonly number[];
}

/** The usual ways as they came out last, with the mark of what they rested on; held by whoever asks more than once. */
export interface KnownLifts {
  last?: { readonly mark: string; readonly tried: LiftTried[] };
}

/** The usual ways of lifting; tried anew only when anything has changed that they rest on. */
export function usualLifts(
  records: JobRecords,
  notices: readonly Notice[],
  works: ReadonlyMap<string, MemberWork>,
  known: KnownLifts,
  kept?: KeptCuts,
): LiftTried[] {
  const mark = fingerprint([
    liftBasis(records, notices),
    JSON.stringify(records.practice),
    ...[...works].flatMap(([id, { marks }]) => [id, marks.mark]),
  ]);
  if (known.last?.mark !== mark) known.last = { mark, tried: tryUsualLifts(records, notices, works, kept) };
  return known.last.tried;
}

/** The usual ways tried where they usually take a frame; elsewhere only where none of them will do. */
export function tryUsualLifts(
  records: JobRecords,
  notices: readonly Notice[],
  works: ReadonlyMap<string, MemberWork>,
  kept: KeptCuts = new WeakMap(),
): LiftTried[] {
  const evidence = liftEvidence(records, notices, works);
  const lift = preparedLift(records.frame, records.practice.loadFactors, statesOfLift(works, evidence, kept));
  const tried = USUAL_WAYS.map((way): LiftTried => {
    const plan = usualLift(records.frame, way);
    const facts = lift.facts(plan);
    // What it is raised with is not known yet: its rating is asked when somebody says how.
    const reasons = liftReasons(plan, facts, evidence).filter(({ code }) => code !== 'no rating');
    const mostKg = Math.max(0, ...facts.supports.map(({ upN }) => upN)) / STANDARD_GRAVITY;
    return { way, answer: liftAnswer(reasons, true), reasons, mostKg };
  });
  if (tried.some(({ answer }) => answer === 'Lift here')) return tried;
  const [better] = betterPlans(usualLift(records.frame, 'two-post pads'), evidence, lift);
  const stations = better && [...new Set(better.plan.points.map(({ stationMm }) => stationMm))];
  return tried.map((each) => {
    const isElsewhere = stations !== undefined && takesPoints(each.way);
    return {
      ...each,
      answer: liftAnswer(each.reasons, isElsewhere),
      ...(isElsewhere && { better: stations }),
    };
  });
}

/** What a better place may leave open: nothing that the metal has to answer. */
const MAY_STAY_OPEN: ReadonlySet<LiftReason['code']> = new Set<LiftReason['code']>([
  'no rating',
  'notice',
  'loads unknown',
]);

const mayStayOpen = ({ weight, code }: LiftReason): boolean =>
  weight === 'note' || (weight === 'unknown' && MAY_STAY_OPEN.has(code));

/** Places for the same points that pass every test of the metal, the removal test among them; least unknown first, then least loaded. */
function betterPlans(plan: LiftPlan, evidence: LiftEvidence, lift: PreparedLift): LiftReply['better'] {
  if (!takesPoints(plan.way) || plan.points.length === 0 || totalKg(evidence.frame) === 0) return [];
  return candidatePoints(plan, evidence)
    .flatMap((points) => {
      const moved = { ...plan, points };
      const found = { ...lift.foundFacts(moved), loadsKnown: true };
      if (liftReasons(moved, found, evidence).some((reason) => !mayStayOpen(reason))) return [];
      const facts = lift.facts(moved);
      const open = liftReasons(moved, facts, evidence).filter((reason) => reason.weight !== 'note');
      if (!open.every(mayStayOpen)) return [];
      return [
        {
          plan: moved,
          unknowns: open.length,
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

/** A jack is moved along its rail, or in the middle from one crossmember to another. */
function jackPoints(plan: LiftPlan, evidence: LiftEvidence): LiftPlan['points'][] {
  const near = (mm: number) => Math.abs(mm - plan.points[0]!.stationMm) < JACK_REACH_MM;
  const isCentre = plan.points.every(({ side }) => side === 'centre');
  const stations = isCentre ? middleStations(evidence) : candidateStations(evidence);
  if (!isCentre && plan.points.some(({ side }) => side === 'centre')) return [];
  return spreadOut(stations.filter(near)).map((stationMm) =>
    plan.points.map((point) => ({ ...point, stationMm })),
  );
}
const JACK_REACH_MM = 1500;

function candidatePoints(plan: LiftPlan, evidence: LiftEvidence): LiftPlan['points'][] {
  if (plan.way === 'jack') return jackPoints(plan, evidence);
  // A point in the middle goes from one crossmember to the next: only a jack is looked for another.
  if (plan.points.some(({ side }) => side === 'centre')) return [];
  const stations = candidateStations(evidence);
  const L = evidence.frame.lengthMm;
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
