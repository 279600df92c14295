import fc from 'fast-check';
import {
  lengthDigits,
  parseDistanceKm,
  parseLengthMm,
  parseMeasuredMm,
  parsePlaceMm,
  litresToQuarts,
  parseMassKg,
  parseVolumeLitres,
  printDistance,
  printSpeed,
  printForce,
  printLength,
  printLineForce,
  printMass,
  printStress,
  printTorque,
  sixteenths,
  sectionUnit,
  significant,
  valueOf,
  percent,
} from '.';

const mm = (text: string, bare: 'in' | 'mm' = 'in') => valueOf(parseLengthMm(text, bare));

test.each([
  ['3/16', 4.7625],
  ['10ga', 3.4163],
  ['10 ga', 3.4163],
  ['4.7mm', 4.7],
  ['14-3/8', 365.125],
  ['14 3/8', 365.125],
  ['1\' 2"', 355.6],
  ['0.118', 2.9972],
  ['.118"', 2.9972],
  ["1'", 304.8],
  ['1\' 2-1/2"', 368.3],
  ['1.5 in', 38.1],
  ['96', 2438.4],
  ['2.4 m', 2400],
  ['0', 0],
  ['⅜', 9.525],
  ['7½', 190.5],
  ['7 ½', 190.5],
  ['14⅜"', 365.125],
  ['11,5', 292.1],
  ['4,7mm', 4.7],
  ['0,118', 2.9972],
  [',118', 2.9972],
  ['1\u00a03/8', 34.925],
])('%s is %d mm', (text, expected) => expect(mm(text)).toBeCloseTo(expected, 4));

test('a bare number follows the unit shown; a fraction is always inches', () => {
  expect(mm('40', 'mm')).toBe(40);
  expect(mm('3/16', 'mm')).toBeCloseTo(4.7625, 6);
  expect(mm('2"', 'mm')).toBeCloseTo(50.8, 6);
});

test.each(['', 'abc', '3/0', '-2', '99ga', '1,500', '1,2,3', "1' x", '3/16/2', 'NaN', 'Infinity'])(
  '%p is refused with a reason',
  (text) => {
    const outcome = parseLengthMm(text, 'in');
    expect(outcome.ok).toBe(false);
    expect(!outcome.ok && outcome.reason.length).toBeGreaterThan(5);
  },
);

test('printing: sixteenths, decimals, millimetres, minus sign', () => {
  expect(sixteenths(14.374)).toBe('14 3/8');
  expect(sixteenths(0.01)).toBe('0');
  expect(sixteenths(-0.26)).toBe('-1/4');
  expect(printLength(2.9972, 'in', 'thickness')).toBe('0.118 in');
  expect(printLength(2.9972, 'mm', 'thickness')).toBe('3.0 mm');
  expect(lengthDigits(NaN, 'in', 'length')).toBe('–');
  expect(significant(1234.5, 3)).toBe('1230');
  expect([NaN, Infinity, -Infinity].map((value) => significant(value, 3))).toEqual(['–', '–', '–']);
  expect(sectionUnit(4, 'in')).toBe('in⁴');
  expect(sectionUnit(3, 'mm')).toBe('cm³');
  expect(significant(0.0012345, 3)).toBe('0.00123');
  expect(percent(0.604)).toBe('60 %');
});

test('what is printed in sixteenths reads back within half a sixteenth', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 8000, noNaN: true }), (length) => {
      expect(Math.abs(mm(lengthDigits(length, 'in', 'length')) - length)).toBeLessThanOrEqual(
        25.4 / 32 + 1e-9,
      );
    }),
    { seed: 1, numRuns: 200 },
  );
});

test.each([
  ['26,000', 'in', 11793.40162],
  ['26000 lb', 'mm', 11793.40162],
  ['11 800', 'mm', 11800],
  ['4000kg', 'in', 4000],
] as const)('weight %s in %s', (text, system, kg) => {
  const parsed = parseMassKg(text, system);
  expect(parsed.ok && parsed.value).toBeCloseTo(kg, 4);
});

test.each(['', 'heavy', '-4', '0', '4 stone', 'kg'])('%j is no weight', (text) => {
  expect(parseMassKg(text, 'in')).toMatchObject({ ok: false, reason: expect.stringContaining('pounds') });
});

test.each([
  ['26,000', 'in', 11793.4],
  ['26000 lb', 'mm', 11793.4],
  ['26000', 'mm', 26000],
  ['11800kg', 'in', 11800],
  ['11,5', 'mm', 11.5],
  ['11,5 t', 'in', 11500],
  ['1,234,567', 'mm', 1_234_567],
  ['2 500', 'mm', 2500],
  ['1234.567', 'mm', 1234.567],
] as const)('a weight of %s, shown in %s, is %d kg', (text, system, kg) =>
  expect(valueOf(parseMassKg(text, system))).toBeCloseTo(kg, 1),
);
test.each(['', 'heavy', '0', '-5', '11,5,2', '26.000', '1.2.3', '9'.repeat(41)])(
  'a weight of %p is asked about',
  (text) => expect(parseMassKg(text, 'mm').ok).toBe(false),
);
test('a length of forty signs is read, of forty-one not', () => {
  expect(valueOf(parseLengthMm('2mm'.padStart(40, '0'), 'in'))).toBeCloseTo(2, 6);
  expect(parseLengthMm('2mm'.padStart(41, '0'), 'in').ok).toBe(false);
});
test('a long cell is turned down before it is looked at', () => {
  for (const text of [`${'1 '.repeat(20_000)}x`, `${' '.repeat(80_000)}1`, '1-'.repeat(40_000)]) {
    expect(parseLengthMm(text, 'in')).toMatchObject({
      ok: false,
      reason: expect.stringContaining('too long'),
    });
    expect(parseMassKg(text, 'in').ok).toBe(false);
  }
});

