import { randomLcg } from 'd3-random';
import { groupForceAt, lineGroup, pointGroup, type GroupLoad, type LineWeld } from '@/core/mechanics';
import { against, PYTHON, run } from './programs';

const random = randomLcg(0.47);
/** Quarter millimetres, so that both sides have the very same numbers. */
const draw = (most: number) => Math.round(8 * most * (random() - 0.5)) / 4;
const place = (): [number, number] => [draw(150), draw(150)];
const load = (): GroupLoad => ({
  at: place(),
  x: draw(9000),
  y: draw(9000),
  z: draw(9000),
  mx: draw(400_000),
  my: draw(400_000),
});

/** Seeded, none of them a single row: brackets welded along two, three and more lines that lie askew; bolts in no pattern. */
const LINES = [2, 3, 3, 4, 5].map((count) =>
  Array.from({ length: count }, (): LineWeld => [place(), place()]),
);
const POINTS = [3, 4, 5, 6, 8].map((count) => Array.from({ length: count }, place));
const GROUPS = [
  ...LINES.map((at) => ({ kind: 'lines' as const, at, load: load() })),
  ...POINTS.map((at) => ({ kind: 'points' as const, at, load: load() })),
];

against(['sympy'], 'weld groups as lines and bolt groups, exactly, by SymPy', () => {
  const ran = run(PYTHON, [`${__dirname}/groups.py`], JSON.stringify(GROUPS));
  if (ran.status !== 0) throw new Error(ran.err);
  const theirs = JSON.parse(ran.out) as number[][][];
  test.each(GROUPS.map(({ kind, at }, k) => [kind, at.length, k] as const))(
    '%s, %d of them (%d): to a billionth of the largest',
    (_, __, k) => {
      const asked = GROUPS[k]!;
      const group = asked.kind === 'lines' ? lineGroup(asked.at)! : pointGroup(asked.at)!;
      const ours = group.corners.map((at) => groupForceAt(group, asked.load, at));
      const largest = Math.max(...ours.flat().map(Math.abs));
      ours.forEach((forces, corner) =>
        forces.forEach((force, way) =>
          expect(Math.abs(force - theirs[k]![corner]![way]!) / largest).toBeLessThan(1e-9),
        ),
      );
    },
  );
  test('the comparison notices a moment left out', () => {
    const { at, load: whole } = GROUPS[0] as (typeof GROUPS)[0] & { kind: 'lines'; at: LineWeld[] };
    const group = lineGroup(at)!;
    const [, , z] = groupForceAt(group, { ...whole, mx: 0 }, group.corners[0]!);
    expect(Math.abs(z - theirs[0]![0]![2]!) / Math.abs(z)).toBeGreaterThan(1e-3);
  });
});
