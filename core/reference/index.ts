export { COMMON_PRACTICE, printSource, type Source } from './source';
export {
  FILLER_TENSILE_MPA,
  STEEL_DENSITY_KG_PER_MM3,
  STEEL_IDS,
  steel,
  YOUNGS_MODULUS_MPA,
  type Steel,
  type SteelId,
} from './steels';
export {
  DEFAULT_LOAD_FACTORS,
  DEFAULT_PRACTICE,
  loadFactorsSchema,
  type LoadFactors,
  LIMIT_SOURCES,
  practiceSchema,
  SCHOOL_IDS,
  schoolEdgeMm,
  schoolMarginMm,
  schoolSchema,
  DEFAULT_WALK_PRACTICE,
  WALK_PROFILES,
  type WalkPractice,
  type WalkProfile,
  type LimitSource,
  type Practice,
  type School,
} from './practice';
export {
  BESIDE_TOE_MM,
  BETWEEN_HEAT_ZONES_MM,
  chosenLegMm,
  CORNER_RADIUS_MM,
  lapMm,
  maximumLegMm,
  minimumLegMm,
  plugHoleMm,
  shortestRunMm,
  widestPitchMm,
} from './fillets';
export { cyclesToCrack, fatigue, FATIGUE_IDS, FATIGUE_SOURCE, type FatigueId } from './fatigue';
export {
  BOLT_GRADES,
  boltGrade,
  proofLoadN,
  tensileStressAreaMm2,
  UNC_THREADS,
  type BoltGrade,
} from './bolts';
export {
  ATMOSPHERES,
  ATMOSPHERE_SOURCE,
  CAVITY_MM_PER_YEAR,
  outsideLossMm,
  type Atmosphere,
} from './atmosphere';
