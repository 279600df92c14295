import { fail, inchesToMm, ok, parseLengthMm, type Outcome, type UnitSystem } from '@/core/quantity';
import type { ToCut } from '@/core/job';
import type { ShopLists } from '@/core/reference';
import {
  isOfThickness,
  nestPiece,
  sheetsOnShelf,
  type NestPiece,
  type NestSheet,
  type NestWays,
  type Turns,
} from '@/core/shape';

/** What is typed of how pieces are laid, and of a sheet to buy. */
export interface NestTyped {
  readonly kerf: string;
  readonly gap: string;
  readonly edge: string;
  readonly turns: Turns;
  readonly buyLong: string;
  readonly buyWide: string;
  readonly buyCount: string;
}

/** Plasma's usual kerf, a gap that keeps heat and slag apart, and a whole sheet as it is sold (common practice, no source). */
export const startTyped = (system: UnitSystem): NestTyped =>
  system === 'in'
    ? {
        kerf: '1/16',
        gap: '1/4',
        edge: '1/4',
        turns: 'quarter turns',
        buyLong: '96',
        buyWide: '48',
        buyCount: '2',
      }
    : {
        kerf: '1.5',
        gap: '6',
        edge: '6',
        turns: 'quarter turns',
        buyLong: '2500',
        buyWide: '1250',
        buyCount: '2',
      };

/** Thicknesses there is something to cut of, thickest first; gauges that are one are one. */
export const thicknessesOf = (all: readonly ToCut[]): number[] =>
  all
    .map(({ blank }) => blank.thicknessMm)
    .sort((a, b) => b - a)
    .filter((mm, k, sorted) => k === 0 || !isOfThickness(mm, sorted[k - 1]!));

/** How many of each flat and of its twin; what breaks a rule is not cut unless somebody says so. */
export type Counts = Readonly<Record<string, { readonly here: number; readonly twin: number }>>;
export const countOf = (counts: Counts, { blank, broken }: ToCut) =>
  counts[blank.id] ?? { here: broken > 0 ? 0 : blank.count, twin: 0 };

export const piecesOf = (all: readonly ToCut[], counts: Counts, thicknessMm: number): NestPiece[] =>
  all
    .filter(({ blank }) => isOfThickness(blank.thicknessMm, thicknessMm))
    .flatMap((each) => {
      const { here, twin } = countOf(counts, each);
      return [nestPiece(each.blank, false, here), nestPiece(each.blank, true, twin)];
    })
    .filter(({ count }) => count > 0);

/** No table takes a longer sheet, mm. */
const LONGEST_MM = inchesToMm(600);
const MOST_SHEETS = 20;

function lengthIn(
  text: string,
  what: string,
  { system, least }: { system: UnitSystem; least: number },
): Outcome<number> {
  const parsed = parseLengthMm(text, system);
  if (!parsed.ok) return fail(`${what}: ${parsed.reason}`);
  return parsed.value >= least && parsed.value <= LONGEST_MM
    ? parsed
    : fail(`${what} is ${least > 0 ? 'more than nothing' : 'nothing or more'}, and no longer than a table`);
}

/** The ways and the sheets as typed; fails naming the first field that says nothing. */
export function readNest(
  typed: NestTyped,
  { shelf, thicknessMm, system }: { shelf: ShopLists['shelf']; thicknessMm: number; system: UnitSystem },
): Outcome<{ ways: NestWays; sheets: NestSheet[] }> {
  const [kerf, gap, edge] = (
    [
      ['kerf', typed.kerf],
      ['gap', typed.gap],
      ['edge', typed.edge],
    ] as const
  ).map(([what, text]) => lengthIn(text, what, { system, least: 0 })) as [
    Outcome<number>,
    Outcome<number>,
    Outcome<number>,
  ];
  if (!kerf.ok) return kerf;
  if (!gap.ok) return gap;
  if (!edge.ok) return edge;
  const count = Number(typed.buyCount.trim() === '' ? '0' : typed.buyCount);
  if (!(Number.isInteger(count) && count >= 0 && count <= MOST_SHEETS))
    return fail(`sheets to buy: a whole number up to ${MOST_SHEETS}`);
  const ways = { kerfMm: kerf.value, gapMm: gap.value, edgeMm: edge.value, turns: typed.turns };
  const onShelf = sheetsOnShelf(shelf, thicknessMm);
  if (count === 0)
    return onShelf.length > 0
      ? ok({ ways, sheets: onShelf })
      : fail('no sheet of this thickness on the shelf, and none to buy');
  const long = lengthIn(typed.buyLong, 'sheet to buy, length', { system, least: 1 });
  if (!long.ok) return long;
  const wide = lengthIn(typed.buyWide, 'sheet to buy, width', { system, least: 1 });
  if (!wide.ok) return wide;
  return ok({
    ways,
    sheets: [...onShelf, { id: 'buy', lengthMm: long.value, widthMm: wide.value, count, isBought: true }],
  });
}
