import { randomLcg, randomUniform } from 'd3-random';
import { rigidFit, type Vector } from '.';

const uniform = randomUniform.source(randomLcg(0.77));
const draw = (most: number) => uniform(-most, most)();
const cloud = (count: number): Vector[] =>
  Array.from({ length: count }, () => [draw(1000), draw(400), draw(60)]);
/** Turned about z, then about x, and shifted. */
const moved = ([x, y, z]: Vector, a = 0.3, b = -0.2): Vector => {
  const [x1, y1] = [x * Math.cos(a) - y * Math.sin(a), x * Math.sin(a) + y * Math.cos(a)];
  const [y2, z2] = [y1 * Math.cos(b) - z * Math.sin(b), y1 * Math.sin(b) + z * Math.cos(b)];
  return [x1 + 120, y2 - 45, z2 + 7];
};
const away = (a: Vector, b: Vector) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

test.each([3, 4, 6, 9])('%d points turned and shifted lie upon themselves again', (count) => {
  const points = cloud(count);
  const lay = rigidFit(
    points,
    points.map((each) => moved(each)),
  )!;
  for (const point of points) expect(away(lay(point), moved(point))).toBeLessThan(1e-9);
  // Everything else goes with them: distances stay.
  const [one, other] = cloud(2) as [Vector, Vector];
  expect(away(lay(one), lay(other))).toBeCloseTo(away(one, other), 9);
});
test('no small turn or shift of what it found leaves less', () => {
  const points = cloud(5);
  const upon = points.map((each) => moved(each).map((mm) => mm + draw(8)) as unknown as Vector);
  const lay = rigidFit(points, upon)!;
  const left = (of: (point: Vector) => Vector) =>
    points.reduce((sum, point, k) => sum + away(of(point), upon[k]!) ** 2, 0);
  const least = left(lay);
  const turned = (by: number) => (point: Vector) => {
    const [x, y, z] = lay(point);
    return [x * Math.cos(by) - y * Math.sin(by), x * Math.sin(by) + y * Math.cos(by), z] as Vector;
  };
  for (const by of [-1e-3, 1e-3]) expect(left(turned(by))).toBeGreaterThan(least);
  for (const k of [0, 1, 2])
    for (const by of [-0.5, 0.5])
      expect(
        left((p) => lay(p).map((mm, n) => (n === k ? mm + by : mm)) as unknown as Vector),
      ).toBeGreaterThan(least);
});
test('a mirrored set is not laid on by a mirror', () => {
  const points = cloud(5);
  const lay = rigidFit(
    points,
    points.map(([x, y, z]): Vector => [x, -y, z]),
  )!;
  const [a, b, c, d] = points.map(lay) as [Vector, Vector, Vector, Vector];
  const volume = (p: Vector, q: Vector, r: Vector, s: Vector) => {
    const [u, v, w] = [q, r, s].map((each) => each.map((mm, k) => mm - p[k]!)) as [
      number[],
      number[],
      number[],
    ];
    return (
      u[0]! * (v[1]! * w[2]! - v[2]! * w[1]!) -
      u[1]! * (v[0]! * w[2]! - v[2]! * w[0]!) +
      u[2]! * (v[0]! * w[1]! - v[1]! * w[0]!)
    );
  };
  const was = volume(points[0]!, points[1]!, points[2]!, points[3]!);
  expect(volume(a, b, c, d) / was).toBeCloseTo(1, 9);
});
test('two points, points on one line and points of another number are laid on nothing', () => {
  const line = [0, 1, 2, 3].map((k): Vector => [500 * k, 20 * k, 0]);
  expect(rigidFit(line, line)).toBeUndefined();
  expect(rigidFit(cloud(4), line)).toBeUndefined();
  expect(rigidFit(cloud(2), cloud(2))).toBeUndefined();
  expect(rigidFit(cloud(4), cloud(5))).toBeUndefined();
  const nearly = line.map(([x, y], k): Vector => [x, y + (k === 1 ? 1 : 0), 0]);
  expect(rigidFit(nearly, nearly)).toBeDefined();
});
test('four in one plane are laid as well as any', () => {
  const flat: Vector[] = [
    [0, 0, 0],
    [900, 0, 0],
    [900, 400, 0],
    [0, 400, 0],
  ];
  const lay = rigidFit(
    flat,
    flat.map((each) => moved(each)),
  )!;
  for (const point of flat) expect(away(lay(point), moved(point))).toBeLessThan(1e-9);
});
