import { draftOf, edgesOf, ORDER_RULES, TASK_PHASES, type OrderScene, type ReasonCode } from '.';
import type { Draft } from './reasons';
import type { Zone } from './zones';
import { aPart, aRenewal, aRepair, aWork, emptyScene, frameFor } from './scene-for-tests';
import type { Task, TaskWhat } from './task';

const WHATS = Object.keys(TASK_PHASES) as TaskWhat[];
const zone = (id: string): Zone => ({
  ...{ id, fromMm: 0, toMm: 1, repairs: [], cracks: [], works: [], renewals: [], aligns: [], parts: [] },
});
/** One task of every sort in each of two stretches, each of a thing of its own. */
const everySort = (
  more: (task: Task) => Partial<Task> = () => ({}),
  scene: Partial<OrderScene> = {},
): Draft => ({
  scene: { ...emptyScene(), ...scene },
  zones: [zone('A'), zone('B')],
  tasks: ['A', 'B'].flatMap((zoneId) =>
    WHATS.map((what): Task => {
      const id = `${what} ${zoneId}`;
      const task: Task = { id, what, of: { is: 'work', id, name: id }, zoneId, hours: [1, 2], hands: 1 };
      return { ...task, ...more(task) };
    }),
  ),
});
/** What a reason puts before what, as sorts: within a stretch, and from one stretch to the other. */
function sortsOf(why: ReasonCode, draft: Draft) {
  const edges = edgesOf(
    draft,
    ORDER_RULES.filter((rule) => rule.why === why),
  );
  const task = new Map(draft.tasks.map((each) => [each.id, each]));
  const [within, across] = [new Set<string>(), new Set<string>()];
  for (const { before, after } of edges) {
    const [one, other] = [task.get(before)!, task.get(after)!];
    (one.zoneId === other.zoneId ? within : across).add(`${one.what} > ${other.what}`);
  }
  return { within, across };
}
type Rows = readonly (readonly [before: readonly TaskWhat[], after: readonly TaskWhat[]])[];
const sorts = (rows: Rows): string[] =>
  rows.flatMap(([before, after]) =>
    before.flatMap((one) => after.filter((other) => other !== one).map((other) => `${one} > ${other}`)),
  );

const CUTS: TaskWhat[] = ['opening cut', 'final cut', 'old out', 'pull into line', 'crack ends', 'drill'];
const METAL: TaskWhat[] = [
  ...['bright metal', 'opening cut', 'look inside', 'final cut', 'crack ends', 'old out'],
  ...['pull into line', 'fit', 'dry fit', 'shaft in', 'second plate', 'drill'],
] as TaskWhat[];
const LOOKS: TaskWhat[] = ['look at welds', 'look at crack', 'bolt up', 'bond'];
const PROOFS: TaskWhat[] = ['measure again', 'flex again', 'photos after'];

/** Reasons by sorts alone: within a stretch only, or over the whole unit. Written out by hand from what each reason says. */
const BY_SORT: readonly (readonly [why: ReasonCode, reach: 'stretch' | 'unit', rows: Rows])[] = [
  ['reached first', 'stretch', [[['take off', 'clear'], METAL]]],
  ['lighter on its stands', 'unit', [[['take off load'], ['set stands']]]],
  [
    'stands before the cut',
    'unit',
    [[['set stands'], ['opening cut', 'final cut', 'old out', 'pull into line', 'crack ends']]],
  ],
  ['stands until it is cool', 'unit', [[LOOKS, ['stands out', 'put back load']]]],
  ['shaft before the second plate', 'unit', [[['shaft in'], ['second plate']]]],
  [
    'looked at before it is hidden',
    'stretch',
    [
      [[...LOOKS, 'extra', 'refix'], ['outside coat']],
      [LOOKS, ['refix']],
    ],
  ],
  ['cured before refit', 'stretch', [[['outside coat', 'inside coat'], ['put back']]]],
  [
    'stays open until it is tried',
    'unit',
    [
      [['stands out'], ['put back load']],
      [['test', 'put back load', 'put back', 'battery on', 'stands out', 'own'], ['drive']],
      [['outside coat', 'inside coat'], ['drive']],
    ],
  ],
  ['found while open', 'stretch', [[['look inside', 'take off', 'clear'], ['extra']]]],
  [
    'proved last',
    'unit',
    [
      [[...LOOKS, 'stands out'], PROOFS],
      [['put back load'], ['measure again']],
      [PROOFS, ['drive']],
      [['drive'], ['torque again']],
    ],
  ],
];

