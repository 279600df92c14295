import { z } from 'zod';
import { bySchema, instantSchema, recordIdSchema } from '@/core/frame';
import type { Db } from '../connection';
import { refused, written, type Written } from '../problem';

/** A job closed, or opened again. Closed jobs teach the list of what to look at. */
export const closingSchema = z.object({
  id: recordIdSchema,
  closed: z.boolean(),
  by: bySchema,
  at: instantSchema,
});
export type Closing = z.infer<typeof closingSchema>;

interface Row {
  closed: number;
  at: string;
}
const lastWord = (db: Db, jobId: string): Row | undefined =>
  db
    .prepare<[string], Row>(
      'SELECT closed, at FROM job_closing WHERE job_id = ? ORDER BY number DESC LIMIT 1',
    )
    .get(jobId);

export const isClosed = (db: Db, jobId: string): boolean => lastWord(db, jobId)?.closed === 1;
/** The day a closed job was closed. */
export const closedOn = (db: Db, jobId: string): string | undefined => {
  const row = lastWord(db, jobId);
  return row?.closed === 1 ? row.at.slice(0, 10) : undefined;
};

/** The same word twice is one. */
export function closeJob(db: Db, jobId: string, closing: Closing): Written<Closing> {
  if (!db.prepare('SELECT 1 FROM job WHERE id = ?').get(jobId))
    return refused('not-found', 'there is no such job', 'Nothing was changed.');
  db.prepare(
    `INSERT INTO job_closing (id, number, job_id, closed, by_whom, at)
    SELECT @id, (SELECT coalesce(max(number), 0) + 1 FROM job_closing), @jobId, @closed, @by, @at WHERE NOT EXISTS (SELECT 1 FROM job_closing WHERE id = @id)`,
  ).run({ ...closing, jobId, closed: Number(closing.closed) });
  return written(closing);
}
