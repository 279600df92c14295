import type { Bay, Person, ShopWeek } from '../../reference';
import type { JobPlan, PlannedTask, Slot } from '../records';
import { dayAt, hourOn, workCalendar, type WorkCalendar } from './calendar';
import { criticalPath } from '../graph';
import { bestOrder } from './search';
import { cannotBeDone, schedule, type NoSchedule, type Resources, type SchedJob } from './serial';
import { chanceBy, dayWithChance, middleHours, simulated, type FinishOf } from './simulate';

/** A job as the shop's calendar has it: the plan that was kept, when it is to begin, what of it is done. */
export interface ShopJob {
  readonly id: string;
  readonly tasks: readonly PlannedTask[];
  readonly slot?: Pick<Slot, 'startOn' | 'bay' | 'chance' | 'away' | 'onLift'>;
  readonly lengthMm?: number;
  readonly done: readonly string[];
  readonly needBy?: string;
}
/** A job as the calendar goes by it: what was kept of its plan. */
export const shopJob = ({
  id,
  plan,
  slot,
  done,
  needBy,
}: {
  readonly id: string;
  readonly plan: Pick<JobPlan, 'tasks' | 'lengthMm'>;
  readonly slot?: Slot | undefined;
  readonly done: readonly string[];
  readonly needBy?: string | undefined;
}): ShopJob => ({
  id,
  tasks: plan.tasks,
  done,
  ...(plan.lengthMm !== undefined && { lengthMm: plan.lengthMm }),
  ...(slot && { slot }),
  ...(needBy !== undefined && { needBy }),
});

export interface ShopToSchedule {
  readonly jobs: readonly ShopJob[];
  readonly people: readonly Person[];
  readonly bays: readonly Bay[];
  readonly week: ShopWeek;
  /** Nothing is placed before it, yyyy-mm-dd. */
  readonly today: string;
  readonly draws: number;
}

/** A task in the calendar, by days and by hours of work from the first. */
export interface DatedTask {
  readonly id: string;
  readonly title: string;
  readonly zoneId?: string;
  readonly fromDay: string;
  readonly toDay: string;
  readonly fromH: number;
  readonly toH: number;
  readonly who: readonly string[];
  /** On the longest way through its job with hands enough: an hour more of it is an hour later. */
  readonly isCritical: boolean;
}
/** A job in the calendar: foreseen in the middle of its ranges, and by draws the days that are kept with a chance. */
export interface DatedJob {
  readonly id: string;
  readonly bay?: string;
  /** Why it does not stand in the bay that was asked for. */
  readonly notIn?: { readonly bay: string; readonly why: BayTrouble };
  readonly fromDay: string;
  readonly toDay: string;
  readonly tasks: readonly DatedTask[];
  /** Day by chance, least to most. */
  readonly days: readonly { readonly chance: number; readonly day: string }[];
  readonly promised: { readonly on: string; readonly chance: number };
  /** Chance that it is finished by the day it is needed. */
  readonly byNeed?: number;
}
export type ShopDates =
  | {
      readonly ok: true;
      readonly jobs: readonly DatedJob[];
      readonly hoursADay: number;
      readonly days: readonly string[];
    }
  | { readonly ok: false; readonly jobId: string; readonly why: NoSchedule };

/** What is said of a finish: from a bold day to one that is nearly sure. */
const CHANCES = [0.1, 0.5, 0.8, 0.95] as const;
const USUAL_CHANCE = 0.8;

/** Orders tried for each job, beside the usual rule. */
const TRIES = 40;

/** Why a bay does not take a unit. */
export type BayTrouble = 'no lift' | 'too short';

const troubleOf = (
  { hasLift, longestMm = Infinity }: Bay,
  { slot, lengthMm = 0 }: Pick<ShopJob, 'slot' | 'lengthMm'>,
): BayTrouble | undefined => {
  if (slot?.onLift && !hasLift) return 'no lift';
  return lengthMm > longestMm ? 'too short' : undefined;
};

/** Bays that take it: the one that was asked for if it is one of them, else all of them. */
export function baysFor(job: Pick<ShopJob, 'slot' | 'lengthMm'>, bays: readonly Bay[]): readonly number[] {
  const fit = bays.flatMap((bay, k) => (troubleOf(bay, job) === undefined ? [k] : []));
  const asked = fit.filter((k) => bays[k]!.name === job.slot?.bay);
  return asked.length > 0 ? asked : fit;
}

const refusedBay = (job: ShopJob, bays: readonly Bay[]): Pick<DatedJob, 'notIn'> => {
  const bay = job.slot?.away ? undefined : bays.find(({ name }) => name === job.slot?.bay);
  const why = bay && troubleOf(bay, job);
  return why ? { notIn: { bay: bay.name, why } } : {};
};

const schedJob = (job: ShopJob, calendar: WorkCalendar, bays: readonly Bay[]): SchedJob => {
  const done = new Set(job.done);
  const { slot } = job;
  const { hoursADay } = calendar;
  const road = slot?.away ? Math.min(hoursADay - LEAST_AWAY_H, slot.away.travelHours) : 0;
  return {
    id: job.id,
    startH: slot ? hourOn(calendar, slot.startOn) : 0,
    bays: baysFor(job, bays),
    isAway: slot?.away !== undefined,
    slower: hoursADay / (hoursADay - road),
    tasks: job.tasks.map((task) => ({
      hours: task.hours,
      ...(task.tail && { tail: task.tail }),
      after: task.after,
      thenWaitH: task.thenWaitH ?? 0,
      hands: task.hands,
      welds: task.welds === true,
      atBench: task.atBench === true,
      axleOut: task.axleOut === true,
      notBeforeH: task.notBefore === undefined ? 0 : hourOn(calendar, task.notBefore),
      isDone: done.has(task.id),
    })),
  };
};
/** However far it is, this much of a day is worked, h. */
const LEAST_AWAY_H = 1;

