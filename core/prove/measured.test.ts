import { randomLcg, randomNormal } from 'd3-random';
import { DEFAULT_GEOMETRY_PRACTICE as LIMITS } from '../reference';
import type { Geometry, GeometryMeasure } from '../weigh';
import { changesBetween, changesSince, flexPairs, type Flex } from '.';

const geometry = (measure: GeometryMeasure, at: string, more: Partial<Geometry> = {}): Geometry => ({
  kind: 'geometry',
  id: `g ${at}`,
  measure,
  instrument: 'tape',
  stood: 'on its wheels, empty',
  by: 'RK',
  at,
  note: '',
  ...more,
});
const diagonals = (oneMm: number, otherMm = 3000): GeometryMeasure => ({
  of: 'diagonals',
  place: 'rear',
  oneMm,
  otherMm,
});
const line = (offs: readonly number[], stepMm = 500): GeometryMeasure => ({
  of: 'line',
  memberId: 'rail-left',
  direction: 'up',
  marks: offs.map((offMm, k) => ({ stationMm: k * stepMm, offMm })),
});
const [BEFORE, AFTER] = ['2026-11-01T08:00:00Z', '2026-11-20T08:00:00Z'];
const between = (was: GeometryMeasure, is: GeometryMeasure, more: Partial<Geometry> = {}) =>
  changesBetween(geometry(was, BEFORE), geometry(is, AFTER, more), LIMITS);

