import type { Family } from '@/core/frame';
import { faultsOf, jobPlaces, type Fault, type JobPlaces, type UnitPlaces } from '@/core/patterns';
import type { Db } from '../connection';
import { foundOn } from '../found';
import { currentFrame } from '../frame';
import { untilChanged } from '../unchanged';
import { jobMarks, keepWorkedOut } from '../worked-out';

/** How what a job says of its frame's places is kept; another way of telling places takes another name. */
const PLACES = 'places 2';

interface Row {
  jobId: string;
  unitId: string;
  tag: string;
  builtYear: number | null;
  closed: number;
  mark: string | null;
  family: string | null;
  body: string | null;
}

/** Jobs that are read anew while one is opened: a yard of thousands that nobody read yet is read through on the page of patterns, or bit by bit. */
const READ_AT_ONCE = 12;

/** What a job hears of its family. Where not every job is read yet, nothing is said of those that are not. */
export const faultsFor = (db: Db, family: Family): readonly Fault[] =>
  untilChanged(db, `faults of ${family}`, () => shopFaults(db, { family, most: READ_AT_ONCE }));

/** Where frames failed in this shop, of one family or of all. What a job says is read once and kept until something of it changes. */
export function shopFaults(
  db: Db,
  { family, most = Infinity }: { readonly family?: Family; readonly most?: number } = {},
): Fault[] {
  const marks = jobMarks(db);
  const rows = db
    .prepare<[string], Row>(
      `SELECT job.id AS jobId, unit.id AS unitId, unit.tag AS tag, unit.built_year AS builtYear,
         coalesce((SELECT closed FROM job_closing WHERE job_id = job.id ORDER BY number DESC LIMIT 1), 0) AS closed,
         worked_out.mark AS mark, json_extract(worked_out.body, '$.family') AS family, worked_out.body AS body
       FROM job JOIN unit ON unit.id = job.unit_id
       LEFT JOIN worked_out ON worked_out.job_id = job.id AND worked_out.what = ?
       ORDER BY unit.tag COLLATE NOCASE, job.opened_at, job.id`,
    )
    .all(PLACES);
  let unread = 0;
  const units = new Map<string, UnitPlaces & { jobs: (JobPlaces & { jobId: string })[] }>();
  for (const row of rows) {
    const isKnown = row.mark === marks.get(row.jobId);
    if (family && isKnown && row.family !== family) continue;
    if (!isKnown && ++unread > most) continue;
    const places = isKnown ? (JSON.parse(row.body!) as JobPlaces) : placesOf(db, row.jobId, marks);
    if (!places || (family && places.family !== family)) continue;
    const unit = units.get(row.unitId);
    const isHere = unit?.isHere === true || row.closed === 0;
    units.set(row.unitId, {
      unitId: row.unitId,
      tag: row.tag,
      ...(row.builtYear !== null && { builtYear: row.builtYear }),
      isHere,
      jobs: [...(unit?.jobs ?? []), { ...places, jobId: row.jobId }],
    });
  }
  return faultsOf([...units.values()]);
}

function placesOf(db: Db, jobId: string, marks: ReadonlyMap<string, string>): JobPlaces | undefined {
  const frame = currentFrame(db, jobId)?.frame;
  if (!frame) return undefined;
  const value = jobPlaces(frame, foundOn(db, jobId));
  keepWorkedOut(db, jobId, PLACES, { mark: marks.get(jobId)!, value });
  return value;
}
