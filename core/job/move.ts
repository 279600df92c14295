import { GOVERNS_DRIVING, memberOf, type Carried } from '../frame';
import {
  crackedShare,
  crackExtent,
  crossingOn,
  grewAfter,
  limitOf,
  MOVE_ANSWERS,
  notTakenOver,
  releaseOf,
  timeLeft,
  type Crack,
  type MoveAnswer,
  type Release,
  type TimeLeft,
} from '../trace';
import { mendedIn } from '../walk';
import {
  carriesFrame,
  type Finding,
  type FindingCode,
  type GeometryCheck,
  type HostVerdict,
  type MemberVerdict,
  type Verdict,
} from '../weigh';
import { stressAtCrack } from './crack-stress';
import { openCracks } from './cracks';
import type { JobDemand } from './demand';
import { jobGeometry } from './geometry';
import { jobHosts } from './inputs';
import { stands, type JobRecords } from './records';

/** One reason, and what it asks for by itself. */
export type MoveReason = { readonly answer: MoveAnswer } & (
  | {
      readonly why: 'cracked';
      readonly name: string;
      readonly memberId: string;
      readonly stationMm: number;
      /** By a temporary repair, and how load tests left it: what moves under load is not held. */
      readonly held?: TimeLeft & { readonly release: Release };
      /** It went on growing under a temporary repair: that holds it no more. */
      readonly hasGrownSince?: boolean;
    }
  | {
      readonly why: 'parted';
      readonly name: string;
      readonly memberId: string;
      readonly stationMm: number;
      readonly share: number;
    }
  | {
      readonly why: 'past its limit';
      readonly name: string;
      readonly memberId: string;
      readonly stationMm: number;
    }
  | { readonly why: 'judged'; readonly name: string; readonly finding: Finding }
  | {
      readonly why: 'found bad';
      readonly name: string;
      readonly found: readonly string[];
      readonly hasLetGo: boolean;
      readonly carries: readonly Carried[];
    }
  | { readonly why: 'out of true'; readonly check: GeometryCheck }
  | { readonly why: 'temporary repair over'; readonly name: string; readonly left: TimeLeft }
);
export interface MayMove {
  readonly answer: MoveAnswer;
  /** Worst first. */
  readonly reasons: readonly MoveReason[];
}

/** What these hang on is not driven on a crack, however short (our judgement). */
const NEVER_CRACKED: readonly Carried[] = ['steering', 'hitch'];
/** A temporary repair holds a crack within this of it, mm (ours). */
const HOLDS_WITHIN_MM = 300;

/** What working the metal out adds to the records. */
export interface MoveBasis {
  /** What every member's metal came to. */
  readonly weighed: ReadonlyMap<string, { readonly verdict: MemberVerdict }>;
  /** Cracks known to be longer than what is foretold safe. */
  readonly pastLimit?: ReadonlySet<string>;
}

/** Findings of a member's metal that speak against driving, however they are known; a traced crack speaks for itself (our reading). */
const AGAINST: Partial<Record<FindingCode, MoveAnswer>> = {
  parted: 'do not move',
  'parted-by-hand': 'do not move',
  'crack-not-traced': 'to the shop only',
  'weld-cracked': 'to the shop only',
  'looked-failed': 'to the shop only',
  'struck-failed': 'to the shop only',
  'both-flanges-gone': 'to the shop only',
  'demand-over': 'to the shop only',
};
/** A member to be spliced or renewed is one to stop for, whatever it is for. */
const STOPS: readonly Verdict[] = ['Splice', 'Renew', 'Retire'];

/**
 * From cracks, what every member's metal came to, brackets that let go, and temporary repairs with what is left of them. Metal that is thin, and
 * carries what it is asked to, is no reason here.
 */
export function mayMove(
  records: JobRecords,
  today: string,
  { weighed, pastLimit = new Set() }: MoveBasis,
): MayMove {
  const left = jobTimeLeft(records, today);
  const cracks = openCracks(records);
  const reasons = [
    ...left.filter(({ isOver }) => isOver).map((each) => overdue(records, each)),
    ...jobHosts(records)
      .filter((host) => host.carriesNothing || (host.isToldBad && carriesFrame(host)))
      .map(ofHost),
    ...cracks.map((crack) => ofCrack(records, crack, cracks, { left, pastLimit })),
    ...jobGeometry(records).flatMap(ofGeometry),
    ...[...weighed].flatMap(([memberId, { verdict }]) => ofMetal(nameOf(records, memberId), verdict)),
  ].sort((a, b) => rank(b.answer) - rank(a.answer));
  return { answer: reasons[0]?.answer ?? MOVE_ANSWERS[0], reasons };
}

const rank = (answer: MoveAnswer) => MOVE_ANSWERS.indexOf(answer);

