import { strikeSchema, type Strike } from '@/core/frame';
import type { Db } from '../connection';
import { readRows, type Missed } from '../readable';
import { refused, sameRecord, written, type Written } from '../problem';

interface StrikeRow {
  id: string;
  evidence_id: string;
  why: string;
  by_whom: string;
  at: string;
}
const strikeFrom = (row: StrikeRow): Strike =>
  strikeSchema.parse({ id: row.id, evidenceId: row.evidence_id, why: row.why, by: row.by_whom, at: row.at });

export const strikesOf = (db: Db, jobId: string, missed?: Missed): Strike[] =>
  readRows(
    db
      .prepare<[string], StrikeRow>(
        'SELECT strike.* FROM strike JOIN evidence ON evidence.id = strike.evidence_id WHERE evidence.job_id = ? ORDER BY strike.at, strike.id',
      )
      .all(jobId),
    strikeFrom,
    missed,
  );

/** Strikes evidence through. Striking what is already struck is refused unless it is the same strike. */
export function keepStrike(db: Db, jobId: string, strike: Strike): Written<Strike> {
  const owner = db
    .prepare<[string], { job_id: string }>('SELECT job_id FROM evidence WHERE id = ?')
    .get(strike.evidenceId);
  if (owner?.job_id !== jobId)
    return refused('not-found', 'there is no such evidence on this job', 'Nothing was struck.', 'evidenceId');
  const row = db
    .prepare<[string, string], StrikeRow>('SELECT * FROM strike WHERE evidence_id = ? OR id = ?')
    .get(strike.evidenceId, strike.id);
  if (row)
    return sameRecord(strikeFrom(row), strike)
      ? written(strike)
      : refused(
          'conflict',
          `already struck through by ${row.by_whom}: ${row.why}`,
          'The earlier strike stands.',
        );
  db.prepare(
    'INSERT INTO strike (id, evidence_id, why, by_whom, at) VALUES (@id, @evidenceId, @why, @by, @at)',
  ).run(strike);
  return written(strike);
}
