import { frameSchema, type Frame } from '@/core/frame';
import { practiceSchema, type Practice } from '@/core/reference';
import type { Db } from '../connection';

interface SetupRow {
  revision: number;
  frame: string;
  practice: string;
}

/** A job's frame and practice, with the revision a change must name. */
export interface Setup {
  readonly revision: number;
  readonly frame: Frame;
  readonly practice: Practice;
}

export function currentSetup(db: Db, jobId: string): Setup | undefined {
  const row = db
    .prepare<[string], SetupRow>(
      'SELECT revision, frame, practice FROM job_setup WHERE job_id = ? ORDER BY revision DESC LIMIT 1',
    )
    .get(jobId);
  return (
    row && {
      revision: row.revision,
      frame: frameSchema.parse(JSON.parse(row.frame)),
      practice: practiceSchema.parse(JSON.parse(row.practice)),
    }
  );
}

export function insertSetup(
  db: Db,
  jobId: string,
  revision: number,
  setup: { frame: Frame; practice: Practice },
  by: string,
  at: string,
): void {
  db.prepare(
    'INSERT INTO job_setup (job_id, revision, frame, practice, by_whom, at) VALUES (?, ?, ?, ?, ?, ?)',
  ).run(jobId, revision, JSON.stringify(setup.frame), JSON.stringify(setup.practice), by, at);
}