/** What was only told restricts until somebody looks (our reading). */
function ofHost({ name, found, carries, carriesNothing, hasLetGo, isCracked }: HostVerdict): MoveReason {
  const governs =
    (hasLetGo && carries.some((each) => GOVERNS_DRIVING.includes(each))) ||
    (isCracked && carries.some((each) => NEVER_CRACKED.includes(each)));
  const answer = !carriesNothing ? 'restricted' : governs ? 'do not move' : 'to the shop only';
  return { answer, why: 'found bad', name, found, hasLetGo, carries };
}

/** So many times over its limit nobody takes it for how it was made or set up: something moved (our judgement). */
const MOVED = 4;
/** A frame out of square or straight tracks to a side and tips its load: slowly, near, and measured again. */
function ofGeometry(check: GeometryCheck): MoveReason[] {
  // A bracket beside its twin says nothing of how it tracks; what an axle hangs on is measured as wheelbase or as a set.
  if (check.is !== 'out' || check.says === 'twin off its place') return [];
  const hasMoved = check.value - check.plusMinus > MOVED * check.limit;
  return [{ answer: hasMoved ? 'to the shop only' : 'restricted', why: 'out of true', check }];
}

/** The worst that a member's metal says, once. */
function ofMetal(name: string, { verdict, findings }: MemberVerdict): MoveReason[] {
  const against = findings
    .flatMap((finding) => {
      const answer =
        AGAINST[finding.code] ??
        (STOPS.includes(verdict) && finding.verdict === verdict ? 'to the shop only' : undefined);
      return answer ? [{ answer, why: 'judged' as const, name, finding }] : [];
    })
    .sort((a, b) => rank(b.answer) - rank(a.answer));
  return against.slice(0, 1);
}

/**
 * What is left of each temporary repair on the unit, this job's and its other jobs', the one that is over or nearest to it first. One whose place
 * was renewed or plated since asks nothing more.
 */
export function jobTimeLeft(
  records: Pick<JobRecords, 'evidence' | 'strikes' | 'heldElsewhere' | 'mendedBefore'>,
  today: string,
): TimeLeft[] {
  const { repairs = [], trips = [] } = records.heldElsewhere ?? {};
  const mended = [...mendedIn(stands(records, 'sign')), ...(records.mendedBefore ?? [])];
  return timeLeft(
    notTakenOver([...repairs, ...stands(records, 'temporary repair')], mended),
    [...trips, ...stands(records, 'trip')],
    today,
  );
}

const nameOf = ({ frame }: JobRecords, memberId: string) => memberOf(frame, memberId)?.name ?? memberId;

const overdue = (records: JobRecords, left: TimeLeft): MoveReason => ({
  answer: 'do not move',
  why: 'temporary repair over',
  name: nameOf(records, left.repair.memberId),
  left,
});

function ofCrack(
  records: JobRecords,
  crack: Crack,
  cracks: readonly Crack[],
  { left, pastLimit }: { readonly left: readonly TimeLeft[]; readonly pastLimit: ReadonlySet<string> },
): MoveReason {
  const member = memberOf(records.frame, crack.memberId);
  const { fromMm, toMm } = crackExtent(crack);
  const { memberId } = crack;
  const about = { name: nameOf(records, memberId), memberId, stationMm: fromMm };
  const share = member ? crackedShare(member.shape, crack, cracks) : 1;
  if (share > records.practice.hand.partedShare)
    return { answer: 'do not move', why: 'parted', share, ...about };
  if (pastLimit.has(crack.id)) return { answer: 'do not move', why: 'past its limit', ...about };
  const held = left.find(
    ({ repair, isOver }) =>
      !isOver &&
      repair.memberId === crack.memberId &&
      repair.at >= crack.at &&
      repair.stationMm > fromMm - HOLDS_WITHIN_MM &&
      repair.stationMm < toMm + HOLDS_WITHIN_MM,
  );
  if (!held) return { answer: 'to the shop only', why: 'cracked', ...about };
  if (grewAfter(crack, stands(records, 'crack look'), held.repair.at))
    return { answer: 'to the shop only', why: 'cracked', hasGrownSince: true, ...about };
  const release = releaseOf(stands(records, 'load test'), held.repair);
  const answer = release === 'moves' ? 'to the shop only' : 'restricted';
  return { answer, why: 'cracked', held: { ...held, release }, ...about };
}

/** Cracks that are longer already than what is foretold safe, by what the frame does to them. */
export function pastLimitOf(records: JobRecords, demand: JobDemand | undefined): Set<string> {
  return new Set(
    openCracks(records).flatMap((crack) => {
      const member = memberOf(records.frame, crack.memberId);
      const stress = member && stressAtCrack(records, demand, member, crack);
      const crossing = member && crossingOn(member, crack);
      if (!stress || typeof crossing !== 'object') return [];
      return crossing.aMm >= limitOf(crossing, stress).aMm ? [crack.id] : [];
    }),
  );
}
