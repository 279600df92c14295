import { z } from 'zod';
import {
  bySchema,
  evidenceKind,
  faceIdSchema,
  faceOf,
  instantSchema,
  onMember,
  recordIdSchema,
  spotOnMember,
  type Fit,
  type Member,
} from '../frame';
import { fail, ok, printBoth, type Outcome } from '../quantity';

export const METHOD_IDS = ['ultrasonic', 'caliper', 'cut sample', 'feel'] as const;
export const methodSchema = z.enum(METHOD_IDS);
export type Method = z.infer<typeof methodSchema>;

/** Standard error of one reading by each method, mm. Common practice, no source; a shop's own repeat readings would be better. */
export const METHOD_ERROR_MM: Readonly<Record<Method, number>> = {
  ultrasonic: 0.13,
  caliper: 0.1,
  'cut sample': 0.08,
  feel: 0.8,
};

/** Thicker than this is a slip of the keyboard, mm. */
export const ABSURD_THICKNESS_MM = 50;

/** One thickness reading: where, how much metal, how it was taken, by whom, when. 0 mm is a hole. */
export const readingSchema = z.object({
  kind: z.literal('reading'),
  id: recordIdSchema,
  memberId: z.string().min(1).max(40),
  stationMm: z.number(),
  face: faceIdSchema,
  heightMm: z.number(),
  thicknessMm: z
    .number()
    .gte(0, 'a thickness is not below 0')
    .lte(ABSURD_THICKNESS_MM, 'a wall over 50 mm is not a frame'),
  method: methodSchema,
  by: bySchema,
  at: instantSchema,
  note: z.string().max(300).default(''),
  /** The gauge's calibration it was taken under. */
  calibrationId: recordIdSchema.optional(),
  /** Invented by the gauge's stand-in: no metal was measured. */
  simulated: z.literal(true).optional(),
});
export type Reading = z.infer<typeof readingSchema>;

/** Whether a reading can lie where it says, and what is odd about it. A reading over nominal is kept with a warning. */
export function checkReading(
  member: Member,
  reading: Pick<Reading, 'stationMm' | 'face' | 'heightMm' | 'thicknessMm'>,
): Outcome<Fit> {
  const place = spotOnMember(member, reading);
  if (!place.ok) return place;
  if (!(reading.thicknessMm >= 0 && reading.thicknessMm <= ABSURD_THICKNESS_MM))
    return fail('thickness must lie between 0 and 50 mm (2 in)');
  if (reading.thicknessMm > (faceOf(member.shape, reading.face)?.wallMm ?? member.shape.thicknessMm) * 1.1) {
    return ok({
      warning: `${printBoth(reading.thicknessMm, 3, 1)} is thicker than ${member.name} was made: a plate, scale or a doubled echo?`,
    });
  }
  return ok({});
}

/** Version 1 did not say what it was: readings lay on a shelf of their own. */
export const readingKind = evidenceKind<Reading>({
  name: 'reading',
  version: 2,
  schema: readingSchema,
  upcasts: { 1: (body) => ({ ...body, kind: 'reading' }) },
  fits: (frame, reading) => onMember(frame, reading.memberId, (member) => checkReading(member, reading)),
  tells: (reading) => [reading.memberId],
});

/** Readings of one place: this near along and across, mm (as near as a paint mark is found again; our judgement). */
export const SAME_ALONG_MM = 26;
export const SAME_ACROSS_MM = 8;

/** Readings that contradict another of the same place by more than three times both tools' error. Both are kept, both are marked; the map weighs them by their tools. */
export function disagreeing(readings: readonly Reading[]): ReadonlySet<string> {
  const marked = new Set<string>();
  const sorted = [...readings].sort((a, b) => a.stationMm - b.stationMm);
  sorted.forEach((one, k) => {
    for (let n = k + 1; n < sorted.length && sorted[n]!.stationMm - one.stationMm <= SAME_ALONG_MM / 2; n++) {
      const other = sorted[n]!;
      if (
        other.memberId !== one.memberId ||
        other.face !== one.face ||
        Math.abs(other.heightMm - one.heightMm) > SAME_ACROSS_MM / 2
      )
        continue;
      if (
        Math.abs(other.thicknessMm - one.thicknessMm) >
        3 * Math.hypot(METHOD_ERROR_MM[one.method], METHOD_ERROR_MM[other.method])
      )
        [one, other].forEach((each) => marked.add(each.id));
    }
  });
  return marked;
}
