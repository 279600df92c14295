/**
 * Stress intensity of through cracks: K = σ √(π a) F. Lengths mm, stresses MPa, K in MPa√mm (1 ksi√in = 34.75, 1 MPa√m = 31.62).
 *
 *   edge     ├──a──┤            │      a from the edge, W the strip's width
 *   centre   │   ├─a─┼─a─┤     │      a is half of it, W the strip's width
 *   hole     │    (R)├─a─┤     │      a from the hole's wall, R its radius
 */
const HALF_PI = Math.PI / 2;

/**
 * F of an edge crack in tension, s = a/W. Tada, Paris and Irwin's tangent form, from memory: theirs is better than half a percent at any s, where
 * their polynomial ends at 0.6; one formula leaves no step.
 */
export function edgeCrackFactor(s: number): number {
  if (s <= 0) return 1.122;
  const angle = HALF_PI * s;
  return (
    (Math.sqrt(Math.tan(angle) / angle) * (0.752 + 2.02 * s + 0.37 * (1 - Math.sin(angle)) ** 3)) /
    Math.cos(angle)
  );
}

/** F of a crack in the middle of a strip, s = 2a/W: the secant form (Feddersen, from memory). */
export const centreCrackFactor = (s: number): number => Math.sqrt(1 / Math.cos(HALF_PI * s));

/** F of a crack at a hole in a wide plate, s = a/(R + a), one crack or one at either side (Bowie; Tada's fits, from memory). */
export function holeCrackFactor(s: number, cracks: 1 | 2): number {
  return cracks === 2
    ? 0.5 * (3 - s) * (1 + 1.243 * (1 - s) ** 3)
    : (1 + 0.2 * (1 - s) + 0.3 * (1 - s) ** 6) * (2.243 - 2.64 * s + 1.352 * s * s - 0.248 * s ** 3);
}

/** A through crack and the strip it lies in. */
export type CrackedStrip =
  | { readonly kind: 'edge'; readonly widthMm: number }
  | { readonly kind: 'centre'; readonly widthMm: number }
  | { readonly kind: 'hole'; readonly radiusMm: number; readonly cracks: 1 | 2 };

/** K of a crack for one MPa, √mm; Infinity once the strip is through. */
export function intensityPerMpa(strip: CrackedStrip, aMm: number): number {
  if (!(aMm > 0)) return 0;
  const bare = Math.sqrt(Math.PI * aMm);
  switch (strip.kind) {
    case 'edge':
      return aMm < strip.widthMm ? bare * edgeCrackFactor(aMm / strip.widthMm) : Infinity;
    case 'centre':
      return 2 * aMm < strip.widthMm ? bare * centreCrackFactor((2 * aMm) / strip.widthMm) : Infinity;
    case 'hole':
      return bare * holeCrackFactor(aMm / (strip.radiusMm + aMm), strip.cracks);
    default:
      return strip satisfies never;
  }
}
