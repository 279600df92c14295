import { readdirSync } from 'node:fs';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { demoBundles } from '.';
import { printBundle } from '@/core/exchange';
import type { Reading } from '@/core/probe';
import type { Repair } from '@/core/shape';
import {
  addNotice,
  addUnit,
  bundleOf,
  changeSetup,
  correctUnit,
  currentSetup,
  importBundle,
  jobFile,
  keepCrack,
  keepReadings,
  keepRepair,
  keepStartingFrame,
  keepStrike,
  migrate,
  noticesOf,
  openDatabase,
  openJob,
  readingsOf,
  repairsOf,
  startingFrames,
  strikesOf,
  withdrawRepair,
  type Db,
  type StartingFrame,
  type Written,
} from '@/data';

const [gritter, trailer] = demoBundles() as [
  ReturnType<typeof demoBundles>[number],
  ReturnType<typeof demoBundles>[number],
];
let db: Db;
beforeEach(() => (db = openDatabase(':memory:')));
afterEach(() => db.close());

const jobId = gritter.job.id;
const filled = () => expect(importBundle(db, gritter).ok).toBe(true);
const problem = (outcome: Written<unknown>) => (outcome.ok ? undefined : outcome.problem);
const reading = (more: Partial<Reading> = {}): Reading => ({
  ...gritter.readings[0]!,
  id: crypto.randomUUID(),
  ...more,
});

describe('evidence', () => {
  test('what is kept comes back as it was, in the order it was kept', () => {
    filled();
    expect(readingsOf(db, jobId)).toEqual(gritter.readings);
    expect(jobFile(db, jobId)!.cracks).toEqual(gritter.cracks);
  });

  test('the same reading twice is one; the same id with other figures is refused and the first stands', () => {
    filled();
    const one = reading();
    expect(keepReadings(db, jobId, [one]).ok).toBe(true);
    expect(keepReadings(db, jobId, [one, one]).ok).toBe(true);
    expect(problem(keepReadings(db, jobId, [{ ...one, thicknessMm: 1 }]))!.code).toBe('conflict');
    expect(readingsOf(db, jobId).filter((each) => each.id === one.id)).toEqual([one]);
  });

  test('one bad reading among good ones keeps none, names its place', () => {
    filled();
    const before = readingsOf(db, jobId).length;
    const refused = problem(keepReadings(db, jobId, [reading(), reading({ stationMm: 99_999 })]));
    expect(refused).toMatchObject({ code: 'invalid', at: 'readings.1' });
    expect(readingsOf(db, jobId)).toHaveLength(before);
  });

  test('unknown job, unknown member, another job’s id', () => {
    filled();
    importBundle(db, trailer);
    expect(problem(keepReadings(db, crypto.randomUUID(), [reading()]))!.code).toBe('not-found');
    expect(problem(keepReadings(db, jobId, [reading({ memberId: 'nowhere' })]))!.code).toBe('invalid');
    expect(
      problem(
        keepReadings(db, trailer.job.id, [
          {
            ...reading({ memberId: 'rail-left', stationMm: 100, face: 'top', heightMm: 20 }),
            id: gritter.readings[0]!.id,
          },
        ]),
      )!.code,
    ).toBe('conflict');
    expect(
      problem(
        keepCrack(db, jobId, {
          ...gritter.cracks[0]!,
          id: crypto.randomUUID(),
          path: [gritter.cracks[0]!.path[0]!, { stationMm: 1e6, face: 'web', heightMm: 1 }],
        }),
      )!.at,
    ).toBe('path');
  });

  test.each([
    'UPDATE reading SET thickness_mm = 1',
    'DELETE FROM reading',
    'UPDATE evidence SET number = 0',
    'DELETE FROM evidence',
    'DELETE FROM crack',
    "UPDATE crack SET note = 'x'",
    'DELETE FROM strike',
    "UPDATE strike SET why = 'because'",
    'DELETE FROM notice',
    "UPDATE job_setup SET frame = '{}'",
    'DELETE FROM repair_version WHERE 1',
    "UPDATE notice SET words = 'gone'",
  ])('the database itself refuses: %s', (sql) => {
    filled();
    const repair: Repair = {
      id: 'x',
      memberId: 'rail-right',
      cutOut: false,
      pieces: [
        {
          id: 'p',
          kind: 'bottom L',
          startMm: 100,
          endMm: 900,
          thicknessMm: 5,
          lowerEdgeMm: 0,
          upperEdgeMm: 80,
          taperMm: 100,
        },
      ],
      weldStyle: 'continuous',
      plugs: false,
      onBench: false,
      by: 'RK',
      at: '2026-01-01T00:00:00Z',
    };
    expect(keepRepair(db, jobId, repair).ok).toBe(true);
    expect(() => db.exec(sql)).toThrow(/never|strike it through/);
  });

  test('STRICT tables and checks refuse what is no reading', () => {
    filled();
    expect(() =>
      db.exec(
        `INSERT INTO reading SELECT id || 'x', member_id, station_mm, face, height_mm, 'thin', method, by_whom, at, note FROM reading LIMIT 1`,
      ),
    ).toThrow();
    expect(() =>
      db.exec(`INSERT INTO strike VALUES ('a', 'no such evidence', 'because', 'RK', 'now')`),
    ).toThrow(/FOREIGN KEY/);
  });

  test('struck once; a second strike is refused with who and why; the same one again is fine', () => {
    filled();
    const strike = {
      id: crypto.randomUUID(),
      evidenceId: gritter.readings[0]!.id,
      why: 'slipped',
      by: 'RK',
      at: '2026-01-01T00:00:00Z',
    };
    expect(keepStrike(db, jobId, strike).ok).toBe(true);
    expect(keepStrike(db, jobId, strike).ok).toBe(true);
    expect(problem(keepStrike(db, jobId, { ...strike, id: crypto.randomUUID() }))).toMatchObject({
      code: 'conflict',
      message: expect.stringContaining('RK: slipped'),
    });
    expect(problem(keepStrike(db, jobId, { ...strike, evidenceId: crypto.randomUUID() }))!.code).toBe(
      'not-found',
    );
  });
});

