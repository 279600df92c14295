import { randomLcg } from 'd3-random';
import type { CaseResult } from '../../mechanics';
import type { SolvedFrame, Structure } from '../../frame';
import { flexShapes } from './flex-shapes';

type At = readonly [x: number, y: number, z: number];
const shapesOf = (nodes: readonly At[], movedBy: (at: At) => At) => {
  const displacements = Float64Array.from(nodes.flatMap((at) => [...movedBy(at), 0, 0, 0]));
  const structure = { nodes, members: [] } as unknown as Structure;
  const result = { displacements } as unknown as CaseResult;
  return flexShapes(structure, { cases: [{ id: 'standing', result }] } as unknown as SolvedFrame);
};
const random = randomLcg(0.4711);
const NODES = Array.from({ length: 30 }, (): At => [6000 * random(), 900 * random() - 450, 200 * random()]);

test('a frame that only sinks, tilts and rolls on its springs is drawn as it stands', () => {
  const { movedMm } = shapesOf(NODES, ([x, y]) => [3, -2, -12 + 0.001 * x - 0.004 * y]).cases[0]!;
  for (const mm of movedMm) expect(mm).toBeCloseTo(0, 9);
});

test('what is left of any other movement leans no way: nothing of it is a plane any more', () => {
  const sag = (x: number) => -((x / 1000 - 3) ** 2);
  const { movedMm } = shapesOf(NODES, ([x, y]) => [x / 1e4, y / 1e3, sag(x) + 0.002 * x + y / 500]).cases[0]!;
  const up = NODES.map((_, node) => movedMm[3 * node + 2]!);
  const sum = (weight: (at: At) => number) => NODES.reduce((all, at, k) => all + weight(at) * up[k]!, 0);
  for (const [weight, scale] of [
    [() => 1, 1],
    [([x]: At) => x, 6000],
    [([, y]: At) => y, 450],
  ] as const)
    expect(sum(weight) / scale).toBeCloseTo(0, 6);
  for (const axis of [0, 1])
    expect(NODES.reduce((all, _, node) => all + movedMm[3 * node + axis]!, 0)).toBeCloseTo(0, 9);
  // The sag itself is all there: as far as its ends stand above its middle.
  expect(Math.max(...up) - Math.min(...up)).toBeGreaterThan(5);
});

test('nodes in one line lean no way that could be told: only their mean is taken off', () => {
  const line = NODES.map(([x]): At => [x, 0, 0]);
  const { movedMm } = shapesOf(line, ([x]) => [0, 0, x / 1000]).cases[0]!;
  const middle = line.reduce((sum, [x]) => sum + x, 0) / line.length;
  line.forEach(([x], node) => expect(movedMm[3 * node + 2]).toBeCloseTo((x - middle) / 1000, 9));
});
