import type { TaskProgress, TaskWhat } from '@/core/order';
import { laneColumns } from './lane-layout';

const at = (what: TaskWhat, zoneId?: string) =>
  ({ task: { id: `${what} ${zoneId}`, what, ...(zoneId && { zoneId }) } }) as unknown as TaskProgress;

test('stages side by side, each as wide as its fullest lane, none of them empty', () => {
  const { columns, step } = laneColumns(
    [
      at('wheelbase'),
      at('diagonals'),
      at('clear', 'A'),
      at('take off', 'B'),
      at('take off', 'B'),
      at('weld', 'A'),
    ],
    { left: 100, wide: 1000 },
  );
  expect(columns.map(({ phase }) => phase)).toEqual(['measure', 'strip', 'weld']);
  expect(columns[0]!.from).toBe(100);
  expect(columns.at(-1)!.to).toBeCloseTo(1000, 9);
  const widths = columns.map(({ from, to }) => (to - from) / step);
  expect(widths.map((each) => Math.round(each * 10) / 10)).toEqual([2.6, 2.6, 1.6]);
});
test('nothing to draw is nothing', () =>
  expect(laneColumns([], { left: 10, wide: 100 }).columns).toEqual([]));
