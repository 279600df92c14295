import { defaultFrame, familyOf, hostsOf, type Host, type Notice } from '../frame';
import { DEFAULT_PRACTICE } from '../reference';
import type { Look } from '../walk';
import type { Finding, Verdict } from '../weigh';
import {
  fourAnswers,
  jobSpots,
  plannedOn,
  QUESTIONS,
  type AnsweredMember,
  type AnswersBasis,
  type Evidence,
  type JobRecords,
  type LiftTried,
} from '.';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
let last = 0;
const stamp = () => ({
  id: `00000000-0000-4000-8000-${String(++last).padStart(12, '0')}`,
  by: 'RK',
  at: '2026-11-10T08:00:00Z',
  note: '',
});
const records = (evidence: readonly Evidence[] = []): JobRecords => ({
  frame,
  practice: DEFAULT_PRACTICE,
  evidence,
  strikes: [],
  repairs: [],
});
/** Every spot seen and sound but those whose title is named. */
const walked = (but: (title: string) => boolean = () => false): Look[] =>
  jobSpots(records()).flatMap(({ spot }): Look[] =>
    but(spot.title)
      ? []
      : [
          {
            kind: 'look',
            ...stamp(),
            spotId: spot.id,
            title: spot.title,
            ...(spot.memberId && { memberId: spot.memberId, stationMm: (spot.fromMm! + spot.toMm!) / 2 }),
            result: 'sound',
            ways: ['eye', 'hammer', 'light', 'scope'],
          } as Look,
        ],
  );
const NOTHING_PLANNED = {
  stretches: 0,
  repairs: 0,
  broken: 0,
  notOffered: 0,
  plates: 0,
  weldM: 0,
  steelKg: 0,
};
const judged = (verdict: Verdict, codes: readonly string[] = [], plan = NOTHING_PLANNED): AnsweredMember => ({
  verdict: { verdict, findings: codes.map((code) => ({ code, verdict })) as unknown as Finding[] },
  plan,
});
const weighed = (but: Readonly<Record<string, AnsweredMember>> = {}, else_: Verdict = 'Leave') =>
  new Map(frame.members.map(({ id }) => [id, but[id] ?? judged(else_)]));
const tried = (
  way: LiftTried['way'],
  answer: LiftTried['answer'],
  better?: readonly number[],
): LiftTried => ({
  way,
  answer,
  reasons: [],
  mostKg: 900,
  ...(better && { better }),
});
const ALL_LIFT = (['two-post pads', 'by the axles'] as const).map((way) => tried(way, 'Lift here'));
const four = (job: JobRecords, more: Partial<AnswersBasis> = {}) =>
  fourAnswers(job, { weighed: weighed(), lifts: ALL_LIFT, today: '2026-11-27', ...more });
const said = (answers: ReturnType<typeof four>) =>
  QUESTIONS.map((question) => answers[question].is).join(', ');
const find = (host: Host, part: string, state: object): Evidence =>
  ({
    kind: 'find',
    ...stamp(),
    on: host.on,
    hostId: host.id,
    title: host.name,
    part,
    state,
    memberIds: host.spans.map(({ memberId }) => memberId),
  }) as Evidence;
const hostNamed = (name: RegExp) => hostsOf(frame).find((host) => name.test(host.name))!;

test('an as-new truck, every spot seen: yes but beneath, which is always as it is raised', () =>
  expect(said(four(records(walked())))).toBe('yes, yes, with limits, yes'));

test('nothing recorded is never a yes to driving, beneath or repair', () => {
  const empty = four(records(), { weighed: weighed({}, 'Can’t say'), lifts: [tried('stands', 'Not known')] });
  expect(said(empty)).toBe('can’t say, can’t say, can’t say, can’t say');
  expect(empty.drive.reasons[0]).toMatchObject({ why: 'look first' });
  expect(empty.repair.reasons[0]).toMatchObject({ why: 'look first' });
});

