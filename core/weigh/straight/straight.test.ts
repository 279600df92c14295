import { randomLcg, randomNormal } from 'd3-random';
import { DEFAULT_GEOMETRY_PRACTICE } from '../../reference';
import { defaultFrame, FAMILY_IDS, familyOf } from '../../frame';
import { inchesToMm } from '../../quantity';
import { differenceErrorMm, lengthErrorMm } from './instruments';
import {
  bowsOf,
  diagonalsOf,
  frameIs,
  geometryChecks,
  geometryKind,
  geometrySchema,
  offLine,
  offPlane,
  straightOrNot,
  wheelbaseEnds,
  type Figure,
  type Geometry,
  type GeometryMeasure,
  type Instrument,
  type Stood,
} from '.';

let made = 0;
const stamp = (day = 1) => ({
  id: `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`,
  by: 'RK',
  at: `2026-11-${String(day).padStart(2, '0')}T08:00:00Z`,
  note: '',
});
const measured = (
  measure: GeometryMeasure,
  instrument: Instrument = 'trammel',
  more: Partial<Geometry> & { readonly day?: number } = {},
): Geometry => {
  const { day, ...rest } = more;
  return { kind: 'geometry', ...stamp(day), measure, instrument, stood: 'on its wheels, empty', ...rest };
};
const figure = (of: Figure['figure'], more: Partial<Figure> = {}): Figure => ({
  kind: 'figure',
  ...stamp(),
  figure: of,
  from: 'the maker',
  where: 'page 12',
  ...more,
});
const LIMITS = DEFAULT_GEOMETRY_PRACTICE;
const check = (record: Geometry, ...figures: Figure[]) => geometryChecks([record], figures, LIMITS);
const wheelbase = (leftMm: number, rightMm: number): GeometryMeasure => ({
  of: 'wheelbase',
  fromId: 'axle-1',
  toId: 'axle-2',
  leftMm,
  rightMm,
});

describe('out and straight only beyond doubt of the instrument', () => {
  test.each([
    [3, 1, 4, 'straight'],
    [3.001, 1, 4, 'can’t say'],
    [5, 1, 4, 'can’t say'],
    [5.001, 1, 4, 'out'],
    [-5.001, 1, 4, 'out'],
    [0, 5, 4, 'can’t say'],
    [Number.NaN, 1, 4, 'out'],
  ] as const)('%d ± %d against %d: %s', (value, error, limit, is) =>
    expect(straightOrNot(value, error, limit)).toBe(is),
  );
});

describe('instruments', () => {
  test('a class II tape: 0.3 + 0.2 L mm for every metre begun (from memory), and 1 mm for hook and eye', () => {
    expect(lengthErrorMm('tape', 4000)).toBeCloseTo(0.3 + 0.2 * 4 + 1, 9);
    expect(lengthErrorMm('tape', 4001)).toBeCloseTo(0.3 + 0.2 * 5 + 1, 9);
  });
  test('left against right with one tape: its scale errs on both alike', () => {
    expect(differenceErrorMm('tape', 12_000, 12_000)).toBeCloseTo(1.3 * Math.SQRT2, 9);
    expect(differenceErrorMm('tape', 12_000, 12_000)).toBeLessThan(lengthErrorMm('tape', 12_000));
    // No scale runs along a trammel: however long and however unlike what it spans.
    expect(lengthErrorMm('trammel', 9000)).toBe(0.7);
    expect(differenceErrorMm('trammel', 4000, 1000)).toBeCloseTo(0.7 * Math.SQRT2, 9);
  });
});

