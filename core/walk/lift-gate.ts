import { memberOf, standName, type Frame, type Member, type Stand } from '../frame';
import { memberOver } from './spot';
import {
  takesPoints,
  type LiftAnswer,
  type LiftFacts,
  type LiftPlan,
  type LiftPoint,
  type LiftReason,
} from './lift';
import { isFailed } from './look';
import type { SpotState } from './seen';
import { signWeight, type Sign } from './sign';

/** What was found on the frame, as far as lifting asks: standing evidence only, stations each member's own. */
export interface LiftEvidence {
  readonly frame: Frame;
  readonly spots: readonly SpotState[];
  readonly signs: readonly Sign[];
  /** Thickness readings as fractions of nominal. */
  readonly readings: readonly {
    readonly memberId: string;
    readonly stationMm: number;
    readonly kept: number;
  }[];
  readonly cracks: readonly { readonly memberId: string; readonly fromMm: number; readonly toMm: number }[];
  /** Standing notices of the unit, as written. */
  readonly notices: readonly string[];
  /** Metal is looked at this far round a point: 12 in by common practice, 300 mm in the UK manual's prescribed area. */
  readonly reachMm: number;
}

/** Kept below this under a point, metal is no place to lift by, whatever the sum says (our judgement). */
const LEAST_KEPT = 0.5;
/** From this share of what it may carry, a member nobody measured is in doubt (our judgement). */
const DOUBT_FROM = 0.6;
/** A support pushed sideways by more than this share of its load slides (rubber or steel on a wet floor; our judgement). */
const SLIDE_SHARE = 0.2;
/** Members carrying less than this of what they may do not decide a lift. */
const CARRIES_FROM = 0.1;

/** Every reason for and against a plan. What is unknown stays unknown: it can keep the gate from opening, never open it. */
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

/** `elsewhere`: whether some other set of points has no reason against it. */
export function liftAnswer(reasons: readonly LiftReason[], elsewhere: boolean): LiftAnswer {
  if (reasons.some((reason) => reason.weight === 'refused')) return elsewhere ? 'Not here' : 'Not at all yet';
  return reasons.some((reason) => reason.weight === 'unknown') ? 'Not at all yet' : 'Lift here';
}

type Said = Omit<LiftReason, 'weight'>;
const refused = (reason: Said): LiftReason => ({ ...reason, weight: 'refused' });
const unknown = (reason: Said): LiftReason => ({ ...reason, weight: 'unknown' });
const note = (reason: Said): LiftReason => ({ ...reason, weight: 'note' });

function pointReasons(point: LiftPoint, facts: LiftFacts, evidence: LiftEvidence): LiftReason[] {
  const over = memberOver(evidence.frame, point);
  if (!over) return [refused({ code: 'nothing there', pointId: point.id, stationMm: point.stationMm })];
  const pad = facts.pads.find((each) => each.pointId === point.id);
  const up = facts.supports.find(({ stand }) => isUnder(point, stand));
  const at = { pointId: point.id, memberId: over.member.id };
  return [
    ...metalReasons(over.member, over.stationMm, evidence).map((reason) => ({
      ...reason,
      pointId: point.id,
    })),
    ...(pad && pad.upN > pad.capacityN
      ? [
          refused({
            code: 'web crushes',
            ...at,
            stationMm: over.stationMm,
            value: pad.upN,
            limit: pad.capacityN,
          }),
        ]
      : []),
    ...(up && point.ratingN !== undefined && up.upN > point.ratingN
      ? [refused({ code: 'rating over', ...at, value: up.upN, limit: point.ratingN })]
      : []),
  ];
}

