import { randomLcg } from 'd3-random';
import { facesOf, uOnFace, faceOf, type FaceId, type MemberShape } from '../../frame';
import { pathLength } from '../../geometry';
import type { WeldLine } from '..';
import {
  bowOf,
  figuresOf,
  MOST_RUNS,
  oneAfterAnother,
  orderSteps,
  pathBetween,
  skipByRule,
  tacksOf,
  thermalTable,
  unevenness,
  waitNowS,
  waitsOf,
  weldRuns,
  type OrderStep,
  type ToOrder,
  type WeldRun,
} from '.';
import { riseK } from '../../mechanics';
import { spread } from './order';
import { runHeatJ, runSeconds, warmestStartK } from './thermal';

const CHANNEL: MemberShape = { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 };
const BOX: MemberShape = { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 4 };
const line = (more: Partial<WeldLine> & Pick<WeldLine, 'path'>): WeldLine => ({
  id: 'A1',
  key: 'p upper edge 1',
  pieceId: 'p',
  kind: 'fillet',
  type: 'lap',
  place: 'upper edge',
  face: 'web',
  fromMm: 0,
  toMm: 0,
  lengthMm: pathLength(more.path),
  legMm: 5,
  minimumLegMm: 3,
  maximumLegMm: 6,
  thinnerMm: 6,
  wallMm: 6,
  style: 'continuous',
  position: 'horizontal',
  access: 'good',
  fillerNPerMm: 500,
  baseNPerMm: 600,
  ...more,
});
const along = (
  shape: MemberShape,
  face: FaceId,
  heightMm: number,
  [from, to]: [number, number],
  n: number,
) => {
  const u = uOnFace(faceOf(shape, face)!, heightMm);
  return line({
    id: `A${n}`,
    key: `p ${face} ${n}`,
    face,
    path: [
      [from, u],
      [to, u],
    ],
  });
};
const runsOf = (lines: readonly WeldLine[], shape: MemberShape = CHANNEL, plateMm = 5) =>
  weldRuns(shape, lines, () => plateMm);

/** Seeded seams of plates on a channel or a box: faces, heights, lengths and styles all drawn. */
function drawn(seed: number): ToOrder {
  const random = randomLcg(seed / 1000);
  const shape = random() < 0.5 ? CHANNEL : BOX;
  const count = 2 + Math.floor(random() * 5);
  const lines = Array.from({ length: count }, (_, n) => {
    const faces = facesOf(shape);
    const face = faces[Math.floor(random() * faces.length)]!;
    const from = 200 * random();
    const seam = along(shape, face.id, random() * face.widthMm, [from, from + 250 + 900 * random()], n + 1);
    return random() < 0.3
      ? { ...seam, style: 'skip' as const, runs: { lengthMm: 40, pitchMm: 90 } }
      : { ...seam, legMm: 3 + 3 * random() };
  });
  return {
    shape,
    runs: runsOf(lines, shape),
    section: { middle: [25, shape.depthMm / 2], ixMm4: 9e6, iyMm4: 1e6 },
  };
}
const lastOf = (steps: Iterable<OrderStep>): OrderStep => [...steps].at(-1)!;
const isPermutation = (order: readonly number[], count: number) =>
  order.length === count && new Set(order).size === count;

