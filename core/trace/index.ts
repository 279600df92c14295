export {
  checkCrack,
  crackExtent,
  crackKind,
  crackLengthMm,
  crackSchema,
  unrolledPath,
  type Crack,
} from './crack';
export { crackLookKind, crackLookSchema, type CrackLook } from './crack-look';
export {
  cracksAsSeen,
  grewAfter,
  ligamentsOf,
  lookFlags,
  looksAt,
  crackedShare,
  runOn,
  type LookFlag,
  type SeenCrack,
} from './as-seen';
export { tripKind, tripSchema, type Trip } from './trip';
export {
  notTakenOver,
  TEMPORARY_FORMS,
  temporaryKind,
  temporarySchema,
  timeLeft,
  type HeldElsewhere,
  type TemporaryRepair,
  type TimeLeft,
} from './temporary';
export {
  crossingOf,
  crossingOn,
  foretoldToMm,
  intensityBetween,
  type Crossing,
  type WhyNoCrossing,
} from './crossing';
export {
  AS_IT_IS,
  foretell,
  limitOf,
  seenOf,
  type Band,
  type Basis,
  type Easing,
  type Foretold,
  type Growth,
  type Limit,
  type Seen,
  type StressThere,
  type WhyNot,
} from './growth';
export { stopHole, tipsOf, type StopHole, type Tip, type WhyNoHole } from './arrest';
export {
  LOAD_STATES,
  loadTestKind,
  loadTestSchema,
  TEST_PURPOSES,
  releaseOf,
  type Release,
  TOLD_APART_MM,
  testResults,
  WATCHED,
  watchedSchema,
  type LoadState,
  type LoadTest,
  type Moved,
  type PlaceResult,
  type Watched,
} from './load-test';
export {
  ALIGNMENT_LACKS,
  alignmentKind,
  alignmentLacks,
  alignmentSchema,
  type Alignment,
  type AlignmentLack,
} from './alignment';
export {
  cracksElsewhere,
  ELSEWHERE_FLAGS,
  runsOn,
  type CrackElsewhere,
  type ElsewhereFlag,
  type LookElsewhere,
  type RunsOn,
} from './elsewhere';
export { crackFamilies, familyLengthMm } from './family';
export { isStricter, MOVE_ANSWERS, type MoveAnswer } from './may-move';
