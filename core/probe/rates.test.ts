import {
  bandOf,
  changesBetween,
  forecasts,
  foundNominal,
  nextLook,
  thinnest,
  yearsBetween,
  type Change,
  type Reading,
} from '.';
import { defaultFrame } from '../frame';
import { gaugeThicknessMm, inchesToMm, valueOf } from '../quantity';
import { ATMOSPHERES, outsideLossMm } from '../reference';

const frame = defaultFrame({
  family: 'open-channel ladder',
  railShape: { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 },
  steel: 'a36',
  lengthMm: 6000,
  widthMm: 860,
  datum: 'hole',
});
const rail = frame.members[0]!;
/** Park and Miller's generator, and a normal deviate of it by Box and Muller. */
function seeded(seed: number): () => number {
  let state = seed % 2_147_483_647;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}
const normal = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
let made = 0;
const reading = (thicknessMm: number, more: Partial<Reading> = {}): Reading => ({
  kind: 'reading',
  id: `${++made}`,
  memberId: rail.id,
  stationMm: 1000,
  face: 'web',
  heightMm: 50,
  thicknessMm,
  method: 'ultrasonic',
  by: 'RK',
  at: '2026-01-01T00:00:00Z',
  note: '',
  ...more,
});

describe('open air (ISO 9224, table of carbon steel after 10 and 20 years, from memory)', () => {
  test.each([
    ['C3', 167, 240],
    ['C4', 267, 383],
    ['C5', 667, 958],
    ['CX', 2334, 3354],
  ] as const)('%s at its upper limit', (category, ten, twenty) => {
    const [, most] = ATMOSPHERES[category];
    expect(Math.abs(outsideLossMm(most, 10) * 1000 - ten)).toBeLessThan(1);
    expect(Math.abs((outsideLossMm(most, 20) * 1000) / twenty - 1)).toBeLessThan(0.002);
  });
  test('the first year is the first year; after twenty it goes on straight; never backwards', () => {
    expect(outsideLossMm(80, 1)).toBeCloseTo(0.08, 12);
    const slope = (a: number, b: number) => (outsideLossMm(80, b) - outsideLossMm(80, a)) / (b - a);
    expect(slope(20.001, 25)).toBeCloseTo(slope(30, 40), 9);
    expect(slope(19, 20)).toBeGreaterThan(slope(20, 21));
    expect([outsideLossMm(80, 0), outsideLossMm(80, -3), outsideLossMm(80, NaN)]).toEqual([0, 0, 0]);
  });
});

describe('two surveys', () => {
  const then = [
    reading(5, { at: '2024-01-01T00:00:00Z' }),
    reading(4, { at: '2024-01-01T00:00:00Z', stationMm: 2000 }),
    reading(6, { at: '2024-01-01T00:00:00Z', stationMm: 3000 }),
  ];
  test('places are matched within an inch along, rates per year with both tools’ errors, greatest loss first', () => {
    const changes = changesBetween(then, [
      reading(4.6, { stationMm: 1015 }),
      reading(3, { stationMm: 2000 }),
      reading(6, { stationMm: 3060 }),
      reading(2, { face: 'bottom' }),
    ]);
    expect(changes.map((change) => change.stationMm)).toEqual([2000, 1015]);
    expect(changes[0]!.lossPerYearMm).toBeCloseTo(
      1 / yearsBetween('2024-01-01T00:00:00Z', '2026-01-01T00:00:00Z'),
      9,
    );
    expect(changes[0]!.errorPerYearMm).toBeCloseTo(Math.hypot(0.13, 0.13) / 2, 3);
  });
  test('the same week tells a tool’s error, not a rate', () =>
    expect(changesBetween([reading(5, { at: '2025-12-28T00:00:00Z' })], [reading(4.9)])).toEqual([]));
});

