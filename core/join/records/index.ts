export { MOST_PLANNED, plannedRunSchema, weldPlanKind, type PlannedRun, type WeldPlan } from './weld-plan';
export { runDoneKind, type RunDone } from './run-done';
export { isStillReady, READY_CHECKS, READY_HOURS, readyKind, type Ready, type ReadyCheck } from './ready';
export {
  DEFECTS,
  DYES,
  mayBeCovered,
  SEAM_STANDS,
  seamLogKind,
  crackedSince,
  logsBySeam,
  seamStands,
  type Defect,
  type LaidAtTheRail,
  type SeamLog,
  type SeamStands,
} from './seam-log';
export { scrapTestKind, type ScrapTest } from './scrap-test';
export { cardSteps, stepDoneKind, type CardStep, type StepDone } from './step-done';
export {
  LOOK_AGAIN_HOURS,
  RETIGHTEN,
  retighten,
  tightenedKind,
  wouldTell,
  type Retighten,
  type Tightened,
} from './tightened';
