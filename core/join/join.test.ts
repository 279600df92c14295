import { baseMetalStrengthNPerMm, filletStrengthNPerMm, filletThroatMm, plugStrengthN } from '../mechanics';
import { inchesToMm, ksiToMpa } from '../quantity';
import {
  chosenLegMm,
  FILLER_TENSILE_MPA,
  lapMm,
  maximumLegMm,
  minimumLegMm,
  plugHoleMm,
  shortestRunMm,
  steel,
  widestPitchMm,
  YOUNGS_MODULUS_MPA,
} from '../reference';
import { designShearN } from '.';

const kipPerInch = (nPerMm: number) => (nPerMm * 25.4) / 4448.2216;

/** Handbook figures (AISC ASD, from memory). */
test('a 1/16 in leg of 70 ksi filler carries 0.928 kip/in; the throat is 0.707 leg', () => {
  expect(kipPerInch(filletStrengthNPerMm(inchesToMm(1 / 16), FILLER_TENSILE_MPA))).toBeCloseTo(0.928, 3);
  expect(filletThroatMm(10)).toBeCloseTo(7.0711, 4);
});

test('0.108 in of A36 carries 1.56 kip/in, less than a 1/8 fillet’s 1.86: the base metal governs', () => {
  const a36 = steel('a36');
  const base = kipPerInch(baseMetalStrengthNPerMm(inchesToMm(0.108), a36.yieldMpa, a36.tensileMpa));
  expect(base).toBeCloseTo(1.56, 2);
  expect(kipPerInch(filletStrengthNPerMm(inchesToMm(1 / 8), FILLER_TENSILE_MPA))).toBeCloseTo(1.86, 2);
});

test('legs: least on the thinner part, 3/16 where loaded over and over, most along an edge', () => {
  expect(minimumLegMm(inchesToMm(1 / 4))).toBeCloseTo(inchesToMm(3 / 16), 9);
  expect(minimumLegMm(inchesToMm(1 / 8))).toBeCloseTo(inchesToMm(1 / 8), 9);
  expect(minimumLegMm(inchesToMm(3 / 8))).toBeCloseTo(inchesToMm(3 / 16), 9);
  expect(minimumLegMm(inchesToMm(5 / 8))).toBeCloseTo(inchesToMm(1 / 4), 9);
  expect(maximumLegMm(inchesToMm(3 / 16))).toBeCloseTo(inchesToMm(3 / 16), 9);
  expect(maximumLegMm(inchesToMm(1 / 4))).toBeCloseTo(inchesToMm(3 / 16), 9);
  expect(maximumLegMm(inchesToMm(3 / 8))).toBeCloseTo(inchesToMm(5 / 16), 9);
  for (const plate of [1 / 8, 3 / 16, 1 / 4, 5 / 16, 3 / 8])
    expect(chosenLegMm(inchesToMm(plate), inchesToMm(1 / 4))).toBeLessThanOrEqual(
      maximumLegMm(inchesToMm(plate)) + 1e-9,
    );
});

test('lap max(5t, 1 in); runs max(4 legs, 1 1/2 in); plug holes 7/16 for 1/8 and 9/16 for 3/16', () => {
  expect(lapMm(inchesToMm(1 / 8))).toBeCloseTo(inchesToMm(1), 9);
  expect(lapMm(inchesToMm(1 / 4))).toBeCloseTo(inchesToMm(1.25), 9);
  expect(shortestRunMm(inchesToMm(3 / 16))).toBeCloseTo(inchesToMm(1.5), 9);
  expect(shortestRunMm(inchesToMm(1 / 2))).toBeCloseTo(inchesToMm(2), 9);
  expect(plugHoleMm(inchesToMm(1 / 8))).toBeCloseTo(inchesToMm(7 / 16), 9);
  expect(plugHoleMm(inchesToMm(3 / 16))).toBeCloseTo(inchesToMm(9 / 16), 9);
  expect(plugStrengthN(inchesToMm(9 / 16), FILLER_TENSILE_MPA) / 4448.22).toBeCloseTo(
    0.3 * 70 * 0.7854 * (9 / 16) ** 2,
    2,
  );
  expect(widestPitchMm(inchesToMm(1 / 4), YOUNGS_MODULUS_MPA, ksiToMpa(36)) / 25.4).toBeCloseTo(
    (0.75 * Math.sqrt(29000 / 36)) / 4,
    6,
  );
});

test('design shear is bump 3 g on a sixth of the weight', () =>
  expect(designShearN(12_000)).toBeCloseTo(58_839.9, 0));
