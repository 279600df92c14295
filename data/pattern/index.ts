import { memberOf } from '@/core/frame';
import {
  howItHeld,
  layPattern,
  patternDroppedSchema,
  patternForm,
  type KnownUse,
  type LaterRecord,
  type ListedPattern,
  type Pattern,
  type PatternDropped,
  type PatternUse,
} from '@/core/patterns';
import { opened, packed, valueOf, type Body } from '@/core/quantity';
import { pieceName, reachOf, type Repair } from '@/core/shape';
import { closedAt } from '../closing';
import type { Db } from '../connection';
import { foundOn } from '../found';
import { currentFrame } from '../frame';
import { hasPicture } from '../photo';
import { refused, sameRecord, written, type Written } from '../problem';
import { readRows, type Missed } from '../readable';
import { repairsOf } from '../repair';

interface Row {
  id: string;
  name: string;
  version: number;
  body: string;
}
const patternFrom = (row: Row): Pattern =>
  valueOf(opened(patternForm, { ...(JSON.parse(row.body) as Body), version: row.version }));

/** The shop's patterns by name; those that were dropped are left out. */
export const patternsOf = (db: Db, missed?: Missed): Pattern[] =>
  readRows(
    db
      .prepare<[], Row>(
        'SELECT id, name, version, body FROM pattern WHERE id NOT IN (SELECT pattern_id FROM pattern_dropped) ORDER BY name COLLATE NOCASE, at',
      )
      .all(),
    patternFrom,
    missed,
  );

export function patternById(db: Db, id: string): Pattern | undefined {
  const row = db.prepare<[string], Row>('SELECT id, name, version, body FROM pattern WHERE id = ?').get(id);
  return row && patternFrom(row);
}

const AS_IT_WAS = 'The list of patterns is as it was.';

/** Keeps a repair of a job as a pattern; the same twice is one. Refused where its job or a picture is not here, or its name is taken. */
export function keepPattern(db: Db, pattern: Pattern): Written<Pattern> {
  return db
    .transaction((): Written<Pattern> => {
      const before = patternById(db, pattern.id);
      if (before)
        return sameRecord(before, pattern)
          ? written(pattern)
          : refused('conflict', 'another pattern has this id', AS_IT_WAS);
      if (!repairsOf(db, pattern.from.jobId).some(({ id }) => id === pattern.repair.id))
        return refused('invalid', 'the repair it is made from is not in its job’s plan', AS_IT_WAS);
      if (pattern.photos.some(({ hash }) => !hasPicture(db, hash)))
        return refused('invalid', 'one of its pictures is not kept here', AS_IT_WAS, 'photos');
      if (patternsOf(db).some(({ name }) => name.toLowerCase() === pattern.name.toLowerCase()))
        return refused('conflict', 'another pattern has this name', AS_IT_WAS, 'name');
      const { version, ...body } = packed(patternForm, pattern);
      db.prepare(
        'INSERT INTO pattern (id, name, version, body, by_whom, at) VALUES (@id, @name, @version, @body, @by, @at)',
      ).run({ ...pattern, version, body: JSON.stringify(body) });
      return written(pattern);
    })
    .immediate();
}

/** The patterns for one family, with how they held. One that cannot be read is no record of any job: the page of patterns says so. */
export const patternsFor = (db: Db, family: Pattern['family']): ListedPattern[] =>
  listedPatterns(
    db,
    patternsOf(db).filter((pattern) => pattern.family === family),
  );

interface DroppedRow {
  id: string;
  patternId: string;
  why: string;
  by: string;
  at: string;
}

/** Drops a pattern from the list, with who and why; the same twice is one. */
export function dropPattern(db: Db, dropped: PatternDropped): Written<PatternDropped> {
  if (!patternById(db, dropped.patternId)) return refused('not-found', 'there is no such pattern', AS_IT_WAS);
  const before = db
    .prepare<[string], DroppedRow>(
      'SELECT id, pattern_id AS patternId, why, by_whom AS by, at FROM pattern_dropped WHERE pattern_id = ?',
    )
    .get(dropped.patternId);
  if (before)
    return sameRecord(patternDroppedSchema.parse(before), dropped)
      ? written(dropped)
      : refused('conflict', 'it was dropped already', AS_IT_WAS);
  db.prepare(
    'INSERT INTO pattern_dropped (id, pattern_id, why, by_whom, at) VALUES (@id, @patternId, @why, @by, @at)',
  ).run(dropped);
  return written(dropped);
}

