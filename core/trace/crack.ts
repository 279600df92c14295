import { z } from 'zod';
import {
  bySchema,
  CRACK_SIGNS,
  DEPTHS,
  evidenceKind,
  developedWidthMm,
  faceOf,
  instantSchema,
  isClosed,
  onMember,
  recordIdSchema,
  SEEN_BY_IDS,
  spotOnMember,
  spotSchema,
  STARTS_AT,
  uOnFace,
  usedSchema,
  type Fit,
  type Member,
  type MemberShape,
  type Spot,
} from '../frame';
import { pathLength, type Point } from '../geometry';
import { fail, ok, type Outcome } from '../quantity';

/**
 * A crack as a path of points on a member's unrolled faces, with whether each of its two ends was found. An end that was not found may run under
 * something. `branchOf`: the crack it runs off or into.
 */
export const crackSchema = z.object({
  kind: z.literal('crack'),
  id: recordIdSchema,
  memberId: z.string().min(1).max(40),
  path: z.array(spotSchema).min(2, 'a crack needs at least two points').max(60),
  startFound: z.boolean(),
  finishFound: z.boolean(),
  startUnder: z.boolean().optional(),
  finishUnder: z.boolean().optional(),
  seenBy: z.enum(SEEN_BY_IDS),
  startsAt: z.enum(STARTS_AT).optional(),
  depth: z.enum(DEPTHS).optional(),
  signs: z.array(z.enum(CRACK_SIGNS)).max(CRACK_SIGNS.length).optional(),
  branchOf: recordIdSchema.optional(),
  ...usedSchema,
  by: bySchema,
  at: instantSchema,
  note: z.string().max(300).default(''),
});
export type Crack = z.infer<typeof crackSchema>;

export function checkCrack(member: Member, crack: Pick<Crack, 'path'>): Outcome<Fit> {
  for (const [k, spot] of crack.path.entries()) {
    const place = spotOnMember(member, spot);
    if (!place.ok) return fail(`point ${k + 1}: ${place.reason}`, 'path');
  }
  return crackLengthMm(member.shape, crack.path) > 0.5
    ? ok({})
    : fail('its points all lie in one place', 'path');
}

/** Version 1 did not say what it was: cracks lay on a shelf of their own. */
export const crackKind = evidenceKind<Crack>({
  name: 'crack',
  version: 2,
  schema: crackSchema,
  upcasts: { 1: (body) => ({ ...body, kind: 'crack' }) },
  fits: (frame, crack) => onMember(frame, crack.memberId, (member) => checkCrack(member, crack)),
  tells: (crack) => [crack.memberId],
});

/** The path on the unrolled faces, (station, u); in a closed section each step goes the shorter way round, so u may leave the sheet. */
export function unrolledPath(shape: MemberShape, path: readonly Spot[]): Point[] {
  const perimeterMm = developedWidthMm(shape);
  const points: Point[] = [];
  for (const spot of path) {
    const face = faceOf(shape, spot.face);
    if (!face) continue;
    let uMm = uOnFace(face, spot.heightMm);
    const before = points[points.length - 1]?.[1];
    if (isClosed(shape) && before !== undefined)
      uMm += perimeterMm * Math.round((before - uMm) / perimeterMm);
    points.push([spot.stationMm, uMm]);
  }
  return points;
}

export const crackLengthMm = (shape: MemberShape, path: readonly Spot[]): number =>
  pathLength(unrolledPath(shape, path));

export function crackExtent(crack: Pick<Crack, 'path'>): { fromMm: number; toMm: number } {
  const stations = crack.path.map((spot) => spot.stationMm);
  return { fromMm: Math.min(...stations), toMm: Math.max(...stations) };
}
