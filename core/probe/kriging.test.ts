import {
  DEFAULT_COVARIANCE,
  disagreeing,
  edgeAt,
  fittedCovariance,
  Neighbourhood,
  placedReadings,
  soundEdges,
  thicknessMap,
  valueAt,
  withOneMore,
  type Reading,
} from '.';
import { defaultFrame, facesOf, type Member } from '../frame';
import { mapContours } from './map-contours';

const frame = defaultFrame({
  family: 'open-channel ladder',
  railShape: { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 },
  steel: 'a36',
  lengthMm: 4000,
  widthMm: 860,
  datum: 'hole',
});
const rail: Member = frame.members[0]!;
const web = facesOf(rail.shape).find((face) => face.id === 'web')!;
const reading = (
  stationMm: number,
  heightMm: number,
  thicknessMm: number,
  more: Partial<Reading> = {},
): Reading => ({
  kind: 'reading',
  id: `${stationMm}-${heightMm}-${thicknessMm}`,
  memberId: rail.id,
  stationMm,
  face: 'web',
  heightMm,
  thicknessMm,
  method: 'ultrasonic',
  by: 'RK',
  at: '2026-01-01T00:00:00Z',
  note: '',
  ...more,
});

/** mulberry32 and a normal deviate. */
function chance(seed: number) {
  let state = seed;
  const random = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
  return { random, normal: () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random()) };
}

/** A whole Gaussian field at some places at once: exponential covariance, four along to one across. */
function field(
  places: readonly (readonly [number, number])[],
  sill: number,
  rangeMm: number,
  normal: () => number,
): number[] {
  const n = places.length;
  const lower = Array.from({ length: n }, () => new Float64Array(n));
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      const away = Math.hypot((places[i]![0] - places[j]![0]) / 4, places[i]![1] - places[j]![1]);
      let value = sill * Math.exp(-away / rangeMm) + (i === j ? 1e-9 : 0);
      for (let k = 0; k < j; k++) value -= lower[i]![k]! * lower[j]![k]!;
      lower[i]![j] = i === j ? Math.sqrt(value) : value / lower[j]![j]!;
    }
  const white = Array.from({ length: n }, normal);
  return lower.map((row, i) => row.subarray(0, i + 1).reduce((sum, each, k) => sum + each * white[k]!, 0));
}

test('on seeded rails the stated error covers the truth about as often as it says: 68 and 95 of 100', () => {
  let within1 = 0,
    within2 = 0,
    all = 0;
  const stationsMm = Float64Array.from({ length: 81 }, (_, k) => k * 50);
  for (let seed = 1; seed <= 14; seed++) {
    const { random, normal } = chance(seed * 77);
    const read = Array.from({ length: 130 }, () => [4000 * random(), 200 * random()] as const);
    const surface = thicknessMap(rail, [reading(0, 0, 6)])!.surface;
    const rows = surface.rowFace.flatMap((face, row) => (face.id === 'web' ? [row] : []));
    const cells = Array.from({ length: 60 }, () => ({
      row: rows[Math.floor(random() * rows.length)]!,
      column: Math.floor(81 * random()),
    }));
    const truth = field(
      [
        ...read,
        ...cells.map(
          ({ row, column }) => [stationsMm[column]!, web.uStartMm + web.widthMm - surface.uMm[row]!] as const,
        ),
      ],
      0.1 ** 2,
      50,
      normal,
    );
    const map = thicknessMap(
      rail,
      read.map(([s, h], k) => reading(s, h, 6 * (0.6 + truth[k]!) + 0.13 * normal())),
      stationsMm,
    )!;
    cells.forEach(({ row, column }, k) => {
      const cell = row * stationsMm.length + column;
      const off = Math.abs(map.thicknessMm[cell]! - 6 * (0.6 + truth[read.length + k]!)) / map.errorMm[cell]!;
      all++;
      if (off <= 1) within1++;
      if (off <= 1.96) within2++;
    });
  }
  expect(within1 / all).toBeGreaterThan(0.62);
  expect(within1 / all).toBeLessThan(0.76);
  expect(within2 / all).toBeGreaterThan(0.92);
  expect(within2 / all).toBeLessThan(0.985);
});

