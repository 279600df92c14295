import { randomLcg } from 'd3-random';
import { DEFAULT_WEEK, type Bay } from '../../reference';
import {
  afterWait,
  bestOrder,
  byLongestTail,
  baysFor,
  cannotBeDone,
  chanceBy,
  dayAt,
  dayWithChance,
  hourOn,
  latestStart,
  middleHours,
  schedule,
  shopDates,
  simulated,
  workCalendar,
  type PlannedTask,
  type Resources,
  type SchedJob,
  type SchedTask,
  type ShopJob,
  type ShopToSchedule,
} from '..';

const task = (hours: number, after: number[] = [], more: Partial<SchedTask> = {}): SchedTask => ({
  hours: [hours, hours],
  after,
  thenWaitH: 0,
  hands: 1,
  welds: false,
  atBench: false,
  axleOut: false,
  notBeforeH: 0,
  isDone: false,
  ...more,
});
const job = (tasks: SchedTask[], more: Partial<SchedJob> = {}): SchedJob => ({
  id: 'j',
  tasks,
  startH: 0,
  bays: [0, 1],
  isAway: false,
  slower: 1,
  ...more,
});
// 2026-11-23 is a Monday.
const calendar = workCalendar('2026-11-23', { ...DEFAULT_WEEK, shut: ['2026-11-26'] });
const shop = (people: boolean[], bays = 2): Resources => ({
  calendar,
  people: people.map((welds) => ({ welds })),
  bays,
});
const takesMiddle = (jobs: readonly SchedJob[]) => (j: number, k: number) => middleHours(jobs[j]!.tasks[k]!);
const run = (jobs: SchedJob[], resources: Resources) =>
  schedule(inBaysOf(jobs, resources), resources, takesMiddle(jobs));
const inBaysOf = (jobs: SchedJob[], { bays: count }: Resources) =>
  jobs.map((each) => ({ ...each, bays: each.bays.filter((bay) => bay < count) }));

describe('working time', () => {
  test('five days of seven hours, a shut day left out', () => {
    expect(calendar.days.slice(0, 5)).toEqual([
      '2026-11-23',
      '2026-11-24',
      '2026-11-25',
      '2026-11-27',
      '2026-11-30',
    ]);
    expect(dayAt(calendar, 0)).toBe('2026-11-23');
    expect(dayAt(calendar, 6.99)).toBe('2026-11-23');
    expect(dayAt(calendar, 7)).toBe('2026-11-24');
  });
  test('what ends with the day ends that day', () => {
    expect(dayAt(calendar, 7, true)).toBe('2026-11-23');
    expect(dayAt(calendar, 7.01, true)).toBe('2026-11-24');
    expect(dayAt(calendar, 21, true)).toBe('2026-11-25');
  });
  test.each([
    ['2026-11-20', 0],
    ['2026-11-23', 0],
    ['2026-11-24', 7],
    ['2026-11-26', 21],
    ['2026-11-27', 21],
    ['2026-11-28', 28],
    ['2026-11-30', 28],
  ])('work on or after %s begins at hour %d', (date, hour) => expect(hourOn(calendar, date)).toBe(hour));
  test.each([
    ['an hour within the day', 2, 1, 3],
    ['over the end of the day: next morning', 6.5, 1, 7],
    ['ended with the day, cures overnight', 7, 12, 7],
    ['a day’s cure from ten in the morning: ten the next', 2, 24, 9],
    ['a day’s cure over the shut day', 16, 24, 21],
    ['three days over the weekend', 21, 72, 28],
    ['none', 3, 0, 3],
  ])('%s', (_, at, wait, next) => expect(afterWait(calendar, at, wait)).toBeCloseTo(next, 6));
});

