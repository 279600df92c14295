import { z } from 'zod';
import {
  bySchema,
  faceIdSchema,
  instantSchema,
  memberOf,
  recordIdSchema,
  spotOnMember,
  type Frame,
} from '../frame';
import { ok, type Outcome } from '../quantity';
import { leaveSchema, lookSchema } from './look';
import { checkSign, signSchema } from './sign';
import { liftRecordSchema } from './lift';
import { tapTestSchema } from './tap-ear';

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

export const PHOTO_MOMENTS = ['as it is', 'before', 'after'] as const;
/** A picture; `picture` is absent while it is still held in the browser. `pairOf` names the one taken before from the same place. */
export const photoSchema = z.object({
  kind: z.literal('photo'),
  ...stamp,
  memberId: z.string().min(1).max(40).optional(),
  stationMm: z.number().gte(0).optional(),
  face: faceIdSchema.optional(),
  spotId: z.string().max(120).optional(),
  caption: z.string().trim().max(160),
  moment: z.enum(PHOTO_MOMENTS),
  pairOf: recordIdSchema.optional(),
  picture: z
    .object({
      hash: z.string().regex(/^[0-9a-f]{64}$/),
      widthPx: z.number().int().positive(),
      heightPx: z.number().int().positive(),
    })
    .optional(),
});
export type Photo = z.infer<typeof photoSchema>;

export const CLAIM_STANDINGS = ['to be checked', 'borne out', 'not borne out', 'cannot be told'] as const;
/** Something said to have been done already. Said again with another standing, the last word counts. */
export const claimSchema = z.object({
  kind: z.literal('claim'),
  ...stamp,
  claimId: recordIdSchema,
  words: z.string().trim().min(3, 'what is claimed?').max(160),
  standing: z.enum(CLAIM_STANDINGS),
});
export type Claim = z.infer<typeof claimSchema>;

/** Everything the Walk keeps: append-only, corrected by strikes. */
export const walkRecordSchema = z.discriminatedUnion('kind', [
  lookSchema,
  leaveSchema,
  signSchema,
  complaintSchema,
  photoSchema,
  claimSchema,
  tapTestSchema,
  liftRecordSchema,
]);
export type WalkRecord = z.infer<typeof walkRecordSchema>;
export type WalkKind = WalkRecord['kind'];
export const WALK_KINDS = walkRecordSchema.options.map(
  (option) => option.shape.kind.value,
) as readonly WalkKind[];

export const ofKind = <Kind extends WalkKind>(
  records: readonly WalkRecord[],
  kind: Kind,
): Extract<WalkRecord, { kind: Kind }>[] =>
  records.filter((record): record is Extract<WalkRecord, { kind: Kind }> => record.kind === kind);

/** Whether a record fits the frame. What hangs on a body item or the whole unit fits any. */
export function checkWalkRecord(frame: Frame, record: WalkRecord): Outcome<null> {
  switch (record.kind) {
    case 'sign': {
      const member = memberOf(frame, record.memberId);
      return member ? checkSign(member, record) : missing(record.memberId);
    }
    case 'tap': {
      for (const spot of [record.good, record.doubtful]) {
        const member = memberOf(frame, spot.memberId);
        if (!member) return missing(spot.memberId);
        const place = spotOnMember(member, spot);
        if (!place.ok) return place;
      }
      return ok(null);
    }
    case 'look':
    case 'photo':
      return record.memberId === undefined || memberOf(frame, record.memberId)
        ? ok(null)
        : missing(record.memberId);
    case 'complaint': {
      const stray = record.memberIds.find((id) => !memberOf(frame, id));
      return stray === undefined ? ok(null) : missing(stray);
    }
    case 'leave':
    case 'claim':
    case 'lift':
      return ok(null);
    default:
      return record satisfies never;
  }
}
const missing = (memberId: string): Outcome<null> => ({
  ok: false,
  reason: `member ${memberId} is not on this frame`,
});
