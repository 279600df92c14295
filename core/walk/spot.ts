import { z } from 'zod';
import {
  FAMILY_IDS,
  faceIdSchema,
  fittedTo,
  FITTING_KINDS,
  hostsOf,
  PANEL_KINDS,
  placementOf,
  ROLES,
  sidesOf,
  twinOf,
  type FaceId,
  type Frame,
  type Host,
  type HostOn,
  type Member,
} from '../frame';
import { WAYS, type Way } from './look';

export const TOURS = ['round', 'beneath', 'inside'] as const;
export type Tour = (typeof TOURS)[number];

/** Lists kept before fittings had their name called them landmarks. */
const asFittings = (where: unknown): unknown =>
  (where as { on?: unknown } | null)?.on === 'landmark' ? { ...(where as object), on: 'fitting' } : where;
/** Where a kind of spot is found on any frame that has such a place. */
const placesSchema = z.discriminatedUnion('on', [
  /** At every bracket, mount or hitch of these kinds, on the rails that carry it; `asideMm` along from it. */
  z.object({
    on: z.literal('fitting'),
    kinds: z.array(z.enum(FITTING_KINDS)).min(1),
    asideMm: z.number().gte(-3000).lte(3000).optional(),
  }),
  /** Along members of these roles (only those with these ids, where some are named), a stretch at a time; shares of the member's length. */
  z.object({
    on: z.literal('stretch'),
    roles: z.array(z.enum(ROLES)).min(1),
    ids: z.array(z.string().max(40)).optional(),
    face: faceIdSchema.optional(),
    from: z.number().gte(0).lte(1),
    to: z.number().gte(0).lte(1),
  }),
  /** Both ends of members of these roles. */
  z.object({ on: z.literal('ends'), roles: z.array(z.enum(ROLES)).min(1) }),
  /** Skins, floors and bulkheads of the frame; and its closed spaces. */
  z.object({ on: z.literal('panel'), kinds: z.array(z.enum(PANEL_KINDS)).min(1) }),
  z.object({ on: z.literal('pocket') }),
  /** On the body, no member of the frame: left and right, or once. */
  z.object({ on: z.literal('body'), sides: z.enum(['both', 'once']) }),
]);
const whereSchema = z.preprocess(asFittings, placesSchema);

/** One line of the list of what to look at: seeded by family, added to and dropped by the shop, learned from its closed jobs. */
export const spotRuleSchema = z.object({
  id: z.string().min(1).max(80),
  title: z.string().trim().min(3, 'name the spot').max(80),
  look: z.string().trim().max(200).default(''),
  families: z.array(z.enum(FAMILY_IDS)).min(1),
  tour: z.enum(TOURS),
  where: whereSchema,
  /** People are hurt when it lets go: it counts in the lift gate and in verdicts. */
  critical: z.boolean(),
  /** A harmless result counts as seen only by one of these ways: closed sections rust from inside. */
  needs: z.array(z.enum(WAYS)).default([]),
  beforeBuying: z.boolean().default(false),
  from: z.enum(['trade', 'shop', 'learned']).default('shop'),
});
export type SpotRule = z.infer<typeof spotRuleSchema>;

/** One place to look at on this frame. Stations are the member's own; `alongMm` is along the frame. */
export interface HotSpot {
  readonly id: string;
  readonly ruleId: string;
  readonly title: string;
  readonly look: string;
  readonly tour: Tour;
  readonly critical: boolean;
  readonly needs: readonly Way[];
  readonly from: SpotRule['from'];
  readonly side: 'left' | 'right' | 'middle';
  readonly alongMm: number;
  readonly memberId?: string;
  readonly fromMm?: number;
  readonly toMm?: number;
  readonly face?: FaceId;
  /** The bracket, hanger, joint, panel or pocket that the spot is: it can be bad on a sound member. */
  readonly host?: { readonly on: HostOn; readonly id: string };
  /** The same place on the other side; and across the corner, where twist cracks come in pairs. */
  readonly twinId?: string;
  readonly diagonalId?: string;
}

/** Longer stretches are looked at in pieces of about this. */
const PIECE_MM = 1600;

/** Every hot spot of a frame in walking order: clockwise from the front left corner, then beneath front to rear, then inside. */
export function hotSpots(frame: Frame, rules: readonly SpotRule[], beforeBuying = false): HotSpot[] {
  const wanted = rules.filter(
    (rule) => rule.families.includes(frame.family) && (beforeBuying || !rule.beforeBuying),
  );
  const hosts = hostsOf(frame);
  const found = wanted.flatMap((rule) =>
    placesOf(frame, rule, hosts).map((place): HotSpot => ({
      ruleId: rule.id,
      look: rule.look,
      tour: rule.tour,
      critical: rule.critical,
      needs: rule.needs,
      from: rule.from,
      ...place,
    })),
  );
  return withOwnSets(withTwins(frame, found), hosts).sort(
    (a, b) =>
      TOURS.indexOf(a.tour) - TOURS.indexOf(b.tour) ||
      walkOrder(frame, a) - walkOrder(frame, b) ||
      a.id.localeCompare(b.id),
  );
}