describe('measured before and after', () => {
  test('a diagonal that is where it was, moved, or too near to be told', () => {
    const of = (mm: number, plusMinus: number) =>
      changesBetween(
        geometry(diagonals(3000), BEFORE, { plusMinus }),
        geometry(diagonals(3000 + mm), AFTER, { plusMinus }),
        LIMITS,
      )[0]!;
    // The limit is 3.175 mm; two readings of ±1 differ by ±1.414.
    expect(of(1.7, 1).by).toBeCloseTo(1.7, 9);
    expect(of(1.7, 1).says).toBe('as it was');
    expect(of(1.8, 1)).toMatchObject({ says: 'can’t say', notSaid: 'near its limit' });
    expect(of(4.5, 1).says).toBe('can’t say');
    expect(of(4.7, 1).says).toBe('moved');
    expect(of(-4.7, 1).says).toBe('moved');
    expect(of(0, 1).plusMinus).toBeCloseTo(Math.SQRT2, 12);
  });
  test('an instrument out of date, before or after, says what moved and never that it is as it was', () => {
    const of = (mm: number, before?: string, after?: string) =>
      changesBetween(
        geometry(diagonals(3000), BEFORE, { plusMinus: 1, ...(before && { checkedOn: before }) }),
        geometry(diagonals(3000 + mm), AFTER, { plusMinus: 1, ...(after && { checkedOn: after }) }),
        LIMITS,
      )[0]!;
    const old = { says: 'can’t say', notSaid: 'instrument out of date' };
    expect(of(0, '2026-01-01', '2026-01-01').says).toBe('as it was');
    expect(of(0, '2024-01-01')).toMatchObject(old);
    expect(of(0, undefined, '2024-01-01')).toMatchObject(old);
    expect(of(1.8, '2024-01-01')).toMatchObject({ notSaid: 'near its limit' });
    expect(of(20, '2024-01-01').says).toBe('moved');
  });
  test('the error of a difference, and of a bow, is what draws of its readings scatter by (seeded, 20,000)', () => {
    const sigma = 0.7 / 2;
    const draw = randomNormal.source(randomLcg(0.31))(0, sigma);
    const marks = [0, 0.3, 1];
    const bow = () => {
      const [first, mark, last] = marks.map(() => draw());
      return mark! - (first! + marks[1]! * (last! - first!));
    };
    const draws = Array.from({ length: 20_000 }, () => bow() - bow());
    const spread = Math.sqrt(draws.reduce((sum, each) => sum + each * each, 0) / draws.length);
    const at = (offs: number[]): GeometryMeasure => ({
      ...(line(offs) as Extract<GeometryMeasure, { of: 'line' }>),
      marks: marks.map((share, k) => ({ stationMm: share * 3000, offMm: offs[k]! })),
    });
    const laser = { instrument: 'laser line' as const };
    const [change] = changesBetween(
      geometry(at([0, 0, 0]), BEFORE, laser),
      geometry(at([0, 0, 0]), AFTER, laser),
      LIMITS,
    );
    expect(change!.plusMinus / (2 * spread)).toBeGreaterThan(0.97);
    expect(change!.plusMinus / (2 * spread)).toBeLessThan(1.03);
  });
  test('a line laid elsewhere, tilted or shifted, is no bend; a bow is', () => {
    const laser = { instrument: 'laser line' as const };
    const of = (offs: number[]) =>
      changesBetween(
        geometry(line([0, 0, 0, 0, 0]), BEFORE, laser),
        geometry(line(offs), AFTER, laser),
        LIMITS,
      );
    expect(of([7, 9, 11, 13, 15]).map(({ says }) => says)).toEqual(['as it was', 'as it was', 'as it was']);
    // 2 m between the ends may bow 4.17 mm.
    expect(of([0, 5, 7, 5, 0]).map(({ says }) => says)).toContain('moved');
  });
  test('marks told in any order are the same line', () => {
    const told = line([0, 4, 1, 0]) as Extract<GeometryMeasure, { of: 'line' }>;
    const anyhow = { ...told, marks: [told.marks[2]!, told.marks[0]!, told.marks[3]!, told.marks[1]!] };
    const figures = (first: GeometryMeasure) =>
      between(first, line([0, 0, 0, 0])).map(({ atMm, by, plusMinus }) => ({ atMm, by, plusMinus }));
    expect(figures(anyhow)).toEqual(figures(told));
    expect(figures(anyhow).map(({ atMm }) => atMm)).toEqual(expect.arrayContaining([[500], [1000]]));
  });
  test('marks at other ends are another line; two marks only are none', () => {
    expect(between(line([0, 0, 0]), line([0, 0, 0], 600))).toEqual([]);
    expect(between(line([0, 0, 0]), line([0, 0, 0])).map(({ name, atMm }) => [name, atMm])).toEqual([
      ['line, up', [500]],
    ]);
  });
  test.each([
    [0, 1005, 1],
    [0, 1005.1, 0],
    [5, 1000, 1],
    [5.1, 1000, 0],
  ])('a line from %d to %d mm against one from 0 to 1000: %d figures', (fromMm, toMm, count) => {
    const of = (stations: readonly number[]): GeometryMeasure => ({
      ...(line([0, 0, 0]) as Extract<GeometryMeasure, { of: 'line' }>),
      marks: stations.map((stationMm) => ({ stationMm, offMm: 0 })),
    });
    expect(between(of([0, 500, 1000]), of([fromMm, 500, toMm]))).toHaveLength(count);
  });
  test.each([
    [505, 1],
    [505.1, 0],
    [495, 1],
    [494.9, 0],
  ])('a mark at %d mm against one at 500: %d figures', (stationMm, count) => {
    const middle = (mm: number): GeometryMeasure => ({
      ...(line([0, 0, 0]) as Extract<GeometryMeasure, { of: 'line' }>),
      marks: [0, mm, 1000].map((each) => ({ stationMm: each, offMm: 0 })),
    });
    expect(between(middle(500), middle(stationMm))).toHaveLength(count);
  });
  test('of marks nearer each other than that, each with the one nearest to it', () => {
    const dented: GeometryMeasure = {
      ...(line([0, 0, 0, 0]) as Extract<GeometryMeasure, { of: 'line' }>),
      marks: [
        [0, 0],
        [500, 0],
        [503, 9],
        [1000, 0],
      ].map(([stationMm, offMm]) => ({ stationMm: stationMm!, offMm: offMm! })),
    };
    expect(between(dented, dented).map(({ by }) => by)).toEqual([0, 0]);
  });
  test('a part of a bowed line measured again, its ends elsewhere, is another line', () => {
    const arc = [0, 15, 20, 15, 0];
    expect(between(line(arc), line(arc.slice(0, 3)))).toEqual([]);
    expect(between(line(arc), line(arc))).toHaveLength(3);
  });
  test('each mark of a line is held against the last line before the cut that has it, by the same ends', () => {
    const told = line([0, 0, 0, 0, 0]) as Extract<GeometryMeasure, { of: 'line' }>;
    const only = (...at: number[]): GeometryMeasure => ({
      ...told,
      marks: told.marks.filter(({ stationMm }) => at.includes(stationMm)),
    });
    const raised = (by: number, measure: GeometryMeasure): GeometryMeasure => ({
      ...(measure as typeof told),
      marks: (measure as typeof told).marks.map((mark) => ({
        ...mark,
        offMm: mark.stationMm === 1000 ? by : 0,
      })),
    });
    const day = (n: number) => `2026-11-0${n}T08:00:00Z`;
    const since = { cutAt: day(5), since: day(6) };
    const of = (...before: readonly GeometryMeasure[]) =>
      changesSince(
        [...before.map((measure, k) => geometry(measure, day(k + 1))), geometry(raised(9, told), day(7))],
        since,
        LIMITS,
      )
        .map(({ atMm, by }) => [atMm![0], by])
        .sort();
    expect(of(told)).toEqual([
      [1000, 9],
      [1500, 0],
      [500, 0],
    ]);
    // Its other half, and the middle mark alone by the same ends, measured again before the cut.
    expect(of(told, only(0, 500, 1000))).toEqual([
      [1000, 9],
      [1500, 0],
      [500, 0],
    ]);
    expect(of(told, raised(4, only(0, 1000, 2000)))).toEqual([
      [1000, 5],
      [1500, 0],
      [500, 0],
    ]);
    expect(of(raised(4, only(0, 1000, 2000)), told)).toEqual([
      [1000, 9],
      [1500, 0],
      [500, 0],
    ]);
    expect(of(only(0, 500, 1000))).toEqual([]);
  });
  test('a place is the same however it is written', () => {
    const written = { ...diagonals(3010), place: 'Rear' } as GeometryMeasure;
    expect(between(diagonals(3000), written).map(({ by, says }) => [by, says])).toEqual([
      [10, 'moved'],
      [0, expect.anything()],
    ]);
  });
  test('what moved stands first, and of that what moved most beyond its limit', () => {
    const at = (place: 'front' | 'rear', mm: number): GeometryMeasure =>
      ({ of: 'diagonals', place, oneMm: 3000 + mm, otherMm: 3000 }) as GeometryMeasure;
    const measured = [
      geometry(at('front', 0), BEFORE),
      geometry(at('rear', 0), BEFORE),
      geometry(line([0, 0, 0]), BEFORE),
      geometry(line([0, 0, 0]), AFTER),
      geometry(at('front', 20), AFTER),
      geometry(at('rear', -30), AFTER),
    ];
    const found = changesSince(
      measured,
      { cutAt: '2026-11-10T00:00:00Z', since: '2026-11-15T00:00:00Z' },
      LIMITS,
    );
    expect(found.map(({ says }) => says)).toEqual(['moved', 'moved', 'can’t say', 'as it was', 'as it was']);
    expect(found.slice(0, 2).map(({ by }) => by)).toEqual([-30, 20]);
  });
  test('what bends under its load is told only of a unit that stood the same', () => {
    const [change] = between(line([0, 0, 0]), line([0, 9, 0]), { stood: 'on stands' });
    expect(change).toMatchObject({ says: 'can’t say', notSaid: 'stood differently' });
    expect(between(diagonals(3000), diagonals(3009), { stood: 'on stands' })[0]!.says).toBe('moved');
  });
  test('another place, another thing: nothing is compared', () =>
    expect(between(diagonals(3000), { ...diagonals(3000), place: 'front' } as GeometryMeasure)).toEqual([]));
  test('mounts by their distances, whichever corner they were measured from; twins by how they differ', () => {
    const set = (shift: number, far: number): GeometryMeasure => ({
      of: 'mounts',
      set: 'front',
      points: [
        { name: 'A', xMm: shift, yMm: 0, zMm: 0 },
        { name: 'B', xMm: shift + far, yMm: 0, zMm: 0 },
        { name: 'C', xMm: shift, yMm: 600, zMm: 0 },
      ],
    });
    expect(between(set(0, 800), set(300, 800)).map(({ by }) => by)).toEqual([0, 0, 0]);
    expect(between(set(0, 800), set(300, 812)).filter(({ says }) => says === 'moved').length).toBe(2);
    const twins = (up: number): GeometryMeasure => ({
      of: 'twins',
      place: 'hanger',
      left: { alongMm: 0, upMm: up },
      right: { alongMm: 0, upMm: 0 },
    });
    expect(between(twins(0), twins(8)).map(({ says }) => says)).toEqual(['as it was', 'moved']);
  });
  test('the last before the first cut against the last after the last weld; what lies between is neither', () => {
    const of = (at: string, mm: number) => geometry(diagonals(mm), at);
    const measured = [
      of('2026-11-01T08:00:00Z', 3000),
      of('2026-11-02T08:00:00Z', 3001),
      of('2026-11-10T08:00:00Z', 3050),
      of('2026-11-20T08:00:00Z', 3002),
    ];
    const when = { cutAt: '2026-11-05T08:00:00Z', since: '2026-11-15T08:00:00Z' };
    expect(changesSince(measured, when, LIMITS)[0]).toMatchObject({ was: 3001, is: 3002 });
    expect(changesSince(measured, { ...when, since: '2026-11-21T08:00:00Z' }, LIMITS)).toEqual([]);
    expect(changesSince(measured, { ...when, cutAt: '2026-11-01T08:00:00Z' }, LIMITS)).toEqual([]);
  });
});

