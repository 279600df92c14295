import { changesBetween } from '@/core/prove';
import { DEFAULT_GEOMETRY_PRACTICE } from '@/core/reference';
import type { Geometry, MountPlace } from '@/core/weigh';
import { mountsViews } from './mounts-views';

const SET: readonly MountPlace[] = [
  { name: 'a', xMm: 0, yMm: 0, zMm: 0 },
  { name: 'b', xMm: 2000, yMm: 0, zMm: 0 },
  { name: 'c', xMm: 2000, yMm: 900, zMm: 10 },
  { name: 'd', xMm: 0, yMm: 900, zMm: 10 },
];
const measured = (at: string, points: readonly MountPlace[]): Geometry => ({
  kind: 'geometry',
  id: at,
  at,
  by: 'RK',
  note: '',
  instrument: 'trammel',
  stood: 'on its wheels, empty',
  measure: { of: 'mounts', set: 'bunks', points: [...points] },
});
const views = (is: readonly MountPlace[], was = SET) =>
  mountsViews(
    changesBetween(
      measured('2026-11-01T08:00:00Z', was),
      measured('2026-11-20T08:00:00Z', is),
      DEFAULT_GEOMETRY_PRACTICE,
    ),
  );

test('measured from another corner, turned, nothing moved: every mount lies where it stood', () => {
  const other = SET.map(({ name, xMm, yMm, zMm }) => ({
    name,
    xMm: yMm + 40,
    yMm: -xMm + 7,
    zMm: zMm - 300,
  }));
  const [plan, side] = views(other);
  expect([plan!.view, side!.view]).toEqual(['plan', 'side']);
  for (const { mounts } of [plan!, side!])
    for (const { before, after, movedMm } of mounts) {
      expect(movedMm).toBeLessThan(1e-9);
      expect(Math.hypot(after[0] - before[0], after[1] - before[1])).toBeLessThan(1e-3);
    }
});
test('one raised: it shows from the side, its way as many times as is said, and more than the others’', () => {
  const [, side] = views(SET.map((each) => (each.name === 'c' ? { ...each, zMm: each.zMm + 20 } : each)));
  const moved = new Map(side!.mounts.map((mount) => [mount.name, mount]));
  const way = ({ before, after }: { before: readonly number[]; after: readonly number[] }) =>
    Math.hypot(after[0]! - before[0]!, after[1]! - before[1]!);
  for (const mount of side!.mounts) expect(way(mount)).toBeCloseTo(side!.exaggerated * mount.movedMm, 6);
  const furthest = Math.max(...side!.mounts.map(({ movedMm }) => movedMm));
  // Four corners share a twist: a quarter each.
  expect(moved.get('c')!.movedMm).toBeCloseTo(5, 1);
  expect(furthest * side!.exaggerated).toBeLessThanOrEqual(0.12 * 2000);
  expect(furthest * side!.exaggerated).toBeGreaterThan(0.04 * 2000);
});
test('mounts go by their names, however they are written and in whatever order; one without a fellow is left out', () => {
  const [plan] = views([...SET].reverse().map((each) => ({ ...each, name: each.name.toUpperCase() })));
  expect(plan!.mounts.map(({ name }) => name)).toEqual(['a', 'b', 'c', 'd']);
  expect(views(SET.slice(0, 3))[0]!.mounts).toHaveLength(3);
});
test('two that both have, or all on one line, are not drawn', () => {
  expect(views([...SET.slice(0, 2), { name: 'z', xMm: 5, yMm: 600, zMm: 0 }])).toEqual([]);
  const line = SET.map((each, k) => ({ ...each, xMm: 500 * k, yMm: 0, zMm: 0 }));
  expect(views(line, line)).toEqual([]);
  expect(mountsViews([])).toEqual([]);
});
test('what is within its limit looks small: ways are drawn beside the way that they may, not beside the furthest', () => {
  const raised = (zMm: number) =>
    views(SET.map((each) => (each.name === 'c' ? { ...each, zMm: each.zMm + zMm } : each)))[1]!;
  const [small, smaller] = [raised(4), raised(2)];
  expect(small.exaggerated).toBe(smaller.exaggerated);
  expect(small.exaggerated * DEFAULT_GEOMETRY_PRACTICE.placeMm).toBeLessThanOrEqual(0.12 * 2000);
});