type Place = Pick<HotSpot, 'id' | 'title' | 'side' | 'alongMm'> &
  Partial<Pick<HotSpot, 'memberId' | 'fromMm' | 'toMm' | 'face' | 'host' | 'twinId' | 'diagonalId'>>;

function placesOf(frame: Frame, rule: SpotRule, hosts: readonly Host[]): Place[] {
  const { where } = rule;
  switch (where.on) {
    case 'fitting':
      return fittingPlaces(frame, rule, where.kinds, where.asideMm ?? 0);
    case 'stretch':
      return frame.members
        .filter((member) => where.roles.includes(member.role) && (where.ids?.includes(member.id) ?? true))
        .flatMap((member) => stretchPlaces(frame, rule, member, where));
    case 'ends':
      return frame.members
        .filter((member) => where.roles.includes(member.role))
        .flatMap((member) => endPlaces(frame, rule, member, hosts));
    case 'panel':
      return hostPlaces(
        rule,
        hosts.filter(({ on, kind }) => on === 'panel' && where.kinds.some((each) => each === kind)),
      );
    case 'pocket':
      return hostPlaces(
        rule,
        hosts.filter(({ on }) => on === 'pocket'),
      );
    case 'body':
      return (where.sides === 'both' ? (['left', 'right'] as const) : (['middle'] as const)).map((side) => ({
        id: `${rule.id} ${side}`,
        title: side === 'middle' ? rule.title : `${rule.title}, ${side}`,
        side,
        alongMm: frame.lengthMm / 2,
      }));
    default:
      return where satisfies never;
  }
}

function fittingPlaces(frame: Frame, rule: SpotRule, kinds: readonly string[], asideMm: number): Place[] {
  return frame.fittings
    .filter((mark) => kinds.includes(mark.kind))
    .flatMap((mark) =>
      sidesOf(mark).flatMap((side): Place[] => {
        const over = fittedTo(frame, mark, side);
        const at = over && over.stationMm + asideMm;
        if (!over || !(at! >= 0 && at! <= over.member.lengthMm)) return [];
        const name = asideMm === 0 ? mark.name : `${rule.title}, by ${mark.name.toLowerCase()}`;
        return [
          {
            id: `${rule.id} ${mark.id} ${over.member.id}`,
            title: side === 'middle' ? name : `${name}, ${side}`,
            side,
            alongMm: mark.stationMm + asideMm,
            memberId: over.member.id,
            ...(asideMm === 0 && { host: { on: 'fitting', id: `${mark.id} ${side}` } }),
            fromMm: at!,
            toMm: at!,
          },
        ];
      }),
    );
}

/** A panel or pocket is no place on a member's wall: what is found there tells of the member by what it is. */
const hostPlaces = (rule: SpotRule, hosts: readonly Host[]): Place[] =>
  hosts.map(({ on, id, name, side, at }) => ({
    id: `${rule.id} ${id}`,
    title: name,
    side,
    alongMm: at[0],
    host: { on, id },
  }));

function stretchPlaces(
  frame: Frame,
  rule: SpotRule,
  member: Member,
  { from, to, face }: { from: number; to: number; face?: FaceId | undefined },
): Place[] {
  const lengthMm = (to - from) * member.lengthMm;
  if (!(lengthMm > 0)) return [];
  const pieces =
    member.role === 'rail' || member.role === 'sill' ? Math.max(1, Math.round(lengthMm / PIECE_MM)) : 1;
  return Array.from({ length: pieces }, (_, k) => {
    const [fromMm, toMm] = [
      from * member.lengthMm + (k * lengthMm) / pieces,
      from * member.lengthMm + ((k + 1) * lengthMm) / pieces,
    ];
    return {
      id: `${rule.id} ${member.id} ${k + 1}`,
      title: `${rule.title}, ${member.name.toLowerCase()}${pieces > 1 ? ` (${k + 1} of ${pieces})` : ''}`,
      side: member.side ?? 'middle',
      alongMm: alongFrame(frame, member, (fromMm + toMm) / 2),
      memberId: member.id,
      fromMm,
      toMm,
      ...(face && { face }),
    };
  });
}