describe('the fit', () => {
  const placesFor = (n: number, random: () => number) =>
    Array.from({ length: n }, () => [4000 * random(), 200 * random()] as const);
  test('finds sill and range of fields it was not told, within a factor, tool noise taken off', () => {
    for (const [sill, rangeMm] of [
      [0.08 ** 2, 30],
      [0.15 ** 2, 60],
      [0.12 ** 2, 100],
    ] as const) {
      const fits = [1, 2, 3, 4, 5, 6].map((seed) => {
        const { random, normal } = chance(seed * 13);
        const read = placesFor(260, random);
        const truth = field(read, sill, rangeMm, normal);
        return fittedCovariance(
          placedReadings(
            rail,
            read.map(([s, h], k) => reading(s, h, 6 * (0.6 + truth[k]!) + 0.13 * normal())),
          ),
        );
      });
      const middle = (values: number[]) => [...values].sort((a, b) => a - b)[3]!;
      expect(Math.sqrt(middle(fits.map((fit) => fit.sill)) / sill)).toBeGreaterThan(0.65);
      expect(Math.sqrt(middle(fits.map((fit) => fit.sill)) / sill)).toBeLessThan(1.5);
      expect(middle(fits.map((fit) => fit.rangeMm)) / rangeMm).toBeGreaterThan(0.35);
      expect(middle(fits.map((fit) => fit.rangeMm)) / rangeMm).toBeLessThan(2.9);
    }
  });
  test('a few wild readings do not move it; few readings or all equal fall back on what is guarded', () => {
    const { random, normal } = chance(5);
    const read = placesFor(200, random);
    const truth = field(read, 0.08 ** 2, 50, normal);
    const plain = read.map(([s, h], k) => reading(s, h, 6 * (0.6 + truth[k]!)));
    const wild = plain.map((each, k) => (k % 40 === 0 ? { ...each, thicknessMm: 0 } : each));
    const [one, two] = [plain, wild].map((readings) => fittedCovariance(placedReadings(rail, readings)));
    expect(Math.sqrt(two!.sill / one!.sill)).toBeLessThan(1.6);
    expect(fittedCovariance(placedReadings(rail, plain.slice(0, 10))).rangeMm).toBe(
      DEFAULT_COVARIANCE.rangeMm,
    );
    expect(
      fittedCovariance(
        placedReadings(
          rail,
          plain.map((each) => ({ ...each, thicknessMm: 6 })),
        ),
      ).sill,
    ).toBeGreaterThan(0);
  });
});

describe('bad input', () => {
  const finite = (readings: Reading[]) => {
    const map = thicknessMap(rail, readings)!;
    expect([...map.thicknessMm, ...map.errorMm].every(Number.isFinite)).toBe(true);
    expect(Math.min(...map.thicknessMm)).toBeGreaterThanOrEqual(0);
    return map;
  };
  test('many readings at one place, equal or not; all equal; on one face only; over nominal', () => {
    finite(Array.from({ length: 30 }, () => reading(1000, 100, 5)));
    finite(Array.from({ length: 30 }, (_, k) => reading(1000, 100, 2 + (k % 4))));
    const equal = finite(Array.from({ length: 40 }, (_, k) => reading(100 * k, 100, 5)));
    expect(Math.max(...equal.thicknessMm) - Math.min(...equal.thicknessMm)).toBeLessThan(1e-6);
    finite(Array.from({ length: 12 }, (_, k) => reading(300 * k, 20, 4)));
    expect(Math.max(...finite([reading(500, 50, 7.5), reading(900, 50, 8)]).thicknessMm)).toBeLessThanOrEqual(
      6,
    );
  });
  test('a coarser tool weighs less', () => {
    const by = (method: Reading['method']) =>
      thicknessMap(
        rail,
        [reading(1000, 90, 5), reading(1000, 110, 3, { method })],
        Float64Array.from([0, 1000]),
      )!;
    const middleOf = (map: ReturnType<typeof by>) =>
      map.thicknessMm[
        map.surface.rowFace.findIndex(
          (face, k) => face.id === 'web' && Math.abs(map.surface.uMm[k]! - (web.uStartMm + 100)) < 8,
        ) *
          2 +
          1
      ]!;
    expect(middleOf(by('feel'))).toBeGreaterThan(middleOf(by('ultrasonic')) + 0.3);
  });
});

