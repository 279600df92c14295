import { contours } from 'd3-contour';

/** A region of a grid at or above a level: polygons, each an outer ring followed by its holes, in grid cells (cell centres at whole numbers). */
export interface GridRegion {
  readonly level: number;
  readonly polygons: readonly (readonly (readonly (readonly [column: number, row: number])[])[])[];
}

/**
 * Regions of a column-by-row grid at or above each level. `values` is row-major, rows × columns.
 * d3-contour puts a cell's centre at +0.5; that is taken off here so that whole numbers are cell centres.
 */
export function isoRegions(
  values: ArrayLike<number>,
  columns: number,
  rows: number,
  levels: readonly number[],
): GridRegion[] {
  const generator = contours().size([columns, rows]).smooth(true);
  const grid = Array.from(values);
  return levels.map((level) => ({
    level,
    polygons: generator
      .contour(grid, level)
      .coordinates.map((polygon) =>
        polygon.map((ring) => ring.map((point) => [point[0]! - 0.5, point[1]! - 0.5] as const)),
      ),
  }));
}