interface UseRow {
  repairId: string;
  patternId: string;
  jobId: string;
}

/** Each pattern with where it was used: the repair that it was made from first, then in the order their jobs were opened. */
export function listedPatterns(db: Db, patterns: readonly Pattern[]): ListedPattern[] {
  if (patterns.length === 0) return [];
  const laid = db
    .prepare<[], UseRow>(
      `SELECT r.id AS repairId, json_extract(r.body, '$.pattern.id') AS patternId, r.job_id AS jobId
       FROM repair_version r JOIN job ON job.id = r.job_id
       WHERE r.version = (SELECT max(version) FROM repair_version WHERE id = r.id) AND r.withdrawn = 0
         AND json_extract(r.body, '$.pattern.id') IS NOT NULL
       ORDER BY job.opened_at, r.id`,
    )
    .all();
  return patterns.map((pattern) => {
    const origin = { repairId: pattern.repair.id, jobId: pattern.from.jobId };
    const uses = [origin, ...laid.filter(({ patternId }) => patternId === pattern.id)];
    return { pattern, uses: uses.flatMap((each) => knownUse(db, pattern, each) ?? []) };
  });
}

function knownUse(
  db: Db,
  pattern: Pattern,
  { repairId, jobId }: Omit<UseRow, 'patternId'>,
): KnownUse | undefined {
  const repair = repairsOf(db, jobId).find(({ id }) => id === repairId);
  const frame = currentFrame(db, jobId)?.frame;
  const member = frame && repair && memberOf(frame, repair.memberId);
  if (!repair || !frame || !member) return undefined;
  const asLaid = layPattern(pattern, frame, member);
  const closed = closedAt(db, jobId);
  const use: PatternUse = {
    jobId,
    tag: tagOf(db, jobId),
    memberId: member.id,
    memberName: member.name,
    ...reachOf(repair),
    ...(closed !== undefined && { closedAt: closed }),
    isChanged: !asLaid.ok || !samePlates(asLaid.value.repair, repair),
  };
  return { use, held: howItHeld(use, recordsOfUnit(db, jobId)) };
}

/** Ends nearer than this are one place, mm. */
const SAME_MM = 1;
function samePlates(a: Repair, b: Repair): boolean {
  const near = (one: number, other: number) => Math.abs(one - other) <= SAME_MM;
  return (
    a.pieces.length === b.pieces.length &&
    a.pieces.every((piece, k) => {
      const other = b.pieces[k]!;
      return (
        piece.kind === other.kind &&
        near(piece.startMm, other.startMm) &&
        near(piece.endMm, other.endMm) &&
        near(piece.lowerEdgeMm, other.lowerEdgeMm) &&
        near(piece.upperEdgeMm, other.upperEdgeMm) &&
        Math.abs(piece.thicknessMm - other.thicknessMm) < 0.05
      );
    })
  );
}

const tagOf = (db: Db, jobId: string): string =>
  db
    .prepare<[string], string>('SELECT unit.tag FROM job JOIN unit ON unit.id = job.unit_id WHERE job.id = ?')
    .pluck()
    .get(jobId)!;

/** What every job of the same unit recorded: places found bad or sound, and where another job's repairs lie. */
function recordsOfUnit(db: Db, jobId: string): LaterRecord[] {
  const jobs = db
    .prepare<[string], string>(
      'SELECT other.id FROM job JOIN job AS other ON other.unit_id = job.unit_id WHERE job.id = ?',
    )
    .pluck()
    .all(jobId);
  return jobs.flatMap((id): LaterRecord[] => [
    ...foundOn(db, id),
    ...(id === jobId
      ? []
      : repairsOf(db, id).map((repair) => ({
          memberId: repair.memberId,
          ...reachOf(repair),
          at: repair.at,
          is: 'mended' as const,
          what: repair.pieces.map(pieceName).join(' and '),
        }))),
  ]);
}
