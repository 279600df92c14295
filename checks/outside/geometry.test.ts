import { randomLcg, randomUniform } from 'd3-random';
import { offPlane, type MountPlace } from '@/core/weigh';
import { against, PYTHON, run } from './programs';

/** Sets of mounts, seeded: the plane of all others by NumPy's least squares, one mount left out after the other. */
const uniform = randomUniform.source(randomLcg(0.31));
const sets = [4, 4, 5, 6, 8].map((count) =>
  Array.from({ length: count }, (_, k): MountPlace => {
    const draw = (most: number) => uniform(-most, most)();
    return { name: `m${k}`, xMm: draw(1500), yMm: draw(500), zMm: 100 + draw(20) };
  }),
);

against(['finite elements'], 'planes through mounts by NumPy', () => {
  const asked = sets.map((points) => points.map(({ xMm, yMm, zMm }) => [xMm, yMm, zMm]));
  const ran = run(PYTHON, [`${__dirname}/geometry.py`], JSON.stringify(asked));
  if (ran.status !== 0) throw new Error(ran.err);
  const theirs = JSON.parse(ran.out) as number[][];
  test.each(sets.map((points, k) => [points.length, k] as const))(
    '%d mounts, set %d: to a billionth',
    (_, k) => {
      const ours = offPlane(sets[k]!)!;
      ours.forEach(({ offMm }, point) => {
        const scale = Math.max(1, Math.abs(theirs[k]![point]!));
        expect(Math.abs(offMm - theirs[k]![point]!) / scale).toBeLessThan(1e-9);
      });
    },
  );
  test('the comparison notices a plane through all of them', () => {
    const quarter = offPlane(sets[0]!)!.map(({ offMm, errors }) => offMm / errors ** 2);
    expect(Math.abs(quarter[0]! - theirs[0]![0]!)).toBeGreaterThan(0.1);
  });
});
