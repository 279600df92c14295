import { crossingsOn, type Frame, type Member } from '../../frame';
import { cyclesToCrack, type FatigueId } from '../../reference';
import type { Detail, FatigueSpot, StationDemand } from './demand';

export const nearest = (along: readonly StationDemand[], stationMm: number): StationDemand =>
  along.reduce((best, here) =>
    Math.abs(here.stationMm - stationMm) < Math.abs(best.stationMm - stationMm) ? here : best,
  );

/** Where a rail is welded, drilled or clamped: crossmember ends, hangers and brackets, recorded holes. */
export function fatigueSpots(
  frame: Frame,
  member: Member,
  along: readonly StationDemand[],
  details: readonly Detail[],
): FatigueSpot[] {
  if (member.role !== 'rail' || along.length === 0) return [];
  const startMm = member.startMm ?? 0;
  const seeds: (readonly [number, string, FatigueId, atPlateEnd?: true])[] = [
    ...crossingsOn(frame, member).map(
      (each) => [each.stationMm, each.member.name, each.member.joint === 'flange' ? 'E' : 'C'] as const,
    ),
    ...frame.members
      .filter((each) => each.role === 'outrigger' && each.side === member.side)
      .map((each) => [each.line!.from[0] - startMm, each.name, 'E'] as const),
    ...frame.fittings
      .filter(
        (mark) =>
          (mark.kind === 'spring hanger' ||
            mark.kind === 'steering gear' ||
            mark.kind === 'shock mount' ||
            mark.kind === 'control arm') &&
          (mark.side === 'both' || mark.side === member.side),
      )
      .map((mark) => [mark.stationMm - startMm, mark.name, 'D'] as const),
    ...(member.holes ?? []).map((hole) => [hole.stationMm, 'hole', 'D'] as const),
    ...details.map((detail) => [detail.stationMm, detail.what, detail.category, true] as const),
  ];
  return seeds
    .filter(([mm]) => mm >= 0 && mm <= member.lengthMm)
    .map(([stationMm, what, category, atPlateEnd = false]) => {
      const rangeMpa = nearest(along, stationMm).rangeMpa;
      return { stationMm, what, category, rangeMpa, cycles: cyclesToCrack(category, rangeMpa), atPlateEnd };
    })
    .sort((a, b) => a.cycles - b.cycles);
}
