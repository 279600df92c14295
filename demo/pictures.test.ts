import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { asBuiltOver } from '@/core/patterns';
import { asBuiltFor, jobFile, jobIds, keepStrike, openDatabase, photoBytes, type Db } from '@/data';
import { fillDemo } from './fill';
import { fillPictures } from './pictures';

let folder: string;
let db: Db;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'ossatura-'));
  db = openDatabase(join(folder, 'shop.db'));
  fillDemo(db);
  expect(await fillPictures(db)).toEqual([]);
}, 60_000);
afterAll(() => {
  db.close();
  rmSync(folder, { recursive: true, force: true });
});
const file = (tag: string) =>
  jobIds(db)
    .map((id) => jobFile(db, id)!)
    .filter(({ unit }) => unit.tag === tag)
    .at(-1)!;

describe('photos of places as they were built', () => {
  test('every one stands on its frame, is a picture, and says that it is simulated; filled twice it is one', async () => {
    expect(await fillPictures(db)).toEqual([]);
    const all = asBuiltFor(db);
    expect(all).toHaveLength(5);
    for (const { photo } of all) {
      expect(photo.caption).toContain('(simulated)');
      const bytes = photoBytes(db, photo.picture!.hash, 'whole')!;
      expect((await sharp(bytes).metadata()).format).toBe('jpeg');
      // Something is to be seen on it: a blank sheet has no spread.
      const { channels } = await sharp(bytes).stats();
      expect(Math.max(...channels.map(({ stdev }) => stdev))).toBeGreaterThan(20);
    }
  });
  test('the boat trailer hears of its sister’s front hanger, that bad metal was found there, and of the right one as in a mirror', () => {
    const { frame, unit, job, asBuilt } = file('BM-2');
    const over = (memberId: string) => {
      const { stationMm } = frame.fittings.find(({ kind }) => kind === 'spring hanger')!;
      const at = { frame, unitId: unit.id, jobId: job.id, builtYear: unit.builtYear };
      return asBuiltOver(asBuilt!, { ...at, memberId, fromMm: stationMm, toMm: stationMm });
    };
    expect(over('rail-left')).toMatchObject([
      { asBuilt: { tag: 'BM-1', doubt: 'found bad' }, isMirrored: false, yearsApart: 2 },
    ]);
    expect(over('rail-right')).toMatchObject([{ isMirrored: true }]);
  });
  test('a job hears of its own family only; a struck photo is none', () => {
    expect(new Set(file('BM-2').asBuilt!.map(({ family }) => family))).toEqual(new Set(['boxed ladder']));
    const [first] = asBuiltFor(db, 'open-channel ladder');
    const strike = { id: crypto.randomUUID(), why: 'wrong truck', by: 'TM', at: '2026-11-30T08:00:00Z' };
    expect(keepStrike(db, first!.jobId, { ...strike, evidenceId: first!.photo.id }).ok).toBe(true);
    expect(asBuiltFor(db, 'open-channel ladder')).toEqual([]);
  });
  test('asking for them does not read through every photo of the yard', () => {
    const plan = db
      .prepare<[], { detail: string }>(
        "EXPLAIN QUERY PLAN SELECT job_id FROM evidence WHERE kind = 'photo' AND json_extract(body, '$.moment') = 'as built'",
      )
      .all();
    expect(plan.map(({ detail }) => detail).join()).toContain('evidence_as_built');
  });
});
