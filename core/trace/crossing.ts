import {
  developedWidthMm,
  faceOf,
  facesOf,
  isClosed,
  uOnFace,
  type Member,
  type MemberShape,
  type Spot,
} from '../frame';
import { centreCrackFactor, intensityPerMpa, type CrackedStrip } from '../mechanics';
import { FORETOLD_SHARE } from '../reference';
import { distance, pathLength, type Point } from '../geometry';
import { unrolledPath, type Crack } from './crack';

/**
 * A crack as it lies across what bending pulls: from a free edge in, or with metal on both sides.
 *
 *      free edge ▏▔▔▔▔▔▔▔▔▔▔▔▔▔▔▔▔▔  a flange from its tip to the fold
 *                ▏━━━ a ━━━>            edge
 *                      <━━━ 2a ━━━>     centre
 */
export interface Crossing {
  readonly kind: 'edge' | 'centre' | 'hole';
  /** From the edge, or half its length, mm across the member. */
  readonly aMm: number;
  /** The face it lies in, where it lies in one; absent once it has gone round a fold. */
  readonly faceMm?: number;
  readonly wallMm: number;
  /** The hole it starts at; `aMm` is then from the hole's own edge. */
  readonly radiusMm?: number;
}

export const WHY_NO_CROSSING = ['runs along', 'off the faces', 'all round', 'hole not known'] as const;
export type WhyNoCrossing = (typeof WHY_NO_CROSSING)[number];

/** Nearer to an edge than this a crack has come out of it, mm (a fillet's or a nick's width: ours). */
const AT_EDGE_MM = 4;
/** A crack that crosses less than this share of its length runs along the member: bending does not pull it open (ours). */
const ACROSS_SHARE = 0.5;

/** The unrolled edges of a wall that end in air. */
function freeEdges(shape: MemberShape): number[] {
  const faces = facesOf(shape);
  const ends = (face: { uStartMm: number; widthMm: number }) => [face.uStartMm, face.uStartMm + face.widthMm];
  if (isClosed(shape)) return [];
  // The flanges of a beam end in air on both sides; any other wall is one strip, folded.
  if (shape.kind === 'I' || shape.kind === 'built-up')
    return faces.filter(({ upright }) => !upright).flatMap(ends);
  return [0, developedWidthMm(shape)];
}

export function crossingOf(shape: MemberShape, path: readonly Spot[]): Crossing | WhyNoCrossing {
  const points = unrolledPath(shape, path);
  if (points.length < 2) return 'off the faces';
  const us = points.map(([, u]) => u);
  const [from, to] = [Math.min(...us), Math.max(...us)];
  const across = to - from;
  if (across < ACROSS_SHARE * pathLength(points)) return 'runs along';
  const wallMm = developedWidthMm(shape);
  if (isClosed(shape) && across >= wallMm - AT_EDGE_MM) return 'all round';
  const face = facesOf(shape).find(
    ({ uStartMm, widthMm }) => from >= uStartMm - AT_EDGE_MM && to <= uStartMm + widthMm + AT_EDGE_MM,
  );
  const isEdge = freeEdges(shape).some(
    (u) => Math.abs(from - u) < AT_EDGE_MM || Math.abs(to - u) < AT_EDGE_MM,
  );
  return {
    kind: isEdge ? 'edge' : 'centre',
    aMm: isEdge ? across : across / 2,
    ...(face && { faceMm: face.widthMm }),
    wallMm,
  };
}

/** A crack starts at a hole whose edge one of its ends lies as near to as this, mm (a tape's and a finger's width: ours). */
const AT_HOLE_MM = 15;

/**
 * A crack that was said to start at a hole, on a member whose holes are on record: from the hole's edge, where the metal is pulled three times as
 * hard. Without the hole's size nothing is said: taken for a plain crack it would look far milder.
 */
export function crossingOn(
  { shape, holes = [] }: Pick<Member, 'shape' | 'holes'>,
  { path, startsAt }: Pick<Crack, 'startsAt'> & { readonly path: readonly Spot[] },
): Crossing | WhyNoCrossing {
  const crossing = crossingOf(shape, path);
  if (typeof crossing === 'string' || startsAt !== 'hole' || crossing.kind === 'edge') return crossing;
  const points = unrolledPath(shape, path);
  const ends = [points[0]!, points[points.length - 1]!];
  const hole = holes.find(({ stationMm, face, heightMm, diameterMm }) => {
    const on = faceOf(shape, face);
    const middle: Point | undefined = on && [stationMm, uOnFace(on, heightMm)];
    return middle && ends.some((end) => distance(end, middle) < diameterMm / 2 + AT_HOLE_MM);
  });
  if (!hole) return 'hole not known';
  return { ...crossing, kind: 'hole', aMm: 2 * crossing.aMm, radiusMm: hole.diameterMm / 2 };
}

/** K at a hole: Bowie's in a wide plate, and with what the strip's width adds for hole and crack together (secant: ours). */
function atHole(radiusMm: number, aMm: number, widthMm: number): readonly [number, number] {
  const wide = intensityPerMpa({ kind: 'hole', radiusMm, cracks: 1 }, aMm);
  const s = (2 * radiusMm + 2 * aMm) / widthMm;
  return [wide, s < 1 ? wide * centreCrackFactor(s) : Infinity];
}

/** Shells gave a flange crack held at its web 1.06 to 1.26 times less K than the unrolled wall says; past the fold it is good to a tenth. */
const [HELD_LESS, PAST_FOLD] = [1.26, 1.1];

/** K for one MPa between what holds a crack open least and most, √mm, at a length; `share` 0 for the least, 1 for the most. */
export function intensityBetween(crossing: Omit<Crossing, 'aMm'>, aMm: number, share: number): number {
  if (crossing.kind === 'hole') {
    const [least, most] = atHole(crossing.radiusMm!, aMm, crossing.faceMm ?? crossing.wallMm);
    return least + share * (most - least);
  }
  const { kind } = crossing;
  const strip = (widthMm: number): CrackedStrip => ({ kind, widthMm });
  const wall = intensityPerMpa(strip(crossing.wallMm), aMm);
  if (crossing.faceMm === undefined || crossing.faceMm >= crossing.wallMm - 1)
    return wall * (1 / PAST_FOLD + share * (PAST_FOLD - 1 / PAST_FOLD));
  const face = intensityPerMpa(strip(crossing.faceMm), aMm);
  const [least, most] = [Math.min(wall / HELD_LESS, face), Math.max(wall, face)];
  return least + share * (most - least);
}

/** Past this length nothing is foretold, mm: six tenths of its face, or of the wall once it is past the fold. */
export function foretoldToMm({ kind, faceMm, wallMm, radiusMm = 0 }: Omit<Crossing, 'aMm'>): number {
  const most = FORETOLD_SHARE * (faceMm ?? wallMm);
  if (kind === 'hole') return Math.max(0, most / 2 - radiusMm);
  return kind === 'centre' ? most / 2 : most;
}