describe('runs of a line', () => {
  const seam = along(CHANNEL, 'web', 150, [100, 1100], 1);
  test('a continuous one is laid in steps of about 4 in that leave nothing out, each towards the middle', () => {
    const runs = runsOf([seam]);
    expect(runs).toHaveLength(10);
    expect(runs.reduce((sum, { lengthMm }) => sum + lengthMm, 0)).toBeCloseTo(1000, 9);
    expect(runs[0]!.path[0]![0]).toBeCloseTo(100, 9);
    expect(runs[0]!.path.at(-1)![0]).toBeCloseTo(200, 9);
    expect(runs[9]!.path[0]![0]).toBeCloseTo(1100, 9);
    expect(runs[9]!.path.at(-1)![0]).toBeCloseTo(1000, 9);
  });
  test('a run up the web lies at its middle, whichever way it is laid', () => {
    const up = (heightsMm: readonly [number, number]) => {
      const [from, to] = heightsMm.map((heightMm) => uOnFace(faceOf(CHANNEL, 'web')!, heightMm));
      return runsOf([
        line({
          path: [
            [100, from!],
            [100, to!],
          ],
        }),
      ]).map(({ at }) => at[1]);
    };
    expect(up([40, 160])).toEqual([expect.closeTo(100, 6)]);
    // In two: the second is laid towards the first.
    expect(up([20, 180])).toEqual([expect.closeTo(60, 6), expect.closeTo(140, 6)]);
  });
  test('in sheet in stitches of 1 in; from 1/8 in on it is plate', () => {
    expect(runsOf([{ ...seam, wallMm: 3.1 }])).toHaveLength(39);
    expect(runsOf([{ ...seam, wallMm: 3.2 }])).toHaveLength(10);
    expect(runsOf([seam], CHANNEL, 2)).toHaveLength(39);
  });
  test('a skip weld has its runs at its pitch and no more, and leaves metal between', () => {
    const runs = runsOf([{ ...seam, style: 'skip', runs: { lengthMm: 40, pitchMm: 120 } }]);
    expect(runs).toHaveLength(9);
    expect(runs[1]!.path[0]![0] - runs[0]!.path[0]![0]).toBeCloseTo(120, 9);
    expect(runs[0]!.lengthMm).toBe(40);
  });
  test('plugs are filled one by one; a seam left open has no runs', () => {
    const plug = line({
      ...seam,
      kind: 'plug',
      plugs: { count: 3, diameterMm: 11, strengthN: 1 },
      path: [
        [100, 50],
        [200, 50],
        [300, 50],
      ],
    });
    const runs = runsOf([plug]);
    expect(runs.map(({ path }) => path)).toEqual([[[100, 50]], [[200, 50]], [[300, 50]]]);
    expect(runs[0]!.volumeMm3).toBeCloseTo((Math.PI * 121 * 5) / 4, 9);
    expect(runsOf([{ ...seam, leftOpen: 'drains there' }])).toEqual([]);
  });
  test('nobody follows more than so many: runs are made longer, nothing is left out', () => {
    const long = Array.from({ length: 8 }, (_, n) => ({
      ...along(CHANNEL, 'web', 20 * n, [0, 6000], n + 1),
      style: 'runs to continuous' as const,
      runs: { lengthMm: 38, pitchMm: 38 },
    }));
    const runs = runsOf(long);
    expect(runs.length).toBeLessThanOrEqual(MOST_RUNS + long.length);
    expect(runs.reduce((sum, { lengthMm }) => sum + lengthMm, 0)).toBeCloseTo(48_000, 6);
  });
  test('part of a bent course', () => {
    const path = [
      [0, 0],
      [30, 0],
      [30, 40],
    ] as const;
    expect(pathBetween(path, 10, 50)).toEqual([
      [10, 0],
      [30, 0],
      [30, 20],
    ]);
    expect(pathLength(pathBetween(path, 0, 70))).toBeCloseTo(70, 9);
    // A place marked twice has no way of its own.
    expect(pathBetween([path[0], path[0], path[1]], 0, 10)).toEqual([
      [0, 0],
      [0, 0],
      [10, 0],
    ]);
  });
});

describe('the heat of a run', () => {
  const [first, second] = [
    runsOf([along(CHANNEL, 'web', 40, [100, 160], 1)])[0]!,
    runsOf([along(CHANNEL, 'web', 40, [170, 230], 2)])[0]!,
  ];
  const table = thermalTable(CHANNEL, [first, second]);

  test('as much as its metal brings, laid as fast as the arc works: 45 J/mm³, 3.3 kW', () => {
    expect(runHeatJ({ ...first, volumeMm3: 1000 })).toBe(45_000);
    expect(runSeconds({ ...first, volumeMm3: 1000 })).toBeCloseTo(45_000 / 3300, 12);
  });

  test.each([20, 60, 200])('%d s after it, three thirds of it are felt where the next begins', (sinceS) => {
    // Its thirds were laid a sixth, a half and five sixths of its way, the first of them longest ago.
    const expected = [1 / 6, 1 / 2, 5 / 6].reduce((sum, share) => {
      const [[from], [to]] = [first.path[0]!, first.path.at(-1)!];
      const apartMm = second.path[0]![0] - (from + share * (to - from));
      const ageS = sinceS + (1 - share) * runSeconds(first);
      return sum + riseK(runHeatJ(first) / 3, apartMm ** 2, ageS, second.thicknessMm);
    }, 0);
    expect(expected).toBeGreaterThan(0);
    expect(warmestStartK(table, [1], [{ run: 0, endedAgoS: sinceS }])).toBeCloseTo(expected, 9);
  });
});

