import { z } from 'zod';
import { bySchema, evidenceKind, instantSchema, recordIdSchema, type Stand } from '../frame';
import { ok } from '../quantity';

export const LIFT_WAYS = [
  'two-post pads',
  'four-post',
  'jack',
  'stands',
  'cribbing',
  'by the axles',
  'on its legs',
  'hitched',
] as const;
export type LiftWay = (typeof LIFT_WAYS)[number];
/** Ways that hold the frame itself at chosen points. */
export const takesPoints = (way: LiftWay): boolean =>
  way === 'two-post pads' || way === 'jack' || way === 'stands' || way === 'cribbing';
/** Wheels hang free with these unless some are said to stay down. */
export const liftsAllWheels = (way: LiftWay): boolean =>
  way === 'two-post pads' || way === 'stands' || way === 'cribbing';

export const LIFT_SIDES = ['left', 'centre', 'right'] as const;
/** A place under a rail or sill, or in the middle under what runs across; its station is along the frame. */
export const liftPointSchema = z.object({
  id: z.string().min(1).max(20),
  side: z.enum(LIFT_SIDES),
  stationMm: z.number().gte(0).lte(40_000),
  ratingN: z.number().gt(0).lte(1e6).optional(),
});
export type LiftPoint = z.infer<typeof liftPointSchema>;

/** How somebody means to raise the unit. */
export const liftPlanSchema = z.object({
  way: z.enum(LIFT_WAYS),
  points: z
    .array(liftPointSchema)
    .max(12)
    .refine(
      (points) => new Set(points.map((point) => point.id)).size === points.length,
      'two points have one name',
    ),
  /** Wheels that stay on the ground or on the lift’s tracks, as `axle id side`. */
  wheelsDown: z.array(z.string().max(60)).max(24),
  /** What the hoist as a whole is rated for; by the axles each jack or stand, on its legs each leg, hitched the hitch. */
  hoistRatingN: z.number().gt(0).lte(1e7).optional(),
  /** Counted without what is taken off before. */
  unloaded: z.boolean(),
  /** Ground falling towards the front and towards the left, degrees. */
  slopeAlongDeg: z
    .number()
    .gte(-15, 'steeper than 15° nothing is raised')
    .lte(15, 'steeper than 15° nothing is raised'),
  slopeAcrossDeg: z
    .number()
    .gte(-15, 'steeper than 15° nothing is raised')
    .lte(15, 'steeper than 15° nothing is raised'),
});
export type LiftPlan = z.infer<typeof liftPlanSchema>;

/** *Not known*: it stands only with metal that nobody knows. *Not at all yet*: no place passes. */
export const LIFT_ANSWERS = ['Lift here', 'Not known', 'Not here', 'Not at all yet'] as const;
export type LiftAnswer = (typeof LIFT_ANSWERS)[number];

export const LIFT_REASONS = [
  // refused
  'nothing there',
  'through near',
  'failed near',
  'crack near',
  'thin near',
  'crack on what it loads',
  'demand over',
  'carries nothing',
  'fitting failed',
  'web crushes',
  'rating over',
  'hoist over',
  'tips',
  'slides',
  'no points',
  // unknown
  'unseen under',
  'hidden under',
  'doubtful under',
  'decided by',
  'holds together',
  'unseen critical',
  'not measured, near its limit',
  'loads unknown',
  'measures unknown',
  'records unreadable',
  'not computed',
  'notice',
  'no rating',
  // said beside
  'stays as it stands',
  'slope counted',
  'demand within',
  'stands without',
  'gone on what it loads',
  'seen under',
  'nothing read under',
] as const;
export type LiftReasonCode = (typeof LIFT_REASONS)[number];
export const liftReasonSchema = z.object({
  code: z.enum(LIFT_REASONS),
  weight: z.enum(['refused', 'unknown', 'note']),
  pointId: z.string().max(20).optional(),
  memberId: z.string().max(40).optional(),
  stationMm: z.number().optional(),
  value: z.number().optional(),
  limit: z.number().optional(),
  name: z.string().max(200).optional(),
});
export type LiftReason = z.infer<typeof liftReasonSchema>;

/** The answer as it was given; asked again once the evidence it rests on (`basis`) has changed. */
export const liftRecordSchema = z.object({
  kind: z.literal('lift'),
  id: recordIdSchema,
  plan: liftPlanSchema,
  answer: z.enum(LIFT_ANSWERS),
  reasons: z.array(liftReasonSchema).max(400),
  basis: z.string().min(1).max(120),
  note: z.string().max(300).default(''),
  by: bySchema,
  at: instantSchema,
});
export type LiftRecord = z.infer<typeof liftRecordSchema>;

export const liftKind = evidenceKind<LiftRecord>({
  name: 'lift',
  // Version 1 knew no point in the middle: whoever reads only that is to say so.
  version: 2,
  upcasts: { 1: (body) => body },
  schema: liftRecordSchema,
  fits: () => ok({}),
  tells: () => [],
});

/** What the frame model says of a plan: reactions, and what each member carries. */
export interface LiftFacts {
  readonly supports: readonly { readonly stand: Stand; readonly upN: number; readonly sideN: number }[];
  readonly members: readonly {
    readonly memberId: string;
    readonly stationMm: number;
    readonly utilisation: number;
  }[];
  readonly pads: readonly { readonly pointId: string; readonly upN: number; readonly capacityN: number }[];
  readonly loadsKnown: boolean;
  readonly unsolved?: string;
  /** The same with all doubtful, hidden and unseen metal taken away. */
  readonly least?: Pick<LiftFacts, 'members' | 'pads' | 'unsolved'>;
}
