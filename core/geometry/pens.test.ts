import { svgPen } from '.';
import { contourPen } from './contour-pen';

const svgOf = (draw: (pen: ReturnType<typeof svgPen>) => void): string => {
  const pen = svgPen();
  draw(pen);
  return [...pen.result().paths.values()].join('');
};

describe('an arc as SVG path data: radius, the long way or not, which way, where it ends (SVG 1.1, 8.3.8)', () => {
  test.each([
    ['a quarter, counter-clockwise', 0, Math.PI / 2, false, 'A10 10 0 0 0 0 -10'],
    ['a quarter, clockwise', Math.PI / 2, 0, true, 'A10 10 0 0 1 10 0'],
    ['three quarters, counter-clockwise', 0, 1.5 * Math.PI, false, 'A10 10 0 1 0 0 10'],
    ['three quarters, clockwise', 0, Math.PI / 2, true, 'A10 10 0 1 1 0 -10'],
    [
      'a quarter over the seam, counter-clockwise',
      1.75 * Math.PI,
      0.25 * Math.PI,
      false,
      'A10 10 0 0 0 7.07 -7.07',
    ],
    ['a quarter over the seam, clockwise', 0.25 * Math.PI, 1.75 * Math.PI, true, 'A10 10 0 0 1 7.07 7.07'],
    ['half, which is not the long way', 0, Math.PI, false, 'A10 10 0 0 0 -10 0'],
  ] as const)('%s', (_name, start, end, clockwise, expected) =>
    expect(svgOf((pen) => pen.arc(0, 0, 10, start, end, clockwise)).replaceAll('-0 ', '0 ')).toMatch(
      new RegExp(`^${expected.replace(/ 0$/, ' -?0')}$`),
    ),
  );
});

test('strokes and words lie on the layer they were drawn on, y turned to run down', () => {
  const pen = svgPen();
  pen.layer('CUT');
  pen.moveTo(1, 2);
  pen.lineTo(3, 4);
  pen.layer('TEXT');
  pen.text(5, 6, 7, 'front');
  const { paths, texts } = pen.result();
  expect([...paths]).toEqual([['CUT', 'M1 -2L3 -4']]);
  expect(texts).toEqual([{ layer: 'TEXT', x: 5, y: -6, height: 7, words: 'front' }]);
});

describe('a contour of strokes', () => {
  const drawn = (points: readonly (readonly [number, number])[]) => {
    const pen = contourPen();
    points.forEach(([x, y], k) => (k === 0 ? pen.moveTo(x, y) : pen.lineTo(x, y)));
    return pen.result().map(({ x, y }) => [x, y]);
  };
  test('a point drawn twice is one, a nanometre apart; further apart they are two', () => {
    expect(
      drawn([
        [0, 0],
        [5e-10, 0],
        [10, 0],
        [10, 10],
      ]),
    ).toHaveLength(3);
    expect(
      drawn([
        [0, 0],
        [1.6e-9, 0],
        [10, 0],
        [10, 10],
      ]),
    ).toHaveLength(4);
  });
  test('a last point upon the first closes it and is no point of its own', () => {
    expect(
      drawn([
        [0, 0],
        [10, 0],
        [10, 10],
        [0, 5e-10],
      ]),
    ).toHaveLength(3);
    expect(
      drawn([
        [0, 0],
        [10, 0],
        [10, 10],
        [0, 1.6e-9],
      ]),
    ).toHaveLength(4);
    expect(drawn([[3, 4]])).toEqual([[3, 4]]);
  });
  test('an arc bulges by the tangent of a quarter of its sweep, to the right of it negative (DXF)', () => {
    const pen = contourPen();
    pen.moveTo(10, 0);
    pen.arc(0, 0, 10, 0, Math.PI / 2, false);
    pen.arc(0, 20, 10, 1.5 * Math.PI, Math.PI, true);
    const [first, second] = pen.result();
    expect(first!.bulge).toBeCloseTo(Math.tan(Math.PI / 8), 12);
    expect(second!.bulge).toBeCloseTo(-Math.tan(Math.PI / 8), 12);
  });
});
