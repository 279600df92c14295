export { braces } from './braces';
export {
  changedSection,
  foldsBetween,
  laidSection,
  layoutOf,
  layoutsAlong,
  NO_CHANGE,
  platePoint,
  wallSection,
  type CutBand,
  type PlateBand,
  type SectionChange,
  type SectionLayout,
} from './wall-section';
export { drawnSection, plateRing, wallRing, type DrawnSection, type Ring } from './section-rings';
export {
  builtProperties,
  figure,
  isJudged,
  KEPT_KEYS,
  keptAlong,
  keptAt,
  lowerBound,
  worstStation,
  type Kept,
  type KeptKey,
  type SectionKept,
} from './kept';
export { shortStretch, thinAllOver } from './thin-all-over';
export { type ColumnDamage, type DamageZone } from './damage';
export { knownBad, type KnownBad } from './known-bad';
export { memberPicture, type CrackedWeld, type MemberEvidence, type MemberPicture } from './picture';
export {
  FINDING_CODES,
  PARTED_FROM,
  severity,
  VERDICTS,
  type Finding,
  type FindingCode,
  type Quantity,
  type Verdict,
} from './finding';
export { weigh, type MemberVerdict } from './verdict';
export { bearsLoad, leastWall } from './least';
export { carriesFrame, HOST_NEEDS, hostVerdicts, type HostNeed, type HostVerdict } from './hosts';
export { unitVerdict, type JudgedMember, type UnitVerdict } from './unit';
export { demandFindings, plateEnd, PLATE_END_IDS, type DemandPair, type PlateEnd } from './demand-findings';
export {
  FELT_IDS,
  demandOnStands,
  frameDemand,
  movement,
  stateDemand,
  stateForces,
  type FrameState,
  type StateForces,
  nearest,
  WHY_IDS,
  type Detail,
  type FatigueSpot,
  type Felt,
  type FlexShapes,
  type FrameDemand,
  type MemberDemand,
  type PadDemand,
  type KeptCuts,
  type StateWall,
  type StationDemand,
  type WallAt,
  type Walls,
} from './demand';
export {
  webBearingN,
  webAtBearingMm,
  heldWallShare,
  lateralMpa,
  outstandShare,
  sectionStrength,
  type SectionStrength,
} from './strength';
export {
  candidateStations,
  INSTEAD,
  insteadOf,
  liftAnswer,
  liftReasons,
  liftSteps,
  metalReasons,
  middleStations,
  preparedLift,
  type Instead,
  type LiftEvidence,
  type LiftStep,
  type PreparedLift,
} from './lift';
export { modelMovement } from './movement';
export { byPlace, type Place } from './by-place';
export { badBodyItems, buyersLook, type BuyersLook, type BuyersWhy, HOURS_BY_VERDICT } from './buyers-look';
export {
  leftOfPlan,
  NEXT_WHYS,
  nextReadings,
  NOT_WORTH_IT,
  readingsThatMattered,
  surveyPlan,
  tail,
  type NextReading,
} from './next-reading';
export {
  hoursLearnt,
  hoursTakenKind,
  NO_PRICE,
  SCHOOL_WAYS,
  pricedWays,
  retiredByMoney,
  SERVICE_YEARS,
  WAYS_OUT,
  type Drawn,
  type HoursLearnt,
  type HoursTaken,
  type NoPrice,
  type PricedBy,
  type Priced,
  type Quantities,
  type Spread,
  type WayOut,
} from './money';
export { isMended } from './mended';
export { OVERRIDING, overrideKind, overrideSchema, type Override } from './override';
export * from './straight';
export { memberChecks } from './rules/straightness';
export { STIFF_STEP } from './rules/old-plate';
export { firmnessOf, type Firmness } from './firmness';
