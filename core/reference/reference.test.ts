import {
  BOLT_GRADES,
  boltGrade,
  isMetricBolt,
  METRIC_BOLTS,
  METRIC_GRADES,
  UNC_THREADS,
  chosenLegMm,
  DEFAULT_PRACTICE,
  lapMm,
  maximumLegMm,
  minimumLegMm,
  outsideLossMm,
  plugHoleMm,
  practiceSchema,
  proofLoadN,
  schoolEdgeMm,
  schoolMarginMm,
  weldableMm,
  shortestRunMm,
  steel,
  STEEL_IDS,
  tensileStressAreaMm2,
  widestPitchMm,
} from '.';

const inch = (inches: number) => inches * 25.4;
const KSI = 6.894757;

describe('steels', () => {
  test.each([
    ['a36', 36, 58],
    ['hot-rolled-50', 50, 65],
    ['heat-treated-110', 110, 125],
    ['aluminium-6061', 11, 24],
  ] as const)('%s yields at %d ksi and breaks at %d', (id, yieldKsi, tensileKsi) => {
    expect(steel(id).yieldMpa / KSI).toBeCloseTo(yieldKsi, 4);
    expect(steel(id).tensileMpa / KSI).toBeCloseTo(tensileKsi, 4);
  });

  test('what nobody knows is taken for no stronger than the mildest steel', () => {
    expect(steel('unknown').yieldMpa).toBeLessThanOrEqual(steel('a36').yieldMpa);
  });

  test('every steel names where its figures come from', () => {
    for (const id of STEEL_IDS) expect(steel(id).source).toBeDefined();
  });
});

/** Tensile stress areas, in²: ASME B1.1's table, three figures as handbooks print it (from memory). */
const STRESS_AREAS = [
  [1 / 4, 0.0318],
  [5 / 16, 0.0524],
  [3 / 8, 0.0775],
  [7 / 16, 0.1063],
  [1 / 2, 0.1419],
  [9 / 16, 0.182],
  [5 / 8, 0.226],
  [3 / 4, 0.334],
  [7 / 8, 0.462],
  [1, 0.606],
  [1.125, 0.763],
  [1.25, 0.969],
  [1.375, 1.155],
  [1.5, 1.405],
] as const;

describe('bolts', () => {
  test.each(STRESS_AREAS)('a %d in coarse bolt pulls on %d in²', (size, area) => {
    expect(tensileStressAreaMm2(inch(size))! / 645.16 / area).toBeCloseTo(1, 2);
  });

  test.each([inch(0.35), 10.4, 11, 12.2, inch(1.6)])('%d mm is no coarse size', (mm) => {
    expect(tensileStressAreaMm2(mm)).toBeUndefined();
    expect(proofLoadN(3, mm)).toBeUndefined();
  });

  test.each([
    [0, 3 / 4, 55, 74],
    [0, 7 / 8, 33, 60],
    [0, 1.5, 33, 60],
    [3, 1, 85, 120],
    [3, 1.125, 74, 105],
    [3, 1.5, 74, 105],
    [6, 1.5, 120, 150],
  ])('%d marks at %d in: proof %d ksi, tensile %d ksi', (marks, size, proof, tensile) => {
    const grade = boltGrade(marks, inch(size))!;
    expect(grade.proofMpa / KSI).toBeCloseTo(proof, 4);
    expect(grade.tensileMpa / KSI).toBeCloseTo(tensile, 4);
  });

  test('marks of no grade and bolts over 1½ in have none', () => {
    for (const marks of [1, 2, 4, 5, 7]) expect(boltGrade(marks, inch(1 / 2))).toBeUndefined();
    for (const { marks } of BOLT_GRADES) expect(boltGrade(marks, inch(1.51))).toBeUndefined();
    expect(boltGrade(3, 0)).toBeUndefined();
  });

  // Stress areas and proof loads of coarse threads as ISO 898-1 tables 4 and 5 print them (from memory).
  test.each([
    [8, 36.6, 21_200, 30_400],
    [10, 58, 33_700, 48_100],
    [12, 84.3, 48_900, 70_000],
    [14, 115, 66_700, 95_500],
    [16, 157, 91_000, 130_000],
    [20, 245, 147_000, 203_000],
    [24, 353, 212_000, 293_000],
  ])('an M%d pulls on %d mm²; proof load of class 8.8 %d N, of 10.9 %d N', (size, area, soft, hard) => {
    expect(tensileStressAreaMm2(size)! / area).toBeCloseTo(1, 2);
    expect(proofLoadN(8.8, size)! / soft).toBeCloseTo(1, 2);
    expect(proofLoadN(10.9, size)! / hard).toBeCloseTo(1, 2);
  });
  test('inch bolts have no metric class, metric ones no lines; between them lies no size that is both', () => {
    for (const { marks } of METRIC_GRADES) expect(boltGrade(marks, inch(1 / 2))).toBeUndefined();
    for (const marks of [0, 3, 6]) expect(boltGrade(marks, 12)).toBeUndefined();
    for (const inches of UNC_THREADS.keys()) expect(isMetricBolt(inch(inches))).toBe(false);
    for (const size of METRIC_BOLTS.keys()) expect(isMetricBolt(size)).toBe(true);
    expect(boltGrade(8.8, 16)!.proofMpa).toBe(580);
    expect(boltGrade(8.8, 17)!.proofMpa).toBe(600);
    expect(boltGrade(8.8, 39)).toBeDefined();
    expect(boltGrade(8.8, 40)).toBeUndefined();
  });

  test('proof load of a half-inch grade 5: 85 ksi on 0.1419 in² (handbooks print 12 050 lb)', () => {
    expect(proofLoadN(3, inch(1 / 2))! / 4.448222 / 12_050).toBeCloseTo(1, 2);
  });
});