describe('wheelbase', () => {
  // A trammel differs by 0.7·√2 = 0.99 mm; the limit is 1/8 in.
  const error = 0.7 * Math.SQRT2;
  const limit = inchesToMm(1 / 8);
  test.each([
    [limit - error - 0.01, 'straight'],
    [limit - error + 0.01, 'can’t say'],
    [limit + error - 0.01, 'can’t say'],
    [limit + error + 0.01, 'out'],
  ])('one side %d mm longer: %s', (longer, is) =>
    expect(check(measured(wheelbase(4000 + longer, 4000)))).toMatchObject([
      { says: 'one side longer', is, value: expect.closeTo(longer, 6) },
    ]),
  );
  test('which side is longer does not matter; a finer reading decides what a tape cannot', () => {
    expect(check(measured(wheelbase(4000, 4005)))[0]!.is).toBe('out');
    expect(check(measured(wheelbase(4002, 4000), 'tape'))[0]!.is).toBe('can’t say');
    expect(check(measured(wheelbase(4002, 4000), 'tape', { plusMinus: 0.5 }))[0]!.is).toBe('straight');
  });
  test('beside the maker’s figure, whole errors count and the further side decides; its own tolerance stands for the shop’s', () => {
    const maker = figure({ of: 'wheelbase', fromId: 'axle-2', toId: 'axle-1', mm: 4000 });
    const both = check(measured(wheelbase(4009, 4009), 'tape'), maker);
    expect(both.map(({ says, is }) => [says, is])).toEqual([
      ['off its figure', 'out'],
      ['one side longer', 'straight'],
    ]);
    expect(both[0]).toMatchObject({
      value: 9,
      plusMinus: lengthErrorMm('tape', 4000),
      limit: inchesToMm(1 / 4),
    });
    const wide = check(measured(wheelbase(4009, 4009), 'tape'), { ...maker, toleranceMm: 12 });
    expect(wide.map(({ is }) => is)).toEqual(['straight', 'straight']);
    expect(
      check(measured(wheelbase(4009, 4009)), figure({ of: 'diagonals', place: 'x', mm: 1 })),
    ).toHaveLength(1);
  });
});

describe('what was measured again takes the place of what was measured before', () => {
  const first = measured(wheelbase(4020, 4000));
  const again = measured(wheelbase(4000, 4000), 'trammel', { day: 5 });
  test('whichever came in first', () => {
    expect(geometryChecks([first, again], [], LIMITS).map(({ is }) => is)).toEqual(['straight']);
    expect(geometryChecks([again, first], [], LIMITS).map(({ is }) => is)).toEqual(['straight']);
  });
  test('what a trammel saw out no tape clears that cannot tell; one that can does', () => {
    const said = (...records: Geometry[]) => geometryChecks(records, [], LIMITS).map(({ is }) => is);
    const out = measured(wheelbase(4006, 4000), 'trammel', { day: 1 });
    const tape = (longer: number) => measured(wheelbase(4000 + longer, 4000), 'tape', { day: 3 });
    expect(said(tape(3.5))).toEqual(['can’t say']);
    expect(said(out, tape(3.5))).toEqual(['out']);
    expect(said(out, tape(0.2))).toEqual(['straight']);
    // The other way round: what was straight and is now open is open.
    expect(said(measured(wheelbase(4000, 4000)), tape(3.5))).toEqual(['can’t say']);
  });
  test('another thing is another: both stand, the worse first', () => {
    const other = measured({ of: 'diagonals', place: 'rails', oneMm: 3000, otherMm: 3010 }, 'trammel');
    expect(geometryChecks([again, other], [], LIMITS).map(({ says, is }) => [says, is])).toEqual([
      ['diagonals differ', 'out'],
      ['one side longer', 'straight'],
    ]);
  });
});

describe('level across and angles along', () => {
  const across = (degrees: number, stood: Stood = 'on its wheels, empty') =>
    check(
      measured(
        {
          of: 'level across',
          stations: [
            { stationMm: 500, degrees: 0.3 },
            { stationMm: 2500, degrees: 0.3 },
            { stationMm: 4500, degrees: 0.3 + degrees },
          ],
        },
        'angle finder',
        { stood },
      ),
    )[0]!;
  const error = 0.1 * Math.SQRT2;
  test.each([
    [0.5 - error - 0.001, 'straight'],
    [0.5, 'can’t say'],
    [0.5 + error + 0.001, 'out'],
  ])('%d° from end to end: %s; a floor that slopes all along says nothing', (degrees, is) =>
    expect(across(degrees)).toMatchObject({ is, quantity: 'angle', says: 'twisted' }),
  );
  test.each(['on its wheels, loaded', 'on a lift', 'on stands'] as const)(
    'a twist read %s may be what holds it up; straight there is straight',
    (stood) => {
      expect(across(3, stood)).toMatchObject({ is: 'can’t say', notSaid: 'as it stood' });
      expect(across(0.1, stood).is).toBe('straight');
    },
  );
});

