import { memberOf, strikeSchema, type Strike } from '@/core/frame';
import { checkReading, readingSchema, type Reading } from '@/core/probe';
import { checkCrack, crackSchema, type Crack } from '@/core/trace';
import type { Db } from '../connection';
import { currentSetup } from '../setup';
import { refused, sameRecord, written, type Written } from '../problem';

interface ReadingRow {
  id: string;
  member_id: string;
  station_mm: number;
  face: string;
  height_mm: number;
  thickness_mm: number;
  method: string;
  by_whom: string;
  at: string;
  note: string;
  calibration_id: string | null;
}
interface CrackRow {
  id: string;
  member_id: string;
  path: string;
  start_found: number;
  finish_found: number;
  seen_by: string;
  by_whom: string;
  at: string;
  note: string;
}
interface StrikeRow {
  id: string;
  evidence_id: string;
  why: string;
  by_whom: string;
  at: string;
}

const readingFrom = (row: ReadingRow): Reading =>
  readingSchema.parse({
    id: row.id,
    memberId: row.member_id,
    stationMm: row.station_mm,
    face: row.face,
    heightMm: row.height_mm,
    thicknessMm: row.thickness_mm,
    method: row.method,
    by: row.by_whom,
    at: row.at,
    note: row.note,
    ...(row.calibration_id !== null && { calibrationId: row.calibration_id }),
  });
const crackFrom = (row: CrackRow): Crack =>
  crackSchema.parse({
    id: row.id,
    memberId: row.member_id,
    path: JSON.parse(row.path),
    startFound: row.start_found === 1,
    finishFound: row.finish_found === 1,
    seenBy: row.seen_by,
    by: row.by_whom,
    at: row.at,
    note: row.note,
  });
const strikeFrom = (row: StrikeRow): Strike =>
  strikeSchema.parse({ id: row.id, evidenceId: row.evidence_id, why: row.why, by: row.by_whom, at: row.at });

/** Evidence in the order it was kept. */
export const readingsOf = (db: Db, jobId: string): Reading[] =>
  db
    .prepare<[string], ReadingRow>(
      'SELECT reading.* FROM reading JOIN evidence USING (id) WHERE evidence.job_id = ? ORDER BY evidence.number',
    )
    .all(jobId)
    .map(readingFrom);
export const cracksOf = (db: Db, jobId: string): Crack[] =>
  db
    .prepare<[string], CrackRow>(
      'SELECT crack.* FROM crack JOIN evidence USING (id) WHERE evidence.job_id = ? ORDER BY evidence.number',
    )
    .all(jobId)
    .map(crackFrom);
export const strikesOf = (db: Db, jobId: string): Strike[] =>
  db
    .prepare<[string], StrikeRow>(
      'SELECT strike.* FROM strike JOIN evidence ON evidence.id = strike.evidence_id WHERE evidence.job_id = ? ORDER BY strike.at, strike.id',
    )
    .all(jobId)
    .map(strikeFrom);

export interface KeptReading {
  readonly reading: Reading;
  readonly warning?: string;
}

/** Keeps readings, all or none, in one transaction. A reading sent twice is one; one whose id is taken by another is refused. */
export function keepReadings(db: Db, jobId: string, readings: readonly Reading[]): Written<KeptReading[]> {
  const setup = currentSetup(db, jobId);
  if (!setup) return refused('not-found', 'there is no such job', 'Nothing was added.');
  const kept: KeptReading[] = [];
  for (const [k, reading] of readings.entries()) {
    const member = memberOf(setup.frame, reading.memberId);
    if (!member)
      return refused(
        'invalid',
        `member ${reading.memberId} is not on this frame`,
        NONE_OF_THESE,
        `readings.${k}.memberId`,
      );
    const check = checkReading(member, reading);
    if (!check.ok) return refused('invalid', check.reason, NONE_OF_THESE, `readings.${k}`);
    kept.push({ reading, ...(check.value.warning && { warning: check.value.warning }) });
  }
  return db
    .transaction((): Written<KeptReading[]> => {
      const select = db.prepare<[string], ReadingRow & { job_id: string }>(
        'SELECT reading.*, evidence.job_id FROM reading JOIN evidence USING (id) WHERE id = ?',
      );
      const insert = db.prepare(
        'INSERT INTO reading (id, member_id, station_mm, face, height_mm, thickness_mm, method, by_whom, at, note, calibration_id) VALUES (@id, @memberId, @stationMm, @face, @heightMm, @thicknessMm, @method, @by, @at, @note, @calibrationId)',
      );
      const number = numberer(db, jobId);
      const taken = firstTaken(db, jobId, readings, 'reading', (id) => {
        const row = select.get(id);
        return row && readingFrom(row);
      });
      if (taken.conflict)
        return refused(
          'conflict',
          `reading ${taken.conflict} is already recorded with other figures`,
          NONE_OF_THESE,
        );
      for (const reading of readings) {
        if (taken.already.has(reading.id)) continue;
        taken.already.add(reading.id);
        number(reading.id, 'reading');
        insert.run({ ...reading, calibrationId: reading.calibrationId ?? null });
      }
      return written(kept);
    })
    .immediate();
}