describe('fillets and plugs', () => {
  test.each([
    [0.12, 0.12],
    [0.1874, 0.1874],
    [0.25, 3 / 16],
    [0.2501, 3 / 16],
    [0.5, 3 / 16],
    [0.5001, 1 / 4],
  ])('thinner part %d in: leg at least %d in', (thinner, leg) => {
    expect(minimumLegMm(inch(thinner))).toBeCloseTo(inch(leg), 6);
  });

  test.each([
    [0.2499, 0.2499],
    [0.25, 3 / 16],
    [3 / 8, 5 / 16],
  ])('an edge %d in thick takes a leg up to %d in', (edge, leg) => {
    expect(maximumLegMm(inch(edge))).toBeCloseTo(inch(leg), 6);
  });

  test.each([
    [1 / 4, 1 / 4, 3 / 16],
    [3 / 16, 0.1046, 1 / 8],
    [0.1, 3 / 16, 0.1],
  ])('a %d in plate on %d in asks for %d in', (plate, wall, leg) => {
    expect(chosenLegMm(inch(plate), inch(wall))).toBeCloseTo(inch(leg), 6);
  });

  test('laps: five thicknesses, an inch at least', () => {
    expect(lapMm(inch(1 / 8))).toBeCloseTo(inch(1), 9);
    expect(lapMm(inch(0.2))).toBeCloseTo(inch(1), 9);
    expect(lapMm(inch(1 / 4))).toBeCloseTo(inch(1.25), 9);
  });

  test('runs: four legs, an inch and a half at least', () => {
    expect(shortestRunMm(inch(1 / 4))).toBeCloseTo(inch(1.5), 9);
    expect(shortestRunMm(inch(1 / 2))).toBeCloseTo(inch(2), 9);
  });

  test('stitches of a plate in compression: 0.75 √(29000/36) is 21 thicknesses', () => {
    expect(widestPitchMm(10, 29_000, 36)).toBeCloseTo(212.9, 1);
  });

  test.each([
    [1 / 8, 7 / 16],
    [3 / 16, 9 / 16],
    [1 / 4, 9 / 16],
    [0.26, 11 / 16],
    [3 / 8, 11 / 16],
  ])('a %d in plate is plugged through %d in', (plate, hole) => {
    expect(plugHoleMm(inch(plate))).toBeCloseTo(inch(hole), 6);
  });
});

describe('open air', () => {
  test('nothing is lost before the first day', () => {
    expect(outsideLossMm(50, 0)).toBe(0);
    expect(outsideLossMm(50, -3)).toBe(0);
  });

  test.each([
    // ISO 9224 by hand: 0.05 · t^0.523
    [1, 0.05],
    [10, 0.1667],
    [20, 0.23955],
  ])('50 µm in the first year is %d years in %d mm', (years, lost) => {
    expect(outsideLossMm(50, years)).toBeCloseTo(lost, 3);
  });

  test('past twenty years it goes on at the twentieth year’s pace, faster than the power law', () => {
    const pace = 0.05 * 0.523 * 20 ** (0.523 - 1);
    expect(outsideLossMm(50, 30) - outsideLossMm(50, 20)).toBeCloseTo(10 * pace, 9);
    expect(outsideLossMm(50, 60)).toBeGreaterThan(0.05 * 60 ** 0.523);
  });
});

