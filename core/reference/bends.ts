import { inchesToMm, ksiToMpa } from '../quantity';

/**
 * Least inside radius of a cold bend across the rolling direction, mm: 1.5 t in mild plate, 2.5 t to 50 ksi, 3 t above (ASTM A6 appendix X4,
 * from memory; above 50 ksi common practice, no source). Along the rolling direction half as much again.
 */
export function leastBendRadiusMm(thicknessMm: number, yieldMpa: number): number {
  if (yieldMpa <= ksiToMpa(36) + 1e-6) return 1.5 * thicknessMm;
  return (yieldMpa <= ksiToMpa(50) + 1e-6 ? 2.5 : 3) * thicknessMm;
}

/** Shortest leg a brake holds, outside, mm: 0.7 of a die opened eight thicknesses wide (common practice, no source). */
export const leastLegMm = (thicknessMm: number): number => 0.7 * 8 * thicknessMm;

/** A hole's rim so near a bend's tangent is drawn out of round, mm: two thicknesses (common practice, no source). */
export const holeFromBendMm = (thicknessMm: number): number => 2 * thicknessMm;

/** Outside radius of a made section's corner, mm: two walls, where nobody measured it (mills' usual; common practice, no source). */
export const cornerOutsideMm = (wallMm: number): number => 2 * wallMm;

/** A gap that a fillet's leg may still be grown by, mm: 1/16 in (AWS D1.1 fit-up, from memory). */
export const FIT_UP_MM = inchesToMm(1 / 16);
