import fc from 'fast-check';
import {
  builtThickness,
  checkReading,
  edgeAt,
  highestUpperMm,
  KNOWN,
  mapContours,
  marginAtMm,
  soundEdges,
  soundThresholdMm,
  thicknessMap,
  wallAt,
  type Reading,
} from '.';
import { defaultFrame, facesOf, type Member } from '../frame';

const frame = defaultFrame({
  family: 'open-channel ladder',
  railShape: { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 },
  steel: 'a36',
  lengthMm: 6000,
  widthMm: 860,
  datum: 'hole',
});
const rail = frame.members[0]!;
const boxed: Member = { ...rail, shape: { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 5 } };
const reading = (
  stationMm: number,
  face: Reading['face'],
  heightMm: number,
  thicknessMm: number,
  method: Reading['method'] = 'ultrasonic',
): Reading => ({
  kind: 'reading',
  id: `${stationMm}-${face}-${heightMm}-${thicknessMm}`,
  memberId: rail.id,
  stationMm,
  face,
  heightMm,
  thicknessMm,
  method,
  by: 'RK',
  at: '2026-01-01T00:00:00Z',
  note: '',
});

describe('readings', () => {
  test('a thickness over nominal is kept with a warning; off the member or absurd is refused', () => {
    expect(checkReading(rail, reading(10, 'web', 10, 6.5))).toEqual({ ok: true, value: {} });
    expect(checkReading(rail, reading(10, 'web', 10, 8))).toMatchObject({
      ok: true,
      value: { warning: expect.stringContaining('thicker') },
    });
    expect(checkReading(rail, reading(10, 'web', 10, 51)).ok).toBe(false);
    expect(checkReading(rail, reading(10, 'web', 10, -1)).ok).toBe(false);
    expect(checkReading(rail, reading(7000, 'web', 10, 5)).ok).toBe(false);
  });

  test('as built is nominal until five sound readings say otherwise; felt ones do not count', () => {
    const four = [5.8, 5.85, 5.9, 5.8].map((t, k) => reading(100 * k, 'web', 100, t));
    expect(builtThickness(rail, four)).toEqual({ thicknessMm: 6, fromReadings: 0 });
    expect(builtThickness(rail, [...four, reading(900, 'web', 100, 5.9, 'feel')]).fromReadings).toBe(0);
    expect(
      builtThickness(rail, [...four, reading(900, 'web', 100, 2), reading(950, 'web', 100, 5.82)]),
    ).toEqual({ thicknessMm: 5.82, fromReadings: 5 });
  });

  test('sound is a share of the wall as made, of sheet as of plate', () => {
    expect(soundThresholdMm(6, { soundFraction: 0.8 })).toBeCloseTo(4.8);
    expect(soundThresholdMm(1.5, { soundFraction: 0.8 })).toBeCloseTo(1.2);
  });
});

