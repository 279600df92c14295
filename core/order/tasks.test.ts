import { WORK_IDS, type WorkId } from '../shape';
import { draftOf, type OrderScene, type Task } from '.';
import { aPart, aRenewal, aRepair, aWork, emptyScene, frameFor } from './scene-for-tests';

/** Norms that tell by their figure which of them an hour came from; the most is ten times the least. */
const NORMS = {
  ...emptyScene().norms,
  stripDown: [1, 10],
  makeReady: [2, 20],
  plate: [3, 30],
  weldPerMetre: [5, 50],
  crackWelded: [7, 70],
  splice: [11, 110],
  crossmember: [13, 130],
  fitting: [17, 170],
  boltedPlate: [19, 190],
  straighten: [23, 230],
  coating: [29, 290],
} satisfies OrderScene['norms'];
const scene = (more: Partial<OrderScene>): OrderScene => ({ ...emptyScene(), norms: NORMS, ...more });

/** A task in a line: what, its least hours, hands where two, and what it needs or leaves behind. */
const line = ({ what, hours, hands, ...task }: Task): string =>
  [
    what,
    Number(hours[0].toFixed(4)),
    ...(hands === 2 ? ['two'] : []),
    ...(task.isHot ? ['hot'] : []),
    ...(task.needsWelder ? ['welder'] : []),
    ...(task.thenWaitH ? [`waits ${task.thenWaitH}`] : []),
    ...(task.atBench ? ['bench'] : []),
    ...(task.covers ? ['covers'] : []),
    ...(task.axleOut ? ['axle out'] : []),
    ...(task.isFuel ? ['fuel'] : []),
    ...(task.breaks ? ['breaks'] : []),
    ...(task.test ? [task.test] : []),
    ...(task.tail ? ['tail'] : []),
    ...(task.partKey ? [`for ${task.partKey}`] : []),
  ].join(' ');
const linesOf = (of: Partial<OrderScene>, ofId: string): string[] =>
  draftOf(scene(of))
    .tasks.filter((task) => task.of.id === ofId)
    .map(line);
const whats = (of: Partial<OrderScene>): string[] => draftOf(scene(of)).tasks.map(({ what }) => what);

describe('a repair’s steps, by the norms for making ready, a plate, its weld', () => {
  const WELDED = [
    'bright metal 0.7',
    'make plate 3.6 bench for steel 4.8',
    'fit 2.4 two covers',
    'tack 1.5 two hot welder',
    'weld 8.5 two hot welder waits 1',
    'look at welds 0.2',
  ];
  test.each([
    ['cut out', {}, ['opening cut 0.6 hot', 'look inside 0.1', 'final cut 0.7 hot', ...WELDED]],
    ['laid over', { isCutOut: false }, WELDED],
    [
      'bought',
      { isCutOut: false, isBought: true },
      ['bright metal 0.7', 'fit 2.4 two covers for kit r1', ...WELDED.slice(3)],
    ],
    [
      'bolted',
      { isCutOut: false, isBolted: true },
      ['bright metal 0.7', 'make plate 13.3 bench for steel 4.8', 'drill 15.2', 'bolt up 9.5 two covers'],
    ],
    [
      'bought and bolted',
      { isCutOut: false, isBolted: true, isBought: true },
      ['bright metal 0.7', 'drill 15.2 for kit r1', 'bolt up 9.5 two covers'],
    ],
  ] as const)('%s: two plates, two metres', (_what, more, expected) =>
    expect(linesOf({ repairs: [aRepair({ plates: 2, weldM: 2, ...more })] }, 'r1')).toEqual(expected),
  );
});

test('a crack: ends found, welded, looked at once it is cool', () =>
  expect(
    linesOf({ cracks: [{ id: 'c1', memberId: 'rail-left', fromMm: 900, toMm: 950, weldM: 0.1 }] }, 'c1'),
  ).toEqual(['crack ends 3.5', 'crack weld 3.5 two hot welder waits 1', 'look at crack 0.2']));

test('a crossmember renewed, its tube waited for at the bench', () =>
  expect(linesOf({ renewals: [aRenewal({ fromMm: 2400, toMm: 2500 })] }, 'renewal cross-3')).toEqual([
    'old out 4.55 two hot',
    'make parts 2.6 bench for length tube Crossmember 3',
    'fit 1.95 two',
    'tack 0.65 two hot welder',
    'weld 3.25 two hot welder waits 1',
    'look at welds 0.2',
  ]));

