import { crossingsOn } from '../frame';
import { inchesToMm } from '../quantity';
import { BETWEEN_HEAT_ZONES_MM, cyclesToCrack, type FatigueId } from '../reference';
import type { Repair } from '../shape';
import { nearest, plateEnd, type MemberPicture, type PlateEnd } from '../weigh';
import type { JobDemand } from './demand';

/** One end of a piece, or a joint of its lengths, and what the road asks of the metal there, beside what the maker put nearby. */
export type JudgedEnd = PlateEnd & {
  readonly stationMm: number;
  readonly isJoint: boolean;
  readonly category: FatigueId;
};

/** An end and its spot are one within this, mm. */
const SAME_MM = 1;

/** Every end and joint of a repair's pieces that the frame's demand, as repaired, judged, each station once by its worst; undefined where it has not been worked out. */
export function plateEndsOf(
  demand: JobDemand | undefined,
  memberId: string,
  { pieces }: Pick<Repair, 'pieces'>,
): JudgedEnd[] | undefined {
  const of = (state: 'as built' | 'as repaired') =>
    demand?.[state]?.members.find((each) => each.memberId === memberId);
  const repaired = of('as repaired');
  if (!repaired || !demand?.['as repaired']?.isDriven) return undefined;
  const joints = pieces.flatMap((piece) => piece.joints ?? []);
  const places = [...pieces.flatMap(({ startMm, endMm }) => [startMm, endMm]), ...joints];
  const isAt = (stationMm: number) => (mm: number) => Math.abs(mm - stationMm) <= SAME_MM;
  return repaired.spots
    .filter((spot) => spot.atPlateEnd && places.some(isAt(spot.stationMm)))
    .filter((spot, k, all) => all.findIndex(({ stationMm }) => stationMm === spot.stationMm) === k)
    .map((spot) => ({
      ...plateEnd(spot, of('as built')),
      stationMm: spot.stationMm,
      category: spot.category,
      isJoint: joints.some(isAt(spot.stationMm)),
    }));
}

/** Looked at every so far along, and no farther than this many depths of the member, mm. */
const LOOK_MM = inchesToMm(1);
const FARTHEST_DEPTHS = 3;

/**
 * The nearest place further out where an end that cracks sooner than what the maker put nearby would not: the road asks less there, or the maker's own
 * detail stands nearer. Clear of the heat of crossmembers' welds; undefined where there is none near, or the end is a joint.
 */
export function calmerPlace(
  demand: JobDemand | undefined,
  { frame, member }: Pick<MemberPicture, 'frame' | 'member'>,
  { pieces }: Pick<Repair, 'pieces'>,
  { stationMm, category }: JudgedEnd,
): number | undefined {
  const isHere = (mm: number) => Math.abs(mm - stationMm) <= SAME_MM;
  const outward = pieces.some(({ startMm }) => isHere(startMm))
    ? -1
    : pieces.some(({ endMm }) => isHere(endMm))
      ? 1
      : undefined;
  const of = (state: 'as built' | 'as repaired') =>
    demand?.[state]?.members.find((each) => each.memberId === member.id);
  const along = of('as repaired')?.along;
  if (outward === undefined || !along || along.length === 0) return undefined;
  const crossings = crossingsOn(frame, member);
  const isCalm = (mm: number) => {
    const { rangeMpa } = nearest(along, mm);
    const cycles = cyclesToCrack(category, rangeMpa);
    const spot = { stationMm: mm, what: '', category, rangeMpa, cycles, atPlateEnd: true };
    return plateEnd(spot, of('as built')).says !== 'worse than nearby';
  };
  const steps = Math.floor((FARTHEST_DEPTHS * member.shape.depthMm) / LOOK_MM);
  return Array.from({ length: steps }, (_, k) => stationMm + outward * (k + 1) * LOOK_MM).find(
    (mm) =>
      mm > SAME_MM &&
      mm < member.lengthMm - SAME_MM &&
      crossings.every((each) => Math.abs(each.stationMm - mm) >= BETWEEN_HEAT_ZONES_MM + LOOK_MM) &&
      isCalm(mm),
  );
}
