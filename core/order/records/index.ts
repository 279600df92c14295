export { boughtKind, type Bought } from './bought';
export {
  answerTo,
  EXTRA_ANSWERS,
  extraAnswerKind,
  extraKind,
  extraMoney,
  type Extra,
  type ExtraAnswer,
} from './extra';
export { GATE_IDS, gateSaidKind, type GateId, type GateSaid } from './gate-said';
export { handoverKind, type Handover } from './handover';
export { interimKind, type Interim } from './interim';
export { jobPlanKind, type JobPlan, type PlannedTask } from './job-plan';
export { OWN_BEFORE, ownTaskKind, type OwnTask } from './own-task';
export { PERMIT_CHECKS, permitKind, type Permit, type PermitCheck } from './permit';
export { FATES, removalKind, type Removal } from './removal';
export { POWERS, slotKind, type Slot } from './slot';
export { TASK_SAYS, taskSaidKind, type TaskSaid } from './task-said';
