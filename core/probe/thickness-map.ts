import { developedWidthMm, faceOf, isClosed, surfaceOf, uOnFace, type Member, type Surface } from '../frame';
import { builtThickness } from './built-thickness';
import { Neighbourhood } from './kriging';
import { METHOD_ERROR_MM, type Reading } from './reading';
import {
  ALONG_PER_ACROSS,
  fittedCovariance,
  scaledDistanceMm,
  type Covariance,
  type PlacedReadings,
} from './variogram';

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
  readonly basis: MapBasis;
}

/** What a map was made with: enough to add one reading to it without making it anew. */
interface MapBasis {
  readonly covariance: Covariance;
  /** The most that may be left of a wall, as a share of its nominal. */
  readonly mostKept: number;
  /** How many readings it was made from. */
  readonly readings: number;
  /** Scaled distance from each run of cells to its furthest neighbour; infinite where it would take more. Rows × runs. */
  readonly reachMm: Float64Array;
}

/** Beyond this (3 in across, 12 in along) the map is guessing (our judgement). */
const GUESS_BEYOND_MM = 76;
const READ_WITHIN_MM = 13;
/** Cells of a row within this along share their neighbours. */
const TOGETHER_MM = 110;
/** Readings a place is estimated from. */
const NEIGHBOURS = 16;

/**
 * The background map: ordinary kriging over the nearest readings on the unrolled faces, neighbours across folds, long along the rail, by a
 * covariance fitted to the readings themselves; readings weigh by their tool's error. Where neighbours are rougher or smoother than the member as
 * a whole, the error is so too. Between 0 and what the wall was made as (its own sound metal where that is thicker than nominal); the error is
 * never under the tool's. Undefined without readings: an unmeasured wall has no thickness. A covariance given stands for the fitted one.
 */
export function thicknessMap(
  member: Member,
  readings: readonly Reading[],
  stationsMm: Float64Array = columnStations(member.lengthMm),
  covariance?: Covariance,
): ThicknessMap | undefined {
  const points = placedReadings(member, readings);
  if (points.count === 0) return undefined;
  const surface = surfaceOf(member.shape);
  const size = stationsMm.length * surface.uMm.length;
  const runs = Math.ceil(stationsMm.length / cellsTogether(stationsMm));
  const map: Drawn = {
    surface,
    stationsMm,
    thicknessMm: new Float64Array(size),
    errorMm: new Float64Array(size),
    known: new Uint8Array(size),
    basis: {
      covariance: covariance ?? fittedCovariance(points),
      mostKept: Math.max(1, builtThickness(member, readings).thicknessMm / member.shape.thicknessMm),
      readings: points.count,
      reachMm: new Float64Array(runs * surface.uMm.length),
    },
  };
  estimateInto(map, points, () => true);
  return { ...map, guessedShare: guessedShare(map) };
}

/**
 * A map with one more reading, the last of `readings`: only runs of cells that it is near enough to be a neighbour of are estimated anew, by the
 * covariance that stands. What is shown at once while readings are typed; `thicknessMap` on all of them follows. Undefined where the map rests
 * on other readings than all but the last.
 */
export function withOneMore(
  map: ThicknessMap,
  member: Member,
  readings: readonly Reading[],
): ThicknessMap | undefined {
  const points = placedReadings(member, readings);
  const added = placedReadings(member, readings.slice(-1));
  if (added.count !== 1 || map.basis.readings !== points.count - 1) return undefined;
  const next: Drawn = {
    ...map,
    thicknessMm: map.thicknessMm.slice(),
    errorMm: map.errorMm.slice(),
    known: map.known.slice(),
    basis: { ...map.basis, readings: points.count, reachMm: map.basis.reachMm.slice() },
  };
  estimateInto(next, points, (run, stationMm, uMm) => {
    const awayMm = scaledDistanceMm(added, 0, stationMm, uMm);
    return awayMm <= map.basis.reachMm[run]!;
  });
  return { ...next, guessedShare: guessedShare(next) };
}

type Drawn = Omit<ThicknessMap, 'guessedShare'>;

