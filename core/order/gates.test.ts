import {
  gatesOf,
  isOpen,
  planOrder,
  progressOf,
  shutBefore,
  type Gate,
  type GateScene,
  type OrderScene,
  type Permit,
  type Removal,
  type TaskSaid,
} from '.';
import type { Compared } from './gates/gate';
import { PERMIT_CHECKS } from './records';
import { aPart, aRepair, emptyScene } from './scene-for-tests';

const HOUR = 3_600_000;
const T0 = Date.parse('2026-11-20T08:00:00Z');
const at = (hours: number) => new Date(T0 + hours * HOUR).toISOString();
const id = '00000000-0000-4000-8000-000000000001';
const stamp = (hours: number) => ({ id, by: 'RK', at: at(hours), note: '' });

const FUEL = aPart({ id: 'tank', kind: 'tank', name: 'Tank', isFuel: true });
const said = (hours: number, taskId: string, is: TaskSaid['is'] = 'done'): TaskSaid => ({
  kind: 'task',
  ...stamp(hours),
  taskId,
  title: taskId,
  is,
});

function gatesWith(
  done: readonly TaskSaid[] = [],
  more: Partial<GateScene> = {},
  of: Partial<OrderScene> = {},
): Gate[] {
  const plan = planOrder({ ...emptyScene(), repairs: [aRepair()], parts: [aPart()], ...of });
  const nowMs = more.nowMs ?? T0 + 10 * HOUR;
  const progress = new Map(progressOf(plan, done, new Map(), nowMs).map((each) => [each.task.id, each]));
  return gatesOf({
    plan,
    progress,
    removals: [],
    said: [],
    permits: [],
    extras: [],
    answers: [],
    foundWhileOpen: new Map(),
    geometry: new Map(),
    heldSeams: new Map(),
    logged: new Set(),
    photographed: new Set(),
    watchMin: 60,
    nowMs,
    ...more,
  });
}
const lacks = (gates: readonly Gate[], gate: Gate['gate']) =>
  gates.filter((each) => each.gate === gate).flatMap((each) => each.lacks.map(({ code }) => code));

const PERMIT: Permit = {
  kind: 'permit',
  ...stamp(9),
  zoneId: 'D',
  is: 'given',
  checks: [...PERMIT_CHECKS],
  none: [],
  helper: 'TM',
  watchMin: 60,
};

describe('may it be raised', () => {
  const lift = { answer: 'Lift here', isStale: false, at: at(0) } as const;
  test.each([
    ['nobody asked', undefined, ['lift not asked']],
    ['asked, and here', lift, []],
    ['asked of what was known before', { ...lift, isStale: true }, ['lift asked before']],
    ['not here', { ...lift, answer: 'Not here' as const }, ['lift not here']],
    ['not known', { ...lift, answer: 'Not known' as const }, ['lift not here']],
  ])('%s', (_, answer, expected) =>
    expect(lacks(gatesWith([], answer ? { lift: answer } : {}), 'raise')).toEqual(expected),
  );
  test('not while it is cut open, and asked anew once it is welded', () => {
    const set = [said(1, 'set stands unit'), said(2, 'opening cut r1')];
    expect(lacks(gatesWith(set, { lift }), 'raise')).toEqual(['cut open']);
    const welded = [...set, said(5, 'look at welds r1')];
    expect(lacks(gatesWith(welded, { lift }), 'raise')).toEqual(['lift asked before']);
    expect(lacks(gatesWith(welded, { lift: { ...lift, at: at(6) } }), 'raise')).toEqual([]);
  });
  test('it holds the setting of stands, then their coming out; nobody forces it', () => {
    const [before] = gatesWith().filter(({ gate }) => gate === 'raise');
    expect(before).toMatchObject({ holds: ['set stands unit'], mayBeForced: false });
    const [after] = gatesWith([said(1, 'set stands unit')]).filter(({ gate }) => gate === 'raise');
    expect(after!.holds).toEqual(['stands out unit']);
  });
  test('where nothing is opened nobody raises anything for it', () =>
    expect(
      gatesWith([], {}, { repairs: [aRepair({ isCutOut: false })] }).some(({ gate }) => gate === 'raise'),
    ).toBe(false));
});

