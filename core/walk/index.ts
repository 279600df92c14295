export {
  CAUSES,
  answersLook,
  isDoubtful,
  isFailed,
  isOnlyTold,
  LOOK_ON,
  LOOK_RESULTS,
  lookKind,
  standingLook,
  UNSEEN_WHYS,
  WAYS,
  type Cause,
  type Look,
  type LookOn,
  type LookResult,
  type UnseenWhy,
  type Way,
} from './look';
export {
  checkSign,
  firstGuessEdgeMm,
  isLetGo,
  isWornOrRusted,
  SIGN_KINDS,
  signDetailSchema,
  signKind,
  signSchema,
  signWeight,
  type Sign,
  type SignDetail,
  type SignKind,
  type SignWeight,
} from './sign';
export {
  checkFind,
  FIND_PARTS,
  findKind,
  findWeight,
  isToldOnly,
  measureOf,
  openFinds,
  partsOf,
  REMEDIES,
  statesOf,
  type Find,
  type FindIs,
  type FindPart,
  type FindState,
  type FindWeight,
  type OpenFind,
} from './find';
export { ACTS, leaveKind, leaveTo, type Act, type Leave } from './leave';
export { mendedIn, type MendedBefore } from './mended-before';
export { COMPLAINTS, complaintKind, type Complaint } from './complaint';
export { PHOTO_MOMENTS, photoKind, photoPairs, photoSchema, type Photo, type PhotoPair } from './photo';
export { CLAIM_STANDINGS, claimKind, claimsStand, type Claim } from './claim';
export { hotSpots, spotRuleSchema, TOURS, type HotSpot, type SpotRule, type Tour } from './spot';
export { spotRules, TRADE_SPOTS, type SpotChange } from './trade-spots';
export { learnedSpots, type ClosedFinding, type ClosedJob } from './learned';
export {
  askedBy,
  memberWalk,
  nextToLookAt,
  progressOf,
  spotStates,
  type Settled,
  type MeasuredAt,
  type MemberWalk,
  type NotSeenWhy,
  type Progress,
  type SpotState,
} from './seen';
export { explain, EXPLANATIONS, type Explanation, type ModelMovement } from './explain';
export { TAP_ANSWERS, tapKind, type HeardTap, type TapAnswer, type TapTest } from './tap-test';
export { compareTaps, hearTaps, listen, TAP_WHYS, type TapComparison } from './tap-ear';
export {
  LIFT_ANSWERS,
  LIFT_REASONS,
  LIFT_SIDES,
  LIFT_WAYS,
  liftKind,
  liftPlanSchema,
  liftsAllWheels,
  takesPoints,
  type LiftAnswer,
  type LiftFacts,
  type LiftPlan,
  type LiftPoint,
  type LiftReason,
  type LiftReasonCode,
  type LiftRecord,
  type LiftWay,
} from './lift';
export { usualLift, wheelsOf } from './usual-lift';
export { AUTHORISED, intakeKind, intakeSchema, type Intake } from './intake';
export { CHOSEN, choiceKind, choiceSchema, LEAVES_BAD, type Chosen, type OwnersChoice } from './choice';