/** The neighbourhood that a place is estimated from. */
export function neighbourhoodAt(
  points: PlacedReadings,
  covariance: Covariance,
  stationMm: number,
  uMm: number,
) {
  const nearest = nearestSearch(points)(stationMm, uMm);
  const sorted = new Int32Array(nearest.found);
  inOrder(nearest.index, nearest.found, sorted);
  return new Neighbourhood(points, covariance, sorted, nearest.found);
}

/** Cells of a row that share their neighbours. */
const cellsTogether = (stationsMm: Float64Array): number =>
  stationsMm.length > 1 ? Math.max(1, Math.floor(TOGETHER_MM / (stationsMm[1]! - stationsMm[0]!))) : 1;

/** Estimates runs of cells into a map, those that are wanted. */
function estimateInto(
  map: Drawn,
  points: PlacedReadings,
  isWanted: (run: number, stationMm: number, uMm: number) => boolean,
): void {
  const { surface, stationsMm, basis } = map;
  const search = nearestSearch(points);
  const sorted = new Int32Array(NEIGHBOURS);
  const together = cellsTogether(stationsMm);
  let neighbourhood: Neighbourhood | undefined;
  let run = 0;
  surface.uMm.forEach((uMm, row) => {
    for (let first = 0; first < stationsMm.length; first += together, run++) {
      const last = Math.min(first + together, stationsMm.length);
      const middleMm = (stationsMm[first]! + stationsMm[last - 1]!) / 2;
      if (!isWanted(run, middleMm, uMm)) continue;
      const nearest = search(middleMm, uMm);
      basis.reachMm[run] = nearest.found < NEIGHBOURS ? Infinity : nearest.distanceMm[NEIGHBOURS - 1]!;
      inOrder(nearest.index, nearest.found, sorted);
      // Along a row neighbours change seldom: what was factorised for the cells before mostly serves again.
      if (!neighbourhood?.has(sorted, nearest.found))
        neighbourhood = new Neighbourhood(
          points,
          basis.covariance,
          sorted.slice(0, nearest.found),
          nearest.found,
        );
      for (let column = first; column < last; column++)
        estimateCell(map, points, neighbourhood, { row, column });
    }
  });
}

function estimateCell(
  map: Drawn,
  points: PlacedReadings,
  neighbourhood: Neighbourhood,
  { row, column }: { readonly row: number; readonly column: number },
): void {
  const { surface, stationsMm, basis } = map;
  const { wallMm } = surface.rowFace[row]!;
  const cell = row * stationsMm.length + column;
  const estimate = neighbourhood.at(stationsMm[column]!, surface.uMm[row]!);
  map.thicknessMm[cell] = wallMm * Math.min(Math.max(estimate.kept, 0), basis.mostKept);
  map.errorMm[cell] = wallMm * Math.max(estimate.error, Math.sqrt(points.variance[estimate.nearest]!));
  map.known[cell] =
    estimate.awayMm > GUESS_BEYOND_MM
      ? KNOWN.guess
      : estimate.awayMm > READ_WITHIN_MM
        ? KNOWN.between
        : KNOWN.read;
}

function guessedShare({ surface, stationsMm, known }: Drawn): number {
  let guessedMm = 0;
  surface.uMm.forEach((_, row) => {
    const rowMm = surface.edgeUMm[row + 1]! - surface.edgeUMm[row]!;
    for (let column = 0; column < stationsMm.length; column++)
      if (known[row * stationsMm.length + column] === KNOWN.guess) guessedMm += rowMm;
  });
  return guessedMm / (surface.edgeUMm[surface.edgeUMm.length - 1]! * stationsMm.length);
}

/** Columns about 2 in apart, ends included. */
export function columnStations(lengthMm: number): Float64Array {
  const intervals = Math.max(4, Math.round(lengthMm / 50.8));
  return Float64Array.from({ length: intervals + 1 }, (_, k) => (lengthMm * k) / intervals);
}