describe('one job', () => {
  test('one pair of hands: one thing after another; two: side by side', () => {
    const tasks = [task(3), task(4), task(2, [0, 1])];
    expect(run([job(tasks)], shop([false]))[0]!.toH).toBe(9);
    expect(run([job(tasks)], shop([false, false]))[0]!.toH).toBe(6);
  });
  test('two pairs of hands on one task halve its hours, and take both', () => {
    const [placed] = run([job([task(4, [], { hands: 2 }), task(3)])], shop([false, false]));
    expect(placed!.toH).toBe(5);
    expect([...placed!.placed.with]).toEqual([1, -1]);
  });
  test('whoever welds welds; who does not is kept for the rest', () => {
    const [placed] = run([job([task(2), task(2, [], { welds: true })])], shop([true, false]));
    expect([...placed!.placed.who]).toEqual([1, 0]);
    expect(placed!.toH).toBe(2);
  });
  test('paint cures over night', () => {
    const [placed] = run([job([task(3, [], { thenWaitH: 24 }), task(1, [0])])], shop([false]));
    expect([...placed!.placed.startH]).toEqual([0, 10]);
  });
  test('nothing before its part is in, nor before its start', () => {
    const [placed] = run([job([task(1), task(1, [], { notBeforeH: 20 })], { startH: 7 })], shop([false]));
    expect([...placed!.placed.startH]).toEqual([7, 20]);
  });
  test('what is done takes nothing and holds nothing', () => {
    const [placed] = run([job([task(9, [], { isDone: true, thenWaitH: 99 }), task(1, [0])])], shop([false]));
    expect(placed!.toH).toBe(1);
  });
  test('away, each day is shorter by the road', () =>
    expect(run([job([task(4)], { isAway: true, slower: 7 / 5 })], shop([false], 0))[0]).toMatchObject({
      toH: 5.6,
      bay: -1,
    }));
});

describe('several jobs', () => {
  test('a bay is held from a job’s first task in it to its last, the wait between counted', () => {
    const waits = job([task(1, [], { axleOut: true }), task(1, [0], { notBeforeH: 20 })], { id: 'a' });
    const other = job([task(2)], { id: 'b' });
    const [a, b] = run([waits, other], shop([false, false], 1));
    expect([a!.fromH, a!.toH]).toEqual([0, 21]);
    expect(b!.fromH).toBe(21);
    const [, free] = run([waits, other], shop([false, false], 2));
    expect(free!.fromH).toBe(0);
  });
  test('a unit that rolls is pushed out while it waits a day; under a day it stays, and with its axle out', () => {
    const waits = (notBeforeH: number, axleOut: boolean) =>
      job([task(1, [], { axleOut }), task(1, [0], { notBeforeH })], { id: 'a' });
    const bFrom = (a: SchedJob) => run([a, job([task(2)], { id: 'b' })], shop([false, false], 1))[1]!.fromH;
    expect(bFrom(waits(20, false))).toBe(1);
    expect(bFrom(waits(8, false))).toBe(1);
    expect(bFrom(waits(7.9, false))).toBeCloseTo(8.9, 9);
    expect(bFrom(waits(20, true))).toBe(21);
  });
  test('a small job goes into a gap of its bay that an earlier one left', () => {
    const later = job([task(2)], { id: 'a', startH: 14 });
    const small = job([task(3)], { id: 'b' });
    expect(run([later, small], shop([false], 1)).map(({ fromH }) => fromH)).toEqual([14, 0]);
    const long = job([task(15)], { id: 'b' });
    expect(run([later, long], shop([false], 1))[1]!.fromH).toBe(16);
  });
  test('a gap at the start that is too short for it is none, however little later the bay is free', () => {
    const short = job([task(0.25)], { id: 'a', startH: 0.5, bays: [0] });
    const [, b] = run([short, job([task(2)], { id: 'b', bays: [0] })], shop([false, false], 1));
    expect(b!.fromH).toBeCloseTo(0.75, 9);
    const [, fits] = run([short, job([task(0.5)], { id: 'b', bays: [0] })], shop([false, false], 1));
    expect(fits!.fromH).toBe(0);
  });
  test('a job bound to a bay waits for that one', () => {
    const [, b] = run(
      [job([task(5)], { bays: [1] }), job([task(1)], { bays: [1] })],
      shop([false, false], 2),
    );
    expect(b!.fromH).toBe(5);
  });
  test('bench work holds no bay', () => {
    const [, b] = run([job([task(5)]), job([task(2, [], { atBench: true })])], shop([false, false], 1));
    expect(b!.placed.startH[0]).toBe(0);
  });
  test('nobody does two things at once, nothing begins before what it waits for: seeded jobs', () => {
    for (const seed of [0.13, 0.29, 0.47, 0.71, 0.93]) {
      const random = randomLcg(seed);
      const jobs = Array.from({ length: 4 }, (_, j) => {
        const each = randomJob(random, `${j}`);
        return { ...each, tasks: each.tasks.map((some) => ({ ...some, axleOut: true })) };
      });
      const people = [true, false, true];
      const done = run(jobs, shop(people, 2));
      const spans = done.flatMap(({ placed }) =>
        [...placed.startH].flatMap((from, k) =>
          [placed.who[k]!, placed.with[k]!]
            .filter((who) => who >= 0)
            .map((who) => ({ who, from, to: placed.endH[k]! })),
        ),
      );
      for (const one of spans)
        for (const other of spans)
          if (one !== other && one.who === other.who && one.to > one.from && other.to > other.from)
            expect(one.to <= other.from + 1e-9 || other.to <= one.from + 1e-9).toBe(true);
      done.forEach(({ placed }, j) =>
        jobs[j]!.tasks.forEach(({ after, welds }, k) => {
          for (const before of after)
            expect(placed.startH[k]).toBeGreaterThanOrEqual(placed.endH[before]! - 1e-9);
          if (welds) expect(people[placed.who[k]!]).toBe(true);
        }),
      );
      for (const one of done)
        for (const other of done)
          if (one !== other && one.bay === other.bay)
            expect(one.toH <= other.fromH + 1e-9 || other.toH <= one.fromH + 1e-9).toBe(true);
    }
  });
});