describe('units and jobs', () => {
  test('a unit’s facts are corrected, once, from what they were; bundles of before still come in', () => {
    filled();
    importBundle(db, trailer);
    const heavier = { ...gritter.unit, grossMassKg: 12_000 };
    expect(correctUnit(db, gritter.unit, heavier)).toEqual({ ok: true, value: heavier });
    expect(correctUnit(db, gritter.unit, heavier).ok).toBe(true);
    expect(problem(correctUnit(db, gritter.unit, { ...heavier, description: 'other' }))!.code).toBe('stale');
    expect(problem(correctUnit(db, heavier, { ...heavier, tag: 'bm-2' }))).toMatchObject({
      code: 'conflict',
      at: 'tag',
    });
    expect(problem(correctUnit(db, heavier, { ...heavier, id: crypto.randomUUID() }))!.code).toBe(
      'not-found',
    );
    expect(importBundle(db, gritter).ok).toBe(true);
    expect(jobFile(db, jobId)!.grossMassKg).toBe(12_000);
    const unknown = { ...heavier, grossMassKg: undefined };
    expect(correctUnit(db, heavier, unknown).ok).toBe(true);
    expect(jobFile(db, jobId)).not.toHaveProperty('grossMassKg');
  });

  test('a tag is one unit’s, whatever its case; notices stay with the unit', () => {
    expect(addUnit(db, gritter.unit).ok).toBe(true);
    expect(addUnit(db, gritter.unit).ok).toBe(true);
    expect(problem(addUnit(db, { ...trailer.unit, tag: 'gr-7' }))).toMatchObject({
      code: 'conflict',
      at: 'tag',
    });
    addNotice(db, gritter.notices[0]!);
    addNotice(db, gritter.notices[0]!);
    expect(noticesOf(db, gritter.unit.id)).toEqual([gritter.notices[0]]);
    expect(problem(openJob(db, trailer.job, trailer))!.code).toBe('not-found');
  });

  test('a set-up change names its revision: the slower tab is told, nothing is overwritten', () => {
    filled();
    const first = currentSetup(db, jobId)!;
    const stamp = { by: 'RK', at: '2026-01-01T00:00:00Z' };
    const renamed = (name: string) => ({
      ...first.frame,
      members: first.frame.members.map((member) => (member.id === 'cross-1' ? { ...member, name } : member)),
    });
    expect(
      changeSetup(db, jobId, {
        basedOn: 1,
        frame: renamed('Front tube'),
        practice: first.practice,
        ...stamp,
      }),
    ).toMatchObject({ ok: true, value: { revision: 2 } });
    expect(
      changeSetup(db, jobId, {
        basedOn: 1,
        frame: renamed('Front tube'),
        practice: first.practice,
        ...stamp,
      }),
    ).toMatchObject({ ok: true, value: { revision: 2 } });
    expect(
      problem(
        changeSetup(db, jobId, { basedOn: 1, frame: renamed('Other'), practice: first.practice, ...stamp }),
      )!.code,
    ).toBe('stale');
    expect(currentSetup(db, jobId)!.frame.members.find((member) => member.id === 'cross-1')!.name).toBe(
      'Front tube',
    );
  });

  test('a frame that would leave evidence homeless is refused', () => {
    filled();
    const { frame, practice } = currentSetup(db, jobId)!;
    const change = (members: typeof frame.members) =>
      problem(
        changeSetup(db, jobId, {
          basedOn: 1,
          frame: { ...frame, members },
          practice,
          by: 'RK',
          at: '2026-01-01T00:00:00Z',
        }),
      );
    expect(change(frame.members.filter((member) => member.id !== 'cross-4'))!.message).toContain('cross-4');
    expect(
      change(
        frame.members.map((member) =>
          member.id === 'rail-right' ? { ...member, shape: { ...member.shape, depthMm: 100 } } : member,
        ),
      )!.message,
    ).toContain('lose its place');
  });
});

