import { randomLcg } from 'd3-random';
import type { MemberShape } from '../../frame';
import type { WeldRun } from './runs';
import { bowOf, unevenness, type BentSection } from './shrinkage';
import { thermalTable, warmestStartK, type LaidRun, type ThermalTable } from './thermal';

/** What an order is judged by: how warm its warmest start is when nobody waits, and how far shrinkage runs ahead. */
export interface OrderFigures {
  readonly warmestK: number;
  readonly uneven: number;
}

export interface Ordered {
  /** Numbers of the runs, in the order they are laid. */
  readonly order: readonly number[];
  readonly figures: OrderFigures;
}

export interface OrderStep {
  readonly best: Ordered;
  readonly tries: number;
  readonly of: number;
}

export interface ToOrder {
  readonly shape: MemberShape;
  readonly runs: readonly WeldRun[];
  readonly section: BentSection;
  /** Laid already, in their order. */
  readonly laid?: readonly LaidRun[];
}

/** Seam after seam, each from its front: what is done where nobody thinks of it. */
export const oneAfterAnother = (runs: readonly WeldRun[]): number[] => runs.map((_, k) => k);

/** Numbers below `count` so that each falls into the largest gap left (van der Corput): 0, ½, ¼, ¾ … */
export function spread(count: number): number[] {
  const bits = Math.ceil(Math.log2(Math.max(2, count)));
  return Array.from({ length: 2 ** bits }, (_, k) => reversed(k, bits)).filter((k) => k < count);
}
function reversed(k: number, bits: number): number {
  let out = 0;
  for (let bit = 0; bit < bits; bit++) if (k & (1 << bit)) out |= 1 << (bits - 1 - bit);
  return out;
}

/** Skipping by rule: runs of each seam spread over it, seams taken in turn, each next one the farthest across from the last. */
export function skipByRule(runs: readonly WeldRun[], among = oneAfterAnother(runs)): number[] {
  const bySeam = new Map<string, number[]>();
  for (const run of among) bySeam.set(runs[run]!.seam, [...(bySeam.get(runs[run]!.seam) ?? []), run]);
  const queues = acrossInTurn(runs, [...bySeam.values()]).map((seam) =>
    spread(seam.length).map((k) => seam[k]!),
  );
  const order: number[] = [];
  const longest = Math.max(0, ...queues.map(({ length }) => length));
  for (let round = 0; round < longest; round++)
    for (const queue of queues) {
      // A short seam's runs are spread over the rounds of the longest.
      const k = Math.floor((round * queue.length) / longest);
      const isNew = round === 0 || k !== Math.floor(((round - 1) * queue.length) / longest);
      if (isNew) order.push(queue[k]!);
    }
  return order;
}

/** Seams so that each next one lies farthest from the last in the section. */
function acrossInTurn(
  runs: readonly WeldRun[],
  seams: readonly (readonly number[])[],
): (readonly number[])[] {
  const left = [...seams];
  const out: (readonly number[])[] = left.splice(0, 1);
  const middle = (seam: readonly number[]) => runs[seam[seam.length >> 1]!]!;
  while (left.length > 0) {
    const from = middle(out.at(-1)!);
    const apart = left.map((seam) => {
      const to = middle(seam);
      return Math.hypot(
        to.at[0] - from.at[0],
        to.at[1] - from.at[1],
        (to.path[0]![0] - from.path[0]![0]) / 4,
      );
    });
    out.push(...left.splice(apart.indexOf(Math.max(...apart)), 1));
  }
  return out;
}

/** Starts asked for: enough that a search of them all takes about a second. */
const LOOKS = 6e6;
const [FEWEST, MOST] = [150, 6000];
const triesFor = (runs: number): number =>
  Math.round(Math.min(MOST, Math.max(FEWEST, LOOKS / Math.max(1, 1.5 * runs * runs))));

/**
 * Looks for an order of runs that spreads shrinkage and keeps starts cool, from the one by rule: each step of the generator is a few tries more. It is
 * never worse than the rule's in either figure, nor in the bow on the way. The same runs come to the same order on every device.
 */
export function* orderSteps(
  { shape, runs, section, laid = [] }: ToOrder,
  seed = 1,
): Generator<OrderStep, void> {
  const table = thermalTable(shape, runs);
  const done = laid.map(({ run }) => run);
  const isDone = new Set(done);
  const open = oneAfterAnother(runs).filter((run) => !isDone.has(run));
  const judge = judgeOf(table, laid, section.middle, done);
  const rule = judge(skipByRule(runs, open));
  const costOf = ({ warmestK, uneven }: OrderFigures) =>
    warmestK / Math.max(1, rule.figures.warmestK) + uneven / Math.max(1e-6, rule.figures.uneven);
  const worstBow = (order: readonly number[]) =>
    bowOf(
      [...done, ...order].map((run) => runs[run]!),
      section,
    ).worstMm;
  const ruleBow = worstBow(rule.order);
  const isNoWorse = ({ order, figures }: Ordered) =>
    figures.warmestK <= rule.figures.warmestK + 1e-9 &&
    figures.uneven <= rule.figures.uneven + 1e-12 &&
    worstBow(order) <= ruleBow + 1e-12;
  const random = randomLcg(seed / 1000 + 0.137);
  const of = open.length < 3 ? 1 : triesFor(open.length);
  let [standing, best] = [rule, rule];
  if (open.length < 2) return yield { best, tries: 1, of: 1 };
  for (let tries = 1; tries <= of; tries++) {
    const tried = judge(changed(standing.order, random));
    const warmth = COOLEST * (1 - tries / of);
    if (costOf(tried.figures) < costOf(standing.figures) + warmth * random()) standing = tried;
    if (costOf(tried.figures) < costOf(best.figures) - 1e-9 && isNoWorse(tried)) best = tried;
    if (tries % BACK_EVERY === 0) standing = best;
    if (tries % TOLD_EVERY === 0 || tries === of) yield { best, tries, of };
  }
}
/** How much worse, in parts of the rule's cost, may still be gone on from at first. */
const COOLEST = 0.08;
const BACK_EVERY = 400;
const TOLD_EVERY = 10;

const judgeOf =
  (
    table: ThermalTable,
    laid: readonly LaidRun[],
    middle: readonly [number, number],
    done: readonly number[],
  ) =>
  (order: readonly number[]): Ordered => ({
    order,
    figures: figuresOf(table, order, { laid, middle, done }),
  });

export const figuresOf = (
  table: ThermalTable,
  order: readonly number[],
  {
    laid = [],
    middle,
    done = [],
  }: {
    readonly laid?: readonly LaidRun[];
    readonly middle: readonly [number, number];
    readonly done?: readonly number[];
  },
): OrderFigures => ({
  warmestK: warmestStartK(table, order, laid),
  uneven: unevenness(table.runs, order, middle, done),
});

/** Two runs change places, one moves elsewhere, or a stretch of the order is turned round. */
function changed(order: readonly number[], random: () => number): number[] {
  const next = [...order];
  const [i, j] = [Math.floor(random() * next.length), Math.floor(random() * next.length)];
  const [low, high] = [Math.min(i, j), Math.max(i, j)];
  const way = random();
  if (way < 0.5) [next[i], next[j]] = [next[j]!, next[i]!];
  else if (way < 0.85) next.splice(j, 0, ...next.splice(i, 1));
  else next.splice(low, high - low + 1, ...next.slice(low, high + 1).reverse());
  return next;
}