function randomJob(random: () => number, id: string, n = 3 + Math.floor(random() * 5)): SchedJob {
  const tasks = Array.from({ length: n }, (_, k) =>
    task(
      1 + Math.floor(random() * 6),
      Array.from({ length: k }, (_each, before) => before).filter(() => random() < 0.3),
      { welds: random() < 0.4, hands: random() < 0.2 ? 2 : 1 },
    ),
  );
  return job(tasks, { id });
}

/**
 * The least time in which a job can be done, by trying every way: at each moment something ends, every task that may start or none, by every person or
 * pair that is free (branch and bound on hours without days). Nothing waits by the clock.
 */
function exactMakespan({ tasks }: SchedJob, people: readonly boolean[]): number {
  const hours = tasks.map((each) => middleHours(each) / each.hands);
  let best = Infinity;
  const isOver = (end: number, now: number) => end >= 0 && end <= now + 1e-9;
  const crews = ({ hands, welds }: SchedTask, free: readonly number[]): number[][] =>
    hands === 1
      ? free.filter((who) => !welds || people[who]).map((who) => [who])
      : free.flatMap((one, k) =>
          free
            .slice(k + 1)
            .flatMap((other) => (!welds || people[one] || people[other] ? [[one, other]] : [])),
        );
  /** `from`: tasks before this one were decided at this moment already. */
  const go = (ends: readonly number[], busy: readonly number[], now: number, from: number): void => {
    if (ends.every((end) => end >= 0)) {
      best = Math.min(best, Math.max(...ends));
      return;
    }
    if (Math.max(now, ...ends) >= best) return;
    for (let k = from; k < tasks.length; k++) {
      if (ends[k]! >= 0 || !tasks[k]!.after.every((before) => isOver(ends[before]!, now))) continue;
      const free = people.map((_, who) => who).filter((who) => busy[who]! <= now + 1e-9);
      for (const crew of crews(tasks[k]!, free)) {
        const end = now + hours[k]!;
        go(
          ends.map((each, other) => (other === k ? end : each)),
          busy.map((each, who) => (crew.includes(who) ? end : each)),
          now,
          k + 1,
        );
      }
    }
    const next = Math.min(...busy.filter((each) => each > now + 1e-9));
    if (Number.isFinite(next)) go(ends, busy, next, 0);
  };
  go(
    tasks.map(() => -1),
    people.map(() => 0),
    0,
    0,
  );
  return best;
}

describe('against an exact search', () => {
  test.each(Array.from({ length: 24 }, (_, k) => (k + 0.31) / 25))(
    'small jobs end as early as they can (seed %d)',
    (seed) => {
      const random = randomLcg(seed);
      const small = randomJob(random, 'x', 3 + Math.floor(random() * 4));
      const people = random() < 0.5 ? [true, false] : [true, true, false];
      const exact = exactMakespan(small, people);
      const found = bestOrder(small, shop(people), { tries: 200, random: randomLcg(0.5) });
      expect(found.toH).toBeGreaterThanOrEqual(exact - 1e-9);
      expect(found.toH).toBeLessThanOrEqual(exact + 1e-9);
    },
  );
  test('the usual rule alone is never better than the search', () => {
    const random = randomLcg(0.37);
    for (let k = 0; k < 10; k++) {
      const some = randomJob(random, 'x', 9);
      const resources = shop([true, false]);
      const rule = schedule([some], resources, takesMiddle([some]), [byLongestTail(some)])[0]!.toH;
      expect(bestOrder(some, resources, { tries: 60, random: randomLcg(0.2) }).toH).toBeLessThanOrEqual(
        rule + 1e-9,
      );
    }
  });
});

