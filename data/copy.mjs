// npm run copy -- folder [--db var/demo.db]: everything the shop has recorded, with its pictures, as it stands now, into a new folder of its own there.
// The server may go on meanwhile. The copy is read through before it is called one; nothing that is there already is written over.
import Database from 'better-sqlite3';
import { cpSync, existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import { basename, join, resolve } from 'node:path';
import { parseArgs } from 'node:util';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { db: { type: 'string', default: process.env.OSSATURA_DB || 'var/demo.db' } },
});

function refuse(why) {
  console.error(`${why} Nothing was copied; the records are as they were.`);
  process.exit(1);
}

/** What a copy holds, once it was read through: how many records, how many pictures they name, and which of those are not there. */
function readThrough(path) {
  const copy = new Database(path, { readonly: true });
  const [said] = copy.pragma('integrity_check(1)', { simple: false });
  if (said.integrity_check !== 'ok') throw new Error(`the copy reads as damaged: ${said.integrity_check}`);
  const records = copy.prepare('SELECT count(*) FROM evidence').pluck().get();
  const named = copy
    .prepare(
      "SELECT DISTINCT json_extract(body, '$.picture.hash') FROM evidence WHERE kind = 'photo' AND json_extract(body, '$.picture.hash') IS NOT NULL",
    )
    .pluck()
    .all();
  copy.close();
  const missing = named.filter(
    (hash) => !existsSync(join(`${path}-photos`, hash.slice(0, 2), `${hash}.jpg`)),
  );
  return { records, pictures: named.length - missing.length, missing };
}

/** Records first: a picture is on disk before the record that names it, so none of theirs is left behind. */
function copyInto(folder) {
  const path = join(folder, basename(values.db));
  const db = new Database(values.db, { readonly: true, fileMustExist: true });
  db.prepare('VACUUM INTO ?').run(path);
  db.close();
  if (existsSync(`${values.db}-photos`)) cpSync(`${values.db}-photos`, `${path}-photos`, { recursive: true });
  return readThrough(path);
}

const [into] = positionals;
if (positionals.length !== 1) refuse('Name one folder to copy into: npm run copy -- /media/stick.');
if (!existsSync(values.db)) refuse(`There are no records at ${values.db}; --db names others.`);
const stamp = new Date().toISOString().replace(/[-:]|\.\d+/g, '');
const folder = resolve(into, `ossatura-${stamp}`);
if (existsSync(folder)) refuse(`${folder} is there already.`);
try {
  mkdirSync(`${folder}.part`, { recursive: true });
  const { records, pictures, missing } = copyInto(`${folder}.part`);
  renameSync(`${folder}.part`, folder);
  console.log(`${folder}: ${records} records, ${pictures} pictures, read through.`);
  if (missing.length)
    console.log(
      `${missing.length} pictures that records name are not beside ${values.db}: ${missing.join(', ')}`,
    );
  console.log(`To open it: npm run demo -- --db ${join(folder, basename(values.db))}`);
} catch (error) {
  if (existsSync(`${folder}.part`)) rmSync(`${folder}.part`, { recursive: true });
  refuse(`${error.message}.`);
}
