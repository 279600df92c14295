import { SMALL } from '../hours';
import { taskId, type Task } from '../task';
import { UNIT, type TaskSource } from './source';

/** Stands, cribs or arms set before the first cut, and out once the last weld is cool: what the open frame rests on meanwhile. */
export const supports: TaskSource = ({ repairs, works, renewals, aligns }) => {
  const isOpened =
    repairs.some(({ isCutOut }) => isCutOut) ||
    renewals.length > 0 ||
    aligns.length > 0 ||
    works.some(({ form, weldM }) => weldM > 0 || form === 'splice');
  if (!isOpened) return [];
  return (['set stands', 'stands out'] as const).map((what): Task => ({
    id: taskId(what, 'unit'),
    what,
    of: UNIT,
    hours: SMALL.stands!,
    hands: 2,
  }));
};
