import { evenWall } from '../frame';
import { isoRegions } from '../geometry';
import { KNOWN, type ThicknessMap } from './thickness-map';

/** Fractions of nominal at which the shading changes; the labelled ones carry a contour line. */
export const KEPT_LEVELS = [0.95, 0.9, 0.8, 0.7, 0.6, 0.45, 0.3] as const;
export const LINE_LEVELS: readonly number[] = [0.8, 0.6, 0.3];

export interface MapShape {
  readonly level: number;
  readonly rings: readonly (readonly (readonly [stationMm: number, uMm: number])[])[];
}

/** A thickness map ready to draw, in (station, u). */
export interface MapContours {
  /** Regions of at least each fraction of nominal, thinnest first. */
  readonly regions: readonly MapShape[];
  /** Where the map is guessing. */
  readonly guessed: MapShape;
}

/** Regions of a map against the wall as made, `madeMm`; a face of another thickness against its own. */
export function mapContours(map: ThicknessMap, madeMm: number): MapContours {
  const made = evenWall(map.surface, madeMm);
  const columns = map.stationsMm.length;
  const fractions = Float64Array.from(map.thicknessMm, (mm, cell) => mm / made[Math.floor(cell / columns)]!);
  const guesses = Float64Array.from(map.known, (known) => (known === KNOWN.guess ? 1 : 0));
  return {
    regions: shapes(map, fractions, [...KEPT_LEVELS].reverse()),
    guessed: shapes(map, guesses, [0.5])[0]!,
  };
}

function shapes(map: ThicknessMap, values: Float64Array, levels: readonly number[]): MapShape[] {
  const columns = map.stationsMm.length;
  const rows = map.surface.uMm.length;
  const toStation = (column: number) => spread(map.stationsMm, column);
  const toU = (row: number) =>
    spread(map.surface.uMm, row, map.surface.edgeUMm[0]!, map.surface.edgeUMm[rows]!);
  return isoRegions(values, columns, rows, levels).map((region) => ({
    level: region.level,
    rings: region.polygons.flatMap((polygon) =>
      polygon.map((ring) => ring.map(([column, row]) => [toStation(column), toU(row)] as const)),
    ),
  }));
}

/** A fractional index into a table of centres as a coordinate; half a cell beyond the ends reaches the sheet's edge. */
function spread(
  centres: Float64Array,
  index: number,
  first = centres[0]!,
  last = centres[centres.length - 1]!,
): number {
  if (index <= 0) return first + (centres[0]! - first) * Math.max(0, 1 + 2 * index);
  if (index >= centres.length - 1)
    return last - (last - centres[centres.length - 1]!) * Math.max(0, 1 - 2 * (index - centres.length + 1));
  const k = Math.min(Math.floor(index), centres.length - 2);
  return centres[k]! + (index - k) * (centres[k + 1]! - centres[k]!);
}
