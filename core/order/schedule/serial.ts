import { afterWait, type WorkCalendar } from './calendar';

/** A task as the calendar has it: numbers only, so that thousands of draws of it are quick. */
export interface SchedTask {
  readonly hours: readonly [number, number];
  readonly tail?: { readonly chance: number; readonly hours: readonly [number, number] };
  /** Earlier tasks of the job that it waits for, by number. */
  readonly after: readonly number[];
  readonly thenWaitH: number;
  readonly hands: 1 | 2;
  readonly welds: boolean;
  readonly atBench: boolean;
  readonly axleOut: boolean;
  /** Not before this hour of work. */
  readonly notBeforeH: number;
  /** Done already: it takes nothing. */
  readonly isDone: boolean;
}
export interface SchedJob {
  readonly id: string;
  readonly tasks: readonly SchedTask[];
  readonly startH: number;
  /** Bays it may stand in, by number; not read where it is done away. */
  readonly bays: readonly number[];
  readonly isAway: boolean;
  /** Hours of each away day lost to the road, as a factor on its work; 1 in the shop. */
  readonly slower: number;
}
export interface Crew {
  readonly welds: boolean;
}
export interface Resources {
  readonly calendar: WorkCalendar;
  readonly people: readonly Crew[];
  readonly bays: number;
}

/** Hours of work from the calendar's first. */
export interface Placed {
  readonly startH: Float64Array;
  readonly endH: Float64Array;
  /** From when what waits for it may begin: its wait by the clock is over. */
  readonly freedH: Float64Array;
  /** Who, by number; −1 for nobody. */
  readonly who: Int16Array;
  readonly with: Int16Array;
}
export interface ScheduledJob {
  readonly id: string;
  readonly placed: Placed;
  readonly bay: number;
  readonly fromH: number;
  readonly toH: number;
}

/** Why a job has no place in the calendar. */
export const NO_SCHEDULE = [
  'nobody works here',
  'nobody welds',
  'not two pairs of hands',
  'no bay',
  'no bay fits',
  'beyond the horizon',
] as const;
export type NoSchedule = (typeof NO_SCHEDULE)[number];

/** What stands against a job ever being done by these people in these bays. */
export function cannotBeDone(job: SchedJob, { people, bays }: Resources): NoSchedule | undefined {
  const open = job.tasks.filter(({ isDone }) => !isDone);
  if (open.length === 0) return undefined;
  if (people.length === 0) return 'nobody works here';
  if (open.some(({ welds }) => welds) && !people.some(({ welds }) => welds)) return 'nobody welds';
  if (open.some(({ hands }) => hands === 2) && people.length < 2) return 'not two pairs of hands';
  if (job.isAway) return undefined;
  if (bays === 0) return 'no bay';
  return job.bays.length === 0 ? 'no bay fits' : undefined;
}

/** Stretches of time that somebody or something is taken, sorted, never overlapping. */
type Taken = { from: number[]; to: number[] };
const free = (): Taken => ({ from: [], to: [] });
/** What is taken, written over what another had: thousands of draws allocate nothing here. */
function copyInto({ from, to }: Taken, other: Taken): void {
  const n = (other.from.length = other.to.length = from.length);
  for (let k = 0; k < n; k++) {
    other.from[k] = from[k]!;
    other.to[k] = to[k]!;
  }
}

/** The first moment from `fromH` on that is free for so long. */
function firstGap({ from, to }: Taken, fromH: number, takesH: number): number {
  let at = fromH;
  // Most is looked for near the end of what is taken.
  let k = lowerBound(to, at);
  for (; k < from.length; k++) {
    if (from[k]! - at >= takesH - 1e-9) return at;
    if (to[k]! > at) at = to[k]!;
  }
  return at;
}
/** First index whose value is over `at`. */
function lowerBound(sorted: readonly number[], at: number): number {
  let [low, high] = [0, sorted.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle]! > at) high = middle;
    else low = middle + 1;
  }
  return low;
}
/** What follows on without a gap is one stretch: lists stay short. */
function take({ from, to }: Taken, fromH: number, toH: number): void {
  if (!(toH > fromH)) return;
  const k = lowerBound(from, fromH);
  const isAfter = k > 0 && fromH - to[k - 1]! < NO_GAP_H;
  const isBefore = k < from.length && from[k]! - toH < NO_GAP_H;
  if (isAfter && isBefore) {
    to[k - 1] = to[k]!;
    from.splice(k, 1);
    to.splice(k, 1);
  } else if (isAfter) to[k - 1] = toH;
  else if (isBefore) from[k] = fromH;
  else {
    from.splice(k, 0, fromH);
    to.splice(k, 0, toH);
  }
}
/** Sums of hours round: a gap under this is none, h. */
const NO_GAP_H = 1e-9;

