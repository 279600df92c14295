/**
 * Solves a small dense system by Gaussian elimination with partial pivoting.
 * `matrix` is row-major n × n; neither argument is changed. Undefined when the matrix is singular.
 */
export function solveDense(matrix: Float64Array, rightSide: Float64Array): Float64Array | undefined {
  const n = rightSide.length;
  const a = matrix.slice();
  const x = rightSide.slice();
  for (let column = 0; column < n; column++) {
    const pivot = largestInColumn(a, n, column);
    if (!(Math.abs(a[pivot * n + column]!) > 1e-300)) return undefined;
    if (pivot !== column) swapRows(a, x, n, pivot, column);
    for (let row = column + 1; row < n; row++) {
      const factor = a[row * n + column]! / a[column * n + column]!;
      if (factor === 0) continue;
      for (let k = column; k < n; k++) a[row * n + k]! -= factor * a[column * n + k]!;
      x[row]! -= factor * x[column]!;
    }
  }
  for (let row = n - 1; row >= 0; row--) {
    for (let k = row + 1; k < n; k++) x[row]! -= a[row * n + k]! * x[k]!;
    x[row]! /= a[row * n + row]!;
  }
  return x;
}

function largestInColumn(a: Float64Array, n: number, column: number): number {
  let best = column;
  for (let row = column + 1; row < n; row++) {
    if (Math.abs(a[row * n + column]!) > Math.abs(a[best * n + column]!)) best = row;
  }
  return best;
}

function swapRows(a: Float64Array, x: Float64Array, n: number, one: number, other: number): void {
  for (let k = 0; k < n; k++) {
    const held = a[one * n + k]!;
    a[one * n + k] = a[other * n + k]!;
    a[other * n + k] = held;
  }
  const held = x[one]!;
  x[one] = x[other]!;
  x[other] = held;
}