test('a neighbourhood read exactly gives back its readings, weights summing to one', () => {
  const points = {
    ...placedReadings(rail, [reading(100, 50, 5), reading(300, 80, 4), reading(900, 20, 3)]),
    variance: new Float64Array(3).fill(1e-12),
  };
  const all = new Neighbourhood(points, { sill: 0.02, rangeMm: 50 }, Int32Array.from([0, 1, 2]), 3);
  [0, 1, 2].forEach((k) =>
    expect(all.at(points.stationMm[k]!, points.uMm[k]!).kept).toBeCloseTo(points.kept[k]!, 6),
  );
  const shifted = new Neighbourhood(
    { ...points, kept: points.kept.map((kept) => kept + 0.1) },
    { sill: 0.02, rangeMm: 50 },
    Int32Array.from([0, 1, 2]),
    3,
  );
  expect(shifted.at(700, 60).kept - all.at(700, 60).kept).toBeCloseTo(0.1, 9);
});

// Two thirds of nominal is halfway between the spot and the wall round it; 0.7 is the level next to it.
test('contours: the area and place of a round thin spot read on a fine grid', () => {
  const [centre, radius] = [[2000, 100], 45] as const;
  const readings: Reading[] = [];
  for (let s = 1500; s <= 2500; s += 25)
    for (let h = 5; h < 200; h += 10)
      readings.push(
        reading(s, h, Math.hypot(s - centre[0], h - centre[1]) < radius ? 2 : 6, { id: `${s}-${h}` }),
      );
  const map = thicknessMap(
    rail,
    readings,
    Float64Array.from({ length: 401 }, (_, k) => k * 10),
  )!;
  const holes = mapContours(map, 6)
    .regions.find((region) => region.level === 0.7)!
    .rings.filter((ring) => ring.every(([s]) => s > 1700 && s < 2300));
  const area = (ring: readonly (readonly [number, number])[]) =>
    Math.abs(
      ring.reduce(
        (sum, [x, y], k) => sum + x * ring[(k + 1) % ring.length]![1] - ring[(k + 1) % ring.length]![0] * y,
        0,
      ),
    ) / 2;
  const spot = [...holes].sort((a, b) => area(b) - area(a))[0]!;
  expect(area(spot) / (Math.PI * radius ** 2)).toBeGreaterThan(0.85);
  expect(area(spot) / (Math.PI * radius ** 2)).toBeLessThan(1.15);
  expect(spot.reduce((sum, [s]) => sum + s, 0) / spot.length).toBeCloseTo(centre[0], -1.3);
});

test('the bracketed edge holds more often, and in a narrower band, than one read off the kriged map on step-edged rails', () => {
  let bracketHeld = 0,
    krigedHeld = 0,
    bracketBand = 0,
    krigedBand = 0,
    all = 0;
  for (let seed = 1; seed <= 10; seed++) {
    const { random, normal } = chance(seed * 101);
    const [height, phase, wave] = [40 + 80 * random(), 6 * random(), 400 + 900 * random()];
    const truth = (s: number) => height + 20 * Math.sin(phase + s / wave);
    const readings = Array.from({ length: 20 }, (_, k) => 200 + k * 152.4).flatMap((s) =>
      Array.from({ length: 7 }, (_each, k) => 12.7 + k * 25.4).map((h) =>
        reading(s, h, (h >= truth(s) ? 6 : 2) + 0.1 * normal()),
      ),
    );
    const [edge] = soundEdges(rail, readings, 4.8);
    const map = thicknessMap(rail, readings)!;
    for (let s = 260; s < 3000; s += 97) {
      const at = edgeAt(edge!, s)!;
      // From the top down: where the map's lower and upper 95 % first pass below sound metal.
      const first = (shift: number) => {
        for (let h = 198; h > 0; h -= 2) {
          const { thicknessMm, errorMm } = valueAt(map, s, web.uStartMm + web.widthMm - h);
          if (thicknessMm + shift * errorMm < 4.8) return h;
        }
        return 0;
      };
      const [upper, lower] = [first(-1.645), first(1.645)];
      all++;
      if (at.upperMm >= truth(s) - 1e-9) bracketHeld++;
      if (upper >= truth(s) && lower <= truth(s)) krigedHeld++;
      bracketBand += at.upperMm - at.lowerMm;
      krigedBand += upper - lower;
    }
  }
  expect(bracketHeld / all).toBeGreaterThan(0.97);
  expect(bracketHeld).toBeGreaterThanOrEqual(krigedHeld);
  // One row of an inch, and what its neighbours differ by: the bound between them is a step.
  expect(bracketBand / all).toBeLessThan(27);
  expect(krigedBand).toBeGreaterThan(bracketBand);
});

