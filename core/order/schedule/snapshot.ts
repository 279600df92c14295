import { fingerprint } from '../../quantity';
import type { Plan } from '../plan';
import { isOver, type TaskProgress } from '../progress';
import type { Bought, PlannedTask } from '../records';
import type { Task } from '../task';

/** What is still to be done of a plan, as it is kept for the shop's calendar: titles as they are read, parts not before they are due. */
export function snapshotOf(
  { edges }: Plan,
  progress: readonly TaskProgress[],
  title: (task: Task) => string,
  bought: readonly Bought[],
): PlannedTask[] {
  const open = progress.filter(({ state }) => !isOver(state)).map(({ task }) => task);
  const at = new Map(open.map(({ id }, k) => [id, k]));
  return open.map((task, k): PlannedTask => {
    const after = edges.flatMap((edge) => {
      const before = at.get(edge.before);
      return edge.after === task.id && before !== undefined && before < k ? [before] : [];
    });
    const part = task.partKey === undefined ? undefined : bought.findLast(({ key }) => key === task.partKey);
    return {
      id: task.id,
      title: title(task).slice(0, 160),
      ...(task.zoneId !== undefined && { zoneId: task.zoneId }),
      hours: [task.hours[0], task.hours[1]],
      ...(task.tail && {
        tail: { chance: task.tail.chance, hours: [...task.tail.hours] as [number, number] },
      }),
      hands: task.hands,
      ...(task.needsWelder && { welds: true as const }),
      ...(task.atBench && { atBench: true as const }),
      ...(task.axleOut && { axleOut: true as const }),
      ...(task.thenWaitH !== undefined && { thenWaitH: task.thenWaitH }),
      after: [...new Set(after)],
      ...(part?.is === 'ordered' && part.due !== undefined && { notBefore: part.due }),
    };
  });
}

/** Equal while the records make the same tasks in the same order, done or not. */
export const planBasis = ({ tasks, edges }: Pick<Plan, 'tasks' | 'edges'>): string =>
  fingerprint([
    ...tasks.map(({ id, hours }) => `${id} ${hours.map((each) => each.toFixed(2)).join(' ')}`),
    '|',
    ...edges.map(({ before, after }) => `${before} ${after}`),
  ]);
