import type { MetalAccount } from './account';

/** A long opening in an upright wall, with metal above and below it: rows of the surface, stations of the member. */
export interface Slot {
  readonly fromMm: number;
  readonly toMm: number;
  readonly fromRow: number;
  readonly toRow: number;
}

/** Openings in upright walls that are longer than the member is deep: the wall above and below is two tees there, and no beam. */
export function slotsOf({ surface, best }: Pick<MetalAccount, 'surface' | 'best'>): Slot[] {
  const { stationsMm, thicknessMm } = best;
  const columns = stationsMm.length;
  const isGone = (row: number, column: number) => thicknessMm[row * columns + column] === 0;
  const slots: Slot[] = [];
  for (let row = 0; row < surface.rowFace.length; row++) {
    const face = surface.rowFace[row]!;
    if (!face.upright) continue;
    for (let column = 0; column < columns; column++) {
      if (!isGone(row, column)) continue;
      const first = column;
      while (column + 1 < columns && isGone(row, column + 1)) column++;
      const slot = { fromMm: stationsMm[first]!, toMm: stationsMm[column]!, fromRow: row, toRow: row };
      if (slot.toMm - slot.fromMm > surface.shape.depthMm && isOpening(slot)) slots.push(slot);
    }
  }
  return merged(slots);

  /** Metal stands on the same face above and below. */
  function isOpening({ fromMm, toMm, fromRow }: Slot): boolean {
    const face = surface.rowFace[fromRow]!;
    const middle = stationsMm.findIndex((mm) => mm >= (fromMm + toMm) / 2);
    const rows = surface.rowFace.flatMap((each, row) => (each.id === face.id ? [row] : []));
    return [rows[0]!, rows[rows.length - 1]!].every((row) => !isGone(row, middle));
  }
}

/** Rows beside each other that are gone along the same stretch are one opening. */
function merged(slots: readonly Slot[]): Slot[] {
  const out: Slot[] = [];
  for (const slot of slots) {
    const last = out[out.length - 1];
    const isNext =
      last && slot.fromRow === last.toRow + 1 && slot.fromMm < last.toMm && slot.toMm > last.fromMm;
    if (isNext)
      out[out.length - 1] = {
        ...last,
        toRow: slot.toRow,
        fromMm: Math.min(last.fromMm, slot.fromMm),
        toMm: Math.max(last.toMm, slot.toMm),
      };
    else out.push(slot);
  }
  return out;
}
