import { defaultFrame, facesOf, familyOf, hostsOf, type Family, type HostOn } from '../frame';
import { standingAgainst } from '../metal';
import { DEFAULT_PRACTICE } from '../reference';
import type { Find, FindPart, FindState, Look, LookOn, LookResult } from '../walk';
import {
  boughtMember,
  explainComplaint,
  fitsFrame,
  inputsOf,
  jobBuyersLook,
  jobHosts,
  jobSpots,
  jobLine,
  sortedRecords,
  workJob,
  type Evidence,
  type JobRecords,
} from '.';

const records = (family: Family, evidence: readonly Evidence[]): JobRecords => ({
  frame: defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' }),
  practice: DEFAULT_PRACTICE,
  evidence,
  strikes: [],
  repairs: [],
});
let last = 0;
const stamp = () => {
  last++;
  return {
    id: `00000000-0000-4000-8000-${String(last).padStart(12, '0')}`,
    by: 'RK',
    at: new Date(Date.UTC(2026, 10, 1, 0, last)).toISOString(),
    note: '',
  };
};
/** A find at the host of a name, on a family's own frame. */
function found(family: Family, on: HostOn, name: string | RegExp, part: FindPart, state: FindState): Find {
  const host = hostsOf(records(family, []).frame).find(
    (each) => each.on === on && (typeof name === 'string' ? each.name === name : name.test(each.name)),
  )!;
  const memberIds = host.spans.map(({ memberId }) => memberId);
  return { kind: 'find', ...stamp(), on, hostId: host.id, title: host.name, part, state, memberIds };
}
const verdicts = (job: JobRecords) =>
  jobHosts(job).map(({ name, verdict, carriesNothing }) => `${verdict}${carriesNothing ? '!' : ''} ${name}`);
const buyer = (job: JobRecords) => jobBuyersLook(job, workJob(job).map(boughtMember));
const against = (job: JobRecords, memberId: string) =>
  standingAgainst(workJob(job).find(({ picture }) => picture.member.id === memberId)!.picture.account);

describe('how sure a host’s verdict is, and what points past itself', () => {
  const HANGER = /Rear spring, front hanger, left/;
  const of = (...states: [FindPart, FindState][]) =>
    jobHosts(
      records(
        'open-channel ladder',
        states.map(([part, state]) => found('open-channel ladder', 'fitting', HANGER, part, state)),
      ),
    )[0];
  const cracked: FindState = { is: 'cracked', longMm: 20 };
  const renewed: FindState = { is: 'put right', done: 'renewed whole' };
  test.each<[string, [FindPart, FindState][], string]>([
    ['seen torn', [['plate', { is: 'torn' }]], 'firm'],
    ['told torn', [['plate', { is: 'torn', seenBy: 'told' }]], 'open'],
    ['a little bent', [['plate', { is: 'bent', offMm: 1 }]], 'could flip with one more reading'],
    [
      'told torn and seen cracked',
      [
        ['plate', { is: 'torn', seenBy: 'told' }],
        ['weld', cracked],
      ],
      'firm',
    ],
  ])('%s: %s', (_, states, firmness) => expect(of(...states)?.firmness).toBe(firmness));
  test.each<[string, [FindPart, FindState][], boolean | undefined]>([
    ['cracked for the first time', [['weld', cracked]], false],
    [
      'welded anew and cracked again',
      [
        ['weld', cracked],
        ['weld', { is: 'put right', done: 'welded anew' }],
        ['weld', cracked],
      ],
      true,
    ],
    [
      'another part of it put right before',
      [
        ['fasteners', { is: 'put right', done: 'tightened or renewed' }],
        ['weld', cracked],
      ],
      false,
    ],
    [
      'renewed whole and cracked again',
      [
        ['plate', renewed],
        ['weld', cracked],
      ],
      true,
    ],
    [
      'put right and well',
      [
        ['weld', cracked],
        ['plate', renewed],
      ],
      undefined,
    ],
  ])('%s: %s', (_, states, isAgain) => expect(of(...states)?.isAgain).toBe(isAgain));
  test('of equal verdicts what the axle hangs on comes before what the cab does', () => {
    const { evidence } = records('open-channel ladder', [
      found('open-channel ladder', 'fitting', 'Cab mount, left', 'plate', { is: 'torn' }),
      found('open-channel ladder', 'fitting', HANGER, 'plate', { is: 'torn' }),
    ]);
    const ranked = jobHosts(records('open-channel ladder', evidence));
    expect(ranked[0]!.name).toMatch(HANGER);
  });
});