interface Free {
  /** Swapped with `tried` once a job has its place. */
  people: Taken[];
  tried: Taken[];
  readonly bays: Taken[];
}

/**
 * Jobs one after another in their order, each task at the first moment that what it waits for, who it needs and its bay allow (serial schedule
 * generation, Kelley 1963): a later job fills gaps that an earlier one left. `takes` gives each task's own hours. A bay is held from a job's first
 * task in it to its last; whoever does a task stays on it to its end. Places are written `into` what the caller has, where it draws over and over.
 */
export function schedule(
  jobs: readonly SchedJob[],
  resources: Resources,
  takes: (job: number, task: number) => number,
  priority?: readonly (readonly number[])[],
  into: readonly Placed[] = jobs.map(emptyPlaced),
): ScheduledJob[] {
  const at: Free = {
    people: resources.people.map(free),
    tried: resources.people.map(free),
    bays: Array.from({ length: resources.bays }, free),
  };
  return jobs.map((job, j) => {
    const order = priority?.[j] ?? job.tasks.map((_, k) => k);
    return placeJob(job, resources, at, { takes: (k) => takes(j, k), order, placed: into[j]! });
  });
}

/** How one job is placed: its tasks' own hours, their order, and where the places are written. */
interface Placing {
  readonly takes: (task: number) => number;
  readonly order: readonly number[];
  readonly placed: Placed;
}
export const emptyPlaced = ({ tasks: { length } }: Pick<SchedJob, 'tasks'>): Placed => ({
  startH: new Float64Array(length),
  endH: new Float64Array(length),
  freedH: new Float64Array(length),
  who: new Int16Array(length),
  with: new Int16Array(length),
});

/** A job that finds its bay taken somewhere within its stay is tried after that; so often at most. */
const TRIES = 60;

function placeJob(
  job: SchedJob,
  resources: Resources,
  at: Free,
  { takes, order, placed }: Placing,
): ScheduledJob {
  const { bays } = job;
  let from = firstBayH(job, at.bays);
  for (let tries = 0; ; tries++) {
    // Nobody's bay is ever free: it is placed as if there were one, and the bay says −1.
    const isLast = tries === TRIES;
    for (let k = 0; k < at.people.length; k++) copyInto(at.people[k]!, at.tried[k]!);
    placeTasks(job, resources, at.tried, isLast ? job.startH : from, { takes, order, placed });
    const stays = staysOf(job, placed, resources.calendar.hoursADay);
    const clashes = bays.map((bay) => clashesAt(at.bays[bay]!, stays));
    const free = clashes.indexOf(undefined);
    if (!job.isAway && !isLast && free < 0) {
      from = Math.max(Math.min(...clashes.map((each) => each!)), from + LEAST_STEP_H);
      continue;
    }
    [at.people, at.tried] = [at.tried, at.people];
    const bay = job.isAway || isLast ? -1 : bays[free]!;
    if (bay >= 0) for (const { fromH, toH } of stays) take(at.bays[bay]!, fromH, toH);
    const fromH = stays[0]?.fromH ?? from;
    return { id: job.id, placed, bay, fromH, toH: lastEnd(placed, from) };
  }
}

/** A job that needs a bay from its first task on is not tried before one is free for a moment. */
function firstBayH({ tasks, bays, startH, isAway }: SchedJob, taken: readonly Taken[]): number {
  const needsOne = tasks.every(({ isDone, atBench }) => isDone || !atBench);
  if (isAway || bays.length === 0 || !needsOne) return startH;
  let first = Infinity;
  for (const bay of bays) first = Math.min(first, firstGap(taken[bay]!, startH, LEAST_STEP_H));
  return first;
}

const lastEnd = ({ endH }: Placed, from: number): number => {
  let last = from;
  for (const end of endH) if (end > last) last = end;
  return last;
};

interface Stay {
  readonly fromH: number;
  readonly toH: number;
}

/**
 * When it stands in its bay: from its first task there to its last while an axle is out; a unit that rolls is pushed out where nothing is done to it
 * for a whole day or longer.
 */
