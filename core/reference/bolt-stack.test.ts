import {
  boltHoleMm,
  boltLengthMm,
  boltShearN,
  boltSlipN,
  boltStack,
  METRIC_BOLTS,
  oversizeHoleMm,
  WASHER_MM,
} from '.';

const inch = (inches: number) => 25.4 * inches;

describe('a bolt through a stack', () => {
  test('1/2 in through 1/4 and 1/4: by hand 1 1/2 long, 1/4 of shank, a good eighth past the nut', () => {
    const stack = boltStack(inch(1 / 2), [inch(1 / 4), inch(1 / 4)])!;
    // Grip 1/2, washers 5/16, nut 7/16, two threads 2/13: 1.404, so 1 1/2.
    expect(stack.lengthMm).toBeCloseTo(inch(1.5), 9);
    expect(stack.shankMm).toBeCloseTo(inch(1.5 - 1.25), 9);
    expect(stack.threadLeftMm).toBeCloseTo(inch(1.5 - 0.5 - 2 * (5 / 32) - 7 / 16), 9);
    expect(stack.washers).toBe(2);
    expect(stack.isShankInPlanes).toBe(false);
  });
  test('a long grip keeps thread out of the planes between its plates', () => {
    const stack = boltStack(inch(1 / 2), [inch(1), inch(1), inch(1 / 2)])!;
    expect(stack.isShankInPlanes).toBe(true);
    expect(stack.shankMm).toBeLessThanOrEqual(stack.gripMm + stack.washers * WASHER_MM + 1e-9);
  });
  test('whatever the grip, two threads stand past the nut and the nut grips before its thread ends', () => {
    for (const size of [3 / 8, 7 / 16, 1 / 2, 5 / 8, 3 / 4])
      for (let grip = 0.1; grip < 3; grip += 0.07) {
        const stack = boltStack(inch(size), [inch(grip / 2), inch(grip / 2)]);
        if (!stack) continue;
        expect(stack.threadLeftMm).toBeGreaterThan((2 * 25.4) / 20 - 1e-6);
        expect(stack.shankMm).toBeLessThanOrEqual(stack.gripMm + stack.washers * WASHER_MM + 1e-6);
        const quarters = stack.lengthMm / inch(1 / 4);
        expect(quarters - Math.round(quarters)).toBeCloseTo(0, 6);
      }
  });
  test('an M12 through 6 and 6: by hand 35 long, 5 of shank, past its nut as much as is left', () => {
    const stack = boltStack(12, [6, 6])!;
    // Grip 12, washers 5, nut 10.8, two threads 3.5: 31.3, so 35; thread 2 × 12 + 6.
    expect(stack.lengthMm).toBe(35);
    expect(stack.shankMm).toBe(5);
    expect(stack.threadLeftMm).toBeCloseTo(35 - 12 - 5 - 10.8, 9);
    expect(boltLengthMm(12, 12)).toBe(35);
    expect(boltHoleMm(12)).toBe(13);
    expect(boltHoleMm(16)).toBe(18);
  });
  test.each([...METRIC_BOLTS])(
    'an M%d: two threads past the nut by whole 5 mm, whatever the grip',
    (size, of) => {
      for (let grip = 3; grip < 60; grip += 1.3) {
        const stack = boltStack(size, [grip / 2, grip / 2]);
        if (!stack) continue;
        expect(stack.threadLeftMm).toBeGreaterThanOrEqual(2 * of.pitchMm - 1e-6);
        expect(stack.lengthMm % 5).toBeCloseTo(0, 9);
        expect(stack.lengthMm - 5).toBeLessThan(
          stack.gripMm + stack.washers * of.washerMm + of.nutMm + 2 * of.pitchMm,
        );
      }
    },
  );
  test('coats on both faces of each plate lengthen the grip', () => {
    const [bare, coated] = [0, 0.1].map((coatMm) => boltStack(inch(1 / 2), [6, 6], { coatMm })!);
    expect(coated!.gripMm - bare!.gripMm).toBeCloseTo(0.4, 9);
  });
});

test('bare faces slip well before a bolt shears: 1/2 in grade 8 at 0.30 × 1.13 × T_b over 1.5 (AISC J3.8, from memory)', () => {
  const area = 0.7854 * (0.5 - 0.9743 / 13) ** 2 * 25.4 ** 2;
  const proof = 120 * 6.894757;
  expect(boltSlipN(6, inch(1 / 2))).toBeCloseTo((0.3 * 1.13 * 0.75 * proof * area) / 1.5, 1);
  expect(boltSlipN(6, inch(1 / 2))!).toBeLessThan(boltShearN(6, inch(1 / 2))!);
  expect(boltSlipN(2, inch(1 / 2))).toBeUndefined();
});

test('an oversize locating hole has its limit', () => {
  expect(oversizeHoleMm(inch(7 / 8))).toBeCloseTo(inch(7 / 8 + 3 / 16), 9);
  expect(oversizeHoleMm(inch(1))).toBeCloseTo(inch(1.25), 9);
});
