import { stands, type Evidence } from '@/core/job';
import {
  bookedLooks,
  bundleOf,
  closeIfBack,
  importBundle,
  isClosed,
  keepEvidence,
  keepStrike,
  openDatabase,
  plannedJobs,
  type Db,
} from '@/data';
import { calendarText } from '@/core/exchange';
import { shopDates } from '@/core/order';
import { DEMO_LISTS, demoBundles } from '.';

const bundles = demoBundles();
const gritter = bundles[0]!;
let db: Db;
beforeAll(() => {
  db = openDatabase(':memory:');
  for (const bundle of bundles) expect(importBundle(db, bundle).ok).toBe(true);
});
afterAll(() => db.close());

const stamp = (at: string) => ({ id: crypto.randomUUID(), by: 'RK', at, note: '' });
const close = () =>
  closeIfBack(db, gritter.job.id, {
    id: crypto.randomUUID(),
    closed: true,
    by: 'RK',
    at: '2026-11-28T16:00:00Z',
  });

test('every record of the order is kept, and comes back as it was in a bundle', () => {
  const back = bundleOf(db, gritter.job.id)!;
  expect(back.evidence).toEqual(gritter.evidence);
  for (const kind of ['task', 'removal', 'extra', 'extra answer', 'slot', 'job plan'] as const)
    expect(stands(back, kind).length).toBeGreaterThan(0);
});

test('a job is not closed while something is off; back, it is', () => {
  const refusedFor = close();
  expect(refusedFor).toMatchObject({ ok: false, problem: { message: expect.stringContaining('Fuel') } });
  expect(isClosed(db, gritter.job.id)).toBe(false);
  const back: Evidence = {
    kind: 'task',
    ...stamp('2026-11-28T15:00:00Z'),
    taskId: 'put back load tank',
    title: 'Put back fuel',
    is: 'done',
  };
  expect(keepEvidence(db, gritter.job.id, [back]).ok).toBe(true);
  expect(close().ok).toBe(true);
});

test('the calendar knows open jobs, their plans and what is done of them; a closed one has left it', () => {
  const planned = plannedJobs(db, '2026-11-28');
  expect(planned.map(({ tag }) => tag).sort()).toEqual(['BK-1', 'BM-2', 'DV-3', 'SV-9']);
  const divers = planned.find(({ tag }) => tag === 'DV-3')!;
  expect(divers.plan!.tasks.length).toBeGreaterThan(10);
  expect(divers).toMatchObject({ needBy: '2026-12-20', slot: { bay: 'South' } });
  expect(divers.done).toContain('clear F');
  const waits = planned.find(({ tag }) => tag === 'BM-2')!;
  expect(waits).not.toHaveProperty('plan');
  expect(waits.told).toMatchObject({ interim: { answer: 'to the shop only' } });
});

test('a task is over once it is done or not needed, as last said; started or opened again it is not', () => {
  const { id } = plannedJobs(db, '2026-11-28').find(({ tag }) => tag === 'SV-9')!;
  const over = () => plannedJobs(db, '2026-11-28').find((job) => job.id === id)!.done;
  const say = (taskId: string, is: 'started' | 'done' | 'again' | 'not needed', at: string) =>
    expect(
      keepEvidence(db, id, [
        {
          kind: 'task',
          ...stamp(at),
          taskId,
          title: taskId,
          is,
          ...(is === 'not needed' && { note: 'none' }),
        },
      ]).ok,
    ).toBe(true);
  say('sweep', 'started', '2026-11-26T09:00:00Z');
  say('coat', 'not needed', '2026-11-26T09:00:00Z');
  say('torque', 'done', '2026-11-26T09:00:00Z');
  expect(over()).toEqual(['coat', 'torque']);
  // What arrives late counts by when it was said.
  say('torque', 'again', '2026-11-26T08:00:00Z');
  say('coat', 'again', '2026-11-26T10:00:00Z');
  expect(over()).toEqual(['torque']);
});

test('a weld that cracked is to be laid again, its look with it, whatever was ticked; laid anew it is to be looked at', () => {
  const { id } = plannedJobs(db, '2026-11-28').find(({ tag }) => tag === 'SV-9')!;
  const over = () =>
    plannedJobs(db, '2026-11-28')
      .find((job) => job.id === id)!
      .done.filter((each) => each.endsWith(' p1'));
  const memberId = bundleOf(db, id)!.frame.members[0]!.id;
  const log = (at: string, more: object) => {
    const entry = { kind: 'seam log', ...stamp(at), memberId, ofId: 'p1', seam: 'a', mark: 'A1', ...more };
    expect(keepEvidence(db, id, [entry as Evidence])).toMatchObject({ ok: true });
  };
  const [weld, look] = ['weld p1', 'look at welds p1'];
  for (const taskId of [weld, look])
    expect(
      keepEvidence(db, id, [
        { kind: 'task', ...stamp('2026-11-26T11:00:00Z'), taskId, title: taskId, is: 'done' },
      ]).ok,
    ).toBe(true);
  log('2026-11-26T10:00:00Z', { what: 'welded' });
  log('2026-11-26T10:30:00Z', { what: 'looked at', defects: [] });
  expect(over()).toEqual([weld, look]);
  log('2026-11-27T10:00:00Z', { what: 'looked at', defects: ['crack'] });
  expect(over()).toEqual([]);
  log('2026-11-27T11:00:00Z', { what: 'welded' });
  expect(over()).toEqual([weld]);
  log('2026-11-27T12:00:00Z', { what: 'looked at', defects: [] });
  expect(over()).toEqual([weld, look]);
});