describe('hot work', () => {
  const removal = (isOutside?: boolean): Removal => ({
    kind: 'removal',
    ...stamp(3),
    partId: 'tank',
    name: 'Tank',
    place: 'yard',
    bag: '',
    fate: 'goes back',
    ...(isOutside !== undefined && { isOutside }),
  });
  const withTank = { parts: [FUEL] };
  test('no permit, no arc', () => expect(lacks(gatesWith(), 'hot work')).toEqual(['no permit']));
  test('a permit with every check opens it, for one shift', () => {
    const open = (hours: number) =>
      lacks(gatesWith([], { permits: [PERMIT], nowMs: T0 + (9 + hours) * HOUR }), 'hot work');
    expect(open(11.99)).toEqual([]);
    expect(open(12)).toEqual(['permit over']);
  });
  test('a check neither done nor said to be of nothing there is open', () => {
    const short = { ...PERMIT, checks: PERMIT_CHECKS.filter((each) => each !== 'cavity') };
    expect(lacks(gatesWith([], { permits: [short] }), 'hot work')).toEqual(['check open']);
    expect(lacks(gatesWith([], { permits: [{ ...short, none: ['cavity'] }] }), 'hot work')).toEqual([]);
  });
  test.each([
    ['never off', [], ['fuel not off']],
    ['off, nobody said where', [removal()], ['fuel not outside']],
    ['off, in the building', [removal(false)], ['fuel not outside']],
    ['off and outside', [removal(true)], []],
    ['outside, then recorded inside again', [removal(true), removal(false)], ['fuel not outside']],
  ])('fuel %s: ticked or not, the record decides', (_, removals, expected) =>
    expect(lacks(gatesWith([], { permits: [PERMIT], removals }, withTank), 'hot work')).toEqual(expected),
  );
  test('put back, it is fuel on the unit again, whatever was recorded when it came off', () => {
    const back = (hours: number) =>
      lacks(
        gatesWith([said(hours, 'put back tank')], { permits: [PERMIT], removals: [removal(true)] }, withTank),
        'hot work',
      );
    expect(back(4)).toEqual(['fuel not off']);
    expect(back(2)).toEqual([]);
  });
  test('the arc out, the permit is over and the watch runs', () => {
    const out: Permit = { ...PERMIT, id: 'x', at: at(9.5), is: 'arc out', permitId: PERMIT.id };
    const [gate] = gatesWith([], { permits: [PERMIT, out] }).filter((each) => each.gate === 'hot work');
    expect(gate!.lacks.map(({ code }) => code)).toEqual(['permit over']);
    expect(gate!.permit).toMatchObject({ arcOutAt: at(9.5), watchUntilMs: T0 + 10.5 * HOUR });
    expect(gate!.permit).not.toHaveProperty('watchedAt');
  });
  test('seams changed after it was given want another; one whose watch is shorter than asked is none', () => {
    const changed = (hours: number) =>
      lacks(gatesWith([], { permits: [PERMIT] }, { repairs: [aRepair({ at: at(hours) })] }), 'hot work');
    expect(changed(8.9)).toEqual([]);
    expect(changed(9.1)).toEqual(['seams changed']);
    const watched = (watchMin: number) =>
      lacks(gatesWith([], { permits: [{ ...PERMIT, watchMin }] }), 'hot work');
    expect(watched(60)).toEqual([]);
    expect(watched(59)).toEqual(['watch too short']);
  });
  test('said before its time is over, nothing was watched to the end', () => {
    const out: Permit = { ...PERMIT, id: 'x', at: at(8), is: 'arc out', permitId: PERMIT.id };
    const gateFor = (minutes: number) =>
      gatesWith([], {
        permits: [PERMIT, out, { ...out, id: 'y', at: at(8 + minutes / 60), is: 'watched' }],
      }).find(({ gate }) => gate === 'hot work')!;
    expect(gateFor(59).permit).not.toHaveProperty('watchedAt');
    expect(gateFor(60).permit).toHaveProperty('watchedAt');
  });
  test('withdrawn, it is shut', () => {
    const gone: Permit = { ...PERMIT, id: 'x', at: at(9.5), is: 'withdrawn', permitId: PERMIT.id };
    expect(lacks(gatesWith([], { permits: [PERMIT, gone] }), 'hot work')).toEqual(['permit withdrawn']);
  });
  describe('kept late by a phone that was out of reach', () => {
    const older = { ...PERMIT, id: 'older', at: at(8) };
    const newer = { ...PERMIT, id: 'newer', at: at(9.8) };
    const ends = (is: Permit['is'], permitId = PERMIT.id, hours = 9.5): Permit => ({
      ...PERMIT,
      ...{ id: `${is} ${permitId}`, at: at(hours), is, permitId },
    });
    const short = { ...older, checks: PERMIT_CHECKS.filter((each) => each !== 'cavity') };
    test.each<[string, Permit[], string[]]>([
      [
        'an older permit opens nothing that was withdrawn',
        [PERMIT, ends('withdrawn'), older],
        ['permit withdrawn'],
      ],
      ['nor while a watch runs', [PERMIT, ends('arc out'), older], ['permit over']],
      ['nor one whose arc is out by itself', [older, ends('arc out', 'older'), newer], []],
      ['one that lacks more shuts it', [PERMIT, short], ['check open']],
      ['an older one that lacks nothing shuts nothing', [PERMIT, older], []],
      ['one given later opens it', [PERMIT, ends('withdrawn'), newer], []],
    ])('%s', (_, permits, expected) =>
      expect(lacks(gatesWith([], { permits }), 'hot work')).toEqual(expected),
    );
    test('of two arcs out the watch is of the later', () => {
      const permits = [PERMIT, ends('arc out', PERMIT.id, 9.5), ends('arc out', PERMIT.id, 9.2)];
      const gate = gatesWith([], { permits }).find((each) => each.gate === 'hot work')!;
      expect(gate.permit).toMatchObject({ arcOutAt: at(9.5) });
    });
    test('an older word that fuel is outside does not carry it out; nor does its hour bring it back', () => {
      const open = (removals: Removal[], back: TaskSaid[] = []) =>
        lacks(gatesWith(back, { permits: [PERMIT], removals }, withTank), 'hot work');
      const off = (hours: number, isOutside: boolean) => ({ ...removal(isOutside), at: at(hours) });
      expect(open([off(5, false), off(4, true)])).toEqual(['fuel not outside']);
      expect(open([off(3, false), off(4, true)])).toEqual([]);
      expect(open([off(5, true), off(4, true)], [said(4.5, 'put back tank')])).toEqual([]);
      expect(open([off(5, true), off(4, true)], [said(5.5, 'put back tank')])).toEqual(['fuel not off']);
    });
  });
  test('nobody forces it', () =>
    expect(gatesWith().find(({ gate }) => gate === 'hot work')).toMatchObject({ mayBeForced: false }));
});