/** The metal within reach of a place: what is wrong with it, and whether anybody saw it. */
export function metalReasons(member: Member, stationMm: number, evidence: LiftEvidence): LiftReason[] {
  const within = (from: number, to = from) =>
    from <= stationMm + evidence.reachMm && to >= stationMm - evidence.reachMm;
  const here = { memberId: member.id };
  const reasons: LiftReason[] = [];
  const readings = evidence.readings.filter(
    (reading) => reading.memberId === member.id && within(reading.stationMm),
  );
  const thinnest = [...readings].sort((a, b) => a.kept - b.kept)[0];
  if (thinnest && thinnest.kept <= 0.02)
    reasons.push(refused({ code: 'through near', ...here, stationMm: thinnest.stationMm }));
  else if (thinnest && thinnest.kept < LEAST_KEPT)
    reasons.push(
      refused({
        code: 'thin near',
        ...here,
        stationMm: thinnest.stationMm,
        value: thinnest.kept,
        limit: LEAST_KEPT,
      }),
    );
  const signs = evidence.signs.filter(
    (sign) => sign.memberId === member.id && within(sign.stationMm, sign.toMm ?? sign.stationMm),
  );
  for (const sign of signs) {
    const weight = signWeight(sign.detail);
    const at = { ...here, stationMm: sign.stationMm, name: sign.detail.sign };
    if (weight === 'failed')
      reasons.push(refused({ code: sign.detail.sign === 'hole' ? 'through near' : 'failed near', ...at }));
    if (weight === 'hides') reasons.push(unknown({ code: 'hidden under', ...at }));
    if (weight === 'holds') reasons.push(unknown({ code: 'holds together', ...at }));
  }
  const looks = evidence.spots.filter(
    ({ spot }) => spot.memberId === member.id && within(spot.fromMm!, spot.toMm!),
  );
  for (const { spot, result } of looks) {
    if (result === undefined || !isFailed(result)) continue;
    reasons.push(
      refused({
        code: result === 'through' ? 'through near' : result === 'cracked' ? 'crack near' : 'failed near',
        ...here,
        stationMm: nearestIn(spot.fromMm!, spot.toMm!, stationMm),
        name: spot.title,
      }),
    );
  }
  const crack = evidence.cracks.find((each) => each.memberId === member.id && within(each.fromMm, each.toMm));
  if (crack) reasons.push(refused({ code: 'crack near', ...here, stationMm: crack.fromMm }));
  const seen =
    readings.length > 0 ||
    looks.some((state) => state.seen) ||
    signs.some((sign) => sign.detail.sign === 'struck' || sign.detail.sign === 'light through');
  reasons.push(
    seen
      ? note({ code: readings.length ? 'seen under' : 'nothing read under', ...here, stationMm })
      : unknown({ code: 'unseen under', ...here, stationMm }),
  );
  return reasons;
}
const nearestIn = (from: number, to: number, at: number): number => Math.min(Math.max(at, from), to);

/** What the lift loads further along: demand on found sections, cracks, and critical spots nobody saw. */
function loadReasons(plan: LiftPlan, facts: LiftFacts, { frame, spots, cracks }: LiftEvidence): LiftReason[] {
  const reasons: LiftReason[] = [];
  if (!facts.loadsKnown) reasons.push(unknown({ code: 'loads unknown' }));
  if (facts.unsolved !== undefined) reasons.push(unknown({ code: 'not computed', name: facts.unsolved }));
  const worst = [...facts.members].sort((a, b) => b.utilisation - a.utilisation);
  for (const member of worst) {
    const at = { memberId: member.memberId, stationMm: member.stationMm, value: member.utilisation };
    if (member.utilisation > 1) reasons.push(refused({ code: 'demand over', ...at, limit: 1 }));
    else if (!member.measured && member.utilisation > DOUBT_FROM)
      reasons.push(unknown({ code: 'not measured, near its limit', ...at, limit: DOUBT_FROM }));
  }
  if (worst[0] && worst[0].utilisation <= 1)
    reasons.push(
      note({
        code: 'demand within',
        memberId: worst[0].memberId,
        stationMm: worst[0].stationMm,
        value: worst[0].utilisation,
        limit: 1,
      }),
    );
  const loaded = new Set(
    facts.unsolved === undefined
      ? facts.members.filter((member) => member.utilisation >= CARRIES_FROM).map((member) => member.memberId)
      : frame.members.map((member) => member.id),
  );
  // Held by its wheels or axles the frame is loaded as it came in: a crack there is for a person to weigh. Any other way loads it anew.
  const crackedHere = plan.way === 'four-post' || plan.way === 'by the axles' ? unknown : refused;
  for (const crack of cracks)
    if (loaded.has(crack.memberId))
      reasons.push(
        crackedHere({ code: 'crack on what it loads', memberId: crack.memberId, stationMm: crack.fromMm }),
      );
  for (const { spot, result } of spots)
    if (result === 'cracked' && spot.memberId !== undefined && loaded.has(spot.memberId))
      reasons.push(
        crackedHere({
          code: 'crack on what it loads',
          memberId: spot.memberId,
          stationMm: spot.fromMm!,
          name: spot.title,
        }),
      );
  for (const state of spots) {
    const { memberId } = state.spot;
    if (
      state.seen ||
      !state.spot.critical ||
      memberId === undefined ||
      !loaded.has(memberId) ||
      !memberOf(frame, memberId)
    )
      continue;
    reasons.push(
      unknown({ code: 'unseen critical', memberId, stationMm: state.spot.fromMm!, name: state.spot.title }),
    );
  }
  return reasons;
}

