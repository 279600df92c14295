import { GAUGE_NUMBERS, gaugeThicknessMm, inchesToMm } from '../quantity';
import { METHOD_ERROR_MM, type Reading } from './reading';

/** What a wall may have been made as, and how likely by the thickest credible readings. */
export interface NominalGuess {
  readonly name: string;
  readonly thicknessMm: number;
  readonly share: number;
}
export interface NominalFinding {
  readonly fromReadings: number;
  readonly thicknessMm: number;
  readonly guesses: readonly NominalGuess[];
  readonly sure: 'firm' | 'one of two' | 'open';
}

/** Fractions and metric plates frames are made of (common practice, no source). */
const FRACTIONS = [
  [1, 8],
  [5, 32],
  [3, 16],
  [7, 32],
  [1, 4],
  [5, 16],
  [3, 8],
  [7, 16],
  [1, 2],
] as const;
const METRIC = [2, 2.5, 3, 4, 5, 6, 7, 8, 10, 12];
const CANDIDATES: readonly Omit<NominalGuess, 'share'>[] = [
  ...GAUGE_NUMBERS.filter((gauge) => gauge >= 7 && gauge <= 20).map((gauge) => {
    const thickness = gaugeThicknessMm(gauge);
    return { name: `${gauge} ga`, thicknessMm: thickness.ok ? thickness.value : NaN };
  }),
  ...FRACTIONS.map(([top, bottom]) => ({
    name: `${top}/${bottom} in`,
    thicknessMm: inchesToMm(top / bottom),
  })),
  ...METRIC.map((mm) => ({ name: `${mm} mm`, thicknessMm: mm })),
];

/** Even sound metal has lost a skin, and mills roll a little off: the thickest readings lie about this share of nominal, with this scatter (our judgement). */
const SKIN = 0.99,
  MILL = 0.018;
const FEWEST = 5;
/** More than this times the middle of the readings is a doubled echo or a plate. */
const DOUBLED = 1.6;

/** What the maker used, from the thickest credible readings of one wall, felt and doubled ones left out. Undefined with fewer than five. */
export function foundNominal(readings: readonly Reading[]): NominalFinding | undefined {
  const measured = readings
    .filter((reading) => reading.method !== 'feel' && reading.thicknessMm > 0.5)
    .sort((a, b) => a.thicknessMm - b.thicknessMm);
  if (measured.length < FEWEST) return undefined;
  const middle = measured[Math.floor(measured.length * 0.75)]!.thicknessMm;
  const credible = measured.filter((reading) => reading.thicknessMm <= DOUBLED * middle);
  // The very thickest are the luckiest of the noise: the middle of all that lie within noise and mill of them is taken.
  const tool = METHOD_ERROR_MM[credible.at(-1)!.method];
  const upper = credible[Math.floor(0.9 * (credible.length - 1))]!.thicknessMm;
  const thick = credible.filter((reading) => reading.thicknessMm >= upper - 2 * tool - 0.04 * upper);
  const thicknessMm = thick[Math.floor(thick.length / 2)]!.thicknessMm;
  const error = (1.25 * tool) / Math.sqrt(thick.length);
  const scored = CANDIDATES.map((each) => ({
    ...each,
    share: Math.exp(
      -0.5 * ((thicknessMm - SKIN * each.thicknessMm) / Math.hypot(error, MILL * each.thicknessMm)) ** 2,
    ),
  }));
  const whole = scored.reduce((sum, each) => sum + each.share, 0);
  if (!(whole > 1e-6)) return { fromReadings: thick.length, thicknessMm, guesses: [], sure: 'open' };
  const guesses = scored
    .map((each) => ({ ...each, share: each.share / whole }))
    .filter((each) => each.share > 0.05)
    .sort((a, b) => b.share - a.share);
  return {
    fromReadings: thick.length,
    thicknessMm,
    guesses,
    sure:
      guesses[0]!.share > 0.7
        ? 'firm'
        : guesses.length > 1 && guesses[0]!.share + guesses[1]!.share > 0.7
          ? 'one of two'
          : 'open',
  };
}