describe('thickness map', () => {
  test('no readings, no map', () => expect(thicknessMap(rail, [])).toBeUndefined());

  test('one reading: its own value everywhere, guessing wherever it is far', () => {
    const map = thicknessMap(rail, [reading(3000, 'web', 100, 5)])!;
    expect(Math.min(...map.thicknessMm)).toBeCloseTo(5, 9);
    expect(map.guessedShare).toBeGreaterThan(0.85);
    const near = wallAt(map, 3000),
      far = wallAt(map, 500);
    const row = map.surface.rowFace.findIndex(
      (face, k) => face.id === 'web' && Math.abs(map.surface.uMm[k]! - (70 + 100)) < 8,
    );
    expect(near.known[row]).toBe(KNOWN.read);
    expect(far.known[row]).toBe(KNOWN.guess);
    expect(far.errorMm[row]!).toBeGreaterThan(3 * near.errorMm[row]!);
  });

  test('two readings at one place that disagree are averaged, not fought over', () => {
    const map = thicknessMap(rail, [reading(3000, 'web', 100, 4), reading(3000, 'web', 100, 5)])!;
    expect(wallAt(map, 3000).thicknessMm.every((t) => Math.abs(t - 4.5) < 1e-6)).toBe(true);
  });

  test('the map stays between the least and the greatest reading and its error never falls below the tool’s', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            s: fc.double({ min: 0, max: 6000, noNaN: true }),
            h: fc.double({ min: 0, max: 200, noNaN: true }),
            t: fc.double({ min: 0, max: 6.5, noNaN: true }),
          }),
          { minLength: 1, maxLength: 40 },
        ),
        (spots) => {
          const map = thicknessMap(
            rail,
            spots.map((spot) => reading(spot.s, 'web', spot.h, spot.t)),
          )!;
          const values = spots.map((spot) => spot.t);
          expect(Math.min(...map.thicknessMm)).toBeGreaterThanOrEqual(Math.min(...values) - 1e-9);
          expect(Math.max(...map.thicknessMm)).toBeLessThanOrEqual(Math.max(...values) + 1e-9);
          expect(Math.min(...map.errorMm)).toBeGreaterThanOrEqual(0.13 - 1e-9);
          expect(map.thicknessMm.every(Number.isFinite) && map.errorMm.every(Number.isFinite)).toBe(true);
        },
      ),
      { seed: 4, numRuns: 30 },
    );
  });

  test('in a box the neighbour across the last fold counts', () => {
    const map = thicknessMap(boxed, [reading(3000, 'inner', 149, 2), reading(3000, 'outer', 75, 5)])!;
    const top = wallAt(map, 3000);
    expect(top.thicknessMm[0]!).toBeLessThan(3);
  });

  test('the order in which readings were taken does not matter', () => {
    const spots = [reading(100, 'web', 10, 3), reading(900, 'bottom', 30, 4), reading(500, 'top', 30, 6)];
    expect(thicknessMap(rail, spots)!.thicknessMm).toEqual(
      thicknessMap(rail, [...spots].reverse())!.thicknessMm,
    );
  });
});

/** A column of readings, sound from an edge up. */
const column = (stationMm: number, edgeMm: number, heights: number[]) =>
  heights.map((height) => reading(stationMm, 'web', height, height >= edgeMm ? 6 : 2));

