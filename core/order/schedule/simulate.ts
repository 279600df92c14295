import { dayAt } from './calendar';
import { emptyPlaced, schedule, type Resources, type SchedJob, type SchedTask } from './serial';

/** A task's hours by one draw: evenly between least and most, and its tail as often as its chance. */
export function drawnHours({ hours: [least, most], tail }: SchedTask, random: () => number): number {
  // All three are drawn whether or not they are used, so that one task changed leaves the others' draws as they were.
  const [where, comes, how] = [random(), random(), random()];
  const extra = tail && comes < tail.chance ? tail.hours[0] + how * (tail.hours[1] - tail.hours[0]) : 0;
  return least + where * (most - least) + extra;
}

/** What is foreseen of a task in the middle of its range, its tail by its chance. */
export const middleHours = ({ hours: [least, most], tail }: Pick<SchedTask, 'hours' | 'tail'>): number =>
  (least + most) / 2 + (tail ? (tail.chance * (tail.hours[0] + tail.hours[1])) / 2 : 0);

/** When a job is finished, by draws: hours of work sorted, and the day that is kept with each chance. */
export interface FinishOf {
  readonly id: string;
  readonly endsH: Float64Array;
}

/** Every job scheduled over and over with its hours drawn anew, by the same rule of who goes first. `random` gives 0 … 1, seeded. */
export function simulated(
  jobs: readonly SchedJob[],
  resources: Resources,
  {
    draws,
    random,
    heard,
    orders,
  }: {
    readonly draws: number;
    readonly random: () => number;
    readonly heard?: (share: number) => void;
    /** In which order each job's tasks are placed; as they stand where nothing is said. */
    readonly orders?: readonly (readonly number[])[];
  },
): FinishOf[] {
  const ends = jobs.map(() => new Float64Array(draws));
  const hours = jobs.map(({ tasks }) => new Float64Array(tasks.length));
  const takes = (j: number, k: number) => hours[j]![k]!;
  const into = jobs.map(emptyPlaced);
  for (let draw = 0; draw < draws; draw++) {
    jobs.forEach(({ tasks }, j) =>
      tasks.forEach((task, k) => void (hours[j]![k] = drawnHours(task, random))),
    );
    schedule(jobs, resources, takes, orders, into).forEach(({ toH }, j) => void (ends[j]![draw] = toH));
    if (heard && draw % 200 === 199) heard((draw + 1) / draws);
  }
  return jobs.map(({ id }, j) => ({ id, endsH: ends[j]!.sort() }));
}

/** The day that is kept with this chance. */
export function dayWithChance(
  { endsH }: FinishOf,
  { calendar }: Pick<Resources, 'calendar'>,
  chance: number,
): string {
  const index = Math.min(endsH.length - 1, Math.max(0, Math.ceil(chance * endsH.length) - 1));
  return dayAt(calendar, endsH[index] ?? 0, true);
}

/** The chance that it is finished by the end of a day. */
export function chanceBy(
  { endsH }: FinishOf,
  { calendar }: Pick<Resources, 'calendar'>,
  date: string,
): number {
  let kept = 0;
  for (const end of endsH) if (dayAt(calendar, end, true) <= date) kept++;
  return endsH.length > 0 ? kept / endsH.length : 0;
}
