import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { demoBundle } from '.';
import { printBundle } from '@/core/exchange';
import { ofKind } from '@/core/frame';
import type { Reading } from '@/core/probe';
import type { Repair } from '@/core/shape';
import {
  addNotice,
  addUnit,
  allUnits,
  booksOf,
  bundleOf,
  changeFrame,
  changePractice,
  correctUnit,
  currentFrame,
  currentPractice,
  evidenceOf,
  importBundle,
  jobFile,
  keepEvidence,
  keepRepair,
  keepStartingFrame,
  keepStrike,
  migrate,
  NewerDatabase,
  noticesOf,
  openDatabase,
  openJob,
  repairsOf,
  startingFrames,
  storageFailure,
  strikesOf,
  withdrawRepair,
  type Db,
  type StartingFrame,
  type Written,
} from '@/data';

const [gritter, trailer] = [demoBundle('GR-7'), demoBundle('BM-2')];
let db: Db;
beforeEach(() => (db = openDatabase(':memory:')));
afterEach(() => db.close());

const jobId = gritter.job.id;
const filled = () => expect(importBundle(db, gritter).ok).toBe(true);
const firstReading = ofKind(gritter.evidence, 'reading')[0]!;
const firstCrack = ofKind(gritter.evidence, 'crack')[0]!;
const problem = (outcome: Written<unknown>) => (outcome.ok ? undefined : outcome.problem);
const reading = (more: Partial<Reading> = {}): Reading => ({
  ...firstReading,
  id: crypto.randomUUID(),
  ...more,
});

