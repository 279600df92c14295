import { opened, packed, valueOf, type Body } from '@/core/quantity';
import {
  DEFAULT_PRACTICE,
  NO_LISTS,
  practiceForm,
  shopListsForm,
  type Practice,
  type ShopLists,
} from '@/core/reference';
import type { Db } from '../connection';
import type { Change } from '../change';
import { refused, sameRecord, written, type Written } from '../problem';

/** Something of the shop at its newest revision; revision 0 is the product's own start. */
export interface ShopRevision<Part> {
  readonly revision: number;
  readonly part: Part;
  readonly by?: string;
  readonly at?: string;
}

interface Row {
  revision: number;
  version: number;
  body: string;
  by: string;
  at: string;
}
/** What of the shop is revised, where it is kept and how it is read. */
const PARTS = {
  practice: { table: 'shop_practice', column: 'practice', form: practiceForm, start: DEFAULT_PRACTICE },
  lists: { table: 'shop_lists', column: 'lists', form: shopListsForm, start: NO_LISTS },
} as const;
type PartName = keyof typeof PARTS;
interface PartOf {
  practice: Practice;
  lists: ShopLists;
}

const read = <Name extends PartName>(name: Name, row: Row): PartOf[Name] =>
  valueOf(
    opened(PARTS[name].form as typeof practiceForm, {
      ...(JSON.parse(row.body) as Body),
      version: row.version,
    }),
  ) as PartOf[Name];

function newest<Name extends PartName>(db: Db, name: Name): ShopRevision<PartOf[Name]> {
  const { table, column, start } = PARTS[name];
  const row = db
    .prepare<[], Row>(
      `SELECT revision, version, ${column} AS body, by_whom AS by, at FROM ${table} ORDER BY revision DESC LIMIT 1`,
    )
    .get();
  return row
    ? { revision: row.revision, part: read(name, row), by: row.by, at: row.at }
    : { revision: 0, part: start as PartOf[Name] };
}
export const shopPractice = (db: Db): ShopRevision<Practice> => newest(db, 'practice');
export const shopLists = (db: Db): ShopRevision<ShopLists> => newest(db, 'lists');

/** Who changed the shop's practice and when, the last first. */
export const shopHistory = (db: Db): { revision: number; by: string; at: string }[] =>
  db
    .prepare<[], { revision: number; by: string; at: string }>(
      'SELECT revision, by_whom AS by, at FROM shop_practice ORDER BY revision DESC LIMIT 50',
    )
    .all();

/** Writes the next revision of a part of the shop; jobs keep to the one they were judged by. Refused when it was based on an older one. */
function change<Name extends PartName>(
  db: Db,
  name: Name,
  { basedOn, to, by, at }: Change<PartOf[Name]>,
): Written<ShopRevision<PartOf[Name]>> {
  const { table, column, form } = PARTS[name];
  return db
    .transaction((): Written<ShopRevision<PartOf[Name]>> => {
      const current = newest(db, name);
      if (sameRecord(current.part, to)) return written(current);
      if (basedOn !== current.revision)
        return refused(
          'stale',
          'the shop was changed elsewhere meanwhile; look at it again and repeat your change',
          'The other change stands; yours was not made.',
        );
      const { version, ...body } = packed(form as typeof practiceForm, to as Practice);
      const revision = current.revision + 1;
      db.prepare(
        `INSERT INTO ${table} (revision, version, ${column}, by_whom, at) VALUES (@revision, @version, @body, @by, @at)`,
      ).run({ revision, version, body: JSON.stringify(body), by, at });
      return written({ revision, part: to, by, at });
    })
    .immediate();
}
export const changeShopPractice = (db: Db, next: Change<Practice>) => change(db, 'practice', next);
export const changeShopLists = (db: Db, next: Change<ShopLists>) => change(db, 'lists', next);
