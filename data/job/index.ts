import { jobSheetSchema, memberOf, type Frame, type JobSheet } from '@/core/frame';
import type { Practice } from '@/core/reference';
import { checkReading, checkSurveyRecord } from '@/core/probe';
import { checkCrack } from '@/core/trace';
import { checkRepair } from '@/core/shape';
import { checkWalkRecord } from '@/core/walk';
import type { JobFile } from '@/core/job';
import type { Db } from '../connection';
import { cracksOf, readingsOf, strikesOf } from '../evidence';
import { repairsOf } from '../repair';
import { currentSetup, insertSetup, type Setup } from '../setup';
import { refused, sameRecord, written, type Written } from '../problem';
import { noticesOf, unitById } from '../unit';
import { isClosed } from '../closing';
import { spotRulesFor } from '../spots';
import { surveyOf } from '../survey';
import { walkOf } from '../walk';

interface JobRow {
  id: string;
  unit_id: string;
  title: string;
  purpose: string;
  complaint: string;
  opened_by: string;
  opened_at: string;
}

const jobFrom = (row: JobRow): JobSheet =>
  jobSheetSchema.parse({ ...row, unitId: row.unit_id, openedBy: row.opened_by, openedAt: row.opened_at });

export const allJobs = (db: Db): JobSheet[] =>
  db.prepare<[], JobRow>('SELECT * FROM job ORDER BY opened_at DESC, id').all().map(jobFrom);

export function jobById(db: Db, id: string): JobSheet | undefined {
  const row = db.prepare<[string], JobRow>('SELECT * FROM job WHERE id = ?').get(id);
  return row && jobFrom(row);
}

/** The whole file of a job; undefined when there is no such job. */
export function jobFile(db: Db, jobId: string): JobFile | undefined {
  const job = jobById(db, jobId);
  const setup = currentSetup(db, jobId);
  const unit = job && unitById(db, job.unitId);
  if (!job || !setup || !unit) return undefined;
  return {
    unit,
    job,
    ...setup,
    notices: noticesOf(db, unit.id),
    readings: readingsOf(db, jobId),
    cracks: cracksOf(db, jobId),
    walk: walkOf(db, jobId),
    survey: surveyOf(db, jobId),
    strikes: strikesOf(db, jobId),
    repairs: repairsOf(db, jobId),
    spotRules: spotRulesFor(db, jobId),
    closed: isClosed(db, jobId),
    ...(unit.grossMassKg !== undefined && { grossMassKg: unit.grossMassKg }),
  };
}

/** Opens a job with its first set-up; the same job twice is one. */
export function openJob(
  db: Db,
  job: JobSheet,
  setup: { frame: Frame; practice: Practice },
): Written<JobSheet> {
  if (!unitById(db, job.unitId)) return refused('not-found', 'there is no such unit', 'Nothing was added.');
  const existing = jobById(db, job.id);
  if (existing)
    return sameRecord(existing, job) ? written(existing) : refused('conflict', 'another job has this id');
  db.transaction(() => {
    db.prepare(
      'INSERT INTO job (id, unit_id, title, purpose, complaint, opened_by, opened_at) VALUES (@id, @unitId, @title, @purpose, @complaint, @openedBy, @openedAt)',
    ).run(job);
    insertSetup(db, job.id, 1, setup, job.openedBy, job.openedAt);
  })();
  return written(job);
}

export interface SetupChange {
  readonly basedOn: number;
  readonly frame: Frame;
  readonly practice: Practice;
  readonly by: string;
  readonly at: string;
}

/**
 * Writes the next revision of frame and practice. Refused when it was based on an older revision (another tab was faster), or when evidence
 * or a repair would lose its place on the new frame. The same change sent twice is one.
 */
export function changeSetup(db: Db, jobId: string, change: SetupChange): Written<Setup> {
  return db
    .transaction((): Written<Setup> => {
      const current = currentSetup(db, jobId);
      if (!current) return refused('not-found', 'there is no such job', 'Nothing was changed.');
      const { frame, practice } = change;
      if (sameRecord({ frame: current.frame, practice: current.practice }, { frame, practice }))
        return written(current);
      if (change.basedOn !== current.revision)
        return refused(
          'stale',
          'the frame was changed elsewhere meanwhile; look at it again and repeat your change',
          'The other change stands; yours was not made.',
        );
      const homeless = homelessRecord(db, jobId, frame);
      if (homeless) return refused('invalid', homeless, 'The frame is as it was.');
      insertSetup(db, jobId, current.revision + 1, { frame, practice }, change.by, change.at);
      return written({ revision: current.revision + 1, frame, practice });
    })
    .immediate();
}

/** Says which record would have no place on a frame. */
function homelessRecord(db: Db, jobId: string, frame: Frame): string | undefined {
  const checks = [
    { name: 'a reading', records: readingsOf(db, jobId), check: checkReading },
    { name: 'a crack', records: cracksOf(db, jobId), check: checkCrack },
    { name: 'a planned repair', records: repairsOf(db, jobId), check: checkRepair },
  ] as const;
  for (const { name, records, check } of checks) {
    for (const record of records) {
      const member = memberOf(frame, record.memberId);
      if (!member) return `${name} hangs on ${record.memberId}, which this frame no longer has`;
      const outcome = (check as (m: typeof member, r: typeof record) => { ok: boolean; reason?: string })(
        member,
        record,
      );
      if (!outcome.ok) return `${name} on ${member.name} would lose its place: ${outcome.reason}`;
    }
  }
  for (const record of walkOf(db, jobId)) {
    const fits = checkWalkRecord(frame, record);
    if (!fits.ok) return `what the Walk recorded would lose its place: ${fits.reason}`;
  }
  for (const record of surveyOf(db, jobId)) {
    const fits = checkSurveyRecord(frame, record);
    if (!fits.ok) return `a felt edge would lose its place: ${fits.reason}`;
  }
  return undefined;
}

/** Changes whenever anything a verdict rests on does: set-up revision, evidence, strikes (repairs are no evidence). */
export function evidenceMark(db: Db, jobId: string): string {
  const row = db
    .prepare<{ jobId: string }, { revision: number | null; evidence: number; strikes: number }>(
      `
    SELECT (SELECT max(revision) FROM job_setup WHERE job_id = @jobId) AS revision,
           (SELECT count(*) FROM evidence WHERE job_id = @jobId) AS evidence,
           (SELECT count(*) FROM strike JOIN evidence ON evidence.id = strike.evidence_id WHERE evidence.job_id = @jobId) AS strikes`,
    )
    .get({ jobId })!;
  return `${row.revision} ${row.evidence} ${row.strikes}`;
}
