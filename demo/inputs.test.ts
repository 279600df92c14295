import { demoBundle } from '.';
import { TRADE_SPOTS } from '@/core/walk';
import { inputsOf, sortedRecords, type Evidence, type JobRecords } from '@/core/job';
import { fingerprint } from '@/core/quantity';

const bundle = demoBundle('GR-7');
const records: JobRecords = { ...bundle, grossMassKg: bundle.unit.grossMassKg!, spotRules: TRADE_SPOTS };
const markOf = (some: JobRecords, memberId: string) =>
  inputsOf(
    sortedRecords(some),
    some.frame.members.find((member) => member.id === memberId)!,
  ).mark;
const changedMembers = (some: JobRecords) =>
  records.frame.members.map(({ id }) => id).filter((id) => markOf(some, id) !== markOf(records, id));

const reading = records.evidence.find((each) => each.kind === 'reading' && each.memberId === 'rail-right')!;
const named = (kind: Evidence['kind']) => records.evidence.find((each) => each.kind === kind)!;
const withNew = (record: Evidence, more: object = {}): JobRecords => ({
  ...records,
  evidence: [...records.evidence, { ...record, id: crypto.randomUUID(), ...more } as Evidence],
});
const ALL = records.frame.members.map(({ id }) => id);
const practised = (change: Partial<JobRecords['practice']>): JobRecords => ({
  ...records,
  practice: { ...records.practice, ...change },
});

describe('what makes which member’s work stale', () => {
  test.each<[string, JobRecords, readonly string[]]>([
    ['nothing', records, []],
    ['the same records read anew', JSON.parse(JSON.stringify(records)) as JobRecords, []],
    ['a reading', withNew(reading), ['rail-right']],
    [
      'a reading struck',
      {
        ...records,
        strikes: [...records.strikes, { id: 's', evidenceId: reading.id, why: 'slip', by: 'RK', at: '' }],
      },
      ['rail-right'],
    ],
    ['a crack', withNew(named('crack'), { memberId: 'rail-left' }), ['rail-left']],
    ['a sign', withNew(named('sign'), { memberId: 'rail-left' }), ['rail-left']],
    ['leave refused', withNew(named('leave'), { given: false, act: 'hammer' }), ALL],
    ['a complaint', withNew(named('complaint')), []],
    [
      'the hourly rate',
      practised({ money: { ...records.practice.money, ratePerHour: 1, currency: '€' } }),
      [],
    ],
    ['a load factor', practised({ loadFactors: { ...records.practice.loadFactors, bumpG: 2 } }), []],
    ['what counts as sound', practised({ soundFraction: 0.7 }), ALL],
    ['the reach round a mount', practised({ walk: { ...records.practice.walk, reachMm: 300 } }), ALL],
    ['the loads', { ...records, frame: { ...records.frame, loads: { items: [] } } }, []],
    ['the datum’s name', { ...records, frame: { ...records.frame, datum: 'another hole' } }, ALL],
    [
      'a plate planned',
      {
        ...records,
        repairs: [{ id: 'r', memberId: 'rail-left' } as JobRecords['repairs'][number]],
      },
      ['rail-left', 'rail-right'],
    ],
    ['the gross weight', { ...records, grossMassKg: 1 }, ALL],
  ])('%s', (_what, some, stale) => expect(changedMembers(some)).toEqual(stale));

  test('a spot dropped from the shop’s list: the members it lies on', () => {
    const dropped = TRADE_SPOTS.filter((rule) => rule.id !== 'lower-flange');
    const stale = changedMembers({ ...records, spotRules: dropped });
    expect(stale).toEqual(expect.arrayContaining(['rail-left', 'rail-right']));
  });

  test('a bad look makes the twin ask to be looked at: both are stale', () => {
    const look = records.evidence.find(
      (each) => each.kind === 'look' && each.memberId === 'rail-left' && each.result !== 'not seen',
    )!;
    expect(changedMembers(withNew(look, { result: 'through' }))).toContain('rail-left');
  });

  test('what is planned changes the plan’s mark and not the metal’s', () => {
    const planned = { ...records, repairs: [{ id: 'r', memberId: 'rail-left' } as never] };
    const marks = [records, planned].map((some) => inputsOf(sortedRecords(some), some.frame.members[0]!));
    expect(marks[0]!.metalMark).toBe(marks[1]!.metalMark);
    expect(marks[0]!.mark).not.toBe(marks[1]!.mark);
  });
});

test('what is selected is what stands on the member, and nothing struck', () => {
  const sorted = sortedRecords(records);
  for (const member of records.frame.members) {
    const { evidence } = inputsOf(sorted, member);
    for (const kind of ['readings', 'cracks', 'signs', 'feltEdges'] as const)
      for (const record of evidence[kind] ?? []) expect(record.memberId).toBe(member.id);
    const struck = records.strikes.map((strike) => strike.evidenceId);
    expect(evidence.readings.some((each) => struck.includes(each.id))).toBe(false);
  }
});

test('a fingerprint tells apart what differs in a letter, in order, or in where one part ends', () => {
  const parts = [['a', 'b'], ['b', 'a'], ['ab'], ['ab', ''], ['', 'ab'], ['a', 'c'], [], ['']];
  expect(new Set(parts.map(fingerprint)).size).toBe(parts.length);
  const ids = Array.from({ length: 20_000 }, (_, k) => fingerprint(['mark', String(k)]));
  expect(new Set(ids).size).toBe(ids.length);
});
