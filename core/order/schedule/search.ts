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
  const waits = Int32Array.from(tasks, ({ after }) => after.length);
  const followers: number[][] = tasks.map(() => []);
  tasks.forEach(({ after }, k) => after.forEach((before) => followers[before]!.push(k)));
  const ready = tasks.flatMap((_, k) => (waits[k] === 0 ? [k] : []));
  const order: number[] = [];
  while (ready.length > 0) {
    let best = 0;
    for (let n = 1; n < ready.length; n++) if (sort(ready[n]!, ready[best]!) < 0) best = n;
    const [next] = ready.splice(best, 1);
    order.push(next!);
    for (const follower of followers[next!]!) if (--waits[follower]! === 0) ready.push(follower);
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
