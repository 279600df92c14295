import { faceOf, type FaceId, type Member } from '@/core/frame';
import { BOAT_TRAILER_LEFT } from './boat-trailer';
import { GRITTER_LEFT, GRITTER_RIGHT } from './gritter';
import { trueThicknessMm, type RustPatch } from './truth';

/** The demo units' own rust, by tag and member: what the simulated gauge reads. */
const TRUTHS: Readonly<Record<string, Readonly<Record<string, readonly RustPatch[]>>>> = {
  'GR-7': { 'rail-right': GRITTER_RIGHT, 'rail-left': GRITTER_LEFT },
  'BM-2': {
    'rail-left': BOAT_TRAILER_LEFT,
    'rail-right': [{ centreIn: 132, halfLengthIn: 34, tideIn: 1.8, worstFraction: 0.42 }],
  },
};

export interface Wall {
  readonly thicknessMm: number;
  readonly pit: number;
  readonly paintMm: number;
}

/** Metal under a probe: the seeded truth where there is one, sound metal elsewhere; undefined where it is rusted through. The more is lost the rougher its back. */
export function demoWallAt(
  tag: string,
  member: Member,
  stationMm: number,
  face: FaceId,
  heightMm: number,
): Wall | undefined {
  const made = faceOf(member.shape, face);
  if (!made) return undefined;
  const thicknessMm = trueThicknessMm(member, TRUTHS[tag]?.[member.id] ?? [], stationMm, face, heightMm);
  return thicknessMm > 0.3
    ? { thicknessMm, pit: Math.min(1, Math.max(0, 1.3 * (1 - thicknessMm / made.wallMm))), paintMm: 0.15 }
    : undefined;
}

/** Whether the demo knows the metal of a unit. */
export const hasDemoMetal = (tag: string): boolean => tag in TRUTHS;
