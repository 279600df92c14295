import 'server-only';
import Database from 'better-sqlite3';
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';

export type Db = Database.Database;

const MIGRATIONS = join(process.cwd(), 'data', 'migrations');

/** Long enough for another program's write; a server that waits longer answers nobody. */
const BUSY_MS = 400;

/**
 * Opens a database file and brings it up to date. WAL with synchronous FULL: a write is acknowledged only once it is on disk.
 * An older file is copied first; a newer one is refused. Throws when a migration fails; the file is then as it was before that migration.
 */
export function openDatabase(path: string): Db {
  if (path !== ':memory:') mkdirSync(dirname(path), { recursive: true });
  const db = new Database(path);
  refuseNewer(db);
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
  db.pragma(`busy_timeout = ${BUSY_MS}`);
  migrate(db);
  return db;
}

const versionOf = (db: Db): number => db.pragma('user_version', { simple: true }) as number;
const migrations = (): { file: string; number: number }[] =>
  readdirSync(MIGRATIONS)
    .filter((name) => name.endsWith('.sql'))
    .sort()
    .map((file) => ({ file, number: Number(file.slice(0, 3)) }));

/** A later program wrote this file: this one would misread it. */
export class NewerDatabase extends Error {
  constructor(path: string, found: number, known: number) {
    super(
      `${path} was written by a later version of the program (its records are of form ${found}; this program knows up to ${known}). ` +
        'Nothing was changed. Start the later version, or put back a copy made before it.',
    );
  }
}

/** Before anything of the file is touched. */
function refuseNewer(db: Db): void {
  const [done, newest] = [versionOf(db), migrations().at(-1)!.number];
  if (done <= newest) return;
  db.close();
  throw new NewerDatabase(db.name, done, newest);
}

/** The file as an earlier program left it, beside it, before anything is changed: whole or not at all. */
function copyBefore(db: Db, done: number, next: number): void {
  if (done === 0 || db.name === ':memory:') return;
  const copy = `${db.name}.before-${String(next).padStart(3, '0')}`;
  if (existsSync(copy)) return;
  rmSync(`${copy}.part`, { force: true });
  db.prepare('VACUUM INTO ?').run(`${copy}.part`);
  renameSync(`${copy}.part`, copy);
}

/**
 * Runs the numbered migrations that this file has not seen, each in its own transaction. References are not enforced meanwhile, so that a table
 * can be made anew under those that refer to it (SQLite's own procedure for it); they are all checked before a migration is committed.
 * `upTo` stops early, for tests.
 */
export function migrate(db: Db, upTo = Number.POSITIVE_INFINITY): void {
  const done = versionOf(db);
  const next = migrations().filter(({ number }) => number > done && number <= upTo);
  if (next.length === 0) return;
  copyBefore(db, done, next[0]!.number);
  db.pragma('foreign_keys = OFF');
  for (const { file, number } of next) runMigration(db, file, number);
  db.pragma('foreign_keys = ON');
}

function runMigration(db: Db, file: string, number: number): void {
  db.transaction(() => {
    db.exec(readFileSync(join(MIGRATIONS, file), 'utf8'));
    const broken = db.pragma('foreign_key_check') as unknown[];
    if (broken.length)
      throw new Error(`${file} would leave ${broken.length} records without what they refer to`);
    db.pragma(`user_version = ${number}`);
  })();
}

/** Names this set of records, for good. */
export const booksOf = (db: Db): string => db.prepare<[], string>('SELECT id FROM books').pluck().get()!;

/** One connection for the server's life; kept on globalThis because the development server loads modules anew on every edit. */
const held = globalThis as typeof globalThis & { ossaturaDb?: Db };
export const database = (): Db =>
  (held.ossaturaDb ??= openDatabase(process.env.OSSATURA_DB ?? join(process.cwd(), 'var', 'ossatura.db')));