describe('sound edge by bracketing', () => {
  test('it lies between the highest unsound and the lowest sound reading, bound kept at the upper', () => {
    const [edge] = soundEdges(rail, column(1000, 60, [20, 45, 70, 120, 180]), 4.8);
    expect(edge!.columns).toEqual([{ stationMm: 1000, lowerMm: 45, upperMm: 70, kind: 'bracketed' }]);
    expect(marginAtMm(edge!, 1000)).toBe(130);
  });

  test('a sound island below an unsound reading does not lower the edge', () => {
    const [edge] = soundEdges(
      rail,
      [reading(1000, 'web', 20, 6), reading(1000, 'web', 60, 2), reading(1000, 'web', 100, 6)],
      4.8,
    );
    expect(edge!.columns[0]).toMatchObject({ lowerMm: 60, upperMm: 100 });
  });

  test('a sound column over a sound flange goes to the corner, over a rotten one stays bracketed, over none stays open', () => {
    const web = column(1000, 0, [30, 100]);
    expect(soundEdges(rail, [...web, reading(1050, 'bottom', 30, 6)], 4.8)[0]!.columns[0]!.kind).toBe(
      'sound to the corner',
    );
    expect(soundEdges(rail, [...web, reading(1050, 'bottom', 30, 2)], 4.8)[0]!.columns[0]).toMatchObject({
      kind: 'bracketed',
      lowerMm: 0,
      upperMm: 30,
    });
    expect(soundEdges(rail, [...web, reading(1400, 'bottom', 30, 2)], 4.8)[0]!.columns[0]!.kind).toBe(
      'not read further down',
    );
  });

  test('no sound reading at all leaves no margin', () => {
    const [edge] = soundEdges(rail, column(1000, 500, [20, 100, 190]), 4.8);
    expect(edge!.columns[0]!.kind).toBe('no sound metal read');
    expect(marginAtMm(edge!, 1000)).toBe(0);
  });

  test('between columns the bound is the higher of both; far beyond the last it is unknown; a box has two', () => {
    const [edge] = soundEdges(rail, [...column(1000, 60, [45, 70]), ...column(1200, 90, [85, 110])], 4.8);
    expect(edgeAt(edge!, 1100)).toMatchObject({ lowerMm: 65, upperMm: 110 });
    expect(edgeAt(edge!, 1010)!.upperMm).toBe(110);
    expect([edgeAt(edge!, 1000)!.upperMm, edgeAt(edge!, 990)!.upperMm]).toEqual([70, 70]);
    expect(edgeAt(edge!, 1700)).toBeUndefined();
    expect(highestUpperMm(edge!, 900, 1100)).toBe(110);
    expect(soundEdges(boxed, [], 4).map((each) => each.face)).toEqual(['outer', 'inner']);
  });

  /**
   * Known tide lines: a step edge read on a 1 × 6 in grid. The bracket is one row wide and holds the true edge at every column;
   * the conservative bound, interpolated, is checked at stations between columns too.
   */
  test('on seeded step-edged rails the bracket holds the true edge at its columns and nearly always between', () => {
    let held = 0,
      all = 0;
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 120, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.double({ min: 300, max: 1500, noNaN: true }),
        (height, phase, wave) => {
          const truth = (station: number) => height + 20 * Math.sin(phase + station / wave);
          const stations = Array.from({ length: 20 }, (_, k) => 200 + k * 152.4);
          const rows = Array.from({ length: 7 }, (_, k) => 12.7 + k * 25.4);
          const [edge] = soundEdges(
            rail,
            stations.flatMap((station) => column(station, truth(station), rows)),
            4.8,
          );
          for (const one of edge!.columns) {
            expect(one.lowerMm).toBeLessThanOrEqual(truth(one.stationMm));
            expect(one.upperMm).toBeGreaterThanOrEqual(truth(one.stationMm));
            expect(one.upperMm - one.lowerMm).toBeLessThanOrEqual(25.4 + 1e-9);
          }
          for (let station = 210; station < 3000; station += 13) {
            all++;
            if (edgeAt(edge!, station)!.upperMm >= truth(station) - 1e-9) held++;
          }
        },
      ),
      { seed: 9, numRuns: 60 },
    );
    expect(held / all).toBeGreaterThan(0.99);
  });
});

/** A wall that thins gradually: from full to a third over 60 mm below the tide line. Sound is lost where it passes 4.8 of 6 mm. */
test('on gradual rails too the bracket holds the place where metal stops being sound', () => {
  let held = 0,
    all = 0;
  fc.assert(
    fc.property(
      fc.double({ min: 50, max: 130, noNaN: true }),
      fc.double({ min: -3, max: 3, noNaN: true }),
      fc.double({ min: 300, max: 1500, noNaN: true }),
      (tide, phase, wave) => {
        const tideAt = (station: number) => tide + 15 * Math.sin(phase + station / wave);
        const thicknessAt = (station: number, height: number) =>
          6 * (1 - (2 / 3) * Math.min(1, Math.max(0, (tideAt(station) - height) / 60)));
        // 4.8 is 80 %: 0.3 of the fall.
        const truth = (station: number) => tideAt(station) - 0.3 * 60;
        const stations = Array.from({ length: 20 }, (_, k) => 200 + k * 152.4);
        const [edge] = soundEdges(
          rail,
          stations.flatMap((station) =>
            Array.from({ length: 7 }, (_, k) =>
              reading(station, 'web', 12.7 + k * 25.4, thicknessAt(station, 12.7 + k * 25.4)),
            ),
          ),
          4.8,
        );
        for (const one of edge!.columns) {
          expect(one.lowerMm).toBeLessThanOrEqual(truth(one.stationMm) + 1e-9);
          expect(one.upperMm).toBeGreaterThanOrEqual(truth(one.stationMm) - 1e-9);
          expect(one.upperMm - one.lowerMm).toBeLessThanOrEqual(25.4 + 1e-9);
        }
        for (let station = 210; station < 3000; station += 13) {
          all++;
          if (edgeAt(edge!, station)!.upperMm >= truth(station) - 1e-9) held++;
        }
      },
    ),
    { seed: 10, numRuns: 60 },
  );
  expect(held / all).toBeGreaterThan(0.99);
});