describe('an order of runs', () => {
  const SEEDS = Array.from({ length: 30 }, (_, k) => 211 + 13 * k);
  const found = SEEDS.map((seed) => {
    const to = drawn(seed);
    const table = thermalTable(to.shape, to.runs);
    const figures = (order: readonly number[]) => figuresOf(table, order, to.section);
    const { best } = lastOf(orderSteps(to));
    return {
      to,
      best,
      rule: figures(skipByRule(to.runs)),
      plain: figures(oneAfterAnother(to.runs)),
      figures,
    };
  });
  test('on 30 seeded sets it is never worse than skipping by rule, in neither figure, and better on the mean in both', () => {
    for (const { to, best, rule, figures } of found) {
      expect(isPermutation(best.order, to.runs.length)).toBe(true);
      expect(figures(best.order)).toEqual(best.figures);
      expect(best.figures.warmestK).toBeLessThanOrEqual(rule.warmestK + 1e-9);
      expect(best.figures.uneven).toBeLessThanOrEqual(rule.uneven + 1e-12);
      const bow = (order: readonly number[]) =>
        bowOf(
          order.map((run) => to.runs[run]!),
          to.section,
        ).worstMm;
      expect(bow(best.order)).toBeLessThanOrEqual(bow(skipByRule(to.runs)) + 1e-12);
    }
    const mean = (of: (each: (typeof found)[number]) => number) =>
      found.reduce((sum, each) => sum + of(each), 0) / found.length;
    expect(mean(({ best, rule }) => best.figures.warmestK / rule.warmestK)).toBeLessThan(0.9);
    expect(mean(({ best, rule }) => best.figures.uneven / rule.uneven)).toBeLessThan(0.9);
  });
  test('by rule is cooler and more even than seam after seam, on the mean', () => {
    const better = (of: 'warmestK' | 'uneven') =>
      found.reduce((sum, { rule, plain }) => sum + rule[of] / plain[of], 0) / found.length;
    expect(better('warmestK')).toBeLessThan(0.8);
    expect(better('uneven')).toBeLessThan(0.8);
  });
  test('the same runs come to the same order', () => {
    expect(lastOf(orderSteps(found[3]!.to)).best.order).toEqual(found[3]!.best.order);
  });
  test('each next seam lies farthest from the last; nothing is left out, nothing laid twice', () => {
    const seams = [20, 60, 160, 100].map((heightMm, k) => along(CHANNEL, 'web', heightMm, [0, 100], k + 1));
    const runs = runsOf(seams);
    const order = skipByRule(runs);
    expect([...order].sort((a, b) => a - b)).toEqual(runs.map((_, k) => k));
    const begun = order.map((k) => runs[k]!.mark).filter((mark, k, all) => all.indexOf(mark) === k);
    // From 20: 160 is farthest, from there 60, then 100.
    expect(begun.map((mark) => mark.slice(0, 2))).toEqual(['A1', 'A3', 'A2', 'A4']);
  });
  test('one run, two runs and no run have an order too', () => {
    const [one, two] = [drawn(211), drawn(211)].map(({ runs, ...to }, k) => ({
      ...to,
      runs: runs.slice(0, k + 1),
    }));
    expect(lastOf(orderSteps(one!)).best.order).toEqual([0]);
    expect(lastOf(orderSteps(two!)).best.order).toHaveLength(2);
    expect(lastOf(orderSteps({ ...one!, runs: [] })).best.order).toEqual([]);
  });
  test('what somebody laid already is not laid again, and its heat counts', () => {
    const { to } = found[0]!;
    const laid = [0, 1, 2].map((run, k) => ({ run, endedAgoS: 60 - 20 * k }));
    const { best } = lastOf(orderSteps({ ...to, laid }));
    expect(best.order).toHaveLength(to.runs.length - 3);
    expect(best.order.some((run) => run < 3)).toBe(false);
    const cold = figuresOf(thermalTable(to.shape, to.runs), [3], { middle: [0, 0] });
    const warm = figuresOf(thermalTable(to.shape, to.runs), [3], { middle: [0, 0], laid });
    expect(cold.warmestK).toBe(0);
    expect(warm.warmestK).toBeGreaterThan(1);
  });
  test('each falls into the largest gap left', () => {
    expect(spread(8)).toEqual([0, 4, 2, 6, 1, 5, 3, 7]);
    expect(isPermutation(spread(11), 11)).toBe(true);
    expect(spread(1)).toEqual([0]);
  });
});

