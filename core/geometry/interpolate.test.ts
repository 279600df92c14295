import { interpolateLinear } from '.';

test.each([
  ['nothing in an empty table', [], [], 3, undefined],
  ['the one value there is', [10], [7], 3, 7],
  ['the first before it begins', [0, 10], [1, 3], -5, 1],
  ['straight between two', [0, 10], [1, 3], 5, 2],
  ['a value where it stands', [0, 4, 10], [1, 5, 3], 4, 5],
  ['the last beyond the end', [0, 10], [1, 3], 12, 3],
] as const)('%s', (_, at, values, x, answer) => {
  expect(interpolateLinear(at, values, x)).toBe(answer);
});
