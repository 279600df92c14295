import fc from 'fast-check';
import {
  addTo,
  factorise,
  freeMode,
  multiply,
  nodeOrder,
  skyline,
  solveFactored,
  type Skyline,
} from './skyline';

/** A chain of springs between neighbours and a few across, each node held a little: symmetric and positive. */
function springs(
  size: number,
  across: readonly (readonly [number, number, number])[],
  held: number,
): Skyline {
  const first = Int32Array.from({ length: size }, (_, k) => Math.max(0, k - 1));
  for (const [i, j] of across) first[Math.max(i, j)] = Math.min(first[Math.max(i, j)]!, i, j);
  const matrix = skyline(size, first);
  const spring = (i: number, j: number, k: number) => {
    addTo(matrix, i, i, k);
    addTo(matrix, j, j, k);
    addTo(matrix, i, j, -k);
  };
  for (let k = 1; k < size; k++) spring(k - 1, k, 100 + k);
  for (const [i, j, k] of across) if (i !== j) spring(i, j, k);
  for (let k = 0; k < size; k++) addTo(matrix, k, k, held);
  return matrix;
}
const place = (size: number) =>
  fc.tuple(
    fc.integer({ min: 0, max: size - 1 }),
    fc.integer({ min: 0, max: size - 1 }),
    fc.double({ min: 1, max: 1000, noNaN: true }),
  );

test('what was solved gives the right side back, whatever hangs on what', () => {
  fc.assert(
    fc.property(
      fc.array(place(24), { maxLength: 12 }),
      fc.array(fc.double({ min: -10, max: 10, noNaN: true }), { minLength: 24, maxLength: 24 }),
      (across, rightSide) => {
        const matrix = springs(24, across, 0.5);
        const x = solveFactored(factorise(matrix), Float64Array.from(rightSide));
        multiply(matrix, x).forEach((value, k) => expect(Math.abs(value - rightSide[k]!)).toBeLessThan(1e-8));
      },
    ),
    { seed: 4, numRuns: 60 },
  );
});

test('two springs in a row by hand: 100 N over 1/101 + 1/102 to the wall', () => {
  const matrix = springs(3, [], 0);
  addTo(matrix, 0, 0, 1e12);
  const x = solveFactored(factorise(matrix), Float64Array.from([0, 0, 100]));
  expect(x[2]).toBeCloseTo(100 / 101 + 100 / 102, 6);
});

test('a chain that nothing holds loses its last pivot, and its free shape is the same everywhere', () => {
  const factors = factorise(springs(6, [[0, 4, 30]], 0));
  expect(factors.weakest.column).toBe(5);
  expect(factors.weakest.share).toBeLessThan(1e-12);
  for (const value of freeMode(factors, 5)) expect(value).toBeCloseTo(1, 9);
});

test('the order keeps neighbours close: a ladder given in the worst order comes out narrow, every node once, parts apart', () => {
  const rungs = 40;
  const shuffled = Array.from({ length: 2 * rungs }, (_, k) => (k * 37) % (2 * rungs));
  const neighbours: number[][] = Array.from({ length: 2 * rungs + 2 }, () => []);
  const tie = (a: number, b: number) => {
    neighbours[shuffled[a]!]!.push(shuffled[b]!);
    neighbours[shuffled[b]!]!.push(shuffled[a]!);
  };
  for (let k = 0; k < rungs; k++) {
    tie(2 * k, 2 * k + 1);
    if (k + 1 < rungs) [0, 1].forEach((side) => tie(2 * k + side, 2 * k + 2 + side));
  }
  const [loose, other] = [2 * rungs, 2 * rungs + 1];
  neighbours[loose]!.push(other);
  neighbours[other]!.push(loose);
  const order = nodeOrder(neighbours);
  expect([...order].sort((a, b) => a - b)).toEqual(neighbours.map((_, k) => k));
  const at = new Map([...order].map((node, k) => [node, k]));
  const widest = Math.max(
    ...neighbours.flatMap((list, node) => list.map((next) => Math.abs(at.get(node)! - at.get(next)!))),
  );
  expect(widest).toBeLessThanOrEqual(4);
});
