export {
  breadthMm,
  developedWidthMm,
  FACE_IDS,
  faceAtU,
  faceIdSchema,
  faceOf,
  facesOf,
  heightOnFace,
  isBranched,
  isClosed,
  isEnclosing,
  midlinePoint,
  onSheet,
  referencePoint,
  SHAPE_KINDS,
  shapeSchema,
  pointOffSurface,
  surfacePoint,
  uOnFace,
  withBreadth,
  wrapped,
  type Face,
  type FaceId,
  type MemberShape,
  type ShapeKind,
} from './shape';
export { withFitting, withMember, withPanel, withPocket } from './add';
export { CARRIED, GOVERNS_DRIVING, gravity, type Carried } from './carried';
export { PANEL_KINDS, panelSchema, pocketSchema, type Panel, type Pocket } from './enclosed';
export {
  ATTACHED_BY,
  carriedBy,
  FITTING_KINDS,
  fittingSchema,
  type AttachedBy,
  type Fitting,
  type FittingKind,
} from './fitting';
export {
  fittedTo,
  hostOf,
  hostsOf,
  HOST_ON,
  memberOver,
  sidesOf,
  type Host,
  type HostOn,
  type HostSpan,
} from './hosts';
export {
  axlesOf,
  axleStationsMm,
  carriedByMember,
  CRITICAL_REACH_MM,
  crossingsOn,
  JOINT_KINDS,
  ROLES,
  FAMILY_IDS,
  familySchema,
  frameForm,
  frameSchema,
  fittingsOn,
  memberOf,
  memberSchema,
  passes,
  startsAtMm,
  spotOnMember,
  spotSchema,
  twinOf,
  type Family,
  type Frame,
  type Hole,
  type JointKind,
  type Member,
  type Role,
  type Spot,
} from './frame';
export { crossmember, defaultFrame, familyOf, type FamilyChoice, type FamilyDefinition } from './families';
export { lineLengthMm, placementOf, type Placement } from './placement';
export {
  LOAD_KINDS,
  loadSchema,
  loadsSchema,
  ticketSchema,
  type Load,
  type Loads,
  type ScaleTicket,
  type FrameStand,
  burns,
  TANK_HOLDS,
  type TankHolds,
} from './loads';
export { bySchema, instantSchema, recordIdSchema, standing, strikeSchema, type Strike } from './strike';
export { lastWord, maybeLast } from './last-word';
export { evidenceKind, ofKind, onMember, type EvidenceKind, type EvidenceStamp, type Fit } from './evidence';
export {
  CRACK_ENDS,
  CRACK_SIGNS,
  DEPTHS,
  SEEN_BY_IDS,
  STARTS_AT,
  usedSchema,
  type CrackEnd,
  type SeenBy,
} from './crack-terms';
export { frameDifferences, type Difference } from './differences';
export { standName, type Stand } from './stand';
export { evenWall, surfaceOf, wallOf, type Surface, type Wall } from './surface';
export {
  DUTIES,
  EXPOSURES,
  jobSheetSchema,
  NOTICE_ABOUT,
  noticeLiftedSchema,
  noticeSchema,
  PURPOSES,
  UNIT_KINDS,
  unitSchema,
  type JobSheet,
  type Notice,
  type NoticeLifted,
  type Unit,
} from './unit';
export { ALL_HOLDS, structureOf, type Holds, type Structure } from './structure';
export { SHEAR_MODULUS_MPA } from './standing-model';
export { type MeshedMember, type ProfileAt, type StructureProblem } from './beam-mesh';
export {
  CASE_IDS,
  defaultLiftPoints,
  heightOfMm,
  isLifted,
  isRaised,
  ON_STANDS_G,
  solveCases,
  solveOnStands,
  solveStanding,
  usualStands,
  totalKg,
  usualHeightMm,
  type CaseId,
  type LiftPoints,
  type SolvedCase,
  type SolvedFrame,
  type UnsolvedCase,
  type WheelLoad,
} from './cases';
export { groundBelowMm, sharesLoad } from './undercarriage';
export { payloadFromCoupler, payloadFromTicket, typicalLoads } from './spread';
export { asKind, changeMember, moveMember, stationOf } from './edit';
export { solveRaised, type Raised } from './raised';