describe('the practice profile', () => {
  type Limit = readonly [path: string, inside: readonly number[], outside: readonly number[]];
  const limits: Limit[] = [
    ['loadFactors.bumpG', [1, 6], [0.99, 6.01]],
    ['loadFactors.brakeG', [0, 1.5], [-0.01, 1.51]],
    ['loadFactors.cornerG', [0, 1.5], [-0.01, 1.51]],
    ['loadFactors.ditchMm', [0, 600], [-1, 601]],
    ['loadFactors.scrubShare', [0, 1.2], [-0.01, 1.21]],
    ['loadFactors.steeringN', [0, 50_000], [-1, 50_001]],
    ['loadFactors.recoveryShare', [0, 2], [-0.01, 2.01]],
    ['loadFactors.roadAllowable', [0.01, 1], [0, 1.01]],
    ['loadFactors.liftAllowable', [0.01, 1], [0, 1.01]],
    ['walk.reachMm', [50, 1000], [49, 1001]],
    ['walk.unseenShare', [0, 1], [-0.01, 1.01]],
    ['hand.struckKept', [0.01, 1], [0, 1.01]],
    ['hand.feltKept', [0.01, 1], [0, 1.01]],
    ['hand.seenKept', [0, 1], [-0.01, 1.01]],
    ['hand.tapReachMm', [10, 305], [9, 306]],
    ['hand.partedShare', [0.01, 1], [0, 1.01]],
    ['money.ratePerHour', [0, 1000], [-1, 1001]],
    ['soundFraction', [0.01, 1], [0, 1.01]],
    ['weldableMinimumMm', [0.01, 24.9], [0, 25]],
    ['leaveFraction', [0.01, 1], [0, 1.01]],
    ['bendK', [0.2, 0.6], [0.19, 0.61]],
    ['bendRadiusPerThickness', [0.5, 6], [0.49, 6.01]],
    ['drainDiameterMm', [0.1, 99], [0, 100]],
    ['stockThicknessesMm.0', [0.1, 49], [0, 50]],
  ];
  const withValue = (path: string, value: number): unknown => {
    const profile = structuredClone(DEFAULT_PRACTICE) as unknown as Record<string, never>;
    const steps = path.split('.');
    const last = steps.pop()!;
    const home = steps.reduce<Record<string, unknown>>((at, step) => at[step] as never, profile);
    home[last] = value;
    return profile;
  };

  test.each(limits)('%s is held to its limits', (path, inside, outside) => {
    for (const value of inside) expect(practiceSchema.safeParse(withValue(path, value)).success).toBe(true);
    for (const value of outside) expect(practiceSchema.safeParse(withValue(path, value)).success).toBe(false);
  });

  test('a shelf holds one to thirty thicknesses', () => {
    const shelf = (count: number) =>
      practiceSchema.safeParse({ ...DEFAULT_PRACTICE, stockThicknessesMm: Array(count).fill(3) }).success;
    expect([0, 1, 30, 31].map(shelf)).toEqual([false, true, true, false]);
  });

  test.each([
    ['1/4 in plate', inch(1 / 4), inch(0.08)],
    ['1/8 in plate', inch(1 / 8), inch(0.08)],
    ['11 ga sheet', inch(0.1196), 0.65 * inch(0.1196)],
    ['16 ga sheet', inch(0.0598), 0.65 * inch(0.0598)],
    ['sheet at the least that can be welded', inch(0.03 / 0.65), inch(0.03)],
    ['20 ga sheet, under it', inch(0.0359), inch(0.03)],
  ])('a weld lands on %s', (_, madeMm, least) =>
    expect(weldableMm(madeMm, { weldableMinimumMm: inch(0.08) })).toBeCloseTo(least, 9),
  );
  test('a shop that wants more under its welds asks it of plate', () => {
    expect(weldableMm(inch(1 / 8), { weldableMinimumMm: inch(0.1) })).toBeCloseTo(inch(0.1), 9);
    expect(weldableMm(inch(0.0747), { weldableMinimumMm: inch(0.1) })).toBeCloseTo(0.65 * inch(0.0747), 9);
  });

  test('the schools: half an inch, an inch, and where rust ends', () => {
    expect(schoolMarginMm('half-inch band')).toBeCloseTo(12.7, 9);
    expect(schoolMarginMm('one inch left')).toBeCloseTo(25.4, 9);
    expect(schoolMarginMm('where rust ends')).toBeCloseTo(12.7, 9);
    for (const school of ['half-inch band', 'one inch left', 'where rust ends'] as const)
      expect(schoolEdgeMm(school)).toBeLessThanOrEqual(schoolMarginMm(school));
  });
});
