import { jobSheetSchema, memberOf, type Frame, type JobSheet } from '@/core/frame';
import type { Practice } from '@/core/reference';
import { checkRepair } from '@/core/shape';
import { fitsFrame, type JobFile } from '@/core/job';
import { hoursLearnt } from '@/core/weigh';
import type { Db } from '../connection';
import { evidenceOf } from '../evidence';
import { currentFrame, insertFrame, type FrameRevision } from '../frame';
import { currentPractice, insertPractice, practiceUnderNewest, type PracticeRevision } from '../practice';
import { strikesOf } from '../strike';
import { repairChangesOf, repairsOf } from '../repair';
import { noting } from '../readable';
import type { Change } from '../change';
import { refused, sameRecord, written, type Written } from '../problem';
import { noticesOf, unitById } from '../unit';
import { isClosed } from '../closing';
import {
  heldElsewhere,
  preservedElsewhere,
  hoursOfClosedJobs,
  measuredElsewhere,
  mendedBefore,
  scrapTestsElsewhere,
} from '../earlier';
import { asBuiltFor } from '../as-built';
import { faultsFor } from '../faults';
import { patternsFor } from '../pattern';
import { shopLists } from '../shop';
import { spotRulesFor } from '../spots';

/** A job as its row holds it. */
export interface JobRow {
  id: string;
  unit_id: string;
  title: string;
  purpose: string;
  complaint: string;
  opened_by: string;
  opened_at: string;
}

export const jobFrom = (row: JobRow): JobSheet =>
  jobSheetSchema.parse({ ...row, unitId: row.unit_id, openedBy: row.opened_by, openedAt: row.opened_at });

export function jobById(db: Db, id: string): JobSheet | undefined {
  const row = db.prepare<[string], JobRow>('SELECT * FROM job WHERE id = ?').get(id);
  return row && jobFrom(row);
}

/** The whole file of a job; undefined when there is no such job. */
export function jobFile(db: Db, jobId: string): JobFile | undefined {
  const job = jobById(db, jobId);
  const [framed, practised] = [currentFrame(db, jobId), currentPractice(db, jobId)];
  const unit = job && unitById(db, job.unitId);
  if (!job || !framed || !practised || !unit) return undefined;
  const unreadable = noting();
  const lists = shopLists(db).part;
  const learnt = hoursLearnt(hoursOfClosedJobs(db, jobId, practised.practice.money.norms));
  const file = {
    unit,
    job,
    frame: framed.frame,
    frameRevision: framed.revision,
    practice: practised.practice,
    practiceRevision: practised.revision,
    shop: {
      revision: practised.shopRevision,
      newest: practised.shopNewest,
      practice: practised.shop,
      why: practised.why,
    },
    notices: noticesOf(db, unit.id, unreadable.of('notice')),
    evidence: evidenceOf(db, jobId, undefined, unreadable.of('evidence')),
    strikes: strikesOf(db, jobId, unreadable.of('strike')),
    repairs: repairsOf(db, jobId, unreadable.of('repair')),
    repairChanges: repairChangesOf(db, jobId),
    kits: lists.kits,
    patterns: patternsFor(db, framed.frame.family),
    faults: faultsFor(db, framed.frame.family),
    asBuilt: asBuiltFor(db, framed.frame.family),
    people: lists.people,
    bays: lists.bays,
    week: lists.week,
    consumables: lists.consumables,
    shelf: lists.shelf,
    scrapTests: scrapTestsElsewhere(db, jobId),
    spotRules: spotRulesFor(db, jobId),
    closed: isClosed(db, jobId),
    mendedBefore: mendedBefore(db, jobId),
    heldElsewhere: heldElsewhere(db, jobId),
    preservedElsewhere: preservedElsewhere(db, jobId),
    measuredElsewhere: measuredElsewhere(db, jobId),
    ...(learnt && { hoursLearnt: learnt }),
    ...(unit.grossMassKg !== undefined && { grossMassKg: unit.grossMassKg }),
  };
  return unreadable.list.length ? { ...file, unreadable: unreadable.list } : file;
}

/** Opens a job with its frame, by the shop's newest practice for such a unit where none is given; the same job twice is one. */
export function openJob(
  db: Db,
  job: JobSheet,
  setup: { frame: Frame; practice?: Practice },
): Written<JobSheet> {
  const unit = unitById(db, job.unitId);
  if (!unit) return refused('not-found', 'there is no such unit', 'Nothing was added.');
  const existing = jobById(db, job.id);
  if (existing)
    return sameRecord(existing, job) ? written(existing) : refused('conflict', 'another job has this id');
  const stamp = { by: job.openedBy, at: job.openedAt };
  db.transaction(() => {
    db.prepare(
      'INSERT INTO job (id, unit_id, title, purpose, complaint, opened_by, opened_at) VALUES (@id, @unitId, @title, @purpose, @complaint, @openedBy, @openedAt)',
    ).run(job);
    insertFrame(db, job.id, { revision: 1, frame: setup.frame }, stamp);
    const { practice } = setup;
    insertPractice(db, job.id, { revision: 1, unit, ...(practice && { practice }) }, stamp);
  })();
  return written(job);
}

const NO_JOB = () => refused('not-found', 'there is no such job', 'Nothing was changed.');
const stale = (what: string) =>
  refused(
    'stale',
    `the ${what} was changed elsewhere meanwhile; look at it again and repeat your change`,
    'The other change stands; yours was not made.',
  );

