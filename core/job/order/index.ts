import {
  gatesOf,
  openRefits,
  planOrder,
  progressOf,
  shutBefore,
  type Gate,
  type OrderScene,
  type Plan,
  type TaskProgress,
} from '../../order';
import { stands, type JobFile } from '../records';
import { jobLedger } from '../seams';
import { factsOf } from './facts';
import { gateScene } from './gate-scene';
import { orderScene, type Works } from './scene';
import type { JobToGet } from './got';
import { toGet } from './to-get';

export { alongFrame, orderScene } from './scene';
export { costsOf, type JobToGet, type KitFor, type ToGet } from './got';
export { toGet } from './to-get';
export { leftOff } from './left-off';
export { reopenedBy } from './reopened';

/** The order of a job's work as it stands at an instant: every task with how far it is, every gate, what is next. */
export interface JobOrder {
  readonly scene: OrderScene;
  readonly plan: Plan;
  readonly progress: readonly TaskProgress[];
  readonly gates: readonly Gate[];
  /** Tasks that may be begun now, gates open. */
  readonly next: readonly TaskProgress[];
  readonly toGet: JobToGet;
  /** Off and not back, back and not tried. */
  readonly refits: readonly TaskProgress[];
}

export function jobOrder(file: JobFile, works: Works, nowMs: number): JobOrder {
  const scene = orderScene(file, works);
  const plan = planOrder(scene);
  return { scene, plan, toGet: toGet(file, works, { scene, plan }), ...orderNow(file, works, plan, nowMs) };
}

/** The sets of bolts of each repair. */
const setsOf = (works: Works): ReadonlyMap<string, readonly string[]> =>
  new Map(
    [...works.values()].flatMap(({ repairs }) =>
      repairs.map(({ repair, joined }) => [repair.id, joined.bolts.map(({ id }) => id)] as const),
    ),
  );

/** What moves with the clock and with what is ticked, on a plan that was made before. */
export function orderNow(
  file: JobFile,
  works: Works,
  plan: Plan,
  nowMs: number,
): Omit<JobOrder, 'scene' | 'plan' | 'toGet'> {
  const ledger = jobLedger(file, [...works.values()]);
  const progress = progressOf(
    plan,
    stands(file, 'task'),
    factsOf(file, plan, { ledger, sets: setsOf(works) }),
    nowMs,
  );
  const gates = gatesOf(gateScene({ file, works }, plan, progress, ledger, nowMs));
  return {
    progress,
    gates,
    next: progress.filter(({ isNext, task }) => isNext && shutBefore(gates, task.id).length === 0),
    refits: openRefits(progress),
  };
}
