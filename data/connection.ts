import 'server-only';
import Database from 'better-sqlite3';
import { mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

export type Db = Database.Database;

const MIGRATIONS = join(process.cwd(), 'data', 'migrations');

/**
 * Opens a database file and brings it up to date. WAL with synchronous FULL: a write is acknowledged only once it is on disk.
 * Throws when a migration fails; the file is then as it was before that migration.
 */
export function openDatabase(path: string): Db {
  if (path !== ':memory:') mkdirSync(dirname(path), { recursive: true });
  const db = new Database(path);
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
  db.pragma('busy_timeout = 5000');
  migrate(db);
  return db;
}

/**
 * Runs the numbered migrations that this file has not seen, each in its own transaction. References are not enforced meanwhile, so that a table
 * can be made anew under those that refer to it (SQLite's own procedure for it); they are all checked before a migration is committed.
 * `upTo` stops early, for tests.
 */
export function migrate(db: Db, upTo = Number.POSITIVE_INFINITY): void {
  const done = db.pragma('user_version', { simple: true }) as number;
  db.pragma('foreign_keys = OFF');
  for (const file of readdirSync(MIGRATIONS)
    .filter((name) => name.endsWith('.sql'))
    .sort()) {
    const number = Number(file.slice(0, 3));
    if (number <= done || number > upTo) continue;
    db.transaction(() => {
      db.exec(readFileSync(join(MIGRATIONS, file), 'utf8'));
      const broken = db.pragma('foreign_key_check') as unknown[];
      if (broken.length)
        throw new Error(`${file} would leave ${broken.length} records without what they refer to`);
      db.pragma(`user_version = ${number}`);
    })();
  }
  db.pragma('foreign_keys = ON');
}

/** One connection for the server's life; kept on globalThis because the development server loads modules anew on every edit. */
const held = globalThis as typeof globalThis & { ossaturaDb?: Db };
export const database = (): Db =>
  (held.ossaturaDb ??= openDatabase(process.env.OSSATURA_DB ?? join(process.cwd(), 'var', 'ossatura.db')));
