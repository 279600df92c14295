/**
 * A symmetric matrix over nodes of a few unknowns each, eliminated node by node.
 *
 *   rows[b]  ── of block b, one node's unknowns: these, and those of all later blocks that it is tied to when its turn comes, ascending
 *   entry (rows[b][a], rows[b][k]), a ≤ k, stands at start[b] + a · rows[b].length + k;   a runs over the block's own unknowns only
 */
export interface Pattern {
  readonly size: number;
  /** First unknown of each block, and the size. */
  readonly first: Int32Array;
  readonly blockOf: Int32Array;
  readonly rows: readonly Int32Array[];
  readonly start: Int32Array;
}
export interface Matrix extends Pattern {
  readonly values: Float64Array;
}

/** In which order nodes are eliminated, and which later ones each is tied to by then. */
export interface Elimination {
  readonly order: readonly number[];
  readonly later: readonly (readonly number[])[];
}

/**
 * Whoever has the fewest neighbours goes first, and leaves them tied to one another (minimum degree: W. F. Tinney, J. W. Walker, 1967). A frame is rails
 * and rungs: hardly any node ever has more than a few.
 */
export function eliminationOrder(neighbours: readonly (readonly number[])[]): Elimination {
  const around = neighbours.map((list, node) => new Set(list.filter((other) => other !== node)));
  // How many each is tied to; beyond any number once it is eliminated.
  const ties = Uint32Array.from(around, ({ size }) => size);
  const order: number[] = [];
  const later: number[][] = [];
  while (order.length < neighbours.length) {
    const next = fewest(ties);
    const tied = [...around[next]!];
    for (const one of tied) {
      around[one]!.delete(next);
      for (const other of tied) if (other !== one) around[one]!.add(other);
      ties[one] = around[one]!.size;
    }
    ties[next] = ELIMINATED;
    order.push(next);
    later.push(tied);
  }
  return { order, later };
}

const ELIMINATED = 0xffffffff;

/** The first of those with the fewest. */
function fewest(ties: Uint32Array): number {
  let least = 0;
  for (let node = 1; node < ties.length; node++) if (ties[node]! < ties[least]!) least = node;
  return least;
}

/** Where everything stands, for nodes of `unknowns[node]` unknowns eliminated in the order given. */
export function patternOf({ order, later }: Elimination, unknowns: ArrayLike<number>): Pattern {
  const first = new Int32Array(order.length + 1);
  const turnOf = new Int32Array(order.length);
  order.forEach((node, turn) => {
    turnOf[node] = turn;
    first[turn + 1] = first[turn]! + unknowns[node]!;
  });
  const size = first[order.length]!;
  const blockOf = new Int32Array(size);
  const start = new Int32Array(order.length + 1);
  const rows = order.map((_, turn) => {
    blockOf.fill(turn, first[turn], first[turn + 1]);
    const turns = later[turn]!.map((node) => turnOf[node]!).sort((a, b) => a - b);
    const own = unknownsOf(first, [turn, ...turns]);
    start[turn + 1] = start[turn]! + (first[turn + 1]! - first[turn]!) * own.length;
    return own;
  });
  return { size, first, blockOf, rows, start };
}

/** The unknowns of blocks, one after another. */
function unknownsOf(first: Int32Array, turns: readonly number[]): Int32Array {
  let count = 0;
  for (const turn of turns) count += first[turn + 1]! - first[turn]!;
  const own = new Int32Array(count);
  let at = 0;
  for (const turn of turns) for (let k = first[turn]!; k < first[turn + 1]!; k++) own[at++] = k;
  return own;
}

export const emptyMatrix = (pattern: Pattern): Matrix => ({
  ...pattern,
  values: new Float64Array(pattern.start[pattern.rows.length]!),
});

