import { lastWord } from '../../frame';
import type { Removal } from '../../order';
import { stands, type JobRecords } from '../records';

/** What is recorded as off and owes a refit, or a test, by the records alone: nothing is closed while there is any. */
export function leftOff(records: Pick<JobRecords, 'evidence' | 'strikes'>): Removal[] {
  const removals = stands(records, 'removal');
  const said = [...stands(records, 'task')].sort((a, b) => a.at.localeCompare(b.at));
  const isOver = (taskId: string, since: string): boolean => {
    const last = said.findLast(
      (each) => each.taskId === taskId && each.at >= since && OVER_OR_NOT.has(each.is),
    );
    return last !== undefined && last.is !== 'again';
  };
  return [...new Set(removals.map(({ partId }) => partId))].flatMap((partId) => {
    const own = removals.filter((each) => each.partId === partId);
    const removal = lastWord(own, ({ fate }) => Number(fate !== 'scrap'))!;
    if (removal.fate === 'scrap') return [];
    const off = own.reduce((last, { at }) => (at > last ? at : last), '');
    const isBack = ['put back', 'refix', 'put back load'].some((what) => isOver(`${what} ${partId}`, off));
    const isLoad = partId.startsWith('load ');
    return isBack && (isLoad || isOver(`test ${partId}`, off)) ? [] : [removal];
  });
}
const OVER_OR_NOT: ReadonlySet<string> = new Set(['done', 'not needed', 'again']);
