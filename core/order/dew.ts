import type { Source } from '../reference';

/** Magnus form over water, −45 … 60 °C: e = 6.112 hPa · exp(17.62 t / (243.12 + t)). */
export const DEW_SOURCE: Source = {
  document: 'WMO No. 8, Guide to Instruments and Methods of Observation, annex 4.B',
  clause: 'saturation vapour pressure over water',
  fromMemory: true,
};
const [A, B_C] = [17.62, 243.12];

/** The temperature at which this air would wet a surface, °C. `humidity` is relative, 0 … 1; undefined where it is not. */
export function dewPointC(airC: number, humidity: number): number | undefined {
  if (!(humidity > 0 && humidity <= 1)) return undefined;
  const gamma = Math.log(humidity) + (A * airC) / (B_C + airC);
  return (B_C * gamma) / (A - gamma);
}

/** Paint goes on where the steel is at least this far above the dew point, K. */
export const ABOVE_DEW_K = 3;
export const ABOVE_DEW_SOURCE: Source = {
  document: 'ISO 8502-4',
  clause: 'steel at least 3 °C above the dew point',
  fromMemory: true,
};
/** In damper air than this, or on colder steel, paint does not dry (common practice, no source: the maker's sheet decides). */
export const TOO_DAMP = 0.85;
export const TOO_COLD_C = 5;
/** Dye and most coats want the wall no hotter than this, °C. */
export const COOL_C = 52;
export const COOL_SOURCE: Source = {
  document: 'ASTM E165, penetrant testing',
  clause: '5 to 52 °C',
  fromMemory: true,
};