test('what cannot be read on the server may be a rail rotted through: no yes, and a no stays one', () => {
  const unreadable = [{ what: 'evidence', id: 'bad', why: 'garbled' }];
  const all = four({ ...records(walked()), unreadable });
  for (const question of ['drive', 'beneath', 'repair'] as const)
    expect(all[question]).toMatchObject({
      is: 'can’t say',
      reasons: [{ why: 'records unreadable', count: 1 }, expect.anything()],
    });
  expect(said(four({ ...records(walked()), unreadable: [] }))).toBe('yes, yes, with limits, yes');
  const notice = { about: 'drive' } as Notice;
  expect(four({ ...records(walked()), unreadable }, { notices: [notice] }).drive.is).toBe('no');
});

test('before everything is worked out nothing is said to be fine', () => {
  const some = new Map([...weighed()].slice(1));
  const early = four(records(walked()), { weighed: some, lifts: undefined });
  expect(said(early)).toBe('can’t say, can’t say, can’t say, can’t say');
  for (const question of QUESTIONS)
    expect(early[question].reasons.map(({ why }) => why)).toContain('being worked out');
});

test('what somebody forbade stays forbidden until the notice is lifted; another notice forbids nothing', () => {
  const notice = (about?: 'drive' | 'lift' | 'beneath' | 'repair') => ({
    ...stamp(),
    unitId: stamp().id,
    words: 'not while the owner is away',
    ...(about && { about }),
  });
  for (const about of QUESTIONS) {
    const answers = four(records(walked()), { notices: [notice(about), notice()] });
    expect(QUESTIONS.filter((question) => answers[question].is === 'no')).toEqual([about]);
    expect(answers[about].reasons[0]).toMatchObject({ why: 'notice' });
  }
  expect(said(four(records(walked()), { notices: [notice()] }))).toBe('yes, yes, with limits, yes');
});

describe('driving', () => {
  test.each([
    [/steering/i, 'can’t say'],
    [/spring/i, 'can’t say'],
    [/tank/i, 'yes'],
  ])('with %s not looked at: %s', (title, answer) => {
    const answers = four(records(walked((name) => title.test(name))));
    expect(answers.drive.is).toBe(answer);
    if (answer !== 'yes')
      expect(
        (answers.drive.reasons[0] as unknown as { names: string[] }).names.every((name) => title.test(name)),
      ).toBe(true);
  });
  test('a rail of which nobody saw any spot', () => {
    const rail = new Set(
      jobSpots(records())
        .filter(({ spot }) => spot.memberId === 'rail-left')
        .map(({ spot }) => spot.title),
    );
    const answers = four(records(walked((title) => rail.has(title))));
    expect(answers.drive.is).toBe('can’t say');
    expect((answers.drive.reasons[0] as unknown as { names: string[] }).names).toContain('Left rail');
  });
  test.each([
    [/^Steering gear, left/, 'plate', { is: 'broken' }, 'no'],
    [/^Steering gear, left/, 'fasteners', { is: 'loose' }, 'with limits'],
    [/^Steering gear, left/, 'plate', { is: 'bent', offMm: 1 }, 'yes'],
  ] as const)('%s, %s %j: %s', (name, part, state, answer) =>
    expect(four(records([...walked(), find(hostNamed(name), part, state)])).drive.is).toBe(answer),
  );
  test('a no stands whatever is not known', () => {
    const broken = find(hostNamed(/^Steering gear, left/), 'plate', { is: 'broken' });
    expect(four(records([broken]), { weighed: new Map(), lifts: undefined }).drive.is).toBe('no');
  });
});

