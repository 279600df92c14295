export {
  checkRepair,
  coverage,
  coverageAt,
  outlineOnStrip,
  PIECE_KINDS,
  pieceKindsFor,
  pieceSchema,
  repairForm,
  repairSchema,
  taperLengthMm,
  WELD_STYLES,
  type Coverage,
  type Piece,
  type PieceKind,
  type Repair,
} from './repair';
export { bendAllowanceMm, kFromCoupon, type BrakeCoupon } from './bend';
export {
  carryingReach,
  cutsAway,
  developmentMm,
  edgeStrengthNPerMm,
  landingsAt,
  plateForceN,
  PLATE_STRESS_SHARE,
  type EdgeLanding,
} from './plating';
export {
  memberStates,
  STATE_IDS,
  stateKept,
  stateProperties,
  stateSection,
  type MemberState,
  type StateId,
} from './states';
export { lengthened, proposeRepairs } from './propose';
export { drawFlatPattern, FLAT_LAYERS, flatPattern, type FlatHole, type FlatPattern } from './flat-pattern';
export { repairPicture, type PieceStation, type RepairPicture } from './repair-picture';
export {
  REPAIR_FINDING_CODES,
  type RepairFinding,
  type RepairFindingCode,
  type Weight,
} from './repair-finding';
export { checkRules, reasonsAgainst } from './rules';
export { plugLayout, type PlugLayout } from './plugs';