describe('a work’s steps', () => {
  // 0.4 m of weld at 5 h a metre; two parts at 3 h each; a bracket’s 17 h where something comes out first.
  const [TACK, WELD] = ['tack 0.3 two hot welder', 'weld 1.7 two hot welder waits 1'];
  const ENDED = [TACK, WELD, 'look at welds 0.2'];
  const OUT = ['old out 5.95 hot', 'make parts 3.6 bench'];
  const ON = ['bright metal 0.7', 'make parts 3.6 bench'];
  const SPECIAL: Partial<Record<WorkId, readonly string[]>> = {
    straightening: ['pull into line 23 two'],
    'captive mount': [...OUT, 'dry fit 1.2', 'fit 2.4 two covers', ...ENDED],
    'leg structure': [...OUT, 'shaft in 1.2', 'second plate 2.4 two covers', 'legs plumb 0.2', ...ENDED],
    splice: [
      'old out 3.85 hot',
      'make parts 2.2 bench',
      'fit 1.65 two covers',
      'tack 0.55 two hot welder',
      'weld 2.75 two hot welder waits 1',
      'look at welds 0.2',
    ],
  };
  const TAKES_OUT = ['bracket renewed', 'bracket trimmed', 'access opening', 'sheet patch'];
  test.each(WORK_IDS)('%s, welded', (form) =>
    expect(
      linesOf({ works: [aWork({ form, weldM: 0.4, parts: 2 })] }, 'w1').filter(
        (each) => !/^bolt len/.test(each),
      ),
    ).toEqual(SPECIAL[form] ?? [...(TAKES_OUT.includes(form) ? OUT : ON), 'fit 2.4 two covers', ...ENDED]),
  );
  test('without weld it is bolted up, by the norm for bolting; bonded, by a share of a bracket', () => {
    const last = (more: object) => linesOf({ works: [aWork({ weldM: 0, parts: 2, ...more })] }, 'w1').at(-1);
    expect(last({})).toBe('bolt up 9.5');
    expect(last({ parts: 0 })).toBe('bolt up 4.75');
    expect(last({ isBonded: true })).toBe('bond 5.1');
    expect(last({ form: 'splice' })).toBe('bolt up 3.3');
    expect(last({ weldM: 0.001 })).toBe('look at welds 0.2');
  });
  test('an axle is out from when its place comes off; only metal made bright leaves it in', () => {
    const first = (more: object) =>
      linesOf({ works: [aWork({ carries: ['axle location'], weldM: 0.4, ...more })] }, 'w1')[0];
    expect(first({})).toBe('old out 5.95 hot axle out');
    expect(first({ form: 'gusset' })).toBe('bright metal 0.7');
    expect(first({ carries: ['suspension load'] })).toBe('old out 5.95 hot');
  });
});

