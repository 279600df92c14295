import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { importBundle, jobFile, openDatabase, type Db } from '@/data';
import { jobsWith } from '@/data/evidence';
import { untilChanged } from '@/data/unchanged';
import { demoBundle } from './index';
import { sisterBundles } from './sister';

let folder: string;
let db: Db;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'ossatura-'));
  db = openDatabase(join(folder, 'shop.db'));
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true, force: true });
});

describe('what every job asks the whole shop', () => {
  test('is asked once, and again once anything was written, here or by another program', () => {
    let asked = 0;
    const ask = () => untilChanged(db, 'faults', () => ++asked);
    expect([ask(), ask()]).toEqual([1, 1]);
    expect(untilChanged(db, 'another', () => 'its own')).toBe('its own');
    importBundle(db, demoBundle('GR-7'));
    expect([ask(), ask()]).toEqual([2, 2]);
    const other = openDatabase(join(folder, 'shop.db'));
    importBundle(other, demoBundle('BM-2'));
    other.close();
    expect([ask(), ask()]).toEqual([3, 3]);
  });
  test('what asking itself wrote does not have it asked again', () => {
    let asked = 0;
    const ask = () =>
      untilChanged(db, 'written', () => {
        importBundle(db, demoBundle('GR-7'));
        return ++asked;
      });
    expect([ask(), ask()]).toEqual([1, 1]);
  });
  test('another file has its own', () => {
    const other = openDatabase(join(folder, 'other.db'));
    expect(untilChanged(db, 'same', () => 'here')).toBe('here');
    expect(untilChanged(other, 'same', () => 'there')).toBe('there');
    other.close();
  });
  test('rare records are found without reading through readings; a job’s own are left out', () => {
    const { capped } = sisterBundles();
    importBundle(db, capped);
    importBundle(db, demoBundle('GR-7'));
    const besides = demoBundle('GR-7').job.id;
    expect(jobsWith(db, { kind: 'flex', besides })).toEqual([capped.job.id]);
    expect(jobsWith(db, { kind: 'flex', besides: capped.job.id })).toEqual([]);
    const plan = db
      .prepare<[], { detail: string }>(
        "EXPLAIN QUERY PLAN SELECT DISTINCT job_id FROM evidence WHERE kind = 'flex' AND kind <> 'reading' AND job_id <> 'x' ORDER BY job_id",
      )
      .all();
    expect(plan.map(({ detail }) => detail).join()).toMatch(/COVERING INDEX evidence_rare/);
  });
  test('a fault noted in one job is heard by the next that is opened', () => {
    const { capped } = sisterBundles();
    importBundle(db, demoBundle('BM-2'));
    const of = () => jobFile(db, demoBundle('BM-2').job.id)!.faults!;
    const before = of().length;
    importBundle(db, capped);
    expect(of().length).toBeGreaterThan(before);
  });
});
