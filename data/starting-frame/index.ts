import { z } from 'zod';
import { bySchema, frameSchema, instantSchema, recordIdSchema } from '@/core/frame';
import type { Db } from '../connection';
import { frameFrom, frameRow } from '../frame';
import { refused, sameRecord, written, type Written } from '../problem';

/** A frame the shop starts from, under a name of its own. */
export const startingFrameSchema = z.object({
  id: recordIdSchema,
  name: z.string().trim().min(1, 'name the starting frame').max(60),
  frame: frameSchema,
  by: bySchema,
  at: instantSchema,
});
export type StartingFrame = z.infer<typeof startingFrameSchema>;

interface Row {
  id: string;
  name: string;
  frame: string;
  version: number;
  by_whom: string;
  at: string;
}
const fromRow = (row: Row): StartingFrame =>
  startingFrameSchema.parse({
    id: row.id,
    name: row.name,
    frame: frameFrom(row.frame, row.version),
    by: row.by_whom,
    at: row.at,
  });

/** The newest under every name, in order of names. */
export const startingFrames = (db: Db): StartingFrame[] =>
  db
    .prepare<[], Row>(
      'SELECT * FROM starting_frame AS one WHERE at = (SELECT max(at) FROM starting_frame WHERE name = one.name) GROUP BY name ORDER BY name COLLATE NOCASE',
    )
    .all()
    .map(fromRow);

/** Keeps one; the same sent twice is one. */
export function keepStartingFrame(db: Db, starting: StartingFrame): Written<StartingFrame> {
  const before = db.prepare<[string], Row>('SELECT * FROM starting_frame WHERE id = ?').get(starting.id);
  if (before)
    return sameRecord(fromRow(before), starting)
      ? written(starting)
      : refused('conflict', 'another starting frame has this id');
  db.prepare(
    'INSERT INTO starting_frame (id, name, version, frame, by_whom, at) VALUES (@id, @name, @version, @frame, @by, @at)',
  ).run({ ...starting, ...frameRow(starting.frame) });
  return written(starting);
}