describe('what comes off and goes back', () => {
  const off = (more: Parameters<typeof aPart>[0], repair: Parameters<typeof aRepair>[0] = {}) =>
    linesOf({ repairs: [aRepair(repair)], parts: [aPart({ id: 'p', ...more })] }, 'p');
  // A strip-down of 1 h is shared with what is on nobody’s list (weight 1), then half off, 0.38 back, 0.12 tried.
  const shares = (weight: number) => {
    const of = (part: number) => Number(((weight / (1 + weight)) * part).toFixed(4));
    return { off: of(0.5), back: of(0.38), test: of(0.12) };
  };
  test.each([
    ['tank', 4, 'leak', ' two', ''],
    ['tank strap', 1, 'function', '', ' breaks'],
    ['line', 2, 'leak', '', ' breaks'],
    ['harness', 1.5, 'light', '', ''],
    ['exhaust', 2, 'leak', '', ' breaks'],
    ['spare carrier', 1, 'function', '', ' breaks'],
    ['skid-plate mount', 1, 'function', '', ' breaks'],
    ['panel', 3, 'leak', ' two', ' breaks'],
  ] as const)(
    '%s, wherever it hangs in the stretch: weight %s, tried for %s',
    (kind, weight, test, two, breaks) => {
      const { off: offH, back, test: testH } = shares(weight);
      expect(off({ kind })).toEqual([
        `take off ${offH}${two}${breaks} tail`,
        `put back ${back}${two} covers`,
        `test ${testH} ${test}`,
      ]);
    },
  );

  test.each(['bracket', 'shock mount', 'body mount'] as const)(
    '%s: only where a plate asks for it, as a bracket of weight 2',
    (kind) => {
      expect(off({ kind })).toEqual([]);
      const { off: offH, back, test } = shares(2);
      expect(off({ kind }, { offAndBack: ['p'] })).toEqual([
        `take off ${offH} breaks tail`,
        `put back ${back} covers`,
        `test ${test} function`,
      ]);
    },
  );

  test.each([
    'spring hanger',
    'spring seat',
    'spring bucket',
    'equaliser',
    'control arm',
    'captive mount',
  ] as const)('%s locates an axle: out until it is fixed again, before any coat', (kind) => {
    const { off: offH, back, test } = shares(2);
    expect(off({ kind }, { offAndBack: ['p'] })).toEqual([
      `take off ${offH} axle out breaks tail`,
      `refix ${back} covers`,
      `test ${test} function`,
    ]);
  });

  test('what is welded on is cut loose and welded back, and looked at when it is cool', () => {
    const { off: offH, back, test } = shares(2);
    expect(off({ kind: 'bracket', isWelded: true }, { offAndBack: ['p'] })).toEqual([
      `take off ${offH} hot breaks tail`,
      `refix ${back} two hot welder waits 1 covers`,
      'look at welds 0.2',
      `test ${test} function`,
    ]);
  });

  test('fuel comes out as fuel; far off it takes four tenths of a strip-down', () => {
    expect(off({ kind: 'tank', isFuel: true })[0]).toBe('take off 0.4 two fuel tail');
    expect(off({ kind: 'tank', isFuel: true, fromMm: 6000, toMm: 6000 })[0]).toBe('take off 0.2 two fuel');
    expect(off({ kind: 'tank', fromMm: 6000, toMm: 6000 })).toEqual([]);
  });

  test('what may seize hangs on the heaviest part; where nothing comes off, on clearing the stretch', () => {
    const tailed = (parts: OrderScene['parts']) =>
      draftOf(scene({ repairs: [aRepair()], parts }))
        .tasks.filter(({ tail }) => tail)
        .map(({ what, of }) => `${what} ${of.id}`);
    expect(tailed([])).toEqual(['clear zone D']);
    expect(tailed([aPart({ id: 'a', kind: 'harness' }), aPart({ id: 'b', kind: 'panel' })])).toEqual([
      'take off b',
    ]);
  });

  test('a part that hangs in two stretches comes off once', () => {
    const two = { repairs: [aRepair(), aRepair({ id: 'r2', fromMm: 3700, toMm: 4000 })] };
    const lying = { ...two, parts: [aPart({ id: 'p', kind: 'panel', fromMm: 2000, toMm: 4000 })] };
    expect(linesOf(lying, 'p')).toHaveLength(3);
  });

  test('a battery is off for an arc only, where there is one', () => {
    const has = (repair: object, of: Partial<OrderScene> = {}) =>
      whats({ repairs: [aRepair(repair)], ...of }).filter((what) => /^battery/.test(what));
    expect(has({})).toEqual(['battery off', 'battery on']);
    expect(has({ isBolted: true, isCutOut: false })).toEqual([]);
    const [frame] = [frameFor('open-channel ladder')];
    const noEngine = {
      ...frame.loads!,
      items: frame.loads!.items.filter(({ kind }) => !/engine|cab|house/.test(kind)),
    };
    expect(has({}, { frame: { ...frame, loads: noEngine } })).toEqual([]);
  });

  test.each([
    ['plates welded', { repairs: [aRepair()] }, true],
    ['plates bolted', { repairs: [aRepair({ isBolted: true, isCutOut: false })] }, false],
    ['a crack', { cracks: [{ id: 'c', memberId: 'rail-left', fromMm: 1, toMm: 2, weldM: 0.1 }] }, true],
    ['a crossmember', { renewals: [aRenewal({ name: 'C', fromMm: 1, toMm: 2 })] }, true],
    ['a work with weld', { works: [aWork({ weldM: 0.01 })] }, true],
    ['a work without', { works: [aWork({ weldM: 0 })] }, false],
  ] as const)('%s: an arc is struck: %s', (_what, of, strikes) =>
    expect(whats(of).includes('battery off')).toBe(strikes),
  );
});