export const NONE_OF_THESE = 'None of these were added; everything recorded before stands.';

/** Gives evidence its place in the job's order. */
export function numberer(db: Db, jobId: string): (id: string, kind: string) => void {
  const last =
    db
      .prepare<[string], { last: number | null }>('SELECT max(number) AS last FROM evidence WHERE job_id = ?')
      .get(jobId)?.last ?? 0;
  const insert = db.prepare('INSERT INTO evidence (id, job_id, kind, number) VALUES (?, ?, ?, ?)');
  let next = last;
  return (id, kind) => void insert.run(id, jobId, kind, ++next);
}

/** Which of these ids are already kept unchanged, and the first that is taken by something else. */
export function firstTaken<Rec extends { id: string }>(
  db: Db,
  jobId: string,
  records: readonly Rec[],
  kind: string,
  existing: (id: string) => Rec | undefined,
): { already: Set<string>; conflict?: string } {
  const already = new Set<string>();
  const owner = db.prepare<[string], { job_id: string; kind: string }>(
    'SELECT job_id, kind FROM evidence WHERE id = ?',
  );
  for (const record of records) {
    const row = owner.get(record.id);
    if (!row) continue;
    const same = row.job_id === jobId && row.kind === kind && sameRecord(existing(record.id), record);
    if (!same) return { already, conflict: record.id };
    already.add(record.id);
  }
  return { already };
}

export function keepCrack(db: Db, jobId: string, crack: Crack): Written<Crack> {
  const setup = currentSetup(db, jobId);
  const member = setup && memberOf(setup.frame, crack.memberId);
  if (!setup) return refused('not-found', 'there is no such job', 'Nothing was added.');
  if (!member)
    return refused('invalid', `member ${crack.memberId} is not on this frame`, NONE_OF_THESE, 'memberId');
  const check = checkCrack(member, crack);
  if (!check.ok) return refused('invalid', check.reason, NONE_OF_THESE, 'path');
  return db
    .transaction((): Written<Crack> => {
      const taken = firstTaken(db, jobId, [crack], 'crack', (id) =>
        cracksOf(db, jobId).find((each) => each.id === id),
      );
      if (taken.conflict)
        return refused('conflict', 'this id is already recorded with other facts', NONE_OF_THESE);
      if (taken.already.has(crack.id)) return written(crack);
      numberer(db, jobId)(crack.id, 'crack');
      db.prepare(
        'INSERT INTO crack (id, member_id, path, start_found, finish_found, seen_by, by_whom, at, note) VALUES (@id, @memberId, @path, @startFound, @finishFound, @seenBy, @by, @at, @note)',
      ).run({
        ...crack,
        path: JSON.stringify(crack.path),
        startFound: Number(crack.startFound),
        finishFound: Number(crack.finishFound),
      });
      return written(crack);
    })
    .immediate();
}

/** Strikes evidence through. Striking what is already struck is refused unless it is the same strike. */
export function keepStrike(db: Db, jobId: string, strike: Strike): Written<Strike> {
  const owner = db
    .prepare<[string], { job_id: string }>('SELECT job_id FROM evidence WHERE id = ?')
    .get(strike.evidenceId);
  if (owner?.job_id !== jobId)
    return refused('not-found', 'there is no such evidence on this job', 'Nothing was struck.', 'evidenceId');
  const row = db
    .prepare<[string, string], StrikeRow>('SELECT * FROM strike WHERE evidence_id = ? OR id = ?')
    .get(strike.evidenceId, strike.id);
  if (row)
    return sameRecord(strikeFrom(row), strike)
      ? written(strike)
      : refused(
          'conflict',
          `already struck through by ${row.by_whom}: ${row.why}`,
          'The earlier strike stands.',
        );
  db.prepare(
    'INSERT INTO strike (id, evidence_id, why, by_whom, at) VALUES (@id, @evidenceId, @why, @by, @at)',
  ).run(strike);
  return written(strike);
}
