export {
  ABSURD_THICKNESS_MM,
  checkReading,
  disagreeing,
  METHOD_ERROR_MM,
  METHOD_IDS,
  methodSchema,
  readingKind,
  readingSchema,
  type Method,
  type Reading,
} from './reading';
export { builtThickness, nominalMm, soundThresholdMm, type BuiltThickness } from './built-thickness';
export {
  columnStations,
  KNOWN,
  placedReadings,
  thicknessMap,
  valueAt,
  wallAt,
  withOneMore,
  type ThicknessMap,
  type WallProfile,
} from './thickness-map';
export {
  edgeAt,
  highestUpperMm,
  marginAtMm,
  soundEdges,
  type EdgeAt,
  type EdgeColumn,
  type SoundEdge,
} from './sound-edge';
export { KEPT_LEVELS, LINE_LEVELS, mapContours, type MapContours, type MapShape } from './map-contours';
export { Neighbourhood, type Estimate } from './kriging';
export {
  DEFAULT_COVARIANCE,
  fittedCovariance,
  scaledDistanceMm,
  type Covariance,
  type PlacedReadings,
} from './variogram';
export { checkFeltEdge, feltEdgeKind, type FeltEdge } from './felt-edge';
export {
  calibrationKind,
  DRIFT_MM,
  doubtfulReadings,
  driftMm,
  ECHO_MODES,
  hasDrifted,
  type Calibration,
} from './calibration';
export { FIRST_CUT_UP_MM, finalCut, firstCut, type CutLine } from './cut-lines';
export {
  ATMOSPHERE_BY_EXPOSURE,
  bandOf,
  changesBetween,
  forecasts,
  nextLook,
  thinnest,
  YEAR_BANDS,
  yearsBetween,
  type Change,
  type LossForecast,
  type YearBand,
} from './rates';
export { foundNominal, type NominalFinding, type NominalGuess } from './nominal';
export {
  echoThicknessMm,
  parseGaugeLine,
  POOR_QUALITY,
  STEEL_VELOCITY_MPS,
  temperatureCorrectedMm,
  velocityAt,
  type GaugeMessage,
} from './gauge-line';
export { sampledFields } from './sampled-fields';
