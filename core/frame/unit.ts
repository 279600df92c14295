import { z } from 'zod';
import { bySchema, instantSchema, recordIdSchema } from './strike';

export const UNIT_KINDS = [
  'pickup',
  'truck',
  'utility vehicle',
  'trailer',
  'travel trailer',
  'gooseneck',
  'motorhome',
  'van',
  'car',
] as const;
export const EXPOSURES = [
  'dry inland',
  'road salt',
  'sea air',
  'dips in the sea',
  'farm and manure',
  'salt load',
] as const;
export const DUTIES = ['everyday', 'work', 'towing', 'competition', 'stored'] as const;

/** A vehicle or trailer. It outlives its jobs. */
export const unitSchema = z.object({
  id: recordIdSchema,
  tag: z.string().trim().min(1, 'a tag is needed').max(20, 'a tag has at most 20 characters'),
  description: z.string().trim().min(1, 'say what it is').max(120),
  kind: z.enum(UNIT_KINDS),
  exposure: z.enum(EXPOSURES),
  duty: z.enum(DUTIES),
  /** Gross mass; gives the welds' design shear until loads are known. */
  grossMassKg: z
    .number()
    .gt(50, 'a gross weight under 50 kg is not a road unit')
    .lt(100_000, 'a gross weight over 100 t is not a road unit')
    .optional(),
  /** When it was built: units of one family and one run of years fail alike. */
  builtYear: z
    .number('the year is four digits')
    .int('a year of building is a whole number')
    .gte(1900, 'built before 1900')
    .lte(2100, 'built after 2100')
    .optional(),
});
export type Unit = z.infer<typeof unitSchema>;

/** What may be forbidden by a notice: the four things that everybody asks. */
export const NOTICE_ABOUT = ['drive', 'lift', 'beneath', 'repair'] as const;

/** A standing notice on a unit, shown on every later job until somebody lifts it: do not lift here, do not use. */
export const noticeSchema = z.object({
  id: recordIdSchema,
  unitId: recordIdSchema,
  words: z.string().trim().min(3, 'say what the notice is').max(200),
  by: bySchema,
  about: z.enum(NOTICE_ABOUT).optional(),
  at: instantSchema,
});
export type Notice = z.infer<typeof noticeSchema>;

/** A notice lifted, by whom and why. */
export const noticeLiftedSchema = z.object({
  id: recordIdSchema,
  noticeId: recordIdSchema,
  why: z.string().trim().min(3, 'say why it no longer stands').max(200),
  by: bySchema,
  at: instantSchema,
});
export type NoticeLifted = z.infer<typeof noticeLiftedSchema>;

/** A donor's frame gets a walk and a survey of its own before anything is moved onto it. */
export const PURPOSES = ['repair', 'pre-purchase look', 'may it move', 'follow-up', 'donor frame'] as const;

/** What a job is, apart from its frame and evidence. */
export const jobSheetSchema = z.object({
  id: recordIdSchema,
  unitId: recordIdSchema,
  title: z.string().trim().min(1, 'name the job').max(80),
  purpose: z.enum(PURPOSES),
  complaint: z.string().trim().max(500).default(''),
  openedBy: bySchema,
  openedAt: instantSchema,
});
export type JobSheet = z.infer<typeof jobSheetSchema>;
