/** A quantity known by its ends: drawn evenly between least and most, and only as often as its chance. */
export interface Uncertain {
  readonly name: string;
  readonly least: number;
  readonly most: number;
  /** 1 where it is sure to come. */
  readonly chance: number;
}

/** What draws came to, in their unit: the 5th, 50th and 95th of a hundred. */
export interface Spread {
  readonly low: number;
  readonly mid: number;
  readonly high: number;
}
export interface Drawn {
  readonly spread: Spread;
  readonly mean: number;
  /** Share of draws over a limit; absent without one. */
  readonly over?: number;
  /** What makes it uncertain: each part's share of the variance, largest first. */
  readonly drivers: readonly { readonly name: string; readonly share: number }[];
}

/** A sum of independent parts by `draws` seeded draws (Monte Carlo). `random` gives 0 … 1. Parts that add nothing are allowed; none at all is a sum of nothing. */
export function drawnSum(
  parts: readonly Uncertain[],
  {
    random,
    draws,
    limit,
  }: { readonly random: () => number; readonly draws: number; readonly limit?: number | undefined },
): Drawn {
  const sums = new Float64Array(draws);
  for (const { least, most, chance } of parts)
    for (let k = 0; k < draws; k++) {
      // Both are drawn whether or not it comes, so that a part changed leaves the others' draws as they were.
      const [comes, where] = [random() < chance, random()];
      if (comes) sums[k]! += least + where * (most - least);
    }
  sums.sort();
  const at = (share: number) => sums[Math.min(draws - 1, Math.floor(share * draws))] ?? 0;
  const variances = parts.map(varianceOf);
  const whole = variances.reduce((sum, each) => sum + each, 0);
  const drivers = parts
    .map(({ name }, k) => ({ name, share: whole > 0 ? variances[k]! / whole : 0 }))
    .filter(({ share }) => share > 0)
    .sort((a, b) => b.share - a.share);
  return {
    spread: { low: at(0.05), mid: at(0.5), high: at(0.95) },
    mean: sums.reduce((sum, each) => sum + each, 0) / draws,
    ...(limit !== undefined && { over: shareOver(sums, limit) }),
    drivers,
  };
}

/** Of one part: p(w²/12 + m²) − (p m)², evenly between its ends, as often as its chance p. */
export function varianceOf({ least, most, chance }: Uncertain): number {
  const middle = (least + most) / 2;
  return chance * ((most - least) ** 2 / 12 + middle ** 2) - (chance * middle) ** 2;
}
export const meanOf = ({ least, most, chance }: Uncertain): number => (chance * (least + most)) / 2;

/** Share of sorted sums over a limit. */
function shareOver(sums: Float64Array, limit: number): number {
  let over = 0;
  for (let k = sums.length - 1; k >= 0 && sums[k]! > limit; k--) over++;
  return over / sums.length;
}
