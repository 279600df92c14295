import { noticeSchema, unitSchema, type Notice, type NoticeLifted, type Unit } from '@/core/frame';
import type { Db } from '../connection';
import { readRows, type Missed } from '../readable';
import { refused, sameRecord, written, type Written } from '../problem';

/** A unit as its row holds it. */
export interface UnitRow {
  id: string;
  tag: string;
  description: string;
  kind: string;
  exposure: string;
  duty: string;
  gross_mass_kg: number | null;
  built_year: number | null;
}
interface NoticeRow {
  id: string;
  unit_id: string;
  words: string;
  by_whom: string;
  at: string;
  about: string | null;
}

export const unitFrom = (row: UnitRow): Unit =>
  unitSchema.parse({
    ...row,
    grossMassKg: row.gross_mass_kg ?? undefined,
    builtYear: row.built_year ?? undefined,
  });
const rowOf = (unit: Unit) => ({
  ...unit,
  grossMassKg: unit.grossMassKg ?? null,
  builtYear: unit.builtYear ?? null,
});
const noticeFrom = (row: NoticeRow): Notice =>
  noticeSchema.parse({ ...row, unitId: row.unit_id, by: row.by_whom, about: row.about ?? undefined });

export const allUnits = (db: Db, missed?: Missed): Unit[] =>
  readRows(db.prepare<[], UnitRow>('SELECT * FROM unit ORDER BY tag').all(), unitFrom, missed);

export function unitById(db: Db, id: string): Unit | undefined {
  const row = db.prepare<[string], UnitRow>('SELECT * FROM unit WHERE id = ?').get(id);
  return row && unitFrom(row);
}

/** Notices that stand on a unit: those that somebody lifted are left out. */
export const noticesOf = (db: Db, unitId: string, missed?: Missed): Notice[] =>
  readRows(
    db
      .prepare<[string], NoticeRow>(
        'SELECT * FROM notice WHERE unit_id = ? AND id NOT IN (SELECT notice_id FROM notice_lifted) ORDER BY at, id',
      )
      .all(unitId),
    noticeFrom,
    missed,
  );

/** Adds a unit; the same unit twice is one. Refused when the id or the tag belongs to another. */
export function addUnit(db: Db, unit: Unit): Written<Unit> {
  const existing = unitById(db, unit.id);
  if (existing)
    return sameRecord(existing, unit)
      ? written(existing)
      : refused('conflict', `unit ${existing.tag} is already recorded under this id with other facts`);
  const taken = db.prepare<[string], { id: string }>('SELECT id FROM unit WHERE tag = ?').get(unit.tag);
  if (taken)
    return refused('conflict', `the tag ${unit.tag} is already in the yard`, 'Nothing was added.', 'tag');
  db.prepare(
    'INSERT INTO unit (id, tag, description, kind, exposure, duty, gross_mass_kg, built_year) VALUES (@id, @tag, @description, @kind, @exposure, @duty, @grossMassKg, @builtYear)',
  ).run(rowOf(unit));
  return written(unit);
}

/** Corrects a unit's facts. Refused when they are no longer what they were when the correction was begun, or when the tag belongs to another. */
export function correctUnit(db: Db, was: Unit, unit: Unit): Written<Unit> {
  const existing = unitById(db, unit.id);
  if (!existing) return refused('not-found', 'there is no such unit');
  if (sameRecord(existing, unit)) return written(existing);
  if (!sameRecord(existing, was))
    return refused(
      'stale',
      'the unit was corrected elsewhere meanwhile; look at it again',
      'The other correction stands; yours was not made.',
    );
  const taken = db
    .prepare<[string, string], { id: string }>('SELECT id FROM unit WHERE tag = ? AND id <> ?')
    .get(unit.tag, unit.id);
  if (taken)
    return refused('conflict', `the tag ${unit.tag} is another unit’s`, 'The unit is as it was.', 'tag');
  db.prepare(
    'UPDATE unit SET tag = @tag, description = @description, kind = @kind, exposure = @exposure, duty = @duty, gross_mass_kg = @grossMassKg, built_year = @builtYear WHERE id = @id',
  ).run(rowOf(unit));
  return written(unit);
}

/** Adds a standing notice; the same notice twice is one. */
export function addNotice(db: Db, notice: Notice): Written<Notice> {
  if (!unitById(db, notice.unitId))
    return refused('not-found', 'there is no such unit', 'Nothing was added.');
  const row = db.prepare<[string], NoticeRow>('SELECT * FROM notice WHERE id = ?').get(notice.id);
  if (row)
    return sameRecord(noticeFrom(row), notice)
      ? written(notice)
      : refused('conflict', 'another notice has this id');
  db.prepare(
    'INSERT INTO notice (id, unit_id, words, by_whom, at, about) VALUES (@id, @unitId, @words, @by, @at, @about)',
  ).run({ ...notice, about: notice.about ?? null });
  return written(notice);
}

interface LiftedRow {
  id: string;
  notice_id: string;
  why: string;
  by_whom: string;
  at: string;
}

/** Lifts a standing notice, with who and why; the same lifting twice is one. */
export function liftNotice(db: Db, unitId: string, lifted: NoticeLifted): Written<NoticeLifted> {
  const notice = db
    .prepare<[string, string], NoticeRow>('SELECT * FROM notice WHERE id = ? AND unit_id = ?')
    .get(lifted.noticeId, unitId);
  if (!notice) return refused('not-found', 'no such notice stands on this unit');
  const before = db
    .prepare<[string], LiftedRow>('SELECT * FROM notice_lifted WHERE notice_id = ?')
    .get(lifted.noticeId);
  if (before)
    return before.id === lifted.id
      ? written(lifted)
      : refused('conflict', `${before.by_whom} has lifted this notice already: ${before.why}`);
  db.prepare(
    'INSERT INTO notice_lifted (id, notice_id, why, by_whom, at) VALUES (@id, @noticeId, @why, @by, @at)',
  ).run(lifted);
  return written(lifted);
}
