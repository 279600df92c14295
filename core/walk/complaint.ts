import { z } from 'zod';
import { bySchema, evidenceKind, instantSchema, memberOf, recordIdSchema } from '../frame';
import { fail, ok } from '../quantity';

const stamp = { id: recordIdSchema, by: bySchema, at: instantSchema, note: z.string().max(500).default('') };

export const COMPLAINTS = [
  'squeak',
  'sag',
  'play',
  'gap',
  'jammed door',
  'rubs',
  'pulls to one side',
] as const;
/** What the owner complains of, how far it moves where that was measured, and the members in its load path. */
export const complaintSchema = z.object({
  kind: z.literal('complaint'),
  ...stamp,
  what: z.enum(COMPLAINTS),
  where: z.string().trim().min(2, 'where is it felt?').max(120),
  movementMm: z.number().gt(0, 'no movement is none').lte(1000).optional(),
  memberIds: z.array(z.string().min(1).max(40)).min(1, 'which members carry it?').max(60),
});
export type Complaint = z.infer<typeof complaintSchema>;

export const complaintKind = evidenceKind<Complaint>({
  name: 'complaint',
  schema: complaintSchema,
  fits: (frame, { memberIds }) => {
    const stray = memberIds.find((id) => !memberOf(frame, id));
    return stray === undefined ? ok({}) : fail(`member ${stray} is not on this frame`, 'memberIds');
  },
  tells: () => [],
});
