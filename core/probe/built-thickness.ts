import { median } from '../geometry';
import type { Member } from '../frame';
import type { Reading } from './reading';

export interface BuiltThickness {
  readonly thicknessMm: number;
  /** How many of the member's own sound readings it rests on; 0 = nominal. */
  readonly fromReadings: number;
}

const ENOUGH = 5;

/**
 * What the wall was when new: the median of the member's own readings within 8 % of nominal where there are five or more, else nominal.
 * The 8 % window is our judgement: wider than mill tolerance, narrower than rust worth acting on.
 */
export function builtThickness(member: Member, readings: readonly Reading[]): BuiltThickness {
  const nominalMm = member.shape.thicknessMm;
  const sound = readings.filter((reading) => reading.method !== 'feel' && Math.abs(reading.thicknessMm - nominalMm) <= 0.08 * nominalMm);
  if (sound.length < ENOUGH) return { thicknessMm: nominalMm, fromReadings: 0 };
  return { thicknessMm: median(sound.map((reading) => reading.thicknessMm))!, fromReadings: sound.length };
}

/** Metal counts as sound at or above this: a fraction of nominal, and thick enough to weld. */
export const soundThresholdMm = (nominalMm: number, practice: { soundFraction: number; weldableMinimumMm: number }): number =>
  Math.max(practice.soundFraction * nominalMm, practice.weldableMinimumMm);