/**
 * Writes a job's next frame. Refused when it was based on an older revision (another tab was faster), or when evidence or a repair would lose
 * its place on it. The same change sent twice is one.
 */
export function changeFrame(db: Db, jobId: string, change: Change<Frame>): Written<FrameRevision> {
  return db
    .transaction((): Written<FrameRevision> => {
      const current = currentFrame(db, jobId);
      if (!current) return NO_JOB();
      if (sameRecord(current.frame, change.to)) return written(current);
      if (change.basedOn !== current.revision) return stale('frame');
      const homeless = homelessRecord(db, jobId, change.to);
      if (homeless) return refused('invalid', homeless, 'The frame is as it was.');
      const next = { revision: current.revision + 1, frame: change.to };
      insertFrame(db, jobId, next, { by: change.by, at: change.at });
      return written(next);
    })
    .immediate();
}

/** A change of practice; `why` it differs from the shop's, and the shop's revision where the job takes up another. */
export interface PracticeChange extends Change<Practice> {
  readonly why?: string | undefined;
  readonly shopRevision?: number | undefined;
}

/** Writes a job's next practice: where it differs from its shop's. Refused when it was based on an older revision. */
export function changePractice(db: Db, jobId: string, change: PracticeChange): Written<PracticeRevision> {
  return db
    .transaction((): Written<PracticeRevision> => {
      const current = currentPractice(db, jobId);
      if (!current) return NO_JOB();
      const shopRevision = change.shopRevision ?? current.shopRevision;
      if (shopRevision > current.shopNewest) return refused('invalid', 'the shop has no such revision');
      if (sameRecord(current.practice, change.to) && shopRevision === current.shopRevision)
        return written(current);
      if (change.basedOn !== current.revision) return stale('practice');
      // Taking up another revision of the shop's reads it for the unit as it is now known.
      const unit = shopRevision === current.shopRevision ? current.unit : unitOf(db, jobId);
      const next = {
        revision: current.revision + 1,
        shopRevision,
        practice: change.to,
        unit,
        why: change.why ?? current.why,
      };
      insertPractice(db, jobId, next, { by: change.by, at: change.at });
      return written(currentPractice(db, jobId)!);
    })
    .immediate();
}

const unitOf = (db: Db, jobId: string) => {
  const job = jobById(db, jobId);
  return job && unitById(db, job.unitId);
};

/** What a job would be judged by under the shop's newest practice; undefined where there is no such job. */
export function newestPractice(db: Db, jobId: string) {
  const unit = unitOf(db, jobId);
  return unit && practiceUnderNewest(db, jobId, unit);
}

/** Says which record would have no place on a frame. */
function homelessRecord(db: Db, jobId: string, frame: Frame): string | undefined {
  for (const record of evidenceOf(db, jobId)) {
    const fits = fitsFrame(frame, record);
    if (!fits.ok) return `a recorded ${record.kind} would lose its place: ${fits.reason}`;
  }
  for (const repair of repairsOf(db, jobId)) {
    const member = memberOf(frame, repair.memberId);
    if (!member)
      return `a planned repair would lose its place: member ${repair.memberId} is not on this frame`;
    const fits = checkRepair(member, repair);
    if (!fits.ok) return `a planned repair on ${member.name} would lose its place: ${fits.reason}`;
  }
  return undefined;
}

/** Changes whenever anything a verdict rests on does: frame, practice, evidence, strikes, the shop's list (repairs are no evidence). */
export function evidenceMark(db: Db, jobId: string): string {
  const row = db
    .prepare<
      { jobId: string },
      Record<
        'frame' | 'practice' | 'evidence' | 'strikes' | 'spots' | 'closings' | 'measured' | 'unmeasured',
        number | null
      >
    >(
      `SELECT (SELECT max(revision) FROM job_frame WHERE job_id = @jobId) AS frame,
              (SELECT max(revision) FROM job_practice WHERE job_id = @jobId) AS practice,
              (SELECT max(number) FROM evidence WHERE job_id = @jobId) AS evidence,
              (SELECT max(number) FROM spot_change) AS spots,
              (SELECT max(job_closing.number) FROM job AS own JOIN job AS other ON other.unit_id = own.unit_id AND other.id <> own.id
                JOIN job_closing ON job_closing.job_id = other.id WHERE own.id = @jobId) AS closings,
              (SELECT count(*) FROM evidence JOIN job AS other ON other.id = evidence.job_id JOIN job AS own ON own.unit_id = other.unit_id
                WHERE own.id = @jobId AND other.id <> own.id AND evidence.kind IN ('geometry', 'figure')) AS measured,
              (SELECT count(*) FROM strike JOIN evidence ON evidence.id = strike.evidence_id JOIN job AS other ON other.id = evidence.job_id
                JOIN job AS own ON own.unit_id = other.unit_id
                WHERE own.id = @jobId AND other.id <> own.id AND evidence.kind IN ('geometry', 'figure')) AS unmeasured,
              (SELECT count(*) FROM strike JOIN evidence ON evidence.id = strike.evidence_id WHERE evidence.job_id = @jobId) AS strikes`,
    )
    .get({ jobId })!;
  return `${row.frame} ${row.practice} ${row.evidence} ${row.strikes} ${row.spots} ${row.closings} ${row.measured} ${row.unmeasured}`;
}