describe('the geometry is locked at the tack', () => {
  const TACKED_H = 2;
  const tacked = [said(TACKED_H, 'tack r1')];
  const thing = (movedBy: number, more: Partial<Compared> = {}): Compared => ({
    name: 'wheelbase, left',
    quantity: 'length',
    movedBy,
    limit: 3,
    ...more,
  });
  const geometry = (since: number, movedMm?: number, alsoMoved: readonly Compared[] = []) => ({
    geometry: new Map([['r1', { since, moved: movedMm === undefined ? [] : [thing(movedMm)], alsoMoved }]]),
  });
  const twist = (movedBy: number) => thing(movedBy, { name: 'level across', quantity: 'angle' });
  test.each([
    ['not tacked', [], {}, ['no measure since tack']],
    ['tacked, not measured', tacked, geometry(0), ['no measure since tack']],
    ['measured, nothing before it', tacked, geometry(1), ['no measure before']],
    ['measured, where it was', tacked, geometry(1, 3), []],
    ['measured, and it moved', tacked, geometry(1, 3.01), ['moved since before']],
    ['where it was, twisted within its limit', tacked, geometry(1, 3, [twist(3)]), []],
    ['where it was, and twisted', tacked, geometry(1, 3, [twist(3.01)]), ['moved since before']],
    [
      'not twisted, nothing else of it measured',
      tacked,
      geometry(0, undefined, [twist(0)]),
      ['no measure since tack'],
    ],
  ])('%s', (_, done, more, expected) => expect(lacks(gatesWith(done, more), 'geometry')).toEqual(expected));
  test('passed with a second signature and a reason, it is open and says so; not by one from before the tack', () => {
    const forced = (hours: number) => ({
      kind: 'gate' as const,
      ...stamp(hours),
      gate: 'geometry' as const,
      of: 'r1',
      is: 'forced' as const,
      second: 'TM',
    });
    const gateAt = (...hours: readonly number[]) =>
      gatesWith(tacked, { said: hours.map(forced) }).find(({ gate }) => gate === 'geometry')!;
    expect(isOpen(gateAt(3))).toBe(true);
    expect(gateAt(3).lacks).not.toEqual([]);
    expect(isOpen(gateAt(1))).toBe(false);
    expect(isOpen(gateAt(TACKED_H))).toBe(true);
    expect(isOpen(gateAt(TACKED_H - 0.01))).toBe(false);
    // One from before, kept late by a device that was out of reach, takes nothing back.
    expect(isOpen(gateAt(3, 1))).toBe(true);
  });
  test.each([
    [3, 3, true],
    [3, 3.01, false],
    [3, undefined, true],
    [1, undefined, false],
  ])('signed at %d h, what moved was seen at %s h: open %s', (signedH, seenH, isIt) => {
    const moved = thing(4, seenH === undefined ? {} : { seenOverAt: at(seenH) });
    const known = { geometry: new Map([['r1', { since: 1, moved: [moved], alsoMoved: [] }]]) };
    const of = {
      kind: 'gate' as const,
      gate: 'geometry' as const,
      of: 'r1',
      is: 'forced' as const,
      second: 'TM',
    };
    const gates = gatesWith(tacked, { ...known, said: [{ ...stamp(signedH), ...of }] });
    expect(isOpen(gates.find(({ gate }) => gate === 'geometry')!)).toBe(isIt);
  });
  test('signed for, moved further and welded: that it was passed stays on record', () => {
    const moved = thing(4, { seenOverAt: at(5) });
    const known = { geometry: new Map([['r1', { since: 1, moved: [moved], alsoMoved: [] }]]) };
    const forced = { gate: 'geometry' as const, of: 'r1', is: 'forced' as const, second: 'TM' };
    const more = { ...known, said: [{ kind: 'gate' as const, ...stamp(3), ...forced }] };
    const gateAfter = (...done: readonly TaskSaid[]) =>
      gatesWith([...tacked, ...done], more).find(({ gate }) => gate === 'geometry')!;
    expect(isOpen(gateAfter())).toBe(false);
    expect(gateAfter(said(6, 'weld r1')).forced).toMatchObject({ second: 'TM' });
  });
  test('an overlay on a whole rail has no such gate', () =>
    expect(lacks(gatesWith([], {}, { repairs: [aRepair({ isCutOut: false })] }), 'geometry')).toEqual([]));
});

