import { memberOf } from '@/core/frame';
import { opened, packed, valueOf, type Body } from '@/core/quantity';
import { checkRepair, repairForm, type Repair } from '@/core/shape';
import type { Db } from '../connection';
import { currentFrame } from '../frame';
import { refused, sameRecord, written, type Written } from '../problem';

interface RepairRow {
  id: string;
  version: number;
  job_id: string;
  body: string;
  form: number;
  withdrawn: number;
}

const repairFrom = (row: RepairRow): Repair =>
  valueOf(opened(repairForm, { ...(JSON.parse(row.body) as Body), version: row.form }));

/** The current version of every repair that is still in the plan. */
export const repairsOf = (db: Db, jobId: string): Repair[] =>
  db
    .prepare<[string], RepairRow>(
      'SELECT r.* FROM repair_version r WHERE r.job_id = ? AND r.version = (SELECT max(version) FROM repair_version WHERE id = r.id) AND r.withdrawn = 0 ORDER BY r.id',
    )
    .all(jobId)
    .map(repairFrom);

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

/** Keeps a repair as it now is: a new version when it differs from the last. */
export function keepRepair(db: Db, jobId: string, repair: Repair): Written<Repair> {
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
      const last = latest(db, repair.id);
      if (last && last.job_id !== jobId)
        return refused('conflict', 'this id belongs to a repair of another job', 'The plan is as it was.');
      if (last && last.withdrawn === 0 && sameRecord(repairFrom(last), repair)) return written(repair);
      insertVersion(db, jobId, repair, { version: (last?.version ?? 0) + 1, withdrawn: 0 });
      return written(repair);
    })
    .immediate();
}

/** Takes a repair out of the plan; its versions stay on record. Withdrawing twice is once. */
export function withdrawRepair(db: Db, jobId: string, id: string): Written<null> {
  return db
    .transaction((): Written<null> => {
      const last = latest(db, id);
      if (last?.job_id !== jobId)
        return refused('not-found', 'there is no such repair on this job', 'The plan is as it was.');
      if (last.withdrawn === 0)
        insertVersion(db, jobId, repairFrom(last), { version: last.version + 1, withdrawn: 1 });
      return written(null);
    })
    .immediate();
}

function insertVersion(
  db: Db,
  jobId: string,
  repair: Repair,
  kept: { readonly version: number; readonly withdrawn: 0 | 1 },
): void {
  const { version: form, ...body } = packed(repairForm, repair);
  db.prepare(
    'INSERT INTO repair_version (id, version, job_id, body, form, withdrawn) VALUES (@id, @version, @jobId, @body, @form, @withdrawn)',
  ).run({ id: repair.id, jobId, body: JSON.stringify(body), form, ...kept });
}
