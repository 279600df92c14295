import { z } from 'zod';
import { bySchema, instantSchema, recordIdSchema } from '@/core/frame';
import {
  hotSpots,
  learnedSpots,
  spotRules,
  spotRuleSchema,
  TRADE_SPOTS,
  type ClosedFinding,
  type SpotChange,
  type SpotRule,
} from '@/core/walk';
import { closedOn } from '../closing';
import type { Db } from '../connection';
import { foundOn } from '../found';
import { currentFrame } from '../frame';
import { refused, sameRecord, written, type Written } from '../problem';
import { closedMarks, keepWorkedOut } from '../worked-out';

/** One change to the shop's list: a spot added (or put anew), one dropped, one taken up again. */
export const spotChangeSchema = z
  .object({
    id: recordIdSchema,
    ruleId: z.string().min(1).max(80),
    does: z.enum(['add', 'drop', 'restore']),
    rule: spotRuleSchema.optional(),
    by: bySchema,
    at: instantSchema,
  })
  .refine((change) => change.does !== 'add' || change.rule?.id === change.ruleId, {
    path: ['rule'],
    message: 'a spot to add comes with its rule, under the same id',
  });

interface Row {
  rule_id: string;
  does: SpotChange['does'];
  rule: string | null;
}
const changesOf = (db: Db): SpotChange[] =>
  db
    .prepare<[], Row>('SELECT rule_id, does, rule FROM spot_change ORDER BY number')
    .all()
    .map((row) => ({
      ruleId: row.rule_id,
      does: row.does,
      ...(row.rule !== null && { rule: spotRuleSchema.parse(JSON.parse(row.rule)) }),
    }));

/** Keeps a change to the list; the same change twice is one, an id that stands for another is refused. */
export function changeSpots(db: Db, change: z.infer<typeof spotChangeSchema>): Written<null> {
  if (change.does === 'add' && TRADE_SPOTS.some((rule) => rule.id === change.ruleId))
    return refused('conflict', 'the trade’s own list has a spot of this name', 'The list is as it was.');
  const { id, ruleId, does, by, at } = change;
  const rule = change.rule ? JSON.stringify({ ...change.rule, from: 'shop' }) : null;
  return db
    .transaction((): Written<null> => {
      const before = db
        .prepare('SELECT rule_id AS ruleId, does, rule, by_whom AS by, at FROM spot_change WHERE id = ?')
        .get(id);
      if (before)
        return sameRecord(before, { ruleId, does, rule, by, at })
          ? written(null)
          : refused('conflict', 'this id is already recorded with other facts', 'The list is as it was.');
      db.prepare(
        `INSERT INTO spot_change (id, number, rule_id, does, rule, by_whom, at)
        SELECT @id, coalesce(max(number), 0) + 1, @ruleId, @does, @rule, @by, @at FROM spot_change`,
      ).run({ id, ruleId, does, rule, by, at });
      return written(null);
    })
    .immediate();
}

/** What this shop looks at: the trade's list, its own spots, what its closed jobs taught; and what it dropped, by rule id. */
export function shopSpots(db: Db): { rules: SpotRule[]; dropped: SpotRule[] } {
  const changes = changesOf(db);
  const learned = taughtBy(db);
  const rules = spotRules(changes, learned);
  const every = spotRules(
    changes.filter((change) => change.does === 'add'),
    learned,
  );
  return { rules, dropped: every.filter((rule) => !rules.some((kept) => kept.id === rule.id)) };
}

/** The list as it holds for one job: its own findings are not held against it as learned before. */
export const spotRulesFor = (db: Db, jobId: string): SpotRule[] =>
  spotRules(changesOf(db), taughtBy(db, jobId));

/** How what a job taught is kept; a new way of learning takes another name. */
const TAUGHT = 'taught 1';

/** What the shop's closed jobs taught, but one. Each is read once and kept until something of it changes: a shop has thousands. */
function taughtBy(db: Db, besides?: string): SpotRule[] {
  const marks = closedMarks(db);
  const rows = db
    .prepare<[string], { id: string; tag: string; mark: string | null; body: string | null }>(
      `SELECT job.id, unit.tag, worked_out.mark, worked_out.body FROM job JOIN unit ON unit.id = job.unit_id
       LEFT JOIN worked_out ON worked_out.job_id = job.id AND worked_out.what = ?
       WHERE job.id IN (SELECT job_id FROM job_closing) ORDER BY job.opened_at, job.id`,
    )
    .all(TAUGHT);
  const rules = new Map<string, SpotRule>();
  for (const { id, tag, mark, body } of rows) {
    if (id === besides) continue;
    const now = marks.get(id)!;
    const taught = mark === now ? (JSON.parse(body!) as SpotRule[]) : taughtByOne(db, { id, tag, mark: now });
    for (const rule of taught) if (!rules.has(rule.id)) rules.set(rule.id, rule);
  }
  return [...rules.values()];
}

function taughtByOne(db: Db, { id, tag, mark }: { id: string; tag: string; mark: string }): SpotRule[] {
  const on = closedOn(db, id);
  const findings = on === undefined ? [] : findingsOf(db, id);
  const current = findings.length ? currentFrame(db, id) : undefined;
  const value =
    on === undefined || !current
      ? []
      : learnedSpots([
          {
            tag,
            closedOn: on,
            frame: current.frame,
            spots: hotSpots(current.frame, TRADE_SPOTS),
            findings,
          },
        ]);
  keepWorkedOut(db, id, TAUGHT, { mark, value });
  return value;
}

/** What was bad on a job. */
const findingsOf = (db: Db, jobId: string): ClosedFinding[] =>
  foundOn(db, jobId)
    .filter(({ is }) => is === 'bad')
    .map(({ id, memberId, fromMm, what }) => ({ id, memberId, stationMm: fromMm, what }));
