import { ofKind, standing, type Family } from '@/core/frame';
import { asBuiltIn, type AsBuilt, type AsBuiltIn } from '@/core/patterns';
import { reachOf } from '@/core/shape';
import type { Db } from '../connection';
import { evidenceOf } from '../evidence';
import { foundOn } from '../found';
import { currentFrame } from '../frame';
import { noting } from '../readable';
import { repairsOf } from '../repair';
import { strikesOf } from '../strike';

interface Row {
  jobId: string;
  unitId: string;
  tag: string;
  builtYear: number | null;
  family: string;
}

/** Photos of places as built, of one family or of all; what cannot be read is its own job's to say. */
export function asBuiltFor(db: Db, family?: Family): AsBuilt[] {
  const rows = db
    .prepare<[], Row>(
      `SELECT job.id AS jobId, unit.id AS unitId, unit.tag AS tag, unit.built_year AS builtYear,
         (SELECT json_extract(frame, '$.family') FROM job_frame
          WHERE job_id = job.id ORDER BY revision DESC LIMIT 1) AS family
       FROM job JOIN unit ON unit.id = job.unit_id
       WHERE job.id IN (
         SELECT job_id FROM evidence WHERE kind = 'photo' AND json_extract(body, '$.moment') = 'as built')
       ORDER BY unit.tag COLLATE NOCASE, job.opened_at, job.id`,
    )
    .all();
  return rows.filter((row) => !family || row.family === family).flatMap((row) => ofJob(db, row));
}

function ofJob(db: Db, { jobId, unitId, tag, builtYear }: Row): AsBuilt[] {
  const frame = currentFrame(db, jobId)?.frame;
  if (!frame) return [];
  const unread = noting();
  const photos = standing(
    ofKind(evidenceOf(db, jobId, ['photo'], unread.of('evidence')), 'photo'),
    strikesOf(db, jobId, unread.of('strike')),
  );
  const unit = { id: unitId, tag, ...(builtYear !== null && { builtYear }) };
  return asBuiltIn({ frame, jobId, unit, photos, ...recordsOf(db, unitId) });
}

/** What every job of a unit found bad or sound, and where their repairs lie. */
function recordsOf(db: Db, unitId: string): Pick<AsBuiltIn, 'found' | 'mended'> {
  const jobs = db.prepare<[string], string>('SELECT id FROM job WHERE unit_id = ?').pluck().all(unitId);
  return {
    found: jobs.flatMap((jobId) => foundOn(db, jobId).map((each) => ({ ...each, jobId }))),
    mended: jobs.flatMap((jobId) =>
      repairsOf(db, jobId).map((repair) => ({
        memberId: repair.memberId,
        at: repair.at,
        ...reachOf(repair),
      })),
    ),
  };
}