test.each(BY_SORT)('%s: these sorts and no others, within reach of %s', (why, reach, rows) => {
  const { within, across } = sortsOf(why, everySort());
  expect([...within].sort()).toEqual(sorts(rows).sort());
  expect([...across].sort()).toEqual(reach === 'unit' ? sorts(rows).sort() : []);
});

test('measured before the cut: the unit’s measures before every first cut, a stretch’s own before its own', () => {
  const { within, across } = sortsOf('measured before the cut', everySort());
  const unit: Rows = [
    [['wheelbase', 'diagonals', 'ride height', 'steering flex', 'laser marks'], CUTS],
    [['ride height'], ['take off load', 'set stands']],
  ];
  const own: Rows = [
    [
      ['part places', 'bolt lengths', 'photos before'],
      ['take off', ...CUTS],
    ],
  ];
  expect([...across].sort()).toEqual(sorts(unit).sort());
  expect([...within].sort()).toEqual(sorts([...unit, ...own]).sort());
});

test('the battery is off before whatever is hot, and on after it, before the drive and the pushes', () => {
  const { within, across } = sortsOf(
    'battery off before the arc',
    everySort(({ what }) => (what === 'weld' || what === 'old out' ? { isHot: true } : {})),
  );
  const rows: Rows = [
    [['battery off'], ['weld', 'old out']],
    [['weld', 'old out'], ['battery on']],
    [['battery on'], ['drive', 'flex again']],
  ];
  expect([...within].sort()).toEqual(sorts(rows).sort());
  expect(across).toEqual(within);
});

test('fuel is out before whatever is hot, and that fuel, tank or load, back after it', () => {
  const isFuel = ({ what, zoneId }: Task) => /^take off/.test(what) && zoneId === 'A';
  const draft = everySort((task) => ({
    ...(task.what === 'weld' && { isHot: true as const }),
    ...(isFuel(task) && { isFuel: true as const }),
    ...(/(take off|put back)( load)?$/.test(task.what) && {
      of: { is: 'part', id: `${/load/.test(task.what)} ${task.zoneId}`, name: '' } as const,
    }),
  }));
  const edges = edgesOf(
    draft,
    ORDER_RULES.filter(({ why }) => why === 'fuel out before the arc'),
  ).map(({ before, after }) => `${before} > ${after}`);
  expect(edges.sort()).toEqual(
    ['A', 'B']
      .flatMap((at) => [
        `take off A > weld ${at}`,
        `take off load A > weld ${at}`,
        `weld ${at} > put back A`,
        `weld ${at} > put back load A`,
      ])
      .sort(),
  );
});

test('a coat inside waits for the looks and the pulls of its member or its stretch', () => {
  const at = (draft: Draft) =>
    edgesOf(
      draft,
      ORDER_RULES.filter(({ why }) => why === 'coat inside when cool'),
    ).filter(({ after }) => after === 'inside coat A');
  const own = everySort(({ what, zoneId }) =>
    what === 'inside coat' && zoneId === 'A' ? { memberId: 'm' } : {},
  );
  expect(
    at(own)
      .map(({ before }) => before)
      .sort(),
  ).toEqual([...LOOKS, 'pull into line'].map((what) => `${what} A`).sort());
  const far = everySort(({ what, zoneId }) =>
    (what === 'inside coat' && zoneId === 'A') || (what === 'bond' && zoneId === 'B')
      ? { memberId: 'm' }
      : {},
  );
  expect(at(far).map(({ before }) => before)).toContain('bond B');
  expect(at(far).map(({ before }) => before)).not.toContain('look at welds B');
});

test('what was put in by the shop stands where it was asked: before the first cut, before the refit, before the drive', () => {
  const own = (before: OrderScene['own'][number]['before']) => ({
    own: [{ id: 'own A', what: 'wash', hours: [1, 2] as const, before }],
  });
  const after = (before: OrderScene['own'][number]['before']) =>
    new Set(
      edgesOf(
        everySort(undefined, own(before)),
        ORDER_RULES.filter(({ why }) => why === 'proved last'),
      )
        .filter((edge) => edge.before === 'own A')
        .map((edge) => edge.after.replace(/ [AB]$/, '')),
    );
  expect(after('the first cut')).toEqual(new Set(METAL));
  expect(after('refit')).toEqual(new Set(['put back', 'stands out']));
  expect(after('the drive')).toEqual(new Set());
});

