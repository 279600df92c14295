import { frameForm, type Frame } from '@/core/frame';
import { opened, packed, valueOf, type Body } from '@/core/quantity';
import type { Db } from '../connection';

/** A job's frame with the revision that a change must name. */
export interface FrameRevision {
  readonly revision: number;
  readonly frame: Frame;
}

/** Who wrote a revision, and when. */
export interface Stamp {
  readonly by: string;
  readonly at: string;
}

export function currentFrame(db: Db, jobId: string): FrameRevision | undefined {
  const row = db
    .prepare<[string], { revision: number; version: number; frame: string }>(
      'SELECT revision, version, frame FROM job_frame WHERE job_id = ? ORDER BY revision DESC LIMIT 1',
    )
    .get(jobId);
  return row && { revision: row.revision, frame: frameFrom(row.frame, row.version) };
}

/** A frame as it was written down, in whichever version. */
export const frameFrom = (text: string, version: number): Frame =>
  valueOf(opened(frameForm, { ...(JSON.parse(text) as Body), version }));

/** A frame as it is written down today. */
export const frameRow = (frame: Frame): { version: number; frame: string } => {
  const { version, ...body } = packed(frameForm, frame);
  return { version, frame: JSON.stringify(body) };
};

export function insertFrame(db: Db, jobId: string, { revision, frame }: FrameRevision, stamp: Stamp): void {
  db.prepare(
    'INSERT INTO job_frame (job_id, revision, version, frame, by_whom, at) VALUES (@jobId, @revision, @version, @frame, @by, @at)',
  ).run({ jobId, revision, ...frameRow(frame), ...stamp });
}
