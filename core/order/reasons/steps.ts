import type { Task } from '../task';
import type { OrderRule } from './rule';

const chains = (tasks: readonly Task[]): Task[][] => {
  const by = new Map<string, Task[]>();
  for (const task of tasks) {
    if (task.of.is === 'unit' || task.of.is === 'member') continue;
    const key = `${task.of.is} ${task.of.id}`;
    by.set(key, [...(by.get(key) ?? []), task]);
  }
  return [...by.values()];
};

/** Each thing's own steps follow each other; what is made at the bench waits for none of them. */
export const ownSteps: OrderRule = {
  why: 'own steps',
  pairs: ({ tasks }) =>
    chains(tasks).flatMap((chain) => {
      const onIt = chain.filter(({ atBench }) => !atBench);
      return onIt.slice(1).map((task, k) => [onIt[k]!, task] as const);
    }),
};

export const madeFirst: OrderRule = {
  why: 'made before it is fitted',
  pairs: ({ tasks }) =>
    chains(tasks).flatMap((chain) =>
      chain.flatMap((made, k) => {
        const next = made.atBench && chain.slice(k + 1).find(({ atBench }) => !atBench);
        return next ? [[made, next] as const] : [];
      }),
    ),
};
