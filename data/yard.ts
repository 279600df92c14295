import type { JobSheet, Unit } from '@/core/frame';
import type { Db } from './connection';
import { jobFrom, type JobRow } from './job';
import { readRows, type Missed } from './readable';
import { unitFrom, type UnitRow } from './unit';

/** How the Yard is looked at: what is searched for, what is left out, and in which order. */
export interface YardView {
  /** Part of a tag, a description, or a job's name; empty for all. */
  readonly search: string;
  readonly sort: 'tag' | 'latest';
  /** Units of which every job is closed are put away unless they are asked for. */
  readonly closedToo: boolean;
  /** Only units with a job that has a member of this verdict, or whose way on is this step; by what was last worked out. */
  readonly verdict?: string;
  readonly steps?: readonly string[];
  readonly page: number;
}
export interface YardJob extends JobSheet {
  readonly closed: boolean;
}
export interface YardPage {
  readonly units: readonly { readonly unit: Unit; readonly jobs: readonly YardJob[] }[];
  readonly found: number;
  readonly pages: number;
}

export const UNITS_A_PAGE = 20;
/** How a job's line is kept among what was worked out. */
export const LINE = 'line';

const CLOSED =
  'coalesce((SELECT closed FROM job_closing WHERE job_id = job.id ORDER BY number DESC LIMIT 1), 0)';
const WANTED = `
  (@search = '' OR unit.tag LIKE @like ESCAPE '\\' OR unit.description LIKE @like ESCAPE '\\'
    OR EXISTS (SELECT 1 FROM job WHERE unit_id = unit.id AND title LIKE @like ESCAPE '\\'))
  AND (@closedToo = 1 OR NOT EXISTS (SELECT 1 FROM job WHERE unit_id = unit.id)
    OR EXISTS (SELECT 1 FROM job WHERE unit_id = unit.id AND ${CLOSED} = 0))
  AND (@verdict = '' OR EXISTS (SELECT 1 FROM job JOIN worked_out AS line ON line.job_id = job.id AND line.what = '${LINE}',
    json_each(line.body, '$.toAct') AS act WHERE job.unit_id = unit.id AND json_extract(act.value, '$.verdict') = @verdict))
  AND (@steps = '[]' OR EXISTS (SELECT 1 FROM job JOIN worked_out AS line ON line.job_id = job.id AND line.what = '${LINE}'
    WHERE job.unit_id = unit.id AND json_extract(line.body, '$.next.is') IN (SELECT value FROM json_each(@steps))))`;
const ORDER = {
  tag: 'unit.tag COLLATE NOCASE',
  latest: '(SELECT max(opened_at) FROM job WHERE unit_id = unit.id) DESC, unit.tag COLLATE NOCASE',
} as const;

interface YardJobRow extends JobRow {
  is_closed: number;
}
const yardJobFrom = (row: YardJobRow): YardJob => ({ ...jobFrom(row), closed: row.is_closed === 1 });

/** One page of the Yard. Nothing is worked out for it, so that a yard of thousands opens at once. */
export function yardPage(db: Db, view: YardView, missed?: Missed): YardPage {
  const asked = {
    search: view.search,
    like: `%${view.search.replace(/[\\%_]/g, '\\$&')}%`,
    closedToo: view.closedToo ? 1 : 0,
    verdict: view.verdict ?? '',
    steps: JSON.stringify(view.steps ?? []),
  };
  const found = db.prepare<object, number>(`SELECT count(*) FROM unit WHERE ${WANTED}`).pluck().get(asked)!;
  const pages = Math.max(1, Math.ceil(found / UNITS_A_PAGE));
  const page = Math.min(Math.max(1, view.page), pages);
  const rows = db
    .prepare<object, UnitRow>(
      `SELECT unit.* FROM unit WHERE ${WANTED} ORDER BY ${ORDER[view.sort]} LIMIT ${UNITS_A_PAGE} OFFSET @offset`,
    )
    .all({ ...asked, offset: (page - 1) * UNITS_A_PAGE });
  const units = readRows(rows, unitFrom, missed);
  return { units: units.map((unit) => ({ unit, jobs: jobsOf(db, unit.id, missed) })), found, pages };
}

const jobsOf = (db: Db, unitId: string, missed?: Missed): YardJob[] =>
  readRows(
    db
      .prepare<[string], YardJobRow>(
        `SELECT job.*, ${CLOSED} AS is_closed FROM job WHERE unit_id = ? ORDER BY opened_at DESC, id`,
      )
      .all(unitId),
    yardJobFrom,
    missed,
  );

/** Ids of all jobs, newest first. */
export const jobIds = (db: Db): string[] =>
  db.prepare<[], string>('SELECT id FROM job ORDER BY opened_at DESC').pluck().all();