function staysOf({ tasks }: SchedJob, { startH, endH }: Placed, dayH: number): Stay[] {
  const spans: Stay[] = [];
  for (let k = 0; k < tasks.length; k++)
    if (!tasks[k]!.atBench && !tasks[k]!.isDone && endH[k]! > startH[k]!)
      spans.push({ fromH: startH[k]!, toH: endH[k]! });
  spans.sort((a, b) => a.fromH - b.fromH);
  const mayLeave = !tasks.some(({ axleOut }) => axleOut);
  const stays: { fromH: number; toH: number }[] = [];
  for (const { fromH, toH } of spans) {
    const last = stays.at(-1);
    if (last && !(mayLeave && fromH - last.toH >= dayH)) last.toH = Math.max(last.toH, toH);
    else stays.push({ fromH, toH });
  }
  return stays;
}

/** A later stay that clashes moves the whole job on by the clash’s end less where that stay began: at least so far, h. */
const LEAST_STEP_H = 0.25;

/**
 * From when the job may be tried again, if its bay is taken anywhere within its stays: all of them moved on together until none clashes. They are placed
 * anew from there, so that what moves differently is seen.
 */
function clashesAt(bay: Taken, stays: readonly Stay[]): number | undefined {
  let by = 0;
  for (let k = 0; k < stays.length; k++) {
    const { fromH, toH } = stays[k]!;
    const free = clashAt(bay, fromH + by, toH + by);
    if (free === undefined) continue;
    by = free - fromH;
    k = -1;
  }
  return by > 0 ? stays[0]!.fromH + by : undefined;
}

/** Where the bay is free again, if it is taken anywhere within. */
function clashAt({ from, to }: Taken, fromH: number, toH: number): number | undefined {
  for (let k = lowerBound(to, fromH); k < from.length && from[k]! < toH - 1e-9; k++)
    if (to[k]! > fromH + 1e-9) return to[k];
  return undefined;
}

function placeTasks(
  { tasks, slower }: SchedJob,
  { calendar, people: crew }: Resources,
  people: readonly Taken[],
  from: number,
  { takes, order, placed: { startH, endH, freedH, who, with: beside } }: Placing,
): void {
  startH.fill(from);
  endH.fill(from);
  freedH.fill(from);
  who.fill(-1);
  beside.fill(-1);
  for (const k of order) {
    const task = tasks[k]!;
    if (task.isDone) continue;
    let ready = Math.max(from, task.notBeforeH);
    const { after } = task;
    for (let n = 0; n < after.length; n++) {
      const freed = freedH[after[n]!]!;
      if (freed > ready) ready = freed;
    }
    const hours = (takes(k) * slower) / task.hands;
    const { first, second, at } = handsFor(task, crew, people, ready, hours);
    startH[k] = at;
    endH[k] = at + hours;
    freedH[k] = task.thenWaitH > 0 ? afterWait(calendar, at + hours, task.thenWaitH) : at + hours;
    who[k] = first;
    beside[k] = second;
    if (first >= 0) take(people[first]!, at, at + hours);
    if (second >= 0) take(people[second]!, at, at + hours);
  }
}

interface Hands {
  first: number;
  second: number;
  at: number;
}
/** Written over by each task in turn. */
const found: Hands = { first: -1, second: -1, at: 0 };

/** Who is free first for so long: a welder where one is needed, and any other beside for two pairs of hands. Read before it is asked again. */
function handsFor(
  { welds, hands }: SchedTask,
  crew: readonly Crew[],
  people: readonly Taken[],
  ready: number,
  hours: number,
): Readonly<Hands> {
  found.first = found.second = -1;
  found.at = Infinity;
  for (let a = 0; a < people.length; a++) {
    if (welds && !crew[a]!.welds) continue;
    if (hands === 1) {
      const gap = firstGap(people[a]!, ready, hours);
      // Whoever does not weld is taken first where it makes no difference: welders are scarce.
      const isNoLater = gap < found.at + 1e-9 && found.first >= 0;
      if (gap < found.at - 1e-9 || (isNoLater && crew[found.first]!.welds && !crew[a]!.welds)) {
        found.first = a;
        found.at = gap;
      }
      continue;
    }
    for (let b = welds ? 0 : a + 1; b < people.length; b++) {
      if (b === a) continue;
      const at = bothFree(people[a]!, people[b]!, ready, hours);
      if (at >= found.at - 1e-9) continue;
      found.first = a;
      found.second = b;
      found.at = at;
    }
  }
  if (found.first < 0) found.at = ready;
  return found;
}

function bothFree(one: Taken, other: Taken, ready: number, hours: number): number {
  let at = ready;
  for (;;) {
    const next = firstGap(other, firstGap(one, at, hours), hours);
    if (next <= at + 1e-9) return next;
    at = next;
  }
}
