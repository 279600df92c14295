import {
  webTieStiffness,
  webTurnStiffness,
  type BeamElement,
  type BeamModel,
  type BeamProfile,
  type ElementEnd,
  type EndWarping,
  type Releases,
  type Support,
  type Vector3,
  type WarpTie,
  type WorkedElements,
} from '../mechanics';
import { steel, YOUNGS_MODULUS_MPA } from '../reference';
import type { Fitting, FittingKind } from './fitting';
import type { Frame, Member } from './frame';
import { placementOf, type Placement } from './placement';
import { breadthMm, isClosed } from './shape';

/** Steel's shear modulus, MPa: E / 2(1 + 0.3). */
export const SHEAR_MODULUS_MPA = YOUNGS_MODULUS_MPA / 2.6;

/** A member cut into elements: node k stands at stationsMm[k]; element firstElement + k runs from node k to k + 1, or is −1 where no metal is left. */
export interface MeshedMember {
  readonly member: Member;
  readonly placement: Placement;
  readonly stationsMm: readonly number[];
  readonly nodes: readonly number[];
  readonly elements: readonly number[];
}

/** What is odd about a frame as a structure. The rest of it is computed all the same. */
export interface StructureProblem {
  readonly code: 'meets nothing' | 'stands on nothing' | 'parted';
  readonly memberId: string;
  readonly atMm: number;
}

export interface Attachment {
  readonly node: number;
  readonly offsetMm: Vector3;
}

/** The frame as beams: its members meshed and joined; no supports yet. */
export interface Structure {
  readonly frame: Frame;
  readonly nodes: readonly Vector3[];
  readonly elements: readonly BeamElement[];
  readonly warpTies: readonly WarpTie[];
  readonly members: readonly MeshedMember[];
  readonly problems: readonly StructureProblem[];
  readonly holds: Holds;
  /** Its elements as they are worked out, for all models that it stands in. */
  readonly worked: WorkedElements;
}

/** A member's section over a stretch of it (its middle, half its length), about its reference point; undefined where no metal is left. */
export type ProfileAt = (member: Member, stationMm: number, halfMm: number) => BeamProfile | undefined;

/** What still holds of a frame's joints and fittings, as found. */
export interface Holds {
  /** Whether an end of a member is still joined to what it stands on. */
  readonly joint: (member: Member, end: 'start' | 'end') => boolean;
  readonly fitting: (fitting: Fitting, side: 'left' | 'right') => boolean;
  /** Whether the floor above is still one: it keeps the rails square. */
  readonly floor: boolean;
}
export const ALL_HOLDS: Holds = { joint: () => true, fitting: () => true, floor: true };

/** Rails are cut this fine, others into six or more. */
const RAIL_STEP_MM = 150;
const OTHER_PIECES = 6;

/** Fittings that loads come in by, and so want a node where they sit. */
const LOADS_RAILS: ReadonlySet<FittingKind> = new Set<FittingKind>([
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
  'tank',
]);
/** A flat plate set into a beam stiffens it where it stands; it is no beam of its own. */
export const isBeam = (member: Member): boolean => !(member.role === 'plate' && member.shape.kind === 'flat');

interface Joint {
  readonly one: number;
  readonly oneMm: number;
  readonly other: number;
  readonly otherMm: number;
}

/** The mesh is the same whatever was found: what one state asks of an element can be held against another. */
export function structureOf(frame: Frame, profileAt: ProfileAt, holds: Holds = ALL_HOLDS): Structure {
  const beams = frame.members
    .filter(isBeam)
    .map((member) => ({ member, placement: placementOf(frame, member) }));
  const joints = jointsOf(beams);
  const stations = beams.map(({ member, placement }, k) =>
    meshStations(
      frame,
      member,
      placement,
      joints.flatMap((joint) => [
        ...(joint.one === k ? [joint.oneMm] : []),
        ...(joint.other === k ? [joint.otherMm] : []),
      ]),
    ),
  );
  const holding = joints.filter(
    ({ one, oneMm, other, otherMm }) =>
      endHolds(beams[one]!, oneMm, holds) && endHolds(beams[other]!, otherMm, holds),
  );
  const { nodeOf, nodes } = sharedNodes(beams, stations, holding);
  const mesh: Mesh = { beams, joints: holding, nodes, elements: [], warpTies: [], problems: [] };
  const members = beams.map((_, k) =>
    meshMember(mesh, k, { own: stations[k]!, nodeOf: nodeOf[k]! }, profileAt),
  );
  return {
    frame,
    nodes,
    elements: mesh.elements,
    warpTies: mesh.warpTies,
    members,
    problems: mesh.problems,
    holds,
    worked: new WeakMap(),
  };
}

