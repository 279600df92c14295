import { faceOf, onSheet, uOnFace, type CrackEnd, type Member, type Spot } from '../frame';
import { distance } from '../geometry';
import { unrolledPath, type Crack } from './crack';
import { LEAST_STOP_HOLE_MM, MOST_STOP_HOLE_MM, stopRadiusMm } from '../reference';

/** A hole at a crack's tip, or why none would hold it. Lengths mm. */
export type StopHole =
  | {
      readonly ok: true;
      /** What the criterion asks, and the drill at hand that is no smaller. */
      readonly needMm: number;
      readonly drillMm: number;
      /** Metal left between the hole and the next edge or fold. */
      readonly ligamentMm: number;
      /** Of the strip, what crack and hole leave. */
      readonly netShare: number;
    }
  | { readonly ok: false; readonly why: WhyNoHole; readonly needMm: number };
export const WHY_NO_HOLE = [
  'too big',
  'no drill',
  'too near an edge',
  'too near a hole',
  'tips too close',
  'end not found',
  'not reached',
] as const;
export type WhyNoHole = (typeof WHY_NO_HOLE)[number];

/** Between hole and edge, as for bolts: 1.5 diameters from the middle; two holes three apart (common practice, no source). */
const [FROM_EDGE, APART] = [1.5, 3];

/**
 * The hole that stops a crack: by ΔK/√ρ < 4√σy, not under the shop's least, of the drills at hand. `aheadMm`: from the tip to the next edge or fold;
 * `apartMm`: to the next tip of another crack; `holeMm`: to the rim of the next hole or bolt; `leftMm` and `widthMm`: metal still whole of the strip, and all of it.
 */
export function stopHole(
  deltaK: number,
  yieldMpa: number,
  drillsMm: readonly number[],
  room: {
    readonly aheadMm: number;
    readonly apartMm?: number;
    readonly holeMm?: number;
    readonly leftMm: number;
    readonly widthMm: number;
    /** Whether anybody knows where the end is, and can come at it. */
    readonly is?: CrackEnd;
  },
): StopHole {
  const needMm = Math.max(LEAST_STOP_HOLE_MM, 2 * stopRadiusMm(deltaK, yieldMpa));
  const not = (why: WhyNoHole): StopHole => ({ ok: false, why, needMm });
  if (room.is === 'not found') return not('end not found');
  if (room.is === 'runs under something') return not('not reached');
  if (!(needMm <= MOST_STOP_HOLE_MM)) return not('too big');
  const drillMm = [...drillsMm].sort((a, b) => a - b).find((mm) => mm >= needMm - ROUNDING_MM);
  if (drillMm === undefined) return not('no drill');
  if (room.aheadMm < FROM_EDGE * drillMm) return not('too near an edge');
  if (room.holeMm !== undefined && room.holeMm < FROM_EDGE * drillMm) return not('too near a hole');
  if (room.apartMm !== undefined && room.apartMm < APART * drillMm) return not('tips too close');
  return {
    ok: true,
    needMm,
    drillMm,
    ligamentMm: room.aheadMm - drillMm / 2,
    netShare: Math.max(0, room.leftMm - drillMm / 2) / room.widthMm,
  };
}
/** Sizes come as fractions of an inch turned into millimetres. */
const ROUNDING_MM = 1e-6;

/** One end of a crack that can run on, and the room a hole has there. */
export interface Tip {
  readonly end: 'first' | 'last';
  readonly spot: Spot;
  readonly aheadMm: number;
  readonly apartMm?: number;
  readonly holeMm?: number;
  readonly leftMm: number;
  readonly widthMm: number;
  readonly is: CrackEnd;
}

/** A crack's ends that lie in metal, each with what is ahead of it on its own face; an end in a hole's rim came from there. */
export function tipsOf(
  { shape, holes = [] }: Pick<Member, 'shape' | 'holes'>,
  crack: Crack,
  others: readonly Crack[],
): Tip[] {
  const points = unrolledPath(shape, crack.path);
  if (points.length < 2) return [];
  const us = points.map(([, u]) => u);
  const across = Math.max(...us) - Math.min(...us);
  const elsewhere = others
    .filter((other) => other.id !== crack.id && other.memberId === crack.memberId)
    .flatMap((other) => unrolledPath(shape, other.path));
  return (['first', 'last'] as const).flatMap((end): Tip[] => {
    const [tip, before] = end === 'first' ? [points[0]!, points[1]!] : [points.at(-1)!, points.at(-2)!];
    const spot = end === 'first' ? crack.path[0]! : crack.path.at(-1)!;
    const face = faceOf(shape, spot.face);
    if (!face) return [];
    const u = onSheet(shape, tip[1]);
    const aheadMm = tip[1] >= before[1] ? face.uStartMm + face.widthMm - u : u - face.uStartMm;
    // An end at the metal's own edge is where it came in.
    if (aheadMm < LEAST_AHEAD_MM) return [];
    const rims = holes
      .filter((hole) => hole.face === face.id)
      .map(
        (hole) => distance([hole.stationMm, uOnFace(face, hole.heightMm)], [tip[0], u]) - hole.diameterMm / 2,
      );
    const hole = Math.min(...rims);
    if (hole < LEAST_AHEAD_MM) return [];
    const apart = Math.min(...elsewhere.map((other) => distance(other, tip)));
    return [
      {
        end,
        spot,
        aheadMm,
        ...(Number.isFinite(apart) && { apartMm: apart }),
        ...(Number.isFinite(hole) && { holeMm: hole }),
        leftMm: Math.max(0, face.widthMm - across),
        widthMm: face.widthMm,
        is: endOf(crack, end),
      },
    ];
  });
}
const endOf = ({ startFound, finishFound, startUnder, finishUnder }: Crack, end: Tip['end']): CrackEnd => {
  const [found, under] = end === 'first' ? [startFound, startUnder] : [finishFound, finishUnder];
  return found ? 'found' : under ? 'runs under something' : 'not found';
};

/** As near as an edge crack's mouth is to its edge (ours), mm. */
const LEAST_AHEAD_MM = 4;
