import { z } from 'zod';
import { bySchema, instantSchema, memberOf, recordIdSchema, type Frame } from '../../frame';
import { fail, ok } from '../../quantity';

/** What every record made at a seam says of itself and of where it is. */
export const atSeam = {
  id: recordIdSchema,
  memberId: z.string().min(1).max(40),
  /** Repair, work or crack it belongs to. */
  ofId: z.string().min(1).max(60),
  by: bySchema,
  at: instantSchema,
  note: z.string().max(300).default(''),
};

/** Its member must be on the frame; whether its repair still stands is asked where it is read. */
export const onItsMember = (frame: Frame, { memberId }: { readonly memberId: string }) =>
  memberOf(frame, memberId) ? ok({}) : fail(`member ${memberId} is not on this frame`, 'memberId');
