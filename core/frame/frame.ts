import { z } from 'zod';
import { STEEL_IDS } from '../reference';
import { faceIdSchema, shapeSchema, type FaceId, faceOf } from './shape';
import { loadsSchema } from './loads';
import { fail, inchesToMm, ok, printBoth, type Form, type Outcome } from '../quantity';

export const FAMILY_IDS = [
  'open-channel ladder',
  'boxed ladder',
  'mixed ladder',
  'I-beam trailer',
  'gooseneck trailer',
  'semi trailer',
  'unibody',
] as const;
export const familySchema = z.enum(FAMILY_IDS);
export type Family = z.infer<typeof familySchema>;

/** Frames longer than this are a slip of the keyboard. */
const stationMm = z
  .number()
  .gte(0, 'a station is not below 0')
  .lte(40_000, 'a station over 40 m is off any frame');
const lengthMm = z
  .number()
  .gt(50, 'a member shorter than 50 mm is too short')
  .lte(40_000, 'a member over 40 m is too long');
const name = z.string().trim().min(1, 'a name is needed').max(60);

/** What hangs on a part: what falls or steers if it lets go. */
export const CARRIED = [
  'axle location',
  'steering',
  'spring seat',
  'shock',
  'hitch',
  'tank',
  'spare',
  'people',
  'body',
] as const;
export type Carried = (typeof CARRIED)[number];

export const ROLES = [
  'rail',
  'crossmember',
  'outrigger',
  'tongue',
  'axle tube',
  'deck beam',
  'upright',
  'stud',
  'brace',
  'leg',
  'plate',
  'sill',
  'floor rail',
  'tower',
] as const;
export type Role = (typeof ROLES)[number];

/** How a member's end meets the one it stands on: on its web, lapped over its flanges, or by a pin. */
export const JOINT_KINDS = ['web', 'flange', 'pin'] as const;
export type JointKind = (typeof JOINT_KINDS)[number];

const point = z.tuple([
  z.number().gte(-2000).lte(42_000),
  z.number().gte(-3000).lte(3000),
  z.number().gte(-2000).lte(4000),
]);

/** A factory hole in a wall: net section there. */
export const holeSchema = z.object({
  id: z.string().min(1).max(40),
  stationMm,
  face: faceIdSchema,
  heightMm: z.number().gte(0),
  diameterMm: z.number().gt(2, 'a hole under 2 mm is a pore').lt(300),
});
export type Hole = z.infer<typeof holeSchema>;

/**
 * A member of the frame. Its own stations run from 0 to `lengthMm`: a rail's rearward, a crossmember's from the left rail to the right one,
 * any other's from the first point of its `line`.
 *
 *      z up │    x rearward from the datum, y to the right of the centre line, z up from the middle of the main rails
 *           └── y
 */
export const memberSchema = z.object({
  id: z.string().min(1).max(40),
  name,
  role: z.enum(ROLES),
  /** Which side it stands on; its twin is the other one. */
  side: z.enum(['left', 'right']).optional(),
  /** Crossmembers: where along the frame. */
  atMm: stationMm.optional(),
  /** Rails that start behind the datum (the rear half of a mixed frame). */
  startMm: stationMm.optional(),
  /** Members that are neither rails nor crossmembers: from where to where. */
  line: z.object({ from: point, to: point }).optional(),
  shape: shapeSchema,
  steel: z.enum(STEEL_IDS),
  lengthMm,
  /** How both ends are joined; web where nothing is said. */
  joint: z.enum(JOINT_KINDS).optional(),
  carries: z.array(z.enum(CARRIED)).max(9).optional(),
  /** Faces that cannot be reached without taking something off. */
  hidden: z.array(faceIdSchema).max(7).optional(),
  holes: z.array(holeSchema).max(80).optional(),
});
export type Member = z.infer<typeof memberSchema>;

