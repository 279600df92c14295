import { z } from 'zod';
import { STEEL_IDS } from '../reference';
import { faceIdSchema, shapeSchema, type FaceId, faceOf } from './shape';
import { loadsSchema } from './loads';
import { CARRIED, type Carried } from './carried';
import { panelSchema, pocketSchema } from './enclosed';
import { carriedBy, fittingSchema, type Fitting } from './fitting';
import { fail, inchesToMm, ok, printBoth, type Body, type Form, type Outcome } from '../quantity';

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

const frameShape = z.object({
  family: familySchema,
  lengthMm: lengthMm.gt(600, 'rails under 2 ft (600 mm) are no frame'),
  /** Outside to outside of the rails. */
  widthMm: z
    .number()
    .gt(100, 'rails closer than 100 mm are not a ladder')
    .lt(4000, 'rails over 4 m apart are not a road frame'),
  /** Its measures are its family's usual ones: nobody took them from this unit. */
  presumed: z.literal(true).optional(),
  datum: z.string().trim().min(1, 'name the datum: a hole or crossmember that stays').max(120),
  members: z.array(memberSchema).min(1).max(120),
  fittings: z.array(fittingSchema).max(200),
  panels: z.array(panelSchema).max(60).optional(),
  pockets: z.array(pocketSchema).max(60).optional(),
  loads: loadsSchema.optional(),
  /** Neighbouring axles do not share: each on its own springs, no equaliser between them. */
  independentAxles: z.literal(true).optional(),
});

type Wrong = (path: readonly (string | number)[], message: string) => void;
type Shaped = z.infer<typeof frameShape>;

function checkMembers(frame: Shaped, wrong: Wrong): void {
  const ids = new Set<string>();
  frame.members.forEach((member, k) => {
    if (ids.has(member.id)) wrong(['members', k, 'id'], `two members are called ${member.id}`);
    ids.add(member.id);
    if (member.role === 'crossmember' && !(member.atMm !== undefined && member.atMm <= frame.lengthMm))
      wrong(['members', k, 'atMm'], `${member.name} is off the rails`);
    if (member.role !== 'rail' && member.role !== 'crossmember' && !member.line)
      wrong(['members', k, 'line'], `${member.name} has no place: from where to where?`);
    for (const hole of member.holes ?? []) {
      const place = spotOnMember(member, hole);
      if (!place.ok) wrong(['members', k, 'holes'], `hole ${hole.id}: ${place.reason}`);
    }
  });
}

/** Fittings, panels and closed spaces belong to members that are there. */
function checkHung(frame: Shaped, wrong: Wrong): void {
  const ids = new Set(frame.members.map(({ id }) => id));
  const fittingIds = new Set<string>();
  frame.fittings.forEach((fitting, k) => {
    if (fittingIds.has(fitting.id)) wrong(['fittings', k, 'id'], `two fittings are called ${fitting.id}`);
    fittingIds.add(fitting.id);
    if (fitting.stationMm > frame.lengthMm)
      wrong(['fittings', k, 'stationMm'], `${fitting.name} is off the rails`);
    if (fitting.onId !== undefined && !ids.has(fitting.onId))
      wrong(['fittings', k, 'onId'], `${fitting.name} hangs on ${fitting.onId}, which is not on this frame`);
  });
  frame.panels?.forEach((panel, k) => {
    if (!(panel.toMm > panel.fromMm)) wrong(['panels', k, 'toMm'], `${panel.name} ends where it begins`);
    const stray = panel.behindIds.find((each) => !ids.has(each));
    if (stray !== undefined)
      wrong(['panels', k, 'behindIds'], `${panel.name} lies over ${stray}, which is not on this frame`);
  });
  frame.pockets?.forEach((pocket, k) => {
    const member = frame.members.find((each) => each.id === pocket.memberId);
    if (!member) return wrong(['pockets', k, 'memberId'], `${pocket.name} is in no member of this frame`);
    if (!(pocket.toMm > pocket.fromMm && pocket.toMm <= member.lengthMm))
      wrong(['pockets', k, 'toMm'], `${pocket.name} must end within ${member.name}`);
  });
}

