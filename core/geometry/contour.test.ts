import {
  circleContour,
  contourArea,
  contourLength,
  crossingOf,
  drawContour,
  extentOf,
  flattenContour,
  isWithin,
  placedContour,
  polygonArea,
  roundedContour,
  svgPen,
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
