import { standName, type Stand } from '../../frame';
import { takesPoints, type LiftFacts, type LiftPlan, type LiftPoint, type LiftReason } from '../../walk';
import { refused, unknown } from './reason';

/** A support pushed sideways by more than this share of its load slides (rubber or steel on a wet floor; our judgement). */
const SLIDE_SHARE = 0.2;

/** Ways whose one typed rating holds for each of these supports. */
const RATED_SUPPORTS: Partial<Record<LiftPlan['way'], Stand['on']>> = {
  'by the axles': 'tyre',
  'on its legs': 'leg',
  hitched: 'coupler',
};

/** What a slope pushes whatever stands on it by, as a share of its load. */
const slopeShare = ({ slopeAlongDeg, slopeAcrossDeg }: LiftPlan): number =>
  Math.hypot(...[slopeAlongDeg, slopeAcrossDeg].map((deg) => Math.tan((deg * Math.PI) / 180)));

export const isUnder = (point: LiftPoint, stand: Stand): boolean =>
  stand.on === 'pad' && stand.pointId === point.id;

/** What stands beneath against what it is rated for; tipping and sliding. */
export function reactionReasons(plan: LiftPlan, facts: LiftFacts): LiftReason[] {
  const reasons: LiftReason[] = [];
  for (const { stand, upN, sideN } of facts.supports) {
    const which = stand.on === 'pad' ? { pointId: stand.pointId } : { name: standName(stand) };
    if (upN <= 0) reasons.push(refused({ code: 'tips', ...which, value: upN }));
    else if (stand.on === 'pad' || stand.on === 'leg') {
      // A coupler or chocks that hold the unit on a slope may let go of it: its pads and legs must hold it by themselves.
      const push = Math.max(sideN / upN, slopeShare(plan));
      if (push > SLIDE_SHARE)
        reasons.push(refused({ code: 'slides', ...which, value: push, limit: SLIDE_SHARE }));
    }
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
