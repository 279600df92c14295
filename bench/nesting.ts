/** Forty pieces on six sheets: how near what five seconds find comes to what a minute finds, and how much of it the first second has. */
import { randomLcg } from 'd3-random';
import { circleContour, roundedContour, type Contour, type Point } from '@/core/geometry';
import { nestFigures, nestSteps, type NestPart } from '@/core/shape';

const SHEETS = [{ id: 's', lengthMm: 2438, widthMm: 1219, count: 6 }];
const WAYS = { kerfMm: 1.5, gapMm: 5, edgeMm: 6, turns: 'quarter turns' } as const;
const MARKS_MS = [1000, 5000, 60_000];

function outline(kind: number, random: () => number): Contour {
  const [l, w] = [150 + 1200 * random(), 60 + 200 * random()];
  const t = 80 * random();
  const plate: Point[] = [
    [0, w / 2 - 20],
    [t, 0],
    [l - t, 0],
    [l, w / 2 - 20],
    [l, w / 2 + 20],
    [l - t, w],
    [t, w],
    [0, w / 2 + 20],
  ];
  const triangle: Point[] = [
    [0, 0],
    [2 * w, 0],
    [0, 2 * w],
  ];
  if (kind === 0) return roundedContour(plate, 10);
  return kind === 1 ? roundedContour(triangle, 0) : circleContour(w, w, w);
}

for (const seed of [0.1, 0.3, 0.7]) {
  const random = randomLcg(seed);
  const parts = Array.from({ length: 40 }, (_, k): NestPart => ({
    id: `p${k}`,
    outline: outline(k % 3 === 2 ? (k % 2 ? 1 : 2) : 0, random),
    inner: [],
    count: 1,
  }));
  const begun = performance.now();
  const found: { share: number; tries: number; sheets: number }[] = [];
  for (const { nest, tries } of nestSteps(parts, SHEETS, WAYS)) {
    if (performance.now() - begun < MARKS_MS[found.length]!) continue;
    found.push({ share: nestFigures(nest, parts, 6).ofStrips, tries, sheets: nest.sheets.length });
    if (found.length === MARKS_MS.length) break;
  }
  const [first, five, minute] = found as [(typeof found)[0], (typeof found)[0], (typeof found)[0]];
  console.log(
    `nesting, seed ${seed}: one second ${(first.share / minute.share).toFixed(3)}, five ${(five.share / minute.share).toFixed(3)} of what a minute finds (${(100 * minute.share).toFixed(1)} % of the strips, ${minute.sheets} sheets); ${five.tries} and ${minute.tries} tries`,
  );
}
