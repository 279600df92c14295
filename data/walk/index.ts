import { checkWalkRecord, walkRecordSchema, type WalkRecord } from '@/core/walk';
import type { Db } from '../connection';
import { firstTaken, NONE_OF_THESE, numberer } from '../evidence';
import { refused, written, type Written } from '../problem';
import { currentSetup } from '../setup';

interface Row { body: string }
const recordFrom = (row: Row): WalkRecord => walkRecordSchema.parse(JSON.parse(row.body));

/** What the Walk has kept of a job, in the order it was kept. */
export const walkOf = (db: Db, jobId: string): WalkRecord[] =>
  db.prepare<[string], Row>('SELECT body FROM walk_record JOIN evidence USING (id) WHERE evidence.job_id = ? ORDER BY evidence.number').all(jobId).map(recordFrom);

const recordById = (db: Db, id: string): WalkRecord | undefined => {
  const row = db.prepare<[string], Row>('SELECT body FROM walk_record WHERE id = ?').get(id);
  return row && recordFrom(row);
};

/** Keeps records, all or none. One sent twice is one; one whose id is taken by another is refused. Photos come by their own door, with their picture. */
export function keepWalkRecords(db: Db, jobId: string, records: readonly WalkRecord[]): Written<readonly WalkRecord[]> {
  const setup = currentSetup(db, jobId);
  if (!setup) return refused('not-found', 'there is no such job', 'Nothing was added.');
  for (const [k, record] of records.entries()) {
    const fits = checkWalkRecord(setup.frame, record);
    if (!fits.ok) return refused('invalid', fits.reason, NONE_OF_THESE, `${k}`);
    if (record.kind === 'photo' && !record.picture) return refused('invalid', 'a photo comes with its picture', NONE_OF_THESE, `${k}`);
  }
  return db.transaction((): Written<readonly WalkRecord[]> => {
    const number = numberer(db, jobId);
    const insert = db.prepare('INSERT INTO walk_record (id, body) VALUES (?, ?)');
    for (const record of records) {
      const taken = firstTaken(db, jobId, [record], record.kind, (id) => recordById(db, id));
      if (taken.conflict) return refused('conflict', 'this id is already recorded with other facts', NONE_OF_THESE);
      if (taken.already.has(record.id)) continue;
      number(record.id, record.kind);
      insert.run(record.id, JSON.stringify(record));
    }
    return written(records);
  }).immediate();
}

export function keepWalkRecord(db: Db, jobId: string, record: WalkRecord): Written<WalkRecord> {
  const kept = keepWalkRecords(db, jobId, [record]);
  return kept.ok ? written(record) : kept;
}