describe('driving, while it waits for its turn', () => {
  const told = (more: object, at = '2026-11-12T08:00:00Z'): Evidence =>
    ({ kind: 'interim', ...stamp(), at, answer: 'do not move', advice: '', ...more }) as Evidence;
  const drive = (evidence: readonly Evidence[], more: object = {}) =>
    four({ ...records([...walked(), ...evidence]), ...more }).drive;
  test.each([
    ['do not move', 'no'],
    ['to the shop only', 'with limits'],
    ['restricted', 'with limits'],
    ['no reason recorded against it', 'yes'],
  ])('its owner was told %s: %s', (answer, is) => {
    const said = drive([told({ answer, advice: 'empty, slowly' })]);
    expect(said.is).toBe(is);
    expect(said.reasons.some(({ why }) => why === 'told until its turn')).toBe(is !== 'yes');
  });
  test('the last word counts, and none once it is signed off, or struck through', () => {
    const [first, then] = [told({}), told({ answer: 'restricted' }, '2026-11-13T08:00:00Z')];
    expect(drive([first, then]).is).toBe('with limits');
    // A milder word of before that a device kept late is not the last.
    const late = told({ answer: 'restricted' }, '2026-11-11T08:00:00Z');
    expect(drive([first, late]).is).toBe('no');
    const signed = (at: string) => ({ kind: 'sign off', ...stamp(), at }) as unknown as Evidence;
    expect(drive([first, signed('2026-11-20T08:00:00Z')]).is).toBe('yes');
    expect(drive([signed('2026-11-10T08:00:00Z'), first]).is).toBe('no');
    const strikes = [{ ...stamp(), evidenceId: first.id, why: 'mistyped' }];
    expect(drive([first], { strikes }).is).toBe('yes');
  });
  test('a look that was agreed on and not made: can’t say, from its day or its distance on', () => {
    const agreed = (more: object) => told({ answer: 'no reason recorded against it', ...more });
    const overdue = { is: 'can’t say', reasons: [{ why: 'agreed look overdue' }, {}] };
    expect(drive([agreed({ everyDays: 15 })])).toMatchObject(overdue);
    expect(drive([agreed({ everyDays: 16 })]).is).toBe('yes');
    const trip = { kind: 'trip', ...stamp(), at: '2026-11-14T08:00:00Z', km: 200 } as unknown as Evidence;
    expect(drive([agreed({ everyKm: 200 }), trip])).toMatchObject(overdue);
    expect(drive([agreed({ everyKm: 201 }), trip]).is).toBe('yes');
    // Looked at again, the days count from there.
    const looked = walked()
      .slice(0, 1)
      .map((look) => ({ ...look, at: '2026-11-20T08:00:00Z' }));
    expect(drive([agreed({ everyDays: 15 }), ...looked]).is).toBe('yes');
    // Nobody could look, or somebody says so: no look.
    for (const more of [{ result: 'not seen', ways: [] }, { ways: ['told'] }])
      expect(
        drive([agreed({ everyDays: 15 }), ...looked.map((look) => ({ ...look, ...more }) as Evidence)]),
      ).toMatchObject({ is: 'can’t say' });
    // What was told is no milder for it.
    expect(drive([told({ everyDays: 1, answer: 'to the shop only', advice: 'slowly' })]).is).toBe(
      'can’t say',
    );
    expect(drive([told({ everyDays: 1 })]).is).toBe('no');
  });
});

describe('driving, after something was tried', () => {
  const tried = (of: string, held: boolean, day = 12): Evidence => {
    const at = `2026-11-${day}T08:00:00Z`;
    return { kind: 'proof', ...stamp(), at, of, place: 'front axle', held, note: 'it binds' } as Evidence;
  };
  test.each([
    ['lock to lock', 'no'],
    ['torqued again', 'no'],
    ['road test', 'with limits'],
    ['legs or doors run', 'yes'],
    ['dry film', 'yes'],
  ])('%s did not hold: %s; tried again and held: yes', (of, is) => {
    const drive = (...proofs: Evidence[]) => four(records([...walked(), ...proofs])).drive;
    expect(drive(tried(of, false)).is).toBe(is);
    expect(drive(tried(of, false), tried(of, true, 13)).is).toBe('yes');
    expect(drive(tried(of, true, 11), tried(of, false)).is).toBe(is);
  });
});

describe('lifting', () => {
  const lift = (...lifts: LiftTried[]) => four(records(walked()), { lifts }).lift.is;
  test.each([
    ['every way passes', 'yes', ['Lift here', 'Lift here', 'Lift here']],
    ['one way passes', 'with limits', ['Not at all yet', 'Not known', 'Lift here']],
    [
      'none, and one hangs on metal nobody knows',
      'can’t say',
      ['Not at all yet', 'Not known', 'Not at all yet'],
    ],
    ['none', 'no', ['Not at all yet', 'Not at all yet', 'Not at all yet']],
  ] as const)('%s: %s', (_, answer, [pads, stands, axles]) =>
    expect(lift(tried('two-post pads', pads), tried('stands', stands), tried('by the axles', axles))).toBe(
      answer,
    ),
  );
  test('not where it usually is, but elsewhere', () =>
    expect(
      lift(tried('two-post pads', 'Not here', [900, 4200]), tried('by the axles', 'Not at all yet')),
    ).toBe('with limits'));
});

