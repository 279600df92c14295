import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { demoBundle } from '.';
import { EVIDENCE_KINDS, openEvidence, type Evidence } from '@/core/job';
import { opened, valueOf, type Body } from '@/core/quantity';
import { repairForm } from '@/core/shape';
import type { SpotRule } from '@/core/walk';
import {
  addNotice,
  addUnit,
  changeSpots,
  closeJob,
  evidenceOf,
  importBundle,
  isClosed,
  keepEvidence,
  keepRepair,
  keepStartingFrame,
  keepStrike,
  openDatabase,
  repairChangesOf,
  repairsOf,
  shopSpots,
  strikesOf,
  withdrawRepair,
  type Db,
  type Written,
} from '@/data';

/** An id is one thing's, everywhere: what another job, or another fact, already has under it is never answered as kept. */
const FOLDER = join('core', 'job', 'stored');
const stored = (name: string): Body => JSON.parse(readFileSync(join(FOLDER, name), 'utf8')) as Body;
const cap = valueOf(opened(repairForm, stored('repair.1.json')));
const repair = { ...cap, pieces: cap.pieces.map((piece) => ({ ...piece, kind: 'bottom L' as const })) };
const one = { ...demoBundle('GR-7'), repairs: [repair] };
/** A second job on the same unit, so that whatever fits the one fits the other. */
const other = {
  ...one,
  job: { ...one.job, id: crypto.randomUUID() },
  evidence: one.evidence.slice(0, 1).map((record) => ({ ...record, id: crypto.randomUUID() })),
  strikes: [],
  repairs: [],
};
let db: Db;
beforeEach(() => {
  db = openDatabase(':memory:');
  expect([problem(importBundle(db, one)), problem(importBundle(db, other))]).toEqual([undefined, undefined]);
});
afterEach(() => db.close());

const problem = (outcome: Written<unknown>) => (outcome.ok ? undefined : outcome.problem.code);
const stamp = { by: 'RK', at: '2026-11-20T10:00:00Z' };
const tables = () =>
  db
    .prepare<[], string>(
      "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite%' ORDER BY name",
    )
    .pluck()
    .all();
const everything = () =>
  Object.fromEntries(tables().map((table) => [table, db.prepare(`SELECT * FROM "${table}"`).all()]));

const sampleOf = (kind: string): Evidence => {
  const file = readdirSync(FOLDER)
    .filter((name) => name.startsWith(`${kind.replace(/ /g, '-')}.`))
    .sort()
    .at(-1)!;
  const record = valueOf(openEvidence({ ...stored(file), kind }));
  return { ...record, id: crypto.randomUUID() } as Evidence;
};

describe('evidence of every kind', () => {
  test.each(EVIDENCE_KINDS.map((kind) => [kind.name]))('%s', (kind) => {
    const record = sampleOf(kind);
    expect(keepEvidence(db, one.job.id, [record]).ok).toBe(true);
    const before = everything();
    expect(problem(keepEvidence(db, other.job.id, [record]))).toBe('conflict');
    const changed = { ...record, by: record.by === 'ZZ' ? 'YY' : 'ZZ' } as Evidence;
    expect(problem(keepEvidence(db, one.job.id, [changed]))).toBe('conflict');
    const strike = { id: crypto.randomUUID(), evidenceId: record.id, why: 'wrong job', ...stamp };
    expect(problem(keepStrike(db, other.job.id, strike))).toBe('not-found');
    expect(everything()).toEqual(before);
    expect(evidenceOf(db, other.job.id).some(({ id }) => id === record.id)).toBe(false);
    expect(keepEvidence(db, one.job.id, [record]).ok).toBe(true);
    expect(everything()).toEqual(before);
  });
});

test('a strike', () => {
  const struck = one.evidence.slice(-2);
  const strike = { id: crypto.randomUUID(), evidenceId: struck[0]!.id, why: 'misread', ...stamp };
  expect(keepStrike(db, one.job.id, strike).ok).toBe(true);
  expect(problem(keepStrike(db, one.job.id, { ...strike, evidenceId: struck[1]!.id }))).toBe('conflict');
  const elsewhere = { ...strike, evidenceId: other.evidence[0]!.id };
  expect(problem(keepStrike(db, other.job.id, elsewhere))).toBe('conflict');
  expect(strikesOf(db, other.job.id)).toEqual([]);
});

