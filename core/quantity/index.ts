export { fail, ok, valueOf, type Outcome } from './outcome';
export { GAUGE_NUMBERS, gaugeThicknessMm, MM_PER_INCH } from './gauge';
export { parseLengthMm, type UnitSystem } from './length';
export { parseMassKg } from './mass';
export {
  lengthDigits,
  percent,
  printForce,
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
  ksiToMpa,
  lbfToNewtons,
  mmToInches,
  newtonsToLbf,
  poundsToKg,
  STANDARD_GRAVITY,
} from './convert';
