import type { Surface } from '../frame';
import { wallAt } from '../probe';
import type { MetalAccount } from './account';

/**
 * Force flows round a crack or a hole at about 45°: behind and ahead of it the metal stands slack, a wedge as long as the cut is deep. It is there
 * for whoever measures it and carries nothing: a frame is that much softer.
 *
 *     edge ─────────────┐ crack ┌─────────────
 *                   ╲   │       │   ╱   slack
 *                    ╲  │       │  ╱
 *                     ╲ │       │ ╱
 *                      ╲└───────┘╱
 *                          tip
 *
 * Checked against shells: the stiffness of a cracked channel, up to a crack of the whole flange and half the web.
 */

/** A run of rows cut through at one column: where from and to around the wall, and whether metal goes on at either end. */
interface CutThrough {
  readonly column: number;
  readonly fromRow: number;
  readonly toRow: number;
  readonly deepMm: (row: number) => number;
}

/** The wall that carries at a station, slack metal out; undefined where no cut is near enough to slacken anything. */
export function slackenedWall({
  surface,
  best,
  welded,
}: MetalAccount): (stationMm: number) => Float64Array | undefined {
  const { stationsMm, thicknessMm } = best;
  const cuts = cutsThrough(surface, stationsMm.length, thicknessMm);
  const wholeMm = surface.edgeUMm[surface.edgeUMm.length - 1]!;
  return (stationMm) => {
    const near = cuts.filter(({ column }) => Math.abs(stationsMm[column]! - stationMm) < wholeMm);
    if (near.length === 0) return undefined;
    const wall = wallAt(welded, stationMm).thicknessMm.slice();
    for (const { column, fromRow, toRow, deepMm } of near) {
      const awayMm = Math.abs(stationsMm[column]! - stationMm);
      for (let row = fromRow; row <= toRow; row++) if (deepMm(row) > awayMm) wall[row] = 0;
    }
    return wall;
  };
}

function cutsThrough(surface: Surface, columns: number, thicknessMm: Float64Array): CutThrough[] {
  const rows = surface.uMm.length;
  const cuts: CutThrough[] = [];
  for (let column = 0; column < columns; column++) {
    const isCut = (row: number) => thicknessMm[row * columns + column] === 0;
    for (let row = 0; row < rows; row++) {
      if (!isCut(row)) continue;
      const fromRow = row;
      while (row + 1 < rows && isCut(row + 1)) row++;
      cuts.push(cutThrough(surface, column, fromRow, row));
    }
  }
  return cuts;
}

/** How deep a row lies within a cut: to the nearer tip. A free edge is no tip. */
function cutThrough(surface: Surface, column: number, fromRow: number, toRow: number): CutThrough {
  const { edgeUMm, uMm, closed } = surface;
  const last = uMm.length - 1;
  const tips = [
    ...(closed || fromRow > 0 ? [edgeUMm[fromRow]!] : []),
    ...(closed || toRow < last ? [edgeUMm[toRow + 1]!] : []),
  ];
  return {
    column,
    fromRow,
    toRow,
    deepMm: (row) => Math.min(Infinity, ...tips.map((tip) => Math.abs(uMm[row]! - tip))),
  };
}