test('a repair, and one taken out of the plan', () => {
  expect(problem(keepRepair(db, other.job.id, repair, { changeId: 'c' }))).toBe('conflict');
  expect(problem(withdrawRepair(db, other.job.id, repair.id, { changeId: 'c' }))).toBe('not-found');
  const basedOn = repairChangesOf(db, one.job.id)[repair.id]!;
  expect(withdrawRepair(db, one.job.id, repair.id, { changeId: 'c', basedOn }).ok).toBe(true);
  expect(importBundle(db, one).ok).toBe(true);
  expect(repairsOf(db, one.job.id)).toEqual([]);
});

test('a word that a job is closed', () => {
  const closing = { id: crypto.randomUUID(), closed: true, ...stamp };
  expect(closeJob(db, one.job.id, closing).ok).toBe(true);
  expect(closeJob(db, one.job.id, closing).ok).toBe(true);
  expect(problem(closeJob(db, other.job.id, closing))).toBe('conflict');
  expect(problem(closeJob(db, one.job.id, { ...closing, closed: false }))).toBe('conflict');
  expect([isClosed(db, one.job.id), isClosed(db, other.job.id)]).toEqual([true, false]);
  expect(problem(closeJob(db, crypto.randomUUID(), closing))).toBe('not-found');
});

test('a change to the shop’s list', () => {
  const rule: SpotRule = shopSpots(db).rules[0]!;
  const change = { id: crypto.randomUUID(), ruleId: rule.id, does: 'drop' as const, ...stamp };
  expect(changeSpots(db, change).ok).toBe(true);
  expect(changeSpots(db, change).ok).toBe(true);
  expect(problem(changeSpots(db, { ...change, does: 'restore' }))).toBe('conflict');
  expect(problem(changeSpots(db, { ...change, ruleId: 'another' }))).toBe('conflict');
  expect(shopSpots(db).dropped.map(({ id }) => id)).toEqual([rule.id]);
});

test('a notice, a unit and a starting frame', () => {
  const notice = { id: crypto.randomUUID(), unitId: one.unit.id, words: 'do not tow', ...stamp };
  expect(addNotice(db, notice).ok).toBe(true);
  expect(problem(addNotice(db, { ...notice, words: 'do not lift' }))).toBe('conflict');
  expect(problem(addUnit(db, { ...one.unit, tag: 'XX-1' }))).toBe('conflict');
  const starting = { id: crypto.randomUUID(), name: 'ladder', frame: one.frame, ...stamp };
  expect(keepStartingFrame(db, starting).ok).toBe(true);
  expect(problem(keepStartingFrame(db, { ...starting, name: 'another' }))).toBe('conflict');
});

describe('a bundle that fails half way leaves every table as it was', () => {
  test.each(['unit', 'notice', 'job', 'job_frame', 'job_practice', 'evidence', 'strike', 'repair_version'])(
    'at %s',
    (table) => {
      const fresh = openDatabase(':memory:');
      const counts = () =>
        tables().map((each) => fresh.prepare<[], number>(`SELECT count(*) FROM "${each}"`).pluck().get());
      const strike = { id: crypto.randomUUID(), evidenceId: one.evidence[0]!.id, why: 'misread', ...stamp };
      const bundle = { ...one, strikes: [strike] };
      const before = counts();
      fresh.exec(
        `CREATE TRIGGER full BEFORE INSERT ON "${table}" BEGIN SELECT RAISE(ABORT, 'disk is full'); END`,
      );
      expect(() => importBundle(fresh, bundle)).toThrow('disk is full');
      expect(counts()).toEqual(before);
      fresh.exec('DROP TRIGGER full');
      expect(importBundle(fresh, bundle).ok).toBe(true);
      fresh.close();
    },
  );
});
