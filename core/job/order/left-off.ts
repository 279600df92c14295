import type { Removal } from '../../order';
import { stands, type JobRecords } from '../records';

/** What is recorded as off and owes a refit, or a test, by the records alone: nothing is closed while there is any. */
export function leftOff(records: Pick<JobRecords, 'evidence' | 'strikes'>): Removal[] {
  const removals = new Map(stands(records, 'removal').map((removal) => [removal.partId, removal]));
  const said = [...stands(records, 'task')].sort((a, b) => a.at.localeCompare(b.at));
  const isOver = (taskId: string, since: string): boolean => {
    const last = said.findLast(
      (each) => each.taskId === taskId && each.at >= since && OVER_OR_NOT.has(each.is),
    );
    return last !== undefined && last.is !== 'again';
  };
  return [...removals.values()].filter(({ partId, fate, at }) => {
    if (fate === 'scrap') return false;
    const isBack = ['put back', 'refix', 'put back load'].some((what) => isOver(`${what} ${partId}`, at));
    const isLoad = partId.startsWith('load ');
    return !isBack || (!isLoad && !isOver(`test ${partId}`, at));
  });
}
const OVER_OR_NOT: ReadonlySet<string> = new Set(['done', 'not needed', 'again']);