/** Ways whose one typed rating holds for each of these supports. */
const RATED_SUPPORTS: Partial<Record<LiftPlan['way'], Stand['on']>> = {
  'by the axles': 'tyre',
  'on its legs': 'leg',
  hitched: 'coupler',
};

const isUnder = (point: LiftPoint, stand: Stand): boolean => stand.on === 'pad' && stand.pointId === point.id;

function reactionReasons(plan: LiftPlan, facts: LiftFacts): LiftReason[] {
  const reasons: LiftReason[] = [];
  for (const { stand, upN, sideN } of facts.supports) {
    const which = stand.on === 'pad' ? { pointId: stand.pointId } : { name: standName(stand) };
    if (upN <= 0) reasons.push(refused({ code: 'tips', ...which, value: upN }));
    else if (stand.on === 'pad' && sideN > SLIDE_SHARE * upN)
      reasons.push(refused({ code: 'slides', ...which, value: sideN / upN, limit: SLIDE_SHARE }));
  }
  const rated = RATED_SUPPORTS[plan.way];
  if (rated) {
    const worst = [...facts.supports]
      .filter((support) => support.stand.on === rated)
      .sort((a, b) => b.upN - a.upN)[0];
    if (worst && plan.hoistRatingN === undefined)
      reasons.push(unknown({ code: 'no rating', value: worst.upN }));
    if (worst && plan.hoistRatingN !== undefined && worst.upN > plan.hoistRatingN)
      reasons.push(
        refused({
          code: 'rating over',
          name: standName(worst.stand),
          value: worst.upN,
          limit: plan.hoistRatingN,
        }),
      );
    return reasons;
  }
  const unrated =
    plan.hoistRatingN === undefined && takesPoints(plan.way)
      ? plan.points.filter((point) => point.ratingN === undefined)
      : [];
  const heaviest = Math.max(
    0,
    ...facts.supports
      .filter((support) => unrated.some((point) => isUnder(point, support.stand)))
      .map((support) => support.upN),
  );
  if (unrated.length)
    reasons.push(
      unknown({
        code: 'no rating',
        name: unrated
          .map((point) => point.id)
          .join(', ')
          .slice(0, 200),
        ...(heaviest > 0 && { value: heaviest }),
      }),
    );
  const onHoist = facts.supports
    .filter((support) => plan.way === 'four-post' || support.stand.on === 'pad')
    .reduce((sum, support) => sum + support.upN, 0);
  if (plan.hoistRatingN !== undefined && onHoist > plan.hoistRatingN)
    reasons.push(refused({ code: 'hoist over', value: onHoist, limit: plan.hoistRatingN }));
  if (plan.way === 'four-post' && plan.hoistRatingN === undefined)
    reasons.push(unknown({ code: 'no rating', value: onHoist }));
  return reasons;
}

/** A notice that speaks of lifting is not read by a program: a person has to weigh it, and it keeps the gate from opening. */
const noticeReasons = ({ notices }: LiftEvidence): LiftReason[] =>
  notices
    .filter((words) => /\b(lift|jack|raise|hoist)/i.test(words))
    .map((words) => unknown({ code: 'notice', name: words.slice(0, 200) }));

/** Stations along the frame worth trying for points, both sides alike: no refusal from the metal on either. */
export function candidateStations(
  evidence: LiftEvidence,
  stepMm = 150,
): { readonly stationMm: number; readonly unknowns: number }[] {
  const out: { stationMm: number; unknowns: number }[] = [];
  for (let stationMm = stepMm; stationMm < evidence.frame.lengthMm; stationMm += stepMm) {
    const over = (['left', 'right'] as const).map((side) => memberOver(evidence.frame, { side, stationMm }));
    if (over.some((each) => !each)) continue;
    const reasons = over.flatMap((each) => metalReasons(each!.member, each!.stationMm, evidence));
    if (reasons.some((reason) => reason.weight === 'refused')) continue;
    out.push({ stationMm, unknowns: reasons.filter((reason) => reason.weight === 'unknown').length });
  }
  return out;
}

