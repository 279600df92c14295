import { GAUGE_NUMBERS, gaugeThicknessMm } from '.';

/**
 * The standard gauge is a weight: pounds a square foot by number (the act of 1893, from memory), and a square
 * foot an inch thick weighs 41.82 lb. A second way to every thickness of the table.
 */
const POUNDS_PER_SQUARE_FOOT: readonly (readonly [number, number])[] = [
  [3, 10],
  [4, 9.375],
  [5, 8.75],
  [6, 8.125],
  [7, 7.5],
  [8, 6.875],
  [9, 6.25],
  [10, 5.625],
  [11, 5],
  [12, 4.375],
  [13, 3.75],
  [14, 3.125],
  [15, 2.8125],
  [16, 2.5],
  [17, 2.25],
  [18, 2],
  [19, 1.75],
  [20, 1.5],
  [21, 1.375],
  [22, 1.25],
  [23, 1.125],
  [24, 1],
  [25, 0.875],
  [26, 0.75],
  [27, 0.6875],
  [28, 0.625],
  [29, 0.5625],
  [30, 0.5],
];

test.each(POUNDS_PER_SQUARE_FOOT)('%d ga weighs %d lb a square foot', (gauge, pounds) => {
  const thickness = gaugeThicknessMm(gauge);
  expect(thickness.ok && Math.abs(thickness.value / 25.4 - pounds / 41.82)).toBeLessThan(0.0001);
});

test('there is no other gauge', () => {
  expect(GAUGE_NUMBERS).toEqual(POUNDS_PER_SQUARE_FOOT.map(([gauge]) => gauge));
  for (const gauge of [2, 31, 10.5, -3, NaN]) expect(gaugeThicknessMm(gauge).ok).toBe(false);
});
