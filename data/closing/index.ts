import { closingSchema, leftOff, type Closing } from '@/core/job';
import type { Db } from '../connection';
import { evidenceOf } from '../evidence';
import { strikesOf } from '../strike';
import { refused, sameRecord, written, type Written } from '../problem';

interface Row {
  closed: number;
  at: string;
}
interface Said extends Row {
  jobId: string;
  by: string;
}
const lastWord = (db: Db, jobId: string): Row | undefined =>
  db
    .prepare<[string], Row>(
      'SELECT closed, at FROM job_closing WHERE job_id = ? ORDER BY number DESC LIMIT 1',
    )
    .get(jobId);

export const isClosed = (db: Db, jobId: string): boolean => lastWord(db, jobId)?.closed === 1;
/** When a closed job was closed. */
export const closedAt = (db: Db, jobId: string): string | undefined => {
  const row = lastWord(db, jobId);
  return row?.closed === 1 ? row.at : undefined;
};
/** The day a closed job was closed. */
export const closedOn = (db: Db, jobId: string): string | undefined => closedAt(db, jobId)?.slice(0, 10);

/** Every word on whether a job is closed, in the order they were said. */
export const closingsOf = (db: Db, jobId: string): Closing[] =>
  db
    .prepare<[string], { id: string; closed: number; by: string; at: string }>(
      'SELECT id, closed, by_whom AS by, at FROM job_closing WHERE job_id = ? ORDER BY number',
    )
    .all(jobId)
    .map((row) => closingSchema.parse({ ...row, closed: row.closed === 1 }));

/** What came off and is not back, or not tried, by name. */
const stillOff = (db: Db, jobId: string): string[] =>
  leftOff({
    evidence: evidenceOf(db, jobId, ['removal', 'task']),
    strikes: strikesOf(db, jobId),
  }).map(({ name }) => name);

/** The same word twice is one; an id that stands for another word, or another job's, is refused. */
export function closeJob(db: Db, jobId: string, closing: Closing): Written<Closing> {
  if (!db.prepare('SELECT 1 FROM job WHERE id = ?').get(jobId))
    return refused('not-found', 'there is no such job', 'Nothing was changed.');
  return db
    .transaction((): Written<Closing> => {
      const before = db
        .prepare<[string], Said>(
          'SELECT job_id AS jobId, closed, by_whom AS by, at FROM job_closing WHERE id = ?',
        )
        .get(closing.id);
      const said = { jobId, closed: Number(closing.closed), by: closing.by, at: closing.at };
      if (before)
        return sameRecord(before, said)
          ? written(closing)
          : refused('conflict', 'this id is already recorded with other facts', 'Nothing was changed.');
      db.prepare(
        `INSERT INTO job_closing (id, number, job_id, closed, by_whom, at)
        SELECT @id, coalesce(max(number), 0) + 1, @jobId, @closed, @by, @at FROM job_closing`,
      ).run({ id: closing.id, ...said });
      return written(closing);
    })
    .immediate();
}

/** A job closed by somebody now: not while something is off, or back and untried. What a bundle says of its past is taken as it was said. */
export function closeIfBack(db: Db, jobId: string, closing: Closing): Written<Closing> {
  const off = closing.closed ? stillOff(db, jobId) : [];
  if (off.length === 0) return closeJob(db, jobId, closing);
  const named = `${off.slice(0, 4).join(', ')}${off.length > 4 ? ` and ${off.length - 4} more` : ''}`;
  return refused(
    'invalid',
    `not closed while something is off or untried: ${named}. Order, Off and back`,
    'Nothing was changed.',
  );
}