function checkStands(frame: Shaped, wrong: Wrong): void {
  frame.loads?.stands?.forEach(({ stationMm: mm }, k) => {
    if (mm > frame.lengthMm)
      wrong(
        ['loads', 'stands', k, 'stationMm'],
        `stand ${k + 1} is off the rails, which end at ${printBoth(frame.lengthMm, 1)}`,
      );
  });
}

export const frameSchema = frameShape.superRefine((frame, context) => {
  const wrong: Wrong = (path, message) => context.addIssue({ code: 'custom', path: [...path], message });
  checkMembers(frame, wrong);
  checkHung(frame, wrong);
  checkStands(frame, wrong);
});
export type Frame = z.infer<typeof frameSchema>;

/** Version 1 called what hangs on a frame its landmarks, and let two of them share an id: the second takes one of its own. */
function landmarksAsFittings({ landmarks, ...body }: Body): Body {
  const ids = new Set<unknown>();
  const fittings = (Array.isArray(landmarks) ? (landmarks as { id: unknown }[]) : []).map((each, k) => {
    const isTaken = ids.has(each.id);
    ids.add(each.id);
    return isTaken ? { ...each, id: `${String(each.id).slice(0, 30)} again ${k}` } : each;
  });
  return { ...body, fittings };
}
export const frameForm: Form<Frame> = {
  name: 'frame',
  version: 2,
  schema: frameSchema,
  upcasts: { 1: landmarksAsFittings },
};

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
export const axlesOf = (frame: Frame): Fitting[] =>
  frame.fittings.filter((fitting) => fitting.kind === 'axle').sort((a, b) => a.stationMm - b.stationMm);
export const axleStationsMm = (frame: Frame): number[] => axlesOf(frame).map((fitting) => fitting.stationMm);

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

/** Fittings that hang on this member, at stations of its own. */
export const fittingsOn = (frame: Frame, member: Member): Fitting[] => {
  const startMm = member.startMm ?? 0;
  return frame.fittings.flatMap((fitting) => {
    if (fitting.side !== 'both' && member.side !== undefined && fitting.side !== member.side) return [];
    const here = fitting.stationMm - startMm;
    if (fitting.onId === undefined)
      return member.role === 'rail' && here >= 0 && here <= member.lengthMm
        ? [startMm === 0 ? fitting : { ...fitting, stationMm: here }]
        : [];
    const isOn =
      fitting.onId === member.id || (fitting.side === 'both' && twinOf(frame, member)?.id === fitting.onId);
    return isOn ? [{ ...fitting, stationMm: ownStationMm(member, fitting) }] : [];
  });
};

/** Where along a member a fitting sits: the nearest place on its line; a rail's and a crossmember's as they are measured. */
export function ownStationMm(member: Member, { stationMm, dropMm }: Fitting): number {
  const within = (mm: number) => Math.min(member.lengthMm, Math.max(0, mm));
  if (!member.line)
    return within(member.role === 'crossmember' ? member.lengthMm / 2 : stationMm - (member.startMm ?? 0));
  const { from, to } = member.line;
  const along = [to[0] - from[0], to[1] - from[1], to[2] - from[2]] as const;
  const away = [stationMm - from[0], 0, (dropMm === undefined ? (from[2] + to[2]) / 2 : -dropMm) - from[2]];
  // Across, nothing is said of where it sits: only along and up count.
  const own = (along[0] * away[0]! + along[2] * away[2]!) / Math.max(1, Math.hypot(along[0], along[2]));
  return within(own);
}

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
      fittingsOn(frame, member).some((mark) => carriedBy(mark).includes(what)),
  );

/** Within this far of a hanger, mount, hitch or gear a finding is critical: 12 in (common practice, no source). */
export const CRITICAL_REACH_MM = inchesToMm(12);