describe('cool before it is looked at', () => {
  const welded = [said(9, 'weld r1')];
  const cool = (hours: number, surfaceC?: number) =>
    lacks(
      gatesWith(welded, {
        nowMs: T0 + (9 + hours) * HOUR,
        said:
          surfaceC === undefined
            ? []
            : [{ kind: 'gate', ...stamp(9.1), gate: 'cool', of: 'r1', is: 'measured', second: '', surfaceC }],
      }),
      'cool',
    );
  test('by the clock', () => {
    expect(cool(0.99)).toEqual(['still warm']);
    expect(cool(1)).toEqual([]);
  });
  test('by a thermometer, whatever the clock says', () => {
    expect(cool(0.2, 52)).toEqual([]);
    expect(cool(5, 53)).toEqual(['too hot']);
  });
});

describe('nothing is covered unseen', () => {
  const looked = [said(9, 'look at welds r1')];
  test.each([
    ['not looked at', [], {}, ['seam not looked at']],
    ['ticked without a photo', looked, {}, ['no photo']],
    ['ticked, photographed', looked, { photographed: new Set(['look at welds r1']) }, []],
    [
      'ticked, and the log holds a seam',
      looked,
      { heldSeams: new Map([['r1', 1]]), logged: new Set(['r1']) },
      ['seam not looked at'],
    ],
    ['in the log, all good', [], { logged: new Set(['r1']) }, []],
  ])('%s', (_, done, more, expected) => expect(lacks(gatesWith(done, more), 'look')).toEqual(expected));
});

