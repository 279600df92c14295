/** A crack foretold by two thousand resamples, against the one life by Paris's law that each of them would be by itself. */
import { randomLcg } from 'd3-random';
import { intensityPerMpa, parisCycles } from '@/core/mechanics';
import { foretell, type Crack, type CrackLook } from '@/core/trace';

const rail = {
  shape: { kind: 'channel', depthMm: 203.2, flangeMm: 76.2, thicknessMm: 6.35 } as const,
  lengthMm: 6000,
};
const seen = { memberId: 'rail', startFound: true, finishFound: true, by: 'RK', note: '' };
const crack: Crack = {
  kind: 'crack',
  id: 'crack',
  ...seen,
  seenBy: 'dye penetrant',
  path: [76.2, 58].map((heightMm) => ({ stationMm: 1000, face: 'bottom', heightMm })),
  at: '2026-01-01T00:00:00Z',
  usedKm: 0,
};
const looks = [1, 2, 3, 4].map((k): CrackLook => ({
  kind: 'crack look',
  id: `look ${k}`,
  crackId: 'crack',
  ...seen,
  seenBy: 'dye penetrant',
  startMm: 0,
  finishMm: 2.5 * k,
  loadedBy: '',
  at: `2026-0${k + 1}-01T00:00:00Z`,
  usedKm: 800 * k,
}));
const stress = { rangeMpa: 20, bumpMpa: 60, yieldMpa: 250 };

function medianMs(run: () => unknown, times = 15): number {
  const took = Array.from({ length: times }, () => {
    const begun = performance.now();
    run();
    return performance.now() - begun;
  });
  return took.sort((a, b) => a - b)[Math.floor(times / 2)]!;
}
const band = medianMs(() => {
  const growth = foretell(rail, crack, { looks, trips: [] }, stress, { random: randomLcg(0.3) });
  if (!growth.ok) throw new Error(growth.why);
  growth.foretold.lengthAfter(500);
});
const one = medianMs(() =>
  parisCycles(
    (a) => intensityPerMpa({ kind: 'edge', widthMm: 76.2 }, a),
    { constant: 2.18e-13, exponent: 3 },
    20,
    [18, 45],
  ),
);
console.log(
  `cracks: a band of 2000 resamples ${band.toFixed(1)} ms; one life ${one.toFixed(3)} ms; ${(band / (2000 * one)).toFixed(2)} of two thousand lives`,
);