test('on the way: looks before it, metal after it, and only what lies on that side of it', () => {
  const draft = everySort(undefined, { transitAfter: 'A' });
  const edges = edgesOf(
    draft,
    ORDER_RULES.filter(({ why }) => why === 'refit for the way'),
  );
  const to = (what: string) =>
    new Set(edges.filter(({ after }) => after.startsWith(what)).map(({ before }) => before));
  expect(to('refit for transit')).toEqual(new Set(LOOKS.map((what) => `${what} A`)));
  expect(to('move it')).toEqual(new Set(['refit for transit A', 'refit for transit B']));
  expect(to('strip again')).toEqual(new Set(['move it A', 'move it B']));
  const stripped = edges.filter(({ before }) => before.startsWith('strip again')).map(({ after }) => after);
  expect(new Set(stripped)).toEqual(new Set(METAL.map((what) => `${what} B`)));
});

/** Whether a reason by itself puts one task straight before the other. */
const puts = (of: Partial<OrderScene>, why: ReasonCode, before: string, after: string): boolean =>
  edgesOf(
    draftOf({ ...emptyScene(), ...of }),
    ORDER_RULES.filter((rule) => rule.why === why),
  ).some((edge) => edge.before === before && edge.after === after);

describe('by where things lie', () => {
  const crack = (fromMm: number, memberId = 'rail-right') => ({
    cracks: [{ id: 'c', memberId, fromMm, toMm: fromMm, weldM: 0.1 }],
    repairs: [aRepair()],
  });
  test.each([
    ['at the plate’s end', crack(3000), true],
    ['past it', crack(3001), false],
    ['at its beginning', crack(2000), true],
    ['ahead of it', crack(1999), false],
    ['on the other rail', crack(2500, 'rail-left'), false],
  ] as const)('a crack %s: before the plate: %s', (_where, of, is) => {
    for (const step of ['bright metal', 'fit'])
      expect(puts(of, 'crack before its plate', 'look at crack c', `${step} r1`)).toBe(is);
  });
  test('a bolted plate is drilled after the crack beneath it is looked at', () =>
    expect(
      puts(
        { ...crack(2500), repairs: [aRepair({ isBolted: true, isCutOut: false })] },
        'crack before its plate',
        'look at crack c',
        'drill r1',
      ),
    ).toBe(true));

  const twins = (left: object, right: object) => ({
    repairs: [
      aRepair({ id: 'l', memberId: 'rail-left', side: 'left', fromMm: 2000, toMm: 3000, ...left }),
      aRepair({ id: 'r', ...right }),
    ],
  });
  const first = (of: Partial<OrderScene>, one: string, other: string) =>
    puts(of, 'worst side first', `look at welds ${one}`, `opening cut ${other}`);
  test.each([
    ['the worse', { leastKept: 0.3 }, { leastKept: 0.31 }, 'l'],
    ['the worse, on the right', { leastKept: 0.5 }, { leastKept: 0.49 }, 'r'],
    ['as bad as each other, by name', { leastKept: 0.5 }, { leastKept: 0.5 }, 'l'],
  ] as const)('%s side goes first', (_what, left, right, goes) => {
    const of = twins(left, right);
    expect(first(of, 'l', 'r')).toBe(goes === 'l');
    expect(first(of, 'r', 'l')).toBe(goes === 'r');
  });
  test.each([
    ['within one strip-down of it', { fromMm: 3610, toMm: 3700 }, true],
    ['farther', { fromMm: 3611, toMm: 3700 }, false],
    ['ahead, within', { fromMm: 1000, toMm: 1390 }, true],
    ['ahead, farther', { fromMm: 1000, toMm: 1389 }, false],
    ['on a crossmember', { memberId: 'cross-3' }, false],
  ] as const)('the twin %s: %s', (_where, right, is) =>
    expect(first(twins({ leastKept: 0.1 }, right), 'l', 'r')).toBe(is),
  );
  test('laid over or bolted, the better side waits at its first step all the same', () => {
    const laid = twins({ leastKept: 0.1 }, { isCutOut: false });
    expect(puts(laid, 'worst side first', 'look at welds l', 'bright metal r')).toBe(true);
  });

  const springs = (fitting: string, work: object = {}) => ({
    works: [aWork({ fitting: fitting as never, fromMm: 2300, toMm: 2500, ...work })],
    repairs: [aRepair()],
  });
  const springsGo = (of: Partial<OrderScene>) =>
    puts(of, 'springs before the rail', 'look at welds w1', 'opening cut r1');
  test.each([
    ['spring seat', true],
    ['spring bucket', true],
    ['spring hanger', true],
    ['equaliser', false],
    ['bracket', false],
  ])('at a %s the rail waits: %s', (fitting, is) => expect(springsGo(springs(fitting))).toBe(is));
  test.each([
    ['one strip-down off', { fromMm: 3610, toMm: 3700 }, true],
    ['farther', { fromMm: 3611, toMm: 3700 }, false],
    ['on the other rail', { memberId: 'rail-left' }, false],
  ])('a spring seat %s: %s', (_where, work, is) => expect(springsGo(springs('spring seat', work))).toBe(is));

  test.each([
    ['captive mount', true],
    ['through plates', true],
    ['stud blocked', true],
    ['formed tab', true],
    ['gusset', false],
    ['bracket renewed', false],
  ] as const)('%s goes in before the plate closes: %s', (form, is) => {
    const of = { works: [aWork({ form })], repairs: [aRepair()] };
    expect(puts(of, 'in before it closes', 'look at welds w1', 'fit r1')).toBe(is);
  });
  test.each([
    ['touching', { fromMm: 3000, toMm: 3100 }, true],
    ['past it', { fromMm: 3001, toMm: 3100 }, false],
    ['on another member', { memberId: 'rail-left' }, false],
  ])('a captive mount %s the plate: %s', (_where, work, is) => {
    const of = { works: [aWork({ form: 'captive mount', ...work })], repairs: [aRepair()] };
    expect(puts(of, 'in before it closes', 'look at welds w1', 'fit r1')).toBe(is);
  });

  const tube = (repair: object, at: readonly [number, number] = [2400, 2500]) => ({
    renewals: [aRenewal({ fromMm: at[0], toMm: at[1] })],
    repairs: [aRepair(repair)],
  });
  test.each([
    ['a rail’s plate', {}, [2400, 2500], true],
    ['a rail’s plate that ends where the tube begins', {}, [3000, 3100], true],
    ['a rail’s plate short of the tube', {}, [3001, 3100], false],
    ['another crossmember’s plate', { memberId: 'cross-2' }, [2400, 2500], false],
    ['a plate on what is no longer there', { memberId: 'gone' }, [2400, 2500], false],
  ] as const)('%s: before the tube: %s', (_what, repair, at, is) =>
    expect(
      puts(tube(repair, at), 'plates before the tube', 'look at welds r1', 'old out renewal cross-3'),
    ).toBe(is),
  );
});

