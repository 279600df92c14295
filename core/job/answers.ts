import { isBolted } from '../shape';
import {
  GOVERNS_DRIVING,
  hostsOf,
  memberOf,
  type Carried,
  type Frame,
  type Notice,
  type Role,
} from '../frame';
import { failedProofs, STEERS_OR_STOPS } from '../prove';
import { progressOf, type SpotState } from '../walk';
import { severity, unitVerdict, type FindingCode, type MemberVerdict, type Verdict } from '../weigh';
import type { JobDemand } from './demand';
import { choiceOf } from './choice';
import { straightenedFirst } from './geometry';
import { jobHosts, jobSpots } from './inputs';
import { intakeOf, isUnauthorised } from './intake';
import type { LiftTried } from './lift';
import type { MemberWork } from './member';
import {
  ANSWERS,
  type Answered,
  type AnswerIs,
  type AnswerReason,
  type FourAnswers,
  type Question,
} from './question';
import { brokenRules } from './worked-repair';
import { mayMove, pastLimitOf, type MayMove, type MoveReason } from './move';
import { harsher, overridesOf } from './override';
import { stands, type JobRecords } from './records';
import { toldUntil } from './told';
import { brokenOfTube, openRenewals } from './renewals';
import { foundUnder, type UnderWork } from './under-works';
import { brokenIn, worksOf } from './works';

/** A member as it was judged, with what is planned on it. */
export interface AnsweredMember {
  readonly verdict: MemberVerdict;
  readonly plan: Planned;
}
/** Repairs drawn for a member: how many, of them those that break a rule, and how many were tried in vain. */
export interface Planned {
  /** Bad stretches, drawn for or not. */
  readonly stretches: number;
  /** Where they are along the unit, mm from its datum. */
  readonly runs?: readonly Run[];
  readonly repairs: number;
  readonly broken: number;
  readonly notOffered: number;
  readonly plates: number;
  /** Plates that are bolted on, not counted among those that are welded. */
  readonly bolted?: number;
  /** What its metal says of works that are made fast to it. */
  readonly underWorks?: readonly UnderWork[];
  readonly weldM: number;
  readonly steelKg: number;
}

export interface Run {
  readonly fromMm: number;
  readonly toMm: number;
}

/** What the answers rest on beside the records. */
export interface AnswersBasis {
  readonly weighed: ReadonlyMap<string, AnsweredMember>;
  readonly demand?: JobDemand | undefined;
  /** The usual ways of lifting, tried; absent while they are worked out. */
  readonly lifts?: readonly LiftTried[] | undefined;
  /** What stands on the unit. */
  readonly notices?: readonly Notice[];
  /** The day where the unit is, yyyy-mm-dd. */
  readonly today: string;
}

/** May it be driven, lifted, worked beneath, repaired here? Each by what is on record and what was worked out from it; nothing unseen speaks for it. */
export function fourAnswers(records: JobRecords, basis: AnswersBasis): FourAnswers {
  const spots = jobSpots(records);
  const move = mayMove(records, basis.today, {
    weighed: basis.weighed,
    pastLimit: pastLimitOf(records, basis.demand),
  });
  const isWhole = records.frame.members.every(({ id }) => basis.weighed.has(id));
  const working: AnswerReason[] = isWhole ? [] : [{ says: 'can’t say', why: 'being worked out' }];
  // What stands in them may be a rail rotted through: the lift's own gate hears of them too.
  const unread: AnswerReason[] = records.unreadable?.length
    ? [{ says: 'can’t say', why: 'records unreadable', count: records.unreadable.length }]
    : [];
  const lift = ofLift(basis.lifts);
  const said: Readonly<Record<Question, readonly AnswerReason[]>> = {
    drive: [
      ...working,
      ...unread,
      ...ofDriving(records, spots, move),
      ...ofWaiting(records, basis.today),
      ...ofTries(records),
    ],
    lift,
    beneath: [...working, ...unread, ...ofBeneath(spots, move, basis.lifts, lift)],
    repair: [...working, ...unread, ...ofRepair(records, basis.weighed)],
  };
  // Somebody forbade it: it stays forbidden until the notice is lifted, whatever is found since.
  const forbidden = (question: Question) =>
    (basis.notices ?? [])
      .filter(({ about }) => about === question)
      .map((notice): AnswerReason => ({ says: 'no', why: 'notice', notice }));
  const of = (question: Question) => answered([...said[question], ...forbidden(question)]);
  return { drive: of('drive'), lift: of('lift'), beneath: of('beneath'), repair: of('repair') };
}

