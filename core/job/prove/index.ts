import {
  answered,
  flexPairs,
  holdsSignOff,
  isSignedOff,
  openItems,
  type Answered,
  type Change,
  type FlexPair,
  type SignOff,
} from '../../prove';
import { jobOrder } from '../order';
import type { Works } from '../order/scene';
import { stands, type JobFile } from '../records';
import { proveScene, workedWhen } from './scene';
import { isAllKept } from './advice';
import { readAround, type ReadAround } from './read-around';
import { worthOf, type RepairWorth } from './worth';

export {
  adviceOf,
  expectedFelt,
  isAllKept,
  type Advice,
  type AskedCase,
  type AxleMargin,
  type ExpectedFelt,
} from './advice';
export { jobDebris, weighedIn } from './preserved';
export { readAround, type ReadAround, type ReadTimes } from './read-around';
export { slicesOf, type RepairSlices } from './slices';
export { worthOf, type RepairWorth } from './worth';
export { proveScene, workedWhen } from './scene';

/** Whether a job is right, as far as its records say, at an instant. */
export interface JobProof {
  readonly changes: readonly Change[];
  readonly pairs: readonly FlexPair[];
  /** Kept repairs, as found and as specified. */
  readonly worth: readonly RepairWorth[];
  /** Where each kept repair lies, as it was read before and after. */
  readonly read: readonly ReadAround[];
  /** Nothing that the repaired frame is worked out with is only proposed. */
  readonly isAllKept: boolean;
  /** Everything open, with what was said of it. */
  readonly items: readonly Answered[];
  /** What stands against signing off at all. */
  readonly holds: readonly Answered[];
  /** The last sign-off, and whether it holds as things stand. */
  readonly signOff?: SignOff;
  readonly isSignedOff: boolean;
  readonly wasWorked: boolean;
  /** When metal was first cut or laid, and when last. */
  readonly cutAt?: string;
  readonly laidAt?: string;
}

export function jobProof(file: JobFile, works: Works, nowMs: number, today: string): JobProof {
  const order = jobOrder(file, works, nowMs);
  const scene = proveScene(file, works, order, { nowMs, today });
  const worked = workedWhen(order.progress);
  const signOff = stands(file, 'sign off').at(-1);
  const items = answered(openItems(scene), stands(file, 'left undone'), signOff);
  return {
    changes: scene.changes,
    pairs: flexPairs(stands(file, 'flex'), { cutAt: worked.cutAt, since: worked.laidAt }),
    worth: worthOf([...works.values()]),
    read: readAround(file, works, order.progress),
    isAllKept: isAllKept([...works.values()]),
    items,
    holds: holdsSignOff(items),
    ...(signOff && { signOff }),
    isSignedOff: isSignedOff(items, signOff),
    wasWorked: scene.wasWorked,
    ...worked,
  };
}
