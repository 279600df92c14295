export {
  checkRepair,
  coverage,
  coverageAt,
  isInside,
  lengthsOf,
  lieOver,
  outlineOnStrip,
  reachOf,
  stretchOf,
  pieceName,
  PIECE_KINDS,
  notchSchema,
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
export { bendAllowanceMm, kFromCoupon, type BrakeCoupon } from './flat/bend';
export {
  boltedForceN,
  boltsAt,
  carryingReach,
  developmentMm,
  edgeStrengthNPerMm,
  endForceN,
  plateForceN,
  ringNPerMm,
  strengthOfBolts,
  PLATE_STRESS_SHARE,
} from './development';
export { cutsAt, cutsAway } from './plating';
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
export { insideReached, type Access } from './rules/inside';
export { heldLevel, seatsOf, type Seat } from './rules/level';
export { overlaid } from './rules/overlaid';
export { flatId, flatName } from './flat/flat-name';
export { blankOfPiece } from './flat/piece-blank';
export { blanksOfRepair, flatPattern, flatPatterns } from './flat/piece-flat';
export {
  FLAT_FINDING_CODES,
  type FlatFinding,
  type FlatFindingCode,
  type FlatHole,
  type FlatPattern,
} from './flat/pattern';
export { drawBlank, FLAT_LAYERS, linesOf, type DrawnAs } from './flat/draw';
export {
  blankFigures,
  holeContour,
  innerContours,
  mirroredBlank,
  type Blank,
  type BlankBend,
  type BlankFigures,
  type BlankHole,
} from './flat/blank';
export { checkOutline } from './flat/findings';
export {
  blankOfOutline,
  contourOf,
  outlineKind,
  outlinePointSchema,
  type Outline,
  type OutlinePoint,
} from './flat/outline';
export {
  errorPerMetreMm,
  homography,
  MARK_IN_MM,
  marksAt,
  marksOf,
  opposite,
  seenAt,
  TAP_PX,
  type Homography,
} from './flat/straighten';
export { openingsOf, type Opening } from './flat/opening';
export { drawScribe, SCRIBE_LAYERS, scribeSheet, type ScribeSheet } from './flat/scribe';
export {
  PAPER_MARGIN_MM,
  PAPER_NAMES,
  PAPERS,
  paperOf,
  TILE_OVERLAP_MM,
  tilesOf,
  type Paper,
  type Tile,
  type Tiling,
} from './flat/tiles';
export { blanksOfWork, massOfPartKg } from './flat/work-blank';
export { repairPicture, type PieceStation, type RepairPicture } from './repair-picture';
export {
  REPAIR_FINDING_CODES,
  type RepairFinding,
  type RepairFindingCode,
  type Weight,
} from './repair-finding';
export { byWeight, checkRules, reasonsAgainst } from './rules';
export { NO_FOOT, clashesUnder, isNotchedRound, pastOf, skinsUnder, type Clash } from './clashes';
export { drainsOf, type Drain } from './drains';
export { facesCovered } from './faces-covered';
export { inLengths } from './joints';
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
export { checkMeasures, startMeasures, workPlace, worksAt } from './works/place';
export { workKind, type Work } from './works/record';
export {
  SEAM_TYPES,
  weldOf,
  WORK_IDS,
  WORK_WHY_NOT,
  workForm,
  type SeamType,
  type WorkSeam,
  type JudgedWork,
  type Measure,
  type Footing,
  type Measures,
  type WorkFigure,
  type WorkFinding,
  type WorkForm,
  type WorkId,
  type WorkPart,
  type WorkPlace,
  type WorkWhyNot,
} from './works';
export {
  cutInto,
  isOfThickness,
  liesOnShelf,
  laidBends,
  laidContours,
  LEAST_REMNANT_MM,
  nestFigures,
  nestPart,
  nestPiece,
  nestSteps,
  remnantsOf,
  sheetsOnShelf,
  shelfAfter,
  TURNS,
  type CutSheet,
  type Laid,
  type Nest,
  type NestFigures,
  type NestPart,
  type NestPiece,
  type NestSheet,
  type NestStep,
  type NestWays,
  type Remnant,
  type Turns,
} from './nest';
