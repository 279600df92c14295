import { memberOf, type Frame } from '../../frame';
import { retighten } from '../../join';
import { CUTS_METAL, LAYS_METAL, type TaskOf, type TaskProgress, type TaskWhat } from '../../order';
import {
  changesSince,
  failedProofs,
  flexPairs,
  isCutInto,
  openSnags,
  type FlexPair,
  type ProveScene,
} from '../../prove';
import { releaseOf } from '../../trace';
import { keyOfMeasure, tellsNothing, type Geometry } from '../../weigh';
import { geometryMeasured, jobGeometry, placeOf } from '../geometry';
import { sortedRecords } from '../inputs';
import { jobTimeLeft } from '../move';
import type { JobOrder } from '../order';
import type { Works } from '../order/scene';
import { stands, type JobFile } from '../records';
import { jobLedger } from '../seams';
import { readAround } from './read-around';

/** When the frame was first let go or joined to, and when it was joined to last: what is measured before and after. */
export interface Worked {
  readonly cutAt?: string;
  readonly laidAt?: string;
}
/** Drilled and ground out, a frame stays where it is. */
const LETS_GO = (what: TaskWhat): boolean =>
  CUTS_METAL.has(what) && what !== 'crack ends' && what !== 'drill';

export function workedWhen(progress: readonly TaskProgress[]): Worked {
  const when = progress
    .filter(({ task: { what } }) => LETS_GO(what) || LAYS_METAL.has(what))
    .flatMap(({ startedAt, doneAt }) => [startedAt, doneAt])
    .filter((at) => at !== undefined)
    .sort();
  const [first] = when;
  const last = when.at(-1);
  return { ...(first !== undefined && { cutAt: first }), ...(last !== undefined && { laidAt: last }) };
}

/** What open items are made from, of a job's records and its order as they stand; `today` is the day where the unit is. */
export function proveScene(
  file: JobFile,
  works: Works,
  order: JobOrder,
  { nowMs, today }: { readonly nowMs: number; readonly today: string },
): ProveScene {
  const worked = workedWhen(order.progress);
  const measured = geometryMeasured(file).geometry;
  const pairs = flexPairs(stands(file, 'flex'), { cutAt: worked.cutAt, since: worked.laidAt });
  const ledger = jobLedger(file, [...works.values()]);
  const around = readAround(file, works, order.progress);
  return {
    progress: order.progress,
    refits: order.refits,
    gates: order.gates,
    seams: ledger.map((seam) => ({ ...seam, name: nameOf(file.frame, seam.memberId) })),
    unreadLandings: around
      .filter(({ laidAt, unread, isReadLate }) => laidAt !== undefined && (unread.length > 0 || isReadLate))
      .map(({ repairId, memberId, unread }) => ({
        id: repairId,
        memberId,
        name: nameOf(file.frame, memberId),
        faces: unread,
      })),
    closedIn: around
      .filter(({ laidAt, closedIn }) => laidAt !== undefined && closedIn.length > 0)
      .map(({ repairId, memberId, closedIn }) => ({
        id: repairId,
        memberId,
        name: nameOf(file.frame, memberId),
        what: closedIn,
      })),
    unreadable: (file.unreadable ?? []).map(({ what, id }) => `${what} ${id}`),
    bolts: boltsOf(file, works, order, nowMs),
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
    wasWorked: order.progress.some(isCutInto),
    hasLookBooked: stands(file, 'look booked').length > 0,
  };
}

const nameOf = (frame: Frame, memberId: string) => memberOf(frame, memberId)?.name ?? memberId;

/** What was measured before the first cut and not since the last weld; one without a name where nothing ever was. */
function notMeasuredAgain(frame: Frame, measured: readonly Geometry[], { cutAt, laidAt }: Worked): string[] {
  if (cutAt === undefined || laidAt === undefined) return [];
  const told = measured.filter(({ measure }) => !tellsNothing(measure));
  const since = new Set(told.filter(({ at }) => at > laidAt).map(({ measure }) => keyOfMeasure(measure)));
  const before = told.filter(({ at }) => at < cutAt);
  if (before.length === 0 && since.size === 0) return [''];
  const owed = before.filter(({ measure }) => !since.has(keyOfMeasure(measure)));
  return [
    ...new Set(
      owed.map(({ measure }) =>
        'memberId' in measure ? `${measure.of}, ${nameOf(frame, measure.memberId)}` : measure.of,
      ),
    ),
  ];
}

/** Sets of every repair of which a bolt was tightened, or whose bolts somebody said to be up. */
function boltsOf(file: JobFile, works: Works, order: JobOrder, nowMs: number): ProveScene['bolts'] {
  const log = stands(file, 'tightened');
  const up = new Set(
    order.progress
      .filter(({ task: { what }, state }) => what === 'bolt up' && (state === 'done' || state === 'started'))
      .map(({ task }) => task.of.id),
  );
  return [...works.values()].flatMap(({ picture: { member }, repairs }) =>
    repairs.flatMap(({ repair: { id: repairId }, isProposal, joined }) => {
      if (isProposal || !(up.has(repairId) || log.some(({ ofId }) => ofId === repairId))) return [];
      return joined.bolts.flatMap(({ id: set }) => {
        const own = log.filter((each) => each.ofId === repairId && each.set === set);
        const how = retighten(own, nowMs);
        return how === 'settled'
          ? []
          : [{ repairId, memberId: member.id, name: member.name, set, stands: how }];
      });
    }),
  );
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

const MENDS: ReadonlySet<TaskOf['is']> = new Set<TaskOf['is']>(['repair', 'crack', 'renewal', 'work']);

/** Members that were cut or welded, and whose cause nobody said was gone since it was found. */
function causesOf(file: JobFile, works: Works, order: JobOrder): ProveScene['causes'] {
  const decided = new Set(
    order.progress
      .filter(isCutInto)
      .flatMap(({ task: { memberId, of } }) =>
        memberId !== undefined && MENDS.has(of.is) ? [memberId] : [],
      ),
  );
  // The last word on each counts.
  const said = new Map(
    stands(file, 'proof')
      .filter(({ of }) => of === 'the cause is gone')
      .sort((a, b) => a.at.localeCompare(b.at))
      .map(({ memberId, held }) => [memberId, held]),
  );
  return [...decided]
    .filter((memberId) => said.get(memberId) !== true)
    .map((memberId) => {
      const known = works.get(memberId)?.verdict.findings.find(({ code }) => code === 'cause-known');
      return {
        memberId,
        name: nameOf(file.frame, memberId),
        ...(known?.name !== undefined && { cause: known.name }),
      };
    });
}

/** Temporary repairs that stay and no load test released since they were made, or whose time is over; what moves under load is not released. */
function temporariesOf(file: JobFile, today: string): ProveScene['temporaries'] {
  const tests = stands(file, 'load test');
  return jobTimeLeft(file, today)
    .filter(({ repair, isOver }) => isOver || releaseOf(tests, repair) !== 'released')
    .map(({ repair }) => ({ id: repair.id, name: `${repair.form}, ${nameOf(file.frame, repair.memberId)}` }));
}
