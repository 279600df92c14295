import fc from 'fast-check';
import {
  centreCrackFactor,
  driveAt,
  edgeCrackFactor,
  growthCurve,
  holeCrackFactor,
  integrateOverLog,
  intensityPerMpa,
  lengthAt,
  parisCycles,
} from '.';

/** Tada, Paris and Irwin's polynomial for an edge crack, good to half a percent up to 0.6 (from memory). */
const polynomial = (s: number) => 1.122 - 0.231 * s + 10.55 * s ** 2 - 21.71 * s ** 3 + 30.382 * s ** 4;

test.each([0.05, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6])(
  'edge crack, a/W %d: the tangent form and the polynomial within 1.2 %%',
  (s) => expect(Math.abs(edgeCrackFactor(s) / polynomial(s) - 1)).toBeLessThan(0.012),
);
test('past 0.6 the polynomial reads low: a quarter at 0.8', () => {
  expect(polynomial(0.8) / edgeCrackFactor(0.8)).toBeLessThan(0.8);
  expect(polynomial(0.8) / edgeCrackFactor(0.8)).toBeGreaterThan(0.7);
});
test('short cracks: 1.122 at an edge, 1 in the middle, 3.36 at a hole; far from a hole two halves are one crack', () => {
  expect(edgeCrackFactor(0)).toBeCloseTo(1.122, 9);
  expect(centreCrackFactor(0)).toBe(1);
  expect(holeCrackFactor(0, 1)).toBeCloseTo(3.3645, 4);
  expect(holeCrackFactor(0, 2)).toBeCloseTo(3.3645, 4);
  expect(holeCrackFactor(1, 2)).toBeCloseTo(1, 9);
  // One crack from a hole far away: half as long a crack, 1/√2 of its K.
  expect(holeCrackFactor(1, 1)).toBeCloseTo(Math.SQRT1_2, 2);
});
test.each([
  [0.5, 1.73, 1.83],
  [1, 1.37, 1.45],
  [2, 1.06, 1.21],
  [5, 0.81, 1.07],
])(
  'Bowie’s table, a/R %d: %d with one crack, %d with two, within 8 %% (Paris and Sih, from memory)',
  (ratio, one, two) => {
    const s = ratio / (1 + ratio);
    expect(Math.abs(holeCrackFactor(s, 1) / one - 1)).toBeLessThan(0.08);
    expect(Math.abs(holeCrackFactor(s, 2) / two - 1)).toBeLessThan(0.08);
  },
);
test('the secant in a strip half cracked: √(1/cos 45°)', () =>
  expect(centreCrackFactor(0.5)).toBeCloseTo(Math.sqrt(Math.SQRT2), 9));
test('no crack has no K; a strip that is through has no end to it', () => {
  expect(intensityPerMpa({ kind: 'edge', widthMm: 70 }, 0)).toBe(0);
  expect(intensityPerMpa({ kind: 'edge', widthMm: 70 }, -1)).toBe(0);
  expect(intensityPerMpa({ kind: 'edge', widthMm: 70 }, 69.9)).toBeLessThan(Infinity);
  expect(intensityPerMpa({ kind: 'edge', widthMm: 70 }, 70)).toBe(Infinity);
  expect(intensityPerMpa({ kind: 'centre', widthMm: 70 }, 35)).toBe(Infinity);
  expect(intensityPerMpa({ kind: 'centre', widthMm: 70 }, 34.9)).toBeLessThan(Infinity);
});
test('a wide plate has a closed answer: N = (a₀⁻½ − a₁⁻½) / (½ C (F Δσ √π)³)', () => {
  const [constant, range] = [2.18e-13, 80];
  const wide = (a: number) => 1.122 * Math.sqrt(Math.PI * a);
  const byHand = (5 ** -0.5 - 40 ** -0.5) / (0.5 * constant * (1.122 * range * Math.sqrt(Math.PI)) ** 3);
  expect(parisCycles(wide, { constant, exponent: 3 }, range, [5, 40]) / byHand).toBeCloseTo(1, 10);
});
test('a longer crack at equal stress never grows slower, less stress never shortens a life', () => {
  const mm = fc.double({ min: 1, max: 60, noNaN: true });
  const mpa = fc.double({ min: 5, max: 200, noNaN: true });
  fc.assert(
    fc.property(mm, mm, (one, other) => {
      const [a, b] = one < other ? [one, other] : [other, one];
      for (const strip of [
        { kind: 'edge', widthMm: 80 },
        { kind: 'centre', widthMm: 130 },
      ] as const)
        expect(intensityPerMpa(strip, b)).toBeGreaterThanOrEqual(intensityPerMpa(strip, a));
    }),
    { seed: 11, numRuns: 200 },
  );
  const law = { constant: 2.18e-13, exponent: 3 };
  const k = (a: number) => intensityPerMpa({ kind: 'edge', widthMm: 80 }, a);
  fc.assert(
    fc.property(mpa, mpa, mm, (one, other, a) => {
      const [low, high] = one < other ? [one, other] : [other, one];
      expect(parisCycles(k, law, low, [a, a + 10])).toBeGreaterThanOrEqual(
        parisCycles(k, law, high, [a, a + 10]),
      );
    }),
    { seed: 12, numRuns: 100 },
  );
});
test('the table of a path and the way back, and its ends', () => {
  const curve = growthCurve((a) => 50 * intensityPerMpa({ kind: 'edge', widthMm: 80 }, a), 3, [4, 60]);
  for (const a of [4, 7.3, 21, 59.9]) expect(lengthAt(curve, driveAt(curve, a))).toBeCloseTo(a, 9);
  const direct = integrateOverLog(
    (a) => (50 * intensityPerMpa({ kind: 'edge', widthMm: 80 }, a)) ** -3,
    4,
    30,
  );
  expect(driveAt(curve, 30) / direct).toBeCloseTo(1, 4);
  expect(lengthAt(curve, -1)).toBe(4);
  expect(lengthAt(curve, 1e9)).toBeCloseTo(60, 9);
  expect(driveAt(curve, 100)).toBe(curve.drive[curve.drive.length - 1]);
  expect(integrateOverLog((a) => a, 5, 5)).toBe(0);
});
