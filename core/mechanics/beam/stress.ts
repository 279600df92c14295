import type { EndForces } from './model';
import type { BeamProfile } from './profile';

/** Normal stress at a point of the wall by parts, MPa, tension positive. */
export interface FibreStress { readonly axialMpa: number; readonly bendingMpa: number; readonly warpingMpa: number; readonly totalMpa: number }

/**
 * σ = N/A + oblique bending + B ω/Cw at local (y, z) from R, ω there.
 * `heldSideways`: sound crossmembers keep the section from bending out of the plane of its load, so Iyz takes no part.
 */
export function normalStress(profile: BeamProfile, forces: EndForces, yMm: number, zMm: number, omegaMm2: number, heldSideways = false): FibreStress {
  const [y, z] = [yMm - profile.centroid[0], zMm - profile.centroid[1]];
  const { iyyMm4, izzMm4 } = profile;
  const iyz = heldSideways ? 0 : profile.iyzMm4;
  const determinant = iyyMm4 * izzMm4 - iyz * iyz;
  // σ = a y + b z with ∫σ y = −Mz and ∫σ z = My
  const a = (-forces.momentZNmm * izzMm4 - forces.momentYNmm * iyz) / determinant;
  const b = (forces.momentYNmm * iyyMm4 + forces.momentZNmm * iyz) / determinant;
  const axialMpa = forces.axialN / profile.areaMm2;
  const bendingMpa = a * y + b * z;
  const warpingMpa = profile.cwMm6 > 0 ? (forces.bimomentNmm2 * omegaMm2) / profile.cwMm6 : 0;
  return { axialMpa, bendingMpa, warpingMpa, totalMpa: axialMpa + bendingMpa + warpingMpa };
}
