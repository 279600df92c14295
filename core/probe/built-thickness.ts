import { median } from '../geometry';
import { faceOf, type FaceId, type Member } from '../frame';
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
  const shares = readings
    .filter((reading) => reading.method !== 'feel')
    .map((reading) => reading.thicknessMm / nominalMm(member, reading.face));
  const sound = shares.filter((share) => Math.abs(share - 1) <= 0.08);
  const { thicknessMm } = member.shape;
  if (sound.length < ENOUGH) return { thicknessMm, fromReadings: 0 };
  return { thicknessMm: median(sound)! * thicknessMm, fromReadings: sound.length };
}

/** What the wall of a face was made as. */
export const nominalMm = ({ shape }: Pick<Member, 'shape'>, face: FaceId): number =>
  faceOf(shape, face)?.wallMm ?? shape.thicknessMm;

/** Metal counts as sound from this share of the wall as made up. Whether a weld can land on it is another question, asked where one lands. */
export const soundThresholdMm = (madeMm: number, practice: { soundFraction: number }): number =>
  practice.soundFraction * madeMm;
