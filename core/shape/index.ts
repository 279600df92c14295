export {
  checkRepair,
  coverage,
  coverageAt,
  isInside,
  outlineOnStrip,
  pieceName,
  PIECE_KINDS,
  pieceSchema,
  repairForm,
  repairSchema,
  taperLengthMm,
  WELD_STYLES,
  type Piece,
  type PieceKind,
  boltsSchema,
  PAST_WAYS,
  type Bolts,
  type Notch,
  type PastWay,
  type Repair,
} from './repair';
export { boltsOf, boltRowsAt, boltStationsMm, isBolted, type Bolt, type BoltedRepair } from './bolting';
export { faceOfPiece, formOf, pieceKindsFor, type Coverage, type PieceForm } from './forms';
export { bendAllowanceMm, kFromCoupon, type BrakeCoupon } from './bend';
export {
  boltedForceN,
  boltsAt,
  carryingReach,
  developmentMm,
  edgeStrengthNPerMm,
  plateForceN,
  strengthOfBolts,
  PLATE_STRESS_SHARE,
} from './development';
export { cutsAway } from './plating';
export { landingsAt, type EdgeLanding } from './landing';
export {
  memberStates,
  STATE_IDS,
  stateKept,
  stateProperties,
  stateSection,
  type LetIn,
  type MemberState,
  type StateId,
} from './states';
export { candidatesOver, kitOver, proposeRepairs } from './propose';
export { firstBolts } from './bolted-layouts';
export { lengthened } from './reach';
export { drawFlatPattern, FLAT_LAYERS, flatPattern, type FlatHole, type FlatPattern } from './flat-pattern';
export { repairPicture, type PieceStation, type RepairPicture } from './repair-picture';
export {
  REPAIR_FINDING_CODES,
  type RepairFinding,
  type RepairFindingCode,
  type Weight,
} from './repair-finding';
export { checkRules, reasonsAgainst } from './rules';
export { clashesUnder, isNotchedRound, pastOf, skinsUnder, type Clash } from './clashes';
export { drainsOf, LIP_MM, type Drain } from './drains';
export { holesUnder, type HoleUnder } from './holes';
export { plugLayout, type PlugLayout } from './plugs';
export { UNCHECKED, uncheckedIn, type Unchecked } from './unchecked';
export {
  boxOf,
  renewalKind,
  renewalTubes,
  TUBE_WHY_NOT,
  type Renewal,
  type RenewalTube,
  type TubeWhyNot,
} from './renewal';
export { checkMeasures, massOfPartKg, startMeasures, workPlace, worksAt } from './works/place';
export { workKind, type Work } from './works/record';
export {
  WORK_IDS,
  WORK_WHY_NOT,
  workForm,
  type JudgedWork,
  type Measure,
  type Measures,
  type WorkFigure,
  type WorkFinding,
  type WorkForm,
  type WorkId,
  type WorkPart,
  type WorkPlace,
  type WorkWhyNot,
} from './works';
