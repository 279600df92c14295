import { surfaceOf, uOnFace, faceOf, type Member, type Surface } from '../frame';
import { METHOD_ERROR_MM, type Reading } from './reading';

/** How a cell of the map is known. */
export const KNOWN = { read: 0, between: 1, guess: 2 } as const;

/**
 * Thickness over a member's unrolled faces. Row-major rows × columns; row k is surface row k, column c stands at stationsMm[c].
 * `errorMm` is a standard error; `known` says whether a reading stands nearby (KNOWN).
 */
export interface ThicknessMap {
  readonly surface: Surface;
  readonly stationsMm: Float64Array;
  readonly thicknessMm: Float64Array;
  readonly errorMm: Float64Array;
  readonly known: Uint8Array;
  /** Share of the member's outside that is guessed. */
  readonly guessedShare: number;
}

// Judgements of ours, common practice without a source; the kriged map replaces them with what the readings themselves say.
/** Rust runs along a rail: 4 mm along count as 1 mm across. */
const ALONG_PER_ACROSS = 4;
/** Readings closer than this are averaged rather than interpolated between. */
const SMOOTHING_MM = 6;
/** Beyond this (3 in across, 12 in along) the map is guessing. */
const GUESS_BEYOND_MM = 76;
const READ_WITHIN_MM = 13;
/** The neighbours' own spread reaches its full size over this distance. */
const SPREAD_RANGE_MM = 75;
/** Far from any reading the error tends to a quarter of nominal over this distance. */
const UNKNOWN_RANGE_MM = 150;
const NEIGHBOURS = 12;

/**
 * A first honest map: inverse-distance weighting over the nearest readings, neighbours across folds, long along the rail.
 * The error grows from the tool's own, by the neighbours' spread, to a quarter of nominal where nothing was read.
 * Undefined without readings: an unmeasured wall has no thickness.
 */
export function thicknessMap(member: Member, readings: readonly Reading[]): ThicknessMap | undefined {
  const surface = surfaceOf(member.shape);
  const points = placedReadings(member, readings);
  if (points.count === 0) return undefined;
  const stationsMm = columnStations(member.lengthMm);
  const size = stationsMm.length * surface.uMm.length;
  const map = { thicknessMm: new Float64Array(size), errorMm: new Float64Array(size), known: new Uint8Array(size) };
  const search = nearestSearch(points, surface);
  let guessedMm = 0;
  surface.uMm.forEach((uMm, row) => {
    const rowMm = surface.edgeUMm[row + 1]! - surface.edgeUMm[row]!;
    stationsMm.forEach((stationMm, column) => {
      const cell = row * stationsMm.length + column;
      const estimate = estimateAt(search(stationMm, uMm), points, surface.rowFace[row]!.wallMm);
      map.thicknessMm[cell] = estimate.thicknessMm;
      map.errorMm[cell] = estimate.errorMm;
      map.known[cell] = estimate.known;
      if (estimate.known === KNOWN.guess) guessedMm += rowMm;
    });
  });
  const totalMm = surface.edgeUMm[surface.edgeUMm.length - 1]! * stationsMm.length;
  return { surface, stationsMm, ...map, guessedShare: guessedMm / totalMm };
}

/** Columns about 2 in apart, ends included. */
export function columnStations(lengthMm: number): Float64Array {
  const intervals = Math.max(4, Math.round(lengthMm / 50.8));
  return Float64Array.from({ length: intervals + 1 }, (_, k) => (lengthMm * k) / intervals);
}

interface PlacedReadings {
  readonly count: number;
  readonly stationMm: Float64Array;
  readonly uMm: Float64Array;
  readonly thicknessMm: Float64Array;
  readonly toolErrorMm: Float64Array;
}

/** Readings in order of station. */
function placedReadings(member: Member, readings: readonly Reading[]): PlacedReadings {
  const placed = readings.filter((reading) => faceOf(member.shape, reading.face)).sort((a, b) => a.stationMm - b.stationMm);
  return {
    count: placed.length,
    stationMm: Float64Array.from(placed, (reading) => reading.stationMm),
    uMm: Float64Array.from(placed, (reading) => uOnFace(faceOf(member.shape, reading.face)!, reading.heightMm)),
    thicknessMm: Float64Array.from(placed, (reading) => reading.thicknessMm),
    toolErrorMm: Float64Array.from(placed, (reading) => METHOD_ERROR_MM[reading.method]),
  };
}

interface Nearest { readonly found: number; readonly index: Int32Array; readonly distanceMm: Float64Array }