describe('coat now, or wait', () => {
  const air = (surfaceC: number, airC: number, humidity: number, hours = 9, of = 'D') =>
    lacks(
      gatesWith([], {
        said: [
          {
            kind: 'gate',
            ...stamp(hours),
            gate: 'coat',
            of,
            is: 'measured',
            second: '',
            surfaceC,
            airC,
            humidity,
          },
        ],
      }),
      'coat',
    );
  test.each([
    ['fine', [20, 20, 0.5], []],
    // Dew point of 20 °C at 70 % is 14.4 °C.
    ['three kelvin above', [17.5, 20, 0.7], []],
    ['a little less', [17.2, 20, 0.7], ['near dew point']],
    ['at 85 %', [25, 20, 0.85], []],
    ['over it', [25, 20, 0.86], ['too damp']],
    ['at 5 °C', [5, 8, 0.4], []],
    ['colder', [4.9, 8, 0.4], ['too cold']],
  ] as const)('%s', (_, [surface, airC, humidity], expected) =>
    expect(air(surface, airC, humidity)).toEqual([...expected]),
  );
  test('dry air of before, kept late by a phone out of reach, dries no wet air of since', () => {
    const of = (hours: number, humidity: number) => ({
      ...({ kind: 'gate', gate: 'coat', of: 'D', is: 'measured', second: '' } as const),
      ...stamp(hours),
      ...{ surfaceC: 25, airC: 20, humidity },
    });
    const coat = (...airs: ReturnType<typeof of>[]) => lacks(gatesWith([], { said: airs }), 'coat');
    expect(coat(of(9, 0.9), of(8, 0.5))).toEqual(['too damp']);
    expect(coat(of(8, 0.9), of(9, 0.5))).toEqual([]);
  });
  test('measured at another zone it is not measured here', () => {
    expect(air(20, 20, 0.5, 9, 'A')).toEqual(['air not measured']);
  });
  test('measured four hours ago it is asked again', () => {
    expect(air(20, 20, 0.5, 6.01)).toEqual([]);
    expect(air(20, 20, 0.5, 6)).toEqual(['air not measured']);
    expect(lacks(gatesWith(), 'coat')).toEqual(['air not measured']);
  });
});

test.each([
  ['just now', 10, true],
  ['within four hours', 6.01, true],
  ['four hours ago', 6, false],
])('coated all the same, said %s: it still holds %p', (_, hours, holds) => {
  const forced = {
    kind: 'gate' as const,
    ...stamp(hours),
    gate: 'coat' as const,
    of: 'D',
    is: 'forced' as const,
    second: 'TM',
  };
  const coat = gatesWith([], { said: [forced] }).find(({ gate }) => gate === 'coat')!;
  expect(coat.forced !== undefined).toBe(holds);
});

