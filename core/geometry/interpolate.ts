/** Index k of the interval, from one to the next of what ascends `by` some figure, that holds x; clamped to the ends. */
export function intervalBy<Each>(all: ArrayLike<Each>, by: (each: Each) => number, x: number): number {
  let low = 0;
  let high = all.length - 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (by(all[middle]!) <= x) low = middle;
    else high = middle;
  }
  return low;
}

/** Straight-line interpolation in a table; the end values hold beyond the ends. Undefined for an empty table. */
export function interpolateLinear(
  at: ArrayLike<number>,
  values: ArrayLike<number>,
  x: number,
): number | undefined {
  if (at.length === 0) return undefined;
  if (at.length === 1 || x <= at[0]!) return values[0];
  if (x >= at[at.length - 1]!) return values[at.length - 1];
  const k = intervalBy(at, (each) => each, x);
  const part = (x - at[k]!) / (at[k + 1]! - at[k]!);
  return values[k]! + part * (values[k + 1]! - values[k]!);
}

export function median(values: readonly number[]): number | undefined {
  if (values.length === 0) return undefined;
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 ? sorted[middle] : (sorted[middle - 1]! + sorted[middle]!) / 2;
}