describe('the map ready to draw', () => {
  const area = (rings: readonly (readonly (readonly [number, number])[])[]) =>
    Math.abs(
      rings.reduce(
        (sum, ring) =>
          sum +
          ring.reduce(
            (s, [x, y], k) =>
              s + (x * ring[(k + 1) % ring.length]![1] - ring[(k + 1) % ring.length]![0] * y) / 2,
            0,
          ),
        0,
      ),
    );
  const wall = (thin: number) =>
    thicknessMap(
      rail,
      Array.from({ length: 60 }, (_, k) =>
        reading((k % 20) * 160, 'web', 30 + 65 * Math.floor(k / 20), k % 20 > 8 && k % 20 < 13 ? thin : 6),
      ),
    )!;

  test('regions of at least a fraction lie within those of less, and thinner metal leaves less', () => {
    const areas = (thin: number) =>
      mapContours(wall(thin), 6).regions.map(({ level, rings }) => [level, area(rings)] as const);
    const even = areas(6),
      thinned = areas(2);
    for (let k = 1; k < thinned.length; k++) {
      expect(thinned[k]![0]).toBeGreaterThan(thinned[k - 1]![0]);
      expect(thinned[k]![1]).toBeLessThanOrEqual(thinned[k - 1]![1] + 1e-6);
    }
    expect(thinned.at(-1)![1]).toBeLessThan(even.at(-1)![1]);
  });

  test('what is far from every reading is in the guessed region', () => {
    const sparse = thicknessMap(rail, [reading(100, 'web', 100, 6)])!;
    const sheet = (sparse.stationsMm.at(-1)! - sparse.stationsMm[0]!) * sparse.surface.edgeUMm.at(-1)!;
    const share = (map: typeof sparse) => area(mapContours(map, 6).guessed.rings) / sheet;
    expect(share(sparse)).toBeGreaterThan(0.9);
    expect(share(wall(6))).toBeLessThan(share(sparse) - 0.2);
    // Drawn midway between a cell that is known and one that is not: as much as there are such cells.
    const cells = wall(6).known;
    const guessed = cells.filter((known) => known === KNOWN.guess).length / cells.length;
    expect(share(wall(6))).toBeGreaterThan(guessed - 0.012);
    expect(share(wall(6))).toBeLessThan(guessed + 0.012);
  });

  test('a face of another thickness is drawn against its own: seven tenths of each is seven tenths all over', () => {
    const shape = { kind: 'I', depthMm: 250, flangeMm: 100, thicknessMm: 4, flangeThicknessMm: 12 } as const;
    const beam: Member = { ...rail, shape };
    const all = [0, 1, 2, 3, 4, 5].flatMap((k) =>
      facesOf(shape).flatMap((face) =>
        [0.1, 0.5, 0.9].map((up) => reading(k * 1000, face.id, up * face.widthMm, 0.72 * face.wallMm)),
      ),
    );
    const map = thicknessMap(beam, all)!;
    const sheet = (map.stationsMm.at(-1)! - map.stationsMm[0]!) * map.surface.edgeUMm.at(-1)!;
    const shares = mapContours(map, 4).regions.map(
      ({ level, rings }) => [level, area(rings) / sheet] as const,
    );
    for (const [level, share] of shares) expect(share).toBeCloseTo(level < 0.72 ? 1 : 0, 6);
  });

  test('even metal is drawn to the sheet’s edges', () => {
    const even = wall(6);
    const sheet = (even.stationsMm.at(-1)! - even.stationsMm[0]!) * even.surface.edgeUMm.at(-1)!;
    expect(area(mapContours(even, 6).regions[0]!.rings) / sheet).toBeCloseTo(1, 6);
  });
});