test('what its owner was told: a look since begins the days anew, and says that something may be worse; struck, neither', () => {
  const job = plannedJobs(db, '2026-11-28').find(({ tag }) => tag === 'BM-2')!;
  const told = (today = '2026-11-28') => plannedJobs(db, today).find(({ id }) => id === job.id)!.told!;
  expect(told()).toMatchObject({ due: { on: '2026-12-04', isOver: false }, foundSince: 0 });
  expect(told('2026-12-03').due!.isOver).toBe(false);
  expect(told('2026-12-04').due!.isOver).toBe(true);
  const before = stands(bundleOf(db, job.id)!, 'reading')[0]!;
  const again = { ...before, id: '00000000-0000-4000-8000-00000000a001', at: '2026-11-25T09:00:00Z' };
  expect(keepEvidence(db, job.id, [again]).ok).toBe(true);
  expect(told()).toMatchObject({ due: { on: '2026-12-09' }, foundSince: 1 });
  const strike = { id: '00000000-0000-4000-8000-00000000a002', evidenceId: again.id, why: 'wrong place' };
  expect(keepStrike(db, job.id, { ...strike, by: 'TM', at: '2026-11-26T09:00:00Z' }).ok).toBe(true);
  expect(told()).toMatchObject({ due: { on: '2026-12-04' }, foundSince: 0 });
});

test('a booked look stands until somebody looks at the unit again, in whichever job', () => {
  const job = plannedJobs(db, '2026-11-28').find(({ tag }) => tag === 'BK-1')!;
  const look = {
    kind: 'look booked' as const,
    ...stamp('2026-11-26T09:00:00Z'),
    what: 'torque',
    on: '2027-01-10',
  };
  expect(bookedLooks(db).map(({ tag }) => tag)).toEqual([]);
  expect(keepEvidence(db, job.id, [look]).ok).toBe(true);
  expect(bookedLooks(db)).toMatchObject([{ tag: 'BK-1', on: '2027-01-10', jobId: job.id }]);
  const [seen] = stands(bundleOf(db, job.id)!, 'look');
  const blind = { ...seen!, result: 'not seen' as const, ways: [], why: 'behind a tank' as const };
  const told = { ...seen!, ways: ['told' as const] };
  for (const none of [blind, told]) {
    expect(keepEvidence(db, job.id, [{ ...none, ...stamp('2026-11-27T08:00:00Z') }]).ok).toBe(true);
    expect(bookedLooks(db)).toHaveLength(1);
  }
  const reading = stands(bundleOf(db, job.id)!, 'reading')[0]!;
  const again = { ...reading, ...stamp('2026-11-27T09:00:00Z') };
  expect(keepEvidence(db, job.id, [again]).ok).toBe(true);
  expect(bookedLooks(db)).toEqual([]);
});

test('its days as iCalendar: one event for its stay, one for each task, each with a name of its own', () => {
  const divers = plannedJobs(db, '2026-11-28').find(({ tag }) => tag === 'DV-3')!;
  const dates = shopDates(
    {
      jobs: [{ id: divers.id, tasks: divers.plan!.tasks, done: [], slot: divers.slot! }],
      people: DEMO_LISTS.people,
      bays: DEMO_LISTS.bays,
      week: DEMO_LISTS.week,
      today: '2026-11-28',
      draws: 1,
    },
    () => 0.5,
  );
  if (!dates.ok) throw new Error(dates.why);
  const text = calendarText(
    dates.jobs.map((job) => ({
      ...job,
      tag: 'DV-3',
      title: 'beam',
      promised: { on: '2026-12-04', chance: 0.8 },
    })),
    {
      week: DEMO_LISTS.week,
      hoursADay: dates.hoursADay,
      stamp: '2026-11-28T12:00:00Z',
      looks: [{ id: 'b', tag: 'BM-2', on: '2026-12-04', says: 'empty' }],
    },
  );
  const uids = text.match(/^UID:.*$/gm)!;
  expect(new Set(uids).size).toBe(uids.length);
  expect(uids.length).toBe(3 + dates.jobs[0]!.tasks.filter(({ fromH, toH }) => toH > fromH).length);
  expect(text).toContain('SUMMARY:DV-3 promised');
  expect(text).toContain('DTSTART;VALUE=DATE:20261130');
  expect(text).toContain('SUMMARY:BM-2: look again');
  expect(text).toContain('DTSTART;VALUE=DATE:20261204');
});