describe('places along an axis', () => {
  test.each([
    ['-60', -1524],
    ['−14 3/8', -365.125],
    ['- 4.7mm', -4.7],
    ['12', 304.8],
    ['0', 0],
  ])('%s', (text, mm) => expect(valueOf(parsePlaceMm(text, 'in'))).toBeCloseTo(mm, 9));
  test.each(['-', '--3', '-tall', ''])('%p is no place', (text) =>
    expect(parsePlaceMm(text, 'in').ok).toBe(false),
  );
});

test.each([
  ['30', 'in', 48.28032],
  ['30', 'mm', 30],
  ['48 km', 'in', 48],
  ['81,234 mi', 'mm', 130733.45],
  ['0', 'in', 0],
  ['1 mile', 'mm', 1.609344],
] as const)('%s read in %s is %d km', (text, system, km) =>
  expect(valueOf(parseDistanceKm(text, system))).toBeCloseTo(km, 2),
);
test.each(['', 'far', '-3', '3 ft', '1e5', '9'.repeat(41)])('“%s” is no distance', (text) =>
  expect(parseDistanceKm(text, 'in').ok).toBe(false),
);
test.each([
  ['', undefined],
  ['  ', undefined],
  ['0', 0],
  ['0.0', 0],
  ['1/16', 1.5875],
] as const)('measured or not: “%s” is %p mm', (text, mm) =>
  expect(valueOf(parseMeasuredMm(text, 'in'))).toBe(mm),
);
test('what is neither is refused', () => expect(parseMeasuredMm('a lot', 'in').ok).toBe(false));
test('a speed is told as signs tell it', () => {
  expect(printSpeed(64.37376, 'in')).toBe('40 mph');
  expect(printSpeed(64.37376, 'mm')).toBe('64 km/h');
});
test('a distance is told in two figures, or in as many as were counted', () => {
  expect(printDistance(48.28032, 'in')).toBe('30 mi');
  expect(printDistance(1234, 'mm')).toBe('1200 km');
  expect(printDistance(130733.45, 'in', 6)).toBe('81234 mi');
});

test.each([
  ['1.5', 'mm', 1.5],
  ['0,75 l', 'in', 0.75],
  ['2', 'in', 1.892706],
  ['2 qt', 'mm', 1.892706],
  ['1 gal', 'mm', 3.785412],
  ['400 ml', 'in', 0.4],
] as const)('a volume: %s in %s is %d l', (text, system, litres) => {
  const read = valueOf(parseVolumeLitres(text, system));
  expect(read).toBeCloseTo(litres, 6);
  expect(litresToQuarts(read) * 0.946352946).toBeCloseTo(litres, 6);
});
test.each(['', '0', '-1', 'two', '1 kg', '1.2.3'])('no volume: "%s"', (text) => {
  expect(parseVolumeLitres(text, 'in')).toMatchObject({
    ok: false,
    reason: expect.stringContaining('quarts'),
  });
  expect(parseVolumeLitres(text, 'mm')).toMatchObject({
    ok: false,
    reason: expect.stringContaining('litres'),
  });
});

/** Conversions of NIST SP 811, appendix B.8 (from memory): 1 lbf = 4.448222 N, 1 ksi = 6.894757 MPa, 1 lbf·ft = 1.355818 N·m, 1 lb = 0.4535924 kg. */
test.each([
  [printForce(44482.22, 'in'), '10.0 kip'],
  [printForce(44482.22, 'mm'), '44.5 kN'],
  [printLineForce(175.1268, 'in'), '1.00 kip/in'],
  [printLineForce(175.1268, 'mm'), '175 N/mm'],
  [printTorque(135.5818, 'in'), '100 lbf·ft'],
  [printTorque(135.5818, 'mm'), '140 N·m'],
  [printStress(248.211, 'in'), '36 ksi'],
  [printStress(248.211, 'mm'), '250 MPa'],
  [printMass(45.35924, 'in'), '100 lb'],
  [printMass(45.35924, 'mm'), '45.4 kg'],
  [printMass(0.056245, 'in'), '0.124 lb'],
])('%s is %s', (printed, wanted) => expect(printed).toBe(wanted));

test.each([
  [0.9996, 3, '1.00'],
  [0.9994, 3, '0.999'],
  [99.96, 3, '100'],
  [9996, 3, '10000'],
  [-0.9996, 3, '-1.00'],
  [12.345, 3, '12.3'],
  [1234, 2, '1200'],
  [0.04567, 2, '0.046'],
])('%d to %d figures is %s', (value, figures, wanted) => expect(significant(value, figures)).toBe(wanted));
