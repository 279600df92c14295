import type { z } from 'zod';
import type { Frame } from '@/core/frame';
import type { Outcome } from '@/core/quantity';
import type { Db } from '../connection';
import { refused, written, type Written } from '../problem';
import { currentSetup } from '../setup';
import { firstTaken, NONE_OF_THESE, numberer } from './index';

interface Row {
  body: string;
}
interface Kept {
  readonly id: string;
  readonly kind: string;
}

/** Evidence kept whole, of some kinds, in the order it was kept. */
export function bodiesOf<Rec>(
  db: Db,
  jobId: string,
  kinds: readonly string[],
  schema: z.ZodType<Rec>,
): Rec[] {
  const marks = kinds.map(() => '?').join(', ');
  return db
    .prepare<string[], Row>(
      `SELECT body FROM evidence_body JOIN evidence USING (id) WHERE evidence.job_id = ? AND evidence.kind IN (${marks}) ORDER BY evidence.number`,
    )
    .all(jobId, ...kinds)
    .map((row) => schema.parse(JSON.parse(row.body)));
}

/** Keeps records, all or none. One sent twice is one; one whose id is taken by another is refused. */
export function keepBodies<Rec extends Kept>(
  db: Db,
  jobId: string,
  records: readonly Rec[],
  schema: z.ZodType<Rec>,
  check: (frame: Frame, record: Rec) => Outcome<null>,
): Written<readonly Rec[]> {
  const setup = currentSetup(db, jobId);
  if (!setup) return refused('not-found', 'there is no such job', 'Nothing was added.');
  for (const [k, record] of records.entries()) {
    const fits = check(setup.frame, record);
    if (!fits.ok) return refused('invalid', fits.reason, NONE_OF_THESE, `${k}`);
  }
  return db
    .transaction((): Written<readonly Rec[]> => {
      const number = numberer(db, jobId);
      const select = db.prepare<[string], Row>('SELECT body FROM evidence_body WHERE id = ?');
      const insert = db.prepare('INSERT INTO evidence_body (id, body) VALUES (?, ?)');
      for (const record of records) {
        const taken = firstTaken(db, jobId, [record], record.kind, (id) => {
          const row = select.get(id);
          return row && schema.parse(JSON.parse(row.body));
        });
        if (taken.conflict)
          return refused('conflict', 'this id is already recorded with other facts', NONE_OF_THESE);
        if (taken.already.has(record.id)) continue;
        number(record.id, record.kind);
        insert.run(record.id, JSON.stringify(record));
      }
      return written(records);
    })
    .immediate();
}