describe('shrinkage', () => {
  const section = { middle: [20, 100] as const, ixMm4: 9e6, iyMm4: 1e6 };
  test('one weld over the whole length bows it by 0.005 A d L²/I (Blodgett, from memory)', () => {
    const [top, L] = [along(CHANNEL, 'web', 160, [0, 2000], 1), 2000];
    const runs = runsOf([top]);
    const [dx, dy] = [runs[0]!.at[0] - 20, runs[0]!.at[1] - 100];
    const area = 5 ** 2 / 2;
    const expected = Math.hypot((0.005 * area * dy * L * L) / 9e6, (0.005 * area * dx * L * L) / 1e6);
    expect(bowOf(runs, section).endMm / expected).toBeCloseTo(1, 2);
  });
  test('two welds either side of the middle straighten each other in the end, not on the way', () => {
    const two = runsOf([
      along(CHANNEL, 'web', 160, [0, 1000], 1),
      along(CHANNEL, 'web', 40, [0, 1000], 2),
    ]).map((run) => ({ ...run, at: [20, run.at[1]] as const }));
    const { endMm, worstMm } = bowOf(two, section);
    expect(endMm).toBeLessThan(1e-9);
    expect(worstMm).toBeGreaterThan(0.01);
    const inTurn = skipByRule(two).map((run) => two[run]!);
    expect(bowOf(inTurn, section).worstMm).toBeLessThan(worstMm / 2);
    expect(unevenness(two, skipByRule(two), [20, 100])).toBeLessThan(
      unevenness(two, oneAfterAnother(two), [20, 100]),
    );
  });
  test('nothing laid bows nothing; a weld across bows nothing lengthwise', () => {
    expect(bowOf([], section)).toEqual({ endMm: 0, worstMm: 0 });
    const across: WeldRun = {
      ...runsOf([along(CHANNEL, 'web', 10, [0, 100], 1)])[0]!,
      path: [
        [50, 0],
        [50, 90],
      ],
    };
    expect(bowOf([across], section).endMm).toBe(0);
  });
});

describe('waiting', () => {
  const runs = runsOf([along(CHANNEL, 'web', 100, [0, 2000], 1)]);
  const table = thermalTable(CHANNEL, runs);
  test('beside what was just laid one waits, far from it one does not, and after a while neither', () => {
    const laid = (endedAgoS: number) => [{ run: 8, endedAgoS }];
    expect(waitNowS(table, 9, laid(5))).toBeGreaterThan(30);
    expect(waitNowS(table, 0, laid(5))).toBe(0);
    expect(waitNowS(table, 9, laid(900))).toBe(0);
  });
  test('one waits as long as it takes and no step of 15 s longer', () => {
    const laid = (endedAgoS: number) => [{ run: 8, endedAgoS }];
    const waitS = waitNowS(table, 9, laid(5));
    expect(waitS % 15).toBe(0);
    expect(waitNowS(table, 9, laid(5 + waitS))).toBe(0);
    expect(waitNowS(table, 9, laid(5 + waitS - 15))).toBe(15);
  });
  test('seam after seam one waits longer in all than skipping', () => {
    const sum = (order: readonly number[]) => waitsOf(table, order, []).reduce((all, each) => all + each, 0);
    expect(sum(skipByRule(runs))).toBeLessThan(sum(oneAfterAnother(runs)));
  });
  test('a wall goes round a closed section the shorter way', () => {
    const [left, right] = [along(BOX, 'outer', 5, [0, 100], 1), along(BOX, 'top', 70, [0, 100], 2)];
    const round = thermalTable(BOX, runsOf([left, right], BOX));
    expect(Math.sqrt(round.square[3]!)).toBeLessThan(75 * 2 + 150);
  });
});

test('tacks: the middle of every line, then its ends, then between; lines in turn', () => {
  const lines = [along(CHANNEL, 'web', 150, [0, 900], 1), along(CHANNEL, 'bottom', 60, [0, 900], 2)];
  const tacks = tacksOf(lines);
  expect(tacks.slice(0, 4).map(({ mark }) => mark)).toEqual(['A1', 'A2', 'A1', 'A2']);
  expect(tacks[0]!.alongMm).toBeGreaterThan(300);
  expect(tacks[0]!.alongMm).toBeLessThan(600);
  expect(tacks.slice(2, 6).map(({ alongMm }) => Math.round(alongMm))).toEqual([13, 13, 887, 887]);
  const own = tacks
    .filter(({ mark }) => mark === 'A1')
    .map(({ alongMm }) => alongMm)
    .sort((a, b) => a - b);
  for (let k = 1; k < own.length; k++) expect(own[k]! - own[k - 1]!).toBeLessThanOrEqual(152.5);
  // Half an inch in from both ends 874.6 mm lie between: in plate 152.4 apart at most, in sheet twenty of its thickness, in foil as in 1 mm.
  const countOf = (wallMm: number, lengthMm = 900) =>
    tacksOf([{ ...along(CHANNEL, 'web', 150, [0, lengthMm], 1), wallMm }]).length;
  expect([8, 2, 1, 0.5].map((wallMm) => countOf(wallMm))).toEqual([7, 23, 45, 45]);
  expect(countOf(8, 25.4 + 152.3)).toBe(2);
  expect(countOf(8, 25.4 + 152.5)).toBe(3);
  expect(countOf(8, 20)).toBe(1);
  expect(tacksOf([{ ...lines[0]!, leftOpen: 'drains there' }])).toEqual([]);
});
