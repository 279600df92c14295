import type { Vector3 } from '../mechanics';
import type { Carried } from './carried';
import { carriedBy, type AttachedBy, type Fitting, type FittingKind } from './fitting';
import type { PANEL_KINDS } from './enclosed';
import {
  carriedByMember,
  memberOf,
  ownStationMm,
  twinOf,
  type Frame,
  type JointKind,
  type Member,
} from './frame';
import { placementOf } from './placement';
import { breadthMm } from './shape';

/** What evidence hangs on besides a member's own wall. */
export const HOST_ON = ['fitting', 'joint', 'panel', 'pocket'] as const;
export type HostOn = (typeof HOST_ON)[number];

/** A stretch of a member that a host hangs on, clamps, lies over or lies in. Stations are the member's own. */
export interface HostSpan {
  readonly memberId: string;
  readonly fromMm: number;
  readonly toMm: number;
}

/**
 * A thing of the frame that is no member and can be bad by itself.
 *
 *   fitting   one side of a bracket, hanger, mount        `mark-3 left`
 *   joint     one end of a member on another              `cross-2 start`, `cross-2 end`
 *   panel     skin, floor, bulkhead over members          `floor-left`
 *   pocket    a closed space of a member                  `sill-left front`
 */
export interface Host {
  readonly on: HostOn;
  readonly id: string;
  readonly name: string;
  readonly side: 'left' | 'right' | 'middle';
  /** x rearward from the datum, y to the right, z up from the middle of the main rails, mm. */
  readonly at: Vector3;
  /** Where it hangs first; empty when no member passes there. */
  readonly spans: readonly HostSpan[];
  readonly carries: readonly Carried[];
  readonly kind: FittingKind | JointKind | (typeof PANEL_KINDS)[number] | 'pocket';
  /** Sizes as made, mm: what wear is measured from. */
  readonly made: { readonly hole?: number; readonly pin?: number; readonly plate?: number };
  readonly attachedBy?: AttachedBy;
  readonly twinId?: string;
  /** The one across, within its own set. */
  readonly diagonalId?: string;
}

const SIDES = ['left', 'right'] as const;
const hand = (side: Host['side']): number => (side === 'left' ? -1 : side === 'right' ? 1 : 0);

/** Asked for one by one of the same frame, which is never changed in place. */
const HOSTS = new WeakMap<Frame, readonly Host[]>();

/** Every host of a frame but its members. */
export function hostsOf(frame: Frame): readonly Host[] {
  const known = HOSTS.get(frame);
  if (known) return known;
  const fittings = frame.fittings.flatMap((fitting) => fittingHosts(frame, fitting));
  const hosts = [
    ...withDiagonals(frame, fittings),
    ...frame.members.flatMap((member) => jointHosts(frame, member)),
    ...(frame.panels ?? []).map((panel) => panelHost(frame, panel)),
    ...(frame.pockets ?? []).map((pocket) => pocketHost(frame, pocket)),
  ];
  HOSTS.set(frame, hosts);
  return hosts;
}

export const hostOf = (frame: Frame, on: HostOn, id: string): Host | undefined =>
  hostsOf(frame).find((host) => host.on === on && host.id === id);

/** A jack's saddle, beside the middle of what runs across, still stands under it, mm. */
const UNDER_MM = 60;

/** The rail or sill over a point, and the point's station on it; over one in the middle, what runs across there. */
export function memberOver(
  frame: Frame,
  point: { readonly side: 'left' | 'centre' | 'right'; readonly stationMm: number },
): { member: Member; stationMm: number } | undefined {
  if (point.side === 'centre') return acrossOver(frame, point.stationMm);
  const own = (member: Member) => point.stationMm - (member.startMm ?? member.line?.from[0] ?? 0);
  const over = frame.members.filter(
    (member) =>
      (member.role === 'rail' || member.role === 'sill') &&
      member.side === point.side &&
      own(member) >= 0 &&
      own(member) <= member.lengthMm,
  );
  const member = over.find((each) => each.role === 'rail') ?? over[0];
  return member && { member, stationMm: own(member) };
}

/** The crossmember or other member across the middle that stands over a station of the frame. */
function acrossOver(frame: Frame, stationMm: number): { member: Member; stationMm: number } | undefined {
  const over = frame.members.flatMap((member) => {
    const { from, to } = placementOf(frame, member);
    // At the height of the rails, from one side to the other.
    const runs = from[1] * to[1] < 0 && Math.max(Math.abs(from[2]), Math.abs(to[2])) < frame.widthMm;
    const away = Math.abs(from[0] - stationMm);
    const isOver = runs && Math.abs(to[0] - from[0]) < 1 && away <= breadthMm(member.shape) / 2 + UNDER_MM;
    return isOver ? [{ member, stationMm: member.lengthMm / 2, away }] : [];
  });
  return over.sort((a, b) => a.away - b.away)[0];
}

