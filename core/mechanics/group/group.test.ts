import fc from 'fast-check';
import { groupForceAt, lineGroup, pointGroup, unheldMoment, worstInGroup, type LineWeld } from '.';

/** Rows of Blodgett's table of welds treated as lines (Design of Welded Structures, 7.4 table 5, from memory). */
describe('a weld group as a line', () => {
  const [b, d] = [80, 120];
  const sides: LineWeld[] = [
    [
      [0, 0],
      [0, d],
    ],
    [
      [b, 0],
      [b, d],
    ],
  ];
  const box: LineWeld[] = [
    ...sides,
    [
      [0, 0],
      [b, 0],
    ],
    [
      [0, d],
      [b, d],
    ],
  ];
  test('two upright lines: d²/3 about x, J = d(3b² + d²)/6', () => {
    const group = lineGroup(sides)!;
    expect(group.size).toBe(2 * d);
    expect(group.xx / (d / 2)).toBeCloseTo(d ** 2 / 3, 9);
    expect(group.xx + group.yy).toBeCloseTo((d * (3 * b ** 2 + d ** 2)) / 6, 6);
  });
  test('a box: bd + d²/3 about x, J = (b + d)³/6', () => {
    const group = lineGroup(box)!;
    expect(group.xx / (d / 2)).toBeCloseTo(b * d + d ** 2 / 3, 9);
    expect(group.xx + group.yy).toBeCloseTo((b + d) ** 3 / 6, 6);
  });
  test('an angle’s middle lies off both its legs', () => {
    const group = lineGroup([
      [
        [0, 0],
        [b, 0],
      ],
      [
        [0, 0],
        [0, d],
      ],
    ])!;
    expect(group.middle[0]).toBeCloseTo(b ** 2 / (2 * (b + d)), 9);
    expect(group.middle[1]).toBeCloseTo(d ** 2 / (2 * (b + d)), 9);
  });
  test('a bracket pushed beside its middle: worst at the far corner, direct and turning as vectors', () => {
    const group = lineGroup(box)!;
    const push = { at: [b / 2 + 200, d / 2] as const, y: -10_000 };
    const polar = (b + d) ** 3 / 6;
    const [turn, direct] = [(10_000 * 200) / polar, 10_000 / group.size];
    const { force, at } = worstInGroup(group, push);
    expect(at[0]).toBe(b);
    expect(force).toBeCloseTo(Math.hypot((turn * d) / 2, direct + (turn * b) / 2), 6);
  });
  test('a load out of the plane below the middle bends it: M/S on its edge', () => {
    const group = lineGroup(sides)!;
    const pull = { at: [b / 2, -100] as const, z: 5000 };
    const [, , z] = groupForceAt(group, pull, [0, 0]);
    expect(z).toBeCloseTo(5000 / (2 * d) + (5000 * (100 + d / 2)) / (d ** 2 / 3), 6);
  });
  test('nothing welded is no group; a single line holds no moment about itself, and says so', () => {
    expect(lineGroup([])).toBeUndefined();
    expect(
      lineGroup([
        [
          [5, 5],
          [5, 5],
        ],
      ]),
    ).toBeUndefined();
    const single = lineGroup([
      [
        [0, 0],
        [0, d],
      ],
    ])!;
    expect(unheldMoment(single, { at: [0, d / 2], my: 700 })).toBeCloseTo(700, 9);
    expect(unheldMoment(single, { at: [0, d / 2], mx: 700 })).toBeCloseTo(0, 9);
    expect(unheldMoment(lineGroup(sides)!, { at: [0, 0], my: 700, mx: 3, z: 9 })).toBe(0);
    const [, , z] = groupForceAt(single, { at: [0, d / 2], mx: 700 }, [0, d]);
    expect(z).toBeCloseTo((700 * (d / 2)) / (d ** 3 / 12), 9);
  });
});

describe('bolts as points', () => {
  test('four in a square under a load beside them, by hand: AISC Manual part 7, elastic method', () => {
    const s = 75;
    const group = pointGroup([
      [0, 0],
      [s, 0],
      [0, s],
      [s, s],
    ])!;
    const { force } = worstInGroup(group, { at: [s / 2 + 150, s / 2], y: -40_000 });
    const turn = (40_000 * 150) / (4 * 2 * (s / 2) ** 2);
    expect(force).toBeCloseTo(Math.hypot(turn * (s / 2), 10_000 + turn * (s / 2)), 6);
  });
  test('one bolt takes all of it and holds no moment', () => {
    const one = pointGroup([[3, 4]])!;
    expect(worstInGroup(one, { at: [100, 0], x: 300, y: 400 }).force).toBeCloseTo(500, 9);
    expect(unheldMoment(one, { at: [3, 4], mx: 3, my: 4 })).toBeCloseTo(5, 9);
    expect(pointGroup([])).toBeUndefined();
  });
  test('a group turned as a whole carries the same', () => {
    const coordinate = fc.integer({ min: -200, max: 200 });
    fc.assert(
      fc.property(
        fc.array(fc.tuple(coordinate, coordinate), { minLength: 3, maxLength: 7 }),
        fc.tuple(coordinate, coordinate),
        fc.integer({ min: -9000, max: 9000 }),
        fc.integer({ min: -9000, max: 9000 }),
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        (places, at, z, y, turn) => {
          const turned = ([px, py]: readonly number[]): [number, number] => [
            px! * Math.cos(turn) - py! * Math.sin(turn),
            px! * Math.sin(turn) + py! * Math.cos(turn),
          ];
          const group = pointGroup(places)!;
          const polar = group.xx + group.yy;
          // Nearly a single row is neither here nor there.
          fc.pre(polar > 1 && group.xx * group.yy - group.xy ** 2 > 1e-3 * polar ** 2);
          const [pushX, pushY] = turned([0, y]);
          const one = worstInGroup(group, { at, y, z }).force;
          const other = worstInGroup(pointGroup(places.map(turned))!, {
            at: turned(at),
            x: pushX,
            y: pushY,
            z,
          }).force;
          expect(Math.abs(one - other)).toBeLessThan(1e-6 * Math.max(1, one));
        },
      ),
    );
  });
});
