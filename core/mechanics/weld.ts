/** Throat of an equal-leg fillet: leg / √2. */
export const filletThroatMm = (legMm: number): number => legMm / Math.SQRT2;

/**
 * Allowable line force of a fillet weld, N/mm: 0.30 · F_EXX on the throat (AISC ASD, from memory; 0.928 kip/in per 1/16 in leg at 70 ksi).
 */
export const filletStrengthNPerMm = (legMm: number, fillerTensileMpa: number): number =>
  0.3 * fillerTensileMpa * filletThroatMm(legMm);

/**
 * Allowable line force of the base metal beside a weld, N/mm: min(0.4 Fy t, 0.3 Fu t) (AISC ASD shear yield and rupture, from memory).
 * Takes the lower-bound thickness: the metal that is surely there.
 */
export const baseMetalStrengthNPerMm = (thicknessMm: number, yieldMpa: number, tensileMpa: number): number =>
  Math.min(0.4 * yieldMpa, 0.3 * tensileMpa) * thicknessMm;

/** Allowable shear force of one plug weld, N: 0.30 · F_EXX on its faying area (AISC J2.3, from memory). */
export const plugStrengthN = (diameterMm: number, fillerTensileMpa: number): number =>
  (0.3 * fillerTensileMpa * Math.PI * diameterMm * diameterMm) / 4;
