import { memberOf } from '@/core/frame';
import { opened, packed, valueOf, type Body } from '@/core/quantity';
import { checkRepair, repairForm, type Repair } from '@/core/shape';
import type { Db } from '../connection';
import { currentFrame } from '../frame';
import { readRows, type Missed } from '../readable';
import { refused, sameRecord, written, type Written } from '../problem';

interface RepairRow {
  id: string;
  version: number;
  job_id: string;
  body: string;
  form: number;
  withdrawn: number;
  change_id: string;
}

const repairFrom = (row: RepairRow): Repair =>
  valueOf(opened(repairForm, { ...(JSON.parse(row.body) as Body), version: row.form }));

/** The current version of every repair that is still in the plan. */
export const repairsOf = (db: Db, jobId: string, missed?: Missed): Repair[] =>
  readRows(
    db
      .prepare<[string], RepairRow>(
        'SELECT r.* FROM repair_version r WHERE r.job_id = ? AND r.version = (SELECT max(version) FROM repair_version WHERE id = r.id) AND r.withdrawn = 0 ORDER BY r.id',
      )
      .all(jobId),
    repairFrom,
    missed,
  );

/** Every repair a job ever had, those taken out of its plan too. */
export const repairIdsOf = (db: Db, jobId: string): Set<string> =>
  new Set(
    db
      .prepare<[string], string>('SELECT DISTINCT id FROM repair_version WHERE job_id = ?')
      .pluck()
      .all(jobId),
  );

const latest = (db: Db, id: string): RepairRow | undefined =>
  db
    .prepare<[string], RepairRow>('SELECT * FROM repair_version WHERE id = ? ORDER BY version DESC LIMIT 1')
    .get(id);

/** A change to a repair: its own name, and the name of the change it was made on (none for a repair that is new). */
export interface RepairChange {
  readonly changeId: string;
  readonly basedOn?: string | undefined;
}

/** The name of each repair's last change, those taken out of the plan too: what the next change must say it was made on. */
export const repairChangesOf = (db: Db, jobId: string): Record<string, string> =>
  Object.fromEntries(
    db
      .prepare<[string], { id: string; change_id: string }>(
        'SELECT r.id, r.change_id FROM repair_version r WHERE r.job_id = ? AND r.version = (SELECT max(version) FROM repair_version WHERE id = r.id)',
      )
      .all(jobId)
      .map((row) => [row.id, row.change_id]),
  );

const stale = (last: RepairRow | undefined) =>
  refused(
    'stale',
    last?.withdrawn
      ? 'this repair was taken out of the plan elsewhere meanwhile'
      : 'this repair was changed elsewhere meanwhile',
    'The other change stands; yours was not made.',
  );

/** Keeps a repair as it now is: its next version. Refused when it was made on another version than the last; the same change twice is one. */
export function keepRepair(db: Db, jobId: string, repair: Repair, change: RepairChange): Written<Repair> {
  const current = currentFrame(db, jobId);
  if (!current) return refused('not-found', 'there is no such job', 'Nothing was kept.');
  const member = memberOf(current.frame, repair.memberId);
  if (!member)
    return refused(
      'invalid',
      `member ${repair.memberId} is not on this frame`,
      'The plan is as it was.',
      'memberId',
    );
  const check = checkRepair(member, repair);
  if (!check.ok) return refused('invalid', check.reason, 'The plan is as it was.', 'pieces');
  return db
    .transaction((): Written<Repair> => {
      const known = byChange(db, change.changeId);
      if (known)
        return known.id === repair.id && known.job_id === jobId && sameRecord(repairFrom(known), repair)
          ? written(repair)
          : refused('conflict', 'this change is already recorded with other facts', 'The plan is as it was.');
      const last = latest(db, repair.id);
      if (last && last.job_id !== jobId)
        return refused('conflict', 'this id belongs to a repair of another job', 'The plan is as it was.');
      if (last && last.withdrawn === 0 && sameRecord(repairFrom(last), repair) && !change.basedOn)
        return written(repair);
      if (last?.change_id !== change.basedOn) return stale(last);
      insertVersion(db, jobId, repair, { changeId: change.changeId, version: nextOf(last), withdrawn: 0 });
      return written(repair);
    })
    .immediate();
}

const nextOf = (last: RepairRow | undefined): number => (last?.version ?? 0) + 1;
const byChange = (db: Db, changeId: string): RepairRow | undefined =>
  db.prepare<[string], RepairRow>('SELECT * FROM repair_version WHERE change_id = ?').get(changeId);

/** Takes a repair out of the plan; its versions stay on record. Withdrawing twice is once; one changed elsewhere meanwhile stays. */
export function withdrawRepair(db: Db, jobId: string, id: string, change: RepairChange): Written<null> {
  return db
    .transaction((): Written<null> => {
      const last = latest(db, id);
      if (last?.job_id !== jobId)
        return refused('not-found', 'there is no such repair on this job', 'The plan is as it was.');
      if (last.withdrawn === 1) return written(null);
      if (last.change_id !== change.basedOn) return stale(last);
      insertVersion(db, jobId, repairFrom(last), {
        changeId: change.changeId,
        version: nextOf(last),
        withdrawn: 1,
      });
      return written(null);
    })
    .immediate();
}

function insertVersion(
  db: Db,
  jobId: string,
  repair: Repair,
  kept: { readonly changeId: string; readonly version: number; readonly withdrawn: 0 | 1 },
): void {
  const { version: form, ...body } = packed(repairForm, repair);
  db.prepare(
    'INSERT INTO repair_version (id, version, job_id, body, form, withdrawn, change_id) VALUES (@id, @version, @jobId, @body, @form, @withdrawn, @changeId)',
  ).run({ id: repair.id, jobId, body: JSON.stringify(body), form, ...kept });
}
