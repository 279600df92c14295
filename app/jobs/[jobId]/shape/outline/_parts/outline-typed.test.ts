import { readPoints, turnedPlace, typedPoint } from './outline-typed';

const row = (x: string, y: string, round = false) => ({ x, y, round });

test('points in their unit, a minus to the left or down, fractions, empty rows passed over', () => {
  const made = readPoints([row('0', '0'), row('', ''), row('10 1/2', '-2'), row('3mm', '1', true)], 'in');
  if (!made.ok) throw new Error(made.reason);
  expect(made.value[1]!.xMm).toBeCloseTo(266.7, 6);
  expect(made.value[1]!.yMm).toBeCloseTo(-50.8, 6);
  expect(made.value[2]).toEqual({ xMm: 3, yMm: 25.4, round: true });
});

test.each([
  [row('1', ''), 'point 1, up'],
  [row('left', '1'), 'point 1, across'],
  [row('-', '1'), 'point 1, across'],
])('half a point is named', (typed, words) =>
  expect(readPoints([typed], 'mm')).toMatchObject({
    ok: false,
    reason: expect.stringContaining(words) as string,
  }),
);

test('turned to other units, a place to the left stays to the left', () => {
  const as = (text: string) => `${Number(text) * 25.4}`;
  expect(turnedPlace('-2', as)).toBe('-50.8');
  expect(turnedPlace('2', as)).toBe('50.8');
});

test('a point tapped reads back within what it is shown to', () => {
  for (const system of ['in', 'mm'] as const) {
    const back = readPoints([typedPoint({ xMm: 123.456, yMm: -7.89, round: true }, system)], system);
    if (!back.ok) throw new Error(back.reason);
    expect(Math.abs(back.value[0]!.xMm - 123.456)).toBeLessThan(0.13);
    expect(Math.abs(back.value[0]!.yMm + 7.89)).toBeLessThan(0.13);
    expect(back.value[0]!.round).toBe(true);
  }
});