/** Jobs that begin first go first; of those that begin on one day, in the order they were given. */
const inTurn = (jobs: readonly ShopJob[]): ShopJob[] =>
  [...jobs].sort((a, b) => (a.slot?.startOn ?? '9').localeCompare(b.slot?.startOn ?? '9'));

/** All jobs of a shop in its calendar, with the days that are kept by their chances. `random` gives 0 … 1, seeded. */
export function shopDates(
  shop: ShopToSchedule,
  random: () => number,
  heard?: (share: number) => void,
): ShopDates {
  const { people, bays, week, today, draws } = shop;
  const calendar = workCalendar(today, week);
  const resources: Resources = {
    calendar,
    people: people.map(({ welds }) => ({ welds })),
    bays: bays.length,
  };
  const jobs = inTurn(shop.jobs);
  const sched = jobs.map((job) => schedJob(job, calendar, bays));
  for (const job of sched) {
    const why = cannotBeDone(job, resources);
    if (why) return { ok: false, jobId: job.id, why };
  }
  // An order that serves each job best by itself; the jobs take turns as they begin.
  const orders = sched.map((job) => bestOrder(job, resources, { tries: TRIES, random }).order);
  const placed = schedule(sched, resources, (j, k) => middleHours(sched[j]!.tasks[k]!), orders);
  const beyond = placed.find(({ toH }) => toH >= calendar.days.length * calendar.hoursADay);
  if (beyond) return { ok: false, jobId: beyond.id, why: 'beyond the horizon' };
  const finishes = simulated(sched, resources, { draws, random, orders, ...(heard && { heard }) });
  return {
    ok: true,
    hoursADay: calendar.hoursADay,
    days: calendar.days.slice(0, 400),
    jobs: placed.map((each, j): DatedJob => {
      const job = jobs[j]!;
      const tasks = datedTasks(job, each.placed, calendar, people);
      return {
        id: each.id,
        ...(each.bay >= 0 && { bay: bays[each.bay]!.name }),
        ...refusedBay(job, bays),
        fromDay: dayAt(calendar, each.fromH),
        toDay: dayAt(calendar, each.toH, true),
        tasks,
        ...chancesOf(finishes[j]!, job, calendar),
      };
    }),
  };
}

function chancesOf(finish: FinishOf, { slot, needBy }: ShopJob, calendar: WorkCalendar) {
  const chance = slot?.chance ?? USUAL_CHANCE;
  return {
    days: CHANCES.map((each) => ({ chance: each, day: dayWithChance(finish, { calendar }, each) })),
    promised: { on: dayWithChance(finish, { calendar }, chance), chance },
    ...(needBy !== undefined && { byNeed: chanceBy(finish, { calendar }, needBy) }),
  };
}

const datedTasks = (
  { tasks, done }: ShopJob,
  { startH, endH, who, with: beside }: ReturnType<typeof schedule>[number]['placed'],
  calendar: WorkCalendar,
  people: readonly Person[],
): DatedTask[] => {
  const critical = criticalIn(tasks, done);
  return tasks.flatMap(({ id, title, zoneId }, k): DatedTask[] => {
    if (done.includes(id)) return [];
    return [
      {
        id,
        title,
        ...(zoneId !== undefined && { zoneId }),
        fromH: startH[k]!,
        toH: endH[k]!,
        fromDay: dayAt(calendar, startH[k]!),
        toDay: dayAt(calendar, endH[k]!, endH[k]! > startH[k]!),
        isCritical: critical.has(id),
        who: [who[k]!, beside[k]!].filter((each) => each >= 0).map((each) => people[each]!.name),
      },
    ];
  });
};

/** What stands on the longest way through what is left, by the middle of each range. */
function criticalIn(tasks: readonly PlannedTask[], done: readonly string[]): ReadonlySet<string> {
  const left = tasks.filter(({ id }) => !done.includes(id));
  const edges = left.flatMap(({ id, after }) =>
    after
      .map((before) => ({ before: tasks[before]!.id, after: id }))
      .filter(({ before }) => !done.includes(before)),
  );
  return new Set(criticalPath(left, edges, (task) => middleHours(task) / task.hands).ids);
}

/**
 * The last day one job may begin so that it is finished by the day it is needed with its chance, the others where they are; undefined where even today is
 * too late. Found by halving: later never ends sooner.
 */
export function latestStart(
  shop: ShopToSchedule,
  jobId: string,
  random: () => () => number,
): string | undefined {
  const job = shop.jobs.find(({ id }) => id === jobId);
  if (!job?.needBy) return undefined;
  const { days } = workCalendar(shop.today, shop.week);
  const chance = job.slot?.chance ?? USUAL_CHANCE;
  const isKept = (startOn: string): boolean => {
    const jobs = shop.jobs.map((each) =>
      each.id === jobId ? { ...each, slot: { chance, ...each.slot, startOn } } : each,
    );
    const dates = shopDates({ ...shop, jobs, draws: Math.min(400, shop.draws) }, random());
    return dates.ok && (dates.jobs.find(({ id }) => id === jobId)?.byNeed ?? 0) >= chance;
  };
  let [low, high] = [0, days.findIndex((day) => day > job.needBy!)];
  if (high <= 0 || !isKept(days[0]!)) return undefined;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (isKept(days[middle]!)) low = middle;
    else high = middle;
  }
  return days[low];
}
