/** Orders of runs on seeded seams: how much cooler and more even than skipping by rule, and in how long; a zone of twelve seams sized, against one section's properties. */
import { randomLcg } from 'd3-random';
import { facesOf, uOnFace, type MemberShape } from '@/core/frame';
import { figuresOf, orderSteps, skipByRule, thermalTable, weldRuns, type WeldLine } from '@/core/join';

const SHAPE: MemberShape = { kind: 'channel', depthMm: 203, flangeMm: 76, thicknessMm: 6.35 };
const SECTION = { middle: [20, 101] as const, ixMm4: 12e6, iyMm4: 1.2e6 };

function lines(seams: number, random: () => number): WeldLine[] {
  return Array.from({ length: seams }, (_, k): WeldLine => {
    const face = facesOf(SHAPE)[Math.floor(random() * 3)]!;
    const u = uOnFace(face, random() * face.widthMm);
    const from = 300 * random();
    const lengthMm = 300 + 1200 * random();
    return {
      id: `A${k + 1}`,
      key: `p ${k}`,
      pieceId: 'p',
      kind: 'fillet',
      type: 'lap',
      place: 'upper edge',
      face: face.id,
      path: [
        [from, u],
        [from + lengthMm, u],
      ],
      fromMm: from,
      toMm: from + lengthMm,
      lengthMm,
      legMm: 4.76,
      minimumLegMm: 4.76,
      maximumLegMm: 4.76,
      thinnerMm: 4.76,
      wallMm: 5.5,
      style: 'continuous',
      position: 'horizontal',
      access: 'good',
      fillerNPerMm: 480,
      baseNPerMm: 470,
    };
  });
}

const SEEDS = Array.from({ length: 10 }, (_, k) => 0.05 + 0.09 * k);
for (const seams of [4, 8, 12]) {
  const found = SEEDS.map((seed) => {
    const runs = weldRuns(SHAPE, lines(seams, randomLcg(seed)), () => 4.76);
    const begun = performance.now();
    let last;
    for (const step of orderSteps({ shape: SHAPE, runs, section: SECTION })) last = step;
    const ms = performance.now() - begun;
    const rule = figuresOf(thermalTable(SHAPE, runs), skipByRule(runs), SECTION);
    const { figures } = last!.best;
    return {
      ms,
      runs: runs.length,
      warm: figures.warmestK / rule.warmestK,
      uneven: figures.uneven / rule.uneven,
    };
  });
  const mean = (of: (each: (typeof found)[number]) => number) =>
    found.reduce((sum, each) => sum + of(each), 0) / found.length;
  console.log(
    `runs, ${seams} seams (${Math.round(mean(({ runs }) => runs))} runs): warmest start ${mean(({ warm }) => warm).toFixed(2)}, unevenness ${mean(({ uneven }) => uneven).toFixed(2)} of skipping by rule; worst ${Math.max(...found.map(({ warm }) => warm)).toFixed(2)} and ${Math.max(...found.map(({ uneven }) => uneven)).toFixed(2)}; ${Math.round(mean(({ ms }) => ms))} ms, ${Math.round(Math.max(...found.map(({ ms }) => ms)))} at most`,
  );
}
