import { intakeOf, lastOf, lastTold, reopenedBy, stands } from '@/core/job';
import {
  lookDue,
  isLookMade,
  LOOKED_BY,
  SPEAKS_AGAINST,
  type Interim,
  type JobPlan,
  type LookDue,
  type Slot,
} from '@/core/order';
import type { Db } from './connection';
import { heldElsewhere } from './earlier';
import { evidenceOf, since } from './evidence';
import { jobById } from './job';
import { isClosed } from './closing';
import { jobIds } from './yard';
import { strikesOf } from './strike';
import { unitById } from './unit';

/** An open job as the shop's calendar has it: its last plan, where and when, what was ticked since. */
export interface PlannedJob {
  readonly id: string;
  readonly tag: string;
  readonly title: string;
  readonly plan?: JobPlan;
  readonly slot?: Slot;
  /** What its owner was told until its turn, when it is looked at again, and how much was found since that may be worse. */
  readonly told?: { readonly interim: Interim; readonly due?: LookDue; readonly foundSince: number };
  readonly done: readonly string[];
  readonly needBy?: string;
}

/** Every open job, planned or not, newest first. Only what a calendar needs of it is read. */
export const plannedJobs = (db: Db, today: string): PlannedJob[] =>
  jobIds(db).flatMap((id): PlannedJob[] => {
    const job = jobById(db, id);
    const unit = job && unitById(db, job.unitId);
    if (!job || !unit || isClosed(db, id)) return [];
    const kept = {
      evidence: evidenceOf(db, id, ['job plan', 'slot', 'task', 'intake', 'interim', 'trip', 'seam log']),
      strikes: strikesOf(db, id),
    };
    const plan = lastOf(kept, 'job plan');
    const slot = lastOf(kept, 'slot');
    const told = toldOf(db, id, kept, today);
    const needBy = intakeOf(kept)?.needBy;
    return [
      {
        id,
        tag: unit.tag,
        title: job.title,
        ...(plan && { plan }),
        ...(slot && { slot }),
        ...(told && { told }),
        ...(needBy !== undefined && { needBy }),
        done: doneSince(stands(kept, 'task'), reopenedBy(stands(kept, 'seam log'))),
      },
    ];
  });

function toldOf(
  db: Db,
  jobId: string,
  kept: Parameters<typeof stands>[0],
  today: string,
): PlannedJob['told'] {
  const interim = lastTold(kept);
  if (!interim) return undefined;
  const trips = [...heldElsewhere(db, jobId).trips, ...stands(kept, 'trip')];
  const due = lookDue(interim, lookedSince(db, jobId, interim.at), trips, today);
  const { count } = since(db, jobId, { kinds: SPEAKS_AGAINST, after: interim.at });
  return { interim, ...(due && { due }), foundSince: count };
}

/** Looks that may say that nobody looked; of the others there are many, and all were made. */
const MAY_BE_NONE = ['look', 'crack look'] as const;
const ALL_MADE = LOOKED_BY.filter((kind) => !MAY_BE_NONE.some((each) => each === kind));

/** When somebody looked last, after an instant. */
function lookedSince(db: Db, jobId: string, after: string): string | undefined {
  const kept = { evidence: evidenceOf(db, jobId, MAY_BE_NONE), strikes: strikesOf(db, jobId) };
  const made = MAY_BE_NONE.flatMap((kind) => stands(kept, kind).filter(isLookMade)).flatMap(({ at }) =>
    at > after ? [at] : [],
  );
  const { last } = since(db, jobId, { kinds: ALL_MADE, after });
  return [...made, ...(last === undefined ? [] : [last])].sort().at(-1);
}

/** A later look that was agreed, of any job, closed ones too, and that nobody has made since. */
export interface BookedLook {
  readonly id: string;
  readonly jobId: string;
  readonly tag: string;
  readonly on: string;
  readonly what: string;
}
export function bookedLooks(db: Db): BookedLook[] {
  const jobs = jobIds(db).flatMap((id) => jobById(db, id) ?? []);
  return jobs
    .flatMap(({ id: jobId, unitId }) => {
      const kept = { evidence: evidenceOf(db, jobId, ['look booked']), strikes: strikesOf(db, jobId) };
      const looks = stands(kept, 'look booked');
      const tag = looks.length > 0 ? unitById(db, unitId)?.tag : undefined;
      if (tag === undefined) return [];
      const ofUnit = jobs.filter((job) => job.unitId === unitId);
      const isMade = (at: string) => ofUnit.some(({ id }) => lookedSince(db, id, at) !== undefined);
      return looks.flatMap(({ id, on, what, at }) =>
        on === undefined || isMade(at) ? [] : [{ id, jobId, tag, on, what }],
      );
    })
    .sort((a, b) => a.on.localeCompare(b.on));
}

/** Tasks that are over as it stands: done or not needed, and not opened again, by what was said of them or by a weld that cracked. */
function doneSince(
  said: readonly { taskId: string; is: string; at: string }[],
  reopened: ReadonlySet<string>,
): string[] {
  const over = new Map<string, boolean>();
  for (const { taskId, is } of [...said].sort((a, b) => a.at.localeCompare(b.at))) {
    if (is === 'done' || is === 'not needed') over.set(taskId, true);
    if (is === 'again') over.set(taskId, false);
  }
  return [...over].flatMap(([taskId, isOver]) => (isOver && !reopened.has(taskId) ? [taskId] : []));
}
