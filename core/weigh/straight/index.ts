export { figureKind, figureSchema, KNOWN_FROM, type Figure } from './figure';
export { bowsOf, diagonalsOf, offLine, offPlane, type Bow, type Mark } from './fit';
export {
  angleErrorDeg,
  INSTRUMENTS,
  instrumentSource,
  lengthErrorMm,
  readingErrorMm,
  readsAngles,
  readsLengths,
  type Instrument,
} from './instruments';
export {
  frameIs,
  GEOMETRY_SAYS,
  geometryChecks,
  straightOrNot,
  type GeometryCheck,
  type GeometrySays,
  type MeasuredElsewhere,
  type NotSaid,
  type StraightOrNot,
} from './judge';
export {
  geometryKind,
  geometrySchema,
  isOutOfDate,
  keyOfMeasure,
  tellsNothing,
  MEASURES,
  STOOD,
  wheelbaseEnds,
  type Geometry,
  type GeometryMeasure,
  type MeasureOf,
  type MountPlace,
  type Stood,
} from './measure';
export { parseInstrumentLine, type InstrumentMessage } from './instrument-line';
