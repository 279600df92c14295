import {
  fail,
  mmToInches,
  ok,
  parseLengthMm,
  schemaWords,
  type Outcome,
  type UnitSystem,
} from '@/core/quantity';
import { shopListsSchema, type ShopLists } from '@/core/reference';
import { readWeek, typedWeek, type WeekTyped } from './week';

/** A column of one of the shop's lists. */
export interface ListColumn {
  readonly key: string;
  readonly label: string;
  readonly is: 'words' | 'yes' | 'length' | 'thickness' | 'number';
  readonly maybe?: true;
}
type ListName = Exclude<keyof ShopLists, 'week'>;
export const LIST_NAMES = [
  'people',
  'bays',
  'shelf',
  'kits',
  'consumables',
] as const satisfies readonly ListName[];

const column = (key: string, label: string, is: ListColumn['is'], maybe?: true): ListColumn => ({
  key,
  label,
  is,
  ...(maybe && { maybe }),
});
export const LISTS: Readonly<
  Record<ListName, { readonly title: string; readonly says: string; readonly columns: readonly ListColumn[] }>
> = {
  people: {
    title: 'People',
    says: 'By role or initials, never whole names.',
    columns: [
      column('name', 'initials', 'words'),
      column('role', 'role', 'words'),
      column('welds', 'welds', 'yes'),
      column('qualification', 'paper that says so, and until when', 'words', true),
    ],
  },
  bays: {
    title: 'Bays',
    says: 'A unit with its axle out blocks one.',
    columns: [
      column('name', 'bay', 'words'),
      column('hasLift', 'has a lift', 'yes'),
      column('longestMm', 'longest unit', 'length', true),
    ],
  },
  shelf: {
    title: 'Steel on the shelf and offcuts',
    says: 'Pieces there are, to be cut from first.',
    columns: [
      column('thicknessMm', 'thickness', 'thickness'),
      column('lengthMm', 'length', 'length'),
      column('widthMm', 'width', 'length'),
      column('count', 'how many', 'number'),
    ],
  },
  kits: {
    title: 'Bought-in caps and kits',
    says: 'Generic entries, in your own words.',
    columns: [
      column('name', 'what', 'words'),
      column('family', 'for frames', 'words', true),
      column('coversMm', 'each covers', 'length'),
      column('edgeMm', 'edge height', 'length'),
      column('thicknessMm', 'thickness', 'thickness'),
      column('pieces', 'pieces of a set', 'number', true),
      column('price', 'price', 'number', true),
      column('instructions', 'its maker’s instructions', 'words', true),
      column('leadDays', 'days till it is here', 'number', true),
    ],
  },
  consumables: {
    title: 'Consumables',
    says: 'Wire, gas, discs, primer: what one costs.',
    columns: [
      column('name', 'what', 'words'),
      column('unit', 'by the', 'words'),
      column('price', 'price', 'number'),
    ],
  },
};

/** Rows as they are typed; a yes is `yes`. */
export type RowTyped = Readonly<Record<string, string>>;
export type ListsTyped = Readonly<Record<ListName, readonly RowTyped[]>> & { readonly week: WeekTyped };

/** A length with every figure it has: what stands in a form is kept again with the rest, and must not drift. */
const exactLength = (mm: number, system: UnitSystem): string =>
  String(Number((system === 'in' ? mmToInches(mm) : mm).toFixed(system === 'in' ? 6 : 4)));

export function typedLists(lists: ShopLists, system: UnitSystem): ListsTyped {
  const text = (value: unknown, is: ListColumn['is']): string => {
    if (value === undefined) return '';
    if (is === 'length' || is === 'thickness') return exactLength(value as number, system);
    return is === 'yes' ? (value ? 'yes' : '') : String(value);
  };
  const rows = (name: ListName) =>
    (lists[name] as readonly Record<string, unknown>[]).map((row) =>
      Object.fromEntries(LISTS[name].columns.map(({ key, is }) => [key, text(row[key], is)])),
    );
  const all = Object.fromEntries(LIST_NAMES.map((name) => [name, rows(name)])) as unknown as ListsTyped;
  return { ...all, week: typedWeek(lists.week) };
}

function readCell({ is, label, maybe }: ListColumn, text: string, system: UnitSystem): Outcome<unknown> {
  if (is === 'yes') return ok(text === 'yes');
  if (text.trim() === '') return maybe ? ok(undefined) : fail(`${label}: nothing was typed`);
  if (is === 'words') return ok(text.trim());
  if (is === 'number') {
    const value = Number(text.replace(',', '.'));
    return Number.isFinite(value) ? ok(value) : fail(`${label}: a number`);
  }
  const read = parseLengthMm(text, system);
  return read.ok ? read : fail(`${label}: ${read.reason}`);
}

/** Typed rows read; rows wholly empty are passed over, the failure says list and row. */
export function readLists(typed: ListsTyped, system: UnitSystem): Outcome<ShopLists> {
  const lists: Record<string, unknown[]> = {};
  for (const name of LIST_NAMES) {
    const { title, columns } = LISTS[name];
    const filled = typed[name].filter((row) => Object.values(row).some((text) => text.trim() !== ''));
    lists[name] = [];
    for (const [k, row] of filled.entries()) {
      const record: Record<string, unknown> = {};
      for (const each of columns) {
        const value = readCell(each, row[each.key] ?? '', system);
        if (!value.ok) return fail(`${title}, row ${k + 1}: ${value.reason}`, name);
        if (value.value !== undefined) record[each.key] = value.value;
      }
      lists[name].push(record);
    }
  }
  const week = readWeek(typed.week);
  if (!week.ok) return fail(`When we work: ${week.reason}`, 'week');
  const checked = shopListsSchema.safeParse({ ...lists, week: week.value }, { error: schemaWords });
  if (checked.success) return ok(checked.data);
  const [issue] = checked.error.issues;
  const [name, row, key] = issue!.path as [ListName, number?, string?];
  const label = LISTS[name]?.columns.find((each) => each.key === key)?.label;
  return fail(
    `${LISTS[name]?.title ?? name}${row === undefined ? '' : `, row ${row + 1}`}${label ? `, ${label}` : ''}: ${issue!.message}`,
    name,
  );
}

/** Typed lengths turned into the other units; everything else stays as it is. */
export const turnedLists = (typed: ListsTyped, as: (text: string) => string): ListsTyped => {
  const turnedRow = (name: ListName, row: RowTyped): RowTyped =>
    Object.fromEntries(
      Object.entries(row).map(([key, text]) => {
        const is = LISTS[name].columns.find((each) => each.key === key)?.is;
        return [key, is === 'length' || is === 'thickness' ? as(text) : text];
      }),
    );
  const lists = Object.fromEntries(
    LIST_NAMES.map((name) => [name, typed[name].map((row) => turnedRow(name, row))]),
  ) as unknown as ListsTyped;
  return { ...lists, week: typed.week };
};
