import { LINE_LEVELS, type MapShape } from '@/core/probe';

/** Labels for the contour lines: where a ring crosses a station, highest on the sheet; the sheet's own edges are no contour. */
export function contourLabels(
  regions: readonly MapShape[],
  stationsMm: readonly number[],
  sheetMm: number,
): { level: number; stationMm: number; uMm: number }[] {
  return regions
    .filter((region) => LINE_LEVELS.includes(region.level))
    .flatMap((region) =>
      stationsMm.flatMap((stationMm) => {
        const crossings = region.rings
          .flatMap((ring) => ringCrossings(ring, stationMm))
          .filter((uMm) => uMm > 1 && uMm < sheetMm - 1);
        return crossings.length ? [{ level: region.level, stationMm, uMm: Math.min(...crossings) }] : [];
      }),
    );
}

function ringCrossings(ring: MapShape['rings'][number], stationMm: number): number[] {
  const crossings: number[] = [];
  for (let k = 1; k < ring.length; k++) {
    const [a, b] = [ring[k - 1]!, ring[k]!];
    if (a[0] > stationMm === b[0] > stationMm) continue;
    const uMm = a[1] + ((stationMm - a[0]) * (b[1] - a[1])) / (b[0] - a[0]);
    crossings.push(uMm);
  }
  return crossings;
}