describe('each host has a verdict of its own', () => {
  const CASES: [Family, HostOn, string | RegExp, FindPart, FindState, string][] = [
    ['open-channel ladder', 'fitting', 'Cab mount, left', 'weld', { is: 'cracked', longMm: 20 }, 'Mend!'],
    ['open-channel ladder', 'fitting', /Rear spring, front hanger, left/, 'plate', { is: 'torn' }, 'Renew!'],
    [
      'open-channel ladder',
      'fitting',
      /Rear spring, rear hanger, right/,
      'fasteners',
      { is: 'loose' },
      'Mend!',
    ],
    [
      'boxed ladder',
      'fitting',
      'Rear upper arm, frame end, left',
      'hole',
      { is: 'worn', foundMm: 18, madeMm: 14.3 },
      'Renew!',
    ],
    ['boxed ladder', 'fitting', 'Front spring bucket, right', 'plate', { is: 'rusted through' }, 'Renew!'],
    ['I-beam trailer', 'fitting', /Equaliser.*left/, 'bush', { is: 'missing' }, 'Renew!'],
    ['I-beam trailer', 'fitting', /Gusset of outrigger 2, right/, 'weld', { is: 'cracked' }, 'Mend!'],
    [
      'gooseneck trailer',
      'fitting',
      /Bracket in the middle of the upright, left/,
      'weld',
      { is: 'cracked' },
      'Mend!',
    ],
    ['gooseneck trailer', 'fitting', /Pin box/, 'fasteners', { is: 'loose', count: 3 }, 'Mend!'],
    ['semi trailer', 'fitting', /Coupler plate.*left/, 'plate', { is: 'bent', offMm: 2 }, 'Watch'],
    ['unibody', 'fitting', 'Subframe mount, rear, right', 'fasteners', { is: 'broken' }, 'Mend!'],
    ['unibody', 'fitting', 'Front tower top, left', 'plate', { is: 'cracked' }, 'Renew!'],
    ['open-channel ladder', 'joint', /Crossmember 3 to left rail/, 'fasteners', { is: 'missing' }, 'Mend!'],
    ['unibody', 'panel', /Left floor/, 'sheet', { is: 'rusted through', acrossMm: 80 }, 'Mend!'],
    ['unibody', 'pocket', /Sill, left/, 'inside', { is: 'packed', wet: true }, 'Watch'],
    ['unibody', 'pocket', /Sill, left/, 'drain', { is: 'blocked' }, 'Watch'],
  ];
  test.each(CASES)('%s, %s %s: %s %j', (family, on, name, part, state, expected) => {
    const find = found(family, on, name, part, state);
    const job = records(family, [find]);
    expect(verdicts(job)).toEqual([`${expected} ${find.title}`]);
    // Its member stays what it was: only what hides it or holds its dirt tells of the metal behind.
    const told = find.memberIds.some((id) => against(job, id).length > 0);
    expect(told).toBe((on === 'panel' || on === 'pocket') && part !== 'drain');
  });

  test('struck through, nothing is left of it', () => {
    const find = found('open-channel ladder', 'fitting', 'Cab mount, left', 'weld', { is: 'cracked' });
    const strike = { id: 's', evidenceId: find.id, why: 'a scratch', by: 'RK', at: find.at };
    expect(verdicts({ ...records('open-channel ladder', [find]), strikes: [strike] })).toEqual([]);
  });
  test('several finds of one host are one line, worst first', () => {
    const at = (part: FindPart, state: FindState) =>
      found('boxed ladder', 'fitting', 'Front spring bucket, right', part, state);
    const job = records('boxed ladder', [
      at('plate', { is: 'bent', offMm: 1 }),
      at('weld', { is: 'cracked' }),
      at('plate', { is: 'rusted through' }),
    ]);
    expect(jobHosts(job)).toMatchObject([
      { verdict: 'Renew', found: ['plate rusted through', 'weld cracked', 'plate bent'] },
    ]);
  });
});

