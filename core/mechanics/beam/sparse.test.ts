import fc from 'fast-check';
import {
  addTo,
  eliminationOrder,
  emptyMatrix,
  factorise,
  freeMode,
  multiply,
  patternOf,
  solveFactored,
  stillness,
  type Matrix,
} from './sparse';

type Spring = readonly [one: number, other: number, stiffness: number];

/** Nodes of `each` unknowns, all pairs of unknowns of two nodes tied by a spring, each unknown held a little: symmetric and positive. */
function springs(nodes: number, each: number, ties: readonly Spring[], held: number) {
  const neighbours: number[][] = Array.from({ length: nodes }, () => []);
  for (const [i, j] of ties) {
    neighbours[i]!.push(j);
    neighbours[j]!.push(i);
  }
  const elimination = eliminationOrder(neighbours);
  const pattern = patternOf(
    elimination,
    neighbours.map(() => each),
  );
  const matrix = emptyMatrix(pattern);
  const firstOf = new Map(elimination.order.map((node, turn) => [node, pattern.first[turn]!]));
  const unknown = (node: number, k: number) => firstOf.get(node)! + k;
  for (const [i, j, stiffness] of ties)
    for (let a = 0; a < each; a++)
      for (let b = 0; b < each; b++) {
        const [p, q] = [unknown(i, a), unknown(j, b)];
        if (p === q) continue;
        addTo(matrix, p, p, stiffness);
        addTo(matrix, q, q, stiffness);
        addTo(matrix, p, q, -stiffness);
      }
  for (let k = 0; k < pattern.size; k++) addTo(matrix, k, k, held);
  return { matrix, unknown };
}

/** The whole matrix, column by column, without any pattern. */
const whole = (matrix: Matrix): Float64Array[] =>
  Array.from({ length: matrix.size }, (_, k) =>
    multiply(
      matrix,
      Float64Array.from({ length: matrix.size }, (_each, row) => (row === k ? 1 : 0)),
    ),
  );

const NODES = 14;
const place = fc.tuple(
  fc.integer({ min: 0, max: NODES - 1 }),
  fc.integer({ min: 0, max: NODES - 1 }),
  fc.double({ min: 1, max: 1000, noNaN: true }),
);
const CHAIN = Array.from({ length: NODES - 1 }, (_, k): Spring => [k, k + 1, 100 + k]);

test('what was solved gives the right side back, whatever hangs on what', () => {
  fc.assert(
    fc.property(
      fc.array(place, { maxLength: 12 }),
      fc.integer({ min: 1, max: 4 }),
      fc.array(fc.double({ min: -10, max: 10, noNaN: true }), { minLength: 56, maxLength: 56 }),
      (across, each, numbers) => {
        const { matrix } = springs(NODES, each, [...CHAIN, ...across], 0.5);
        const rightSide = Float64Array.from(numbers.slice(0, matrix.size));
        const x = solveFactored(factorise(matrix), rightSide);
        multiply(matrix, x).forEach((value, k) => expect(Math.abs(value - rightSide[k]!)).toBeLessThan(1e-8));
      },
    ),
    { seed: 4, numRuns: 60 },
  );
});

test('the matrix is symmetric, and each tie stands between its own two unknowns', () => {
  const { matrix, unknown } = springs(5, 2, [...CHAIN.slice(0, 4), [0, 4, 7], [1, 4, 9]], 0.25);
  const all = whole(matrix);
  for (let row = 0; row < matrix.size; row++)
    for (let column = 0; column < matrix.size; column++) expect(all[row]![column]).toBe(all[column]![row]!);
  expect(all[unknown(0, 1)]![unknown(4, 0)]).toBe(-7);
  expect(all[unknown(1, 0)]![unknown(4, 1)]).toBe(-9);
  expect(all[unknown(0, 0)]![unknown(2, 0)]).toBe(0);
  expect(all[unknown(0, 0)]![unknown(0, 0)]).toBe(2 * 100 + 2 * 7 + 0.25);
});

test('two springs in a row by hand: 100 N over 1/100 + 1/101 to the wall', () => {
  const { matrix, unknown } = springs(3, 1, CHAIN.slice(0, 2), 0);
  addTo(matrix, unknown(0, 0), unknown(0, 0), 1e12);
  const pushed = new Float64Array(3);
  pushed[unknown(2, 0)] = 100;
  expect(solveFactored(factorise(matrix), pushed)[unknown(2, 0)]).toBeCloseTo(100 / 100 + 100 / 101, 6);
});

test('a chain that nothing holds loses its last pivot, its free shape is the same everywhere; a hair holds it', () => {
  const ties: Spring[] = [...CHAIN.slice(0, 5), [0, 4, 30]];
  const { matrix } = springs(6, 1, ties, 0);
  const factors = factorise(matrix);
  expect(factors.suspects).toEqual([5]);
  for (const value of freeMode(factors, 5)) expect(value).toBeCloseTo(1, 9);
  expect(stillness(matrix, factors, 5)).toBeLessThan(1e-14);
  const hung = springs(6, 1, ties, 0).matrix;
  addTo(hung, 0, 0, 1e-6);
  // One hair of 1e-6 against the sum of all six diagonals, each spring counted at both of its ends.
  const held = factorise(hung);
  expect(held.suspects).toEqual([5]);
  expect(stillness(hung, held, 5) / (1e-6 / (2 * (5 * 100 + 10 + 30)))).toBeCloseTo(1, 6);
});

test('whoever has fewest neighbours goes first: a long ladder ties none to more than three, every node once, parts apart', () => {
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
  const { order, later } = eliminationOrder(neighbours);
  expect([...order].sort((a, b) => a - b)).toEqual(neighbours.map((_, k) => k));
  expect(Math.max(...later.map((list) => list.length))).toBeLessThanOrEqual(3);
  const turn = new Map(order.map((node, k) => [node, k]));
  later.forEach((list, k) => list.forEach((node) => expect(turn.get(node)!).toBeGreaterThan(k)));
});
