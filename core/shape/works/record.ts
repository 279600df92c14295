import { z } from 'zod';
import {
  bySchema,
  evidenceKind,
  HOST_ON,
  hostOf,
  instantSchema,
  memberOf,
  recordIdSchema,
} from '../../frame';
import { fail, ok } from '../../quantity';
import { checkMeasures } from './place';
import { WORK_IDS, workForm } from '.';

/** A work that somebody specified at a host or a member. It is planned until *put right* says that it is done; the last one of its form there counts. */
export const workSchema = z.object({
  kind: z.literal('work'),
  id: recordIdSchema,
  form: z.enum(WORK_IDS),
  on: z.enum([...HOST_ON, 'member']),
  hostId: z.string().min(1).max(60),
  stationMm: z.number().gte(0).lte(40_000).optional(),
  /** Lengths mm, loads kg, choices by their number. */
  measures: z.record(z.string().min(1).max(30), z.number()),
  /** Members whose plan it belongs to. */
  memberIds: z.array(z.string().min(1).max(40)).min(1).max(40),
  by: bySchema,
  at: instantSchema,
  note: z.string().max(300).default(''),
});
export type Work = z.infer<typeof workSchema>;

export const workKind = evidenceKind<Work>({
  name: 'work',
  schema: workSchema,
  fits: (frame, { on, hostId, form, measures }) => {
    const isThere = on === 'member' ? memberOf(frame, hostId) : hostOf(frame, on, hostId);
    if (!isThere) return fail(`${hostId} is not on this frame`, 'hostId');
    const checked = checkMeasures(workForm(form), measures);
    return checked.ok ? ok({}) : checked;
  },
  tells: ({ memberIds }) => memberIds,
});