const rank = (is: AnswerIs) => ANSWERS.indexOf(is);

function answered(reasons: readonly AnswerReason[]): Answered {
  const ranked = [...reasons].sort((a, b) => rank(b.says) - rank(a.says));
  return { is: ranked[0]!.says, reasons: ranked };
}

const SAID_OF_MOVING: Readonly<Record<MayMove['answer'], AnswerIs>> = {
  'no reason recorded against it': 'yes',
  restricted: 'with limits',
  'to the shop only': 'with limits',
  'do not move': 'no',
};

function ofDriving(records: JobRecords, spots: readonly SpotState[], { reasons }: MayMove): AnswerReason[] {
  const against = reasons.map((reason): AnswerReason => ({
    says: SAID_OF_MOVING[reason.answer],
    why: 'move',
    reason,
  }));
  const names = notLookedAt(records, spots);
  if (names.length > 0) against.push({ says: 'can’t say', why: 'look first', names });
  return against.length > 0 ? against : [{ says: 'yes', why: 'nothing recorded against it' }];
}

/** What its owner was told binds as the records do, while it waits; a look that was agreed on and not made leaves it open whether that still holds. */
function ofWaiting(records: JobRecords, today: string): AnswerReason[] {
  const told = toldUntil(records, today);
  if (!told) return [];
  const { interim, due } = told;
  const says = SAID_OF_MOVING[interim.answer];
  return [
    ...(says === 'yes' ? [] : [{ says, why: 'told until its turn' as const, interim }]),
    ...(due?.isOver ? [{ says: 'can’t say' as const, why: 'agreed look overdue' as const, due }] : []),
  ];
}

/** What was tried once everything was together and did not hold: not driven where it steers or stops, with limits where a road test said so. */
const ofTries = (records: JobRecords): AnswerReason[] =>
  failedProofs(stands(records, 'proof')).flatMap((proof): AnswerReason[] => {
    const why = 'tried, did not hold' as const;
    if (STEERS_OR_STOPS.includes(proof.of)) return [{ says: 'no', why, proof }];
    return proof.of === 'road test' ? [{ says: 'with limits', why, proof }] : [];
  });

/** Spots of what steers, holds an axle, a spring or the hitch that nobody saw, and rails of which no spot was seen. */
function notLookedAt({ frame }: JobRecords, spots: readonly SpotState[]): string[] {
  const governing = new Set(
    hostsOf(frame)
      .filter(({ carries }) => carries.some((each) => GOVERNS_DRIVING.includes(each)))
      .map(({ on, id }) => `${on} ${id}`),
  );
  const unseen = spots.filter(
    ({ seen, spot: { host } }) => !seen && host !== undefined && governing.has(`${host.on} ${host.id}`),
  );
  const seenOn = new Set(spots.filter(({ seen }) => seen).map(({ spot }) => spot.memberId));
  const rails = frame.members.filter(
    ({ id, role }) => (role === 'rail' || role === 'sill') && !seenOn.has(id),
  );
  return [...new Set([...unseen.map(({ spot }) => spot.title), ...rails.map(({ name }) => name)])];
}

function ofLift(lifts: readonly LiftTried[] | undefined): AnswerReason[] {
  if (!lifts?.length) return [{ says: 'can’t say', why: 'being worked out' }];
  const may = lifts.filter(({ answer }) => answer === 'Lift here');
  const elsewhere = lifts.filter(({ better }) => better !== undefined);
  // One way that passes is a way to lift it: only so. What does not pass is said beside it.
  if (may.length > 0)
    return lifts.map((tried): AnswerReason => ({
      says: may.length === lifts.length ? 'yes' : 'with limits',
      why: 'raised',
      tried,
    }));
  if (elsewhere.length > 0)
    return lifts.map((tried): AnswerReason => ({ says: 'with limits', why: 'raised', tried }));
  const isOpen = lifts.some(({ answer }) => answer === 'Not known');
  return lifts.map((tried): AnswerReason => ({
    says: isOpen ? 'can’t say' : 'no',
    why: 'raised',
    tried,
  }));
}

