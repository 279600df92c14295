export { beamProfile, inRow, plainProfile, principal, type BeamProfile, type Seat } from './profile';
export type {
  BeamElement,
  BeamModel,
  CaseResult,
  ElementEnd,
  EndForces,
  EndWarping,
  LineLoad,
  LoadCase,
  NodeLoad,
  Releases,
  Solved,
  Support,
  Unsolvable,
  Vector3,
  WarpTie,
} from './model';
export { NODE_DOF, ON_REFERENCE } from './model';
export type { WorkedElements } from './prepared';
export { prepareFrame, solveFrame, type PreparedFrame } from './solve';
export { normalStress, stressField, type FibreStress, type StressField } from './stress';
export { webTieStiffness, webTurnStiffness, type WebJoint } from './joint';
