import { openRefits, planOrder, progressOf, type Fact, type TaskSaid } from '.';
import { aPart, aRepair, emptyScene } from './scene-for-tests';

const HOUR = 3_600_000;
const T0 = Date.parse('2026-11-20T08:00:00Z');
const at = (hours: number) => new Date(T0 + hours * HOUR).toISOString();
const say = (hours: number, taskId: string, is: TaskSaid['is'], by = 'RK'): TaskSaid => ({
  kind: 'task',
  id: `${taskId} ${hours} ${by}`,
  by,
  at: at(hours),
  note: is === 'not needed' ? 'why' : '',
  taskId,
  title: taskId,
  is,
});
const plan = planOrder({ ...emptyScene(), repairs: [aRepair()], parts: [aPart()] });
const of = (said: TaskSaid[], taskId: string, facts = new Map<string, Fact>(), now = 20) =>
  progressOf(plan, said, facts, T0 + now * HOUR).find(({ task }) => task.id === taskId)!;

describe('how far a task is', () => {
  test.each([
    [[], 'open'],
    [[say(1, 'clear D', 'started')], 'started'],
    [[say(1, 'clear D', 'started'), say(2, 'clear D', 'stopped')], 'started'],
    [[say(1, 'clear D', 'done')], 'done'],
    [[say(1, 'clear D', 'not needed')], 'not needed'],
    [[say(1, 'clear D', 'done'), say(2, 'clear D', 'again')], 'open'],
    [[say(1, 'clear D', 'done'), say(2, 'clear D', 'again'), say(3, 'clear D', 'done')], 'done'],
  ] as const)('%j: %s', (said, state) => expect(of([...said], 'clear D').state).toBe(state));
  test.each([
    [
      'again after done, by a clock that is slow',
      [say(5, 'clear D', 'done'), say(4, 'clear D', 'again')],
      'open',
    ],
    ['again before it was done, kept late', [say(3, 'clear D', 'done'), say(4, 'clear D', 'again')], 'open'],
    [
      'done before it was opened again, kept late',
      [say(4, 'clear D', 'again'), say(3, 'clear D', 'done')],
      'open',
    ],
    [
      'done once more since, by both',
      [say(5, 'clear D', 'done'), say(4, 'clear D', 'again'), say(6, 'clear D', 'done')],
      'done',
    ],
    [
      'not needed, and opened again by a slow clock',
      [say(5, 'clear D', 'not needed'), say(4, 'clear D', 'again')],
      'open',
    ],
  ] as const)('where clock and keeping disagree: %s', (_, said, state) =>
    expect(of([...said], 'clear D').state).toBe(state),
  );
  test('finished twice it counts once, and says so', () => {
    const twice = of([say(1, 'clear D', 'done'), say(2, 'clear D', 'done', 'TM')], 'clear D');
    expect(twice).toMatchObject({ state: 'done', doneAt: at(1), by: 'RK', timesDone: 2 });
  });
  test('what other records know is not ticked again; opened again after, it is open', () => {
    const facts = new Map([['clear D', { at: at(3), by: 'TM' }]]);
    expect(of([], 'clear D', facts)).toMatchObject({ state: 'done', by: 'TM', isFromRecords: true });
    expect(of([say(4, 'clear D', 'again')], 'clear D', facts).state).toBe('open');
    expect(of([say(2, 'clear D', 'again')], 'clear D', facts).state).toBe('done');
  });
});

test('undone by a record: open, whatever is ticked; what was begun since is begun', () => {
  const facts = new Map([['clear D', { at: at(5), by: 'TM', isUndone: true as const }]]);
  const stands = (...said: TaskSaid[]) => of(said, 'clear D', facts).state;
  expect(of([say(3, 'clear D', 'done')], 'clear D', facts)).toMatchObject({ state: 'open', isUndone: true });
  expect(stands(say(3, 'clear D', 'started'))).toBe('open');
  expect(stands(say(6, 'clear D', 'started'))).toBe('started');
  expect(stands(say(6, 'clear D', 'done'))).not.toBe('done');
  expect(of([say(3, 'clear D', 'done')], 'clear D')).toMatchObject({ state: 'done', isUndone: false });
});

test('done before its plate was changed, it says so; done after, it does not', () => {
  const changed = planOrder({ ...emptyScene(), repairs: [aRepair({ at: at(5) })] });
  const made = (hour: number) =>
    progressOf(changed, [say(hour, 'make plate r1', 'done')], new Map(), T0 + 20 * HOUR).find(
      ({ task }) => task.id === 'make plate r1',
    )!.isChangedSince;
  expect([made(4), made(6)]).toEqual([true, false]);
});

describe('hours on it', () => {
  test('each pair of hands by its own clock; the end of the task ends everybody’s', () =>
    expect(
      of(
        [
          say(1, 'clear D', 'started', 'RK'),
          say(2, 'clear D', 'started', 'TM'),
          say(3, 'clear D', 'stopped', 'RK'),
          say(5, 'clear D', 'done', 'RK'),
        ],
        'clear D',
      ).workedH,
    ).toBeCloseTo(2 + 3, 9));
  test('a clock that runs counts until now, and who has it', () =>
    expect(of([say(18, 'clear D', 'started')], 'clear D')).toMatchObject({ workedH: 2, running: ['RK'] }));
  test('a clock left running all night counts as a long shift', () =>
    expect(of([say(1, 'clear D', 'started')], 'clear D', undefined, 30).workedH).toBe(12));
  test('started twice by one person it is one clock', () =>
    expect(
      of(
        [say(1, 'clear D', 'started'), say(2, 'clear D', 'started'), say(4, 'clear D', 'stopped')],
        'clear D',
      ).workedH,
    ).toBe(3));
  test('done without a start it took nobody knows how long', () =>
    expect(of([say(1, 'clear D', 'done')], 'clear D').workedH).toBe(0));
});

describe('what is next', () => {
  test('only what waits for nothing that is open; not needed is over too', () => {
    expect(of([], 'opening cut r1').isNext).toBe(false);
    expect(of([], 'wheelbase unit').isNext).toBe(true);
    const all = plan.edges.filter(({ after }) => after === 'opening cut r1').map(({ before }) => before);
    const said = [...new Set(all)].map((each, k) => say(k, each, k % 2 ? 'done' : 'not needed'));
    expect(of(said, 'opening cut r1').isNext).toBe(true);
    expect(of(said.slice(1), 'opening cut r1').isNext).toBe(false);
  });
  test('done before something that it waits for, it says ahead of what', () => {
    expect(of([say(1, 'opening cut r1', 'done')], 'opening cut r1').aheadOf).toContain('set stands unit');
    const inTurn = of(
      [say(1, 'set stands unit', 'done'), say(2, 'opening cut r1', 'done')],
      'opening cut r1',
    );
    expect(inTurn.aheadOf).not.toContain('set stands unit');
  });
});

describe('off and not back, back and not tried', () => {
  const open = (said: TaskSaid[]) =>
    openRefits(progressOf(plan, said, new Map(), T0 + 99 * HOUR)).map(({ task }) => task.id);
  const off = say(1, 'take off mark-4 right', 'done');
  test.each([
    [[], []],
    [[off], ['put back mark-4 right', 'test mark-4 right']],
    [[off, say(2, 'put back mark-4 right', 'done')], ['test mark-4 right']],
    [[off, say(2, 'put back mark-4 right', 'done'), say(3, 'test mark-4 right', 'done')], []],
  ])('%#', (said, expected) => expect(open(said)).toEqual(expected));
});
