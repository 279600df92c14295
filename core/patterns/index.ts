export { landmarksOn, type Anchor, type Anchors, type Landmark, type LandmarkKind } from './landmarks';
export {
  MOST_PHOTOS,
  patternDroppedSchema,
  patternForm,
  patternOf,
  patternSchema,
  type Pattern,
  type PatternAbout,
  type PatternDropped,
} from './pattern';
export { layPattern, suits, type LaidPattern, type Unlike } from './laid';
export {
  howItHeld,
  tallyOf,
  type Held,
  type KnownUse,
  type LaterRecord,
  type ListedPattern,
  type PatternUse,
} from './held';
export {
  asBuiltIn,
  asBuiltOver,
  type AsBuilt,
  type AsBuiltIn,
  type NotAsBuilt,
  type ShownAsBuilt,
  type StandsAt,
} from './as-built';
export { foundIn, TELLING_KINDS, type FoundThere } from './found';
export {
  AT_MM,
  faultsOf,
  faultsOver,
  jobPlaces,
  LIKE_YEARS,
  placeKey,
  placesOver,
  type FailedUnit,
  type Fault,
  type FaultPlace,
  type JobPlaces,
  type ToCallIn,
  type UnitPlaces,
  type Zone,
} from './faults';
export {
  correctedNorm,
  hoursSeen,
  middleOf,
  normsLearnt,
  OUTLIER_SDS,
  type FamilyHours,
  type HoursSeen,
  type NormId,
  type NormLearnt,
  type WorkedJob,
} from './hours';