describe('cured before anything goes back', () => {
  const cured = (hours: number) =>
    lacks(gatesWith([said(0, 'outside coat D')], { nowMs: T0 + hours * HOUR }), 'cure');
  test.each([
    ['inside coat', 'outside coat'],
    ['outside coat', 'inside coat'],
  ])('of two coats the later counts: %s, then %s', (first, second) => {
    const id = (what: string) => (what === 'inside coat' ? 'inside coat rail-right' : 'outside coat D');
    const at = (hours: number) =>
      lacks(
        gatesWith(
          [said(0, id(first)), said(10, id(second))],
          { nowMs: T0 + hours * HOUR },
          { closedIds: new Set(['rail-right']) },
        ),
        'cure',
      );
    expect(at(33.9)).toEqual(['not cured']);
    expect(at(34)).toEqual([]);
  });
  test('a day after the last coat', () => {
    expect(cured(23.9)).toEqual(['not cured']);
    expect(cured(24)).toEqual([]);
    expect(lacks(gatesWith(), 'cure')).toEqual(['not cured']);
  });
});

describe('a gate that holds nothing any more', () => {
  const all = ['opening cut r1', 'final cut r1', 'tack r1', 'weld r1'].map((each, k) => said(k, each));
  const kinds = (more: Partial<GateScene>) => gatesWith(all, more).map(({ gate }) => gate);
  test('is not listed; but where it was passed against what it lacked, or its fire is still watched', () => {
    expect(kinds({})).not.toContain('hot work');
    expect(kinds({})).not.toContain('geometry');
    const arcOut: Permit = { ...PERMIT, id: 'x', at: at(9.5), is: 'arc out', permitId: PERMIT.id };
    const watched: Permit = { ...arcOut, id: 'y', at: at(10.5), is: 'watched' };
    expect(kinds({ permits: [PERMIT, arcOut] })).toContain('hot work');
    expect(kinds({ permits: [PERMIT, arcOut, watched] })).not.toContain('hot work');
    const forced = {
      kind: 'gate' as const,
      ...stamp(9),
      gate: 'geometry' as const,
      of: 'r1',
      is: 'forced' as const,
      second: 'TM',
    };
    expect(kinds({ said: [forced] })).toContain('geometry');
  });
});

describe('the owner’s yes', () => {
  const extra = (hours: number, grows: boolean, extraId = 'x1') => ({
    kind: 'extra' as const,
    ...stamp(hours),
    id: extraId,
    zoneId: 'D',
    grows,
    what: 'second layer',
    hours: [1, 2] as [number, number],
    money: [0, 0] as [number, number],
  });
  const found = { foundWhileOpen: new Map([['D', { count: 2, at: at(5) }]]) };
  test.each([
    ['nothing found', {}, []],
    ['found, nobody said what it changes', found, ['found, not answered']],
    ['said before it was found', { ...found, extras: [extra(4, false)] }, ['found, not answered']],
    ['said: nothing changes', { ...found, extras: [extra(6, false)] }, []],
    ['it grows, the owner not asked', { ...found, extras: [extra(6, true)] }, ['owner not asked']],
    [
      'it grows, the owner answered',
      {
        ...found,
        extras: [extra(6, true)],
        answers: [
          {
            kind: 'extra answer' as const,
            ...stamp(7),
            extraId: 'x1',
            answer: 'no' as const,
            who: 'owner',
            how: 'by telephone' as const,
          },
        ],
      },
      [],
    ],
  ])('%s', (_, more, expected) => expect(lacks(gatesWith([], more), 'owner')).toEqual(expected));
  test('asked of a stretch that is no longer planned, it is not forgotten', () =>
    expect(lacks(gatesWith([], { extras: [{ ...extra(6, true), zoneId: 'Q' }] }), 'owner')).toEqual([
      'owner not asked',
    ]));
  test('the zone stands still, but for looking further', () => {
    const gates = gatesWith([], found);
    expect(shutBefore(gates, 'final cut r1').map(({ gate }) => gate)).toContain('owner');
    expect(shutBefore(gates, 'look inside r1').map(({ gate }) => gate)).not.toContain('owner');
  });
});