const END_MM = 60;
function endPlaces(frame: Frame, rule: SpotRule, member: Member, hosts: readonly Host[]): Place[] {
  const joints = new Set(hosts.flatMap(({ on, id }) => (on === 'joint' ? [id] : [])));
  return [0, member.lengthMm].map((mm, k) => {
    const which = k === 0 ? 'start' : 'end';
    const inMm = k === 0 ? Math.min(END_MM, mm + member.lengthMm) : Math.max(0, mm - END_MM);
    const { from, to } = placementOf(frame, member);
    const side = (k === 0 ? from : to)[1] < -1 ? 'left' : (k === 0 ? from : to)[1] > 1 ? 'right' : 'middle';
    const end = member.role === 'crossmember' ? `${side} end` : k === 0 ? 'one end' : 'other end';
    return {
      id: `${rule.id} ${member.id} ${k + 1}`,
      title: `${member.name}, ${end}`,
      side: side as Place['side'],
      alongMm: (k === 0 ? from : to)[0],
      memberId: member.id,
      ...(joints.has(`${member.id} ${which}`) && {
        host: { on: 'joint' as const, id: `${member.id} ${which}` },
      }),
      fromMm: Math.min(mm, inMm),
      toMm: Math.max(mm, inMm),
    };
  });
}

function alongFrame(frame: Frame, member: Member, ownMm: number): number {
  const { from, to } = placementOf(frame, member);
  return from[0] + (to[0] - from[0]) * (member.lengthMm > 0 ? ownMm / member.lengthMm : 0);
}

/** Within this along the frame two spots of one kind stand level. */
const LEVEL_MM = 120;

function withTwins(frame: Frame, spots: readonly HotSpot[]): HotSpot[] {
  const middleMm = frame.lengthMm / 2;
  return spots.map((spot) => {
    if (spot.side === 'middle') return spot;
    const across = spots.filter(
      (other) =>
        other.ruleId === spot.ruleId &&
        other.side !== 'middle' &&
        other.side !== spot.side &&
        isCounterpart(frame, spot, other),
    );
    const twin = across.find((other) => other.id === otherSide(spot.id)) ?? nearestTo(across, spot.alongMm);
    const level = twin && Math.abs(twin.alongMm - spot.alongMm) <= LEVEL_MM ? twin : undefined;
    const diagonal = nearestTo(
      across.filter((other) => other !== level && (other.alongMm - middleMm) * (spot.alongMm - middleMm) < 0),
      2 * middleMm - spot.alongMm,
    );
    return { ...spot, ...(level && { twinId: level.id }), ...(diagonal && { diagonalId: diagonal.id }) };
  });
}

/** Across the corner of a set of mounts lies another mount of the same set, whatever else is on the frame. */
function withOwnSets(spots: readonly HotSpot[], hosts: readonly Host[]): HotSpot[] {
  const across = new Map(hosts.map(({ on, id, diagonalId }) => [`${on} ${id}`, diagonalId]));
  return spots.map((spot) => {
    const id = spot.host && across.get(`${spot.host.on} ${spot.host.id}`);
    const there = id && spots.find((other) => other.ruleId === spot.ruleId && other.host?.id === id);
    return there ? { ...spot, diagonalId: there.id } : spot;
  });
}

/** By the side as a word of its own: an upright has a right in its name on both sides. */
const otherSide = (id: string): string =>
  id.replace(/(?<![a-z])(left|right)(?![a-z])/g, (side) => (side === 'left' ? 'right' : 'left'));

/** On the twin member, or on the same crossmember's other end; body items, which are on no member, by their rule alone. */
function isCounterpart(frame: Frame, spot: HotSpot, other: HotSpot): boolean {
  if (!spot.memberId || !other.memberId) return spot.memberId === other.memberId;
  const [one, two] = [spot, other].map((each) =>
    frame.members.find((member) => member.id === each.memberId)!,
  );
  return one === two || twinOf(frame, one!) === two || (one!.role === 'rail' && two!.role === 'rail');
}

const nearestTo = (spots: readonly HotSpot[], alongMm: number): HotSpot | undefined =>
  spots.reduce<HotSpot | undefined>(
    (best, here) =>
      !best || Math.abs(here.alongMm - alongMm) < Math.abs(best.alongMm - alongMm) ? here : best,
    undefined,
  );

/** The front corner counts as the first this far back. */
const CORNER = 0.12;

/**
 *   start ┐
 *    left ▼ front ──────► right        round: front left corner, front, down the right side, rear, up the left side
 *         ▲                 │          beneath and inside: front to rear, left before right
 *         └────── rear ◄────┘
 */
function walkOrder(frame: Frame, spot: HotSpot): number {
  const L = frame.lengthMm;
  if (spot.tour !== 'round')
    return Math.round(spot.alongMm / 300) * 10 + ['left', 'middle', 'right'].indexOf(spot.side);
  if (spot.side === 'left' && spot.alongMm < CORNER * L) return spot.alongMm / L;
  if (spot.side === 'middle') return spot.alongMm < L / 2 ? 1 : 3.5;
  return spot.side === 'right' ? 2 + spot.alongMm / L : 5 - spot.alongMm / L;
}
