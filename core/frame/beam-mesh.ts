import { minus } from '../geometry';
import {
  type BeamElement,
  type BeamProfile,
  type ElementEnd,
  type Vector3,
  type WarpTie,
} from '../mechanics';
import { steel, YOUNGS_MODULUS_MPA } from '../reference';
import type { FittingKind } from './fitting';
import type { Frame, Member } from './frame';
import { type Placement } from './placement';
import { type Beam, along, size, type Joint } from './beam-joints';
import { elementEnd } from './beam-ends';

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

/** A member's section over a stretch of it (its middle, half its length), about its reference point; undefined where no metal is left. */
export type ProfileAt = (member: Member, stationMm: number, halfMm: number) => BeamProfile | undefined;

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

/** A frame being meshed. */
export interface Mesh {
  readonly beams: readonly { readonly member: Member; readonly placement: Placement }[];
  readonly joints: readonly Joint[];
  readonly nodes: Vector3[];
  readonly elements: BeamElement[];
  readonly warpTies: WarpTie[];
  readonly problems: StructureProblem[];
}

/** One member's elements, station to station; where no metal is left there is none. */
export function meshMember(
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

export function meshStations(
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
export function sharedNodes(
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

function nearestIndex(sorted: readonly number[], mm: number): number {
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
