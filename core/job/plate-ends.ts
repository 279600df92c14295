import type { Repair } from '../shape';
import { plateEnd, type PlateEnd } from '../weigh';
import type { JobDemand } from './demand';

/** One end of a piece, or a joint of its lengths, and what the road asks of the metal there, beside what the maker put nearby. */
export type JudgedEnd = PlateEnd & { readonly stationMm: number; readonly isJoint: boolean };

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
      isJoint: joints.some(isAt(spot.stationMm)),
    }));
}