/**
 * Tide lines of four kinds, sixty seeded rails each, read every inch up in columns 6, 12 and 24 in apart: how often the conservative bound between columns holds the
 * true edge. Columns farther apart than 12 in are said to be open between, whatever they hold.
 */
describe('between columns, on rails made of seeds', () => {
  const KINDS = {
    step: (random: () => number) => {
      const [height, at, rise] = [30 + 60 * random(), 800 + 3000 * random(), 15 + 40 * random()];
      return (x: number) => height + (x > at && x < at + 900 ? rise : 0);
    },
    gradual: (random: () => number) => {
      const [height, phase, wave] = [40 + 60 * random(), 6 * random(), 500 + 900 * random()];
      return (x: number) => height + 25 * Math.sin(phase + x / wave);
    },
    ragged: (random: () => number) => {
      const height = 50 + 40 * random();
      const teeth = Array.from({ length: 60 }, () => 12 * (random() - 0.5));
      return (x: number) => height + 15 * Math.sin(x / 700) + teeth[Math.floor(x / 100) % 60]!;
    },
    'two pockets': (random: () => number) => {
      const [height, one, other] = [30 + 20 * random(), 900 + 1000 * random(), 2600 + 1000 * random()];
      const pocket = (x: number, at: number) => 60 * Math.exp(-(((x - at) / 380) ** 2));
      return (x: number) => height + pocket(x, one) + pocket(x, other);
    },
  };
  /** Multiply with carry (G. Marsaglia). */
  const seeded = (seed: number) => {
    let [z, w] = [362_436_069, 521_288_629 + seed];
    return () => {
      z = (36_969 * (z & 65_535) + (z >>> 16)) >>> 0;
      w = (18_000 * (w & 65_535) + (w >>> 16)) >>> 0;
      return ((((z << 16) + w) >>> 0) + 0.5) / 4_294_967_296;
    };
  };
  const held = (kind: keyof typeof KINDS, apartIn: number): number => {
    let [within, all] = [0, 0];
    for (let seed = 1; seed <= 60; seed++) {
      const random = seeded(7001 * seed);
      for (let k = 0; k < 20; k++) random();
      const truth = KINDS[kind](random);
      const first = 150 + 150 * random();
      const stations = Array.from({ length: 200 }, (_, k) => first + k * apartIn * 25.4).filter(
        (x) => x < 4800,
      );
      const rows = Array.from({ length: 8 }, (_, k) => 6 + k * 25.4);
      const [edge] = soundEdges(
        rail,
        stations.flatMap((x) => column(x, truth(x), rows)),
        4.8,
      );
      for (let x = first + 5; x < stations[stations.length - 1]!; x += 17) {
        all++;
        if (edgeAt(edge!, x)!.upperMm >= truth(x) - 1e-9) within++;
      }
    }
    return within / all;
  };
  test.each([
    ['step', 6, 0.99],
    ['step', 12, 0.99],
    ['gradual', 6, 0.99],
    ['gradual', 12, 0.99],
    ['ragged', 6, 0.97],
    ['ragged', 12, 0.97],
    ['two pockets', 6, 0.97],
    ['two pockets', 12, 0.97],
    ['step', 24, 0.9],
    ['two pockets', 24, 0.85],
  ] as const)('%s, columns %d in apart: the bound holds at %d of the places', (kind, apartIn, least) =>
    expect(held(kind, apartIn)).toBeGreaterThan(least),
  );
});
