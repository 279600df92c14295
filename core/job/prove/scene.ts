import { memberOf, type Frame } from '../../frame';
import type { TaskProgress } from '../../order';
import {
  changesSince,
  failedProofs,
  flexPairs,
  openSnags,
  type FlexPair,
  type ProveScene,
} from '../../prove';
import { testedSince } from '../../trace';
import { keyOfMeasure, type Geometry } from '../../weigh';
import { geometryMeasured, jobGeometry, placeOf } from '../geometry';
import { sortedRecords } from '../inputs';
import { jobTimeLeft } from '../move';
import type { JobOrder } from '../order';
import type { Works } from '../order/scene';
import { stands, type JobFile } from '../records';
import { jobLedger } from '../seams';

const CUTS: ReadonlySet<string> = new Set(['opening cut', 'final cut', 'old out']);
const LAYS: ReadonlySet<string> = new Set(['tack', 'weld', 'crack weld', 'bond', 'bolt up', 'refix']);

/** When metal was first cut or laid, and when it was laid last. */
export interface Worked {
  readonly cutAt?: string;
  readonly laidAt?: string;
}
export function workedWhen(progress: readonly TaskProgress[]): Worked {
  const when = (whats: readonly ReadonlySet<string>[]) =>
    progress
      .filter(({ task }) => whats.some((what) => what.has(task.what)))
      .flatMap(({ startedAt, doneAt }) => [startedAt, doneAt])
      .filter((at) => at !== undefined)
      .sort();
  const [first] = when([CUTS, LAYS]);
  const last = when([CUTS, LAYS]).at(-1);
  return { ...(first !== undefined && { cutAt: first }), ...(last !== undefined && { laidAt: last }) };
}

/** What open items are made from, of a job's records and its order as they stand; `today` is the day where the unit is. */
export function proveScene(file: JobFile, works: Works, order: JobOrder, today: string): ProveScene {
  const worked = workedWhen(order.progress);
  const measured = geometryMeasured(file).geometry;
  const pairs = flexPairs(stands(file, 'flex'), { cutAt: worked.cutAt, since: worked.laidAt });
  const ledger = jobLedger(file, [...works.values()]);
  return {
    progress: order.progress,
    refits: order.refits,
    gates: order.gates,
    seams: ledger.map((seam) => ({ ...seam, name: nameOf(file.frame, seam.memberId) })),
    complaints: complaintsOf(file, pairs),
    causes: causesOf(file, works, order),
    unplanned: order.scene.unplanned,
    unjudged: [...works.values()]
      .filter(({ verdict }) => verdict.verdict === 'Can’t say')
      .map(({ picture: { member } }) => ({ id: member.id, name: member.name })),
    changes:
      worked.cutAt === undefined || worked.laidAt === undefined
        ? []
        : changesSince(measured, { cutAt: worked.cutAt, since: worked.laidAt }, file.practice.geometry),
    out: jobGeometry(file)
      .filter(({ is }) => is === 'out')
      .map((check) => ({ name: placeOf(file, check), check })),
    notMeasuredAgain: notMeasuredAgain(file.frame, measured, worked),
    temporaries: temporariesOf(file, today),
    failed: failedProofs(stands(file, 'proof')),
    snags: openSnags(stands(file, 'snag'), stands(file, 'snag answer')),
    wasWorked: worked.cutAt !== undefined,
    hasLookBooked: stands(file, 'look booked').length > 0,
  };
}

const nameOf = (frame: Frame, memberId: string) => memberOf(frame, memberId)?.name ?? memberId;

/** What was measured before the first cut and not since the last weld; where nothing was, that is said. */
function notMeasuredAgain(frame: Frame, measured: readonly Geometry[], { cutAt, laidAt }: Worked): string[] {
  if (cutAt === undefined || laidAt === undefined) return [];
  const since = new Set(measured.filter(({ at }) => at > laidAt).map(({ measure }) => keyOfMeasure(measure)));
  const before = measured.filter(({ at }) => at < cutAt);
  if (before.length === 0 && since.size === 0) return ['nothing of its geometry'];
  const owed = before.filter(({ measure }) => !since.has(keyOfMeasure(measure)));
  return [
    ...new Set(
      owed.map(({ measure }) =>
        'memberId' in measure ? `${measure.of}, ${nameOf(frame, measure.memberId)}` : measure.of,
      ),
    ),
  ];
}

function complaintsOf(file: JobFile, pairs: readonly FlexPair[]): ProveScene['complaints'] {
  const complaints = stands(file, 'complaint');
  if (complaints.length === 0) return [];
  const unexplained = new Set(sortedRecords(file).unexplained.map(({ id }) => id));
  return complaints.map(({ id, what, where }) => ({
    id,
    name: `${what}, ${where}`,
    isCauseFound: !unexplained.has(id),
    pairs: pairs.filter(({ complaintId }) => complaintId === id),
  }));
}

/** Members that were cut or welded, and whose cause nobody said was gone since it was found. */
function causesOf(file: JobFile, works: Works, order: JobOrder): ProveScene['causes'] {
  const decided = new Set(
    order.progress.flatMap(({ task: { what, memberId, of }, state }) =>
      state !== 'open' &&
      (CUTS.has(what) || LAYS.has(what)) &&
      memberId !== undefined &&
      (of.is === 'repair' || of.is === 'renewal' || of.is === 'work')
        ? [memberId]
        : [],
    ),
  );
  const gone = new Set(
    stands(file, 'proof')
      .filter(({ of, held }) => of === 'the cause is gone' && held)
      .map(({ memberId }) => memberId),
  );
  return [...decided]
    .filter((memberId) => !gone.has(memberId))
    .map((memberId) => {
      const known = works.get(memberId)?.verdict.findings.find(({ code }) => code === 'cause-known');
      return {
        memberId,
        name: nameOf(file.frame, memberId),
        ...(known?.name !== undefined && { cause: known.name }),
      };
    });
}

/** Temporary repairs that stay and no load test released since they were made, or whose time is over. */
function temporariesOf(file: JobFile, today: string): ProveScene['temporaries'] {
  const tests = stands(file, 'load test');
  return jobTimeLeft(file, today)
    .filter(({ repair, isOver }) => isOver || !testedSince(tests, 'release a temporary repair', repair.at))
    .map(({ repair }) => ({ id: repair.id, name: `${repair.form}, ${nameOf(file.frame, repair.memberId)}` }));
}
