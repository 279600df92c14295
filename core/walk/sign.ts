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
import { causeSchema } from './look';

const lengthMm = z.number().gte(0).lte(5000);
const words = z.string().trim().min(2, 'say what').max(160);

/**
 * Evidence beyond thickness, one exact shape a kind. Lengths mm, mass kg, shares 0 to 1.
 * `gave way` under a light tap counts as failed metal (common practice, no source).
 */
export const signDetailSchema = z.discriminatedUnion('sign', [
  z.object({
    sign: z.literal('struck'),
    tool: z.enum(['hammer', 'dead-blow hammer', 'pick']),
    answer: z.enum(['even ring', 'dull', 'harder note', 'dead', 'gave way']),
  }),
  z.object({
    sign: z.literal('layers'),
    counted: z.number().int().gte(1).lte(9),
    expected: z.number().int().gte(1).lte(9),
    pickDeepMm: lengthMm.optional(),
  }),
  z.object({
    sign: z.literal('old repair'),
    cover: z.enum([
      'skin over rust',
      'ground weld line',
      'rivets',
      'added angle or flat',
      'filler',
      'plate, welded all round',
    ]),
  }),
  z.object({
    sign: z.literal('coating'),
    coat: z.enum(['thick rubber over a seam', 'paint over pits', 'oil or wax', 'sound paint', 'zinc']),
  }),
  z.object({
    sign: z.literal('debris'),
    full: z.number().gte(0).lte(1),
    wet: z.enum(['dry', 'damp', 'wet']),
    outKg: z.number().gte(0).lte(500).optional(),
    waterLineMm: lengthMm.optional(),
  }),
  z.object({ sign: z.literal('light through'), shows: z.enum(['dark', 'a drain glows', 'it lights up']) }),
  z.object({ sign: z.literal('delamination'), deepMm: lengthMm.optional() }),
  z.object({ sign: z.literal('dent'), deepMm: lengthMm, acrossMm: lengthMm }),
  z.object({
    sign: z.literal('hole'),
    acrossMm: lengthMm.gt(0),
    longMm: lengthMm.optional(),
    expectedMm: lengthMm.optional(),
    fromFlangeMm: lengthMm.optional(),
  }),
  z.object({
    sign: z.literal('fastener'),
    is: z.enum(['bolt', 'rivet', 'captive nut', 'pin']),
    state: z.enum(['sound', 'loose', 'bent', 'wasted', 'missing', 'spins']),
    sizeMm: lengthMm.gt(0).optional(),
    marks: z.number().int().gte(0).lte(6).optional(),
    clamps: z.string().max(120).default(''),
  }),
  z.object({
    sign: z.literal('maker’s weld'),
    state: z.enum(['short', 'missing', 'undercut or porous']),
    longMm: lengthMm.optional(),
    expectedMm: lengthMm.optional(),
  }),
  z.object({ sign: z.literal('welded solid'), joint: words }),
  z.object({ sign: z.literal('not a crack'), was: z.enum(['flaking coating', 'a scratch', 'a seam']) }),
  z.object({ sign: z.literal('holds it together'), part: words }),
  z.object({ sign: z.literal('access'), off: words, to: z.enum(['see', 'reach', 'weld']) }),
  /** What covered the metal is off here, or it was seen from its other side: what is noted from now on is the metal's own. */
  z.object({
    sign: z.literal('opened'),
    how: z.enum(['cover taken off', 'window cut', 'seen from the other side']),
  }),
  z.object({
    sign: z.literal('out of shape'),
    is: z.enum(['bent', 'twisted', 'folded', 'torn']),
    /** How far off its line, over the length noted. */
    offMm: lengthMm,
  }),
  /** Work done and looked at: what was found of this extent before no longer stands. */
  z.object({
    sign: z.literal('put right'),
    done: z.enum(['renewed', 'plated and welded', 'straightened and checked']),
  }),
]);
export type SignDetail = z.infer<typeof signDetailSchema>;
export type SignKind = SignDetail['sign'];
export const SIGN_KINDS = signDetailSchema.options.map(
  (option) => option.shape.sign.value,
) as readonly SignKind[];