describe('beneath', () => {
  const beneath = (more: Partial<AnswersBasis>, evidence: Evidence[] = walked()) =>
    four(records(evidence), more).beneath;
  test('raised only as it may be lifted; where it may not, on its wheels only', () => {
    expect(beneath({}).reasons[0]).toMatchObject({ why: 'raised only as it may be lifted' });
    const none = beneath({ lifts: [tried('stands', 'Not at all yet')] });
    expect(none).toMatchObject({ is: 'with limits', reasons: [{ why: 'on its wheels only' }] });
    expect(beneath({ lifts: [tried('stands', 'Not known')] }).is).toBe('can’t say');
    // Not where it usually is, but elsewhere: raised there.
    expect(beneath({ lifts: [tried('stands', 'Not here', [900, 4200])] })).toMatchObject({
      is: 'with limits',
      reasons: [{ why: 'raised only as it may be lifted', ways: ['stands'] }],
    });
  });
  test('nobody, where a rail has parted, whatever may be lifted', () => {
    const parted = weighed({ 'rail-left': judged('Renew', ['parted']) });
    expect(beneath({ weighed: parted })).toMatchObject({ is: 'no', reasons: [{ why: 'hold it first' }, {}] });
    const thin = weighed({ 'rail-left': judged('Renew', ['modulus-kept']) });
    expect(beneath({ weighed: thin }).is).toBe('with limits');
  });
  test('nobody, where what holds an axle let go; where a steering bracket did, it does not come down', () => {
    const torn = (name: RegExp) => find(hostNamed(name), 'plate', { is: 'torn' });
    expect(beneath({}, [...walked(), torn(/front hanger, left/)]).is).toBe('no');
    expect(beneath({}, [...walked(), torn(/^Steering gear, left/)]).is).toBe('with limits');
  });
  test('nobody has looked: can’t say', () => expect(four(records(), {}).beneath.is).toBe('can’t say'));
});