describe('a line along a member', () => {
  const marks = (...offs: readonly number[]) =>
    offs.map((offMm, k) => ({ stationMm: (k * 6000) / (offs.length - 1), offMm }));
  const line = (offs: readonly number[], direction: 'up' | 'across' = 'across', stood?: Stood) =>
    check(
      measured({ of: 'line', memberId: 'rail-left', direction, marks: marks(...offs) }, 'laser line', {
        ...(stood && { stood }),
      }),
    )[0]!;
  // 6 m: 6000/480 = 12.5 mm (ASTM A6, from memory); the middle mark's error 0.7·√1.5.
  const error = 0.7 * Math.sqrt(1.5);
  test.each([
    [12.5 - error - 0.01, 'straight'],
    [12.5, 'can’t say'],
    [12.5 + error + 0.01, 'out'],
    [-(12.5 + error + 0.01), 'out'],
  ])('bowed %d mm in 6 m: %s', (bow, is) =>
    expect(line([50, 50 + bow, 50])).toMatchObject({
      is,
      limit: 12.5,
      value: expect.closeTo(Math.abs(bow), 6),
    }),
  );
  test('a beam that runs off at an angle bows nothing', () => {
    expect(line([10, 20, 30, 40])).toMatchObject({ is: 'straight', value: expect.closeTo(0, 9) });
  });
  test('a kink is found where it is, though the whole is within its limit', () => {
    const kinked = line([0, 0, 0, 9, 0, 0, 0]);
    expect(kinked).toMatchObject({ is: 'out', at: { fromMm: 2000, toMm: 4000 } });
    expect(kinked.value).toBeCloseTo(9, 9);
  });
  test('one mark that makes all of a bow is named, wherever it stands; the verdict is as harsh as without that', () => {
    const slipped = line([0.4, 0.1, 25, 0.3, 0, 0.2]);
    expect(slipped).toMatchObject({ is: 'out', lone: { atMm: 2400 } });
    expect(slipped.lone!.offMm).toBeCloseTo(25, 0);
    expect(line([25, 0, 0.3, 0, 0.2, 0.1])).toMatchObject({ is: 'out', lone: { atMm: 0 } });
    expect(line([0, 0, 0, 9, 0, 0, 0]).lone).toMatchObject({ atMm: 3000 });
  });
  test('no mark is named where the bow is shared, where three marks cannot tell which, and where nothing is out', () => {
    const parabola = [-3, -2, -1, 0, 1, 2, 3].map((x) => 30 - (30 * x * x) / 9);
    for (const offs of [parabola, [0, 13, 26, 13, 0], [0, 0, 25, 25, 0, 0], [0, 25, 0], [0, 1, 2, 1, 0]])
      expect(line(offs).lone).toBeUndefined();
  });
  test('nothing is said of a mark without which the others stand at one station', () => {
    const off = offLine([
      { stationMm: 0, offMm: 0 },
      { stationMm: 0, offMm: 2 },
      { stationMm: 1000, offMm: 5 },
    ]);
    expect(off.map(({ atMm }) => atMm)).toEqual([0, 0]);
    for (const each of off) expect(Math.abs(each.offMm)).toBeCloseTo(2, 9);
  });
  test('a third of what the one mark is off is left to the others, no more', () => {
    // With the fourth mark left out, the others' largest bow is the second's, over 0 to 6 m; off the line of the others the fourth is `off`.
    const made = (second: number) => line([0, second, 0, 30, 0, 0, 0]);
    const share = (second: number) => {
      const all = marks(0, second, 0, 30, 0, 0, 0);
      const others = bowsOf(all.filter((_, k) => k !== 3)).map(({ bowMm }) => Math.abs(bowMm));
      return Math.max(...others) / Math.abs(offLine(all)[3]!.offMm);
    };
    const [within, beyond] = [9, 10];
    expect(share(within)).toBeLessThan(1 / 3);
    expect(share(beyond)).toBeGreaterThan(1 / 3);
    expect(made(within).lone).toMatchObject({ atMm: 3000 });
    expect(made(beyond).lone).toBeUndefined();
  });
  test('a smooth bow just out is never put down to one mark, however many there are', () => {
    for (const count of [4, 5, 7, 9, 13])
      for (const bow of [14, 16, 20, 40]) {
        const offs = Array.from(
          { length: count },
          (_, k) => bow * 4 * (k / (count - 1)) * (1 - k / (count - 1)),
        );
        expect([count, bow, line(offs).lone]).toEqual([count, bow, undefined]);
      }
  });
  test('loaded, it sags by its load: bowed down says nothing, bowed sideways does', () => {
    expect(line([0, 30, 0], 'up', 'on its wheels, loaded')).toMatchObject({
      is: 'can’t say',
      notSaid: 'as it stood',
    });
    expect(line([0, 30, 0], 'across', 'on its wheels, loaded').is).toBe('out');
    expect(line([0, 30, 0], 'up').is).toBe('out');
  });
  test('one mark makes no line, an angle finder no length, one station twice no two', () => {
    const whole = measured({ of: 'line', memberId: 'a', direction: 'up', marks: marks(0, 1, 2) }, 'string');
    expect(geometrySchema.safeParse(whole).success).toBe(true);
    const [a, b] = marks(0, 1);
    for (const wrong of [
      { ...whole, measure: { ...whole.measure, marks: [a] } },
      { ...whole, instrument: 'angle finder' },
      { ...whole, measure: { ...whole.measure, marks: [a, a, b] } },
    ])
      expect(geometrySchema.safeParse(wrong).success).toBe(false);
  });
  test('the stated error of a bow is what reading errors make of it: 20,000 draws', () => {
    const normal = randomNormal.source(randomLcg(0.77))(0, 0.35);
    const [stations, bows] = [[0, 1500, 6000], [] as number[]];
    for (let k = 0; k < 20_000; k++)
      bows.push(bowsOf(stations.map((stationMm) => ({ stationMm, offMm: normal() })))[0]!.bowMm);
    const deviation = Math.sqrt(bows.reduce((sum, bow) => sum + bow * bow, 0) / bows.length);
    const { errors } = bowsOf(stations.map((stationMm) => ({ stationMm, offMm: 0 })))[0]!;
    expect(errors).toBeCloseTo(Math.sqrt(1 + 0.75 ** 2 + 0.25 ** 2), 9);
    expect(Math.abs(deviation / (0.35 * errors) - 1)).toBeLessThan(0.02);
  });
});

