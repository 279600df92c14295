import type { ShopLists } from '../../reference';
import { remnantsOf } from './figures';
import type { Nest, NestSheet, NestWays } from './nest';

type Shelf = ShopLists['shelf'];

/** Plate is of a thickness when it is within 3 % of it: a gauge number rounded one way or another (ours). */
const SAME_THICKNESS = 0.03;
export const isOfThickness = (thicknessMm: number, wantedMm: number): boolean =>
  Math.abs(thicknessMm - wantedMm) <= SAME_THICKNESS * wantedMm;

/** What of the shelf a nest may be cut from: rows of one thickness, each by its place in the list. */
export const sheetsOnShelf = (shelf: Readonly<Shelf>, thicknessMm: number): NestSheet[] =>
  shelf.flatMap((row, k) =>
    isOfThickness(row.thicknessMm, thicknessMm)
      ? [{ id: `shelf ${k}`, lengthMm: row.lengthMm, widthMm: row.widthMm, count: row.count }]
      : [],
  );

interface Flat {
  readonly lengthMm: number;
  readonly widthMm: number;
}
const areaMm2 = ({ lengthMm, widthMm }: Flat): number => lengthMm * widthMm;
/** Where a length that was reckoned is as long as one that was typed, mm. */
const HAIR_MM = 1e-6;
function isWithin(flat: Flat, { lengthMm, widthMm }: Flat): boolean {
  const goes = (longMm: number, wideMm: number) =>
    flat.lengthMm <= longMm + HAIR_MM && flat.widthMm <= wideMm + HAIR_MM;
  return goes(lengthMm, widthMm) || goes(widthMm, lengthMm);
}

/**
 * Whether every flat lies on a piece of the shelf of its own, one way round or the other: the largest first, each on the smallest that holds it. What more a
 * piece holds is for the nest to say.
 */
export function liesOnShelf(shelf: Readonly<Shelf>, thicknessMm: number, flats: readonly Flat[]): boolean {
  const left = sheetsOnShelf(shelf, thicknessMm)
    .flatMap(({ count = 1, ...sheet }) => Array.from({ length: count }, (): Flat => sheet))
    .sort((a, b) => areaMm2(a) - areaMm2(b));
  return [...flats]
    .sort((a, b) => areaMm2(b) - areaMm2(a))
    .every((flat) => {
      const at = left.findIndex((piece) => isWithin(flat, piece));
      if (at >= 0) left.splice(at, 1);
      return at >= 0;
    });
}

/**
 * The shelf once a nest is cut: its sheets are gone from it, what is left of each lies on the pile. Sheets that were bought for it leave their remnants
 * only.
 */
export function shelfAfter(
  shelf: Shelf,
  nest: Nest,
  { ways, thicknessMm }: { readonly ways: NestWays; readonly thicknessMm: number },
): Shelf {
  const taken = new Map<string, number>();
  for (const { sheetId } of nest.sheets) taken.set(sheetId, (taken.get(sheetId) ?? 0) + 1);
  const rest = shelf.flatMap((row, k) => {
    const count = row.count - (taken.get(`shelf ${k}`) ?? 0);
    return count > 0 ? [{ ...row, count }] : [];
  });
  const left = nest.sheets.flatMap((sheet) => {
    const k = /^shelf (\d+)$/.exec(sheet.sheetId)?.[1];
    const own = k === undefined ? thicknessMm : shelf[Number(k)]!.thicknessMm;
    return remnantsOf(sheet, ways).map((remnant) => ({ thicknessMm: own, ...remnant, count: 1 }));
  });
  return left.reduce(withOneMore, rest);
}

/** Beside one of its size it is counted; else it is a row of its own. */
function withOneMore(shelf: Shelf, piece: Shelf[number]): Shelf {
  const same = shelf.findIndex(
    ({ thicknessMm, lengthMm, widthMm }) =>
      Math.abs(thicknessMm - piece.thicknessMm) < 1e-6 &&
      Math.abs(lengthMm - piece.lengthMm) < 0.5 &&
      Math.abs(widthMm - piece.widthMm) < 0.5,
  );
  return same < 0
    ? [...shelf, piece]
    : shelf.map((row, k) => (k === same ? { ...row, count: row.count + 1 } : row));
}