describe('who hears of it', () => {
  const loose = found('open-channel ladder', 'fitting', /Rear spring, rear hanger, right/, 'fasteners', {
    is: 'loose',
  });
  const job = records('open-channel ladder', [loose]);
  test('the Yard, the buyer, the complaint on its path and no other', () => {
    expect(jobLine(job).toAct).toEqual([{ name: loose.title, verdict: 'Mend' }]);
    expect(JSON.stringify(buyer(job).whys)).toContain(loose.title);
    const squeak = { kind: 'complaint', ...stamp(), what: 'squeak', where: 'rear' } as const;
    const of = (memberIds: string[]) => explainComplaint(job, new Map(), undefined, { ...squeak, memberIds });
    expect(of(['rail-right'])).toMatchObject({ standing: 'a break on its path', broken: [loose.title] });
    expect(of(['rail-left'])).toMatchObject({ standing: 'nothing found there yet', broken: [] });
  });
  test('a doubt is no break, and buys nothing off', () => {
    const bent = found('semi trailer', 'fitting', /Coupler plate.*left/, 'plate', { is: 'bent', offMm: 2 });
    const doubted = records('semi trailer', [bent]);
    expect(jobLine(doubted).toAct).toEqual([]);
    expect(JSON.stringify(buyer(doubted).whys)).not.toContain(bent.title);
  });
});

test('a member hears of a skin over it, whoever the record says it was found beside', () => {
  const crack = found('gooseneck trailer', 'panel', 'Left front wall skin', 'sheet', { is: 'cracked' });
  const silent = { ...crack, memberIds: [] };
  expect(against(records('gooseneck trailer', [silent]), 'upright-left')).toHaveLength(1);
  const mark = (evidence: readonly Evidence[]) => {
    const sorted = sortedRecords(records('gooseneck trailer', evidence));
    return inputsOf(
      sorted,
      sorted.records.frame.members.find(({ id }) => id === 'upright-left')!,
    ).metalMark;
  };
  expect(mark([silent])).not.toBe(mark([]));
  expect(
    fitsFrame(records('gooseneck trailer', []).frame, { ...crack, memberIds: ['nowhere'] }),
  ).toMatchObject({
    ok: false,
    at: 'memberIds',
  });
});

test('a hanger seen cracked and then renewed whole is another hanger; cracked since, it is bad again', () => {
  const job = records('open-channel ladder', []);
  const { spot } = jobSpots(job).find(
    (state) => state.spot.host?.on === 'fitting' && state.spot.ruleId === 'hanger',
  )!;
  const seen = (): Evidence => ({
    kind: 'look',
    ...stamp(),
    spotId: spot.id,
    title: spot.title,
    memberId: spot.memberId!,
    stationMm: spot.fromMm!,
    result: 'cracked',
    ways: ['eye'],
    on: 'fitting',
  });
  const renewed = (): Evidence => ({
    kind: 'find',
    ...stamp(),
    on: 'fitting',
    hostId: spot.host!.id,
    title: spot.title,
    part: 'plate',
    state: { is: 'put right', done: 'renewed whole' },
    memberIds: [spot.memberId!],
  });
  const of = (...evidence: Evidence[]) => verdicts(records('open-channel ladder', evidence));
  const [first, then, again] = [seen(), renewed(), seen()];
  expect(of(first)).toHaveLength(1);
  expect(of(first, then)).toEqual([]);
  expect(of(first, then, again)).toHaveLength(1);
});

describe('mending what tells of a member mends no member', () => {
  test.each<[HostOn, string, FindPart, FindState, FindState, Family, string]>([
    [
      'pocket',
      'Sill, left, inside',
      'inside',
      { is: 'packed', wet: true },
      { is: 'put right', done: 'cleared' },
      'unibody',
      'sill-left',
    ],
    [
      'panel',
      'Left front wall skin',
      'sheet',
      { is: 'cracked', longMm: 80 },
      { is: 'put right', done: 'welded anew' },
      'gooseneck trailer',
      'upright-left',
    ],
    [
      'panel',
      'Left front wall skin',
      'sheet',
      { is: 'gap', openMm: 4 },
      { is: 'sound', ways: ['eye'] },
      'gooseneck trailer',
      'upright-left',
    ],
  ])('%s %s: its own verdict ends, the doubt about the metal stays until the metal is struck', (...row) => {
    const [on, name, part, bad, done, family, memberId] = row;
    const evidence: Evidence[] = [found(family, on, name, part, bad), found(family, on, name, part, done)];
    const job = records(family, evidence);
    expect(verdicts(job)).toEqual([]);
    expect(against(job, memberId).map(({ claim }) => claim)).toContain('doubtful');
    const member = job.frame.members.find(({ id }) => id === memberId)!;
    const struck = facesOf(member.shape).map((face): Evidence => ({
      kind: 'sign',
      ...stamp(),
      memberId,
      stationMm: 0,
      toMm: member.lengthMm,
      face: face.id,
      heightMm: face.widthMm / 2,
      detail: { sign: 'struck', tool: 'hammer', answer: 'even ring' },
    }));
    expect(against(records(family, [...evidence, ...struck]), memberId)).toEqual([]);
  });
});