describe('a set of mounts', () => {
  const corners = (lift = 0, shift = 0) => [
    { name: 'LF', xMm: 0, yMm: -400, zMm: 0 },
    { name: 'RF', xMm: 0, yMm: 400, zMm: 0 },
    { name: 'LR', xMm: 700, yMm: -350, zMm: 5 },
    { name: 'RR', xMm: 700 + shift, yMm: 350, zMm: 5 + lift },
  ];
  const mounts = (points: ReturnType<typeof corners>): GeometryMeasure => ({
    of: 'mounts',
    set: 'front subframe',
    points,
  });
  const said = (points: ReturnType<typeof corners>, ...figures: Figure[]) =>
    Object.fromEntries(check(measured(mounts(points)), ...figures).map((each) => [each.says, each]));
  test('a good trapezium: equal diagonals, one plane, whatever it slopes', () => {
    expect(diagonalsOf(corners())![0]).toBeCloseTo(Math.hypot(700, 750, 5), 9);
    const good = said(corners());
    expect(good['diagonals differ']).toMatchObject({ is: 'straight', value: expect.closeTo(0, 9) });
    expect(good['mount off its plane']).toMatchObject({ is: 'straight', value: expect.closeTo(0, 9) });
  });
  test('one corner 12 mm up is off the plane of the others by about all of it, not by a quarter', () => {
    const off = offPlane(corners(12).map((point) => ({ ...point, yMm: Math.sign(point.yMm) * 400 })))!;
    for (const { offMm, errors } of off) {
      expect(Math.abs(offMm)).toBeCloseTo(12, 6);
      expect(errors).toBeCloseTo(2, 6);
    }
    expect(said(corners(12))['mount off its plane']!.is).toBe('out');
  });
  test('one corner 12 mm back: its diagonals differ', () => {
    expect(said(corners(0, 12))['diagonals differ']).toMatchObject({ is: 'out', of: ['front subframe'] });
  });
  test('beside a known-good frame measured from another corner: only what moved', () => {
    const known = corners().map((point) => ({ ...point, xMm: point.xMm + 1234, yMm: point.yMm - 77 }));
    const good = figure(
      { of: 'mounts', set: 'Front Subframe', points: known },
      { from: 'a known-good frame' },
    );
    // Another unit shows what is out, and never that this one is straight.
    expect(said(corners(), good)['mount off its figure']).toMatchObject({
      is: 'can’t say',
      notSaid: 'another unit',
    });
    const makers = { ...good, from: 'the maker' as const };
    expect(said(corners(), makers)['mount off its figure']).toMatchObject({ is: 'straight' });
    expect(said(corners(0, 12), good)['mount off its figure']).toMatchObject({
      is: 'out',
      of: ['front subframe', expect.any(String), 'RR'],
    });
  });
  test('mounts on one line span no plane', () => {
    const inLine = corners().map((point) => ({ ...point, yMm: 0 }));
    expect(offPlane(inLine)).toBeUndefined();
  });
});

