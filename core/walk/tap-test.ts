import { z } from 'zod';
import {
  bySchema,
  evidenceKind,
  instantSchema,
  onMember,
  recordIdSchema,
  spotOnMember,
  spotSchema,
} from '../frame';
import { ok } from '../quantity';

/** One tap as heard: how long it rings (until a tenth of its loudness is left) and its strongest tone. */
export const heardTapSchema = z.object({
  ringMs: z.number().positive().lte(10_000),
  toneHz: z.number().positive().lte(24_000),
});
export type HeardTap = z.infer<typeof heardTapSchema>;

export const TAP_ANSWERS = ['rings like the good spot', 'duller', 'cannot tell'] as const;
export type TapAnswer = (typeof TAP_ANSWERS)[number];

const place = spotSchema.extend({ memberId: z.string().min(1).max(40) });

/** Taps on known good metal and on a doubtful spot, compared. A hint, no measurement. */
export const tapTestSchema = z.object({
  kind: z.literal('tap'),
  id: recordIdSchema,
  good: place,
  doubtful: place,
  goodTaps: z.array(heardTapSchema).max(40),
  doubtfulTaps: z.array(heardTapSchema).max(40),
  answer: z.enum(TAP_ANSWERS),
  heardBy: z.enum(['microphone', 'stand-in', 'file']),
  note: z.string().max(300).default(''),
  by: bySchema,
  at: instantSchema,
});
export type TapTest = z.infer<typeof tapTestSchema>;

/** A hint, heard: nothing is computed from it. */
export const tapKind = evidenceKind<TapTest>({
  name: 'tap',
  schema: tapTestSchema,
  fits: (frame, { good, doubtful }) => {
    const places = [good, doubtful].map((spot) =>
      onMember(frame, spot.memberId, (member) => spotOnMember(member, spot)),
    );
    return (
      (places.find((place) => !place.ok) as Extract<(typeof places)[number], { ok: false }> | undefined) ??
      ok({})
    );
  },
  tells: () => [],
});