/** A break of the frame itself, or of what keeps it up, comes down on whoever is beneath. */
const COMES_DOWN: ReadonlySet<FindingCode> = new Set<FindingCode>(['parted', 'parted-by-hand']);
const comesDown = (reason: MoveReason): boolean =>
  reason.why === 'parted' ||
  reason.why === 'past its limit' ||
  (reason.why === 'judged' && COMES_DOWN.has(reason.finding.code)) ||
  (reason.why === 'found bad' && reason.hasLetGo && reason.carries.some((each) => HOLDS_UP.includes(each)));
const HOLDS_UP: readonly Carried[] = ['axle location', 'spring seat', 'hitch'];

function ofBeneath(
  spots: readonly SpotState[],
  { reasons }: MayMove,
  lifts: readonly LiftTried[] | undefined,
  lift: readonly AnswerReason[],
): AnswerReason[] {
  const down = reasons.filter(comesDown).map((reason): AnswerReason => ({
    says: 'no',
    why: 'hold it first',
    reason,
  }));
  const beside = reasons
    .filter((reason) => !comesDown(reason) && reason.answer !== 'restricted')
    .map((reason): AnswerReason => ({ says: 'with limits', why: 'move', reason }));
  const unseen: AnswerReason[] =
    progressOf(spots).seen === 0 ? [{ says: 'can’t say', why: 'look first', names: [] }] : [];
  const ways = (lifts ?? [])
    .filter(({ answer, better }) => answer === 'Lift here' || better !== undefined)
    .map(({ way }) => way);
  const isUndecided = lift.some(({ says }) => says === 'can’t say');
  const raised: AnswerReason =
    ways.length > 0
      ? { says: 'with limits', why: 'raised only as it may be lifted', ways }
      : isUndecided && lifts === undefined
        ? { says: 'can’t say', why: 'being worked out' }
        : { says: isUndecided ? 'can’t say' : 'with limits', why: 'on its wheels only' };
  return [...down, ...unseen, raised, ...beside];
}

/** What a shop makes anew by itself, S and J no less than before (common practice, no source); all else bad and undrawn is an engineer's. */
const RENEWED_WHOLE: ReadonlySet<Role> = new Set<Role>([
  'crossmember',
  'outrigger',
  'brace',
  'plate',
  'stud',
]);

const has = ({ findings }: MemberVerdict, code: FindingCode) => findings.some((each) => each.code === code);
const asks = (verdict: Verdict): boolean => severity(verdict) >= severity('Mend');