describe('back in line before it is welded', () => {
  const aligned = (memberId: string, of: Partial<OrderScene>) => ({
    ...of,
    aligns: [{ id: 'a', name: 'A', memberId, fromMm: 2500, toMm: 2500 }],
  });
  const crack = { cracks: [{ id: 'c', memberId: 'rail-right', fromMm: 2400, toMm: 2500, weldM: 0.1 }] };
  const why = 'in line before it is welded';
  test('what parted, before its own crack and its own plates', () => {
    expect(puts(aligned('rail-right', crack), why, 'pull into line a', 'crack ends c')).toBe(true);
    expect(puts(aligned('rail-left', crack), why, 'pull into line a', 'crack ends c')).toBe(false);
    const plated = { repairs: [aRepair()] };
    expect(puts(aligned('rail-right', plated), why, 'pull into line a', 'opening cut r1')).toBe(true);
    expect(puts(aligned('rail-left', plated), why, 'pull into line a', 'opening cut r1')).toBe(false);
  });
  test('a member straightened as a work, likewise; another work puts nothing in line', () => {
    const worked = (form: 'straightening' | 'gusset') => ({ ...crack, works: [aWork({ form })] });
    expect(puts(worked('straightening'), why, 'pull into line w1', 'crack ends c')).toBe(true);
    expect(edgesOf(draftOf({ ...emptyScene(), ...worked('gusset') })).some((edge) => edge.why === why)).toBe(
      false,
    );
  });
  test('out of line as a whole: before every first step on the metal, wherever', () => {
    const whole = {
      straightened: [{ id: 'out', name: 'diagonals' }],
      ...crack,
      repairs: [aRepair({ memberId: 'rail-left', side: 'left' })],
      works: [aWork()],
    };
    for (const after of ['crack ends c', 'opening cut r1', 'bright metal r1', 'old out w1'])
      expect(puts(whole, why, 'pull into line out', after)).toBe(true);
    expect(puts(whole, why, 'pull into line out', 'weld r1')).toBe(false);
    const bolted = { ...whole, repairs: [aRepair({ isBolted: true, isCutOut: false })] };
    expect(puts(bolted, why, 'pull into line out', 'drill r1')).toBe(true);
  });
});

