import { dewPointC, extraKind, extraMoney, planOrder, progressOf, shopJob, snapshotOf, type Bought } from '.';
import { draftOf, type OrderScene, type Plan, type TaskSaid } from '.';
import { aPart, aRepair, emptyScene, frameFor } from './scene-for-tests';

const stamp = { id: '00000000-0000-4000-8000-000000000001', by: 'RK', at: '2026-11-20T08:00:00Z', note: '' };
const done = (taskId: string): TaskSaid => ({ kind: 'task', ...stamp, taskId, title: taskId, is: 'done' });
const scene: OrderScene = { ...emptyScene(), repairs: [aRepair()], closedIds: new Set(['rail-right']) };
const plan = planOrder(scene);
const kept = (said: readonly TaskSaid[] = [], bought: readonly Bought[] = [], of: Plan = plan) =>
  snapshotOf(of, progressOf(of, said, new Map(), 0), ({ what, of: { id } }) => `${what} ${id}`, bought);

describe('a plan as it is kept for the calendar', () => {
  test('is what is still open, in its order, each with what it waits for among that', () => {
    const all = kept();
    expect(all.map(({ id }) => id)).toEqual(plan.tasks.map(({ id }) => id));
    const left = kept([done('wheelbase unit'), done('look inside r1')]);
    expect(left).toHaveLength(all.length - 2);
    for (const [k, { after }] of left.entries()) {
      expect(after.every((before) => before < k)).toBe(true);
      expect(new Set(after).size).toBe(after.length);
    }
    const named = (id: string) => {
      const task = left.find((each) => each.id === id)!;
      return task.after.map((k) => left[k]!.id);
    };
    expect(named('weld r1')).toContain('tack r1');
    // What it waited for is done: it waits for the rest.
    expect(named('final cut r1')).not.toContain('look inside r1');
    expect(named('final cut r1')).toContain('set stands unit');
  });
  test('with hours, hands, who welds, what is at the bench, what it waits after', () => {
    const of = (id: string) => kept().find((each) => each.id === id)!;
    expect(of('weld r1')).toMatchObject({
      hands: 2,
      welds: true,
      thenWaitH: 1,
      zoneId: 'D',
      hours: [0.85, 2.55],
    });
    expect(of('make plate r1')).toMatchObject({ atBench: true, hands: 1 });
    expect(of('clear D').tail).toEqual({ chance: 0.5, hours: [0.5, 4] });
    expect(of('diagonals unit')).not.toHaveProperty('zoneId');
    expect(of('fit r1')).not.toHaveProperty('welds');
    expect(of('fit r1')).not.toHaveProperty('thenWaitH');
  });
  test('a title is no longer than a hundred and sixty letters', () => {
    const long = snapshotOf(plan, progressOf(plan, [], new Map(), 0), () => 'x'.repeat(200), []);
    expect(long[0]!.title).toHaveLength(160);
  });
  const steel = (is: Bought['is'], due?: string): Bought => ({
    ...{ kind: 'bought', ...stamp, key: 'steel 4.8', name: 'steel', is },
    ...(due !== undefined && { due }),
  });
  test.each([
    ['ordered, due', [steel('ordered', '2026-12-03')], '2026-12-03'],
    ['come', [steel('ordered', '2026-12-03'), steel('in')], undefined],
    ['put off', [steel('ordered', '2026-12-03'), steel('ordered', '2026-12-10')], '2026-12-10'],
    ['not ordered', [], undefined],
  ] as const)('steel %s: the plate is not before %s', (_what, bought, notBefore) => {
    const tasks = kept([], bought);
    expect(tasks.find(({ id }) => id === 'make plate r1')!.notBefore).toBe(notBefore);
    expect(tasks.find(({ id }) => id === 'fit r1')!.notBefore).toBeUndefined();
  });
  test('goes into the calendar with its slot, its length and the day it is needed, where there are any', () => {
    const tasks = kept();
    expect(shopJob({ id: 'j', plan: { tasks }, done: ['a'] })).toEqual({ id: 'j', tasks, done: ['a'] });
    const slot = { startOn: '2026-12-01', chance: 0.8 } as never;
    expect(
      shopJob({ id: 'j', plan: { tasks, lengthMm: 6000 }, slot, done: [], needBy: '2026-12-09' }),
    ).toMatchObject({ lengthMm: 6000, slot, needBy: '2026-12-09' });
  });
});

describe('loads that come off', () => {
  const frame = frameFor('open-channel ladder');
  const lines = (items: readonly object[], parts: OrderScene['parts'] = []) =>
    draftOf({
      ...emptyScene({
        ...frame,
        loads: { items: [...items], takenOff: ['payload', 'tank'], stands: [] } as never,
      }),
      repairs: [aRepair()],
      parts,
    })
      .tasks.filter(({ what }) => /load$/.test(what))
      .map(({ what, of, isFuel, test: tried }) =>
        [what, of.id, ...(isFuel ? ['fuel'] : []), ...(tried ? [tried] : [])].join(' '),
      );
  const load = (kind: string, more: object = {}) => ({
    ...{ id: kind, name: kind, kind, massKg: 100, fromMm: 0, toMm: 1000, leftShare: 0.5, ...more },
  });
  test('by kind or by name; a tank of fuel is fuel, and is tried for leaks when it is back', () => {
    expect(lines([load('payload'), load('body')])).toEqual([
      'take off load load payload',
      'put back load load payload',
    ]);
    expect(lines([load('tank', { holds: 'fuel' })])).toEqual([
      'take off load load tank fuel',
      'put back load load tank leak',
    ]);
    // Nobody said what it holds: it is taken for fuel. Water burns nothing.
    expect(lines([load('tank')])[0]).toBe('take off load load tank fuel');
    expect(lines([load('tank', { holds: 'fresh water' })])[0]).toBe('take off load load tank');
  });
  test('a tank that also hangs as a fitting comes off once, as that', () => {
    expect(lines([load('tank')], [aPart({ id: 't', kind: 'tank' })])).toEqual([]);
    expect(lines([load('payload')], [aPart({ id: 't', kind: 'tank' })])).toHaveLength(2);
  });
});

test('what the shop puts in itself stands in its stretch while there is one', () => {
  const own = (zoneId?: string) =>
    draftOf({
      ...scene,
      own: [{ id: 'o', what: 'wash', hours: [1, 2], before: 'refit', ...(zoneId && { zoneId }) }],
    }).tasks.find(({ what }) => what === 'own')!;
  expect(own('D')).toMatchObject({ id: 'own o', zoneId: 'D', hours: [1, 2], hands: 1, of: { name: 'wash' } });
  expect(own('Z').zoneId).toBeUndefined();
  expect(own().zoneId).toBeUndefined();
});

describe('more that was found', () => {
  test('comes to its hours by the shop’s rate, and what is bought on both ends', () =>
    expect(extraMoney([2, 3.5], 80, 40)).toEqual([200, 320]));
  test('on a member that is on the frame, or on none', () => {
    const fits = (memberId?: string) =>
      extraKind.fits(emptyScene().frame, { ...(memberId && { memberId }) } as never).ok;
    expect([fits('rail-left'), fits(), fits('mast')]).toEqual([true, true, false]);
  });
});

test('the dew point: 9.3 °C of 20 °C at half, its own temperature when full, none of air that is no air', () => {
  expect(dewPointC(20, 0.5)).toBeCloseTo(9.26, 1);
  expect(dewPointC(20, 1)).toBeCloseTo(20, 9);
  expect([0, -0.1, 1.01].map((humidity) => dewPointC(20, humidity))).toEqual([
    undefined,
    undefined,
    undefined,
  ]);
});
