export type { LiftEvidence } from './evidence';
export { liftAnswer, liftReasons } from './gate';
export { candidateStations, middleStations, metalReasons } from './metal';
export { preparedLift, type PreparedLift } from './raised';
export { INSTEAD, insteadOf, liftSteps, type Instead, type LiftStep } from './steps';