/** A joint at a member's end lets go with that end; one somewhere along it is another member's. */
function endHolds({ member, placement }: Beam, mm: number, holds: Holds): boolean {
  if (member.role === 'rail') return true;
  const length = size(minus(placement.to, placement.from));
  if (mm < JOINT_END_SHARE * length) return holds.joint(member, 'start');
  return mm > (1 - JOINT_END_SHARE) * length ? holds.joint(member, 'end') : true;
}
/** So near its end, as a share of its length, a member is joined by its end. */
const JOINT_END_SHARE = 0.05;

/** A frame being meshed. */
interface Mesh {
  readonly beams: readonly { readonly member: Member; readonly placement: Placement }[];
  readonly joints: readonly Joint[];
  readonly nodes: Vector3[];
  readonly elements: BeamElement[];
  readonly warpTies: WarpTie[];
  readonly problems: StructureProblem[];
}

/** One member's elements, station to station; where no metal is left there is none. */
function meshMember(
  mesh: Mesh,
  k: number,
  { own, nodeOf }: { readonly own: readonly number[]; readonly nodeOf: readonly number[] },
  profileAt: ProfileAt,
): MeshedMember {
  const { beams, joints, elements, problems } = mesh;
  const { member, placement } = beams[k]!;
  // Between the reference lines of its rails a crossmember is a little longer than its metal: evidence keeps to its own stations.
  const perMm = member.lengthMm / own[own.length - 1]!;
  const last = own.length - 1;
  const endAt = (n: number): ElementEnd =>
    elementEnd({
      member,
      placement,
      stationMm: own[n]!,
      node: nodeOf[n]!,
      nodes: mesh.nodes,
      host: n === 0 || n === last ? hostAt(beams, joints, k, own[n]!) : undefined,
      warpTies: mesh.warpTies,
    });
  const indices = own.slice(0, -1).map((fromMm, n) => {
    const middleMm = (perMm * (fromMm + own[n + 1]!)) / 2;
    const profile = profileAt(member, middleMm, (perMm * (own[n + 1]! - fromMm)) / 2);
    if (!profile) {
      problems.push({ code: 'parted', memberId: member.id, atMm: middleMm });
      return -1;
    }
    elements.push({
      id: `${member.id}@${Math.round(perMm * fromMm)}`,
      upGlobal: placement.up,
      profile: scaled(profile, member),
      from: endAt(n),
      to: endAt(n + 1),
    });
    return elements.length - 1;
  });
  if (!joints.some((joint) => joint.one === k || joint.other === k) && beams.length > 1)
    problems.push({ code: 'meets nothing', memberId: member.id, atMm: 0 });
  return {
    member,
    placement,
    stationsMm: own.map((mm) => perMm * mm),
    nodes: [...nodeOf],
    elements: indices,
  };
}

/** Metal that is not steel counts by its modulus. */
function scaled(profile: BeamProfile, member: Member): BeamProfile {
  const young = steel(member.steel).youngsMpa;
  if (!young) return profile;
  const n = young / YOUNGS_MODULUS_MPA;
  return {
    ...profile,
    areaMm2: n * profile.areaMm2,
    iyyMm4: n * profile.iyyMm4,
    izzMm4: n * profile.izzMm4,
    iyzMm4: n * profile.iyzMm4,
    jMm4: n * profile.jMm4,
    cwMm6: n * profile.cwMm6,
    shearYY: profile.shearYY / n,
    shearZZ: profile.shearZZ / n,
    shearYZ: profile.shearYZ / n,
  };
}

