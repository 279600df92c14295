import { z } from 'zod';
import {
  bySchema,
  evidenceKind,
  faceIdSchema,
  faceOf,
  instantSchema,
  onMember,
  recordIdSchema,
  type Fit,
  type Member,
} from '../frame';
import { fail, ok, printBoth, type Outcome } from '../quantity';

/** Where a finger in a hole felt the wall give way: a bracket of its own on an upright face, heights up from the bottom corner. */
export const feltEdgeSchema = z.object({
  kind: z.literal('felt edge'),
  id: recordIdSchema,
  by: bySchema,
  at: instantSchema,
  note: z.string().max(300).default(''),
  memberId: z.string().min(1).max(40),
  stationMm: z.number().gte(0),
  face: faceIdSchema,
  /** Metal felt thin or gone up to here … */
  lowerMm: z.number().gte(0),
  /** … and full from here up. */
  upperMm: z.number().gte(0),
});
export type FeltEdge = z.infer<typeof feltEdgeSchema>;

/** Whether a felt edge can lie where it says. */
export function checkFeltEdge(
  member: Member,
  felt: Pick<FeltEdge, 'face' | 'stationMm' | 'lowerMm' | 'upperMm'>,
): Outcome<Fit> {
  const face = faceOf(member.shape, felt.face);
  if (!face?.upright)
    return fail(
      `the sound edge runs along an upright face; ${felt.face} is none of ${member.name}’s`,
      'face',
    );
  if (!(felt.stationMm <= member.lengthMm)) return fail(`station is off ${member.name}`, 'stationMm');
  if (!(felt.lowerMm <= felt.upperMm && felt.upperMm <= face.widthMm))
    return fail(
      `an edge lies between two heights on the face, the lower first; the face is ${printBoth(face.widthMm, 2)} high`,
      'upperMm',
    );
  return ok({});
}

export const feltEdgeKind = evidenceKind<FeltEdge>({
  name: 'felt edge',
  schema: feltEdgeSchema,
  fits: (frame, felt) => onMember(frame, felt.memberId, (member) => checkFeltEdge(member, felt)),
  tells: (felt) => [felt.memberId],
});
