import { maybeLast } from '../frame';
import type { TaskSaid } from './records';
import type { Edge } from './reasons';
import type { Task } from './task';

export const TASK_STATES = ['open', 'started', 'done', 'not needed'] as const;
export type TaskState = (typeof TASK_STATES)[number];

/** What other records say of a task: measured, laid, looked at. Nobody ticks that again. */
export interface Fact {
  readonly at: string;
  readonly by: string;
  /** It says that what was done does not hold: no tick answers that, another record does. */
  readonly isUndone?: true;
}

/** How far a task has come. */
export interface TaskProgress {
  readonly task: Task;
  readonly state: TaskState;
  readonly startedAt?: string;
  readonly doneAt?: string;
  readonly by?: string;
  /** Known from the records of another room, not ticked here. */
  readonly isFromRecords: boolean;
  /** Hours that hands were on it, by start and stop; a clock that still runs counts until now. */
  readonly workedH: number;
  /** Who has its clock running. */
  readonly running: readonly string[];
  /** Said done more than once: it counts once. */
  readonly timesDone: number;
  /** Done before something that it waits for. */
  readonly aheadOf: readonly string[];
  /** Done, and what it was made from was changed after that. */
  readonly isChangedSince: boolean;
  /** A record says that it does not hold as it was done: it is open until another says that it was done anew. */
  readonly isUndone: boolean;
  /** Everything it waits for is done. */
  readonly isNext: boolean;
}

/** A clock left running longer than this was forgotten, h (ours: a long shift). It counts as this much, and is said. */
export const FORGOTTEN_H = 12;
const HOUR_MS = 3_600_000;

/** Each task by what was said of it, as it was kept, and by what other records know; in the plan's order. */
export function progressOf(
  { tasks, edges }: { readonly tasks: readonly Task[]; readonly edges: readonly Edge[] },
  said: readonly TaskSaid[],
  facts: ReadonlyMap<string, Fact>,
  nowMs: number,
): TaskProgress[] {
  const byTask = new Map<string, TaskSaid[]>();
  for (const each of said) byTask.set(each.taskId, [...(byTask.get(each.taskId) ?? []), each]);
  const alone = tasks.map((task) => ofTask(task, byTask.get(task.id) ?? [], facts.get(task.id), nowMs));
  const byId = new Map(alone.map((each) => [each.task.id, each]));
  const waitsFor = new Map<string, Set<string>>();
  for (const { before, after } of edges) waitsFor.set(after, (waitsFor.get(after) ?? new Set()).add(before));
  return alone.map((each) => {
    const before = [...(waitsFor.get(each.task.id) ?? [])].map((id) => byId.get(id)!);
    const open = before.filter(({ state }) => !isOver(state));
    const overtook = before.filter(
      (other) => each.doneAt !== undefined && (!isOver(other.state) || (other.doneAt ?? '') > each.doneAt),
    );
    return {
      ...each,
      aheadOf: each.state === 'done' ? overtook.map(({ task }) => task.id) : [],
      isNext: !isOver(each.state) && open.length === 0,
    };
  });
}

export const isOver = (state: TaskState): boolean => state === 'done' || state === 'not needed';

function ofTask(task: Task, kept: readonly TaskSaid[], fact: Fact | undefined, nowMs: number): TaskProgress {
  const said = [...kept].sort((a, b) => a.at.localeCompare(b.at));
  const last = said.findLast(({ is }) => is !== 'stopped');
  const again = said.findLast(({ is }) => is === 'again')?.at ?? '';
  const isUndone = fact?.isUndone === true;
  const reopened = isUndone && fact.at > again ? fact.at : again;
  const since = said.filter(({ at }) => at > reopened);
  // Where two devices disagree whether it was opened again before or after it was done, it is open.
  const isOpenAgain =
    isUndone || maybeLast(kept.filter(({ is }) => ENDS.has(is))).some(({ is }) => is === 'again');
  const done = isOpenAgain ? undefined : since.find(({ is }) => is === 'done');
  const { workedH, running } = clockOf(said, nowMs);
  // A record that was made before it was opened again knows of the first time only.
  const known = fact && !isUndone && fact.at > reopened ? fact : undefined;
  const state: TaskState =
    last?.is === 'not needed' && !isOpenAgain
      ? 'not needed'
      : done || known
        ? 'done'
        : since.some(({ is }) => is === 'started')
          ? 'started'
          : 'open';
  const over = done ?? known;
  const startedAt = since.find(({ is }) => is === 'started')?.at;
  return {
    task,
    state,
    ...(startedAt !== undefined && { startedAt }),
    ...(state === 'done' && over && { doneAt: over.at, by: over.by }),
    ...(state === 'not needed' && last && { doneAt: last.at, by: last.by }),
    isFromRecords: !done && known !== undefined,
    workedH,
    running: state === 'started' ? running : [],
    isChangedSince: state === 'done' && over !== undefined && (task.changedAt ?? '') > over.at,
    isUndone,
    timesDone: since.filter(({ is }) => is === 'done').length,
    aheadOf: [],
    isNext: false,
  };
}

const ENDS: ReadonlySet<TaskSaid['is']> = new Set<TaskSaid['is']>(['done', 'not needed', 'again']);

/** Each person's own clock: from a start to the next stop or end, whoever ends it for everybody. */
export function clockOf(
  said: readonly TaskSaid[],
  nowMs: number,
): {
  readonly workedH: number;
  readonly running: readonly string[];
  /** Who had a clock running at all. */
  readonly people: number;
  /** One was left running and counts as so much as nobody works: what it really took is not known. */
  readonly isForgotten: boolean;
} {
  const since = new Map<string, number>();
  const people = new Set<string>();
  let [workedH, isForgotten] = [0, false];
  const end = (who: string, atMs: number) => {
    const from = since.get(who);
    if (from === undefined) return;
    const hours = (atMs - from) / HOUR_MS;
    if (hours > FORGOTTEN_H) isForgotten = true;
    workedH += Math.min(FORGOTTEN_H, Math.max(0, hours));
    since.delete(who);
  };
  for (const { is, by, at } of said) {
    const atMs = Date.parse(at);
    if (is === 'started') people.add(by);
    if (is === 'started' && !since.has(by)) since.set(by, atMs);
    if (is === 'stopped') end(by, atMs);
    if (is === 'done' || is === 'not needed') for (const who of [...since.keys()]) end(who, atMs);
  }
  const running = [...since.keys()];
  for (const who of running) end(who, nowMs);
  return { workedH, running, people: people.size, isForgotten };
}

/** Parts that are off and not back, and refits that nobody tried: nothing is closed while there are any. */
export const openRefits = (progress: readonly TaskProgress[]): TaskProgress[] =>
  progress.filter(({ task, state }) => {
    if (isOver(state)) return false;
    const own = progress.filter((other) => other.task.of.is === 'part' && other.task.of.id === task.of.id);
    const isOff = own.some(
      (other) =>
        (other.task.what === 'take off' ||
          other.task.what === 'take off load' ||
          other.task.what === 'battery off') &&
        other.state === 'done',
    );
    return (
      isOff &&
      task.of.is === 'part' &&
      (task.what === 'put back' ||
        task.what === 'put back load' ||
        task.what === 'test' ||
        task.what === 'battery on')
    );
  });