/** A search for the nearest readings in scaled distance: walks outward by station and stops when station alone is too far. */
function nearestSearch(points: PlacedReadings, surface: Surface): (stationMm: number, uMm: number) => Nearest {
  const index = new Int32Array(NEIGHBOURS);
  const distanceMm = new Float64Array(NEIGHBOURS);
  const perimeterMm = surface.edgeUMm[surface.edgeUMm.length - 1]!;
  return (stationMm, uMm) => {
    let found = 0;
    const consider = (k: number) => {
      let across = Math.abs(points.uMm[k]! - uMm);
      if (surface.closed) across = Math.min(across, perimeterMm - across);
      const along = (points.stationMm[k]! - stationMm) / ALONG_PER_ACROSS;
      const away = Math.sqrt(along * along + across * across);
      if (found === NEIGHBOURS && away >= distanceMm[found - 1]!) return;
      let place = found < NEIGHBOURS ? found++ : NEIGHBOURS - 1;
      for (; place > 0 && distanceMm[place - 1]! > away; place--) {
        distanceMm[place] = distanceMm[place - 1]!;
        index[place] = index[place - 1]!;
      }
      distanceMm[place] = away;
      index[place] = k;
    };
    let after = firstAtOrAfter(points.stationMm, stationMm);
    let before = after - 1;
    while (before >= 0 || after < points.count) {
      const gapBefore = before >= 0 ? stationMm - points.stationMm[before]! : Infinity;
      const gapAfter = after < points.count ? points.stationMm[after]! - stationMm : Infinity;
      if (found === NEIGHBOURS && Math.min(gapBefore, gapAfter) / ALONG_PER_ACROSS >= distanceMm[found - 1]!) break;
      consider(gapBefore <= gapAfter ? before-- : after++);
    }
    return { found, index, distanceMm };
  };
}

function firstAtOrAfter(sorted: Float64Array, value: number): number {
  let low = 0;
  let high = sorted.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle]! < value) low = middle + 1;
    else high = middle;
  }
  return low;
}

function estimateAt(nearest: Nearest, points: PlacedReadings, nominalMm: number) {
  let weights = 0, sum = 0, squares = 0, toolVariance = 0;
  for (let n = 0; n < nearest.found; n++) {
    const k = nearest.index[n]!;
    const away = nearest.distanceMm[n]!;
    const tool = points.toolErrorMm[k]!;
    const weight = 1 / ((away * away + SMOOTHING_MM * SMOOTHING_MM) ** 1.5 * (1 + (tool / 0.25) ** 2));
    weights += weight;
    sum += weight * points.thicknessMm[k]!;
    squares += weight * points.thicknessMm[k]! ** 2;
    toolVariance += weight * tool * tool;
  }
  const mean = sum / weights;
  const spread = Math.max(squares / weights - mean * mean, (0.03 * nominalMm) ** 2);
  const away = nearest.distanceMm[0]!;
  const unknown = (0.25 * nominalMm) ** 2 * (1 - Math.exp(-((away / UNKNOWN_RANGE_MM) ** 2)));
  return {
    thicknessMm: Math.min(mean, 1.1 * nominalMm),
    errorMm: Math.sqrt(toolVariance / weights + spread * (1 - Math.exp(-away / SPREAD_RANGE_MM)) + unknown),
    known: away > GUESS_BEYOND_MM ? KNOWN.guess : away > READ_WITHIN_MM ? KNOWN.between : KNOWN.read,
  };
}

/** The wall at one station: one thickness, error and knowledge per surface row, read off the nearest columns. */
export interface WallProfile { readonly thicknessMm: Float64Array; readonly errorMm: Float64Array; readonly known: Uint8Array }

export function wallAt(map: ThicknessMap, stationMm: number): WallProfile {
  const columns = map.stationsMm.length;
  const place = Math.max(0, Math.min(columns - 1, (stationMm / map.stationsMm[columns - 1]!) * (columns - 1)));
  const left = Math.min(Math.floor(place), columns - 2);
  const part = place - left;
  const rows = map.surface.uMm.length;
  const mix = (field: Float64Array) => Float64Array.from({ length: rows }, (_, row) => {
    const cell = row * columns + left;
    return field[cell]! + part * (field[cell + 1]! - field[cell]!);
  });
  const known = Uint8Array.from({ length: rows }, (_, row) => map.known[row * columns + (part < 0.5 ? left : left + 1)]!);
  return { thicknessMm: mix(map.thicknessMm), errorMm: mix(map.errorMm), known };
}