/** The index in `rows[block]` of the first unknown of a later block that it is tied to. */
export function placeOf({ first, rows }: Pattern, block: number, later: number): number {
  const [own, wanted] = [rows[block]!, first[later]!];
  let [low, high] = [0, own.length - 1];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (own[middle]! < wanted) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Where an entry stands; the two unknowns' blocks must be tied. */
function indexOf(matrix: Pattern, one: number, other: number): number {
  const [row, column] = one <= other ? [one, other] : [other, one];
  const { first, blockOf, rows, start } = matrix;
  const block = blockOf[row]!,
    later = blockOf[column]!;
  const at =
    later === block ? column - first[block]! : placeOf(matrix, block, later) + column - first[later]!;
  return start[block]! + (row - first[block]!) * rows[block]!.length + at;
}

export function addTo(matrix: Matrix, row: number, column: number, value: number): void {
  matrix.values[indexOf(matrix, row, column)]! += value;
}

export const diagonalAt = (matrix: Pattern, k: number): number => indexOf(matrix, k, k);

/** y = K x. */
export function multiply({ size, first, rows, start, values }: Matrix, x: Float64Array): Float64Array {
  const y = new Float64Array(size);
  for (let block = 0; block < rows.length; block++) {
    const own = rows[block]!,
      width = own.length;
    for (
      let row = first[block]!, a = 0, at = start[block]!;
      row < first[block + 1]!;
      row++, a++, at += width
    ) {
      const xr = x[row]!;
      let sum = values[at + a]! * xr;
      for (let k = a + 1; k < width; k++) {
        const value = values[at + k]!;
        sum += value * x[own[k]!]!;
        y[own[k]!]! += value * xr;
      }
      y[row]! += sum;
    }
  }
  return y;
}

/** Rows of Lᵀ (unit diagonal) with D on the diagonal, in the matrix's own pattern. */
export interface Factors extends Matrix {
  /** Unknowns whose pivots lost nearly all of their diagonals, in the order of elimination: something may move freely there. */
  readonly suspects: readonly number[];
}

/** A pivot that keeps less than this share of its diagonal is looked at: what is held through a long lever keeps as little. */
const SUSPECT_SHARE = 1e-6;

/**
 * K = L D Lᵀ without pivoting, block by block, each taking what it does away from the later ones it is tied to.
 */
export function factorise(matrix: Matrix): Factors {
  const { first, rows, start } = matrix;
  const values = matrix.values.slice();
  const suspects: number[] = [];
  for (let block = 0; block < rows.length; block++) {
    const own = rows[block]!,
      width = own.length,
      base = start[block]!;
    const count = first[block + 1]! - first[block]!;
    for (let a = 0; a < count; a++) {
      const at = base + a * width;
      const whole = matrix.values[at + a]!;
      let pivot = values[at + a]!;
      if (!(pivot > SUSPECT_SHARE * whole)) suspects.push(first[block]! + a);
      if (pivot === 0) pivot = values[at + a] = whole * 1e-16 || 1;
      for (let b = a + 1; b < count; b++) {
        const l = values[at + b]! / pivot;
        if (l === 0) continue;
        for (let k = b, to = base + b * width; k < width; k++) values[to + k]! -= l * values[at + k]!;
      }
    }
    takeFromLater(matrix, values, block, count);
    for (let a = 0; a < count; a++) {
      const at = base + a * width,
        pivot = values[at + a]!;
      for (let k = a + 1; k < width; k++) values[at + k]! /= pivot;
    }
  }
  return { ...matrix, values, suspects };
}

/** What an eliminated block takes away from each pair of the later unknowns that it is tied to; its rows still hold D Lᵀ. */
function takeFromLater(
  { first, blockOf, rows, start }: Pattern,
  values: Float64Array,
  block: number,
  count: number,
) {
  const own = rows[block]!,
    width = own.length,
    base = start[block]!;
  const sum = new Float64Array(width);
  const into = new Int32Array(width);
  let target = -1;
  for (let i = count; i < width; i++) {
    const later = blockOf[own[i]!]!;
    if (later !== target) {
      target = later;
      // All later ones that this block is tied to, the target is tied to as well: both lists ascend.
      const theirs = rows[target]!;
      for (let k = i, at = 0; k < width; k++) {
        while (theirs[at]! < own[k]!) at++;
        into[k] = at;
      }
    }
    sum.fill(0, i);
    for (let a = 0; a < count; a++) {
      const at = base + a * width;
      const l = values[at + i]! / values[at + a]!;
      if (l === 0) continue;
      for (let k = i; k < width; k++) sum[k]! += l * values[at + k]!;
    }
    const to = start[target]! + (own[i]! - first[target]!) * rows[target]!.length;
    for (let k = i; k < width; k++) values[to + into[k]!]! -= sum[k]!;
  }
}

/** x with K x = rightSide. */
export function solveFactored(factors: Factors, rightSide: Float64Array): Float64Array {
  const { first, rows, start, values } = factors;
  const x = rightSide.slice();
  for (let block = 0; block < rows.length; block++) {
    const own = rows[block]!,
      width = own.length;
    for (
      let row = first[block]!, a = 0, at = start[block]!;
      row < first[block + 1]!;
      row++, a++, at += width
    ) {
      const xr = x[row]!;
      if (xr === 0) continue;
      for (let k = a + 1; k < width; k++) x[own[k]!]! -= values[at + k]! * xr;
      x[row] = xr / values[at + a]!;
    }
  }
  backSubstitute(factors, x);
  return x;
}

function backSubstitute({ first, rows, start, values }: Factors, x: Float64Array): void {
  for (let block = rows.length - 1; block >= 0; block--) {
    const own = rows[block]!,
      width = own.length;
    for (let row = first[block + 1]! - 1; row >= first[block]!; row--) {
      const a = row - first[block]!,
        at = start[block]! + a * width;
      let sum = x[row]!;
      for (let k = a + 1; k < width; k++) sum -= values[at + k]! * x[own[k]!]!;
      x[row] = sum;
    }
  }
}

/**
 * What resists the shape in which the structure moves when a pivot is lost, xᵀ K x, as a share of what its unknowns would meet one by one, Σ Kᵢᵢ xᵢ².
 * A pivot against its own diagonal alone would not tell: a frame that turns freely about one end has long levers, and rounding grows with their square.
 */
export function stillness(matrix: Matrix, factors: Factors, unknown: number): number {
  const mode = freeMode(factors, unknown);
  let alone = 0;
  for (let k = 0; k < mode.length; k++)
    if (mode[k] !== 0) alone += matrix.values[diagonalAt(matrix, k)]! * mode[k]! ** 2;
  return alone > 0 ? factors.values[diagonalAt(factors, unknown)]! / alone : 0;
}

/** The shape in which the structure moves without resistance when the pivot of an unknown is lost. */
export function freeMode(factors: Factors, unknown: number): Float64Array {
  const x = new Float64Array(factors.size);
  x[unknown] = 1;
  backSubstitute(factors, x);
  return x;
}
