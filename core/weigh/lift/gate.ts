import { memberOver } from '../../frame';
import {
  decidingAt,
  partedShare,
  sayingName,
  standingAgainst,
  type MetalAccount,
  type Saying,
} from '../../metal';
import {
  takesPoints,
  type LiftAnswer,
  type LiftFacts,
  type LiftPlan,
  type LiftPoint,
  type LiftReason,
} from '../../walk';
import type { LiftEvidence } from './evidence';
import { carriesFrame } from '../hosts';
import { PARTED_FROM } from '../finding';
import { bearsLoad } from '../least';
import { metalReasons } from './metal';
import { isUnder, reactionReasons } from './reactions';
import { note, refused, unknown } from './reason';

/** A crack in a part that the lift loads anew by this much of what it may carry keeps it down (our judgement). */
const LOADED_ANEW = 0.1;
/**
 * Every reason for and against a plan. What is unknown can keep the gate from opening, never open it; where the frame carries without all
 * that is unknown, it does neither.
 */
export function liftReasons(plan: LiftPlan, facts: LiftFacts, evidence: LiftEvidence): LiftReason[] {
  const points = takesPoints(plan.way) ? plan.points : [];
  return [
    ...(takesPoints(plan.way) && plan.points.length === 0 ? [refused({ code: 'no points' })] : []),
    ...points.flatMap((point) => pointReasons(point, facts, evidence)),
    ...loadReasons(plan, facts, evidence),
    ...reactionReasons(plan, facts),
    ...noticeReasons(evidence),
    ...(plan.slopeAlongDeg !== 0 || plan.slopeAcrossDeg !== 0
      ? [note({ code: 'slope counted', value: Math.hypot(plan.slopeAlongDeg, plan.slopeAcrossDeg) })]
      : []),
    ...(!takesPoints(plan.way) ? [note({ code: 'stays as it stands' })] : []),
  ];
}

/** `elsewhere`: whether some other set of points passes every test. */
export function liftAnswer(reasons: readonly LiftReason[], elsewhere: boolean): LiftAnswer {
  if (reasons.some((reason) => reason.weight === 'refused')) return elsewhere ? 'Not here' : 'Not at all yet';
  return reasons.some((reason) => reason.weight === 'unknown') ? 'Not known' : 'Lift here';
}

function pointReasons(point: LiftPoint, facts: LiftFacts, evidence: LiftEvidence): LiftReason[] {
  const over = memberOver(evidence.frame, point);
  if (!over) return [refused({ code: 'nothing there', pointId: point.id, stationMm: point.stationMm })];
  const pad = facts.pads.find((each) => each.pointId === point.id);
  const leastPad = facts.least?.pads.find((each) => each.pointId === point.id);
  const up = facts.supports.find(({ stand }) => isUnder(point, stand));
  const at = { pointId: point.id, memberId: over.member.id };
  const crushes = (each: typeof pad) => each !== undefined && each.upN > each.capacityN;
  const crushed = (each: NonNullable<typeof pad>) => ({
    ...at,
    stationMm: over.stationMm,
    value: each.upN,
    limit: each.capacityN,
  });
  const { accounts, reachMm } = evidence;
  return [
    ...metalReasons(over.member, over.stationMm, accounts.get(over.member.id), reachMm).map((reason) => ({
      ...reason,
      pointId: point.id,
    })),
    ...(crushes(pad) ? [refused({ code: 'web crushes', ...crushed(pad!) })] : []),
    ...(!crushes(pad) && crushes(leastPad)
      ? [
          unknown({
            code: 'decided by',
            ...crushed(leastPad!),
            ...decider(evidence, over.member.id, over.stationMm),
          }),
        ]
      : []),
    ...(up && point.ratingN !== undefined && up.upN > point.ratingN
      ? [refused({ code: 'rating over', ...at, value: up.upN, limit: point.ratingN })]
      : []),
  ];
}

