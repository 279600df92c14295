import { hostOf, type Member } from '../../frame';
import type { Footing, Measures, WorkPlace } from './work';

/** Metal this near counts as under it, mm (ours: 1 in; the heat of a weld, and half the distance between two places of a map). */
const NEAR_MM = 25;

/** Every member that the work's host hangs on, about where it does. */
export function aboutHost(place: Pick<WorkPlace, 'frame' | 'on' | 'id'>): Footing[] {
  const { frame, on, id } = place;
  const host = on === 'member' ? undefined : hostOf(frame, on, id);
  return (host?.spans ?? []).map(({ memberId, fromMm, toMm }) => ({
    memberId,
    fromMm: fromMm - NEAR_MM,
    toMm: toMm + NEAR_MM,
    overPlate: true,
  }));
}

/** So far each way of the work's station. */
export const aboutStation = ({ member, stationMm }: WorkPlace, eachWayMm: number): Footing => ({
  memberId: member.id,
  fromMm: stationMm - eachWayMm,
  toMm: stationMm + eachWayMm,
  overPlate: true,
});

/** Old metal past both cuts of a length let in, as far as its plates reach. */
export const pastCuts = ({ id }: Pick<Member, 'id'>, of: Measures): Footing[] =>
  [
    [of.fromMm! - Math.max(NEAR_MM, of.pastMm!), of.fromMm!],
    [of.toMm!, of.toMm! + Math.max(NEAR_MM, of.pastMm!)],
  ].map(([fromMm, toMm]) => ({ memberId: id, fromMm: fromMm!, toMm: toMm!, overPlate: false }));

/** Metal at both ends of an opening, as far as what closes it laps. */
export const pastOpening = ({ id }: Pick<Member, 'id'>, of: Measures): Footing[] =>
  [-1, 1].map((way) => {
    const edgeMm = of.atMm! + (way * of.longMm!) / 2;
    const outMm = edgeMm + way * Math.max(NEAR_MM, of.lapMm!);
    return {
      memberId: id,
      fromMm: Math.min(edgeMm, outMm),
      toMm: Math.max(edgeMm, outMm),
      overPlate: false,
    };
  });