describe('the same push', () => {
  const flex = (at: string, gaveMm: number, more: Partial<Flex> = {}): Flex => ({
    kind: 'flex',
    id: at,
    by: 'RK',
    at,
    note: '',
    place: 'gear against rail',
    push: 'wheel turned by one',
    state: 'empty, on its wheels',
    gaveMm,
    changed: '',
    ...more,
  });
  const when = { cutAt: '2026-11-05T08:00:00Z', since: '2026-11-15T08:00:00Z' };
  const says = (was: number, is: number, more: Partial<Flex> = {}) =>
    flexPairs([flex(BEFORE, was), flex(AFTER, is, more)], when)[0]!.says;
  test('less, more, as before, or nothing that can be told; half a millimetre each is told apart by 0.707', () => {
    expect(says(6, 2)).toBe('gives less');
    expect(says(6, 5.29)).toBe('gives less');
    expect(says(6, 5.3)).toBe('gives as before');
    expect(says(2, 2.8)).toBe('gives more');
    expect(says(0.3, 0.1)).toBe('can’t say');
  });
  test('something else changed meanwhile: it is not put down to the repair, whoever said so between', () => {
    expect(says(6, 2, { changed: 'gear adjusted' })).toBe('not attributable');
    const between = flex('2026-11-10T08:00:00Z', 4, { changed: 'hitch swapped' });
    expect(flexPairs([flex(BEFORE, 6), between, flex(AFTER, 2)], when)[0]!.says).toBe('not attributable');
    expect(flexPairs([flex(BEFORE, 6, { changed: 'tyres' }), flex(AFTER, 2)], when)[0]!.says).toBe(
      'gives less',
    );
  });
  test('another push or another state is another pair', () => {
    const pairs = flexPairs([flex(BEFORE, 6), flex(AFTER, 2, { push: 'bar of one metre' })], when);
    expect(pairs.map(({ says: each }) => each)).toEqual(['measured once', 'measured once']);
    expect(flexPairs([flex(BEFORE, 6), flex(AFTER, 2, { state: 'hitched' })], when)).toHaveLength(2);
    expect(flexPairs([flex(BEFORE, 6), flex(AFTER, 2, { place: 'Gear against RAIL' })], when)).toHaveLength(
      1,
    );
  });
  test('a pair shows both figures: the last before the first cut, the last after the last weld', () => {
    const all = [
      flex('2026-11-01T08:00:00Z', 7),
      flex(BEFORE, 6),
      flex('2026-11-15T09:00:00Z', 3),
      flex(AFTER, 2),
    ];
    const [pair] = flexPairs(all, when);
    expect([pair!.before!.gaveMm, pair!.after!.gaveMm]).toEqual([6, 2]);
    const [once] = flexPairs(all.slice(2), when);
    expect([once!.before, once!.after!.gaveMm]).toEqual([undefined, 2]);
  });
  test('the ratio holds the true one by its errors', () => {
    const { ratio } = flexPairs([flex(BEFORE, 6), flex(AFTER, 3)], when)[0]!;
    expect(ratio!.is).toBe(0.5);
    expect(ratio!.low).toBeCloseTo(2.5 / 6.5, 12);
    expect(ratio!.high).toBeCloseTo(3.5 / 5.5, 12);
    expect(flexPairs([flex(BEFORE, 0.5), flex(AFTER, 0)], when)[0]!.ratio).toBeUndefined();
  });
  test('pushed at the very moment of the first cut it is before nothing; after the last weld, only what is later', () => {
    const of = (first: string, last: string) => flexPairs([flex(first, 6), flex(last, 2)], when)[0]!.says;
    expect(of('2026-11-05T07:59:59Z', '2026-11-15T08:00:01Z')).toBe('gives less');
    expect(of('2026-11-05T08:00:00Z', '2026-11-15T08:00:01Z')).toBe('measured once');
    expect(of('2026-11-05T07:59:59Z', '2026-11-15T08:00:00Z')).toBe('measured once');
  });
  test('nothing cut yet: what is read is before nothing', () =>
    expect(flexPairs([flex(BEFORE, 6)], {})[0]!.says).toBe('measured once'));
});
