/**
 * A symmetric matrix by its skyline: for every column the entries from its first row that is not empty down to the diagonal.
 *
 *   first[j] ── top row kept of column j      entry (i, j), first[j] ≤ i ≤ j, stands at start[j] + i − first[j]
 */
export interface Skyline {
  readonly size: number;
  readonly first: Int32Array;
  readonly start: Int32Array;
  readonly values: Float64Array;
}

/** An empty matrix with room for the given pairs of unknowns. */
export function skyline(size: number, first: Int32Array): Skyline {
  const start = new Int32Array(size + 1);
  for (let j = 0; j < size; j++) start[j + 1] = start[j]! + j - first[j]! + 1;
  return { size, first, start, values: new Float64Array(start[size]!) };
}

export function addTo(matrix: Skyline, row: number, column: number, value: number): void {
  const [i, j] = row <= column ? [row, column] : [column, row];
  matrix.values[matrix.start[j]! + i - matrix.first[j]!]! += value;
}

/** y = K x. */
export function multiply({ size, first, start, values }: Skyline, x: Float64Array): Float64Array {
  const y = new Float64Array(size);
  for (let j = 0; j < size; j++) {
    const top = first[j]!;
    let sum = 0;
    for (let i = top, at = start[j]!; i < j; i++, at++) {
      sum += values[at]! * x[i]!;
      y[i]! += values[at]! * x[j]!;
    }
    y[j]! += sum + values[start[j + 1]! - 1]! * x[j]!;
  }
  return y;
}

/** Columns of L (unit diagonal) with D on the diagonal, in the matrix's own skyline. */
export interface Factors extends Skyline {
  readonly weakest: { readonly column: number; readonly share: number };
}

/**
 * K = L D Lᵀ without pivoting, column by column (active-column method: K.-J. Bathe, Finite Element Procedures, ch. 8).
 * `weakest` is the pivot that lost most of its diagonal: a share near the rounding error means that something can move freely there.
 */
export function factorise(matrix: Skyline): Factors {
  const { size, first, start } = matrix;
  const values = matrix.values.slice();
  const diagonal = new Float64Array(size);
  let weakest = { column: -1, share: Infinity };
  for (let j = 0; j < size; j++) {
    const top = first[j]!,
      base = start[j]! - top;
    for (let i = top + 1; i < j; i++) {
      const from = Math.max(top, first[i]!),
        other = start[i]! - first[i]!;
      let sum = 0;
      for (let k = from; k < i; k++) sum += values[base + k]! * values[other + k]!;
      values[base + i]! -= sum;
    }
    const whole = values[base + j]!;
    let pivot = whole;
    for (let k = top; k < j; k++) {
      const u = values[base + k]!;
      if (u === 0) continue;
      const l = u / diagonal[k]!;
      pivot -= l * u;
      values[base + k] = l;
    }
    const share = whole > 0 ? pivot / whole : 0;
    if (!(share >= weakest.share)) weakest = { column: j, share };
    diagonal[j] = values[base + j] = pivot === 0 ? whole * 1e-16 || 1 : pivot;
  }
  return { size, first, start, values, weakest };
}

/** x with K x = rightSide. */
export function solveFactored(factors: Factors, rightSide: Float64Array): Float64Array {
  const { size, first, start, values } = factors;
  const x = rightSide.slice();
  for (let j = 0; j < size; j++) {
    const base = start[j]! - first[j]!;
    let sum = 0;
    for (let k = first[j]!; k < j; k++) sum += values[base + k]! * x[k]!;
    x[j]! -= sum;
  }
  for (let j = 0; j < size; j++) x[j]! /= values[start[j + 1]! - 1]!;
  backSubstitute(factors, x);
  return x;
}

function backSubstitute({ size, first, start, values }: Skyline, x: Float64Array): void {
  for (let j = size - 1; j >= 0; j--) {
    const base = start[j]! - first[j]!;
    const xj = x[j]!;
    if (xj !== 0) for (let k = first[j]!; k < j; k++) x[k]! -= values[base + k]! * xj;
  }
}

/** The shape in which the structure moves without resistance when the pivot of `column` is lost. */
export function freeMode(factors: Factors, column: number): Float64Array {
  const x = new Float64Array(factors.size);
  x[column] = 1;
  backSubstitute(factors, x);
  return x;
}

/**
 * An order of nodes that keeps neighbours close: reverse Cuthill–McKee, started from the far end of a long walk in every separate part
 * (E. Cuthill, J. McKee, 1969; A. George, J. Liu for the start).
 */
export function nodeOrder(neighbours: readonly (readonly number[])[]): Int32Array {
  const seen = new Uint8Array(neighbours.length);
  const order: number[] = [];
  for (let node = 0; node < neighbours.length; node++) {
    if (seen[node]) continue;
    const start = farEnd(neighbours, farEnd(neighbours, node));
    seen[start] = 1;
    order.push(start);
    for (let head = order.length - 1; head < order.length; head++) {
      const next = neighbours[order[head]!]!.filter((other) => !seen[other]).sort(
        (a, b) => neighbours[a]!.length - neighbours[b]!.length || a - b,
      );
      for (const other of next)
        if (!seen[other]) {
          seen[other] = 1;
          order.push(other);
        }
    }
  }
  return Int32Array.from(order.reverse());
}

function farEnd(neighbours: readonly (readonly number[])[], from: number): number {
  const seen = new Set([from]);
  let last = from;
  for (const node of seen) {
    last = node;
    for (const other of neighbours[node]!) seen.add(other);
  }
  return last;
}
