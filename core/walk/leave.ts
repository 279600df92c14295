import { z } from 'zod';
import { bySchema, evidenceKind, instantSchema, lastWord, recordIdSchema } from '../frame';
import { ok } from '../quantity';

export const ACTS = ['hammer', 'scrape', 'drill'] as const;
export type Act = (typeof ACTS)[number];

/** The owner's leave to hammer, scrape or drill; the last standing word on each act counts. */
export const leaveSchema = z.object({
  kind: z.literal('leave'),
  id: recordIdSchema,
  by: bySchema,
  at: instantSchema,
  note: z.string().max(300).default(''),
  act: z.enum(ACTS),
  given: z.boolean(),
});
export type Leave = z.infer<typeof leaveSchema>;

/** The owner's last word on an act; where two devices disagree which that was, it is refused. */
export const leaveTo = (leaves: readonly Leave[], act: Act): Leave | undefined =>
  lastWord(
    leaves.filter((leave) => leave.act === act),
    ({ given }) => Number(!given),
  );

/** What may not be hammered, scraped or drilled was not seen, on any member. */
export const leaveKind = evidenceKind<Leave>({
  name: 'leave',
  schema: leaveSchema,
  fits: () => ok({}),
  tells: () => 'every member',
});