describe('how long it lasts', () => {
  const input = {
    thicknessMm: 5.4,
    limitMm: 4.8,
    nominalMm: 6,
    changes: [],
    atmosphere: 'C4' as const,
    cavity: false,
  };
  const change = (lossPerYearMm: number) => ({
    stationMm: 0,
    face: 'web' as const,
    heightMm: 0,
    beforeMm: 6,
    nowMm: 5,
    years: 2,
    lossPerYearMm,
    errorPerYearMm: 0.05,
  });
  test('bands', () =>
    expect([0, -1, NaN, 1.9, 2, 5, 5.1].map(bandOf)).toEqual([
      'gone already',
      'gone already',
      'gone already',
      'under 2 years',
      '2 to 5 years',
      '2 to 5 years',
      'over 5 years',
    ]));
  test('by nominal and age: the loss so far goes on, and half as fast again at worst', () => {
    const aged = forecasts({ ...input, ageYears: 3 }).find((each) => each.from === 'nominal and age')!;
    expect(aged.ratePerYearMm[0]).toBeCloseTo(0.2, 9);
    expect(aged.years[1]).toBeCloseTo(3, 9);
    expect(aged.years[0]).toBeCloseTo(2, 9);
    expect(aged.bands).toEqual(['2 to 5 years', '2 to 5 years']);
    expect(forecasts(input).map((each) => each.from)).toEqual(['outside air']);
  });
  test('two surveys lead, by the worse quarter of their places; fewer than three places say nothing', () => {
    const measured = forecasts({
      ...input,
      changes: [change(0.6), change(0.5), change(0.4), change(0.01), change(0), change(0)],
    })[0]!;
    expect(measured.from).toBe('two surveys');
    expect(measured.ratePerYearMm[0]).toBeGreaterThan(0.4);
    expect(measured.bands[0]).toBe('under 2 years');
    expect(forecasts({ ...input, changes: [change(0.6), change(0.5)] })[0]!.from).toBe('outside air');
  });
  describe('surveys between which nothing was lost', () => {
    /** Forty places read again after half a year, by a tool with an error of 0.13 mm; `lostMm` of a share of them is truly gone. */
    const surveyed = (seed: number, lostMm = 0, share = 0) => {
      const random = seeded(seed);
      const error = 0.13 * Math.SQRT2;
      const changes = Array.from({ length: 40 }, (_, k): Change => {
        const lossMm = error * normal(random) + (k < share * 40 ? lostMm : 0);
        return {
          ...change(lossMm / 0.5),
          years: 0.5,
          errorPerYearMm: error / 0.5,
        };
      }).sort((a, b) => b.lossPerYearMm - a.lossPerYearMm);
      return forecasts({ ...input, changes })[0]!;
    };
    const SEEDS = Array.from({ length: 200 }, (_, k) => 3001 + 37 * k);
    test('show no rate: none is seen but by one chance in thirty or fewer, and how much less than is said', () => {
      const said = SEEDS.map((seed) => surveyed(seed));
      expect(said.filter(({ from }) => from === 'two surveys').length).toBeLessThanOrEqual(200 / 30);
      for (const { ratePerYearMm } of said.filter(({ from }) => from === 'no loss seen')) {
        expect(ratePerYearMm[0]).toBe(0);
        expect(ratePerYearMm[1]).toBeGreaterThan(0);
        expect(ratePerYearMm[1]).toBeLessThan(0.6);
      }
    });
    test('a loss of twice the tool’s error at a quarter of the places is seen nearly always, at about its size', () => {
      const said = SEEDS.slice(0, 60).map((seed) => surveyed(seed, 0.5, 0.25));
      const seen = said.filter(({ from }) => from === 'two surveys');
      expect(seen.length).toBeGreaterThan(50);
      // The truth is 1 mm a year.
      const covered = seen.filter(({ ratePerYearMm: [low, high] }) => low <= 1 && high >= 1);
      expect(covered.length).toBeGreaterThan(0.85 * seen.length);
    });
    test('a little loss everywhere is seen as well, though no place stands out', () => {
      const said = SEEDS.slice(0, 60).map((seed) => surveyed(seed, 0.12, 1));
      expect(said.filter(({ from }) => from === 'two surveys').length).toBeGreaterThan(50);
    });
  });
  test('open air undoes its own law; a cavity has a range of its own; what is past its limit is gone already', () => {
    const air = forecasts(input)[0]!;
    expect(outsideLossMm(80, air.years[0])).toBeCloseTo(0.6, 6);
    const inside = forecasts({ ...input, cavity: true })[0]!;
    expect(inside).toMatchObject({ from: 'wet debris inside', ratePerYearMm: [0.05, 0.4] });
    expect(inside.years[0]).toBeCloseTo(1.5, 9);
    expect(
      forecasts({ ...input, thicknessMm: 4.7, cavity: true, ageYears: 4 }).every(
        (each) => each.bands[0] === 'gone already',
      ),
    ).toBe(true);
  });
  test('the next look is at half the shortest forecast, within the year, and now where the limit is passed', () => {
    const inside = forecasts({ ...input, cavity: true })[0]!;
    expect(nextLook(inside, '2026-01-01T00:00:00Z')).toBe('2026-10-01');
    expect(
      nextLook(
        { ...inside, years: [40, 90], bands: ['over 5 years', 'over 5 years'] },
        '2026-01-01T00:00:00Z',
      ),
    ).toBe('2027-01-01');
    expect(nextLook(forecasts({ ...input, thicknessMm: 4 })[0]!, '2026-01-01T00:00:00Z')).toBeUndefined();
  });
  test('the thinnest metal is judged by its own face’s wall; a hole is none', () => {
    expect(thinnest(rail, [reading(0), reading(3), reading(5)])!.reading.thicknessMm).toBe(3);
    expect(thinnest(rail, [reading(0)])).toBeUndefined();
  });
});

