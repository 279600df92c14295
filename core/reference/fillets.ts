import { inchesToMm } from '../quantity';

const SIXTEENTH_MM = inchesToMm(1 / 16);

/**
 * Smallest fillet leg on the thinner part joined, mm. Up to 1/4 in: 1/8, but 3/16 where the joint is loaded over and over
 * (a frame is), never above the thinner part itself; to 1/2 in 3/16; to 3/4 in 1/4.
 * Source: AWS D1.1 minimum fillet size, from memory; sheet under 3/16 is AWS D1.3's.
 */
export function minimumLegMm(thinnerMm: number): number {
  if (thinnerMm <= inchesToMm(1 / 4)) return Math.min(inchesToMm(3 / 16), thinnerMm);
  return thinnerMm <= inchesToMm(1 / 2) ? inchesToMm(3 / 16) : inchesToMm(1 / 4);
}

/** Largest fillet leg along a plate's edge, mm: the edge itself under 1/4 in, else 1/16 less (AISC 360 J2.2b, from memory). */
export const maximumLegMm = (edgeMm: number): number =>
  edgeMm < inchesToMm(1 / 4) - 1e-9 ? edgeMm : edgeMm - SIXTEENTH_MM;

/** The leg to ask for: the smallest allowed, rounded up to a sixteenth where the edge has room, never above the largest allowed. */
export function chosenLegMm(plateMm: number, landingMm: number): number {
  const least = minimumLegMm(Math.min(plateMm, landingMm));
  const rounded = Math.ceil(least / SIXTEENTH_MM - 1e-6) * SIXTEENTH_MM;
  return Math.min(rounded, maximumLegMm(plateMm));
}

/** Lap over sound metal for end and transverse welds, mm: max(5 t, 1 in), t the thinner part (AISC 360 J2.2b, from memory). */
export const lapMm = (thinnerMm: number): number => Math.max(5 * thinnerMm, inchesToMm(1));

/** Shortest run of an intermittent fillet, mm: max(4 legs, 1 1/2 in) (AISC 360 J2.2b, from memory). */
export const shortestRunMm = (legMm: number): number => Math.max(4 * legMm, inchesToMm(1.5));

/** Widest centre-to-centre pitch of runs stitching a plate in compression, mm: 0.75 √(E/Fy) t (AISC 360, from memory). */
export const widestPitchMm = (plateMm: number, youngsMpa: number, yieldMpa: number): number =>
  0.75 * Math.sqrt(youngsMpa / yieldMpa) * plateMm;

/**
 * Plug-weld hole for a plate, mm: at least t + 5/16 in, taken up to an odd sixteenth (1/8 → 7/16, 3/16 → 9/16; AISC 360 J2.3b, from memory).
 * The trade's usual 3/8 in hole is smaller.
 */
export function plugHoleMm(plateMm: number): number {
  const sixteenths = Math.ceil((plateMm + inchesToMm(5 / 16)) / SIXTEENTH_MM - 1e-6);
  return (sixteenths % 2 ? sixteenths : sixteenths + 1) * SIXTEENTH_MM;
}

/** Fit-up allowances of the landing rule, mm: sound metal wanted to each side of a weld toe (common practice, no source). */
export const BESIDE_TOE_MM = inchesToMm(1 / 8);
/** Heat-affected zones of separate welds stay this far apart, mm (common practice, no source). */
export const BETWEEN_HEAT_ZONES_MM = inchesToMm(2);
/** Smallest corner radius of a plate, mm (common practice, no source). */
export const CORNER_RADIUS_MM = inchesToMm(1 / 2);

/** Gaps up to this are welded over as they are; beyond, the leg grows by the gap (AWS D1.1 fit-up of fillet welds, 1/16 in, from memory). */
export const GAP_IGNORED_MM = inchesToMm(1 / 16);

/** The widest gap a fillet may bridge, mm: 3/16 in (AWS D1.1 fit-up of fillet welds, from memory); in sheet under 3/16 in, 1/16 in (AWS D1.3, from memory). */
export const gapLimitMm = (thinnerMm: number): number =>
  thinnerMm >= inchesToMm(3 / 16) - 1e-6 ? inchesToMm(3 / 16) : inchesToMm(1 / 16);

/** A wall thinner than this burns through before it fuses (common practice, no source: 16 ga): turned down, backed, short runs. */
export const BURNS_THROUGH_MM = inchesToMm(1 / 16);

/** A butt up to this thick needs no groove: 1/8 in, one side with backing (AWS D1.1 prequalified B-L1, from memory). */
export const SQUARE_BUTT_TO_MM = 3.175;