describe('evidence', () => {
  test.each([1, 49, 50, 51, 100, 101])(
    '%i records at once come back in their order, after those before',
    (count) => {
      filled();
      const before = evidenceOf(db, jobId);
      const records = Array.from({ length: count }, (_, k) => reading({ stationMm: 100 + k }));
      expect(keepEvidence(db, jobId, records)).toMatchObject({ ok: true, value: { kept: count } });
      expect(evidenceOf(db, jobId)).toEqual([...before, ...records]);
    },
  );
  test('what is kept comes back as it was, in the order it was kept', () => {
    filled();
    expect(evidenceOf(db, jobId)).toEqual(gritter.evidence);
    expect(jobFile(db, jobId)!.evidence).toEqual(gritter.evidence);
    expect(evidenceOf(db, jobId, ['crack', 'leave']).map((record) => record.kind)).toEqual(
      gritter.evidence.map((record) => record.kind).filter((kind) => kind === 'crack' || kind === 'leave'),
    );
  });

  test('the same reading twice is one; the same id with other figures is refused and the first stands', () => {
    filled();
    const one = reading();
    expect(keepEvidence(db, jobId, [one]).ok).toBe(true);
    expect(keepEvidence(db, jobId, [one, one]).ok).toBe(true);
    expect(problem(keepEvidence(db, jobId, [{ ...one, thicknessMm: 1 }]))!.code).toBe('conflict');
    expect(evidenceOf(db, jobId, ['reading']).filter((each) => each.id === one.id)).toEqual([one]);
  });

  test('one bad reading among good ones keeps none, names its place', () => {
    filled();
    const before = evidenceOf(db, jobId, ['reading']).length;
    const refused = problem(keepEvidence(db, jobId, [reading(), reading({ stationMm: 99_999 })]));
    expect(refused).toMatchObject({ code: 'invalid', at: 'evidence.1.stationMm' });
    expect(evidenceOf(db, jobId, ['reading'])).toHaveLength(before);
  });

  test('unknown job, unknown member, another job’s id', () => {
    filled();
    importBundle(db, trailer);
    expect(problem(keepEvidence(db, crypto.randomUUID(), [reading()]))!.code).toBe('not-found');
    expect(problem(keepEvidence(db, jobId, [reading({ memberId: 'nowhere' })]))!.code).toBe('invalid');
    expect(
      problem(
        keepEvidence(db, trailer.job.id, [
          {
            ...reading({ memberId: 'rail-left', stationMm: 100, face: 'top', heightMm: 20 }),
            id: firstReading.id,
          },
        ]),
      )!.code,
    ).toBe('conflict');
    expect(
      problem(
        keepEvidence(db, jobId, [
          {
            ...firstCrack,
            id: crypto.randomUUID(),
            path: [firstCrack.path[0]!, { stationMm: 1e6, face: 'web', heightMm: 1 }],
          },
        ]),
      )!.at,
    ).toBe('evidence.0.path');
  });

  test.each([
    "UPDATE evidence SET body = '{}'",
    'UPDATE evidence SET number = 0',
    'DELETE FROM evidence',
    'DELETE FROM strike',
    "UPDATE strike SET why = 'because'",
    'DELETE FROM notice',
    "UPDATE job_frame SET frame = '{}'",
    'DELETE FROM job_frame',
    "UPDATE job_practice SET overrides = '{}'",
    'DELETE FROM job_practice',
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
    expect(keepRepair(db, jobId, repair, { changeId: 'c' }).ok).toBe(true);
    expect(() => db.exec(sql)).toThrow(/never|strike it through/);
  });

  test('STRICT tables and checks refuse what is no reading', () => {
    filled();
    const evidence = (values: string) =>
      db.exec(`INSERT INTO evidence (id, job_id, kind, version, number, body) VALUES (${values})`);
    expect(() => evidence(`'a', '${jobId}', 'reading', 2, 99999, 'no json'`)).toThrow(/CHECK/);
    expect(() => evidence(`'a', '${jobId}', 'reading', 'two', 99999, '{}'`)).toThrow(/INTEGER/);
    expect(() => evidence(`'a', '${jobId}', 'reading', 2, 1, '{}'`)).toThrow(/UNIQUE/);
    expect(() => evidence(`'a', 'no such job', 'reading', 2, 99999, '{}'`)).toThrow(/FOREIGN KEY/);
    expect(() =>
      db.exec(`INSERT INTO strike VALUES ('a', 'no such evidence', 'because', 'RK', 'now')`),
    ).toThrow(/FOREIGN KEY/);
  });

  test('struck once; a second strike is refused with who and why; the same one again is fine', () => {
    filled();
    const strike = {
      id: crypto.randomUUID(),
      evidenceId: firstReading.id,
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

  const stamp = { by: 'RK', at: '2026-01-01T00:00:00Z' };
  const frameNow = () => currentFrame(db, jobId)!;
  const renamed = (name: string) => ({
    ...frameNow().frame,
    members: frameNow().frame.members.map((member) =>
      member.id === 'cross-1' ? { ...member, name } : member,
    ),
  });

  test('a change of frame names its revision: the slower tab is told, nothing is overwritten', () => {
    filled();
    const change = { basedOn: 1, to: renamed('Front tube'), ...stamp };
    expect(changeFrame(db, jobId, change)).toMatchObject({ ok: true, value: { revision: 2 } });
    expect(changeFrame(db, jobId, change)).toMatchObject({ ok: true, value: { revision: 2 } });
    expect(problem(changeFrame(db, jobId, { ...change, to: renamed('Other') }))!.code).toBe('stale');
    expect(problem(changeFrame(db, 'no-job', change))!.code).toBe('not-found');
    expect(frameNow().frame.members.find((member) => member.id === 'cross-1')!.name).toBe('Front tube');
  });

  test('a rate changed is no change of frame, and the other way round', () => {
    filled();
    const { practice } = currentPractice(db, jobId)!;
    const dearer = { ...practice, money: { ...practice.money, ratePerHour: 140 } };
    const change = { basedOn: 1, to: dearer, ...stamp };
    expect(changePractice(db, jobId, change)).toMatchObject({ ok: true, value: { revision: 2 } });
    expect(changePractice(db, jobId, change)).toMatchObject({ ok: true, value: { revision: 2 } });
    expect(problem(changePractice(db, jobId, { ...change, to: practice }))!.code).toBe('stale');
    expect(problem(changePractice(db, 'no-job', change))!.code).toBe('not-found');
    expect(currentPractice(db, jobId)!.practice).toEqual(dearer);
    expect(frameNow().revision).toBe(1);
    changeFrame(db, jobId, { basedOn: 1, to: renamed('Tube'), ...stamp });
    expect(currentPractice(db, jobId)!.revision).toBe(2);
  });

  test('a job keeps the shop’s practice it was opened under, and only where it differs its own', () => {
    const shop = (revision: number, soundFraction: number) =>
      db
        .prepare(
          'INSERT INTO shop_practice (revision, version, practice, by_whom, at) VALUES (?, 2, ?, ?, ?)',
        )
        .run(revision, JSON.stringify({ ...gritter.practice, soundFraction }), 'RK', stamp.at);
    shop(1, 0.7);
    filled();
    const own = { ...gritter.practice, soundFraction: 0.7, bendK: 0.5 };
    expect(changePractice(db, jobId, { basedOn: 1, to: own, ...stamp }).ok).toBe(true);
    shop(2, 0.6);
    expect(currentPractice(db, jobId)).toMatchObject({ shopRevision: 1, practice: own });
    const { overrides } = db
      .prepare<[], { overrides: string }>('SELECT overrides FROM job_practice ORDER BY revision DESC LIMIT 1')
      .get()!;
    expect(JSON.parse(overrides)).toEqual({ bendK: 0.5 });
    importBundle(db, trailer);
    expect(currentPractice(db, trailer.job.id)!.shopRevision).toBe(2);
    expect(currentPractice(db, trailer.job.id)!.practice).toEqual(trailer.practice);
  });

  test('a frame that would leave evidence or a repair homeless is refused', () => {
    filled();
    const { frame } = frameNow();
    const change = (members: typeof frame.members) =>
      problem(changeFrame(db, jobId, { basedOn: 1, to: { ...frame, members }, ...stamp }));
    expect(change(frame.members.filter((member) => member.id !== 'cross-4'))!.message).toContain('cross-4');
    const shallow = frame.members.map((member) =>
      member.id === 'rail-right' ? { ...member, shape: { ...member.shape, depthMm: 100 } } : member,
    );
    expect(change(shallow)!.message).toContain('lose its place');
    expect(frameNow().revision).toBe(1);
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
    const plugged = { ...repair, plugs: true };
    expect(keepRepair(db, jobId, repair, { changeId: 'one' }).ok).toBe(true);
    expect(keepRepair(db, jobId, repair, { changeId: 'one' }).ok).toBe(true);
    expect(keepRepair(db, jobId, plugged, { changeId: 'two', basedOn: 'one' }).ok).toBe(true);
    expect(repairsOf(db, jobId)).toEqual([plugged]);
    expect(withdrawRepair(db, jobId, repair.id, { changeId: 'three', basedOn: 'two' }).ok).toBe(true);
    expect(withdrawRepair(db, jobId, repair.id, { changeId: 'three', basedOn: 'two' }).ok).toBe(true);
    expect(repairsOf(db, jobId)).toEqual([]);
    expect(db.prepare('SELECT count(*) AS n FROM repair_version').get()).toEqual({ n: 3 });
    const off = { ...repair, pieces: [{ ...repair.pieces[0]!, endMm: 99_999 }] };
    expect(problem(keepRepair(db, jobId, off, { changeId: 'four', basedOn: 'three' }))!.code).toBe('invalid');
    expect(problem(withdrawRepair(db, jobId, 'nothing', { changeId: 'five' }))!.code).toBe('not-found');
  });

  test('an older page overwrites nothing and brings nothing back unseen', () => {
    filled();
    const change = (changeId: string, basedOn?: string) => ({ changeId, ...(basedOn && { basedOn }) });
    keepRepair(db, jobId, repair, change('one'));
    keepRepair(db, jobId, { ...repair, plugs: true }, change('two', 'one'));
    const older = { ...repair, onBench: true };
    expect(problem(keepRepair(db, jobId, older, change('x', 'one')))!.code).toBe('stale');
    expect(problem(keepRepair(db, jobId, older, change('x')))!.code).toBe('stale');
    expect(problem(withdrawRepair(db, jobId, repair.id, change('x', 'one')))!.code).toBe('stale');
    expect(repairsOf(db, jobId)).toEqual([{ ...repair, plugs: true }]);
    withdrawRepair(db, jobId, repair.id, change('three', 'two'));
    expect(problem(keepRepair(db, jobId, older, change('x', 'two')))).toMatchObject({
      code: 'stale',
      message: expect.stringContaining('taken out of the plan'),
    });
    expect(keepRepair(db, jobId, older, change('four', 'three')).ok).toBe(true);
    expect(jobFile(db, jobId)!.repairChanges[repair.id]).toBe('four');
    expect(problem(keepRepair(db, jobId, { ...older, plugs: true }, change('four', 'three')))!.code).toBe(
      'conflict',
    );
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
      evidence: [
        ...gritter.evidence.filter((record) => record !== firstReading),
        { ...firstReading, thicknessMm: 0.5 },
        reading(),
      ],
    };
    expect(problem(importBundle(db, contradicting))).toMatchObject({
      code: 'conflict',
      kept: expect.stringContaining('Nothing of the bundle'),
    });
    expect(evidenceOf(db, jobId)).toEqual(gritter.evidence);
  });
});

const OLD = (k: number) => `00000000-0000-4000-8000-00000000aaa${k}`;
const stored = (name: string) => readFileSync(`core/job/stored/${name}.json`, 'utf8').replaceAll("'", "''");
/** A figure that fifteen digits do not hold. */
const AWKWARD_MM = 0.1 + 0.2;
/** Rows as the first version wrote them, and as the later ones did; written before the migrations after it. */
function fillByHand(raw: InstanceType<typeof Database>, version: number): void {
  raw.exec(`
    INSERT INTO unit (id, tag, description, kind, exposure, duty, gross_mass_kg) VALUES ('old-unit', 'OLD-1', 'an older trailer', 'trailer', 'road salt', 'work', NULL);
    INSERT INTO job VALUES ('old-job', 'old-unit', 'look', 'repair', '', 'RK', '2026-01-01T00:00:00Z');`);
  if (version >= 4) return fillToday(raw);
  raw.exec(`
    INSERT INTO evidence VALUES ('${OLD(1)}', 'old-job', 'reading', 1), ('${OLD(2)}', 'old-job', 'crack', 2);
    INSERT INTO reading (id, member_id, station_mm, face, height_mm, thickness_mm, method, by_whom, at, note) VALUES ('${OLD(1)}', 'rail-left', 100, 'web', ${AWKWARD_MM}, 5, 'caliper', 'RK', '2026-01-01T00:00:00Z', 'it''s');
    INSERT INTO crack VALUES ('${OLD(2)}', 'rail-left', '[{"stationMm":1.5,"face":"web","heightMm":2},{"stationMm":9,"face":"web","heightMm":2}]', 1, 0, 'eye', 'RK', '2026-01-01T00:00:00Z', '');
    INSERT INTO strike VALUES ('00000000-0000-4000-8000-00000000aaab', '${OLD(1)}', 'slip', 'RK', '2026-01-01T00:00:00Z');
    INSERT INTO job_setup VALUES
      ('old-job', 1, '${stored('frame.1')}', '${stored('practice-profile.1')}', 'RK', '2026-01-01T00:00:00Z'),
      ('old-job', 2, '${stored('frame.1')}', '${stored('practice-profile.1').replace('110', '95')}', 'RK', '2026-01-02T00:00:00Z');
    INSERT INTO repair_version VALUES ('r', 1, 'old-job', '${stored('repair.1')}', 0);`);
  if (version < 3) return;
  raw.exec(`
    INSERT INTO evidence VALUES ('${OLD(3)}', 'old-job', 'felt edge', 3);
    INSERT INTO evidence_body VALUES ('${OLD(3)}', '${stored('felt-edge.1').replace(/"id": "[^"]*"/, `"id": "${OLD(3)}"`)}');
    UPDATE reading SET note = note WHERE 0;`);
}
function fillToday(raw: InstanceType<typeof Database>): void {
  raw.exec(`
    INSERT INTO evidence VALUES ('${OLD(1)}', 'old-job', 'reading', 2, 1, '${stored('reading.2').replace(/"id": "[^"]*"/, `"id": "${OLD(1)}"`)}');
    INSERT INTO strike VALUES ('00000000-0000-4000-8000-00000000aaab', '${OLD(1)}', 'slip', 'RK', '2026-01-01T00:00:00Z');`);
}

test('a database of the third version comes through whole: every figure, every revision', () => {
  const folder = mkdtempSync(join(tmpdir(), 'db-'));
  const path = join(folder, 'shop.db');
  const raw = new Database(path);
  migrate(raw, 3);
  fillByHand(raw, 3);
  raw.close();
  const opened = openDatabase(path);
  expect(evidenceOf(opened, 'old-job')).toEqual([
    {
      kind: 'reading',
      id: OLD(1),
      memberId: 'rail-left',
      stationMm: 100,
      face: 'web',
      heightMm: AWKWARD_MM,
      thicknessMm: 5,
      method: 'caliper',
      by: 'RK',
      at: '2026-01-01T00:00:00Z',
      note: "it's",
    },
    expect.objectContaining({ kind: 'crack', id: OLD(2), startFound: true, finishFound: false }),
    expect.objectContaining({ kind: 'felt edge', id: OLD(3), lowerMm: 20 }),
  ]);
  expect(currentFrame(opened, 'old-job')!.revision).toBe(1);
  const practised = currentPractice(opened, 'old-job')!;
  expect(practised).toMatchObject({ revision: 2, practice: { money: { ratePerHour: 95, currency: '$' } } });
  expect(practised.practice.walk).not.toHaveProperty('ratePerHour');
  expect(repairsOf(opened, 'old-job').map((each) => each.id)).toEqual(['r']);
  opened.close();
  rmSync(folder, { recursive: true });
});

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
      fillByHand(raw, upTo);
      raw.close();
      const opened = openDatabase(path);
      expect(opened.pragma('user_version', { simple: true })).toBe(files.length);
      expect(evidenceOf(opened, 'old-job', ['reading']).map((each) => each.id)).toEqual([OLD(1)]);
      expect(strikesOf(opened, 'old-job').map((each) => each.evidenceId)).toEqual([OLD(1)]);
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

test('a job holds no more than anybody measures; up to there it takes what comes', () => {
  filled();
  const fillTo = (count: number, memberOf: (k: number) => string) =>
    db.transaction(() => {
      const here = evidenceOf(db, jobId).length;
      const insert = db.prepare(
        "INSERT INTO evidence (id, job_id, kind, version, number, body) VALUES (?, ?, 'reading', 2, ?, ?)",
      );
      for (let k = here; k < count; k++)
        insert.run(`fill-${k}`, jobId, 1_000_000 + k, JSON.stringify({ memberId: memberOf(k) }));
    })();
  const left = (records: readonly { memberId?: string | undefined; kind: string }[]) =>
    records.filter(({ memberId, kind }) => kind === 'reading' && memberId === 'rail-left').length;
  const [here, there] = [evidenceOf(db, jobId), 119_999];
  fillTo(there + here.length - left(here), () => 'rail-left');
  expect(keepEvidence(db, jobId, [reading({ memberId: 'rail-left' })]).ok).toBe(true);
  const all = () => db.prepare<[], number>('SELECT count(*) FROM evidence').pluck().get()!;
  const before = all();
  // Another member has room: the cap is each member's own.
  expect(keepEvidence(db, jobId, [reading({ memberId: 'rail-right' })]).ok).toBe(true);
  const full = reading({ memberId: 'rail-left' });
  expect(problem(keepEvidence(db, jobId, [full]))).toMatchObject({
    code: 'too-large',
    message: expect.stringContaining('a member holds'),
  });
  expect(all()).toBe(before + 1);
});

describe('a file of another version, or damaged', () => {
  let folder: string;
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'db-'))));
  afterEach(() => rmSync(folder, { recursive: true }));
  const newest = readdirSync('data/migrations').length;

  test('one a later program wrote is refused and not touched; one of today is not', () => {
    const path = join(folder, 'later.db');
    const raw = new Database(path);
    raw.exec('CREATE TABLE later (x)');
    raw.pragma(`user_version = ${newest + 1}`);
    raw.close();
    const before = readFileSync(path);
    expect(() => openDatabase(path)).toThrow(NewerDatabase);
    expect(() => openDatabase(path)).toThrow(/later version of the program/);
    expect(readFileSync(path)).toEqual(before);
    openDatabase(join(folder, 'today.db')).close();
    openDatabase(join(folder, 'today.db')).close();
  });

  test('one in a folder that is not there yet is begun in it; one in memory makes none', () => {
    const path = join(folder, 'records', 'of the shop', 'shop.db');
    openDatabase(path).close();
    expect(existsSync(path)).toBe(true);
    openDatabase(':memory:').close();
    expect(existsSync(':memory:')).toBe(false);
  });

  test('an older one is copied beside it before it is changed, once', () => {
    const path = join(folder, 'shop.db');
    const raw = new Database(path);
    migrate(raw, 3);
    fillByHand(raw, 3);
    raw.close();
    openDatabase(path).close();
    const copies = readdirSync(folder).filter((name) => name.includes('before'));
    expect(copies).toEqual(['shop.db.before-004']);
    const copy = new Database(join(folder, copies[0]!), { readonly: true });
    expect(copy.pragma('user_version', { simple: true })).toBe(3);
    expect(copy.prepare('SELECT count(*) AS n FROM reading').get()).toEqual({ n: 1 });
    copy.close();
    openDatabase(path).close();
    expect(readdirSync(folder).filter((name) => name.includes('before'))).toEqual(copies);
    openDatabase(join(folder, 'new.db')).close();
    expect(readdirSync(folder).some((name) => name.startsWith('new.db.before'))).toBe(false);
  });

  test('each set of records has a name of its own and keeps it', () => {
    const [one, other] = ['one.db', 'other.db'].map((name) => join(folder, name)) as [string, string];
    const name = (path: string) => {
      const opened = openDatabase(path);
      const books = booksOf(opened);
      opened.close();
      return books;
    };
    expect(name(one)).toBe(name(one));
    expect(name(one)).not.toBe(name(other));
  });

  test('one bad row hides only itself, and is spoken of', () => {
    filled();
    expect(jobFile(db, jobId)!.unreadable).toBeUndefined();
    const all = evidenceOf(db, jobId).length;
    db.prepare(
      `INSERT INTO evidence (id, job_id, kind, version, number, body) VALUES ('bad', ?, 'reading', 2, 999999, '{"thicknessMm": "thick"}')`,
    ).run(jobId);
    db.exec(
      `INSERT INTO unit (id, tag, description, kind, exposure, duty) VALUES ('x', 'X-1', '', 'spaceship', 'none', 'none')`,
    );
    expect(evidenceOf(db, jobId)).toHaveLength(all);
    expect(jobFile(db, jobId)!.unreadable).toEqual([
      expect.objectContaining({ what: 'evidence', id: 'bad' }),
    ]);
    const missed: string[] = [];
    expect(allUnits(db, ({ id }) => missed.push(id)).map((unit) => unit.tag)).toEqual([gritter.unit.tag]);
    expect(missed).toEqual(['x']);
  });
});