describe('what the maker used', () => {
  const around = (mm: number, n = 12) =>
    Array.from({ length: n }, (_, k) => reading(mm * (0.985 + 0.001 * (k % 5)), { stationMm: 100 * k }));
  test.each([
    ['10 ga', valueOf(gaugeThicknessMm(10))],
    ['1/4 in', inchesToMm(1 / 4)],
    ['5/16 in', inchesToMm(5 / 16)],
    ['14 ga', valueOf(gaugeThicknessMm(14))],
  ])('%s', (name, mm) => {
    const found = foundNominal([...around(mm), ...[0.5, 0.6, 0.7].map((share) => reading(share * mm))])!;
    expect(found.guesses[0]!.name).toBe(name);
    expect(found.guesses.reduce((sum, guess) => sum + guess.share, 0)).toBeLessThanOrEqual(1 + 1e-9);
  });
  test('the noise of the gauge does not make it thicker: 18 ga sheet, half of it rusted', () => {
    const noise = [0.9, -1.2, 0.3, 1.6, -0.4, 0.1, -0.8, 1.1, -1.5, 0.6, -0.2, 0.7];
    const made = valueOf(gaugeThicknessMm(18));
    const found = foundNominal([
      ...noise.map((each) => reading(0.985 * made + 0.13 * each)),
      ...noise.map((each) => reading(0.6 * made + 0.13 * each)),
    ])!;
    expect(found.guesses.slice(0, 2).map((guess) => guess.name)).toContain('18 ga');
    expect(Math.abs(found.thicknessMm / made - 1)).toBeLessThan(0.06);
  });
  test('neighbours in the table are said to be one of two; a doubled echo and felt readings do not count', () => {
    const between = foundNominal(around(inchesToMm(0.184)))!;
    expect(['one of two', 'open']).toContain(between.sure);
    const doubled = foundNominal([
      ...around(6.35),
      reading(12.6),
      reading(12.7),
      reading(9, { method: 'feel' }),
    ])!;
    expect(doubled.guesses[0]!.name).toBe('1/4 in');
    expect(foundNominal(around(6.35, 4))).toBeUndefined();
  });
});