function ofRepair(records: JobRecords, weighed: AnswersBasis['weighed']): AnswerReason[] {
  const said = overridesOf(records);
  const judged = records.frame.members.flatMap((member) => {
    const work = weighed.get(member.id);
    if (!work) return [];
    const verdict = { ...work.verdict, verdict: harsher(work.verdict.verdict, said.get(member.id)) };
    return [{ member, ...work, verdict }];
  });
  const unit = unitVerdict(judged);
  const named = (of: typeof judged) => of.map(({ member }) => member.name);
  const say = (says: AnswerIs, why: NamedWhy, names: readonly string[]): AnswerReason[] =>
    names.length > 0 ? [{ says, why, names }] : [];
  const bad = judged.filter(({ verdict }) => asks(verdict.verdict));
  const byMaker = bad.filter(({ verdict }) => has(verdict, 'steel-heat-treated'));
  const isOpen = (work: AnsweredMember) => has(work.verdict, 'steel-unknown');
  const rest = bad.filter((work) => !byMaker.includes(work) && !isOpen(work));
  const isDrawn = ({ plan }: AnsweredMember) =>
    plan.repairs > 0 && plan.broken === 0 && plan.notOffered === 0;
  const isRenewed = ({ member }: (typeof judged)[number]) => RENEWED_WHOLE.has(member.role);
  // Without a crack's ends nobody can say what covers it, whatever is drawn beside it, and an engineer neither.
  const untraced = rest.filter((work) => !isRenewed(work) && has(work.verdict, 'crack-not-traced'));
  const traced = rest.filter((work) => !untraced.includes(work));
  const undrawn = traced.filter((work) => !isDrawn(work));
  const unknown = judged.filter(
    ({ verdict }) => verdict.verdict === 'Can’t say' && !has(verdict, 'steel-unknown'),
  );
  const hosts = jobHosts(records).filter(({ carriesNothing }) => carriesNothing);
  const nothingKnown = unknown.length === judged.length;
  const intake = intakeOf(records);
  const choice = choiceOf(records);
  const isDeclined = choice?.chosen === 'declined by the shop' || choice?.chosen === 'passed on';
  const reasons = [
    ...say('no', 'declined', isDeclined ? [choice!.why || choice!.left] : []),
    ...say('with limits', 'not authorised', isUnauthorised(intake) ? [intake!.makersClaim!.who] : []),
    ...say('with limits', 'tried before', intake?.tried && bad.length > 0 ? [intake.tried] : []),
    ...(unit.verdict === 'Retire' ? say('no', 'retire', unit.nothingToLandOn) : []),
    ...say('can’t say', 'steel not known', named(judged.filter(isOpen))),
    ...say('with limits', 'as its maker says', named(byMaker)),
    ...say('can’t say', 'traced first', named(untraced)),
    ...say('with limits', 'by an engineer', named(undrawn.filter((work) => !isRenewed(work)))),
    ...say('with limits', 'straightened first', straightenedFirst(records)),
    ...say('with limits', 'work breaks a rule', brokenWorks(records, judged)),
    ...say('yes', 'mended here', named(traced.filter(isDrawn))),
    ...say('with limits', 'renewed by hand', [
      ...named(undrawn.filter(isRenewed)),
      ...hosts.map(({ name }) => name),
    ]),
    ...say(
      nothingKnown ? 'can’t say' : 'with limits',
      nothingKnown ? 'look first' : 'more may come',
      named(unknown),
    ),
  ];
  return reasons.length > 0 ? reasons : [{ says: 'yes', why: 'nothing found to repair' }];
}
const nameOf = (frame: Frame, memberId: string): string => memberOf(frame, memberId)?.name ?? memberId;

/** Works that somebody specified, that are not done yet, and that are not to be done like that. */
const brokenWorks = (records: JobRecords, members: readonly AnsweredMember[]): string[] => {
  const plans = members.map(({ plan }) => plan);
  const works = worksOf(records)
    .filter((planned) => !planned.isDone && brokenIn(planned, foundUnder(plans, planned.work.id)).length > 0)
    .map(({ work, place }) => `${work.form}, ${place.name.toLowerCase()}`);
  const renewals = openRenewals(records)
    .filter((renewal) => brokenOfTube(records, renewal, foundUnder(plans, renewal.id)) > 0)
    .map(({ memberId }) => `renewal of ${nameOf(records.frame, memberId).toLowerCase()}`);
  return [...works, ...renewals];
};

type NamedWhy = Extract<AnswerReason, { readonly names: readonly string[] }>['why'];

/** What is planned on a member, counted. */
export function plannedOn({
  picture,
  repairs,
  notOffered,
  underWorks,
}: Pick<MemberWork, 'picture' | 'repairs' | 'notOffered' | 'underWorks'>): Planned {
  const patterns = repairs.flatMap((worked) => worked.patterns);
  const { startMm = 0 } = picture.member;
  const bolted = repairs
    .filter(({ repair }) => isBolted(repair))
    .reduce((sum, { patterns: flats }) => sum + flats.length, 0);
  return {
    stretches: picture.zones.length,
    runs: picture.zones.map(({ fromMm, toMm }) => ({ fromMm: fromMm + startMm, toMm: toMm + startMm })),
    repairs: repairs.length,
    broken: repairs.filter((worked) => brokenRules(worked).length > 0).length,
    notOffered: notOffered.length,
    plates: patterns.length - bolted,
    bolted,
    underWorks,
    weldM: repairs.reduce((sum, { joined }) => sum + joined.totalWeldMm, 0) / 1000,
    steelKg: patterns.reduce((sum, { massKg }) => sum + massKg, 0),
  };
}