test.each([
  ['SQLITE_BUSY', 'in use'],
  ['SQLITE_BUSY_SNAPSHOT', 'in use'],
  ['SQLITE_LOCKED', 'in use'],
  ['SQLITE_FULL', 'full'],
  ['ENOSPC', 'full'],
  ['SQLITE_READONLY', 'may not write'],
  ['EROFS', 'may not write'],
  ['SQLITE_IOERR_WRITE', 'does not answer'],
  ['SQLITE_CORRUPT', 'damaged'],
  ['SQLITE_NOTADB', 'damaged'],
  ['SQLITE_CANTOPEN', 'cannot open'],
])('%s is said to be what it is', (code, words) => {
  expect(storageFailure(Object.assign(new Error(), { code }))).toMatchObject({
    code: 'unavailable',
    message: expect.stringContaining(words),
  });
});
test('a record that is no JSON is damage: it was looked at when it was written', () => {
  const garbled = () => JSON.parse('ZZZZ') as unknown;
  expect(garbled).toThrow(SyntaxError);
  try {
    garbled();
  } catch (error) {
    expect(storageFailure(error)).toMatchObject({
      code: 'unavailable',
      message: expect.stringContaining('may be damaged'),
    });
  }
  expect(storageFailure(new SyntaxError('Invalid regular expression'))).toBeUndefined();
});
test.each([[new Error('x')], [undefined], [{ code: 'SQLITE_CONSTRAINT' }], [{ code: 7 }]])(
  'a fault of ours is no storage failure: %p',
  (error) => expect(storageFailure(error)).toBeUndefined(),
);

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