describe('stands are set where the frame is opened', () => {
  test.each([
    ['metal cut out', { repairs: [aRepair()] }, true],
    ['plates laid over', { repairs: [aRepair({ isCutOut: false })] }, false],
    ['a crossmember renewed', { renewals: [aRenewal({ name: 'C', fromMm: 1, toMm: 2 })] }, true],
    [
      'pulled into line',
      { aligns: [{ id: 'a', name: 'A', memberId: 'rail-left', fromMm: 1, toMm: 2 }] },
      true,
    ],
    ['a work with weld', { works: [aWork({ weldM: 0.01 })] }, true],
    ['a work without', { works: [aWork({ weldM: 0 })] }, false],
    ['a length let in, bolted', { works: [aWork({ weldM: 0, form: 'splice' })] }, true],
  ] as const)('%s: %s', (_what, of, isOpened) => {
    expect(whats(of).filter((what) => /stands/.test(what))).toEqual(
      isOpened ? ['set stands', 'stands out'] : [],
    );
  });
});

describe('measured before, and again after', () => {
  const measured = (of: Partial<OrderScene>) =>
    draftOf(scene(of))
      .tasks.filter(({ what }) =>
        /wheelbase|diagonals|ride height|laser|part places|bolt lengths|flex|photos|measure again|drive|torque/.test(
          what,
        ),
      )
      .map((task) => `${line(task)}: ${task.of.id}`);
  test('of a ladder with axles and steering: all of it, once', () =>
    expect(measured({ repairs: [aRepair()] })).toEqual([
      'wheelbase 0.2 two: unit',
      'ride height 0.2: unit',
      'diagonals 0.2 two: unit',
      'laser marks 0.2: rail-right',
      'steering flex 0.2 two: unit',
      'photos before 0.1: zone D',
      'measure again 0.2 two: unit',
      'flex again 0.2 two: unit',
      'photos after 0.1: unit',
      'drive 0.3: unit',
    ]));
  test('without axles and steering, neither', () => {
    const frame = frameFor('open-channel ladder');
    const bare = {
      ...frame,
      fittings: frame.fittings.filter(({ kind }) => kind !== 'axle' && kind !== 'steering gear'),
    };
    expect(measured({ frame: bare, repairs: [aRepair()] }).join()).not.toMatch(/wheelbase|ride height|flex/);
  });
  test('members that are cut or bent back get marks; crossmembers and what is only worked on do not', () => {
    const marked = (of: Partial<OrderScene>) =>
      draftOf(scene(of)).tasks.flatMap((task) => (task.what === 'laser marks' ? [task.of.id] : []));
    expect(marked({ works: [aWork()] })).toEqual([]);
    expect(marked({ works: [aWork({ form: 'splice' })] })).toEqual(['rail-right']);
    expect(marked({ aligns: [{ id: 'a', name: 'A', memberId: 'rail-left', fromMm: 1, toMm: 2 }] })).toEqual([
      'rail-left',
    ]);
    expect(marked({ repairs: [aRepair({ memberId: 'cross-3' })] })).toEqual([]);
  });
  test.each([
    ['spring hanger', true],
    ['bracket', true],
    ['tank strap', true],
    ['landing leg', true],
    ['coupler', true],
    ['line', false],
    ['harness', false],
    ['tank', false],
    ['exhaust', false],
  ] as const)('%s has a measured place: %s', (kind, has) =>
    expect(whats({ repairs: [aRepair()], parts: [aPart({ kind })] }).includes('part places')).toBe(has),
  );
  test('bolt lengths of captive mounts; bolts gone round once more where something was bolted', () => {
    expect(whats({ works: [aWork({ form: 'captive mount' })] })).toContain('bolt lengths');
    expect(whats({ works: [aWork()] })).not.toContain('bolt lengths');
    const again = (of: Partial<OrderScene>) => whats(of).includes('torque again');
    expect(again({ repairs: [aRepair()] })).toBe(false);
    expect(again({ repairs: [aRepair({ isBolted: true })] })).toBe(true);
    expect(again({ works: [aWork()] })).toBe(true);
    expect(again({ repairs: [aRepair()], parts: [aPart()] })).toBe(true);
  });
});