export const LANDMARK_KINDS = [
  'axle',
  'spring hanger',
  'spring seat',
  'control arm',
  'shock mount',
  'bump stop',
  'steering gear',
  'body mount',
  'captive mount',
  'hitch',
  'coupler',
  'landing leg',
  'joint',
  'tank strap',
  'spare carrier',
  'lift point',
  'jack',
  'line',
  'harness',
  'tank',
  'exhaust',
] as const;
export type LandmarkKind = (typeof LANDMARK_KINDS)[number];
export const landmarkSchema = z.object({
  id: z.string().min(1).max(40),
  kind: z.enum(LANDMARK_KINDS),
  name,
  side: z.enum(['left', 'right', 'both']),
  stationMm,
  /** How far below the middle of the rail its load acts: a hanger's height, a coupler's, a leg's foot. */
  dropMm: z.number().gte(-2000).lte(2000).optional(),
  /** Axles: what the maker rates it for. */
  ratingKg: z
    .number()
    .gt(50, 'an axle rating under 50 kg is none')
    .lt(40_000, 'an axle rating over 40 t is none')
    .optional(),
  carries: z.array(z.enum(CARRIED)).max(9).optional(),
});
export type Landmark = z.infer<typeof landmarkSchema>;

const CARRIES_BY_KIND: Readonly<Record<LandmarkKind, readonly Carried[]>> = {
  axle: ['axle location'],
  'spring hanger': ['axle location', 'spring seat'],
  'spring seat': ['spring seat'],
  'control arm': ['axle location'],
  'shock mount': ['shock'],
  'bump stop': [],
  'steering gear': ['steering'],
  'body mount': ['people', 'body'],
  'captive mount': ['axle location'],
  hitch: ['hitch'],
  coupler: ['hitch'],
  'landing leg': [],
  joint: [],
  'tank strap': ['tank'],
  'spare carrier': ['spare'],
  'lift point': [],
  jack: [],
  line: [],
  harness: [],
  tank: ['tank'],
  exhaust: [],
};
/** What a mount or bracket carries: what was said of it, else what its kind always does. */
export const carriedBy = (mark: Landmark): readonly Carried[] => mark.carries ?? CARRIES_BY_KIND[mark.kind];

export const frameSchema = z
  .object({
    family: familySchema,
    lengthMm: lengthMm.gt(600, 'rails under 2 ft (600 mm) are no frame'),
    /** Outside to outside of the rails. */
    widthMm: z
      .number()
      .gt(100, 'rails closer than 100 mm are not a ladder')
      .lt(4000, 'rails over 4 m apart are not a road frame'),
    datum: z.string().trim().min(1, 'name the datum: a hole or crossmember that stays').max(120),
    members: z.array(memberSchema).min(1).max(120),
    landmarks: z.array(landmarkSchema).max(200),
    loads: loadsSchema.optional(),
  })
  .superRefine((frame, context) => {
    const ids = new Set<string>();
    frame.members.forEach((member, k) => {
      if (ids.has(member.id))
        context.addIssue({
          code: 'custom',
          path: ['members', k, 'id'],
          message: `two members are called ${member.id}`,
        });
      ids.add(member.id);
      if (member.role === 'crossmember' && !(member.atMm !== undefined && member.atMm <= frame.lengthMm)) {
        context.addIssue({
          code: 'custom',
          path: ['members', k, 'atMm'],
          message: `${member.name} is off the rails`,
        });
      }
      if (member.role !== 'rail' && member.role !== 'crossmember' && !member.line)
        context.addIssue({
          code: 'custom',
          path: ['members', k, 'line'],
          message: `${member.name} has no place: from where to where?`,
        });
      for (const hole of member.holes ?? []) {
        const place = spotOnMember(member, hole);
        if (!place.ok)
          context.addIssue({
            code: 'custom',
            path: ['members', k, 'holes'],
            message: `hole ${hole.id}: ${place.reason}`,
          });
      }
    });
    frame.landmarks.forEach((landmark, k) => {
      if (landmark.stationMm > frame.lengthMm)
        context.addIssue({
          code: 'custom',
          path: ['landmarks', k, 'stationMm'],
          message: `${landmark.name} is off the rails`,
        });
    });
  });
export type Frame = z.infer<typeof frameSchema>;
export const frameForm: Form<Frame> = { name: 'frame', version: 1, schema: frameSchema, upcasts: {} };

/** A place on a member: what all evidence hangs on. */
export const spotSchema = z.object({ stationMm: z.number(), face: faceIdSchema, heightMm: z.number() });
export type Spot = z.infer<typeof spotSchema>;