export const INSTEAD = [
  'more points',
  'by the axles',
  'cribbing under hangers',
  'on tracks or ramps',
  'unload first',
  'level ground first',
  'see first',
] as const;
export type Instead = (typeof INSTEAD)[number];

/** What to carry it by instead, from why the plan was refused. */
export function insteadOf(plan: LiftPlan, reasons: readonly LiftReason[]): Instead[] {
  const has = (...codes: readonly LiftReason['code'][]) =>
    reasons.some((reason) => codes.includes(reason.code) && reason.weight !== 'note');
  return [
    ...(has('unseen under', 'unseen critical', 'hidden under') ? ['see first' as const] : []),
    ...(has('demand over', 'web crushes', 'rating over', 'hoist over')
      ? ['more points' as const, ...(plan.unloaded ? [] : ['unload first' as const])]
      : []),
    ...(has(
      'demand over',
      'crack on what it loads',
      'crack near',
      'through near',
      'failed near',
      'thin near',
    ) && takesPoints(plan.way)
      ? ['by the axles' as const, 'on tracks or ramps' as const]
      : []),
    ...(has('failed near', 'through near', 'thin near', 'web crushes')
      ? ['cribbing under hangers' as const]
      : []),
    ...(has('slides', 'tips') ? ['level ground first' as const] : []),
  ];
}

export type LiftStep =
  | { readonly does: 'chock'; readonly wheels: readonly string[] }
  | { readonly does: 'unload' }
  | {
      readonly does: 'raise';
      readonly points: readonly string[];
      readonly axle?: string;
      readonly massKg?: number;
    }
  | { readonly does: 'stand'; readonly points: readonly string[] }
  | { readonly does: 'spring'; readonly axle: string }
  | { readonly does: 'pin'; readonly axle: string }
  | { readonly does: 'look again'; readonly members: readonly string[] };

/**
 * The order for taking weight off the springs: an axle at a time, the lighter first, both its sides rising evenly; a second support under
 * each spring before its pin is touched (common practice, no source). `axleLoadsKg` from the standing case.
 */
export function liftSteps(
  plan: LiftPlan,
  axles: readonly {
    readonly id: string;
    readonly name: string;
    readonly stationMm: number;
    readonly loadKg: number;
  }[],
  loadedMembers: readonly string[],
): LiftStep[] {
  const down = (id: string) => plan.wheelsDown.some((wheel) => wheel.startsWith(`${id} `));
  const raised = axles
    .filter((axle) => !down(axle.id) || plan.way === 'jack')
    .filter((axle) => plan.way !== 'jack' || axle === nearestAxle(axles, plan))
    .sort((a, b) => a.loadKg - b.loadKg);
  const stays = axles.filter((axle) => !raised.includes(axle));
  const pointsBy = (stationMm: number) =>
    plan.points
      .filter((point) =>
        raised.every(
          (axle) => Math.abs(axle.stationMm - point.stationMm) >= Math.abs(stationMm - point.stationMm),
        ),
      )
      .map((point) => point.id);
  return [
    ...(plan.unloaded ? [{ does: 'unload' as const }] : []),
    ...(stays.length && takesPoints(plan.way)
      ? [{ does: 'chock' as const, wheels: stays.map((axle) => axle.name) }]
      : []),
    ...(takesPoints(plan.way)
      ? raised.flatMap((axle): LiftStep[] => {
          const points = pointsBy(axle.stationMm);
          return [
            {
              does: 'raise',
              points: points.length ? points : plan.points.map((point) => point.id),
              axle: axle.name,
              massKg: axle.loadKg,
            },
            ...(plan.way === 'jack' ? [{ does: 'stand' as const, points }] : []),
            { does: 'spring', axle: axle.name },
            { does: 'pin', axle: axle.name },
          ];
        })
      : [{ does: 'raise' as const, points: [] }]),
    { does: 'look again', members: loadedMembers },
  ];
}

const nearestAxle = <Axle extends { stationMm: number }>(
  axles: readonly Axle[],
  { points }: LiftPlan,
): Axle | undefined =>
  points[0] &&
  [...axles].sort(
    (a, b) => Math.abs(a.stationMm - points[0]!.stationMm) - Math.abs(b.stationMm - points[0]!.stationMm),
  )[0];