/** Readings in order of station, as fractions of their face's nominal. */
export function placedReadings(member: Member, readings: readonly Reading[]): PlacedReadings {
  const placed = readings
    .flatMap((reading) => {
      const face = faceOf(member.shape, reading.face);
      return face ? [{ reading, face }] : [];
    })
    .sort((a, b) => a.reading.stationMm - b.reading.stationMm);
  return {
    count: placed.length,
    stationMm: Float64Array.from(placed, ({ reading }) => reading.stationMm),
    uMm: Float64Array.from(placed, ({ reading, face }) => uOnFace(face, reading.heightMm)),
    kept: Float64Array.from(placed, ({ reading, face }) => reading.thicknessMm / face.wallMm),
    variance: Float64Array.from(
      placed,
      ({ reading, face }) => (METHOD_ERROR_MM[reading.method] / face.wallMm) ** 2,
    ),
    roundMm: isClosed(member.shape) ? developedWidthMm(member.shape) : Infinity,
  };
}

interface Nearest {
  readonly found: number;
  readonly index: Int32Array;
  readonly distanceMm: Float64Array;
}

/** A search for the nearest readings in scaled distance: walks outward by station and stops when station alone is too far. */
function nearestSearch(points: PlacedReadings): (stationMm: number, uMm: number) => Nearest {
  const index = new Int32Array(NEIGHBOURS);
  const distanceMm = new Float64Array(NEIGHBOURS);
  return (stationMm, uMm) => {
    let found = 0;
    const consider = (k: number) => {
      const away = scaledDistanceMm(points, k, stationMm, uMm);
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
      if (found === NEIGHBOURS && Math.min(gapBefore, gapAfter) / ALONG_PER_ACROSS >= distanceMm[found - 1]!)
        break;
      consider(gapBefore <= gapAfter ? before-- : after++);
    }
    return { found, index, distanceMm };
  };
}

/** The same neighbours in one order, however near each is: insertion, since they come almost sorted. */
function inOrder(index: Int32Array, count: number, out: Int32Array): void {
  for (let k = 0; k < count; k++) {
    const value = index[k]!;
    let place = k;
    for (; place > 0 && out[place - 1]! > value; place--) out[place] = out[place - 1]!;
    out[place] = value;
  }
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

/** The wall at one station: one thickness, error and knowledge per surface row, read off the nearest columns. */
export interface WallProfile {
  readonly thicknessMm: Float64Array;
  readonly errorMm: Float64Array;
  readonly known: Uint8Array;
}

export function wallAt(
  map: Pick<ThicknessMap, 'surface' | 'stationsMm' | 'thicknessMm' | 'errorMm' | 'known'>,
  stationMm: number,
): WallProfile {
  const columns = map.stationsMm.length;
  const place = Math.max(
    0,
    Math.min(columns - 1, (stationMm / map.stationsMm[columns - 1]!) * (columns - 1)),
  );
  const left = Math.min(Math.floor(place), columns - 2);
  const part = place - left;
  const rows = map.surface.uMm.length;
  const mix = (field: Float64Array) =>
    Float64Array.from({ length: rows }, (_, row) => {
      const cell = row * columns + left;
      return field[cell]! + part * (field[cell + 1]! - field[cell]!);
    });
  const known = Uint8Array.from(
    { length: rows },
    (_, row) => map.known[row * columns + (part < 0.5 ? left : left + 1)]!,
  );
  return { thicknessMm: mix(map.thicknessMm), errorMm: mix(map.errorMm), known };
}

/** The map at one place: value, standard error, and whether it is a guess there. */
export function valueAt(
  map: ThicknessMap,
  stationMm: number,
  uMm: number,
): { readonly thicknessMm: number; readonly errorMm: number; readonly guessed: boolean } {
  const wall = wallAt(map, stationMm);
  const row = Math.max(0, map.surface.edgeUMm.findIndex((edge, k) => k > 0 && uMm <= edge) - 1);
  return {
    thicknessMm: wall.thicknessMm[row]!,
    errorMm: wall.errorMm[row]!,
    guessed: wall.known[row] === KNOWN.guess,
  };
}
