/** How a crack grows: da/dN = C ΔKᵐ (Paris). Here as a curve of length against what drives it, so that looks at one crack can set its pace. */

/** Eight-point Gauss–Legendre on −1 … 1: abscissas and weights. */
const GAUSS = [
  [0.1834346424956498, 0.362683783378362],
  [0.525532409916329, 0.3137066458778873],
  [0.7966664774136267, 0.2223810344533745],
  [0.9602898564975363, 0.1012285362903763],
] as const;

/** ∫ f over a span that may cover decades: panels even in the logarithm. */
export function integrateOverLog(f: (a: number) => number, from: number, to: number, panels = 16): number {
  if (!(from > 0 && to > from)) return 0;
  const step = Math.log(to / from) / panels;
  let sum = 0;
  for (let k = 0; k < panels; k++) {
    const middle = Math.log(from) + (k + 0.5) * step;
    for (const [at, weight] of GAUSS)
      for (const side of [-1, 1]) {
        const a = Math.exp(middle + (side * at * step) / 2);
        sum += (weight * f(a) * a * step) / 2;
      }
  }
  return sum;
}

/** Cycles from one length to another under a stress range: ∫ da / (C (Δσ k(a))ᵐ), k the intensity per MPa. */
export const parisCycles = (
  intensity: (aMm: number) => number,
  { constant, exponent }: { readonly constant: number; readonly exponent: number },
  rangeMpa: number,
  [fromMm, toMm]: readonly [number, number],
): number => integrateOverLog((a) => 1 / (constant * (rangeMpa * intensity(a)) ** exponent), fromMm, toMm);

/**
 * The path of a crack as a table: how much *drive* it takes from its first length to any other, ∫ da / ΔKᵐ. Lengths even in the logarithm.
 * Drive is what distance times pace supplies; the pace is the crack's own.
 */
export interface GrowthCurve {
  readonly lengthsMm: Float64Array;
  readonly drive: Float64Array;
}

export function growthCurve(
  deltaK: (aMm: number) => number,
  exponent: number,
  [fromMm, toMm]: readonly [number, number],
  points = 160,
): GrowthCurve {
  const lengthsMm = new Float64Array(points);
  const drive = new Float64Array(points);
  const ratio = Math.log(toMm / fromMm) / (points - 1);
  for (let k = 0; k < points; k++) {
    lengthsMm[k] = fromMm * Math.exp(k * ratio);
    if (k > 0)
      drive[k] =
        drive[k - 1]! + integrateOverLog((a) => deltaK(a) ** -exponent, lengthsMm[k - 1]!, lengthsMm[k]!, 1);
  }
  return { lengthsMm, drive };
}

/** Where `value` lies between the entries of a rising table, as (index, share); held to its ends. */
function between(table: Float64Array, value: number): readonly [number, number] {
  let [low, high] = [0, table.length - 1];
  if (!(value > table[0]!)) return [0, 0];
  if (value >= table[high]!) return [high - 1, 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (table[middle]! <= value) low = middle;
    else high = middle;
  }
  return [low, (value - table[low]!) / (table[high]! - table[low]!)];
}

/** The drive a crack has used up to a length. */
export function driveAt({ lengthsMm, drive }: GrowthCurve, aMm: number): number {
  const [k, share] = between(lengthsMm, aMm);
  return drive[k]! + share * (drive[k + 1]! - drive[k]!);
}

/** The length a crack has reached once so much drive is used; the curve's end where it is used up. */
export function lengthAt({ lengthsMm, drive }: GrowthCurve, used: number): number {
  const [k, share] = between(drive, used);
  return lengthsMm[k]! + share * (lengthsMm[k + 1]! - lengthsMm[k]!);
}