/** A trailer has one of these, in its middle, whatever its sides are said to be. */
const SINGLE: ReadonlySet<FittingKind> = new Set<FittingKind>(['coupler', 'pin box']);

/** Which of a fitting there are: one a side, or one in the middle. */
export const sidesOf = (fitting: Fitting): readonly Host['side'][] =>
  SINGLE.has(fitting.kind)
    ? ['middle']
    : SIDES.filter((side) => fitting.side === 'both' || fitting.side === side);

/** What one side of a fitting hangs on, and where. One in the middle hangs on what is named, else on the left rail or tongue there. */
export function fittedTo(
  frame: Frame,
  fitting: Fitting,
  side: Host['side'],
): { member: Member; stationMm: number } | undefined {
  const { stationMm } = fitting;
  if (fitting.onId === undefined) {
    const over = memberOver(frame, { side: side === 'middle' ? 'left' : side, stationMm });
    const tongue = frame.members.find(({ role }) => role === 'tongue');
    return (
      over ??
      (side === 'middle' && tongue ? { member: tongue, stationMm: ownStationMm(tongue, fitting) } : undefined)
    );
  }
  const named = memberOf(frame, fitting.onId);
  const member = named?.side && side !== 'middle' && named.side !== side ? twinOf(frame, named) : named;
  return member && { member, stationMm: ownStationMm(member, fitting) };
}

function fittingHosts(frame: Frame, fitting: Fitting): Host[] {
  const sides = sidesOf(fitting);
  return sides.map((side): Host => {
    const over = fittedTo(frame, fitting, side);
    const other = sides.find((each) => each !== side);
    const halfMm = (fitting.size?.alongMm ?? 0) / 2;
    const y =
      over && side !== 'middle'
        ? middleOf(frame, over.member, over.stationMm)[1]
        : (hand(side) * frame.widthMm) / 2;
    return {
      on: 'fitting',
      id: `${fitting.id} ${side}`,
      name: side === 'middle' ? fitting.name : `${fitting.name}, ${side}`,
      side,
      kind: fitting.kind,
      at: [fitting.stationMm, y + hand(side) * (fitting.outMm ?? 0), -(fitting.dropMm ?? 0)],
      spans: over ? [span(over.member, over.stationMm - halfMm, over.stationMm + halfMm)] : [],
      carries: carriedBy(fitting),
      made: {
        ...(fitting.holeMm !== undefined && { hole: fitting.holeMm }),
        ...(fitting.pinMm !== undefined && { pin: fitting.pinMm }),
        ...(fitting.size && { plate: fitting.size.thicknessMm }),
      },
      ...(fitting.attached && { attachedBy: fitting.attached.by }),
      ...(other && { twinId: `${fitting.id} ${other}` }),
    };
  });
}

/** Four mounts of one thing are a set: the one across is on the other side and the farthest along. */
function withDiagonals(frame: Frame, hosts: readonly Host[]): Host[] {
  const setOf = new Map(frame.fittings.map((fitting) => [fitting.id, fitting.set]));
  const ownSet = (host: Host) => setOf.get(host.id.replace(/ (left|right|middle)$/, ''));
  return hosts.map((host) => {
    const set = ownSet(host);
    if (set === undefined) return host;
    const across = hosts
      .filter((other) => other.side !== host.side && other.id !== host.twinId && ownSet(other) === set)
      .sort((a, b) => Math.abs(b.at[0] - host.at[0]) - Math.abs(a.at[0] - host.at[0]))[0];
    return across ? { ...host, diagonalId: across.id } : host;
  });
}

/** Members stand within this of what they are joined to, beyond half its depth, mm. */
const JOINED_WITHIN_MM = 150;
/** So much of a member's end is its joint's, mm. */
const JOINT_MM = 60;

function jointHosts(frame: Frame, member: Member): Host[] {
  if (member.role === 'rail') return [];
  const { from, to } = placementOf(frame, member);
  return (['start', 'end'] as const).flatMap((end): Host[] => {
    const at = end === 'start' ? from : to;
    const to_ = nearestMember(frame, member, at);
    if (!to_) return [];
    const side = at[1] < -1 ? 'left' : at[1] > 1 ? 'right' : 'middle';
    const ownMm = end === 'start' ? 0 : member.lengthMm;
    const twin = member.role === 'crossmember' ? member : twinOf(frame, member);
    const twinEnd = member.role === 'crossmember' ? (end === 'start' ? 'end' : 'start') : end;
    return [
      {
        on: 'joint',
        id: `${member.id} ${end}`,
        name: `${member.name} to ${to_.member.name.toLowerCase()}`,
        side,
        kind: member.joint ?? 'web',
        at,
        spans: [
          span(member, ownMm - JOINT_MM, ownMm + JOINT_MM),
          span(to_.member, to_.stationMm - JOINT_MM, to_.stationMm + JOINT_MM),
        ],
        carries: carriedByMember(frame, member),
        made: {},
        ...(member.joint === 'pin' && { attachedBy: 'pin' as const }),
        ...(twin && { twinId: `${twin.id} ${twinEnd}` }),
      },
    ];
  });
}

