export {
  CUTS_METAL,
  LAYS_METAL,
  PHASES,
  phaseOf,
  stageOf,
  STAGES,
  TASK_PHASES,
  taskId,
  TESTS,
  type Phase,
  type Stage,
  type Task,
  type TaskOf,
  type TaskWhat,
  type Test,
} from './task';
export {
  type Along,
  type HeldTogether,
  type OrderScene,
  type PlannedCrack,
  type PlannedRepair,
  type SceneAlign,
  type SceneExtra,
  type SceneOwn,
  type ScenePart,
  type SceneRenewal,
  type SceneWork,
  type Unplanned,
} from './scene';
export { HEAT_REACH_MM, ONE_STRIPPING_MM, zonesOf, type Zone } from './zones';
export { TASK_SOURCES } from './sources';
export { plateHours } from './sources/plates';
export { workHours } from './sources/works';
export { ORDER_RULES, REASONS, type Draft, type Edge, type OrderRule, type ReasonCode } from './reasons';
export { circlesIn, criticalPath, inOrder, withoutCircles, type Circle, type CriticalPath } from './graph';
export { draftOf, edgesOf, planOrder, type Plan, type Trouble } from './plan';
export { standTroubles, type StandTrouble } from './stands';
export {
  FORGOTTEN_H,
  isOver,
  openRefits,
  clockOf,
  progressOf,
  TASK_STATES,
  type Fact,
  type TaskProgress,
  type TaskState,
} from './progress';
export {
  ABOVE_DEW_K,
  ABOVE_DEW_SOURCE,
  COOL_C,
  COOL_SOURCE,
  DEW_SOURCE,
  dewPointC,
  TOO_COLD_C,
  TOO_DAMP,
} from './dew';
export { COOL_H, CURE_H } from './hours';
export {
  AIR_HOLDS_H,
  airLacks,
  GATE_LACKS,
  gatesOf,
  isOpen,
  openChecks,
  PERMIT_H,
  shutBefore,
  type Compared,
  type Gate,
  type GateScene,
  type GeometrySince,
  type Lack,
  type LackCode,
  type PermitState,
} from './gates';
export * from './records';
export { afterWait, dayAt, hourOn, workCalendar, type WorkCalendar } from './schedule/calendar';
export {
  cannotBeDone,
  NO_SCHEDULE,
  schedule,
  type NoSchedule,
  type Resources,
  type SchedJob,
  type SchedTask,
  type ScheduledJob,
} from './schedule/serial';
export { bestOrder, byLongestTail } from './schedule/search';
export {
  chanceBy,
  dayWithChance,
  drawnHours,
  middleHours,
  simulated,
  type FinishOf,
} from './schedule/simulate';
export {
  latestStart,
  baysFor,
  shopDates,
  type DatedJob,
  type DatedTask,
  shopJob,
  type BayTrouble,
  type ShopDates,
  type ShopJob,
  type ShopToSchedule,
} from './schedule/shop';
export { planBasis, snapshotOf } from './schedule/snapshot';
export { isLookMade, LOOKED_BY, lookDue, SPEAKS_AGAINST, type LookDue } from './until';
