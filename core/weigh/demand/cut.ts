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
import type { StateWall, WallAt } from './demand';

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
  readonly faceOfNode: readonly (Face['id'] | undefined)[];
  /** Whether a node is the wall's own: the others are plates'. */
  readonly isWall: readonly boolean[];
  /** First and last node of every face that has any, along the wall. */
  readonly edgesOfFace: ReadonlyMap<Face['id'], readonly [number, number]>;
  /** Whether any metal stands at a node: where a wall is gone there is no fibre to be stressed. */
  readonly hasMetal: readonly boolean[];
}

/** A stretch of a member: its middle and half its length. */
export interface Stretch {
  readonly stationMm: number;
  readonly halfMm: number;
}

export function cutOf(
  frame: Frame,
  member: Member,
  { stationMm, halfMm }: Stretch,
  { wallAt, braces }: Found,
): Cut | undefined {
  const wall = wallAt(member, stationMm, halfMm);
  if (!wall) return undefined;
  const seat = { ...referencePoint(member.shape), mirrored: placementOf(frame, member).mirrored };
  const warps = !isClosed(member.shape);
  const profileOf = (section: Section) => beamProfile(section, seat, warps);
  const profile = profileOf(wall.section);
  if (!profile) return undefined;
  const hand = seat.mirrored ? -1 : 1;
  const warp = profile.cwMm6 > 0 ? warping(wall.section) : undefined;
  const rows = rowsOfNodes(wall);
  const isWall = rows.map(({ away }) => away < ON_THE_WALL_MM ** 2);
  const faceOfNode = facesOfNodes(wall.surface, rows, isWall);
  return {
    ...wall,
    leastMm: wall.leastMm ?? wall.wallMm,
    profile,
    stiffness: bending(wall, profile, profileOf),
    strength: sectionStrength(
      wall,
      steel(member.steel),
      unbracedMm(frame, member, stationMm, braces),
      SHEAR_MODULUS_MPA,
    ),
    y: wall.section.xMm.map((x) => hand * (x - seat.xMm)),
    z: wall.section.yMm.map((y) => y - seat.yMm),
    omega: warp ? warp.omegaMm2.map((omega) => hand * omega) : new Float64Array(wall.section.xMm.length),
    faceOfNode,
    isWall,
    edgesOfFace: edgesOf(faceOfNode),
    hasMetal: nodesWithMetal(wall.section),
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

/** What a state of the frame was found to be: its walls, and which crossmembers still hold the rails sideways. */
export interface Found {
  readonly wallAt: WallAt;
  readonly braces: (crossmember: Member) => boolean;
}

/** Crossmembers that hold a rail on either side of a station. */
export function heldBy(frame: Frame, rail: Member, stationMm: number, braces: Found['braces']): Member[] {
  const holds = crossingsOn(frame, rail)
    .filter((crossing) => braces(crossing.member))
    .sort((a, b) => a.stationMm - b.stationMm);
  const before = holds.findLast((each) => each.stationMm <= stationMm);
  const after = holds.find((each) => each.stationMm > stationMm);
  return [before, after].flatMap((each) => (each ? [each.member] : []));
}

/** Crossmembers between those that hold on either side of a station, which hold no more. */
export function notHeldBy(frame: Frame, rail: Member, stationMm: number, braces: Found['braces']): Member[] {
  const all = heldBy(frame, rail, stationMm, () => true);
  const holding = heldBy(frame, rail, stationMm, braces);
  return all.filter((crossmember) => !holding.includes(crossmember));
}

/** Between the crossmembers that hold, on either side of a station of a rail; a whole member else. */
function unbracedMm(frame: Frame, member: Member, stationMm: number, braces: Found['braces']): number {
  if (member.role !== 'rail') return member.lengthMm;
  const holds = crossingsOn(frame, member)
    .filter((crossing) => braces(crossing.member))
    .map(({ stationMm: mm }) => mm);
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

function edgesOf(
  faceOfNode: readonly (Face['id'] | undefined)[],
): Map<Face['id'], readonly [number, number]> {
  const edges = new Map<Face['id'], readonly [number, number]>();
  faceOfNode.forEach((face, node) => {
    if (face !== undefined) edges.set(face, [edges.get(face)?.[0] ?? node, node]);
  });
  return edges;
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
