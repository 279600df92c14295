import { memberOf, twinOf } from '@/core/frame';
import { layPattern, patternOf, tallyOf, type Pattern } from '@/core/patterns';
import {
  closeJob,
  correctUnit,
  dropPattern,
  importBundle,
  jobFile,
  keepEvidence,
  keepPattern,
  keepRepair,
  keepStrike,
  listedPatterns,
  openDatabase,
  patternsOf,
  shopFaults,
  shopSpots,
  withdrawRepair,
  type Db,
} from '@/data';
import { fillDemo } from './fill';
import { demoBundle, demoBundles, demoPattern } from './index';
import { sisterBundles } from './sister';

const { capped, lookedAt } = sisterBundles();
const pattern = demoPattern();
let db: Db;
beforeEach(() => {
  db = openDatabase(':memory:');
  importBundle(db, capped);
});
afterEach(() => db.close());
const problem = (outcome: { ok: boolean; problem?: { code: string } }) => outcome.problem?.code;
const close = (jobId: string, at: string) =>
  expect(closeJob(db, jobId, { id: crypto.randomUUID(), closed: true, by: 'RK', at }).ok).toBe(true);
const listed = () => listedPatterns(db, patternsOf(db))[0]!;
const another = (more: Partial<Pattern>): Pattern => ({
  ...pattern,
  id: crypto.randomUUID(),
  name: 'Another cap',
  ...more,
});

describe('keeping and dropping', () => {
  test('kept once however often it is sent; another under its id or its name is refused', () => {
    expect(keepPattern(db, pattern).ok).toBe(true);
    expect(keepPattern(db, pattern).ok).toBe(true);
    expect(problem(keepPattern(db, { ...pattern, note: 'other' }))).toBe('conflict');
    expect(problem(keepPattern(db, another({ name: pattern.name.toUpperCase() })))).toBe('conflict');
    expect(patternsOf(db)).toEqual([pattern]);
  });
  test('a repair that is not in its job’s plan, and a picture that is not here, are refused', () => {
    expect(problem(keepPattern(db, another({ from: { ...pattern.from, jobId: crypto.randomUUID() } })))).toBe(
      'invalid',
    );
    expect(problem(keepPattern(db, another({ photos: [{ hash: 'a'.repeat(64), caption: 'cap' }] })))).toBe(
      'invalid',
    );
    expect(patternsOf(db)).toEqual([]);
  });
  test('dropped once, with a reason; its name is free again, and what was laid stays counted', () => {
    keepPattern(db, pattern);
    const dropped = {
      id: crypto.randomUUID(),
      patternId: pattern.id,
      why: 'cracked at its nose',
      by: 'RK',
      at: '2026-11-01T08:00:00Z',
    };
    expect(dropPattern(db, dropped).ok).toBe(true);
    expect(dropPattern(db, dropped).ok).toBe(true);
    expect(problem(dropPattern(db, { ...dropped, id: crypto.randomUUID() }))).toBe('conflict');
    expect(problem(dropPattern(db, { ...dropped, patternId: crypto.randomUUID() }))).toBe('not-found');
    expect(patternsOf(db)).toEqual([]);
    expect(keepPattern(db, another({ name: pattern.name })).ok).toBe(true);
  });
  test('one that cannot be read hides only itself, and is held against no job', () => {
    keepPattern(db, pattern);
    db.prepare(
      "INSERT INTO pattern (id, name, version, body, by_whom, at) VALUES ('broken', 'Broken', 1, '{}', 'RK', '2026-01-01T00:00:00Z')",
    ).run();
    const missed: string[] = [];
    expect(patternsOf(db, ({ id }) => missed.push(id))).toEqual([pattern]);
    expect(missed).toEqual(['broken']);
    const file = jobFile(db, capped.job.id)!;
    expect(file.unreadable).toBeUndefined();
    expect(file.patterns).toHaveLength(1);
  });
  test('neither is ever changed or erased on disk', () => {
    keepPattern(db, pattern);
    expect(() => db.prepare("UPDATE pattern SET name = 'x'").run()).toThrow('never changed');
    expect(() => db.prepare('DELETE FROM pattern').run()).toThrow('never erased');
  });
});

