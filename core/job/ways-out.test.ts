import { defaultFrame, familyOf } from '../frame';
import { DEFAULT_PRACTICE } from '../reference';
import type { Verdict } from '../weigh';
import { jobSpots } from './inputs';
import { openedWithOthers } from './ways-out';
import { quantitiesOf, waysOut, type AnsweredMember, type Evidence, type JobRecords } from '.';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const records = (evidence: readonly Evidence[] = []): JobRecords => ({
  frame,
  practice: DEFAULT_PRACTICE,
  evidence,
  strikes: [],
  repairs: [],
});
const plan = { stretches: 2, repairs: 2, broken: 0, notOffered: 0, plates: 4, weldM: 6, steelKg: 40 };
const NONE = { stretches: 0, repairs: 0, broken: 0, notOffered: 0, plates: 0, weldM: 0, steelKg: 0 };
const judged = (verdict: Verdict, planned = NONE): AnsweredMember => ({
  verdict: { verdict, findings: [] },
  plan: planned,
});
const weighed = (but: Readonly<Record<string, AnsweredMember>>) =>
  new Map(frame.members.map(({ id }) => [id, but[id] ?? judged('Leave')]));
const intake = (more: object): Evidence =>
  ({
    kind: 'intake',
    id: '00000000-0000-4000-8000-000000000001',
    isHome: false,
    by: 'RK',
    at: '2026-11-10T08:00:00Z',
    note: '',
    ...more,
  }) as Evidence;

test('counted from what every member came to', () => {
  const of = quantitiesOf(
    records(),
    weighed({
      'rail-left': judged('Mend', plan),
      'rail-right': judged('Splice'),
      'cross-1': judged('Renew'),
      'cross-2': judged('Watch', plan),
    }),
  );
  expect(of).toMatchObject({
    stretches: 2,
    drawn: 2,
    plates: 4,
    weldM: 6,
    steelKg: 40,
    splices: 1,
    rails: 0,
    crossmembers: 1,
    members: 3,
  });
  expect(of.criticalUnseen).toBeGreaterThan(0);
});
test.each([
  ['a rail to mend for its crack alone', judged('Mend'), { stretches: 1, drawn: 0 }],
  [
    'plates that break a rule are not drawn',
    judged('Mend', { ...plan, broken: 1 }),
    { stretches: 2, drawn: 1 },
  ],
  [
    'one stretch where nothing would do',
    judged('Mend', { ...plan, notOffered: 1 }),
    { stretches: 2, drawn: 0 },
  ],
  ['a rail to renew', judged('Renew', plan), { stretches: 0, rails: 1, plates: 0 }],
  ['a rail to leave', judged('Leave', plan), { stretches: 0, members: 0, plates: 0 }],
])('%s', (_, member, expected) =>
  expect(quantitiesOf(records(), weighed({ 'rail-left': member }))).toMatchObject(expected),
);

test('plates on a member that nothing is asked of reinforce; on one to be mended they mend; broken ones are none', () => {
  const of = (member: AnsweredMember) => quantitiesOf(records(), weighed({ 'rail-left': member })).reinforced;
  expect(of(judged('Leave', plan))).toEqual({ members: 1, plates: 4, weldM: 6, steelKg: 40 });
  expect(of(judged('Watch', plan))).toMatchObject({ plates: 4 });
  expect(of(judged('Mend', plan))).toMatchObject({ plates: 0 });
  expect(of(judged('Can’t say', plan))).toMatchObject({ plates: 0 });
  expect(of(judged('Leave', { ...plan, broken: 2 }))).toMatchObject({ plates: 0 });
});

test('steel that nobody knows is counted, and a technician’s harsher word; a milder one is not', () => {
  const unknown: AnsweredMember = {
    verdict: { verdict: 'Mend', findings: [{ code: 'steel-unknown' } as never] },
    plan,
  };
  expect(quantitiesOf(records(), weighed({ 'rail-left': unknown })).steelUnknown).toBe(1);
  const says = (verdict: string): Evidence =>
    ({
      ...intake({}),
      kind: 'override',
      memberId: 'rail-left',
      verdict,
      why: 'hammered',
    }) as unknown as Evidence;
  expect(quantitiesOf(records([says('Renew')]), weighed({}))).toMatchObject({ rails: 1, members: 1 });
  const mend = weighed({ 'rail-left': judged('Mend', plan) });
  expect(quantitiesOf(records([says('Watch')]), mend)).toMatchObject({ stretches: 2, members: 1 });
});

const way = (job: JobRecords, name: string, members = weighed({ 'rail-left': judged('Mend', plan) })) =>
  waysOut(job, members).find((each) => each.way === name)!;

test('what the owner said of money is heard; nothing said, nothing claimed', () => {
  expect(way(records(), 'mend')).not.toHaveProperty('isOverValue');
  expect(way(records([intake({ ceiling: 10, unitValue: 10 })]), 'mend')).toMatchObject({
    ok: true,
    isOverValue: true,
    money: { over: 1 },
  });
  // The last thing told counts.
  const later = intake({ id: '00000000-0000-4000-8000-000000000002', ceiling: 1e6 });
  const heard = way(records([intake({ ceiling: 10, unitValue: 10 }), later]), 'mend');
  expect(heard).toMatchObject({ money: { over: 0 } });
  expect(heard).not.toHaveProperty('isOverValue');
});
test('asked twice, the same price; more unseen, dearer at its upper end', () => {
  expect(waysOut(records(), weighed({ 'rail-left': judged('Mend', plan) }))).toEqual(
    waysOut(records(), weighed({ 'rail-left': judged('Mend', plan) })),
  );
});
test('nothing bad: nothing is priced but withdrawing it', () =>
  expect(
    waysOut(records(), weighed({}))
      .filter(({ ok }) => ok)
      .map((each) => each.way),
  ).toEqual(['withdraw it']));

test.each<[string, readonly (readonly [number, number])[], number]>([
  ['nothing', [], 0],
  ['one', [[500, 900]], 0],
  [
    'its twin across',
    [
      [500, 900],
      [520, 800],
    ],
    1,
  ],
  [
    'within two feet',
    [
      [500, 900],
      [1510, 1600],
    ],
    1,
  ],
  [
    'a little farther',
    [
      [500, 900],
      [1511, 1600],
    ],
    0,
  ],
  [
    'a long one over two short ones',
    [
      [0, 3000],
      [100, 200],
      [2900, 3100],
    ],
    2,
  ],
])('opened with others: %s', (_, runs, shared) =>
  expect(openedWithOthers(runs.map(([fromMm, toMm]) => ({ fromMm, toMm })))).toBe(shared),
);

test('a body item that is through is counted, one that is scaling is not', () => {
  const [item] = jobSpots(records(), true).filter(({ spot }) => !spot.memberId && !spot.host);
  const looked = (result: 'through' | 'scaling'): Evidence => ({
    kind: 'look',
    id: '00000000-0000-4000-8000-000000000009',
    spotId: item!.spot.id,
    title: item!.spot.title,
    result,
    ways: ['eye'],
    by: 'RK',
    at: '2026-11-10T08:00:00Z',
    note: '',
  });
  const count = (evidence: readonly Evidence[]) => quantitiesOf(records(evidence), weighed({})).bodyItems;
  expect([count([]), count([looked('scaling')]), count([looked('through')])]).toEqual([0, 0, 1]);
});
