import type { Db } from './connection';

interface Kept {
  readonly mark: string;
  readonly value: unknown;
}
const kept = new WeakMap<Db, Map<string, Kept>>();

/** Changes with every write to the file, by this connection or by any other. */
const markOf = (db: Db): string =>
  `${db.pragma('data_version', { simple: true }) as number} ${db.prepare('SELECT total_changes()').pluck().get() as number}`;

/** What the whole shop is asked for by every job, asked anew only once anything at all was written since. */
export function untilChanged<Value>(db: Db, what: string, ask: () => Value): Value {
  const known = kept.get(db) ?? new Map<string, Kept>();
  kept.set(db, known);
  const before = known.get(what);
  if (before?.mark === markOf(db)) return before.value as Value;
  const value = ask();
  known.set(what, { mark: markOf(db), value });
  return value;
}
