import { closedBundles, demoBundles } from '.';
import type { Evidence } from '@/core/job';
import {
  changeSpots,
  closeJob,
  evidenceMark,
  importBundle,
  keepEvidence,
  keepStrike,
  keepWorkedOut,
  LINE,
  openDatabase,
  spotRulesFor,
  UNITS_A_PAGE,
  workedOut,
  yardPage,
  type Db,
  type YardView,
} from '@/data';

const bundles = demoBundles();
const gritter = bundles[0]!;
let db: Db;
beforeEach(() => {
  db = openDatabase(':memory:');
  for (const bundle of bundles) expect(importBundle(db, bundle).ok).toBe(true);
});
afterEach(() => db.close());

const ALL: YardView = { search: '', sort: 'tag', closedToo: false, page: 1 };
const tags = (view: Partial<YardView> = {}) =>
  yardPage(db, { ...ALL, ...view }).units.map(({ unit }) => unit.tag);
const word = (closed: boolean, k: number) => ({
  id: crypto.randomUUID(),
  closed,
  by: 'RK',
  at: `2026-11-2${k}T10:00:00Z`,
});
const line = (jobId: string, toAct: { name: string; verdict: string }[], next: string) =>
  keepWorkedOut(db, jobId, LINE, { mark: 'm', value: { toAct, next: { is: next } } });

test('by tag, or the newest job first', () => {
  expect(tags()).toEqual([...tags()].sort());
  const newest = yardPage(db, { ...ALL, sort: 'latest' }).units.map(({ jobs }) => jobs[0]!.openedAt);
  expect(newest).toEqual([...newest].sort().reverse());
});

test.each([
  ['gr', ['GR-7']],
  ['HOPPER', ['GR-7']],
  ['trailer', ['BK-1', 'BM-2', 'DV-3']],
  ['%', []],
  ['_', []],
  ['nothing like it', []],
])('a search for %s', (search, expected) => expect(tags({ search })).toEqual(expected));

test('a unit with every job closed is put away until it is asked for, or opened again', () => {
  const before = tags();
  closeJob(db, gritter.job.id, word(true, 1));
  expect(tags()).toEqual(before.filter((tag) => tag !== 'GR-7'));
  expect(tags({ closedToo: true })).toEqual(before);
  closeJob(db, gritter.job.id, word(false, 2));
  expect(tags()).toEqual(before);
});

test('by verdict and by next step, of what was worked out', () => {
  line(gritter.job.id, [{ name: 'Right rail', verdict: 'Renew' }], 'by hand');
  expect(tags({ verdict: 'Renew' })).toEqual(['GR-7']);
  expect(tags({ verdict: 'Mend' })).toEqual([]);
  expect(tags({ steps: ['by hand', 'read the verdicts'] })).toEqual(['GR-7']);
  expect(tags({ steps: ['plates'] })).toEqual([]);
});

test('a page at a time; one past the last is the last', () => {
  const template = gritter.unit;
  for (let k = 0; k < UNITS_A_PAGE; k++)
    db.prepare('INSERT INTO unit (id, tag, description, kind, exposure, duty) VALUES (?, ?, ?, ?, ?, ?)').run(
      crypto.randomUUID(),
      `Z-${String(k).padStart(3, '0')}`,
      'more',
      template.kind,
      template.exposure,
      template.duty,
    );
  const first = yardPage(db, ALL);
  expect([first.found, first.pages, first.units.length]).toEqual([
    UNITS_A_PAGE + bundles.length,
    2,
    UNITS_A_PAGE,
  ]);
  expect(tags({ page: 2 })).toHaveLength(bundles.length);
  expect(tags({ page: 99 })).toEqual(tags({ page: 2 }));
});

describe('what is worked out is kept only as long as its records stand', () => {
  const mark = () => evidenceMark(db, gritter.job.id);
  const look = (): Evidence => ({
    ...gritter.evidence.find((record) => record.kind === 'look')!,
    id: crypto.randomUUID(),
  });
  test('a record, a strike, a spot on the list change the mark; nothing else does', () => {
    const marks = [mark(), mark()];
    expect(marks[0]).toBe(marks[1]);
    keepWorkedOut(db, gritter.job.id, 'x', { mark: mark(), value: { n: 1 } });
    expect(workedOut(db, gritter.job.id, 'x', mark())).toEqual({ n: 1 });
    keepEvidence(db, gritter.job.id, [look()]);
    expect(workedOut(db, gritter.job.id, 'x', mark())).toBeUndefined();
    marks.push(mark());
    changeSpots(db, {
      id: crypto.randomUUID(),
      ruleId: 'r',
      does: 'drop',
      by: 'RK',
      at: '2026-11-01T10:00:00Z',
    });
    marks.push(mark());
    expect(new Set(marks).size).toBe(3);
  });

  test('what a closed job taught follows the job: opened again, or with its finding struck, it teaches nothing', () => {
    const { bundle } = closedBundles()[0]!;
    importBundle(db, bundle);
    const learned = () => spotRulesFor(db, gritter.job.id).filter((rule) => rule.from === 'learned').length;
    expect(learned()).toBe(0);
    closeJob(db, bundle.job.id, word(true, 1));
    expect(learned()).toBe(1);
    expect(learned()).toBe(1);
    expect(spotRulesFor(db, bundle.job.id).some((rule) => rule.from === 'learned')).toBe(false);
    closeJob(db, bundle.job.id, word(false, 2));
    expect(learned()).toBe(0);
    closeJob(db, bundle.job.id, word(true, 3));
    expect(learned()).toBe(1);
    const sign = bundle.evidence.find(
      (record) => record.kind === 'sign' && record.detail.sign === 'light through',
    )!;
    const strike = { id: crypto.randomUUID(), evidenceId: sign.id, why: 'was a lamp', by: 'RK', at: sign.at };
    expect(keepStrike(db, bundle.job.id, strike).ok).toBe(true);
    expect(learned()).toBe(0);
  });
});