describe('what can show that it is out, and never that it is straight', () => {
  const diagonals = (by: number): GeometryMeasure => ({
    of: 'diagonals',
    place: 'rear',
    oneMm: 3000,
    otherMm: 3000 + by,
  });
  const on = (checkedOn: string | undefined, by = 0) =>
    check(measured(diagonals(by), 'trammel', checkedOn === undefined ? {} : { checkedOn }))[0]!;
  test('an instrument checked a year and a day before, leap years and all, is in date; a day more is not', () => {
    expect(on(undefined).is).toBe('straight');
    expect(on('2025-11-01').is).toBe('straight');
    expect(on('2025-10-31')).toMatchObject({ is: 'can’t say', notSaid: 'instrument out of date' });
    expect(on('2025-10-31', 50).is).toBe('out');
  });
  test('it was checked before it measured, the same day at the latest', () => {
    const says = (checkedOn: string) =>
      geometrySchema.safeParse({ ...measured(diagonals(0)), checkedOn }).success;
    expect([says('2026-11-01'), says('2026-11-02'), says('yesterday')]).toEqual([true, false, false]);
  });
  test('two marks are kept, and say nothing: what a line of three showed out stays out', () => {
    const line = (...offMm: number[]): GeometryMeasure => ({
      of: 'line',
      memberId: 'rail-left',
      direction: 'across',
      marks: offMm.map((off, k) => ({ stationMm: 1000 * k, offMm: off })),
    });
    const two = measured(line(0, 300), 'laser line', { day: 2 });
    expect(geometrySchema.safeParse(two).success).toBe(true);
    expect(geometrySchema.safeParse(measured(line(0), 'laser line')).success).toBe(false);
    expect(check(two)).toMatchObject([{ is: 'can’t say', notSaid: 'two marks', memberId: 'rail-left' }]);
    expect(frameIs(check(two))).toBe('can’t say');
    const bowed = measured(line(0, 40, 0), 'laser line');
    expect(geometryChecks([bowed, two], [], LIMITS)).toMatchObject([{ is: 'out', measured: bowed }]);
    const straight = measured(line(0, 0, 0), 'laser line', { day: 3 });
    expect(geometryChecks([bowed, two, straight], [], LIMITS)[0]!.is).toBe('straight');
  });
});

describe('a bracket and its twin', () => {
  const twins = (along: number, up: number): GeometryMeasure => ({
    of: 'twins',
    place: 'shock mount',
    left: { alongMm: 1000, upMm: 200 },
    right: { alongMm: 1000 + along, upMm: 200 + up },
  });
  test.each([
    [2, 0, 'straight'],
    [0, 5, 'out'],
    [5, 0, 'out'],
    [3.2, 0, 'can’t say'],
  ])('%d along and %d up: %s', (along, up, is) =>
    expect(check(measured(twins(along, up)))[0]).toMatchObject({ says: 'twin off its place', is }),
  );
});

test('a worse measure never makes a milder answer', () => {
  const order = ['straight', 'can’t say', 'out'];
  let before = 0;
  for (let longer = 0; longer < 12; longer += 0.25) {
    const now = order.indexOf(check(measured(wheelbase(4000 + longer, 4000), 'tape'))[0]!.is);
    expect(now).toBeGreaterThanOrEqual(before);
    before = now;
  }
  expect(before).toBe(2);
});

test('a wheelbase runs between axles, and a trailer’s from what it is drawn by: every family has two ends', () => {
  for (const family of FAMILY_IDS) {
    const frame = defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' });
    const ends = wheelbaseEnds(frame);
    expect([family, ends.length > 1]).toEqual([family, true]);
    const [from, to] = [ends[0]!, ends[ends.length - 1]!];
    const record = measured({ of: 'wheelbase', fromId: from.id, toId: to.id, leftMm: 3000, rightMm: 3000 });
    expect(geometryKind.fits(frame, record).ok).toBe(true);
    const stray = { ...record, measure: { ...record.measure, toId: 'nowhere' } as GeometryMeasure };
    expect(geometryKind.fits(frame, stray).ok).toBe(false);
  }
});