describe('an axle is never without both its mounts', () => {
  const why = 'axle held by its twin';
  const work = (side: 'left' | 'right', more: object = {}) =>
    aWork({
      id: `w ${side}`,
      side,
      memberId: `rail-${side}`,
      hostId: `mark-9 ${side}`,
      carries: ['axle location'],
      ...more,
    });
  const goes = (left: object, right: object) =>
    puts(
      { works: [work('left', left), work('right', right)] },
      why,
      'look at welds w left',
      'old out w right',
    );
  test.each([
    ['both of one mount', {}, {}, true],
    ['of two mounts', { hostId: 'mark-8 left' }, {}, false],
    ['one carries no axle', {}, { carries: ['suspension load'] }, false],
    ['the other carries none', { carries: [] }, {}, false],
    ['at a joint', { on: 'joint' }, {}, false],
  ])('works, %s: %s', (_what, left, right, is) => expect(goes(left, right)).toBe(is));
  test('the left is done before the right is begun, never the other way round', () =>
    expect(
      puts({ works: [work('left'), work('right')] }, why, 'look at welds w right', 'old out w left'),
    ).toBe(false));

  const parts = (left: object, right: object) => ({
    repairs: [aRepair({ offAndBack: ['mark-8 left', 'mark-8 right', 'mark-7 right'], isCutOut: false })],
    parts: [
      aPart({ id: 'mark-8 left', kind: 'control arm', side: 'left', memberIds: ['rail-left'], ...left }),
      aPart({ id: 'mark-8 right', kind: 'control arm', ...right }),
    ],
  });
  test.each([
    ['both of one', {}, {}, true],
    ['of two', {}, { id: 'mark-7 right' }, false],
    ['what locates none', { kind: 'bracket' }, { kind: 'bracket' }, false],
  ] as const)('parts that come off, %s: %s', (_what, left, right, is) => {
    const of = parts(left, right);
    const after = `take off ${of.parts[1]!.id}`;
    expect(
      edgesOf(draftOf({ ...emptyScene(), ...of })).some(
        (edge) => edge.why === why && edge.before === 'refix mark-8 left' && edge.after === after,
      ),
    ).toBe(is);
  });
  test('welded on, the first is looked at before the second comes off', () =>
    expect(
      puts(
        parts({ isWelded: true }, { isWelded: true }),
        why,
        'look at welds mark-8 left',
        'take off mark-8 right',
      ),
    ).toBe(true));
});

describe('caps that meet are built off the middle one', () => {
  const cap = (id: string, fromMm: number, more: object = {}) =>
    aRepair({ id, fromMm, toMm: fromMm + 400, isCap: true, ...more });
  const edges = (...repairs: OrderScene['repairs'][number][]) =>
    edgesOf(
      draftOf({ ...emptyScene(), repairs }),
      ORDER_RULES.filter(({ why }) => why === 'middle cap first'),
    ).map(({ before, after }) => `${before} > ${after}`);
  test('of three the second, of four the second, outward on both sides', () => {
    expect(edges(cap('a', 1000), cap('b', 1500), cap('c', 2000)).sort()).toEqual([
      'tack b > fit a',
      'tack b > fit c',
    ]);
    expect(edges(cap('a', 1000), cap('b', 1500), cap('c', 2000), cap('d', 2500)).sort()).toEqual([
      'tack b > fit a',
      'tack b > fit c',
      'tack c > fit d',
    ]);
  });
  test.each([
    ['a strip-down apart', cap('b', 2010), ['tack a > fit b']],
    ['farther', cap('b', 2011), []],
    ['on the other rail', cap('b', 1500, { memberId: 'rail-left' }), []],
    ['one no cap', cap('b', 1500, { isCap: false }), []],
    ['bolted', cap('b', 1500, { isBolted: true, isCutOut: false }), ['tack a > drill b']],
  ] as const)('two, %s', (_what, other, expected) => expect(edges(cap('a', 1000), other)).toEqual(expected));
});

test('legs are a pair: plumb both before either is tacked or welded; what is no leg is not asked', () => {
  const gooseneck = emptyScene(frameFor('gooseneck trailer'));
  const leg = (side: 'left' | 'right') =>
    aWork({ id: side, form: 'leg structure', hostId: `mark-3 ${side}`, side, memberId: `rail-${side}` });
  const of = {
    ...gooseneck,
    works: [leg('left'), leg('right'), aWork({ id: 'other', memberId: 'rail-left' })],
  };
  const found = edgesOf(
    draftOf(of),
    ORDER_RULES.filter(({ why }) => why === 'both legs plumb'),
  ).map(({ before, after }) => `${before} > ${after}`);
  expect(found.sort()).toEqual(
    ['left', 'right']
      .flatMap((one) =>
        ['left', 'right'].flatMap((other) => [
          `legs plumb ${one} > tack ${other}`,
          `legs plumb ${one} > weld ${other}`,
        ]),
      )
      .sort(),
  );
});