test('two readings of one place that contradict each other are both marked; near ones that agree are not', () => {
  const apart = disagreeing([
    reading(1000, 50, 5),
    reading(1004, 52, 3),
    reading(1000, 100, 5),
    reading(1005, 101, 5.2),
    reading(2000, 50, 5),
    reading(2000, 50, 3, { id: 'felt', method: 'feel' }),
  ]);
  expect([...apart].sort()).toEqual(['1000-50-5', '1004-52-3']);
});

describe('one more reading', () => {
  const { random, normal } = chance(77);
  const at = (k: number) => {
    const face = facesOf(rail.shape)[k % 3]!;
    return reading(4000 * random(), face.widthMm * random(), 4.5 + 0.8 * normal(), {
      id: `${k}`,
      face: face.id,
    });
  };
  const all = Array.from({ length: 121 }, (_, k) => at(k));
  const before = thicknessMap(rail, all.slice(0, -1))!;

  test('is the same map as from all of them by the covariance that stands, cell by cell', () => {
    const next = withOneMore(before, rail, all)!;
    const whole = thicknessMap(rail, all, before.stationsMm, before.basis.covariance)!;
    expect(next.thicknessMm).toEqual(whole.thicknessMm);
    expect(next.errorMm).toEqual(whole.errorMm);
    expect(next.known).toEqual(whole.known);
    expect(next.guessedShare).toBe(whole.guessedShare);
    expect(next.basis.reachMm).toEqual(whole.basis.reachMm);
  });

  test('changes the map near it and leaves the one before as it was; far away not a bit moves', () => {
    const kept = before.thicknessMm.slice();
    const hole = reading(2000, 100, 0, { id: 'hole' });
    const next = withOneMore(before, rail, [...all.slice(0, -1), hole])!;
    expect(before.thicknessMm).toEqual(kept);
    const u = web.uStartMm + web.widthMm - 100;
    expect(valueAt(next, 2000, u).thicknessMm).toBeLessThan(0.5 * valueAt(before, 2000, u).thicknessMm);
    for (const stationMm of [100, 3900])
      expect(valueAt(next, stationMm, u)).toEqual(valueAt(before, stationMm, u));
    const moved = next.thicknessMm.filter((value, cell) => value !== before.thicknessMm[cell]).length;
    expect(moved).toBeGreaterThan(10);
    expect(moved).toBeLessThan(0.5 * before.thicknessMm.length);
  });

  test('one after another they add up', () => {
    const start = thicknessMap(rail, all.slice(0, 60))!;
    let map = start;
    for (let k = 61; k <= all.length; k++) map = withOneMore(map, rail, all.slice(0, k))!;
    const whole = thicknessMap(rail, all, start.stationsMm, start.basis.covariance)!;
    expect(map.thicknessMm).toEqual(whole.thicknessMm);
  });

  test('is refused where the map rests on other readings', () => {
    expect(withOneMore(before, rail, all.slice(0, -1))).toBeUndefined();
    expect(withOneMore(before, rail, [...all, at(200)])).toBeUndefined();
    expect(
      withOneMore(before, rail, [...all.slice(0, -1), reading(1, 1, 5, { face: 'inner' })]),
    ).toBeUndefined();
  });
});
