import { randomLcg } from 'd3-random';
import { cross, dot, minus, normalOf, unit, type Vector } from './solid';

/** Rules of vectors, on seeded ones: the definitions, not the code again. */
const random = randomLcg(0.77);
const some = (): Vector => [random() * 10 - 5, random() * 10 - 5, random() * 10 - 5];
const lengthOf = (a: Vector) => Math.sqrt(dot(a, a));

test('e1 × e2 = e3 and round; 3-4-12 is 13 long', () => {
  const [x, y, z]: Vector[] = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ];
  expect(cross(x!, y!)).toEqual([0, 0, 1]);
  expect(cross(y!, z!)).toEqual([1, 0, 0]);
  expect(cross(z!, x!)).toEqual([0, 1, 0]);
  expect(unit([3, 4, 12]).map((each) => each * 13)).toEqual(
    [3, 4, 12].map((each) => expect.closeTo(each, 12)),
  );
  expect(unit([0, 0, 0])).toEqual([0, 0, 0]);
  expect(minus([5, 7, 9], [1, 2, 3])).toEqual([4, 5, 6]);
});

test('a cross product stands on both and is as long as the parallelogram is large; a unit is one long', () => {
  for (let k = 0; k < 50; k++) {
    const [a, b] = [some(), some()];
    const c = cross(a, b);
    expect(dot(a, c)).toBeCloseTo(0, 9);
    expect(dot(b, c)).toBeCloseTo(0, 9);
    // Lagrange: |a × b|² = |a|²|b|² − (a·b)².
    expect(dot(c, c)).toBeCloseTo(dot(a, a) * dot(b, b) - dot(a, b) ** 2, 6);
    expect(lengthOf(unit(a))).toBeCloseTo(1, 12);
  }
});

test('the normal of a face in space is that of two of its edges, whichever corner is first', () => {
  for (let k = 0; k < 50; k++) {
    const corners = [some(), some(), some()];
    const [a, b, c] = corners as [Vector, Vector, Vector];
    const wanted = unit(cross(minus(b, a), minus(c, a)));
    for (const turned of [
      [a, b, c],
      [b, c, a],
    ])
      normalOf(turned).forEach((each, n) => expect(each).toBeCloseTo(wanted[n]!, 9));
    normalOf([c, b, a]).forEach((each, n) => expect(each).toBeCloseTo(-wanted[n]!, 9));
  }
});
