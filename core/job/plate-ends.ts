import type { Repair } from '../shape';
import { plateEnd, type PlateEnd } from '../weigh';
import type { JobDemand } from './demand';

/** One end of a piece and what the road asks of the metal there, beside what the maker put nearby. */
export type JudgedEnd = PlateEnd & { readonly stationMm: number };

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
  const ends = pieces.flatMap(({ startMm, endMm, joints = [] }) => [startMm, endMm, ...joints]);
  return repaired.spots
    .filter((spot) => spot.atPlateEnd && ends.some((mm) => Math.abs(mm - spot.stationMm) <= SAME_MM))
    .filter((spot, k, all) => all.findIndex(({ stationMm }) => stationMm === spot.stationMm) === k)
    .map((spot) => ({ ...plateEnd(spot, of('as built')), stationMm: spot.stationMm }));
}
