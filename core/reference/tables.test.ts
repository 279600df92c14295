import { inchesToMm, poundsToKg } from '../quantity';
import {
  ATMOSPHERES,
  DEFAULT_LEGAL,
  DEFAULT_NORMS,
  legalFor,
  METRIC_BOLTS,
  normsSchema,
  WALK_PROFILES,
} from '.';

/** EN 1090-2, table of nominal clearances for normal round holes (from memory): 1 mm up to M14, 2 mm up to M24, 3 mm from M27 on. */
const clearanceMm = (sizeMm: number): number => (sizeMm <= 14 ? 1 : sizeMm <= 24 ? 2 : 3);

test('a metric bolt’s hole is its clearance larger, its nut about 0.9 and its washer under a third of it high', () => {
  expect([...METRIC_BOLTS.keys()]).toEqual([6, 8, 10, 12, 14, 16, 20, 24, 30]);
  for (const [sizeMm, { holeMm, nutMm, washerMm, pitchMm }] of METRIC_BOLTS) {
    expect(holeMm).toBe(sizeMm + clearanceMm(sizeMm));
    expect(nutMm / sizeMm).toBeGreaterThan(0.83);
    expect(nutMm / sizeMm).toBeLessThan(0.93);
    expect(washerMm / sizeMm).toBeLessThan(1 / 3);
    // ISO 261, coarse: a seventh of a small size to a ninth of a large one.
    expect(sizeMm / pitchMm).toBeGreaterThanOrEqual(6);
    expect(sizeMm / pitchMm).toBeLessThan(9);
  }
});

test('each category of air begins where the one before ends', () => {
  const ranges = Object.values(ATMOSPHERES);
  expect(ranges.flat()).toEqual([1.3, 25, 25, 50, 50, 80, 80, 200, 200, 700]);
});

test('a prescribed reach is 12 in, or 300 mm', () => {
  expect(WALK_PROFILES['US, 12 in'].reachMm).toBe(inchesToMm(12));
  expect(WALK_PROFILES['UK, 300 mm'].reachMm).toBe(300);
});

test('hours from and to: alike is one figure, the other way round is refused', () => {
  const plate = (hours: readonly [number, number]) =>
    normsSchema.safeParse({ ...DEFAULT_NORMS, plate: hours }).success;
  expect([plate([2, 2]), plate([2, 3]), plate([3, 2])]).toEqual([true, true, false]);
});

const limitKg = poundsToKg(10_001);
test.each<[string, string, number | undefined]>([
  ['us-commercial', 'truck', limitKg],
  ['none', 'truck', limitKg - 1],
  ['us-commercial', 'truck', undefined],
  ['us-commercial', 'trailer', limitKg - 1],
  ['none', 'car', limitKg],
])(
  '%s is for a working %s of %p kg: with no weight on record the stricter one stands',
  (id, kind, grossMassKg) => {
    const chosen = legalFor(DEFAULT_LEGAL, { kind, duty: 'work', grossMassKg });
    expect(chosen === 'us-commercial').toBe(id === 'us-commercial');
  },
);
