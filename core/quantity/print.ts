import { kgToPounds, kmToMiles, lbfToNewtons } from './convert';
import { MM_PER_INCH } from './gauge';
import type { UnitSystem } from './length';

/** What a length is decides how it is written: thickness as decimals, lengths as sixteenths. */
export type LengthKind = 'thickness' | 'length';

const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));

/** Inches as the nearest sixteenth: 14 3/8, 3/16, 2. */
export function sixteenths(inches: number): string {
  const total = Math.round(Math.abs(inches) * 16);
  const sign = inches < 0 && total > 0 ? '-' : '';
  const whole = Math.floor(total / 16);
  const rest = total % 16;
  if (rest === 0) return `${sign}${whole}`;
  const common = divisor(rest, 16);
  const fraction = `${rest / common}/${16 / common}`;
  return whole === 0 ? `${sign}${fraction}` : `${sign}${whole} ${fraction}`;
}

/** A length without its unit, as the trade writes it in that system. */
export function lengthDigits(lengthMm: number, system: UnitSystem, kind: LengthKind): string {
  if (!Number.isFinite(lengthMm)) return '–';
  if (system === 'mm') return kind === 'thickness' ? lengthMm.toFixed(1) : lengthMm.toFixed(0);
  return kind === 'thickness' ? (lengthMm / MM_PER_INCH).toFixed(3) : sixteenths(lengthMm / MM_PER_INCH);
}

/** A length with its unit: `0.118 in`, `14 3/8 in`, `4.7 mm`. */
export const printLength = (lengthMm: number, system: UnitSystem, kind: LengthKind): string =>
  `${lengthDigits(lengthMm, system, kind)} ${system}`;

/** A length in both systems, for words that do not know who reads them: `9.45 in (240 mm)`. */
export const printBoth = (lengthMm: number, inchDecimals: number, mmDecimals = 0): string =>
  `${(lengthMm / MM_PER_INCH).toFixed(inchDecimals)} in (${lengthMm.toFixed(mmDecimals)} mm)`;

/** A section property of dimension mm^power in the system's own unit, three significant figures, without the unit. */
export function sectionDigits(value: number, power: 2 | 3 | 4, system: UnitSystem): string {
  if (!Number.isFinite(value)) return '–';
  const shown = system === 'in' ? value / MM_PER_INCH ** power : value / 10 ** power;
  return significant(shown, 3);
}

export const sectionUnit = (power: 2 | 3 | 4, system: UnitSystem): string =>
  `${system === 'in' ? 'in' : 'cm'}${['²', '³', '⁴'][power - 2]!}`;

const N_PER_KIP = lbfToNewtons(1000);

/** A force: kip or kN, three figures. */
export const printForce = (forceN: number, system: UnitSystem): string =>
  system === 'in' ? `${significant(forceN / N_PER_KIP, 3)} kip` : `${significant(forceN / 1000, 3)} kN`;

/** A line force: kip/in or N/mm, three figures. */
export const printLineForce = (nPerMm: number, system: UnitSystem): string =>
  system === 'in'
    ? `${significant((nPerMm * MM_PER_INCH) / N_PER_KIP, 3)} kip/in`
    : `${significant(nPerMm, 3)} N/mm`;

/** A torque: lbf·ft or N·m, two figures: no wrench is better. */
export const printTorque = (newtonMetres: number, system: UnitSystem): string =>
  system === 'in'
    ? `${significant((newtonMetres * 1000) / (MM_PER_INCH * 12) / lbfToNewtons(1), 2)} lbf·ft`
    : `${significant(newtonMetres, 2)} N·m`;

/** A stress: ksi or MPa, two figures are enough for a beam's. */
export const printStress = (mpa: number, system: UnitSystem): string =>
  system === 'in'
    ? `${significant(mpa / (N_PER_KIP / MM_PER_INCH ** 2), 2)} ksi`
    : `${significant(mpa, 2)} MPa`;

export const printMass = (massKg: number, system: UnitSystem): string =>
  system === 'in' ? `${significant(kgToPounds(massKg), 3)} lb` : `${significant(massKg, 3)} kg`;

/** A distance: miles or kilometres, two figures for what is foretold, more for what was counted. */
export const printDistance = (km: number, system: UnitSystem, figures = 2): string =>
  system === 'in' ? `${grouped(kmToMiles(km), figures)} mi` : `${grouped(km, figures)} km`;

/** A speed, in two figures: as road signs of that system give it. */
export const printSpeed = (kmh: number, system: UnitSystem): string =>
  system === 'in' ? `${significant(kmToMiles(kmh), 2)} mph` : `${significant(kmh, 2)} km/h`;

/** So many figures; more than three are a count, and counts are whole. */
const grouped = (value: number, figures: number): string =>
  figures > 3 ? value.toFixed(0) : significant(value, figures);

/** A retained fraction as two digits: 0.604 → "60 %". */
export const percent = (fraction: number): string =>
  Number.isFinite(fraction) ? `${Math.round(fraction * 100)} %` : '–';

/** `figures` significant figures without exponent notation. */
export function significant(value: number, figures: number): string {
  if (!Number.isFinite(value)) return '–';
  if (value === 0) return '0';
  // Rounded first: 0.9996 to three figures is 1.00, not 1.000.
  const rounded = Number(value.toPrecision(figures));
  const magnitude = Math.floor(Math.log10(Math.abs(rounded)));
  return rounded.toFixed(Math.max(0, figures - 1 - magnitude));
}
