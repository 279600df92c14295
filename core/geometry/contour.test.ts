import {
  aroundContour,
  circleContour,
  contourArea,
  contourLength,
  crossingOf,
  drawContour,
  extentOf,
  flattenContour,
  isWithin,
  meetingOf,
  mirroredContour,
  placedContour,
  polygonArea,
  reversedContour,
  roundedContour,
  svgPen,
  type Contour,
  type Point,
} from '.';

const square: Point[] = [
  [0, 0],
  [100, 0],
  [100, 60],
  [0, 60],
];

test('a rounded rectangle: area and length by hand, and as fine a polygon as is asked', () => {
  const rounded = roundedContour(square, 10);
  expect(contourArea(rounded)).toBeCloseTo(6000 - (4 - Math.PI) * 100, 6);
  expect(contourLength(rounded)).toBeCloseTo(2 * (80 + 40) + 20 * Math.PI, 6);
  expect(polygonArea(flattenContour(rounded, 0.001))).toBeCloseTo(contourArea(rounded), 1);
  const coarse = flattenContour(rounded, 1).length;
  expect(flattenContour(rounded, 0.01).length).toBeGreaterThan(2 * coarse);
  const { minX, minY, maxX, maxY } = extentOf(flattenContour(rounded));
  [minX, minY, maxX - 100, maxY - 60].forEach((mm) => expect(mm).toBeCloseTo(0, 9));
});

test('a recess keeps its arcs the other way round', () => {
  const notched: Point[] = [
    ...square.slice(0, 2),
    [100, 60],
    [70, 60],
    [70, 30],
    [30, 30],
    [30, 60],
    [0, 60],
  ];
  const rounded = roundedContour(notched, 5);
  // Six corners that turn left lose a corner's rest, two that turn right gain one.
  expect(contourArea(rounded)).toBeCloseTo(6000 - 1200 - (6 - 2) * (1 - Math.PI / 4) * 25, 6);
  expect(rounded.filter(({ bulge }) => bulge < 0)).toHaveLength(2);
});

test('a circle of two arcs; turned and moved it keeps its area', () => {
  const circle = circleContour(5, 7, 3);
  expect(contourArea(circle)).toBeCloseTo(9 * Math.PI, 9);
  expect(contourLength(circle)).toBeCloseTo(6 * Math.PI, 9);
  const moved = placedContour(circle, 1.1, [100, -40]);
  expect(contourArea(moved)).toBeCloseTo(9 * Math.PI, 9);
});

test('drawn by a pen its arcs are arcs', () => {
  const pen = svgPen();
  pen.layer('CUT');
  drawContour(pen, roundedContour(square, 10));
  const path = pen.result().paths.get('CUT')!;
  expect(path.match(/A10 10/g)).toHaveLength(4);
  expect(path.endsWith('Z')).toBe(true);
});

test.each([
  ['inside', [50, 30], true],
  ['outside', [50, 61], false],
] as const)('a point %s', (_, at, within) => expect(isWithin(square, at)).toBe(within));

test('an outline that crosses itself is told where; one that only touches its neighbours is not', () => {
  const bowTie: Point[] = [
    [0, 0],
    [10, 10],
    [10, 0],
    [0, 10],
  ];
  expect(crossingOf(bowTie)).toEqual([5, 5]);
  expect(crossingOf(square)).toBeUndefined();
});

describe('the polygon round a contour', () => {
  const plate = roundedContour([...square.slice(0, 3), [60, 60], [60, 30], [0, 60]], 8);
  test.each([
    ['as it is', plate],
    ['the other way round', reversedContour(plate)],
    ['turned over', mirroredContour(plate, 100)],
    ['a circle', circleContour(5, 5, 4)],
    ['a circle turned over', mirroredContour(circleContour(5, 5, 4), 10)],
  ])('holds every point of it, %s, and little more', (_, contour) => {
    const around = aroundContour(contour);
    expect(polygonArea(around)).toBeGreaterThanOrEqual(Math.abs(contourArea(contour)) - 1e-6);
    expect(polygonArea(around)).toBeLessThan(1.05 * Math.abs(contourArea(contour)));
    const middle = extentOf(around);
    const [cx, cy] = [(middle.minX + middle.maxX) / 2, (middle.minY + middle.maxY) / 2];
    // A hair in from each point, so that an edge they share does not decide.
    for (const [x, y] of flattenContour(contour, 0.05)) {
      const inner: Point = [x + 1e-6 * (cx - x), y + 1e-6 * (cy - y)];
      const off = Math.min(
        ...around.map(([px, py], k) => offLine(inner, [px, py], around[(k + 1) % around.length]!)),
      );
      expect(isWithin(around, inner) || off < 1e-4).toBe(true);
    }
  });
  test('a corner rounded by a quarter turn is one corner again, with the end of the straight after it; a half turn several', () => {
    expect(aroundContour(roundedContour(square, 10))).toHaveLength(2 * 4);
    expect(aroundContour(circleContour(0, 0, 5)).length).toBeGreaterThan(8);
  });
  test('turned over twice, and round twice, it is what it was', () => {
    const close = (one: Contour, other: Contour) =>
      expect(Math.abs(contourArea(one) - contourArea(other))).toBeLessThan(1e-6);
    close(mirroredContour(mirroredContour(plate, 100), 100), plate);
    expect(reversedContour(reversedContour(plate))).toEqual(plate);
    expect(contourArea(reversedContour(plate))).toBeCloseTo(-contourArea(plate), 6);
    expect(contourArea(mirroredContour(plate, 100))).toBeCloseTo(contourArea(plate), 6);
  });
});

test.each<[string, Point | undefined, [Point, Point], [Point, Point]]>([
  [
    'cross off both axes',
    [3, 4],
    [
      [1, 2],
      [5, 6],
    ],
    [
      [2, 6],
      [4, 2],
    ],
  ],
  [
    'one ends short of the other',
    undefined,
    [
      [1, 2],
      [2.9, 3.9],
    ],
    [
      [2, 6],
      [4, 2],
    ],
  ],
  [
    'one ends on the other',
    [3, 4],
    [
      [1, 2],
      [3, 4],
    ],
    [
      [2, 6],
      [4, 2],
    ],
  ],
])('two edges that %s', (_, expected, one, other) => {
  for (const found of [meetingOf(one, other), meetingOf(other, one)]) {
    if (!expected) expect(found).toBeUndefined();
    else expected.forEach((value, axis) => expect(found![axis]).toBeCloseTo(value, 9));
  }
});

/** How far a point lies off a stretch. */
function offLine([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): number {
  const squared = (bx - ax) ** 2 + (by - ay) ** 2 || 1;
  const t = Math.max(0, Math.min(1, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / squared));
  return Math.hypot(x - ax - t * (bx - ax), y - ay - t * (by - ay));
}
