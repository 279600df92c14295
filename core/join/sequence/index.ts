export { MOST_RUNS, pathBetween, weldRuns, type WeldRun } from './runs';
export {
  figuresOf,
  oneAfterAnother,
  orderSteps,
  skipByRule,
  type Ordered,
  type OrderFigures,
  type OrderStep,
  type ToOrder,
} from './order';
export { BOW_BAND, bowOf, unevenness, type BentSection, type Bow } from './shrinkage';
export { tacksOf, type Tack } from './tacks';
export {
  HANDLING_S,
  runSeconds,
  thermalTable,
  waitNowS,
  waitsOf,
  WAIT_OVER_K,
  type LaidRun,
} from './thermal';
