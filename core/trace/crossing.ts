import { developedWidthMm, facesOf, isClosed, type MemberShape, type Spot } from '../frame';
import { intensityPerMpa, type CrackedStrip } from '../mechanics';
import { FORETOLD_SHARE } from '../reference';
import { pathLength } from '../geometry';
import { unrolledPath } from './crack';

/**
 * A crack as it lies across what bending pulls: from a free edge in, or with metal on both sides.
 *
 *      free edge ▏▔▔▔▔▔▔▔▔▔▔▔▔▔▔▔▔▔  a flange from its tip to the fold
 *                ▏━━━ a ━━━>            edge
 *                      <━━━ 2a ━━━>     centre
 */
export interface Crossing {
  readonly kind: 'edge' | 'centre';
  /** From the edge, or half its length, mm across the member. */
  readonly aMm: number;
  /** The face it lies in, where it lies in one; absent once it has gone round a fold. */
  readonly faceMm?: number;
  readonly wallMm: number;
}

export const WHY_NO_CROSSING = ['runs along', 'off the faces', 'all round'] as const;
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

/** Shells gave a flange crack held at its web 1.06 to 1.26 times less K than the unrolled wall says; past the fold it is good to a tenth. */
const [HELD_LESS, PAST_FOLD] = [1.26, 1.1];

/** K for one MPa between what holds a crack open least and most, √mm, at a length; `share` 0 for the least, 1 for the most. */
export function intensityBetween(crossing: Omit<Crossing, 'aMm'>, aMm: number, share: number): number {
  const strip = (widthMm: number): CrackedStrip => ({ kind: crossing.kind, widthMm });
  const wall = intensityPerMpa(strip(crossing.wallMm), aMm);
  if (crossing.faceMm === undefined || crossing.faceMm >= crossing.wallMm - 1)
    return wall * (1 / PAST_FOLD + share * (PAST_FOLD - 1 / PAST_FOLD));
  const face = intensityPerMpa(strip(crossing.faceMm), aMm);
  const [least, most] = [Math.min(wall / HELD_LESS, face), Math.max(wall, face)];
  return least + share * (most - least);
}

/** Past this length nothing is foretold, mm: six tenths of its face, or of the wall once it is past the fold. */
export const foretoldToMm = ({ kind, faceMm, wallMm }: Omit<Crossing, 'aMm'>): number =>
  (FORETOLD_SHARE * (faceMm ?? wallMm)) / (kind === 'centre' ? 2 : 1);