describe('repair', () => {
  const repair = (but: Readonly<Record<string, AnsweredMember>>, evidence: readonly Evidence[] = walked()) =>
    four(records(evidence), { weighed: weighed(but) }).repair;
  const drawn = { ...NOTHING_PLANNED, repairs: 1 };
  test.each<[string, AnsweredMember, string, string]>([
    ['plates that break no rule', judged('Mend', ['modulus-kept'], drawn), 'yes', 'mended here'],
    [
      'plates that break one',
      judged('Mend', ['modulus-kept'], { ...drawn, broken: 1 }),
      'with limits',
      'by an engineer',
    ],
    [
      'some of it with none that would do',
      judged('Mend', ['modulus-kept'], { ...drawn, notOffered: 1 }),
      'with limits',
      'by an engineer',
    ],
    ['nothing drawn', judged('Splice', ['modulus-kept']), 'with limits', 'by an engineer'],
    ['a crack seen and not traced', judged('Mend', ['crack-not-traced']), 'can’t say', 'traced first'],
    [
      'a crack not traced beside plates that break no rule',
      judged('Mend', ['modulus-kept', 'crack-not-traced'], drawn),
      'can’t say',
      'traced first',
    ],
    [
      'heat-treated steel, plates or not',
      judged('Mend', ['steel-heat-treated'], drawn),
      'with limits',
      'as its maker says',
    ],
    [
      'steel that nobody knows',
      judged('Can’t say', ['steel-unknown'], drawn),
      'can’t say',
      'steel not known',
    ],
    [
      'more than half its top gone',
      {
        ...judged('Splice'),
        verdict: {
          verdict: 'Splice',
          findings: [{ code: 'top-flange-gone', verdict: 'Splice', value: 0.6 } as Finding],
        },
      },
      'no',
      'retire',
    ],
  ])('a rail with %s', (_, member, is, why) =>
    expect(repair({ 'rail-left': member })).toMatchObject({
      is,
      reasons: expect.arrayContaining([expect.objectContaining({ why })]),
    }),
  );
  test('a crossmember is made anew by the shop', () => {
    const [cross] = frame.members.filter(({ role }) => role === 'crossmember');
    expect(repair({ [cross!.id]: judged('Renew', ['modulus-kept']) }).reasons[0]).toMatchObject({
      why: 'renewed by hand',
      names: [cross!.name],
    });
  });
  test('members nobody knows may add to it; a broken bracket is renewed', () => {
    const some = repair({ 'rail-left': judged('Mend', [], drawn), 'rail-right': judged('Can’t say') });
    expect(some).toMatchObject({
      is: 'with limits',
      reasons: [{ why: 'more may come', names: ['Right rail'] }, {}],
    });
    const pin = find(hostNamed(/front hanger, left/), 'pin', { is: 'broken' });
    expect(repair({}, [...walked(), pin])).toMatchObject({
      is: 'with limits',
      reasons: [{ why: 'renewed by hand' }],
    });
  });
  test.each([
    ['not asked', 'with limits'],
    ['asked, not yet', 'with limits'],
    ['refused', 'with limits'],
    ['yes', 'yes'],
  ] as const)('a maker who pays and was %s: %s', (authorised, is) => {
    const intake: Evidence = {
      kind: 'intake',
      ...stamp(),
      isHome: false,
      makersClaim: { who: 'the maker', authorised },
    };
    expect(repair({}, [...walked(), intake] as Evidence[])).toMatchObject({ is });
  });
  test('what was tried before and did not hold is said where something is bad again, and nowhere else', () => {
    const intake: Evidence = {
      kind: 'intake',
      ...stamp(),
      isHome: false,
      tried: 'a flat bar across the crack',
    };
    const bad = repair({ 'rail-left': judged('Mend', ['modulus-kept'], drawn) }, [...walked(), intake]);
    expect(bad).toMatchObject({
      is: 'with limits',
      reasons: expect.arrayContaining([
        expect.objectContaining({ why: 'tried before', names: ['a flat bar across the crack'] }),
      ]),
    });
    expect(repair({}, [...walked(), intake]).reasons.map(({ why }) => why)).not.toContain('tried before');
  });
  test.each([
    ['declined by the shop', 'no'],
    ['passed on', 'no'],
    ['mend', 'yes'],
    ['nothing for now', 'yes'],
  ] as const)('chosen: %s: %s', (chosen, is) => {
    const choice = { kind: 'choice', ...stamp(), chosen, left: 'all of it', why: 'no press' } as Evidence;
    expect(repair({}, [...walked(), choice] as Evidence[])).toMatchObject({ is });
  });
});

test('what is planned on a member, counted: those that break rules, plates by how they are held, weld and steel', () => {
  const worked = (
    findings: readonly string[],
    flatsKg: readonly number[],
    weldMm: number,
    bolts?: object,
  ) => ({
    repair: { ...(bolts && { bolts }) },
    findings: findings.map((weight) => ({ code: 'x', weight })),
    joinFindings: [{ code: 'y', weight: 'note' }],
    patterns: flatsKg.map((massKg) => ({ massKg })),
    joined: { totalWeldMm: weldMm },
  });
  const of = plannedOn({
    picture: { member: { startMm: 500 }, zones: [{ fromMm: 100, toMm: 300 }] },
    repairs: [
      worked(['broken', 'broken', 'note'], [2, 3], 1500),
      worked(['deviation', 'note'], [4], 500),
      worked([], [5, 6, 7], 0, { diameterMm: 12 }),
    ],
    notOffered: [{}],
    underWorks: [],
  } as never);
  expect(of).toEqual({
    ...{ stretches: 1, runs: [{ fromMm: 600, toMm: 800 }], repairs: 3, broken: 1, notOffered: 1 },
    ...{ plates: 3, bolted: 3, weldM: 2, steelKg: 27, underWorks: [] },
  });
});