/** The look or reading that would decide at a place, by name. */
function decider(
  { accounts, reachMm }: LiftEvidence,
  memberId: string,
  stationMm: number,
): { name?: string } {
  const account = accounts.get(memberId);
  const saying = account && decidingAt(account, stationMm, reachMm);
  return saying ? { name: sayingName(saying).slice(0, 200) } : {};
}

/** What the lift loads further along: on the sections found, and with everything unknown taken away. */
function loadReasons(plan: LiftPlan, facts: LiftFacts, evidence: LiftEvidence): LiftReason[] {
  const worst = [...facts.members].sort((a, b) => b.utilisation - a.utilisation);
  const over = worst.filter(({ utilisation }) => utilisation > 1);
  const best = worst[0];
  return [
    ...(facts.loadsKnown ? [] : [unknown({ code: 'loads unknown' })]),
    ...(evidence.frame.presumed ? [unknown({ code: 'measures unknown' })] : []),
    ...(evidence.unreadable ? [unknown({ code: 'records unreadable', value: evidence.unreadable })] : []),
    ...(facts.unsolved === undefined ? [] : [unknown({ code: 'not computed', name: facts.unsolved })]),
    ...over.map(({ memberId, stationMm, utilisation }) =>
      refused({
        code: utilisation > PARTED_FROM ? 'carries nothing' : 'demand over',
        memberId,
        stationMm,
        value: utilisation,
        limit: 1,
      }),
    ),
    ...(best && over.length === 0
      ? [
          note({
            code: 'demand within',
            memberId: best.memberId,
            stationMm: best.stationMm,
            value: best.utilisation,
            limit: 1,
          }),
        ]
      : []),
    ...removalReasons(facts, new Set(over.map(({ memberId }) => memberId)), evidence),
    ...badElsewhere(plan, facts, evidence),
    ...badHosts(plan, facts, evidence),
    ...unseenPlaces(facts, evidence),
  ];
}

/** With all doubtful, hidden and unseen metal taken away: carries all the same, or names the look that decides. */
function removalReasons(
  { least, loadsKnown }: LiftFacts,
  isOver: ReadonlySet<string>,
  evidence: LiftEvidence,
): LiftReason[] {
  if (!least || !loadsKnown) return [];
  if (least.unsolved !== undefined) return [unknown({ code: 'decided by' })];
  // An outrigger or a stud that falls lets its floor down, not the unit.
  const holds = (id: string) =>
    evidence.frame.members.some(
      (member) => member.id === id && (bearsLoad(member) || member.role === 'crossmember'),
    );
  const falls = [...least.members]
    .filter(({ memberId, utilisation }) => utilisation > 1 && !isOver.has(memberId) && holds(memberId))
    .sort((a, b) => b.utilisation - a.utilisation);
  if (falls.length > 0)
    return falls.map(({ memberId, stationMm }) =>
      unknown({ code: 'decided by', memberId, stationMm, ...decider(evidence, memberId, stationMm) }),
    );
  const most = [...least.members].sort((a, b) => b.utilisation - a.utilisation)[0];
  return most && isOver.size === 0
    ? [
        note({
          code: 'stands without',
          memberId: most.memberId,
          stationMm: most.stationMm,
          value: most.utilisation,
          limit: 1,
        }),
      ]
    : [];
}

/**
 * Cracks and gone metal away from the points. Held by its own wheels or axles the frame is loaded as it came in: a crack there is for a person to
 * weigh. Any other way loads it anew. Gone metal is out of the model already, and said; a member parted by it or by a crack holds nothing together,
 * however little the model finds on its halves.
 */
