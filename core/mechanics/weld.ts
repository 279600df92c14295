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

/** A weld that runs at an angle across the force it takes: 0 along it, π/2 square to it. Strengths as of one that runs along it. */
export interface AcrossForce {
  /** Times a fillet's strength: 1 + 0.5 sin^1.5 of its angle (AISC 360 J2.4(b), from memory). */
  readonly filletTimes: number;
  /** The wall beside it, of its yield: 0.4 in shear along it, 0.6 in tension across it (AISC ASD, from memory), between them by the square of the sine. */
  readonly wallOfYield: number;
}
export const acrossForce = (angleRad: number): AcrossForce => {
  const sine = Math.sin(angleRad);
  return { filletTimes: 1 + 0.5 * Math.max(0, sine) ** 1.5, wallOfYield: 0.4 + 0.2 * sine ** 2 };
};