type Beam = { readonly member: Member; readonly placement: Placement };
export const along = ({ from, to }: Placement, share: number): Vector3 => [
  from[0] + share * (to[0] - from[0]),
  from[1] + share * (to[1] - from[1]),
  from[2] + share * (to[2] - from[2]),
];
const minus = (a: Vector3, b: Vector3): Vector3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const dot = (a: Vector3, b: Vector3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const size = (a: Vector3): number => Math.sqrt(dot(a, a));

/** Two members touch where their lines come within both their half sizes of each other. */
const FIT_UP_MM = 12;
const halfSize = (member: Member): number =>
  Math.max(
    member.shape.depthMm,
    member.role === 'rail' && member.shape.kind === 'channel' ? 0 : breadthMm(member.shape),
  ) / 2;

function jointsOf(beams: readonly Beam[]): Joint[] {
  const joints: Joint[] = [];
  for (let i = 0; i < beams.length; i++)
    for (let j = i + 1; j < beams.length; j++) joints.push(...jointBetween(beams, i, j));
  return joints;
}

function jointBetween(beams: readonly Beam[], i: number, j: number): Joint[] {
  const [a, b] = [beams[i]!, beams[j]!];
  const reach = halfSize(a.member) + halfSize(b.member) + FIT_UP_MM;
  const [p, q] = [minus(a.placement.to, a.placement.from), minus(b.placement.to, b.placement.from)];
  const [la, lb] = [size(p), size(q)];
  if (!(la > 0 && lb > 0)) return [];
  const parallel = Math.abs(dot(p, q)) > 0.985 * la * lb;
  const pairs = parallel
    ? overlapShares(a.placement, b.placement)
    : [closestShares(a.placement, b.placement)];
  return pairs
    .filter(([s, t]) => size(minus(along(a.placement, s), along(b.placement, t))) <= reach)
    .map(([s, t]) => ({ one: i, oneMm: s * la, other: j, otherMm: t * lb }));
}

const clamp = (value: number): number => Math.min(Math.max(value, 0), 1);

/** Closest approach of two segments, as shares along each (C. Ericson, Real-Time Collision Detection, 5.1.9). */
function closestShares(a: Placement, b: Placement): [number, number] {
  const [p, q, r] = [minus(a.to, a.from), minus(b.to, b.from), minus(a.from, b.from)];
  const [pp, qq, pq, pr, qr] = [dot(p, p), dot(q, q), dot(p, q), dot(p, r), dot(q, r)];
  const bottom = pp * qq - pq * pq;
  const s = bottom > 1e-9 * pp * qq ? clamp((pq * qr - pr * qq) / bottom) : 0;
  const t = clamp((pq * s + qr) / qq);
  return [clamp((pq * t - pr) / pp), t];
}

/** Where parallel members lie beside each other: both ends of the stretch they share, and between at most every 600 mm. */
function overlapShares(a: Placement, b: Placement): [number, number][] {
  const p = minus(a.to, a.from);
  const q = minus(b.to, b.from);
  const onA = (point: Vector3) => dot(minus(point, a.from), p) / dot(p, p);
  const [first, last] = [onA(b.from), onA(b.to)].sort((x, y) => x - y) as [number, number];
  const [from, to] = [Math.max(0, first), Math.min(1, last)];
  if (to < from - 0.02) return [closestShares(a, b)];
  const pieces = Math.max(1, Math.ceil(((to - from) * size(p)) / 600));
  return Array.from({ length: pieces + 1 }, (_, k) => {
    const s = clamp(from + ((to - from) * k) / pieces);
    return [s, clamp(dot(minus(along(a, s), b.from), q) / dot(q, q))] as [number, number];
  });
}

function meshStations(
  frame: Frame,
  member: Member,
  placement: Placement,
  joined: readonly number[],
): number[] {
  const length = size(minus(placement.to, placement.from));
  const isLong = member.role === 'rail' || member.role === 'deck beam';
  const pieces = isLong ? Math.ceil(length / RAIL_STEP_MM) : OTHER_PIECES;
  const marks =
    member.role === 'rail'
      ? frame.fittings
          .filter((mark) => LOADS_RAILS.has(mark.kind) && (mark.side === 'both' || mark.side === member.side))
          .map((mark) => mark.stationMm - (member.startMm ?? 0))
          .filter((x) => x > 0 && x < length)
      : [];
  const fixed = [0, length, ...joined, ...marks]
    .map((x) => Math.min(Math.max(x, 0), length))
    .sort((a, b) => a - b);
  const kept = fixed.filter((x, k) => k === 0 || x - fixed[k - 1]! > 0.5);
  const between = Array.from(
    { length: Math.max(0, pieces - 1) },
    (_, k) => (length * (k + 1)) / pieces,
  ).filter((x) => kept.every((other) => Math.abs(other - x) > (length / pieces) * 0.45));
  return [...kept, ...between].sort((a, b) => a - b);
}

/** One node for everything that is joined; each member's end reaches it by a rigid offset. */
function sharedNodes(
  beams: readonly Beam[],
  stations: readonly (readonly number[])[],
  joints: readonly Joint[],
): { nodeOf: number[][]; nodes: Vector3[] } {
  const starts: number[] = [];
  let count = 0;
  for (const own of stations) {
    starts.push(count);
    count += own.length;
  }
  const parent = Int32Array.from({ length: count }, (_, k) => k);
  const root = (k: number): number => {
    let at = k;
    while (parent[at] !== at) at = parent[at]!;
    return at;
  };
  const indexOf = (member: number, mm: number) => starts[member]! + nearestIndex(stations[member]!, mm);
  for (const { one, oneMm, other, otherMm } of joints) {
    const [a, b] = [root(indexOf(one, oneMm)), root(indexOf(other, otherMm))];
    // The earlier member (rails come first) gives the node its place.
    if (a !== b) parent[Math.max(a, b)] = Math.min(a, b);
  }
  const nodes: Vector3[] = [];
  const nodeOfRoot = new Map<number, number>();
  const nodeOf = beams.map(({ placement }, k) =>
    stations[k]!.map((mm, n) => {
      const at = root(starts[k]! + n);
      const known = nodeOfRoot.get(at);
      if (known !== undefined) return known;
      nodes.push(along(placement, mm / size(minus(placement.to, placement.from))));
      nodeOfRoot.set(at, nodes.length - 1);
      return nodes.length - 1;
    }),
  );
  return { nodeOf, nodes };
}

export function nearestIndex(sorted: readonly number[], mm: number): number {
  let best = 0;
  for (let k = 1; k < sorted.length; k++)
    if (Math.abs(sorted[k]! - mm) < Math.abs(sorted[best]! - mm)) best = k;
  return best;
}

/** The member that an end stands on, if that one runs past it. */
function hostAt(beams: readonly Beam[], joints: readonly Joint[], k: number, mm: number): Beam | undefined {
  for (const joint of joints) {
    const [own, ownMm, other] =
      joint.one === k ? [joint.one, joint.oneMm, joint.other] : [joint.other, joint.otherMm, joint.one];
    if (own === k && Math.abs(ownMm - mm) < 1 && (beams[other]!.member.role === 'rail' || other < k))
      return beams[other];
  }
  return undefined;
}

const PIN: Releases = [false, false, false, false, true, true];

function elementEnd({
  member,
  placement,
  stationMm,
  node,
  nodes,
  host,
  warpTies,
}: {
  member: Member;
  placement: Placement;
  stationMm: number;
  node: number;
  nodes: readonly Vector3[];
  host: Beam | undefined;
  warpTies: WarpTie[];
}): ElementEnd {
  const length = size(minus(placement.to, placement.from));
  const atStart = stationMm < length / 2;
  const joint = host && (member.joint ?? 'web');
  // Lapped over the host's flange, the last stretch turns with it.
  const lapMm =
    joint === 'flange' && host!.member.shape.kind === 'channel'
      ? Math.min(breadthMm(host!.member.shape), length / 4)
      : 0;
  const point = along(placement, (stationMm + (atStart ? lapMm : -lapMm)) / length);
  const offset = minus(point, nodes[node]!);
  const end = { node, ...(size(offset) > 1e-6 && { offsetMm: offset }) };
  if (joint === 'pin') return { ...end, warping: { kind: 'free' }, released: PIN };
  const released = host && joint === 'web' ? turnsOnWeb(member, host.member) : undefined;
  return { ...end, warping: endWarping(member, node, host, joint, warpTies), ...(released && { released }) };
}

/** A crossmember or outrigger joined to a rail's upright wall turns with that wall as far as it gives. */
function turnsOnWeb(member: Member, { shape }: Member): Releases | undefined {
  if (member.role !== 'crossmember' && member.role !== 'outrigger') return undefined;
  const stiffness = webTurnStiffness(YOUNGS_MODULUS_MPA, {
    webHighMm: shape.depthMm,
    webMm: shape.thicknessMm,
    deepMm: member.shape.depthMm,
    broadMm: breadthMm(member.shape),
  });
  return [false, false, false, false, false, stiffness];
}

function endWarping(
  member: Member,
  node: number,
  host: Beam | undefined,
  joint: 'web' | 'flange' | undefined,
  warpTies: WarpTie[],
): EndWarping {
  const own: EndWarping = { kind: 'shared', key: member.id, ratio: 1 };
  if (!host || isClosed(member.shape)) return own;
  if (isClosed(host.member.shape)) return { kind: 'fixed' };
  if (joint === 'flange')
    return { kind: 'shared', key: host.member.id, ratio: host.member.shape.depthMm / member.shape.depthMm };
  warpTies.push({
    node,
    keys: [member.id, host.member.id],
    stiffness: webTieStiffness(YOUNGS_MODULUS_MPA, host.member.shape.thicknessMm, member.shape.depthMm),
  });
  return own;
}

/** The point of the structure nearest to a place, and the rigid way from its node. */
export function attach(
  { nodes, elements }: Structure,
  at: Vector3,
  wanted: (element: number) => boolean = () => true,
): Attachment {
  let best = -1;
  let away = Infinity;
  const consider = (node: number) => {
    const here = size(minus(at, nodes[node]!));
    if (here < away) [best, away] = [node, here];
  };
  elements.forEach(({ from, to }, element) => {
    if (!wanted(element)) return;
    consider(from.node);
    consider(to.node);
  });
  if (best < 0 && nodes.length > 0) return attach({ nodes, elements } as Structure, at);
  return { node: best, offsetMm: minus(at, nodes[best]!) };
}

/** What a structure stands on and under, beyond its own: `ties` keep it square where it hangs together without them. */
export interface Extra {
  readonly nodes: readonly Vector3[];
  readonly elements: readonly BeamElement[];
  readonly ties?: readonly BeamElement[];
}

/**
 * The model of a structure on given supports. Whatever hangs together but stands on none of them is left out and named; the rest is computed.
 */
export function standingModel(
  structure: Structure,
  extra: Extra,
  supports: readonly Support[],
): { model: BeamModel; kept: Int32Array; problems: StructureProblem[] } {
  const carrying = [...structure.elements, ...extra.elements];
  const nodes = [...structure.nodes, ...extra.nodes];
  const held = reachable(
    nodes.length,
    carrying,
    supports.map((support) => support.node),
  );
  // A tie holds up nothing: a piece that hangs on ties alone would swing.
  const ties = (extra.ties ?? []).filter(({ from, to }) => held[from.node] && held[to.node]);
  const all = [...carrying, ...ties];
  const kept = new Int32Array(all.length).fill(-1);
  const elements: BeamElement[] = [];
  all.forEach((element, k) => {
    if (!held[element.from.node]) return;
    kept[k] = elements.length;
    elements.push(element);
  });
  const problems = structure.members
    .filter(({ elements: own }) => own.some((k) => k >= 0) && own.every((k) => k < 0 || kept[k]! < 0))
    .map(({ member }): StructureProblem => ({ code: 'stands on nothing', memberId: member.id, atMm: 0 }));
  return {
    model: {
      nodes,
      elements,
      supports,
      warpTies: structure.warpTies.filter((tie) => held[tie.node]),
      youngsMpa: YOUNGS_MODULUS_MPA,
      shearMpa: SHEAR_MODULUS_MPA,
      shearDeforms: true,
    },
    kept,
    problems,
  };
}

function reachable(count: number, elements: readonly BeamElement[], from: readonly number[]): Uint8Array {
  const neighbours: number[][] = Array.from({ length: count }, () => []);
  for (const { from: a, to: b } of elements) {
    neighbours[a.node]!.push(b.node);
    neighbours[b.node]!.push(a.node);
  }
  const seen = new Uint8Array(count);
  const queue = [...from];
  for (const node of queue) seen[node] = 1;
  for (const node of queue)
    for (const other of neighbours[node]!)
      if (!seen[other]) {
        seen[other] = 1;
        queue.push(other);
      }
  return seen;
}
