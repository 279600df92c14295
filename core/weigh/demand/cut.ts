import { beamProfile, inRow, warping, type BeamProfile, type Section } from '../../mechanics';
import {
  crossingsOn,
  isClosed,
  placementOf,
  referencePoint,
  SHEAR_MODULUS_MPA,
  type Face,
  type Frame,
  type Member,
  type Surface,
} from '../../frame';
import { steel } from '../../reference';
import { sectionStrength, type SectionStrength } from '../strength';
import { shearWalls, type ShearWalls } from './shear-walls';
import { fibresOf, type FaceEdges, type FaceFibres } from './fibre-nodes';
import type { StateWall } from './demand';

/** A section where an element is cut: what it is as a beam, what it can take, and its fibres. */
export interface Cut extends StateWall {
  readonly profile: BeamProfile;
  /** As it bends: softer than sound metal, stiffer than its weakest section. */
  readonly stiffness: BeamProfile;
  readonly leastMm: ArrayLike<number>;
  readonly strength: SectionStrength;
  readonly y: Float64Array;
  readonly z: Float64Array;
  readonly omega: Float64Array;
  /** Which of `edgesOfFace` each node is on; −1 on none. */
  readonly faceOfNode: Int8Array;
  /** Whether a node is the wall's own: the others are plates'. */
  readonly isWall: readonly boolean[];
  /** Every face that has any node, along the wall: its first and last. */
  readonly edgesOfFace: readonly FaceEdges[];
  /** Whether any metal stands at a node: where a wall is gone there is no fibre to be stressed. */
  readonly hasMetal: readonly boolean[];
  /** Nodes of which one is stressed most, whatever the forces. */
  readonly fibres: readonly FaceFibres[];
  /** What is left of its upright walls; absent where it has none. */
  readonly shear?: ShearWalls;
}

/** A stretch of a member: its middle and half its length. */
export interface Stretch {
  readonly stationMm: number;
  readonly halfMm: number;
}

export function cutOf(member: Member, wall: StateWall, { mirrored, unbracedMm }: Held): Cut | undefined {
  const seat = { ...referencePoint(member.shape), mirrored };
  const warps = !isClosed(member.shape);
  const profileOf = (section: Section) => beamProfile(section, seat, warps);
  const profile = profileOf(wall.section);
  if (!profile) return undefined;
  const hand = seat.mirrored ? -1 : 1;
  const warp = profile.cwMm6 > 0 ? warping(wall.section) : undefined;
  const rows = rowsOfNodes(wall);
  const isWall = rows.map(({ away }) => away < ON_THE_WALL_MM ** 2);
  const faces = facesOfNodes(wall.surface, rows, isWall);
  const edgesOfFace = edgesOf(faces);
  const leastMm = wall.leastMm ?? wall.wallMm;
  const strength = sectionStrength(wall, steel(member.steel), unbracedMm, SHEAR_MODULUS_MPA);
  const shear = shearWalls(wall.surface, leastMm, strength.yieldMpa);
  const y = wall.section.xMm.map((x) => hand * (x - seat.xMm));
  const z = wall.section.yMm.map((y) => y - seat.yMm);
  const omega = warp ? warp.omegaMm2.map((omega) => hand * omega) : new Float64Array(y.length);
  const faceOfNode = Int8Array.from(faces, (face) => edgesOfFace.findIndex(({ id }) => id === face));
  const hasMetal = nodesWithMetal(wall.section);
  return {
    ...wall,
    leastMm,
    profile,
    stiffness: bending(wall, profile, profileOf),
    strength,
    ...(shear && { shear }),
    y,
    z,
    omega,
    faceOfNode,
    isWall,
    edgesOfFace,
    hasMetal,
    fibres: fibresOf(wall.section, { y, z, omega, faceOfNode, edgesOfFace, hasMetal }),
  };
}

function bending(
  { bends }: StateWall,
  weakest: BeamProfile,
  profileOf: (section: Section) => BeamProfile | undefined,
): BeamProfile {
  const whole = bends && profileOf(bends.whole);
  if (!whole) return weakest;
  const along = bends.inRow.map(profileOf);
  return along.every((each) => each !== undefined) ? inRow(whole, along) : weakest;
}

/** How a member stands in its frame: which hand it is of, and how far it runs between what holds it sideways. */
export interface Held {
  readonly mirrored: boolean;
  readonly unbracedMm: number;
}

/** Which crossmembers still hold the rails sideways. */
export type Braces = (crossmember: Member) => boolean;
/** Crossmembers on a rail, by station. */
type Crossings = ReturnType<typeof crossingsOn>;

/** How every member of a frame is held, read from the frame once. */
export function heldIn(frame: Frame): (member: Member, braces: Braces) => (stationMm: number) => Held {
  const known = new Map<string, { readonly mirrored: boolean; readonly crossings: Crossings }>();
  const placed = (member: Member) => {
    const crossings = member.role === 'rail' ? crossingsOn(frame, member) : [];
    return { mirrored: placementOf(frame, member).mirrored, crossings };
  };
  return (member, braces) => {
    const here = known.get(member.id) ?? placed(member);
    known.set(member.id, here);
    const holds = here.crossings.filter((crossing) => braces(crossing.member)).map((each) => each.stationMm);
    return (stationMm) => ({ mirrored: here.mirrored, unbracedMm: unbracedMm(member, holds, stationMm) });
  };
}

