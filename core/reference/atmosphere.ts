import type { Source } from './source';

/** First-year loss of carbon steel on an exposed face, µm, by corrosivity category (ISO 9223, from memory). */
export const ATMOSPHERES = {
  C2: [1.3, 25],
  C3: [25, 50],
  C4: [50, 80],
  C5: [80, 200],
  CX: [200, 700],
} as const satisfies Record<string, readonly [number, number]>;
export type Atmosphere = keyof typeof ATMOSPHERES;
export const ATMOSPHERE_SOURCE: Source = {
  document: 'ISO 9223 categories, ISO 9224 D = r·t^0.523',
  fromMemory: true,
};

/** ISO 9224's exponent for carbon steel, B1, from memory; the power law runs 20 years, its slope from there on. */
const EXPONENT = 0.523;
const POWER_YEARS = 20;

/** Loss after some years from bare metal, mm, by first-year loss in µm (ISO 9224). Cleaning to bare metal starts it anew. */
export function outsideLossMm(firstYearUm: number, years: number): number {
  if (!(years > 0)) return 0;
  const power = (t: number) => (firstYearUm / 1000) * t ** EXPONENT;
  return years <= POWER_YEARS
    ? power(years)
    : power(POWER_YEARS) +
        (years - POWER_YEARS) * (firstYearUm / 1000) * EXPONENT * POWER_YEARS ** (EXPONENT - 1);
}

/** Inside a section, under salty wet debris, open air tells too little: mm a year, common practice, no source. */
export const CAVITY_MM_PER_YEAR: readonly [number, number] = [0.05, 0.4];
