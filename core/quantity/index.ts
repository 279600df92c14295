export { fail, ok, valueOf, type Failure, type Outcome } from './outcome';
export { lifted, opened, packed, type Body, type Form } from './form';
export { schemaWords } from './schema-words';
export { GAUGE_NUMBERS, gaugeThicknessMm, MM_PER_INCH } from './gauge';
export { parseLengthMm, parseMeasuredMm, parsePlaceMm, type UnitSystem } from './length';
export { parseDistanceKm } from './distance';
export { parseMassKg } from './mass';
export { litresToQuarts, parseVolumeLitres, printVolume } from './volume';
export {
  celsiusToFahrenheit,
  parseCelsius,
  printTemperature,
  printTemperatureDifference,
  temperatureDigits,
} from './temperature';
export {
  lengthDigits,
  percent,
  printBoth,
  printDistance,
  printSpeed,
  printForce,
  printTorque,
  printLength,
  printLineForce,
  printMass,
  printStress,
  sectionDigits,
  sectionUnit,
  significant,
  sixteenths,
  type LengthKind,
} from './print';
export {
  inchesToMm,
  kgToPounds,
  kmToMiles,
  ksiToMpa,
  lbfToNewtons,
  milesToKm,
  mmToInches,
  newtonsToLbf,
  poundsToKg,
  STANDARD_GRAVITY,
} from './convert';
export { fingerprint } from './fingerprint';
export { ONE_SIDED_95 } from './tolerance';
