import type { Unreadable } from '@/core/job';

/** Hears of a row that could not be read. */
export type Missed = (row: { readonly id: string }, why: string) => void;

/** Rows as records. One that cannot be read hides only itself; `missed` hears of it, so that what shows the rest can say so. */
export const readRows = <Row extends { readonly id: string }, Rec>(
  rows: readonly Row[],
  from: (row: Row) => Rec,
  missed?: Missed,
): Rec[] =>
  rows.flatMap((row) => {
    try {
      return [from(row)];
    } catch (error) {
      missed?.(row, error instanceof Error ? error.message : String(error));
      return [];
    }
  });

/** A list of what could not be read, and who writes in it, by what the rows are. */
export function noting(): { readonly list: Unreadable[]; readonly of: (what: string) => Missed } {
  const list: Unreadable[] = [];
  return { list, of: (what) => (row, why) => list.push({ what, id: row.id, why: why.slice(0, 200) }) };
}
