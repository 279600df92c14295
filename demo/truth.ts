import { inchesToMm } from '@/core/quantity';
import { faceOf, type FaceId, type Member } from '@/core/frame';

/** One patch of rust: a bump of the tide line along the rail, and how thin the metal is at its worst. Inches. */
export interface RustPatch {
  readonly centreIn: number;
  readonly halfLengthIn: number;
  readonly tideIn: number;
  readonly worstFraction: number;
}

/**
 * True thickness of a demo member at a spot, mm. Loss is low and inside: below the tide line the wall falls from full to its worst within
 * about an inch; the bottom face follows the tide above it; everything has lost a little skin.
 */
export function trueThicknessMm(
  member: Member,
  patches: readonly RustPatch[],
  stationMm: number,
  face: FaceId,
  heightMm: number,
): number {
  const nominalMm = faceOf(member.shape, face)?.wallMm ?? member.shape.thicknessMm;
  const stationIn = stationMm / inchesToMm(1);
  const strongest = patches
    .map((patch) => ({ patch, swell: swellAt(patch, stationIn) }))
    .sort((a, b) => b.swell * b.patch.tideIn - a.swell * a.patch.tideIn)[0];
  const skin = 0.985;
  if (!strongest || strongest.swell === 0 || face === 'top') return skin * nominalMm;
  const tideMm = inchesToMm(strongest.patch.tideIn) * strongest.swell;
  const worst = 1 - (1 - strongest.patch.worstFraction) * Math.min(1, strongest.swell * 1.4);
  const depthBelowMm = face === 'bottom' ? tideMm + 0.25 * heightMm : tideMm - heightMm;
  const fallen = Math.min(1, Math.max(0, depthBelowMm / inchesToMm(1) + 0.25));
  return nominalMm * (skin - (skin - worst) * fallen);
}

function swellAt(patch: RustPatch, stationIn: number): number {
  const away = Math.abs(stationIn - patch.centreIn) / patch.halfLengthIn;
  return away >= 1 ? 0 : Math.cos((away * Math.PI) / 2) ** 0.8;
}
