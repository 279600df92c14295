import { ofKind } from '@/core/frame';
import { evidenceVersion, fitsFrame, openEvidence, type Evidence } from '@/core/job';
import { valueOf, type Body } from '@/core/quantity';
import type { Db } from '../connection';
import { currentFrame } from '../frame';
import { readRows, type Missed } from '../readable';
import { refused, sameRecord, written, type Written } from '../problem';

interface Row {
  id: string;
  job_id: string;
  kind: string;
  version: number;
  body: string;
}

const evidenceFrom = (row: Pick<Row, 'kind' | 'version' | 'body'>): Evidence =>
  valueOf(openEvidence({ ...(JSON.parse(row.body) as Body), kind: row.kind, version: row.version }));

/** A job's evidence of every kind, or of some, in the order it was kept; struck evidence is still among it. */
export function evidenceOf(
  db: Db,
  jobId: string,
  kinds?: readonly Evidence['kind'][],
  missed?: Missed,
): Evidence[] {
  const only = kinds ? 'AND kind IN (SELECT value FROM json_each(?))' : '';
  const select = db.prepare<string[], Row>(
    `SELECT id, kind, version, body FROM evidence WHERE job_id = ? ${only} ORDER BY number`,
  );
  return readRows(select.all(jobId, ...(kinds ? [JSON.stringify(kinds)] : [])), evidenceFrom, missed);
}

/** Other jobs than this that hold records of a kind that is rare beside readings, without reading through those. */
export const jobsWith = (
  db: Db,
  { kind, besides }: { readonly kind: Exclude<Evidence['kind'], 'reading'>; readonly besides: string },
): string[] =>
  db
    .prepare<[string, string], string>(
      // The second term names the index that leaves readings out.
      "SELECT DISTINCT job_id FROM evidence WHERE kind = ? AND kind <> 'reading' AND job_id <> ? ORDER BY job_id",
    )
    .pluck()
    .all(kind, besides);

/** How many records of these kinds still stand that are later than an instant, and when the last was made; their bodies are not opened. */
export function since(
  db: Db,
  jobId: string,
  { kinds, after }: { readonly kinds: readonly Evidence['kind'][]; readonly after: string },
): { readonly count: number; readonly last?: string } {
  const row = db
    .prepare<[string, string, string], { count: number; last: string | null }>(
      `SELECT count(*) AS count, max(json_extract(body, '$.at')) AS last FROM evidence
       WHERE job_id = ? AND kind IN (SELECT value FROM json_each(?)) AND json_extract(body, '$.at') > ?
         AND id NOT IN (SELECT evidence_id FROM strike)`,
    )
    .get(jobId, JSON.stringify(kinds), after)!;
  return { count: row.count, ...(row.last !== null && { last: row.last }) };
}

/** What was kept, and what is odd about some of it. */
export interface Keeping {
  readonly kept: number;
  readonly warnings: readonly { readonly id: string; readonly warning: string }[];
}

/** More than a frame is ever measured in; a job beyond it is another thing, and slows everything that reads it. */
const MOST_RECORDS = 250_000;
const MOST_ON_A_MEMBER = 120_000;

export const NONE_OF_THESE = 'None of these were added; everything recorded before stands.';

/**
 * Keeps evidence, all or none, in one transaction. A record sent twice is one; one whose id is taken by other facts, or by another job, is
 * refused. `at` in a refusal names the record by its place in the list, and the field where there is one.
 */
export function keepEvidence(db: Db, jobId: string, records: readonly Evidence[]): Written<Keeping> {
  return db.transaction(() => keepInside(db, jobId, records)).immediate();
}

