import { parse } from 'csv-parse/sync';
import { z } from 'zod';
import { fail, ok, type Outcome } from '../quantity';

export const CSV_FIELDS = [
  'member',
  'station',
  'face',
  'height',
  'thickness',
  'unit',
  'method',
  'note',
] as const;
export type CsvField = (typeof CSV_FIELDS)[number];
export const WANTED_FIELDS: readonly CsvField[] = ['member', 'station', 'face', 'height', 'thickness'];

/** Where a field comes from in another tool's file: one of its columns, or the same for every row. */
export const columnMapSchema = z.partialRecord(
  z.enum(CSV_FIELDS),
  z.union([z.object({ column: z.string().max(200) }), z.object({ always: z.string().max(200) })]),
);
export type ColumnMap = z.infer<typeof columnMapSchema>;

/** Names other tools give these columns, lower case, without units in brackets. */
const ALSO_CALLED: Readonly<Record<CsvField, readonly string[]>> = {
  member: ['member', 'rail', 'part', 'component', 'location', 'asset'],
  station: ['station', 'sta', 'distance', 'position', 'pos', 'x', 'along', 'chainage'],
  face: ['face', 'side', 'surface', 'wall face'],
  height: ['height', 'h', 'y', 'up', 'elevation', 'offset', 'across'],
  thickness: ['thickness', 'thk', 't', 'reading', 'value', 'wall', 'measured', 'result'],
  unit: ['unit', 'units', 'uom'],
  method: ['method', 'tool', 'instrument', 'mode'],
  note: ['note', 'notes', 'comment', 'comments', 'remark', 'remarks'],
};

export interface CsvPeek {
  readonly names: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** Comma, semicolon or tab, whichever the first line has most of. */
export function delimiterOf(text: string): ',' | ';' | '\t' {
  const line = text.split(/\r?\n/, 1)[0] ?? '';
  const count = (mark: string) => line.split(mark).length - 1;
  return ([',', ';', '\t'] as const).reduce((best, mark) => (count(mark) > count(best) ? mark : best));
}

/** The first rows of a file as a table: what its columns are called, and a few to look at. Nothing after them is read, so a file may be cut short. */
export function peekCsv(text: string, count = 5): Outcome<CsvPeek> {
  try {
    const rows = parse(text, {
      to: count + 1,
      bom: true,
      trim: true,
      skip_empty_lines: true,
      relax_column_count: true,
      relax_quotes: true,
      delimiter: delimiterOf(text),
    }) as string[][];
    const [names, ...rest] = rows;
    return names && names.length > 1 ? ok({ names, rows: rest }) : fail('its first line names no columns');
  } catch (error) {
    return fail(error instanceof Error ? error.message : 'it cannot be read');
  }
}

const bare = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[([].*?[)\]]/g, '')
    .replace(/[_-]+/g, ' ')
    .trim();

/** A first guess of which column is which, by name; a unit in brackets behind the thickness says the unit. */
export function guessColumns(names: readonly string[]): ColumnMap {
  const map: ColumnMap = {};
  const taken = new Set<string>();
  for (const field of CSV_FIELDS) {
    const column = ALSO_CALLED[field]
      .map((called) => names.find((name) => !taken.has(name) && bare(name) === called))
      .find((name) => name !== undefined);
    if (column === undefined) continue;
    taken.add(column);
    map[field] = { column };
  }
  const bracket =
    map.thickness && 'column' in map.thickness
      ? /[([]\s*(in|inch|inches|mm)\s*[)\]]/i.exec(map.thickness.column)?.[1]?.toLowerCase()
      : undefined;
  if (!map.unit && bracket) map.unit = { always: bracket === 'mm' ? 'mm' : 'in' };
  return map;
}

/** Fields still without a column or a word for every row. */
export const missingFields = (map: ColumnMap): CsvField[] =>
  WANTED_FIELDS.filter((field) => {
    const from = map[field];
    return !from || ('always' in from && from.always.trim() === '');
  });

/** A row of another tool's table as ours; decimal commas of a semicolon file become points. */
export function mappedRow(
  row: Readonly<Record<string, string | undefined>>,
  map: ColumnMap,
  decimalComma: boolean,
): Record<string, string | undefined> {
  return Object.fromEntries(
    CSV_FIELDS.flatMap((field) => {
      const from = map[field];
      if (!from) return [];
      const text = 'always' in from ? from.always : row[from.column.trim().toLowerCase()];
      return [[field, decimalComma && text ? text.replace(/^(\s*-?\d+),(\d+)/, '$1.$2') : text]];
    }),
  );
}
