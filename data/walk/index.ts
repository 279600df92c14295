import { checkWalkRecord, WALK_KINDS, walkRecordSchema, type WalkRecord } from '@/core/walk';
import type { Db } from '../connection';
import { bodiesOf, keepBodies } from '../evidence/bodies';
import { written, type Written } from '../problem';

/** What the Walk has kept of a job, in the order it was kept. */
export const walkOf = (db: Db, jobId: string): WalkRecord[] =>
  bodiesOf(db, jobId, WALK_KINDS, walkRecordSchema);

/** Keeps what was found on foot; photos come by their own door, with their picture. */
export const keepWalkRecords = (
  db: Db,
  jobId: string,
  records: readonly WalkRecord[],
): Written<readonly WalkRecord[]> =>
  keepBodies(db, jobId, records, walkRecordSchema, (frame, record) =>
    record.kind === 'photo' && !record.picture
      ? { ok: false, reason: 'a photo comes with its picture' }
      : checkWalkRecord(frame, record),
  );

export function keepWalkRecord(db: Db, jobId: string, record: WalkRecord): Written<WalkRecord> {
  const kept = keepWalkRecords(db, jobId, [record]);
  return kept.ok ? written(record) : kept;
}