function badElsewhere(plan: LiftPlan, facts: LiftFacts, evidence: LiftEvidence): LiftReason[] {
  const isAnew = plan.way !== 'four-post' && plan.way !== 'by the axles';
  const carries = new Map(facts.members.map(({ memberId, utilisation }) => [memberId, utilisation]));
  const isLoaded = (id: string) => facts.unsolved !== undefined || (carries.get(id) ?? 0) >= LOADED_ANEW;
  const weigh = (id: string) => (isLoaded(id) ? (isAnew ? refused : unknown) : note);
  return evidence.frame.members.flatMap((member) => {
    const account = evidence.accounts.get(member.id);
    if (!account) return [];
    const against = standingAgainst(account);
    const crack = against.find(({ claim }) => claim === 'parted');
    const gone = against.find(({ claim }) => claim === 'gone' || claim === 'unsound');
    const partedMm = bearsLoad(member) ? partedAt(account, evidence.partedShare) : undefined;
    return [
      ...(crack ? [weigh(member.id)({ code: 'crack on what it loads', ...placeOf(member.id, crack) })] : []),
      ...(gone ? [note({ code: 'gone on what it loads', ...placeOf(member.id, gone) })] : []),
      ...(partedMm === undefined
        ? []
        : [
            (isAnew ? refused : unknown)({
              code: 'carries nothing',
              memberId: member.id,
              stationMm: partedMm,
            }),
          ]),
    ];
  });
}

/** A failed hanger, mount or joint on what the lift loads anew may let go when weight comes on or off it. */
function badHosts(plan: LiftPlan, facts: LiftFacts, { hosts }: LiftEvidence): LiftReason[] {
  const isAnew = plan.way !== 'four-post' && plan.way !== 'by the axles';
  const isLoaded = (ids: readonly string[]) =>
    facts.unsolved !== undefined ||
    // What hangs on no member the model knows may carry anything.
    ids.length === 0 ||
    facts.members.some(({ memberId, utilisation }) => ids.includes(memberId) && utilisation >= LOADED_ANEW);
  return hosts.filter(carriesFrame).map(({ name, memberIds, stationMm, found, carriesNothing }) => {
    const weigh = !carriesNothing || !isLoaded(memberIds) ? note : isAnew ? refused : unknown;
    return weigh({
      code: 'fitting failed',
      ...(memberIds[0] !== undefined && { memberId: memberIds[0] }),
      stationMm,
      name: `${name}: ${found.join(', ')}`.slice(0, 200),
    });
  });
}

/** The first station at which more of a member's outline is gone or cracked than the shop lets it be. */
function partedAt(account: MetalAccount, most: number): number | undefined {
  const column = account.stationsMm.findIndex((_, k) => partedShare(account, k) > most);
  return column < 0 ? undefined : account.stationsMm[column];
}

/** Places on what it loads that nobody saw, said by name: readings beside them do not see a hanger's rivets. */
function unseenPlaces(facts: LiftFacts, { accounts }: LiftEvidence): LiftReason[] {
  const unseen = facts.members
    .filter(({ utilisation }) => utilisation >= LOADED_ANEW)
    .flatMap(
      ({ memberId }) => accounts.get(memberId)?.sayings.filter(({ claim }) => claim === 'unseen') ?? [],
    );
  if (unseen.length === 0) return [];
  const names = unseen.slice(0, NAMED).map(sayingName).join('; ');
  const more = unseen.length > NAMED ? `; and ${unseen.length - NAMED} more` : '';
  return [note({ code: 'unseen critical', name: (names + more).slice(0, 200), value: unseen.length })];
}
const NAMED = 3;

const placeOf = (memberId: string, { fromMm, where, what }: Saying) => ({
  memberId,
  stationMm: Math.max(0, fromMm),
  name: (where ?? what).slice(0, 200),
});

/** A notice that speaks of lifting is not read by a program: a person has to weigh it, and it keeps the gate from opening. */
const noticeReasons = ({ notices }: LiftEvidence): LiftReason[] =>
  notices
    .filter((words) => /\b(lift|jack|raise|hoist)/i.test(words))
    .map((words) => unknown({ code: 'notice', name: words.slice(0, 200) }));
