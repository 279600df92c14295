import { scaledDistanceMm, type Covariance, type PlacedReadings } from './variogram';

/** An estimate at a place: fraction of nominal, and its standard error. */
export interface Estimate {
  readonly kept: number;
  readonly error: number;
  /** To the nearest reading, scaled, and which it is. */ readonly awayMm: number;
  readonly nearest: number;
}

/**
 * Ordinary kriging from one neighbourhood of readings (Cressie, *Statistics for Spatial Data*, 3.2; the mean unknown, weights summing to one):
 *
 *   K w + μ 1 = c,  1ᵀw = 1      K = C(h) between readings + each one's own tool variance, c = C(h) to the place
 *   estimate wᵀz,  variance C(0) − wᵀc − μ
 *
 * K is factorised once a neighbourhood (Cholesky); places that share it cost two triangular solves. Tool variance stands for the nugget: two
 * readings at one place that disagree are averaged by their tools, not fought over.
 */
export class Neighbourhood {
  readonly size: number;
  private readonly lower: Float64Array;
  /** K⁻¹1, K⁻¹z and 1ᵀK⁻¹1. */
  private readonly ofOnes: Float64Array;
  private readonly ofValues: Float64Array;
  private readonly onesOfOnes: number;
  private readonly onesOfValues: number;
  private readonly toPlace: Float64Array;
  private readonly solved: Float64Array;
  /** How rough these readings are against the covariance: 1 as expected. */
  readonly roughness: number;

  constructor(
    private readonly points: PlacedReadings,
    private readonly covariance: Covariance,
    private readonly index: Int32Array,
    size: number,
  ) {
    this.size = size;
    this.lower = cholesky(this.matrix(), size);
    this.ofOnes = solve(this.lower, new Float64Array(size).fill(1), size);
    const values = Float64Array.from({ length: size }, (_, k) => points.kept[index[k]!]!);
    this.ofValues = solve(this.lower, values, size);
    this.onesOfOnes = sum(this.ofOnes);
    this.onesOfValues = sum(this.ofValues);
    const mean = this.onesOfValues / this.onesOfOnes;
    // Generalised residual sum of squares: n − 1 where the covariance is right.
    const residual = values.reduce(
      (total, value, k) => total + (value - mean) * (this.ofValues[k]! - mean * this.ofOnes[k]!),
      0,
    );
    this.roughness = (EXPECTED_WEIGHT + residual) / (EXPECTED_WEIGHT + size - 1);
    this.toPlace = new Float64Array(size);
    this.solved = new Float64Array(size);
  }

  private matrix(): Float64Array {
    const { size, points, index, covariance } = this;
    const matrix = new Float64Array(size * size);
    for (let i = 0; i < size; i++) {
      const a = index[i]!;
      for (let j = 0; j < i; j++)
        matrix[i * size + j] =
          covariance.sill *
          Math.exp(
            -scaledDistanceMm(points, index[j]!, points.stationMm[a]!, points.uMm[a]!) / covariance.rangeMm,
          );
      matrix[i * size + i] = covariance.sill + points.variance[a]!;
    }
    return matrix;
  }

  /** `roughness` 1 gives the plain kriging variance. */
  at(stationMm: number, uMm: number, roughness = this.roughness): Estimate {
    const { size, points, index, covariance, toPlace, solved } = this;
    let awayMm = Infinity,
      nearest = 0;
    for (let k = 0; k < size; k++) {
      const away = scaledDistanceMm(points, index[k]!, stationMm, uMm);
      toPlace[k] = covariance.sill * Math.exp(-away / covariance.rangeMm);
      if (away < awayMm) [awayMm, nearest] = [away, index[k]!];
    }
    solveInto(this.lower, toPlace, solved, size);
    let ones = 0,
      kept = 0,
      through = 0;
    for (let k = 0; k < size; k++) {
      ones += solved[k]!;
      kept += this.ofValues[k]! * toPlace[k]!;
      through += solved[k]! * toPlace[k]!;
    }
    const multiplier = (ones - 1) / this.onesOfOnes;
    const mean = kept - multiplier * this.onesOfValues;
    const variance = covariance.sill - through + multiplier * (ones - 1);
    return { kept: mean, error: Math.sqrt(Math.max(0, roughness * variance)), awayMm, nearest };
  }

  /**
   * Weights of this neighbourhood's readings on a place, in the order of `members`: w = K⁻¹(c − μ1). They are the same for any field of the same
   * covariance read at the same places.
   */
  weightsAt(stationMm: number, uMm: number): Float64Array {
    this.at(stationMm, uMm);
    const multiplier = (sum(this.solved) - 1) / this.onesOfOnes;
    return this.solved.map((value, k) => value - multiplier * this.ofOnes[k]!);
  }
  /** Which readings these are. */
  get members(): Int32Array {
    return this.index;
  }

  has(index: Int32Array, size: number): boolean {
    if (size !== this.size) return false;
    for (let k = 0; k < size; k++) if (index[k] !== this.index[k]) return false;
    return true;
  }
}

/** The covariance found for the whole member counts as this many readings against what a neighbourhood says of itself (our judgement). */
const EXPECTED_WEIGHT = 5;

const sum = (values: Float64Array): number => {
  let total = 0;
  for (let k = 0; k < values.length; k++) total += values[k]!;
  return total;
};

/** Lower factor of a symmetric positive matrix given by its lower half; row-major. */
function cholesky(matrix: Float64Array, size: number): Float64Array {
  for (let i = 0; i < size; i++) {
    for (let j = 0; j <= i; j++) {
      let value = matrix[i * size + j]!;
      for (let k = 0; k < j; k++) value -= matrix[i * size + k]! * matrix[j * size + k]!;
      matrix[i * size + j] = i === j ? Math.sqrt(Math.max(value, 1e-14)) : value / matrix[j * size + j]!;
    }
  }
  return matrix;
}

function solve(lower: Float64Array, right: Float64Array, size: number): Float64Array {
  const out = new Float64Array(size);
  solveInto(lower, right, out, size);
  return out;
}

function solveInto(lower: Float64Array, right: Float64Array, out: Float64Array, size: number): void {
  for (let i = 0; i < size; i++) {
    let value = right[i]!;
    for (let k = 0; k < i; k++) value -= lower[i * size + k]! * out[k]!;
    out[i] = value / lower[i * size + i]!;
  }
  for (let i = size - 1; i >= 0; i--) {
    let value = out[i]!;
    for (let k = i + 1; k < size; k++) value -= lower[k * size + i]! * out[k]!;
    out[i] = value / lower[i * size + i]!;
  }
}