/** Says whether a spot lies on the member; the reason names the limit that was passed. */
export function spotOnMember(
  member: Member,
  spot: { stationMm: number; face: FaceId; heightMm: number },
): Outcome<null> {
  const face = faceOf(member.shape, spot.face);
  if (!face) return fail(`${member.name} has no ${spot.face} face`, 'face');
  if (!(spot.stationMm >= 0 && spot.stationMm <= member.lengthMm))
    return fail(
      `station is off ${member.name}, which runs from ${printBoth(startsAtMm(member), 1)} to ${printBoth(startsAtMm(member) + member.lengthMm, 1)}`,
      'stationMm',
    );
  if (!(spot.heightMm >= 0 && spot.heightMm <= face.widthMm))
    return fail(
      `height is off the ${spot.face} face, which is ${printBoth(face.widthMm, 2)} wide`,
      'heightMm',
    );
  return ok(null);
}

export const memberOf = (frame: Frame, id: string): Member | undefined =>
  frame.members.find((member) => member.id === id);

/** The same member on the other side. */
export const twinOf = (frame: Frame, member: Member): Member | undefined => {
  if (!member.side) return undefined;
  // By the side's own part of the id: an upright has a right in its name on both sides.
  const twinId =
    member.side === 'left'
      ? member.id.replace(/-left(?=-|$)/, '-right')
      : member.id.replace(/-right(?=-|$)/, '-left');
  return frame.members.find((other) => other.id === twinId && other.id !== member.id);
};

/** Stations of the axles, front to rear. */
export const axlesOf = (frame: Frame): Landmark[] =>
  frame.landmarks.filter((landmark) => landmark.kind === 'axle').sort((a, b) => a.stationMm - b.stationMm);
export const axleStationsMm = (frame: Frame): number[] =>
  axlesOf(frame).map((landmark) => landmark.stationMm);

/** A line that strays less than this from fore and aft, share of its length, runs fore and aft. */
const ASTRAY = 0.02;

/**
 * Where a member begins, mm behind the datum. Stations of a member are kept from its own end and are always said from the datum: a tape laid
 * along the frame has one zero. A member that runs across or slants has no place along that tape: 0, its stations count from its own end.
 */
export function startsAtMm(member: Pick<Member, 'startMm' | 'line'>): number {
  if (member.startMm !== undefined || !member.line) return member.startMm ?? 0;
  const [dx, dy, dz] = [0, 1, 2].map((k) => member.line!.to[k]! - member.line!.from[k]!) as [
    number,
    number,
    number,
  ];
  return dx > 0 && Math.hypot(dy, dz) <= ASTRAY * dx ? member.line.from[0] : 0;
}

/** Whether a rail passes a station of the frame; a saw's cut either way counts. */
export const passes = (rail: Pick<Member, 'startMm' | 'lengthMm'>, stationMm: number): boolean => {
  const own = stationMm - (rail.startMm ?? 0);
  return own >= -1 && own <= rail.lengthMm + 1;
};

/** Landmarks that hang on this rail, at stations of its own. */
export const landmarksOn = (frame: Frame, member: Member): Landmark[] => {
  if (member.role !== 'rail') return [];
  const startMm = member.startMm ?? 0;
  return frame.landmarks
    .filter(
      (landmark) =>
        (landmark.side === 'both' || landmark.side === member.side) &&
        landmark.stationMm >= startMm &&
        landmark.stationMm <= startMm + member.lengthMm,
    )
    .map((landmark) => (startMm === 0 ? landmark : { ...landmark, stationMm: landmark.stationMm - startMm }));
};

/** Crossmembers that meet this rail, at stations of its own. */
export const crossingsOn = (
  frame: Frame,
  rail: Member,
): { readonly member: Member; readonly stationMm: number }[] => {
  if (rail.role !== 'rail') return [];
  return frame.members
    .filter((member) => member.role === 'crossmember' && member.atMm !== undefined)
    .map((member) => ({ member, stationMm: member.atMm! - (rail.startMm ?? 0) }))
    .filter(({ stationMm }) => stationMm >= 0 && stationMm <= rail.lengthMm);
};

/** What a member carries: what was said of it, and what the brackets on it do. */
export const carriedByMember = (frame: Frame, member: Member): Carried[] =>
  CARRIED.filter(
    (what) =>
      member.carries?.includes(what) ||
      landmarksOn(frame, member).some((mark) => carriedBy(mark).includes(what)),
  );

/** Within this far of a hanger, mount, hitch or gear a finding is critical: 12 in (common practice, no source). */
export const CRITICAL_REACH_MM = inchesToMm(12);
