import { inchesToMm } from '../quantity';
import { schoolEdgeMm, type School } from '../reference';
import { edgeAt, type SoundEdge } from './sound-edge';

/** A line along an upright face where metal is cut, heights up from the bottom corner; absent stations need no cut. */
export interface CutLine {
  readonly face: SoundEdge['face'];
  readonly points: readonly { readonly stationMm: number; readonly heightMm: number }[];
}

/** The opening cut takes the bottom out and comes this far up the sides: 3/8 in, between the 1/4 and 1/2 in of common practice. */
export const FIRST_CUT_UP_MM = 9.525;
/** The final cut stands in good metal this far above the edge's bound (our judgement: the band a weld needs beside its toe). */
const INTO_SOUND_MM = 3.2;
/** A cut follows the edge's highest bound within this far along: saws go straight (our judgement). */
const STRAIGHT_MM = 76;
const STEP_MM = inchesToMm(1);

/** The exploratory cut: level, along every zone of damage. */
export const firstCut = (
  edges: readonly SoundEdge[],
  zones: readonly { readonly fromMm: number; readonly toMm: number }[],
): CutLine[] =>
  edges.flatMap((edge) =>
    zones.map(({ fromMm, toMm }) => ({
      face: edge.face,
      points: [
        { stationMm: fromMm, heightMm: FIRST_CUT_UP_MM },
        { stationMm: toMm, heightMm: FIRST_CUT_UP_MM },
      ],
    })),
  );

/**
 * The cut after looking inside: over each zone, above the conservative bound of the edge, straightened along; never nearer to the top corner
 * than the school lets a plate's edge come, but for the school that cuts where rust ends. Zones with no bound on a face give no line there.
 */
export function finalCut(
  edges: readonly SoundEdge[],
  zones: readonly { readonly fromMm: number; readonly toMm: number }[],
  school: School,
): CutLine[] {
  return edges.flatMap((edge) =>
    zones.flatMap(({ fromMm, toMm }): CutLine[] => {
      const most =
        school === 'where rust ends' ? edge.faceHeightMm : edge.faceHeightMm - schoolEdgeMm(school);
      const count = Math.max(1, Math.round((toMm - fromMm) / STEP_MM));
      const stations = Array.from({ length: count + 1 }, (_, k) => fromMm + ((toMm - fromMm) * k) / count);
      const points = stations.flatMap((stationMm) => {
        const bounds = [-STRAIGHT_MM, 0, STRAIGHT_MM]
          .map((off) => edgeAt(edge, Math.min(Math.max(stationMm + off, fromMm), toMm)))
          .flatMap((at) => (at && at.kind !== 'not read further down' ? [at.upperMm] : []));
        return bounds.length
          ? [{ stationMm, heightMm: Math.min(most, Math.max(...bounds) + INTO_SOUND_MM) }]
          : [];
      });
      return points.length > 1 ? [{ face: edge.face, points }] : [];
    }),
  );
}