/** Crossmembers that hold a rail on either side of a station. */
export function heldBy(frame: Frame, rail: Member, stationMm: number, braces: Braces): Member[] {
  const holds = crossingsOn(frame, rail)
    .filter((crossing) => braces(crossing.member))
    .sort((a, b) => a.stationMm - b.stationMm);
  const before = holds.findLast((each) => each.stationMm <= stationMm);
  const after = holds.find((each) => each.stationMm > stationMm);
  return [before, after].flatMap((each) => (each ? [each.member] : []));
}

/** Crossmembers between those that hold on either side of a station, which hold no more. */
export function notHeldBy(frame: Frame, rail: Member, stationMm: number, braces: Braces): Member[] {
  const all = heldBy(frame, rail, stationMm, () => true);
  const holding = heldBy(frame, rail, stationMm, braces);
  return all.filter((crossmember) => !holding.includes(crossmember));
}

/** Between the crossmembers that hold, on either side of a station of a rail; a whole member else. */
function unbracedMm(member: Member, holds: readonly number[], stationMm: number): number {
  if (member.role !== 'rail') return member.lengthMm;
  const before = Math.max(0, ...holds.filter((mm) => mm <= stationMm));
  const after = Math.min(member.lengthMm, ...holds.filter((mm) => mm > stationMm));
  return Math.max(after - before, 1);
}

/** On the wall's midline within this, mm. */
const ON_THE_WALL_MM = 0.05;

/** A strip of the plain wall, and how far a node lies from it, squared. */
interface NearRow {
  readonly row: number;
  readonly away: number;
}

/** The wall's strip nearest to each node of a section. */
function rowsOfNodes({ surface, section: { xMm, yMm }, wallMm }: StateWall): NearRow[] {
  const at = touching(surface);
  const { midline } = surface;
  const strips = midline.from.map((_, strip) => strip);
  return Array.from(xMm, (x, node): NearRow => {
    const y = yMm[node]!;
    // A section without cuts or plates has the wall's own nodes: the strips that meet there are the nearest.
    const isOwn = node < at.length && midline.xMm[node] === x && midline.yMm[node] === y;
    const own = isOwn && at[node]!.some((strip) => wallMm[strip]! > 0);
    return nearestRow(midline, wallMm, own ? at[node]! : strips, [x, y]);
  });
}

/** The strips that meet at each node of the plain wall. */
function touching({ midline: { xMm, from, to } }: Surface): number[][] {
  const at: number[][] = Array.from(xMm, () => []);
  for (let strip = 0; strip < from.length; strip++) {
    at[from[strip]!]!.push(strip);
    at[to[strip]!]!.push(strip);
  }
  return at;
}

/**
 * The face of every node that lies on the plain wall. A face with a carrying plate over it is left out: backed by its plate, the thin wall
 * beneath does not buckle by itself. Nodes of plates have no face.
 */
function facesOfNodes(
  { rowFace }: Surface,
  rows: readonly NearRow[],
  isWall: readonly boolean[],
): (Face['id'] | undefined)[] {
  const faces = rows.map(({ row }) => rowFace[row]!.id);
  const covered = new Set(faces.filter((_, node) => !isWall[node]));
  return faces.map((face, node) => (isWall[node] && !covered.has(face) ? face : undefined));
}

function edgesOf(faceOfNode: readonly (Face['id'] | undefined)[]): FaceEdges[] {
  const edges = new Map<Face['id'], FaceEdges>();
  faceOfNode.forEach((id, node) => {
    if (id !== undefined) edges.set(id, { id, first: edges.get(id)?.first ?? node, last: node });
  });
  return [...edges.values()];
}

function nodesWithMetal({ xMm, from, to, thicknessMm }: Section): boolean[] {
  const has = new Array<boolean>(xMm.length).fill(false);
  thicknessMm.forEach((mm, strip) => {
    if (mm > 0) has[from[strip]!] = has[to[strip]!] = true;
  });
  return has;
}

/** The strip nearest to a point, of those asked that have metal, and how far away it is, squared. */
function nearestRow(
  { xMm, yMm, from, to }: Surface['midline'],
  wallMm: ArrayLike<number>,
  strips: ArrayLike<number>,
  [x, y]: readonly [number, number],
): NearRow {
  let row = 0,
    away = Infinity;
  for (let k = 0; k < strips.length; k++) {
    const strip = strips[k]!;
    if (!(wallMm[strip]! > 0)) continue;
    const i = from[strip]!,
      j = to[strip]!;
    const dx = xMm[j]! - xMm[i]!,
      dy = yMm[j]! - yMm[i]!;
    const along = Math.min(Math.max(((x - xMm[i]!) * dx + (y - yMm[i]!) * dy) / (dx * dx + dy * dy), 0), 1);
    const awayX = xMm[i]! + along * dx - x,
      awayY = yMm[i]! + along * dy - y;
    const here = awayX * awayX + awayY * awayY;
    if (here < away) {
      row = strip;
      away = here;
    }
  }
  return { row, away };
}