describe('repairs', () => {
  const repair: Repair = {
    id: crypto.randomUUID(),
    memberId: 'rail-right',
    cutOut: false,
    pieces: [
      {
        id: 'p',
        kind: 'bottom L',
        startMm: 2000,
        endMm: 3600,
        thicknessMm: 5,
        lowerEdgeMm: 0,
        upperEdgeMm: 120,
        taperMm: 150,
      },
    ],
    weldStyle: 'continuous',
    plugs: false,
    onBench: false,
    by: 'RK',
    at: '2026-01-01T00:00:00Z',
  };
  test('each change is a version, the last one counts, a withdrawn one is out of the plan but on record', () => {
    filled();
    keepRepair(db, jobId, repair);
    keepRepair(db, jobId, repair);
    keepRepair(db, jobId, { ...repair, plugs: true });
    expect(repairsOf(db, jobId)).toEqual([{ ...repair, plugs: true }]);
    expect(withdrawRepair(db, jobId, repair.id).ok).toBe(true);
    expect(withdrawRepair(db, jobId, repair.id).ok).toBe(true);
    expect(repairsOf(db, jobId)).toEqual([]);
    expect(db.prepare('SELECT count(*) AS n FROM repair_version').get()).toEqual({ n: 3 });
    expect(
      problem(keepRepair(db, jobId, { ...repair, pieces: [{ ...repair.pieces[0]!, endMm: 99_999 }] }))!.code,
    ).toBe('invalid');
    expect(problem(withdrawRepair(db, jobId, 'nothing'))!.code).toBe('not-found');
  });
});

describe('bundles', () => {
  test('into an empty database and out again: identical to the byte', () => {
    filled();
    expect(printBundle(bundleOf(db, jobId)!)).toBe(printBundle(gritter));
    const other = openDatabase(':memory:');
    importBundle(other, bundleOf(db, jobId)!);
    expect(printBundle(bundleOf(other, jobId)!)).toBe(printBundle(gritter));
    other.close();
  });

  test('twice is once; a bundle that contradicts what is here changes nothing', () => {
    filled();
    expect(importBundle(db, gritter)).toMatchObject({ ok: true, value: { wasHere: true } });
    const contradicting = {
      ...gritter,
      readings: [...gritter.readings.slice(1), { ...gritter.readings[0]!, thicknessMm: 0.5 }, reading()],
    };
    expect(problem(importBundle(db, contradicting))).toMatchObject({
      code: 'conflict',
      kept: expect.stringContaining('Nothing of the bundle'),
    });
    expect(readingsOf(db, jobId)).toEqual(gritter.readings);
  });
});

