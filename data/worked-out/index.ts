import type { Db } from '../connection';

/** What was worked out of a job's records and kept, as long as its mark still says the same of them. */
export function workedOut<Value>(db: Db, jobId: string, what: string, mark: string): Value | undefined {
  const body = db
    .prepare<[string, string, string], string>(
      'SELECT body FROM worked_out WHERE job_id = ? AND what = ? AND mark = ?',
    )
    .pluck()
    .get(jobId, what, mark);
  return body === undefined ? undefined : (JSON.parse(body) as Value);
}

/** Keeps what was worked out, in place of what was before. It can be worked out again: records that cannot be written now are no failure. */
export function keepWorkedOut(
  db: Db,
  jobId: string,
  what: string,
  kept: { mark: string; value: unknown },
): void {
  try {
    db.prepare(
      `INSERT INTO worked_out (job_id, what, mark, body) VALUES (?, ?, ?, ?)
       ON CONFLICT (job_id, what) DO UPDATE SET mark = excluded.mark, body = excluded.body`,
    ).run(jobId, what, kept.mark, JSON.stringify(kept.value));
  } catch {
    // Nothing recorded is lost by it.
  }
}

/** What changes whenever a job's evidence, strikes or frame do. */
const MARK = `
  coalesce((SELECT max(revision) FROM job_frame WHERE job_id = job.id), 0) || ' ' ||
  coalesce((SELECT max(number) FROM evidence WHERE job_id = job.id), 0) || ' ' ||
  coalesce((SELECT n FROM struck WHERE struck.job_id = job.id), 0)`;
const STRUCK =
  'struck AS (SELECT evidence.job_id, count(*) AS n FROM strike CROSS JOIN evidence ON evidence.id = strike.evidence_id GROUP BY evidence.job_id)';

const marksFrom = (db: Db, sql: string): Map<string, string> =>
  new Map(
    db
      .prepare<[], { id: string; mark: string }>(`WITH ${STRUCK} ${sql}`)
      .all()
      .map(({ id, mark }) => [id, mark]),
  );

/** A mark for every job, in one question. */
export const jobMarks = (db: Db): Map<string, string> =>
  marksFrom(db, `SELECT job.id AS id, ${MARK} AS mark FROM job`);

/** A mark for every job that was ever closed, which its closings change too. */
export const closedMarks = (db: Db): Map<string, string> =>
  marksFrom(
    db,
    `SELECT job.id AS id, ${MARK} || ' ' || job.number AS mark
     FROM (SELECT job_id AS id, max(number) AS number FROM job_closing GROUP BY job_id) AS job`,
  );