describe('how often it was made, and how it held', () => {
  beforeEach(() => keepPattern(db, pattern));

  test('while its job is open nothing is said; closed, that nobody looked; looked at later, that one held', () => {
    expect(tallyOf(listed().uses)).toEqual({ made: 0, looked: 0, held: 0, failed: 0 });
    close(capped.job.id, '2024-05-27T15:00:00Z');
    expect(listed().uses.map(({ held }) => held.is)).toEqual(['nobody looked', 'nobody looked']);
    importBundle(db, lookedAt);
    const { uses } = listed();
    expect(uses.map(({ use, held }) => [use.memberId, held.is])).toEqual([
      ['rail-left', 'held'],
      ['rail-right', 'nobody looked'],
    ]);
    expect(tallyOf(uses)).toEqual({ made: 2, looked: 1, held: 1, failed: 0 });
  });

  test('laid by hangers that stand astray it is still the pattern; with a plate moved it no longer is', () => {
    const [origin, right] = listed().uses;
    expect([origin!.use.isChanged, right!.use.isChanged]).toEqual([false, false]);
    expect(right!.use.fromMm).not.toBeCloseTo(origin!.use.fromMm, 0);
    const repair = jobFile(db, capped.job.id)!.repairs.find(({ memberId }) => memberId === 'rail-right')!;
    const changes = jobFile(db, capped.job.id)!.repairChanges;
    const moved = {
      ...repair,
      pieces: repair.pieces.map((piece) => ({ ...piece, endMm: piece.endMm + 2 })),
    };
    const change = { changeId: crypto.randomUUID(), basedOn: changes[repair.id] };
    expect(keepRepair(db, capped.job.id, moved, change).ok).toBe(true);
    expect(listed().uses[1]!.use.isChanged).toBe(true);
  });

  test('a crack found on it later says that it failed; one taken out of the plan is no use of it', () => {
    close(capped.job.id, '2024-05-27T15:00:00Z');
    importBundle(db, lookedAt);
    const { fromMm } = listed().uses[1]!.use;
    const crack = {
      kind: 'crack' as const,
      id: crypto.randomUUID(),
      memberId: 'rail-right',
      path: [
        { stationMm: fromMm + 5, face: 'outer' as const, heightMm: 20 },
        { stationMm: fromMm + 5, face: 'outer' as const, heightMm: 45 },
      ],
      startFound: true,
      finishFound: true,
      seenBy: 'eye' as const,
      by: 'TM',
      at: '2025-06-02T10:00:00Z',
      note: '',
    };
    expect(keepEvidence(db, lookedAt.job.id, [crack]).ok).toBe(true);
    expect(listed().uses[1]!.held).toMatchObject({ is: 'failed', what: 'crack' });
    expect(tallyOf(listed().uses)).toMatchObject({ looked: 2, failed: 1 });
    const right = jobFile(db, capped.job.id)!.repairs.find(({ memberId }) => memberId === 'rail-right')!;
    const basedOn = jobFile(db, capped.job.id)!.repairChanges[right.id];
    withdrawRepair(db, capped.job.id, right.id, { changeId: crypto.randomUUID(), basedOn });
    expect(listed().uses).toHaveLength(1);
  });

  test('a job hears of the patterns of its own family only', () => {
    const all = demoBundles();
    for (const bundle of all) importBundle(db, bundle);
    for (const { job, frame } of all)
      expect(jobFile(db, job.id)!.patterns!.length).toBe(frame.family === pattern.family ? 1 : 0);
  });
});

test('made on the left, unequal on the right: each end keeps its distance from its own hangers', () => {
  const { frame } = capped;
  const left = memberOf(frame, 'rail-left')!;
  const right = twinOf(frame, left)!;
  const on = layPattern(pattern, frame, right);
  if (!on.ok) throw new Error(on.reason);
  const stationOf = (id: string) => frame.fittings.find((fitting) => fitting.id === id)!.stationMm;
  const [was, is] = [pattern.repair.pieces[0]!, on.value.repair.pieces[0]!];
  expect(is.startMm - stationOf('mark-7-r')).toBeCloseTo(was.startMm - stationOf('mark-7'), 6);
  // The hanger that its front end is told by is the same one on the way back.
  const back = layPattern(patternOf(frame, right, on.value.repair, pattern), frame, left);
  if (!back.ok) throw new Error(back.reason);
  expect(back.value.repair.pieces[0]!.startMm).toBeCloseTo(was.startMm, 6);
});

