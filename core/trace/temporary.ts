import { z } from 'zod';
import { bySchema, evidenceKind, instantSchema, memberOf, recordIdSchema } from '../frame';
import { fail, ok } from '../quantity';
import type { MendedBefore } from '../walk';
import type { Trip } from './trip';

export const TEMPORARY_FORMS = ['clamp', 'stitch weld', 'bracket', 'strap or chain'] as const;

/** A temporary repair: it lets a unit go a short way, to where it is opened up, and no farther. */
export const temporarySchema = z.object({
  kind: z.literal('temporary repair'),
  id: recordIdSchema,
  memberId: z.string().min(1).max(40),
  stationMm: z.number().gte(-20_000).lte(40_000),
  form: z.enum(TEMPORARY_FORMS),
  limitKm: z.number().gt(0, 'how far may it go? a limit is more than nothing').lte(2000),
  /** The last day it is good for. */
  until: z.iso.date().optional(),
  slowerThanKmh: z.number().gt(0).lte(120).optional(),
  by: bySchema,
  at: instantSchema,
  note: z.string().max(300).default(''),
});
export type TemporaryRepair = z.infer<typeof temporarySchema>;

export const temporaryKind = evidenceKind<TemporaryRepair>({
  name: 'temporary repair',
  schema: temporarySchema,
  fits: (frame, { memberId, stationMm }) => {
    const member = memberOf(frame, memberId);
    if (!member) return fail(`member ${memberId} is not on this frame`, 'memberId');
    return stationMm >= 0 && stationMm <= member.lengthMm
      ? ok({})
      : fail(`the station lies off ${member.name}`, 'stationMm');
  },
  tells: () => [],
});

/** What other jobs of the same unit recorded of temporary repairs and of trips: the unit goes on with them. */
export interface HeldElsewhere {
  readonly repairs: readonly TemporaryRepair[];
  readonly trips: readonly Trip[];
}

/** New metal within so far of a temporary repair's place takes over from it, mm (ours). */
const TAKEN_OVER_MM = 300;

/** Temporary repairs whose place was not renewed or plated since. */
export const notTakenOver = (
  repairs: readonly TemporaryRepair[],
  mended: readonly MendedBefore[],
): TemporaryRepair[] =>
  repairs.filter(
    ({ memberId, stationMm, at }) =>
      !mended.some(
        (each) =>
          each.memberId === memberId &&
          each.at > at &&
          stationMm > each.fromMm - TAKEN_OVER_MM &&
          stationMm < each.toMm + TAKEN_OVER_MM,
      ),
  );

/** What is left of a temporary repair. */
export interface TimeLeft {
  readonly repair: TemporaryRepair;
  /** Of its distance, km; below nothing once it is passed. */
  readonly leftKm: number;
  /** Whole days to its last day, that day included; absent where none was set. */
  readonly leftDays?: number;
  readonly isOver: boolean;
}

const DAY_MS = 86_400_000;

/**
 * What is left of each temporary repair, the one with the least first: trips told since it was made count against it. `today` is the day where the
 * unit is, yyyy-mm-dd.
 */
export function timeLeft(
  repairs: readonly TemporaryRepair[],
  trips: readonly Trip[],
  today: string,
): TimeLeft[] {
  return repairs
    .map((repair): TimeLeft => {
      const gone = trips.filter(({ at }) => at >= repair.at).reduce((sum, { km }) => sum + km, 0);
      const leftKm = repair.limitKm - gone;
      const leftDays =
        repair.until === undefined
          ? undefined
          : Math.floor((Date.parse(repair.until) - Date.parse(today.slice(0, 10))) / DAY_MS) + 1;
      const isOver = leftKm <= 0 || (leftDays !== undefined && leftDays <= 0);
      return { repair, leftKm, ...(leftDays !== undefined && { leftDays }), isOver };
    })
    .sort((a, b) => Number(b.isOver) - Number(a.isOver) || a.leftKm - b.leftKm);
}
