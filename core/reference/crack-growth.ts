import { ksiToMpa, MM_PER_INCH } from '../quantity';
import type { Source } from './source';

const PER_KSI_ROOT_INCH = ksiToMpa(1) * Math.sqrt(MM_PER_INCH);

/** Growth of cracks by Paris: da/dN = C ΔKᵐ, mm a cycle, MPa√mm. */
export const PARIS_EXPONENT = 3;
export const PARIS_MEAN = 2.18e-13;
export const PARIS_CAUTIOUS = { air: 5.21e-13, 'salt water': 2.3e-12 } as const;
export const PARIS_SOURCE: Source = {
  document: 'Barsom and Rolfe (mean, ferrite-pearlite steels); BS 7910 (air, marine), in N and mm',
  fromMemory: true,
};

/** What old frame steel is taken to hold before a crack runs: 40 ksi√in, MPa√mm (common practice, no source). */
export const TOUGHNESS = 40 * PER_KSI_ROOT_INCH;
export const TOUGHNESS_SOURCE: Source = { document: 'Common practice, no source: 40 ksi√in' };

/** Past this share of a flange nothing is foretold: the models of it part company (our judgement, after shells). */
export const FORETOLD_SHARE = 0.6;

/** How far off a length is read, mm, one standard error (our judgement). */
export const LENGTH_ERROR_MM = {
  eye: 3,
  'light through': 3,
  scope: 3,
  'dye penetrant': 1,
  'magnetic particle': 1,
  told: 6,
} as const;
/** How differently one crack grows from one interval to the next: standard deviation of the logarithm (our judgement; laws scatter 1.5 to 2 times). */
export const LAW_SCATTER = 0.25;

/** Looks come this often within what the cautious edge gives to the limit (common practice, no source). */
export const LOOKS_TO_LIMIT = 3;

/**
 * A hole holds a crack while ΔK/√ρ < 4 √σy, ksi and inches, ρ its radius (FHWA, stop-drilled holes in steel bridges, from memory); in MPa and metres
 * 10.5 √σy.
 */
export const STOP_HOLE_LIMIT = 4;
export const STOP_HOLE_SOURCE: Source = {
  document:
    'FHWA, Manual for repair and retrofit of fatigue cracks in steel bridges: ΔK/√ρ < 4 √σy (ksi, in)',
  fromMemory: true,
};
/** The shop's least hole, and the greatest that is still a stop hole in a rail (common practice, no source), mm. */
export const LEAST_STOP_HOLE_MM = MM_PER_INCH / 4;
export const MOST_STOP_HOLE_MM = MM_PER_INCH;

/** The radius that holds a crack, mm; ΔK in MPa√mm, yield in MPa. */
export function stopRadiusMm(deltaK: number, yieldMpa: number): number {
  const inKsi = deltaK / PER_KSI_ROOT_INCH;
  return (inKsi / (STOP_HOLE_LIMIT * Math.sqrt(yieldMpa / ksiToMpa(1)))) ** 2 * MM_PER_INCH;
}
