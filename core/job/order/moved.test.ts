import { DEFAULT_PRACTICE } from '../../reference';
import type { GeometryMeasure } from '../../weigh';
import { movedBetween } from './moved';

const limits = DEFAULT_PRACTICE.geometry;
const moved = (was: GeometryMeasure, is: GeometryMeasure) =>
  movedBetween({ measure: was }, { measure: is }, limits);
const wheelbase = (leftMm: number, rightMm: number): GeometryMeasure => ({
  of: 'wheelbase',
  fromId: 'axle-1',
  toId: 'axle-2',
  leftMm,
  rightMm,
});
const diagonals = (place: string, oneMm: number, otherMm: number): GeometryMeasure => ({
  of: 'diagonals',
  place,
  oneMm,
  otherMm,
});
const line = (...marks: readonly (readonly [number, number])[]): GeometryMeasure => ({
  of: 'line',
  memberId: 'rail-left',
  direction: 'up',
  marks: marks.map(([stationMm, offMm]) => ({ stationMm, offMm })),
});

test('each side of the wheelbase by itself, whichever way it went', () =>
  expect(moved(wheelbase(3400, 3402), wheelbase(3403, 3401))).toEqual([
    { name: 'wheelbase, left', movedMm: 3, limitMm: limits.sidesMm },
    { name: 'wheelbase, right', movedMm: 1, limitMm: limits.sidesMm },
  ]));

test('each diagonal by itself, however its place is written; of another place they say nothing', () => {
  expect(moved(diagonals('cab', 3000, 3001), diagonals('cab', 2994, 3003))).toEqual([
    { name: 'cab, one diagonal', movedMm: 6, limitMm: limits.diagonalsMm },
    { name: 'cab, the other diagonal', movedMm: 2, limitMm: limits.diagonalsMm },
  ]);
  expect(moved(diagonals('cab', 3000, 3001), diagonals('Cab', 2994, 3003))).toHaveLength(2);
  expect(moved(diagonals('cab', 3000, 3001), diagonals('rear', 2994, 3003))).toEqual([]);
  expect(moved(diagonals('cab', 3000, 3001), wheelbase(2994, 3003))).toEqual([]);
});

describe('a line', () => {
  const was = line([0, 10], [1000, 12], [2000, 10]);
  const by = (is: GeometryMeasure) => moved(was, is).map(({ movedMm }) => movedMm);
  test('by how its bow changed, beside its share of its length', () =>
    expect(moved(was, line([0, 10], [1000, 15], [2000, 10]))).toEqual([
      { name: 'line, up', movedMm: 3, limitMm: 2000 * limits.lineShare },
    ]));
  test('the beam set up elsewhere, higher or aslant, moved nothing', () => {
    expect(by(line([0, 40], [1000, 42], [2000, 40]))).toEqual([0]);
    expect(by(line([0, 10], [1000, 17], [2000, 20]))).toEqual([0]);
  });
  test('in whichever order its marks were put', () =>
    expect(by(line([2000, 10], [0, 10], [1000, 15]))).toEqual([3]));
  test('two marks measured both times tell of no bow; marks a hair’s breadth apart are the same', () => {
    expect(by(line([0, 10], [1000, 15]))).toEqual([]);
    expect(by(line([0, 10], [1001, 15], [2000, 10]))).toEqual([]);
    expect(by(line([0, 10], [1000.9, 15], [2000, 10]))).toEqual([3]);
  });
  /** A rail that was always bowed, off its ends by a parabola. */
  const arc = (stationMm: number) => [stationMm, (20 * stationMm * (4000 - stationMm)) / 4000 ** 2] as const;
  test('a part of a bowed line measured again, where nothing moved, says that nothing did', () => {
    const whole = line(...[0, 1000, 2000, 3000, 4000].map(arc));
    const half = line(...[0, 1000, 2000].map(arc));
    expect(moved(whole, half)).toEqual([
      { name: 'line, up', movedMm: expect.closeTo(0, 9), limitMm: 2000 * limits.lineShare },
    ]);
  });
});
