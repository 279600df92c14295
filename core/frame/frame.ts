import { z } from 'zod';
import { STEEL_IDS } from '../reference';
import { shapeSchema, type FaceId, faceOf } from './shape';
import { fail, ok, type Outcome } from '../quantity';

export const FAMILY_IDS = ['open-channel ladder', 'boxed ladder'] as const;
export const familySchema = z.enum(FAMILY_IDS);
export type Family = z.infer<typeof familySchema>;

/** Frames longer than this are a slip of the keyboard. */
const stationMm = z.number().gte(0, 'a station is not below 0').lte(40_000, 'a station over 40 m is off any frame');
const lengthMm = z.number().gt(50, 'a member shorter than 50 mm is too short').lte(40_000, 'a member over 40 m is too long');
const name = z.string().trim().min(1, 'a name is needed').max(60);

/**
 * A member of the frame. Its own stations run from 0 to `lengthMm`: a rail's from the frame's datum rearward,
 * a crossmember's from the left rail to the right one.
 */
export const memberSchema = z.object({
  id: z.string().min(1).max(40),
  name,
  role: z.enum(['rail', 'crossmember']),
  /** Rails: which one. */
  side: z.enum(['left', 'right']).optional(),
  /** Crossmembers: where along the frame. */
  atMm: stationMm.optional(),
  shape: shapeSchema,
  steel: z.enum(STEEL_IDS),
  lengthMm,
});
export type Member = z.infer<typeof memberSchema>;

export const LANDMARK_KINDS = ['spring hanger', 'body mount', 'steering gear', 'hitch', 'tank strap', 'lift point', 'shock mount', 'axle'] as const;
export const landmarkSchema = z.object({
  id: z.string().min(1).max(40),
  kind: z.enum(LANDMARK_KINDS),
  name,
  side: z.enum(['left', 'right', 'both']),
  stationMm,
});
export type Landmark = z.infer<typeof landmarkSchema>;

export const frameSchema = z.object({
  family: familySchema,
  lengthMm: lengthMm.gt(600, 'rails under 2 ft (600 mm) are no frame'),
  /** Outside to outside of the rails. */
  widthMm: z.number().gt(100, 'rails closer than 100 mm are not a ladder').lt(4000, 'rails over 4 m apart are not a road frame'),
  datum: z.string().trim().min(1, 'name the datum: a hole or crossmember that stays').max(120),
  members: z.array(memberSchema).min(1).max(120),
  landmarks: z.array(landmarkSchema).max(200),
}).superRefine((frame, context) => {
  const ids = new Set<string>();
  frame.members.forEach((member, k) => {
    if (ids.has(member.id)) context.addIssue({ code: 'custom', path: ['members', k, 'id'], message: `two members are called ${member.id}` });
    ids.add(member.id);
    if (member.role === 'crossmember' && !(member.atMm !== undefined && member.atMm <= frame.lengthMm)) {
      context.addIssue({ code: 'custom', path: ['members', k, 'atMm'], message: `${member.name} is off the rails` });
    }
  });
  frame.landmarks.forEach((landmark, k) => {
    if (landmark.stationMm > frame.lengthMm) context.addIssue({ code: 'custom', path: ['landmarks', k, 'stationMm'], message: `${landmark.name} is off the rails` });
  });
});
export type Frame = z.infer<typeof frameSchema>;

/** A place on a member: what all evidence hangs on. */
export const spotSchema = z.object({ stationMm: z.number(), face: z.enum(['top', 'web', 'bottom', 'outer', 'inner']), heightMm: z.number() });
export type Spot = z.infer<typeof spotSchema>;

/** Says whether a spot lies on the member; the reason names the limit that was passed. */
export function spotOnMember(member: Member, spot: { stationMm: number; face: FaceId; heightMm: number }): Outcome<null> {
  const face = faceOf(member.shape, spot.face);
  if (!face) return fail(`${member.name} has no ${spot.face} face`);
  if (!(spot.stationMm >= 0 && spot.stationMm <= member.lengthMm)) return fail(`station is off ${member.name}, which runs from 0 to ${(member.lengthMm / 25.4).toFixed(1)} in (${member.lengthMm.toFixed(0)} mm)`);
  if (!(spot.heightMm >= 0 && spot.heightMm <= face.widthMm)) return fail(`height is off the ${spot.face} face, which is ${(face.widthMm / 25.4).toFixed(2)} in (${face.widthMm.toFixed(0)} mm) wide`);
  return ok(null);
}

export const memberOf = (frame: Frame, id: string): Member | undefined => frame.members.find((member) => member.id === id);

export const twinOf = (frame: Frame, member: Member): Member | undefined =>
  member.role === 'rail' ? frame.members.find((other) => other.role === 'rail' && other.side !== member.side) : undefined;

/** Stations of the axles, front to rear. */
export const axleStationsMm = (frame: Frame): number[] =>
  frame.landmarks.filter((landmark) => landmark.kind === 'axle').map((landmark) => landmark.stationMm).sort((a, b) => a - b);

/** Landmarks that hang on this rail. */
export const landmarksOn = (frame: Frame, member: Member): Landmark[] =>
  member.role === 'rail' ? frame.landmarks.filter((landmark) => landmark.side === 'both' || landmark.side === member.side) : [];

/** Within this far of a hanger, mount, hitch or gear a finding is critical: 12 in (common practice, no source). */
export const CRITICAL_REACH_MM = 12 * 25.4;
