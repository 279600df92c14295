import { inchesToMm } from '../quantity';
import type { Source } from './source';

/** Wires on the spool, by name; inches as they are sold. */
export const WIRES = [
  '0.023 solid',
  '0.030 solid',
  '0.035 solid',
  '0.030 flux-cored',
  '0.035 flux-cored',
] as const;
export type Wire = (typeof WIRES)[number];
export const GASES = ['75 Ar 25 CO2', 'CO2', 'none'] as const;
export type Gas = (typeof GASES)[number];
export type ArcPosition = 'flat' | 'horizontal' | 'vertical' | 'overhead';

export const SETTINGS_SOURCE: Source = {
  document:
    'About 1 A for 0.001 in of the thinner part, feed by wire size: common practice, no source. Volts: conventional load voltage 14 V + 0.05 V/A of IEC 60974-1',
  fromMemory: true,
};

interface WireRow {
  readonly diameterMm: number;
  readonly isCored: boolean;
  /** Feed for an ampere, mm/s (common practice, no source: 3.5, 2 and 1.6 in/min for an ampere). */
  readonly feedPerAmp: number;
  readonly amps: readonly [least: number, most: number];
}
const perMinute = (inches: number): number => inchesToMm(inches) / 60;
const WIRE_ROWS: Readonly<Record<Wire, WireRow>> = {
  '0.023 solid': {
    diameterMm: inchesToMm(0.023),
    isCored: false,
    feedPerAmp: perMinute(3.5),
    amps: [30, 90],
  },
  '0.030 solid': { diameterMm: inchesToMm(0.03), isCored: false, feedPerAmp: perMinute(2), amps: [40, 145] },
  '0.035 solid': {
    diameterMm: inchesToMm(0.035),
    isCored: false,
    feedPerAmp: perMinute(1.6),
    amps: [50, 180],
  },
  '0.030 flux-cored': {
    diameterMm: inchesToMm(0.03),
    isCored: true,
    feedPerAmp: perMinute(2.2),
    amps: [40, 120],
  },
  '0.035 flux-cored': {
    diameterMm: inchesToMm(0.035),
    isCored: true,
    feedPerAmp: perMinute(1.7),
    amps: [60, 160],
  },
};
export const wireRow = (wire: Wire): WireRow => WIRE_ROWS[wire];

/** Less against gravity, so that the pool stays where it is put (common practice, no source). */
const POSITION: Readonly<Record<ArcPosition, number>> = {
  flat: 1,
  horizontal: 1,
  vertical: 0.85,
  overhead: 0.9,
};

/** A place to start from on scrap, or why there is none. */
export type ArcStart =
  | { readonly ok: true; readonly amps: number; readonly volts: number; readonly feedMmS: number }
  | { readonly ok: false; readonly why: ArcWhyNot };
export const ARC_WHY_NOT = ['wire too thin', 'wire too thick', 'gas does not go with the wire'] as const;
export type ArcWhyNot = (typeof ARC_WHY_NOT)[number];

const AMPS_PER_MM = 1000 / 25.4;
/** One pass lays so much at most; thicker metal is filled in passes at the same amps: 3/16 in (common practice, no source). */
const ONE_PASS_MM = inchesToMm(3 / 16);

/** Amps, volts and feed to begin a scrap test with, by the thinner part, wire, gas and position. The machine's own chart and a qualified procedure win. */
export function arcStart(thicknessMm: number, wire: Wire, gas: Gas, position: ArcPosition): ArcStart {
  const row = WIRE_ROWS[wire];
  if (row.isCored !== (gas === 'none')) return { ok: false, why: 'gas does not go with the wire' };
  const amps = AMPS_PER_MM * Math.min(thicknessMm, ONE_PASS_MM) * POSITION[position];
  if (amps < row.amps[0]) return { ok: false, why: 'wire too thick' };
  if (amps > row.amps[1]) return { ok: false, why: 'wire too thin' };
  // Straight CO₂ wants a volt or two more than mixed gas (common practice, no source).
  const volts = 14 + 0.05 * amps + (gas === 'CO2' ? 1.5 : 0) - (row.isCored ? 1 : 0);
  return { ok: true, amps, volts, feedMmS: row.feedPerAmp * amps };
}

/** Cutting and gouging by plasma or carbon: what to begin with. All common practice, no source; the torch maker's chart wins. */
export interface CutStart {
  readonly amps: number;
  readonly mmPerS: number;
  readonly standOffMm: number;
}
const CUTS: readonly (readonly [toMm: number, CutStart])[] = [
  [inchesToMm(1 / 8), { amps: 30, mmPerS: 40, standOffMm: 1.5 }],
  [inchesToMm(3 / 16), { amps: 40, mmPerS: 25, standOffMm: 1.5 }],
  [inchesToMm(1 / 4), { amps: 45, mmPerS: 17, standOffMm: 1.5 }],
  [inchesToMm(3 / 8), { amps: 60, mmPerS: 12, standOffMm: 3 }],
  [inchesToMm(1 / 2), { amps: 80, mmPerS: 8, standOffMm: 3 }],
];
/** Thicker than this no shop's plasma of a common size cuts (common practice, no source). */
export const THICKEST_CUT_MM = inchesToMm(1 / 2);

/** Undefined over 1/2 in: a torch of another class. */
export const cutStart = (thicknessMm: number): CutStart | undefined =>
  CUTS.find(([toMm]) => thicknessMm <= toMm + 0.05)?.[1];

/** A plasma gouge is held off farther and leaned over; one pass takes out about 1/16 in (common practice, no source). */
export const GOUGE = { ampsShare: 0.9, standOffMm: 6, leanDeg: 35, passDeepMm: inchesToMm(1 / 16) } as const;