test('the scenario fills a yard once, and teaches no new spot that its own journeys did not know', () => {
  const empty = openDatabase(':memory:');
  const first = fillDemo(empty);
  expect(first.every(({ wasHere, problem: wrong }) => !wasHere && !wrong)).toBe(true);
  expect(fillDemo(empty).every(({ wasHere }) => wasHere)).toBe(true);
  expect(patternsOf(empty)).toEqual([pattern]);
  const learned = shopSpots(empty).rules.filter(({ from }) => from === 'learned');
  expect(learned.filter(({ families }) => families.includes(pattern.family))).toEqual([]);
  empty.close();
});

describe('where frames failed in this shop', () => {
  const faultAt = (kind: string, nth: number) =>
    shopFaults(db, { family: pattern.family }).find(({ place }) => place.kind === kind && place.nth === nth)!;
  const trailer = demoBundle('BM-2');

  test('two sisters that scale at the same crossmember are one fault; a job hears of its own family only', () => {
    for (const bundle of demoBundles()) importBundle(db, bundle);
    expect(faultAt('crossmember', 1)).toMatchObject({ looked: 2, years: [2009, 2011] });
    expect(faultAt('crossmember', 1).failed.map(({ tag }) => tag)).toEqual(['BM-1', 'BM-2']);
    const heard = jobFile(db, trailer.job.id)!.faults!;
    expect(new Set(heard.map(({ family }) => family))).toEqual(new Set([pattern.family]));
    expect(new Set(shopFaults(db).map(({ family }) => family)).size).toBeGreaterThan(3);
  });

  test('what is kept of a job is read anew when a look, a strike or the unit’s year changes', () => {
    expect(faultAt('spring hanger', 1)).toMatchObject({ looked: 1, failed: [{ tag: 'BM-1' }] });
    const before = faultAt('spring hanger', 1).failed[0]!.what;
    const look = capped.evidence.find(
      (each) => each.kind === 'look' && each.result === 'soft' && (each.stationMm ?? 0) < 4000,
    )!;
    const strike = {
      id: crypto.randomUUID(),
      evidenceId: look.id,
      why: 'wrong rail',
      by: 'RK',
      at: '2026-11-01T08:00:00Z',
    };
    expect(keepStrike(db, capped.job.id, strike).ok).toBe(true);
    expect(before).toContain('soft');
    expect(faultAt('spring hanger', 1).failed[0]!.what).not.toContain('soft');
    const crack = {
      kind: 'crack' as const,
      id: crypto.randomUUID(),
      memberId: 'rail-right',
      path: [30, 60].map((heightMm) => ({ stationMm: 219, face: 'outer' as const, heightMm })),
      startFound: true,
      finishFound: true,
      seenBy: 'eye' as const,
      by: 'TM',
      at: '2026-06-02T10:00:00Z',
      note: '',
    };
    expect(keepEvidence(db, capped.job.id, [crack]).ok).toBe(true);
    expect(faultAt('crossmember', 1).failed[0]!.what).toContain('crack');
    const { unit } = capped;
    expect(correctUnit(db, unit, { ...unit, builtYear: 1999 }).ok).toBe(true);
    expect(faultAt('crossmember', 1).years).toEqual([1999, 1999]);
  });

  test('of jobs that nobody read yet so many are read at once, the others the next time', () => {
    importBundle(db, trailer);
    const read = (most: number) =>
      shopFaults(db, { family: pattern.family, most }).flatMap(({ failed }) => failed).length;
    expect(read(0)).toBe(0);
    const first = read(1);
    expect(first).toBeGreaterThan(0);
    expect(read(1)).toBeGreaterThan(first);
    expect(read(0)).toBe(read(Infinity));
  });

  test('a unit that nobody looked at there is called in; one that stands here is to be looked at', () => {
    importBundle(db, { ...trailer, evidence: [] });
    expect(faultAt('spring hanger', 1).toCallIn).toMatchObject([{ tag: 'BM-2', isHere: true }]);
    close(trailer.job.id, '2026-11-28T08:00:00Z');
    expect(faultAt('spring hanger', 1).toCallIn).toMatchObject([{ tag: 'BM-2', isHere: false }]);
  });
});