describe('coats, by one norm a member: four tenths inside, six outside', () => {
  const coats = (of: Partial<OrderScene>) =>
    draftOf(scene(of))
      .tasks.filter(({ what }) => /coat$/.test(what))
      .map((task) => `${line(task)}: ${task.of.id}`);
  test('an open member outside for the whole of it, a closed one inside as well', () => {
    expect(coats({ repairs: [aRepair()] })).toEqual(['outside coat 29 waits 24 covers: zone D']);
    expect(coats({ repairs: [aRepair()], closedIds: new Set(['rail-right']) })).toEqual([
      'inside coat 11.6 waits 24 covers: rail-right',
      'outside coat 17.4 waits 24 covers: zone D',
    ]);
  });
  test('a member of two stretches is coated in the first; the second is gone over for half a norm', () => {
    const two = [aRepair(), aRepair({ id: 'r2', fromMm: 5000, toMm: 5500 })];
    expect(coats({ repairs: two, closedIds: new Set(['rail-right']) })).toEqual([
      'inside coat 11.6 waits 24 covers: rail-right',
      'outside coat 17.4 waits 24 covers: zone D',
      'outside coat 14.5 waits 24 covers: zone I',
    ]);
  });
  test('whatever is worked on is coated: plates, cracks, works, renewals, what was pulled straight', () => {
    const at = { fromMm: 2000, toMm: 2100 };
    expect(
      coats({
        repairs: [aRepair(at)],
        cracks: [{ ...at, id: 'c', memberId: 'rail-left', weldM: 0.1 }],
        works: [aWork({ ...at, memberId: 'cross-1' })],
        renewals: [aRenewal({ ...at, memberId: 'cross-2', name: 'C' })],
        aligns: [
          { ...at, id: 'a', name: 'A', memberId: 'cross-4' },
          { ...at, id: 'b', name: 'B' },
        ],
      }),
    ).toEqual([`outside coat ${5 * 29} waits 24 covers: zone D`]);
  });
});

describe('what was asked for, and what rolls between', () => {
  const extra = { id: 'x', zoneId: 'D', memberId: 'rail-right', what: 'a layer', hours: [1, 2] as const };
  test('an extra is a task once it is granted', () => {
    const of = (isGranted: boolean) =>
      linesOf({ repairs: [aRepair()], extras: [{ ...extra, isGranted }] }, 'x');
    expect(of(true)).toEqual(['extra 1']);
    expect(of(false)).toEqual([]);
  });
  test('it stands on its member at the front of its stretch; of a stretch nobody plans any more, nowhere', () => {
    const task = (zoneId: string) =>
      draftOf(scene({ repairs: [aRepair()], extras: [{ ...extra, zoneId, isGranted: true }] })).tasks.find(
        ({ what }) => what === 'extra',
      )!;
    expect(task('D')).toMatchObject({ zoneId: 'D', memberId: 'rail-right', stationMm: 2000 });
    expect(task('Z').zoneId).toBeUndefined();
    expect(task('Z').memberId).toBeUndefined();
  });
  test.each([
    ['after the first of two', 'D', ['refit for transit 0.5 two', 'move it 0.5 two', 'strip again 0.5 two']],
    ['after the last', 'I', []],
    ['after one there is not', 'Z', []],
    ['not at all', undefined, []],
  ] as const)('moved %s', (_when, transitAfter, expected) => {
    const repairs = [aRepair(), aRepair({ id: 'r2', fromMm: 5000, toMm: 5500 })];
    expect(
      draftOf(scene({ repairs, ...(transitAfter && { transitAfter }) }))
        .tasks.filter(({ what }) => /transit|move it|strip again/.test(what))
        .map(line),
    ).toEqual(expected);
  });
});

test('the most of each is by the same share of its norm', () => {
  const { tasks } = draftOf(
    scene({ repairs: [aRepair()], works: [aWork()], parts: [aPart()], closedIds: new Set(['rail-right']) }),
  );
  const ofNorm = tasks.filter(({ what }) =>
    /cut$|bright|make|^fit|tack|^weld|take off$|put back$|^test|coat|clear|old out/.test(what),
  );
  expect(ofNorm.length).toBeGreaterThan(15);
  for (const { hours } of ofNorm) expect(hours[1]).toBeCloseTo(10 * hours[0], 9);
});
