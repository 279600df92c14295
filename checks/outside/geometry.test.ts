import { randomLcg, randomUniform } from 'd3-random';
import { rigidFit, type Vector } from '@/core/geometry';
import { offLine, offPlane, type Mark, type MountPlace } from '@/core/weigh';
import { against, PYTHON, run } from './programs';

const uniform = randomUniform.source(randomLcg(0.31));
const draw = (most: number) => uniform(-most, most)();
/** Sets of mounts, seeded: the plane of all others by NumPy's least squares, one mount left out after the other. */
const sets = [4, 4, 5, 6, 8].map((count) =>
  Array.from({ length: count }, (_, k): MountPlace => {
    return { name: `m${k}`, xMm: draw(1500), yMm: draw(500), zMm: 100 + draw(20) };
  }),
);
/** Lines of marks, seeded: unevenly apart, one of them short of a dozen. */
const lines = [3, 4, 5, 7, 11].map((count) =>
  Array.from({ length: count }, (_, k): Mark => ({
    stationMm: 900 * k + draw(300),
    offMm: 50 + 0.004 * k + draw(6),
  })),
);

/** Sets of points, and where each was found again: turned, shifted, and each by itself a little off. */
const upon = [3, 4, 6].map((count) => {
  const points = Array.from({ length: count }, (): Vector => [draw(1500), draw(500), draw(40)]);
  const [a, b] = [draw(0.4), draw(0.1)];
  const there = points.map(([x, y, z]): Vector => [
    x * Math.cos(a) - y * Math.sin(a) + 90 + draw(4),
    (x * Math.sin(a) + y * Math.cos(a)) * Math.cos(b) - z * Math.sin(b) + draw(4),
    (x * Math.sin(a) + y * Math.cos(a)) * Math.sin(b) + z * Math.cos(b) - 12 + draw(4),
  ]);
  return [points, there] as const;
});

/** To a billionth of what it is, or of a millimetre where that is less. */
const isSame = (ours: number, theirs: number) =>
  expect(Math.abs(ours - theirs) / Math.max(1, Math.abs(theirs))).toBeLessThan(1e-9);

against(
  ['finite elements'],
  'planes through mounts by NumPy, lines through marks and sets laid upon sets by SciPy',
  () => {
    const asked = {
      planes: sets.map((points) => points.map(({ xMm, yMm, zMm }) => [xMm, yMm, zMm])),
      upon,
      lines: lines.map((marks) => marks.map(({ stationMm, offMm }) => [stationMm, offMm])),
    };
    const ran = run(PYTHON, [`${__dirname}/geometry.py`], JSON.stringify(asked));
    if (ran.status !== 0) throw new Error(ran.err);
    const theirs = JSON.parse(ran.out) as { planes: number[][]; lines: number[][]; upon: number[][][] };
    test.each(sets.map((points, k) => [points.length, k] as const))('%d mounts, set %d', (_, k) => {
      const ours = offPlane(sets[k]!)!;
      expect(ours).toHaveLength(sets[k]!.length);
      ours.forEach(({ offMm }, point) => isSame(offMm, theirs.planes[k]![point]!));
    });
    test.each(lines.map((marks, k) => [marks.length, k] as const))('%d marks, line %d', (_, k) => {
      const ours = offLine(lines[k]!);
      expect(ours).toHaveLength(lines[k]!.length);
      ours.forEach(({ offMm }, mark) => isSame(offMm, theirs.lines[k]![mark]!));
    });
    test.each(upon.map(([points], k) => [points.length, k] as const))(
      '%d points laid upon others, set %d',
      (_, k) => {
        const [points, there] = upon[k]!;
        const lay = rigidFit(points, there)!;
        points.forEach((point, n) =>
          lay(point).forEach((mm, axis) => isSame(mm, theirs.upon[k]![n]![axis]!)),
        );
        // Laid upon others than it was found at, it lies elsewhere.
        const wrong = rigidFit(points, [...there].reverse())!;
        expect(Math.abs(wrong(points[0]!)[0] - theirs.upon[k]![0]![0]!)).toBeGreaterThan(1);
      },
    );
    test('the comparison notices a plane and a line through all of them', () => {
      const ofAll = ({ offMm, errors }: { offMm: number; errors: number }) => offMm / errors ** 2;
      expect(Math.abs(ofAll(offPlane(sets[0]!)![0]!) - theirs.planes[0]![0]!)).toBeGreaterThan(0.1);
      expect(Math.abs(ofAll(offLine(lines[1]!)[0]!) - theirs.lines[1]![0]!)).toBeGreaterThan(0.1);
    });
  },
);
