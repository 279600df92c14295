import { defaultFrame, familyOf } from '../frame';
import { crackFamilies, familyLengthMm, type Crack } from '.';

const rail = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
}).members.find(({ id }) => id === 'rail-left')!;
const crack = (
  id: string,
  from: [number, number],
  to: [number, number],
  more: Partial<Crack> = {},
): Crack => ({
  kind: 'crack',
  id,
  memberId: rail.id,
  path: [from, to].map(([stationMm, heightMm]) => ({ stationMm, face: 'web' as const, heightMm })),
  startFound: true,
  finishFound: true,
  seenBy: 'eye',
  by: 'RK',
  at: '2026-11-10T08:00:00Z',
  note: '',
  ...more,
});
const ids = (...cracks: Crack[]) =>
  crackFamilies(rail.shape, cracks).map((family) => family.map(({ id }) => id));

test('cracks apart are families of one, the longest first', () =>
  expect(ids(crack('a', [100, 20], [100, 40]), crack('b', [900, 20], [900, 60]))).toEqual([['b'], ['a']]));
test.each([
  [103, [['a', 'b']]],
  [103.1, [['a'], ['b']]],
])('one whose end lies at %s beside another’s path at 100', (station, expected) =>
  expect(ids(crack('a', [100, 20], [100, 80]), crack('b', [station, 50], [station + 30, 50]))).toEqual(
    expected,
  ),
);
test('past the other’s end is not on it; said to branch off, it is of the family wherever it lies', () => {
  const a = crack('a', [100, 20], [100, 80]);
  expect(ids(a, crack('b', [100, 84], [100, 110]))).toEqual([['a'], ['b']]);
  expect(ids(a, crack('b', [100, 84], [100, 110], { branchOf: 'a' }))).toEqual([['a', 'b']]);
  expect(ids(a, crack('b', [100, 84], [100, 110], { branchOf: 'nobody' }))).toEqual([['a'], ['b']]);
});
test('a web of them is one family, whatever the order it was recorded in', () => {
  const [a, b, c] = [
    crack('a', [100, 20], [100, 80]),
    crack('b', [100, 50], [160, 50]),
    crack('c', [140, 50], [140, 60]),
  ];
  for (const order of [
    [a, b, c],
    [c, a, b],
    [c, b, a],
  ])
    expect(ids(...order).map((family) => [...family].sort())).toEqual([['a', 'b', 'c']]);
  expect(familyLengthMm(rail.shape, [a, b, c])).toBeCloseTo(60 + 60 + 10, 9);
});