describe('draws against closed forms', () => {
  const DRAWS = 4000;
  const ends = (tasks: SchedTask[], people: boolean[], seed = 0.42) =>
    simulated([job(tasks)], shop(people), { draws: DRAWS, random: randomLcg(seed) })[0]!.endsH;
  const mean = (of: Float64Array) => of.reduce((sum, each) => sum + each, 0) / of.length;
  const ranged = (least: number, most: number, after: number[] = [], more: Partial<SchedTask> = {}) =>
    task(0, after, { hours: [least, most], ...more });
  test.each([0.11, 0.53, 0.87])('in a row: sums of means and variances (seed %d)', (seed) => {
    const of = ends([ranged(1, 5), ranged(2, 4, [0]), ranged(0, 6, [1])], [false], seed);
    const variance = (16 + 4 + 36) / 12;
    expect(Math.abs(mean(of) - 9)).toBeLessThan(4 * Math.sqrt(variance / DRAWS));
    const spread = of.reduce((sum, each) => sum + (each - mean(of)) ** 2, 0) / DRAWS;
    expect(spread / variance).toBeGreaterThan(0.9);
    expect(spread / variance).toBeLessThan(1.1);
  });
  test('side by side: the larger of two that are even from 0 to 6 is 4 on the mean', () =>
    expect(mean(ends([ranged(0, 6), ranged(0, 6)], [false, false]))).toBeCloseTo(4, 0));
  test('a tail that comes in a quarter of the draws', () =>
    expect(mean(ends([task(2, [], { tail: { chance: 0.25, hours: [4, 8] } })], [false]))).toBeCloseTo(
      3.5,
      0,
    ));
  test('a promise is kept with its chance, and what is certain is certain', () => {
    const finish = simulated([job([ranged(5, 35)])], shop([false]), {
      draws: DRAWS,
      random: randomLcg(0.6),
    })[0]!;
    // Evenly from 5 to 35 h: four fifths are done by hour 29, on the fifth working day.
    expect(dayWithChance(finish, { calendar }, 0.8)).toBe('2026-11-30');
    expect(chanceBy(finish, { calendar }, '2026-11-30')).toBe(1);
    expect(chanceBy(finish, { calendar }, '2026-11-27')).toBeCloseTo((28 - 5) / 30, 1);
    expect(chanceBy(finish, { calendar }, '2026-11-22')).toBe(0);
  });
  test('the same seed, the same days', () =>
    expect(ends([ranged(1, 9)], [false])).toEqual(ends([ranged(1, 9)], [false])));
});

describe('what can never be done', () => {
  const welded = job([task(1, [], { welds: true, hands: 2 })]);
  test.each([
    [[], 2, 'nobody works here'],
    [[false, false], 2, 'nobody welds'],
    [[true], 2, 'not two pairs of hands'],
    [[true, false], 0, 'no bay'],
    [[true, false], 1, undefined],
  ] as const)('people %j, %d bays: %s', (people, bays, why) =>
    expect(cannotBeDone(welded, shop([...people], bays))).toBe(why),
  );
  test('bays there are, and none that takes it; away it needs none', () => {
    expect(cannotBeDone({ ...welded, bays: [] }, shop([true, false], 2))).toBe('no bay fits');
    expect(cannotBeDone({ ...welded, bays: [], isAway: true }, shop([true, false], 2))).toBeUndefined();
  });
  test('what is done asks for nobody', () =>
    expect(cannotBeDone(job([task(1, [], { isDone: true, welds: true })]), shop([], 0))).toBeUndefined());
});

