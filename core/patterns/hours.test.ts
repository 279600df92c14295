import { FAMILY_IDS, type Family } from '../frame';
import { FORGOTTEN_H, type JobPlan, type TaskSaid } from '../order';
import { DEFAULT_NORMS } from '../reference';
import {
  correctedNorm,
  hoursSeen,
  middleOf,
  normsLearnt,
  OUTLIER_SDS,
  type HoursSeen,
  type WorkedJob,
} from '.';

const START = Date.parse('2026-01-12T08:00:00Z');
const at = (hour: number) => new Date(START + hour * 3_600_000).toISOString();
let number = 0;
const stamp = (hour: number, by = 'TM') => ({
  id: `00000000-0000-4000-8000-${String(number++).padStart(12, '0')}`,
  by,
  at: at(hour),
  note: '',
});
const said = (taskId: string, is: TaskSaid['is'], hour: number, by?: string): TaskSaid => ({
  kind: 'task',
  ...stamp(hour, by),
  taskId,
  title: taskId,
  is,
});
type Planned = readonly [id: string, hours: readonly [number, number], hands?: 1 | 2];
const plan = (hour: number, tasks: readonly Planned[]): JobPlan => ({
  kind: 'job plan',
  ...stamp(hour),
  tasks: tasks.map(([id, hours, hands = 1]) => ({
    id,
    title: id,
    hours: [...hours],
    hands,
    after: [],
  })),
  basis: 'basis',
  meanwhile: '',
});
const job = (more: Partial<WorkedJob>): WorkedJob => ({
  jobId: 'j',
  tag: 'T-1',
  family: 'boxed ladder',
  norms: DEFAULT_NORMS,
  plans: [plan(0, [['make plate r', [1, 4]]])],
  said: [said('make plate r', 'started', 1), said('make plate r', 'done', 4)],
  ...more,
});
const ran = (id: string, from: number, to: number, by?: string) => [
  said(id, 'started', from, by),
  said(id, 'done', to, by),
];

describe('what a closed job says of the norms', () => {
  test('hours on the clock against the middle of the plan, as ratios go', () => {
    const [seen, ...more] = hoursSeen(job({}));
    expect(more).toEqual([]);
    expect(seen).toMatchObject({ norm: 'plate', tookH: 3, plannedH: 2, tag: 'T-1' });
    expect(seen!.log).toBeCloseTo(Math.log(1.5), 12);
  });
  test('planned by norms that the shop changed, it is told against those that everybody starts with', () => {
    const [least, most] = DEFAULT_NORMS.plate;
    const doubled = job({ norms: { ...DEFAULT_NORMS, plate: [2 * least, 2 * most] } });
    expect(hoursSeen(doubled)[0]!.log).toBeCloseTo(Math.log(3), 12);
    expect(hoursSeen(job({ norms: { ...DEFAULT_NORMS, plate: [0, 0] } }))).toEqual([]);
  });
  test('the plan that stood when it was begun counts, not what was planned after', () => {
    const plans = [plan(0, [['make plate r', [1, 4]]]), plan(2, [['make plate r', [10, 10]]])];
    expect(hoursSeen(job({ plans }))[0]!.plannedH).toBe(2);
    const begunLater = ran('make plate r', 3, 6);
    expect(hoursSeen(job({ plans, said: begunLater }))[0]!.plannedH).toBeCloseTo(10, 12);
    const onlyAfter = [plan(9, [['make plate r', [2, 2]]])];
    expect(hoursSeen(job({ plans: onlyAfter }))[0]!.plannedH).toBe(2);
    expect(hoursSeen(job({ plans: [plan(0, [['fit r', [1, 1]]])] }))).toEqual([]);
  });
  test('what is not done, opened again, without a clock, or with a clock that was forgotten, says nothing', () => {
    const nothing = (records: TaskSaid[]) => expect(hoursSeen(job({ said: records }))).toEqual([]);
    nothing([said('make plate r', 'started', 1)]);
    nothing([said('make plate r', 'done', 4)]);
    nothing([...ran('make plate r', 1, 4), said('make plate r', 'again', 5)]);
    nothing(ran('make plate r', 1, 1.09));
    nothing(ran('make plate r', 1, 1 + FORGOTTEN_H + 0.1));
    expect(hoursSeen(job({ said: ran('make plate r', 1, 1 + FORGOTTEN_H) }))[0]!.tookH).toBe(FORGOTTEN_H);
    expect(hoursSeen(job({ said: ran('make plate r', 1, 1.11) }))).toHaveLength(1);
  });
  test('where two are planned, one clock counts for both; two clocks count as they ran', () => {
    const plans = [plan(0, [['weld r', [1, 4], 2]])];
    expect(hoursSeen(job({ plans, said: ran('weld r', 1, 3) }))[0]!.tookH).toBe(4);
    const both = [
      said('weld r', 'started', 1, 'TM'),
      said('weld r', 'started', 1, 'AL'),
      said('weld r', 'done', 3, 'TM'),
    ];
    expect(hoursSeen(job({ plans, said: both }))[0]!.tookH).toBe(4);
  });
  test('tasks of one norm are one; bolted plates, renewed members and works are not taken for plates', () => {
    const all = (ids: readonly string[]) =>
      hoursSeen(
        job({
          plans: [
            plan(
              0,
              ids.map((id) => [id, [1, 1]]),
            ),
          ],
          said: ids.flatMap((id, k) => ran(id, 2 * k + 1, 2 * k + 2)),
        }),
      ).map(({ norm, tookH }) => [norm, tookH]);
    expect(all(['make plate r', 'fit r', 'tack r', 'weld r'])).toEqual([
      ['plate', 2],
      ['weldPerMetre', 2],
    ]);
    expect(all(['make plate r', 'drill r', 'bolt up r'])).toEqual([['boltedPlate', 3]]);
    expect(all(['old out m', 'make plate m', 'weld m'])).toEqual([['crossmember', 3]]);
    expect(all(['make parts w', 'fit w', 'weld w'])).toEqual([]);
    expect(all(['look at welds r', 'own x'])).toEqual([]);
    // A load that comes off is no part that comes off, though its name begins so.
    expect(all(['take off load payload', 'put back load payload'])).toEqual([]);
    expect(all(['take off mark-4 right', 'put back mark-4 right'])).toEqual([['stripDown', 2]]);
  });
});