/** A sign hung on member, face, station and height; `toMm` where it reaches along. */
export const signSchema = z.object({
  kind: z.literal('sign'),
  id: recordIdSchema,
  memberId: z.string().min(1).max(40),
  stationMm: z.number(),
  toMm: z.number().optional(),
  face: faceIdSchema,
  heightMm: z.number(),
  detail: signDetailSchema,
  cause: causeSchema.optional(),
  note: z.string().max(300).default(''),
  by: bySchema,
  at: instantSchema,
});
export type Sign = z.infer<typeof signSchema>;

/** Whether a sign can lie where it says it does. */
export function checkSign(
  member: Member,
  sign: Pick<Sign, 'stationMm' | 'toMm' | 'face' | 'heightMm' | 'detail'>,
): Outcome<Fit> {
  const place = spotOnMember(member, sign);
  if (!place.ok) return place;
  if (sign.toMm !== undefined && !(sign.toMm >= sign.stationMm && sign.toMm <= member.lengthMm))
    return fail(`it must end between where it starts and the end of ${member.name}`);
  const { detail } = sign;
  const face = faceOf(member.shape, sign.face)!;
  if (
    detail.sign === 'debris' &&
    detail.waterLineMm !== undefined &&
    !(detail.waterLineMm <= member.shape.depthMm)
  )
    return fail(
      `the high-water line is above ${member.name}, which is ${printBoth(member.shape.depthMm, 1)} deep`,
    );
  if (detail.sign === 'hole' && detail.longMm !== undefined && !(detail.longMm >= detail.acrossMm))
    return fail('a hole is at least as long as it is across');
  if (detail.sign === 'hole' && !(detail.acrossMm <= face.widthMm))
    return fail(`the hole is wider than the ${sign.face} face`);
  return ok({});
}

export const signKind = evidenceKind<Sign>({
  name: 'sign',
  schema: signSchema,
  fits: (frame, sign) => onMember(frame, sign.memberId, (member) => checkSign(member, sign)),
  tells: (sign) => [sign.memberId],
});

/** What a sign says of the metal there. `hides`: look again beneath. */
export type SignWeight = 'failed' | 'doubtful' | 'hides' | 'holds' | 'note' | 'sound';

export function signWeight(detail: SignDetail): SignWeight {
  switch (detail.sign) {
    case 'struck':
      return detail.answer === 'gave way' ? 'failed' : detail.answer === 'even ring' ? 'sound' : 'doubtful';
    case 'layers':
      return detail.counted > detail.expected ? 'hides' : 'note';
    case 'old repair':
      return detail.cover === 'plate, welded all round' ? 'doubtful' : 'hides';
    case 'coating':
      return detail.coat === 'thick rubber over a seam' || detail.coat === 'paint over pits'
        ? 'hides'
        : 'note';
    case 'debris':
      return detail.full >= 0.25 || detail.wet === 'wet' ? 'doubtful' : 'note';
    case 'light through':
      return detail.shows === 'it lights up' ? 'failed' : detail.shows === 'dark' ? 'note' : 'sound';
    case 'delamination':
    case 'dent':
      return 'doubtful';
    case 'hole':
      return isWornOrRusted(detail) ? 'failed' : 'note';
    case 'fastener':
      return detail.state === 'sound' ? 'note' : 'doubtful';
    case 'maker’s weld':
    case 'welded solid':
      return 'doubtful';
    case 'holds it together':
      return 'holds';
    case 'not a crack':
      return 'sound';
    case 'access':
    case 'opened':
      return 'note';
    case 'out of shape':
      return isLetGo(detail.is) ? 'failed' : 'doubtful';
    case 'put right':
      return 'sound';
    default:
      return detail satisfies never;
  }
}

/** A folded or torn wall carries nothing there; a bent or twisted one may. */
export const isLetGo = (is: Extract<SignDetail, { sign: 'out of shape' }>['is']): boolean =>
  is === 'folded' || is === 'torn';

/** Worn oval or grown by more than this, mm, a hole is a defect; one nobody expects there is a hole rusted through (our judgement). */
const OVAL_MM = 1;
export const isWornOrRusted = (hole: Extract<SignDetail, { sign: 'hole' }>): boolean =>
  hole.expectedMm === undefined ||
  hole.acrossMm - hole.expectedMm > OVAL_MM ||
  (hole.longMm ?? hole.acrossMm) - hole.acrossMm > OVAL_MM;

/** The high-water line of debris inside a section is a first guess of where the sound metal starts (common practice, no source). */
export const firstGuessEdgeMm = (sign: Sign): number | undefined =>
  sign.detail.sign === 'debris' ? sign.detail.waterLineMm : undefined;
