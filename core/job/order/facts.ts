import { crackedSince, type SeamLog, type Tightened } from '../../join';
import { taskId, type Fact, type Plan, type Task } from '../../order';
import { toAlign } from '../alignment';
import { stands, type JobRecords } from '../records';
import type { LedgerSeam } from '../seams';

/** When the first metal was cut or moved, by what was said of tasks; undefined before that. */
export const firstCutAt = (records: JobRecords, { tasks }: Pick<Plan, 'tasks'>): string | undefined => {
  const cuts = new Set(
    tasks
      .filter(({ what }) => what === 'opening cut' || what === 'final cut' || what === 'old out')
      .map(({ id }) => id),
  );
  return stands(records, 'task')
    .filter((said) => cuts.has(said.taskId) && said.is === 'done')
    .reduce<string | undefined>(
      (first, { at }) => (first === undefined || at < first ? at : first),
      undefined,
    );
};

/** What of a job's work its facts are held against: every seam, and the sets of bolts of each repair. */
interface Known {
  readonly ledger: readonly LedgerSeam[];
  readonly sets: ReadonlyMap<string, readonly string[]>;
}

/** What other rooms' records say of a plan's tasks: measured, photographed, pulled into line, laid, looked at, taken off. */
export function factsOf(records: JobRecords, plan: Plan, { ledger, sets }: Known): ReadonlyMap<string, Fact> {
  const cutAt = firstCutAt(records, plan);
  const facts = plan.tasks.flatMap((task): [string, Fact][] => {
    const fact = factOf(records, task, { ledger, sets }, cutAt);
    return fact ? [[task.id, { at: fact.at, by: fact.by, ...(fact.isUndone && { isUndone: true }) }]] : [];
  });
  return new Map(facts);
}

function factOf(
  records: JobRecords,
  task: Task,
  { ledger, sets }: Known,
  cutAt: string | undefined,
): Fact | undefined {
  const isBefore = ({ at }: Fact) => cutAt === undefined || at < cutAt;
  const measured = () => stands(records, 'geometry').filter(isBefore);
  switch (task.what) {
    case 'wheelbase':
    case 'diagonals':
      return measured().findLast(({ measure }) => measure.of === task.what);
    case 'laser marks':
      return measured().findLast(({ measure }) => measure.of === 'line' && measure.memberId === task.of.id);
    case 'steering flex':
      return stands(records, 'load test')
        .filter(isBefore)
        .findLast(({ places }) => places.some(({ what }) => what === 'steering gear against rail'));
    case 'photos before':
      return stands(records, 'photo')
        .filter(({ moment, memberId }) => moment === 'before' && memberId === task.memberId)
        .find(isBefore);
    case 'take off':
    case 'take off load':
      return stands(records, 'removal').findLast(({ partId }) => partId === task.of.id);
    case 'pull into line':
      return alignedAt(records, task);
    case 'tack':
      return stands(records, 'run').find(({ ofId, is }) => ofId === task.of.id && is === 'tack');
    case 'weld':
    case 'crack weld':
      return (
        undoneBy(ledger, task.of.id, ({ log }) => crackedSince(log)) ??
        ledgerFact(ledger, task.of.id, isLaid, 'welded')
      );
    case 'look at welds':
    case 'look at crack':
      return (
        undoneBy(ledger, task.of.id, crackedAndNotLookedAt) ??
        ledgerFact(ledger, task.of.id, ({ stands: how }) => how === 'good' || how === 'left open')
      );
    case 'bolt up':
      return boltedUp(stands(records, 'tightened'), task.of.id, sets.get(task.of.id) ?? []);
    default:
      return undefined;
  }
}

/** Up once every set was brought to its torque: one that was is not all. */
function boltedUp(log: readonly Tightened[], ofId: string, sets: readonly string[]): Fact | undefined {
  const own = log.filter((each) => each.ofId === ofId);
  return sets.every((id) => own.some(({ set }) => set === id)) ? own.at(-1) : undefined;
}

const isLaid = ({ stands: how }: LedgerSeam): boolean =>
  how !== 'not welded' && how !== 'part laid' && how !== 'changed';

/** Every seam of a thing is so, one of them by a record: then as of the last record; a weld as of the last that was laid, however late it was looked at. */
function ledgerFact(
  ledger: readonly LedgerSeam[],
  ofId: string,
  is: (seam: LedgerSeam) => boolean,
  only?: 'welded',
): Fact | undefined {
  const own = ledger.filter((seam) => seam.ofId === ofId);
  if (own.length === 0 || !own.every(is)) return undefined;
  const logs = own.flatMap(({ log, laid }) => [
    ...log.filter(({ what }) => only === undefined || what === only),
    ...(laid ? [{ at: laid.at, by: '' }] : []),
  ]);
  return logs.reduce<Fact | undefined>((last, each) => (!last || each.at > last.at ? each : last), undefined);
}

/** A weld that cracked, and one that was laid in its place and not looked at since. */
const crackedAndNotLookedAt = ({ log, stands: how }: LedgerSeam): SeamLog | undefined =>
  crackedSince(log) ??
  (how === 'not looked at' ? crackedSince(log.filter(({ what }) => what === 'looked at')) : undefined);

/** What was ticked does not hold while a record of one of its seams says so: as of the last of them. */
function undoneBy(
  ledger: readonly LedgerSeam[],
  ofId: string,
  recordOf: (seam: LedgerSeam) => SeamLog | undefined,
): Fact | undefined {
  const own = ledger.filter((seam) => seam.ofId === ofId);
  return own
    .flatMap((seam) => recordOf(seam) ?? [])
    .reduce<Fact | undefined>(
      (last, { at, by }) => (last && last.at > at ? last : { at, by, isUndone: true }),
      undefined,
    );
}

/** Each by its own record: a rail that parted says nothing of a bracket on it that let go. */
function alignedAt(records: JobRecords, task: Task): Fact | undefined {
  const found = toAlign(records).find(({ of }) => taskId(task.what, of.id) === task.id);
  return found?.lacks.length === 0 ? found.last : undefined;
}
