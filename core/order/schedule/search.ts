import { middleHours } from './simulate';
import { schedule, type Resources, type SchedJob } from './serial';

/** A job's tasks with what longest waits behind them first: the usual rule, and where a search begins. */
export function byLongestTail({ tasks }: SchedJob, takes = (k: number) => middleHours(tasks[k]!)): number[] {
  const tail = new Float64Array(tasks.length);
  for (let k = tasks.length - 1; k >= 0; k--) {
    tail[k]! += tasks[k]!.isDone ? 0 : takes(k) / tasks[k]!.hands + tasks[k]!.thenWaitH;
    for (const before of tasks[k]!.after) tail[before] = Math.max(tail[before]!, tail[k]!);
  }
  return inTurn(tasks, (a, b) => tail[b]! - tail[a]!);
}

/** An order in which every task comes after what it waits for; of those that may come, the first by `sort`. */
function inTurn(tasks: SchedJob['tasks'], sort: (a: number, b: number) => number): number[] {
  const left = new Set(tasks.map((_, k) => k));
  const order: number[] = [];
  while (left.size > 0) {
    const ready = [...left].filter((k) => tasks[k]!.after.every((before) => !left.has(before)));
    const next = ready.sort(sort)[0]!;
    left.delete(next);
    order.push(next);
  }
  return order;
}

/**
 * Orders of one job's tasks tried at random from the longest-tail rule on: the one that ends first is kept. Never worse than the rule; on small jobs
 * it finds what an exact search does (see the checks).
 */
export function bestOrder(
  job: SchedJob,
  resources: Resources,
  { tries, random }: { readonly tries: number; readonly random: () => number },
): { readonly order: readonly number[]; readonly toH: number } {
  const takes = (k: number) => middleHours(job.tasks[k]!);
  const endOf = (order: readonly number[]) => schedule([job], resources, (_, k) => takes(k), [order])[0]!.toH;
  let order = byLongestTail(job);
  let toH = endOf(order);
  for (let k = 0; k < tries; k++) {
    const noise = job.tasks.map(() => random());
    const rank = new Float64Array(job.tasks.length);
    order.forEach((task, place) => (rank[task] = place));
    const spread = 1 + random() * job.tasks.length;
    const other = inTurn(job.tasks, (a, b) => rank[a]! + spread * noise[a]! - rank[b]! - spread * noise[b]!);
    const ends = endOf(other);
    if (ends < toH - 1e-9) [order, toH] = [other, ends];
  }
  return { order, toH };
}
