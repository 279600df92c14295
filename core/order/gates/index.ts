import { coolDown, cure } from './cooling';
import { coatNow, lookFirst } from './covering';
import { isDone, isOpen, type Gate, type GateKind, type GateScene } from './gate';
import { geometryLock } from './geometry';
import { hotWork } from './hot-work';
import { ownersYes } from './owner';
import { raise } from './raise';

export {
  GATE_LACKS,
  isOpen,
  type Compared,
  type Gate,
  type GateScene,
  type GeometrySince,
  type Lack,
  type LackCode,
  type PermitState,
} from './gate';
export { AIR_HOLDS_H, airLacks } from './covering';
export { openChecks, PERMIT_H } from './hot-work';

/** Every kind of gate, a file each. */
const GATES: readonly GateKind[] = [
  raise,
  hotWork,
  geometryLock,
  coolDown,
  lookFirst,
  coatNow,
  cure,
  ownersYes,
];

/** Gates that still hold something; those that somebody passed against what they lacked; and a permit whose fire is still watched. */
export const gatesOf = (scene: GateScene): Gate[] =>
  GATES.flatMap((kind) => kind(scene)).filter(
    ({ holds, forced, permit }) =>
      forced !== undefined ||
      holds.some((id) => !isDone(scene, id)) ||
      (permit?.arcOutAt !== undefined && permit.watchedAt === undefined),
  );

/** Shut gates before a task. */
export const shutBefore = (gates: readonly Gate[], taskId: string): Gate[] =>
  gates.filter((gate) => gate.holds.includes(taskId) && !isOpen(gate));
