import { fail, ok, type Outcome } from './outcome';

export const MM_PER_INCH = 25.4;

/**
 * Manufacturers' Standard Gauge for uncoated sheet steel, inches by gauge number.
 * Source: Manufacturers' Standard Gauge for Steel Sheets (41.82 lb/ft² per inch), the series GNU `units`
 * carries as `stdgauge`; checked against it in checks/outside/gauges.test.ts.
 */
const STANDARD_GAUGE_INCHES: Readonly<Record<number, number>> = {
  3: 0.2391,
  4: 0.2242,
  5: 0.2092,
  6: 0.1943,
  7: 0.1793,
  8: 0.1644,
  9: 0.1495,
  10: 0.1345,
  11: 0.1196,
  12: 0.1046,
  13: 0.0897,
  14: 0.0747,
  15: 0.0673,
  16: 0.0598,
  17: 0.0538,
  18: 0.0478,
  19: 0.0418,
  20: 0.0359,
  21: 0.0329,
  22: 0.0299,
  23: 0.0269,
  24: 0.0239,
  25: 0.0209,
  26: 0.0179,
  27: 0.0164,
  28: 0.0149,
  29: 0.0135,
  30: 0.012,
};

export const GAUGE_NUMBERS = Object.keys(STANDARD_GAUGE_INCHES).map(Number);

/** Thickness of a sheet gauge in mm. Fails outside gauges 3 to 30. */
export function gaugeThicknessMm(gauge: number): Outcome<number> {
  const inches = STANDARD_GAUGE_INCHES[gauge];
  if (inches === undefined) return fail(`${gauge} ga is not in the standard sheet gauge (3 to 30)`);
  return ok(inches * MM_PER_INCH);
}
