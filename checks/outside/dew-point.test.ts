import { dewPointC } from '@/core/order';

/**
 * DIN 4108-3, table of dew points by air temperature and humidity, °C to a tenth (from memory): what building trades print on their cards.
 */
const TABLE: readonly (readonly [airC: number, humidity: number, dewC: number])[] = [
  [30, 0.5, 18.4],
  [30, 0.7, 23.9],
  [25, 0.5, 13.9],
  [25, 0.6, 16.7],
  [20, 0.5, 9.3],
  [20, 0.7, 14.4],
  [20, 0.8, 16.4],
  [15, 0.6, 7.3],
  [15, 0.8, 11.6],
  [10, 0.5, 0.1],
  [10, 0.8, 6.7],
];

test.each(TABLE)('air of %d °C at %d: %d °C, as the table prints it', (airC, humidity, dewC) =>
  expect(Math.abs(dewPointC(airC, humidity)! - dewC)).toBeLessThanOrEqual(0.11),
);
test('saturated air wets what is as cold as itself', () => {
  for (const airC of [-10, 0, 5, 20, 40]) expect(dewPointC(airC, 1)).toBeCloseTo(airC, 9);
});
test.each([0, -0.1, 1.01, Number.NaN])('air of humidity %d is no air', (humidity) =>
  expect(dewPointC(20, humidity)).toBeUndefined(),
);
