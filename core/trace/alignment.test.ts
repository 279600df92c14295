import { alignmentLacks, type Alignment } from '.';
import { inchesToMm } from '../quantity';

const record = (more: Partial<Alignment> = {}): Alignment => ({
  kind: 'alignment',
  id: '00000000-0000-4000-8000-000000000001',
  of: { on: 'member', id: 'rail-left', stationMm: 1000 },
  acrossMm: 0,
  upMm: 0,
  alongMm: 0,
  held: true,
  by: 'TM',
  at: '2026-11-20T09:00:00Z',
  note: '',
  ...more,
});
test('nothing recorded is not in line', () =>
  expect(alignmentLacks(undefined, false)).toEqual(['not recorded']));
test.each([
  [{}, []],
  [{ acrossMm: inchesToMm(1 / 16) }, []],
  [{ acrossMm: -1.6 }, ['out of line']],
  [{ upMm: 1.6 }, ['out of line']],
  [{ alongMm: 1.6 }, ['out of line']],
  [{ angleDeg: 0.5 }, []],
  [{ angleDeg: -0.51 }, ['out of line']],
  [{ diagonalsMm: [1000, 1000 + inchesToMm(1 / 8)] as [number, number] }, []],
  [{ diagonalsMm: [1000, 1003.2] as [number, number] }, ['diagonals differ']],
  [{ held: false }, ['not held']],
])('%j lacks %j', (more, lacks) => expect(alignmentLacks(record(more), false)).toEqual(lacks));
test('what locates an axle wants the axle held too', () => {
  expect(alignmentLacks(record(), true)).toEqual(['axle not held']);
  expect(alignmentLacks(record({ axleHeld: true }), true)).toEqual([]);
});