function keepInside(db: Db, jobId: string, records: readonly Evidence[]): Written<Keeping> {
  const current = currentFrame(db, jobId);
  if (!current) return refused('not-found', 'there is no such job', 'Nothing was added.');
  const warnings: { id: string; warning: string }[] = [];
  for (const [k, record] of records.entries()) {
    const fits = fitsFrame(current.frame, record);
    if (!fits.ok)
      return refused(
        'invalid',
        fits.reason,
        NONE_OF_THESE,
        ['evidence', k, fits.at].filter((part) => part !== undefined).join('.'),
      );
    if (fits.value.warning) warnings.push({ id: record.id, warning: fits.value.warning });
  }
  const fresh = freshAmong(db, jobId, records);
  if (!fresh.ok) return fresh;
  const tooMany = overTheMost(db, jobId, fresh.value);
  if (tooMany) return refused('too-large', tooMany, NONE_OF_THESE);
  insertAll(db, jobId, fresh.value);
  return written({ kept: records.length, warnings });
}

/** Says what a job would have too many of with these added. Members are counted only where the job is large enough for it to matter. */
function overTheMost(db: Db, jobId: string, fresh: readonly Evidence[]): string | undefined {
  const here = countOf(db, jobId);
  if (here + fresh.length > MOST_RECORDS) return `a job holds ${MOST_RECORDS} records at most`;
  if (here + fresh.length <= MOST_ON_A_MEMBER) return undefined;
  const readings = ofKind(fresh, 'reading');
  const onMember = db
    .prepare<[string, string], number>(
      "SELECT count(*) FROM evidence WHERE job_id = ? AND kind = 'reading' AND json_extract(body, '$.memberId') = ?",
    )
    .pluck();
  const isOver = [...new Set(readings.map(({ memberId }) => memberId))].some(
    (memberId) =>
      onMember.get(jobId, memberId)! + readings.filter((each) => each.memberId === memberId).length >
      MOST_ON_A_MEMBER,
  );
  return isOver ? `a member holds ${MOST_ON_A_MEMBER} readings at most` : undefined;
}

const countOf = (db: Db, jobId: string): number =>
  db.prepare<[string], number>('SELECT count(*) FROM evidence WHERE job_id = ?').pluck().get(jobId)!;

/** The records that are not here yet; refused when an id is taken by something else. */
function freshAmong(db: Db, jobId: string, records: readonly Evidence[]): Written<Evidence[]> {
  const select = db.prepare<[string], Row>(
    'SELECT id, job_id, kind, version, body FROM evidence WHERE id IN (SELECT value FROM json_each(?))',
  );
  const here = new Map(
    select.all(JSON.stringify(records.map((record) => record.id))).map((row) => [row.id, row]),
  );
  const fresh = new Map<string, Evidence>();
  for (const record of records) {
    const row = here.get(record.id);
    const known = row ? (row.job_id === jobId ? evidenceFrom(row) : undefined) : fresh.get(record.id);
    if (row || known) {
      if (!sameRecord(known, record))
        return refused('conflict', `this ${record.kind} is already recorded with other facts`, NONE_OF_THESE);
    } else fresh.set(record.id, record);
  }
  return written([...fresh.values()]);
}

function insertAll(db: Db, jobId: string, records: readonly Evidence[]): void {
  const last = db
    .prepare<[string], { last: number | null }>('SELECT max(number) AS last FROM evidence WHERE job_id = ?')
    .get(jobId)!.last;
  const insertOf = (rows: number) =>
    db.prepare(
      `INSERT INTO evidence (id, job_id, kind, version, number, body) VALUES ${Array(rows).fill('(?, ?, ?, ?, ?, ?)').join(', ')}`,
    );
  const insertMany = insertOf(ROWS_AT_ONCE);
  for (let from = 0; from < records.length; from += ROWS_AT_ONCE) {
    const some = records.slice(from, from + ROWS_AT_ONCE);
    const insert = some.length === ROWS_AT_ONCE ? insertMany : insertOf(some.length);
    insert.run(
      some.flatMap((record, k) => [
        ...[record.id, jobId, record.kind, evidenceVersion(record)],
        ...[(last ?? 0) + from + k + 1, JSON.stringify(record)],
      ]),
    );
  }
}
/** A long file goes in by statements of many rows: by one each, the calls take longer than the rows. */
const ROWS_AT_ONCE = 50;
