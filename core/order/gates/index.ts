import { coolDown, cure } from './cooling';
import { coatNow, lookFirst } from './covering';
import { isOpen, type Gate, type GateKind, type GateScene } from './gate';
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

export const gatesOf = (scene: GateScene): Gate[] => GATES.flatMap((kind) => kind(scene));

/** Shut gates before a task. */
export const shutBefore = (gates: readonly Gate[], taskId: string): Gate[] =>
  gates.filter((gate) => gate.holds.includes(taskId) && !isOpen(gate));
