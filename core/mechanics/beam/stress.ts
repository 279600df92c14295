import type { EndForces } from './model';
import type { BeamProfile } from './profile';

/** Normal stress over a section: uniform, rising along y and z from the centroid, and with ω. MPa, tension positive. */
export interface StressField {
  readonly axialMpa: number;
  readonly perYMpa: number;
  readonly perZMpa: number;
  readonly perOmegaMpa: number;
}

/** σ = N/A + oblique bending (full Iyz) + B ω/Cw. */
export function stressField(profile: BeamProfile, forces: EndForces): StressField {
  const { iyyMm4, izzMm4, iyzMm4 } = profile;
  const determinant = iyyMm4 * izzMm4 - iyzMm4 * iyzMm4;
  // σ = a y + b z with ∫σ y = −Mz and ∫σ z = My
  return {
    axialMpa: forces.axialN / profile.areaMm2,
    perYMpa: (-forces.momentZNmm * izzMm4 - forces.momentYNmm * iyzMm4) / determinant,
    perZMpa: (forces.momentYNmm * iyyMm4 + forces.momentZNmm * iyzMm4) / determinant,
    perOmegaMpa: profile.cwMm6 > 0 ? forces.bimomentNmm2 / profile.cwMm6 : 0,
  };
}

/** Normal stress at a point of the wall by parts, MPa, tension positive. */
export interface FibreStress {
  readonly axialMpa: number;
  readonly bendingMpa: number;
  readonly warpingMpa: number;
  readonly totalMpa: number;
}

/** The stress at local (y, z) from R, where the sectorial coordinate is ω. */
export function normalStress(
  profile: BeamProfile,
  forces: EndForces,
  yMm: number,
  zMm: number,
  omegaMm2: number,
): FibreStress {
  const { axialMpa, perYMpa, perZMpa, perOmegaMpa } = stressField(profile, forces);
  const bendingMpa = perYMpa * (yMm - profile.centroid[0]) + perZMpa * (zMm - profile.centroid[1]);
  const warpingMpa = perOmegaMpa * omegaMm2;
  return { axialMpa, bendingMpa, warpingMpa, totalMpa: axialMpa + bendingMpa + warpingMpa };
}
