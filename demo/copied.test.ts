import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { importBundle, jobFile, jobIds, keepPhoto, openDatabase, photoBytes, type Db } from '@/data';
import { photoSchema } from '@/core/walk';
import { demoBundle } from './index';

let folder: string;
let db: Db;
let shop: string;
let hash: string;
const bundle = demoBundle('BM-2');
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'ossatura-'));
  shop = join(folder, 'shop.db');
  db = openDatabase(shop);
  importBundle(db, bundle);
  const bytes = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#8a3a14' } })
    .jpeg()
    .toBuffer();
  const photo = photoSchema.parse({
    kind: 'photo',
    id: '00000000-0000-4000-8000-0000000000aa',
    moment: 'before',
    caption: 'rear tail',
    by: 'RK',
    at: '2026-11-20T08:00:00Z',
  });
  const kept = await keepPhoto(db, bundle.job.id, photo, bytes);
  if (!kept.ok) throw new Error(kept.problem.message);
  hash = kept.value.picture!.hash;
}, 60_000);
afterAll(() => {
  db.close();
  rmSync(folder, { recursive: true, force: true });
});

/** Runs the command; a copy is named by the second, so that each gets a place of its own. */
const copy = (into: string, from = shop) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['data/copy.mjs', into, '--db', from], {
    encoding: 'utf8',
  });
  return { status, said: stdout + stderr };
};
const placed = (into: string) => readdirSync(into).map((name) => join(into, name, 'shop.db'));

test('a copy made while the records are open holds all of them, and their pictures, and opens like them', () => {
  const into = join(folder, 'stick');
  const { status, said } = copy(into);
  expect([status, said]).toEqual([0, expect.stringMatching(/records, 1 pictures, read through/)]);
  const [path] = placed(into);
  const copied = openDatabase(path!);
  expect(jobIds(copied)).toEqual(jobIds(db));
  expect(jobFile(copied, bundle.job.id)).toEqual(jobFile(db, bundle.job.id));
  expect(photoBytes(copied, hash, 'whole')).toEqual(photoBytes(db, hash, 'whole'));
  copied.close();
});

test('a picture that is not there any more is named, and the records are copied all the same', () => {
  const whole = join(`${shop}-photos`, hash.slice(0, 2), `${hash}.jpg`);
  const bytes = readFileSync(whole);
  rmSync(whole);
  const { status, said } = copy(join(folder, 'without'));
  writeFileSync(whole, bytes);
  expect(status).toBe(0);
  expect(said).toContain(`1 pictures that records name are not beside ${shop}: ${hash}`);
});

test.each([
  ['no records there', 'nowhere.db', 'no records at'],
  ['a file that is no database', 'letter.db', 'not a database'],
])('%s: refused, and nothing is left behind', (_, name, why) => {
  writeFileSync(join(folder, 'letter.db'), 'Dear shop, '.repeat(500));
  const into = join(folder, `for ${name}`);
  mkdirSync(into);
  const { status, said } = copy(into, join(folder, name));
  expect(status).toBe(1);
  expect(said).toContain(why);
  expect(said).toContain('Nothing was copied; the records are as they were.');
  expect(readdirSync(into)).toEqual([]);
});

test('a place that cannot be written to is refused', () => {
  writeFileSync(join(folder, 'full'), '');
  const { status, said } = copy(join(folder, 'full'));
  expect([status, said]).toEqual([1, expect.stringContaining('Nothing was copied')]);
});