describe('which bays take a unit', () => {
  const bays: Bay[] = [
    { name: 'North', hasLift: true, longestMm: 8000 },
    { name: 'South', hasLift: false },
  ];
  const slot = { startOn: '2026-11-23', chance: 0.8 };
  test.each([
    ['any', {}, [0, 1]],
    ['as long as the bay', { lengthMm: 8000 }, [0, 1]],
    ['longer than one', { lengthMm: 8001 }, [1]],
    ['to go up', { slot: { ...slot, onLift: true as const } }, [0]],
    ['to go up, and too long for the lift', { slot: { ...slot, onLift: true as const }, lengthMm: 9000 }, []],
    ['asked for one', { slot: { ...slot, bay: 'South' } }, [1]],
    ['asked for one that does not take it', { slot: { ...slot, bay: 'North' }, lengthMm: 9000 }, [1]],
    ['asked for one that is no longer there', { slot: { ...slot, bay: 'East' } }, [0, 1]],
  ] as const)('%s', (_, job, expected) => expect(baysFor(job, bays)).toEqual(expected));
});

describe('a shop’s days', () => {
  const planned = (hours: number, after: number[] = [], more: Partial<PlannedTask> = {}): PlannedTask => ({
    id: `t${Math.round(hours * 100)} ${after.join()}`,
    title: 'task',
    hours: [hours, hours],
    hands: 1,
    after,
    ...more,
  });
  const dates = (tasks: PlannedTask[], more: Partial<ShopJob> = {}) =>
    shopDates(
      {
        jobs: [{ id: 'j', tasks, done: [], ...more }],
        people: [
          { name: 'RK', role: 'fitter', welds: true, qualification: '' },
          { name: 'AL', role: 'helper', welds: false, qualification: '' },
        ],
        bays: [{ name: 'North', hasLift: true }],
        week: DEFAULT_WEEK,
        today: '2026-11-23',
        draws: 50,
      },
      randomLcg(0.5),
    );
  test('a job is placed by the order that was searched for: what waits longest goes first', () => {
    // One welder: as they stand the short one would go first and the long chain behind the other would wait.
    const tasks = [planned(2, [], { welds: true }), planned(3, [], { welds: true }), planned(6, [1])];
    const found = dates(tasks);
    expect(found.ok && Math.max(...found.jobs[0]!.tasks.map(({ toH }) => toH))).toBe(9);
    const asTheyStand = run(
      [job([task(2, [], { welds: true }), task(3, [], { welds: true }), task(6, [1])])],
      shop([true, false]),
    );
    expect(asTheyStand[0]!.toH).toBe(11);
  });
  test('what an hour more of makes all of it an hour later is said', () => {
    const found = dates([planned(2), planned(5), planned(1, [0, 1])]);
    expect(found.ok && found.jobs[0]!.tasks.map(({ isCritical }) => isCritical)).toEqual([false, true, true]);
  });
  test('what ends with the day ends that day; what takes no time at the start of a day is of that day', () => {
    const found = dates([planned(7), planned(0, [0])]);
    const days = found.ok ? found.jobs[0]!.tasks.map(({ fromDay, toDay }) => [fromDay, toDay]) : [];
    expect(days).toEqual([
      ['2026-11-23', '2026-11-23'],
      ['2026-11-24', '2026-11-24'],
    ]);
  });
  test('a day no calendar has is no day: beyond three years nothing is named', () => {
    const at = (startOn: string) => dates([planned(2)], { slot: { startOn, chance: 0.8 } });
    expect(at('2029-10-01').ok).toBe(true);
    expect(at('2035-01-01')).toEqual({ ok: false, jobId: 'j', why: 'beyond the horizon' });
  });
  test('needed by: the chance, and the last day it may begin; too late even today, none is named', () => {
    const shopOf = (needBy: string): ShopToSchedule => ({
      jobs: [{ id: 'j', tasks: [planned(14)], done: [], needBy }],
      people: [{ name: 'RK', role: 'fitter', welds: true, qualification: '' }],
      bays: [{ name: 'North', hasLift: true }],
      week: DEFAULT_WEEK,
      today: '2026-11-23',
      draws: 20,
    });
    // Two whole days of work: begun on Thursday it is done on Friday.
    expect(latestStart(shopOf('2026-11-27'), 'j', () => randomLcg(0.5))).toBe('2026-11-26');
    expect(latestStart(shopOf('2026-11-24'), 'j', () => randomLcg(0.5))).toBe('2026-11-23');
    expect(latestStart(shopOf('2026-11-23'), 'j', () => randomLcg(0.5))).toBeUndefined();
  });
});