const OLD_READING = '00000000-0000-4000-8000-00000000aaaa';
/** Rows as the first version wrote them: with a reading and a strike, written before the later migrations. */
function fillByHand(raw: InstanceType<typeof Database>): void {
  raw.exec(`
    INSERT INTO unit VALUES ('old-unit', 'OLD-1', 'an older trailer', 'trailer', 'road salt', 'work', NULL);
    INSERT INTO job VALUES ('old-job', 'old-unit', 'look', 'repair', '', 'RK', '2026-01-01T00:00:00Z');
    INSERT INTO evidence VALUES ('${OLD_READING}', 'old-job', 'reading', 1);
    INSERT INTO reading (id, member_id, station_mm, face, height_mm, thickness_mm, method, by_whom, at, note) VALUES ('${OLD_READING}', 'rail-left', 100, 'web', 10, 5, 'caliper', 'RK', '2026-01-01T00:00:00Z', '');
    INSERT INTO strike VALUES ('00000000-0000-4000-8000-00000000aaab', '${OLD_READING}', 'slip', 'RK', '2026-01-01T00:00:00Z');`);
}

describe('the file', () => {
  test('every migration, also on a filled database; numbers without gaps; WAL and full sync', () => {
    const files = readdirSync('data/migrations').sort();
    files.forEach((file, k) => expect(Number(file.slice(0, 3))).toBe(k + 1));
    const folder = mkdtempSync(join(tmpdir(), 'db-'));
    for (let upTo = 1; upTo <= files.length; upTo++) {
      const path = join(folder, `shop-${upTo}.db`);
      const raw = new Database(path);
      migrate(raw, upTo);
      expect(raw.pragma('user_version', { simple: true })).toBe(upTo);
      fillByHand(raw);
      raw.close();
      const opened = openDatabase(path);
      expect(opened.pragma('user_version', { simple: true })).toBe(files.length);
      expect(readingsOf(opened, 'old-job').map((each) => each.id)).toEqual([OLD_READING]);
      expect(strikesOf(opened, 'old-job').map((each) => each.evidenceId)).toEqual([OLD_READING]);
      expect(() => opened.prepare('DELETE FROM evidence').run()).toThrow(/never erased/);
      expect(importBundle(opened, gritter).ok).toBe(true);
      expect(opened.pragma('journal_mode', { simple: true })).toBe('wal');
      expect(opened.pragma('synchronous', { simple: true })).toBe(2);
      expect(opened.pragma('foreign_keys', { simple: true })).toBe(1);
      expect(opened.pragma('integrity_check', { simple: true })).toBe('ok');
      expect(opened.pragma('foreign_key_check')).toEqual([]);
      opened.close();
      const again = openDatabase(path);
      expect(printBundle(bundleOf(again, jobId)!)).toBe(printBundle(gritter));
      again.close();
    }
    rmSync(folder, { recursive: true });
  });
});

describe('starting frames', () => {
  const starting = (more: Partial<StartingFrame> = {}): StartingFrame => ({
    id: crypto.randomUUID(),
    name: 'Our box trailer',
    frame: trailer.frame,
    by: 'RK',
    at: '2026-11-20T10:00:00Z',
    ...more,
  });
  test('kept, read back, the same twice is one, a name said again shows the newer, another id’s content is refused', () => {
    const first = starting();
    expect(keepStartingFrame(db, first).ok).toBe(true);
    expect(keepStartingFrame(db, first).ok).toBe(true);
    const newer = starting({ at: '2026-11-21T10:00:00Z', frame: gritter.frame });
    expect(keepStartingFrame(db, newer).ok).toBe(true);
    expect(keepStartingFrame(db, starting({ name: 'a flatbed' })).ok).toBe(true);
    expect(startingFrames(db).map(({ name, frame }) => [name, frame.family])).toEqual([
      ['a flatbed', 'boxed ladder'],
      ['Our box trailer', 'open-channel ladder'],
    ]);
    expect(problem(keepStartingFrame(db, { ...first, name: 'other' }))!.code).toBe('conflict');
  });
});