/** mulberry32, and a normal deviate from it. */
function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}
const normal = (random: () => number) =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

const seenOf = (log: number, family: Family, k: number): HoursSeen => ({
  jobId: `${family} ${k}`,
  tag: `T-${k}`,
  family,
  norm: 'plate',
  tookH: Math.exp(log),
  plannedH: 1,
  log,
});
const several = (logs: readonly number[], family: Family = FAMILY_IDS[0]) =>
  logs.map((log, k) => seenOf(log, family, k));
const first = (logs: readonly number[]) => normsLearnt(several(logs))[0]!;

describe('norms as closed jobs correct them', () => {
  test('one job moves a norm a little, many jobs nearly all the way; none says nothing', () => {
    expect(normsLearnt([])).toEqual([]);
    const factors = [1, 4, 40].map((count) => first(Array.from({ length: count }, () => Math.log(2))).factor);
    expect(factors[0]).toBeGreaterThan(1);
    expect(factors[0]).toBeLessThan(1.7);
    expect(factors[1]).toBeGreaterThan(factors[0]!);
    expect(factors[2]).toBeGreaterThan(factors[1]!);
    expect(factors[2]).toBeLessThan(2);
    expect(first([0, 0, 0]).factor).toBeCloseTo(1, 12);
  });
  test('taken twice as long in one family and half in another, each is drawn towards the other and keeps its side', () => {
    const [learnt] = normsLearnt([
      ...several([0.7, 0.6, 0.8, 0.7], FAMILY_IDS[0]),
      ...several([-0.7, -0.6, -0.8, -0.7], FAMILY_IDS[1]),
    ]);
    const [slow, fast] = learnt!.families;
    expect(slow!.factor).toBeGreaterThan(1.3);
    expect(slow!.factor).toBeLessThan(Math.exp(0.7));
    expect(fast!.factor).toBeLessThan(1 / 1.3);
    expect(fast!.factor).toBeGreaterThan(Math.exp(-0.7));
    expect(learnt!.factor).toBeCloseTo(1, 6);
    expect(slow!.jobs).toBe(4);
  });
  test('the other way about it is the same: hours halved are the inverse of hours doubled', () => {
    const logs = [0.1, 0.5, 0.3, 0.9];
    const [up, down] = [first(logs), first(logs.map((log) => -log))];
    expect(up.factor * down.factor).toBeCloseTo(1, 9);
    expect(up.high * down.low).toBeCloseTo(1, 9);
  });
  test('a job far off is shown as an outlier, and moves the norm no more than one at the limit', () => {
    const usual = [0, 0.1, -0.1, 0.05, -0.05, 0.1, -0.1];
    const wild = first([...usual, 3]);
    expect(wild.seen.map(({ isOutlier }) => isOutlier)).toEqual([...usual.map(() => false), true]);
    expect(wild.seen).toHaveLength(usual.length + 1);
    const wilder = first([...usual, 6]);
    expect(wilder.factor).toBeCloseTo(wild.factor, 9);
    expect(wild.factor).toBeLessThan(1.15);
  });
  test('within two and a half deviations it is none, beyond it is', () => {
    // Forty jobs that stray by 0.3 either way, and one more: the spread is about what they say, 0.3.
    const forty = Array.from({ length: 40 }, (_, k) => (k % 2 ? 0.3 : -0.3));
    const more = (log: number) => first([0, ...forty, log, -log]).seen.at(-1)!.isOutlier;
    expect(OUTLIER_SDS).toBe(2.5);
    expect(more(0.29 * OUTLIER_SDS)).toBe(false);
    expect(more(0.36 * OUTLIER_SDS)).toBe(true);
  });

  test('two jobs that went wrong hardly widen what is usual: the spread is by medians first', () => {
    // Forty stray by 0.1, two by 1: by median deviations 0.15 (1.4826 of 0.1), with what was thought before 0.19; those two count at 0.46 of it.
    const forty = Array.from({ length: 40 }, (_, k) => (k % 2 ? 0.1 : -0.1));
    const isOff = (log: number) => first([...forty, 1, -1, -log, log]).seen.at(-1)!.isOutlier;
    expect(isOff(0.47)).toBe(false);
    expect(isOff(0.53)).toBe(true);
  });

  /** Histories drawn with known norms: how often the band holds the family's own factor. */
  function coverage(
    histories: number,
    draw: (random: () => number) => { mu: number; sd: number; between: number },
  ) {
    const random = seeded(20261129);
    let [held, all, off] = [0, 0, 0];
    for (let k = 0; k < histories; k++) {
      const { mu, sd, between } = draw(random);
      const truth = FAMILY_IDS.slice(0, 4).map(() => mu + between * normal(random));
      const records = truth.flatMap((theta, f) =>
        several(
          Array.from({ length: 1 + Math.floor(8 * random()) }, () => theta + sd * normal(random)),
          FAMILY_IDS[f]!,
        ),
      );
      for (const { family, low, high, factor } of normsLearnt(records)[0]!.families) {
        const theta = truth[FAMILY_IDS.indexOf(family)]!;
        all++;
        if (Math.log(low) <= theta && theta <= Math.log(high)) held++;
        off += Math.abs(Math.log(factor) - theta);
      }
    }
    return { held: held / all, off: off / all };
  }

  test('the band of nine in ten holds known norms as often as it says, on seeded histories of one to eight jobs', () => {
    const own = Math.log(DEFAULT_NORMS.plate[1] / DEFAULT_NORMS.plate[0]) / (2 * 1.645);
    const asThought = coverage(600, (random) => ({ mu: own * normal(random), sd: 0.35, between: 0.2 }));
    expect(asThought.held).toBeGreaterThan(0.85);
    expect(asThought.held).toBeLessThan(0.94);
    // Shops that stray half as much, and half as much again, than was thought.
    const calmer = coverage(600, (random) => ({ mu: own * normal(random), sd: 0.18, between: 0.1 }));
    expect(calmer.held).toBeGreaterThan(0.88);
    const wilder = coverage(600, (random) => ({ mu: own * normal(random), sd: 0.5, between: 0.3 }));
    expect(wilder.held).toBeGreaterThan(0.75);
  });

  test('drawn together they come nearer to the truth than each family’s own mean', () => {
    const random = seeded(7);
    let [shrunk, raw] = [0, 0];
    for (let k = 0; k < 300; k++) {
      const truth = FAMILY_IDS.slice(0, 4).map(() => 0.3 + 0.2 * normal(random));
      const groups = truth.map((theta) => Array.from({ length: 3 }, () => theta + 0.35 * normal(random)));
      const learnt = normsLearnt(groups.flatMap((logs, f) => several(logs, FAMILY_IDS[f]!)))[0]!;
      learnt.families.forEach(({ factor }, f) => {
        shrunk += (Math.log(factor) - truth[f]!) ** 2;
        raw += (groups[f]!.reduce((a, b) => a + b, 0) / 3 - truth[f]!) ** 2;
      });
    }
    expect(shrunk).toBeLessThan(0.8 * raw);
  });

  test('a norm moved by its factor keeps the shape of its range, to three minutes', () => {
    const [least, most] = correctedNorm({ norm: 'plate', factor: 1.5 });
    expect([least, most]).toEqual([1.5, 4.5]);
    expect(middleOf([least, most])).toBeCloseTo(1.5 * middleOf(DEFAULT_NORMS.plate), 9);
    expect(correctedNorm({ norm: 'crackWelded', factor: 1.01 })).toEqual([0.5, 2]);
    expect(correctedNorm({ norm: 'plate', factor: 0.001 })).toEqual([0.05, 0.05]);
  });
});
