import type { Edge } from './reasons';
import { stageOf, STAGES, type Task } from './task';

/** Tasks that each wait for the other, round and round, with the reasons that make them. */
export interface Circle {
  readonly ids: readonly string[];
  readonly edges: readonly Edge[];
}

type Nexts = ReadonlyMap<string, readonly string[]>;
const nextsOf = (edges: readonly Pick<Edge, 'before' | 'after'>[]): Nexts => {
  const nexts = new Map<string, string[]>();
  for (const { before, after } of edges) {
    const known = nexts.get(before);
    if (known) known.push(after);
    else nexts.set(before, [after]);
  }
  return nexts;
};

/** Sets of tasks that reach each other (Tarjan's strongly connected components of more than one). */
export function circlesIn(ids: readonly string[], edges: readonly Edge[]): Circle[] {
  const nexts = nextsOf(edges);
  const index = new Map<string, number>();
  const low = new Map<string, number>();
  const stack: string[] = [];
  const onStack = new Set<string>();
  const found: Circle[] = [];
  const visit = (id: string): void => {
    index.set(id, index.size);
    low.set(id, index.get(id)!);
    stack.push(id);
    onStack.add(id);
    for (const next of nexts.get(id) ?? [])
      if (!index.has(next)) {
        visit(next);
        low.set(id, Math.min(low.get(id)!, low.get(next)!));
      } else if (onStack.has(next)) low.set(id, Math.min(low.get(id)!, index.get(next)!));
    if (low.get(id) !== index.get(id)) return;
    const circle = new Set<string>();
    for (let other = ''; other !== id;) {
      other = stack.pop()!;
      onStack.delete(other);
      circle.add(other);
    }
    if (circle.size > 1)
      found.push({
        ids: ids.filter((each) => circle.has(each)),
        edges: edges.filter(({ before, after }) => circle.has(before) && circle.has(after)),
      });
  };
  for (const id of ids) if (!index.has(id)) visit(id);
  return found;
}

/** Where each task stands by habit: its stage, its zone, then as the sources made it. Equal on every device. */
function ranksOf(tasks: readonly Task[]): ReadonlyMap<string, number> {
  const zones = [...new Set(tasks.flatMap(({ zoneId }) => zoneId ?? []))].sort(
    (a, b) => a.length - b.length || a.localeCompare(b),
  );
  const zoneOf = ({ zoneId }: Task) => (zoneId === undefined ? 0 : 1 + zones.indexOf(zoneId));
  return new Map(
    tasks.map((task, k) => [task.id, STAGES.indexOf(stageOf(task)) * 1e6 + zoneOf(task) * 1e3 + k]),
  );
}

/** Edges that hold once circles are cut: within a circle, only those that go forward through the stages, and as the tasks were made within one. */
export function withoutCircles(
  tasks: readonly Task[],
  edges: readonly Edge[],
  circles: readonly Circle[],
): Edge[] {
  const rank = ranksOf(tasks);
  const cut = new Set(
    circles.flatMap((circle) =>
      circle.edges.filter(({ before, after }) => rank.get(before)! > rank.get(after)!),
    ),
  );
  return edges.filter((edge) => !cut.has(edge));
}

/** One order of all tasks that breaks no reason: of those that may come next, the earliest stage first, then as they were made. Edges make no circle. */
export function inOrder(tasks: readonly Task[], edges: readonly Edge[]): Task[] {
  const waits = new Map(tasks.map(({ id }) => [id, 0]));
  for (const { after } of edges) waits.set(after, waits.get(after)! + 1);
  const nexts = nextsOf(edges);
  const rank = ranksOf(tasks);
  const byId = new Map(tasks.map((task) => [task.id, task]));
  const ready = tasks.filter(({ id }) => waits.get(id) === 0);
  const order: Task[] = [];
  while (ready.length > 0) {
    let best = 0;
    for (let k = 1; k < ready.length; k++) if (rank.get(ready[k]!.id)! < rank.get(ready[best]!.id)!) best = k;
    const [task] = ready.splice(best, 1);
    order.push(task!);
    for (const next of nexts.get(task!.id) ?? []) {
      waits.set(next, waits.get(next)! - 1);
      if (waits.get(next) === 0) ready.push(byId.get(next)!);
    }
  }
  return order;
}

/** When each task may begin at the earliest with hands enough, how long all of it takes, and what stands on the longest way (no slack). Hours. */
export interface CriticalPath {
  readonly startH: ReadonlyMap<string, number>;
  readonly slackH: ReadonlyMap<string, number>;
  readonly wholeH: number;
  readonly ids: readonly string[];
}

/** Slack smaller than this is none, h. */
const NONE_H = 1e-9;

/** The longest way through (critical path method): forward for starts, backward for slack. `hours` of a task, hands shared out, its wait after it. */
export function criticalPath<Step extends Pick<Task, 'id' | 'thenWaitH'>>(
  order: readonly Step[],
  edges: readonly Pick<Edge, 'before' | 'after'>[],
  hours: (task: Step) => number,
): CriticalPath {
  const takes = (task: Step) => hours(task) + (task.thenWaitH ?? 0);
  const into = new Map<string, Pick<Edge, 'before' | 'after'>[]>();
  for (const edge of edges) into.set(edge.after, [...(into.get(edge.after) ?? []), edge]);
  const byId = new Map(order.map((task) => [task.id, task]));
  const startH = new Map<string, number>();
  for (const task of order)
    startH.set(
      task.id,
      Math.max(
        0,
        ...(into.get(task.id) ?? []).map(({ before }) => startH.get(before)! + takes(byId.get(before)!)),
      ),
    );
  const wholeH = Math.max(0, ...order.map((task) => startH.get(task.id)! + takes(task)));
  const latest = new Map<string, number>();
  const out = nextsOf(edges);
  for (const task of [...order].reverse()) {
    const end = Math.min(wholeH, ...(out.get(task.id) ?? []).map((next) => latest.get(next)!));
    latest.set(task.id, end - takes(task));
  }
  const slackH = new Map(order.map(({ id }) => [id, latest.get(id)! - startH.get(id)!]));
  return {
    startH,
    slackH,
    wholeH,
    ids: order.filter(({ id }) => slackH.get(id)! <= NONE_H).map(({ id }) => id),
  };
}
