import { ofKind, standing } from '@/core/frame';
import type { ScrapTest } from '@/core/join';
import type { Reading } from '@/core/probe';
import { weighedIn, type Evidence, type EvidenceId } from '@/core/job';
import type { PreservedElsewhere } from '@/core/prove';
import type { HeldElsewhere } from '@/core/trace';
import type { HoursTaken, MeasuredElsewhere } from '@/core/weigh';
import { mendedIn, type MendedBefore } from '@/core/walk';
import type { Norms } from '@/core/reference';
import { closedAt, isClosed } from '../closing';
import type { Db } from '../connection';
import { evidenceOf, jobsWith } from '../evidence';
import { currentPractice } from '../practice';
import { sameRecord } from '../problem';
import { noting } from '../readable';
import { strikesOf } from '../strike';

/** Another job of the same unit and what it read: an earlier survey to compare with. */
export interface EarlierSurvey {
  readonly jobId: string;
  readonly title: string;
  readonly openedAt: string;
  readonly readings: readonly Reading[];
}

/** The unit's other jobs opened before this one that read something, latest first; struck readings left out. */
export function earlierSurveys(db: Db, jobId: string): EarlierSurvey[] {
  const rows = db
    .prepare<{ jobId: string }, { id: string; title: string; opened_at: string }>(
      `
    SELECT other.id, other.title, other.opened_at FROM job JOIN job AS other ON other.unit_id = job.unit_id AND other.id <> job.id AND other.opened_at < job.opened_at
    WHERE job.id = @jobId ORDER BY other.opened_at DESC, other.id`,
    )
    .all({ jobId });
  return rows
    .map((row) => ({
      jobId: row.id,
      title: row.title,
      openedAt: row.opened_at,
      readings: standing(ofKind(evidenceOf(db, row.id, ['reading']), 'reading'), strikesOf(db, row.id)),
    }))
    .filter((survey) => survey.readings.length > 0);
}

/** What the unit's other jobs, opened before this one and closed, put right with new metal; struck records left out. */
export function mendedBefore(db: Db, jobId: string): MendedBefore[] {
  const rows = db
    .prepare<{ jobId: string }, { id: string }>(
      `SELECT other.id FROM job JOIN job AS other ON other.unit_id = job.unit_id AND other.id <> job.id AND other.opened_at < job.opened_at
       WHERE job.id = @jobId ORDER BY other.opened_at, other.id`,
    )
    .all({ jobId });
  return rows
    .filter(({ id }) => isClosed(db, id))
    .flatMap(({ id }) => {
      // A row of another job that cannot be read is that job's to say; here it only says nothing.
      const unread = noting();
      const signs = ofKind(evidenceOf(db, id, ['sign'], unread.of('evidence')), 'sign');
      return mendedIn(standing(signs, strikesOf(db, id, unread.of('strike'))));
    });
}

/**
 * Geometry and figures that the unit's other jobs recorded, closed or not; struck ones left out. A closed job stands as it was closed: what was measured
 * of the unit later is for later jobs, and for this one once it is opened again.
 */
export function measuredElsewhere(db: Db, jobId: string): MeasuredElsewhere {
  const until = closedAt(db, jobId);
  const kept = keptElsewhere(db, jobId, ['geometry', 'figure']).filter(
    ({ at }) => until === undefined || at <= until,
  );
  return { geometry: ofKind(kept, 'geometry'), figures: ofKind(kept, 'figure') };
}

/** Temporary repairs and trips that the unit's other jobs recorded, closed or not; struck ones left out. */
export function heldElsewhere(db: Db, jobId: string): HeldElsewhere {
  const kept = keptElsewhere(db, jobId, ['temporary repair', 'trip']);
  return { repairs: ofKind(kept, 'temporary repair'), trips: ofKind(kept, 'trip') };
}

/** What the unit's other jobs washed, emptied and coated, closed or not; struck records left out. */
export function preservedElsewhere(db: Db, jobId: string): PreservedElsewhere {
  const evidence = keptElsewhere(db, jobId, ['preserved', 'sign']);
  return { visits: ofKind(evidence, 'preserved'), weighed: weighedIn({ evidence, strikes: [] }) };
}

/** Scrap tests of the shop's other jobs, oldest first: what held there is a start here. */
export function scrapTestsElsewhere(db: Db, jobId: string): ScrapTest[] {
  return jobsWith(db, { kind: 'scrap test', besides: jobId })
    .flatMap((id) => ofKind(standingIn(db, id, ['scrap test']), 'scrap test'))
    .sort((a, b) => a.at.localeCompare(b.at));
}

/**
 * What each of the shop's other jobs took that recorded it and was closed: the last word of each. Only those that were foreseen by the same norms: once a
 * shop has put its norms right, what was foreseen by the old ones would put them right again.
 */
export function hoursOfClosedJobs(db: Db, jobId: string, norms: Norms): HoursTaken[] {
  return jobsWith(db, { kind: 'hours taken', besides: jobId })
    .filter((id) => isClosed(db, id))
    .filter((id) => sameRecord(currentPractice(db, id)?.practice.money.norms, norms))
    .flatMap((id) => ofKind(standingIn(db, id, ['hours taken']), 'hours taken').slice(-1));
}

/** What stands of some kinds of evidence in the unit's other jobs. A row of theirs that cannot be read is theirs to say. */
function keptElsewhere(db: Db, jobId: string, kinds: readonly EvidenceId[]): Evidence[] {
  const rows = db
    .prepare<{ jobId: string }, { id: string }>(
      `SELECT other.id FROM job JOIN job AS other ON other.unit_id = job.unit_id AND other.id <> job.id
       WHERE job.id = @jobId ORDER BY other.opened_at, other.id`,
    )
    .all({ jobId });
  return rows.flatMap(({ id }) => standingIn(db, id, kinds));
}

function standingIn(db: Db, jobId: string, kinds: readonly EvidenceId[]): Evidence[] {
  const unread = noting();
  const evidence = evidenceOf(db, jobId, kinds, unread.of('evidence'));
  return standing(evidence, strikesOf(db, jobId, unread.of('strike')));
}