describe('a skin tells of what is behind it', () => {
  const crack = (longMm: number) =>
    found('gooseneck trailer', 'panel', 'Left front wall skin', 'sheet', { is: 'cracked', longMm });
  const [first, later] = [crack(60), crack(140)];
  test('the upright behind a cracked skin is doubtful, whole; the one on the other side is not', () => {
    const job = records('gooseneck trailer', [first]);
    expect(against(job, 'upright-left')).toMatchObject([{ claim: 'doubtful', where: first.title }]);
    expect(against(job, 'upright-right')).toEqual([]);
  });
  test('grown since, it says so', () =>
    expect(against(records('gooseneck trailer', [first, later]), 'upright-left')).toMatchObject([
      { what: 'sheet cracked, and growing' },
    ]));
  test('a gap that opens is not *as made* with it on record, and is explained once the break is found', () => {
    const gap = {
      kind: 'complaint',
      ...stamp(),
      what: 'gap',
      where: 'front wall',
      memberIds: ['upright-left'] as string[],
    } as const;
    const of = (evidence: readonly Evidence[]) =>
      explainComplaint(records('gooseneck trailer', evidence), new Map(), undefined, gap).standing;
    expect(of([])).toBe('nothing found there yet');
    expect(of([first])).toBe('damage there, not computed');
    const weld = found('gooseneck trailer', 'fitting', /Gusset at the upright’s foot, left/, 'weld', {
      is: 'cracked',
    });
    expect(of([first, weld])).toBe('a break on its path');
  });
});

describe('a bracket and what it hangs on, looked at as one spot', () => {
  const O = 'open-channel ladder';
  const { spot } = jobSpots(records(O, [])).find(
    ({ spot: { host, ruleId, memberId } }) => host && ruleId === 'hanger' && memberId === 'rail-left',
  )!;
  const look = (result: LookResult, on?: LookOn): Look => ({
    kind: 'look',
    ...stamp(),
    spotId: spot.id,
    title: spot.title,
    memberId: spot.memberId,
    stationMm: spot.fromMm,
    result,
    ways: ['eye', 'hammer'],
    ...(on && { on }),
  });
  const goodAs = (...states: [FindPart, FindState][]): Find[] =>
    states.map(([part, state]) => ({
      kind: 'find',
      ...stamp(),
      on: 'fitting',
      hostId: spot.host!.id,
      title: spot.title,
      part,
      state,
      memberIds: [spot.memberId!],
    }));
  const said = (...evidence: Evidence[]) => ({
    bracket: jobHosts(records(O, evidence)).map(({ found: words }) => words.join(', ')),
    rail: against(records(O, evidence), spot.memberId!).map(({ claim }) => claim),
  });
  test('whichever was said first, each keeps what was found of it', () => {
    for (const looks of [
      [look('cracked', 'fitting'), look('soft', 'member')],
      [look('soft', 'member'), look('cracked', 'fitting')],
      [look('through', 'member'), look('cracked', 'fitting'), look('sound', 'member')],
    ]) {
      const { bracket, rail } = said(...looks);
      expect(bracket).toEqual(['cracked']);
      expect(rail).toContain('gone');
    }
  });
  test('one that is renewed and looked at again is good, and mends no rail', () => {
    const renewed = () => goodAs(['plate', { is: 'put right', done: 'renewed whole' }]);
    expect(said(look('cracked', 'fitting'), ...renewed(), look('sound', 'fitting')).bracket).toEqual([]);
    expect(said(look('cracked', 'fitting'), look('sound', 'fitting')).bracket).toEqual(['cracked']);
    expect(said(look('soft', 'member'), ...renewed(), look('sound')).rail).toContain('gone');
  });
});