/** The member whose line passes nearest to a point, near enough to be joined there; rails before others. */
function nearestMember(
  frame: Frame,
  joined: Member,
  point: Vector3,
): { member: Member; stationMm: number } | undefined {
  const near = frame.members
    .filter((member) => member !== joined)
    .flatMap((member) => {
      const { from, to } = placementOf(frame, member);
      const { awayMm, share } = fromLine(point, from, to);
      const within = member.shape.depthMm / 2 + JOINED_WITHIN_MM;
      return awayMm <= within ? [{ member, stationMm: share * member.lengthMm, awayMm }] : [];
    });
  const rails = near.filter(({ member }) => member.role === 'rail');
  return (rails.length ? rails : near).sort((a, b) => a.awayMm - b.awayMm)[0];
}

function fromLine(point: Vector3, from: Vector3, to: Vector3): { awayMm: number; share: number } {
  const along: Vector3 = [to[0] - from[0], to[1] - from[1], to[2] - from[2]];
  const lengthSq = along[0] ** 2 + along[1] ** 2 + along[2] ** 2;
  const dot = along.reduce((sum, each, k) => sum + each * (point[k]! - from[k]!), 0);
  const share = lengthSq > 0 ? Math.min(1, Math.max(0, dot / lengthSq)) : 0;
  const awayMm = Math.hypot(...along.map((each, k) => point[k]! - from[k]! - share * each));
  return { awayMm, share };
}

function panelHost(frame: Frame, panel: NonNullable<Frame['panels']>[number]): Host {
  const behind = panel.behindIds.flatMap((id) => memberOf(frame, id) ?? []);
  const spans = behind.map((member): HostSpan => {
    const { from, to } = placementOf(frame, member);
    const runMm = to[0] - from[0];
    // A member across or upright lies behind it whole.
    if (!(runMm > member.lengthMm / 2)) return span(member, 0, member.lengthMm);
    return span(member, panel.fromMm - from[0], panel.toMm - from[0]);
  });
  const middle = behind[0] ? middleOf(frame, behind[0], behind[0].lengthMm / 2) : ([0, 0, 0] as const);
  return {
    on: 'panel',
    id: panel.id,
    name: panel.name,
    side: panel.side ?? 'middle',
    kind: panel.kind,
    at: [(panel.fromMm + panel.toMm) / 2, middle[1], middle[2]],
    spans,
    carries: [],
    made: {},
    ...twinOfNamed(frame.panels ?? [], panel),
  };
}

function pocketHost(frame: Frame, pocket: NonNullable<Frame['pockets']>[number]): Host {
  const member = memberOf(frame, pocket.memberId);
  return {
    on: 'pocket',
    id: pocket.id,
    name: pocket.name,
    side: member?.side ?? 'middle',
    kind: 'pocket',
    at: member ? middleOf(frame, member, (pocket.fromMm + pocket.toMm) / 2) : [0, 0, 0],
    spans: member ? [span(member, pocket.fromMm, pocket.toMm)] : [],
    carries: member ? carriedByMember(frame, member) : [],
    made: {},
    ...twinOfNamed(frame.pockets ?? [], pocket),
  };
}

/** The one of the same id on the other side. */
function twinOfNamed(all: readonly { id: string }[], { id }: { id: string }): { twinId?: string } {
  const otherId = id.replace(/\b(left|right)\b/, (side) => (side === 'left' ? 'right' : 'left'));
  return otherId !== id && all.some((each) => each.id === otherId) ? { twinId: otherId } : {};
}

const span = ({ id: memberId, lengthMm }: Member, fromMm: number, toMm: number): HostSpan => ({
  memberId,
  fromMm: Math.min(lengthMm, Math.max(0, fromMm)),
  toMm: Math.min(lengthMm, Math.max(0, toMm)),
});

function middleOf(frame: Frame, member: Member, ownMm: number): Vector3 {
  const { from, to } = placementOf(frame, member);
  const share = member.lengthMm > 0 ? ownMm / member.lengthMm : 0;
  return [0, 1, 2].map((k) => from[k]! + (to[k]! - from[k]!) * share) as unknown as Vector3;
}
