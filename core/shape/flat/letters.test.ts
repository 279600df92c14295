import { roundedContour, svgPen } from '../../geometry';
import { drawBlank } from './draw';
import type { Blank } from './blank';

/** A blank with bends along it at these heights. */
const bent = (lengthMm: number, widthMm: number, bendsAt: readonly number[]): Blank => ({
  id: 'b',
  name: 'left cap, front',
  for: 'right rail',
  thicknessMm: 5,
  count: 1,
  outline: roundedContour(
    [
      [0, 0],
      [lengthMm, 0],
      [lengthMm, widthMm],
      [0, widthMm],
    ],
    0,
  ),
  cutouts: [],
  holes: [],
  bends: bendsAt.map(
    (y) => ({ from: [0, y], to: [lengthMm, y], halfWidthMm: 4 }) as unknown as Blank['bends'][number],
  ),
  scribes: [],
});
/** The label’s lines, by where they start: letters stand on y and reach up by their height. */
function labelOf(blank: Blank, lengthMm: number) {
  const pen = svgPen();
  drawBlank(pen, blank, { system: 'mm', isTwin: false, warning: 'DO NOT CUT: RULES BROKEN: 2' });
  return pen
    .result()
    .texts.filter(({ x }) => Math.abs(x - 0.12 * lengthMm) < 1e-9)
    .map(({ y, height, words }) => ({ low: -y, high: -y + height, height, words }));
}

test.each<[string, lengthMm: number, widthMm: number, bendsAt: readonly number[], low: number, high: number]>(
  [
    ['large and flat', 800, 300, [], 0, 300],
    ['small and flat', 120, 40, [], 0, 40],
    ['one bend low down', 400, 60, [20], 20, 60],
    ['one bend high up', 400, 60, [45], 0, 45],
    ['two bends: between them', 500, 200, [50, 160], 50, 160],
    ['two bends close together', 500, 60, [28, 32], 0, 60],
  ],
)('what is written on a blank lies between its bends: %s', (_what, lengthMm, widthMm, bendsAt, low, high) => {
  const label = labelOf(bent(lengthMm, widthMm, bendsAt), lengthMm);
  expect(label.length).toBeGreaterThanOrEqual(2);
  const spans = [0, ...bendsAt, widthMm];
  for (const line of label) {
    expect(line.low).toBeGreaterThanOrEqual(low);
    expect(line.high).toBeLessThanOrEqual(high);
    expect(line.height).toBeLessThanOrEqual(8);
  }
  // In one stretch, every line of it below the one before, and none over another.
  const at = spans.findLastIndex((mm) => mm <= label[0]!.low);
  expect(label.every((line) => line.low >= spans[at]! && line.high <= spans[at + 1]!)).toBe(true);
  // With room above and below: two thirds of it at most.
  const tall = label[0]!.high - label.at(-1)!.low;
  expect(tall).toBeLessThanOrEqual((2 / 3) * (spans[at + 1]! - spans[at]!));
  for (const [k, line] of label.slice(1).entries()) expect(line.high).toBeLessThan(label[k]!.low);
});

test('letters are 8 mm where there is room, and as small as the blank asks for where there is none', () => {
  const heightOn = (lengthMm: number, widthMm: number) =>
    labelOf(bent(lengthMm, widthMm, []), lengthMm)[0]!.height;
  expect(heightOn(800, 300)).toBe(8);
  expect(heightOn(120, 40)).toBeLessThan(5);
  const [long] = labelOf(bent(120, 300, []), 120);
  // Six tenths of their height wide, they end within the blank.
  const longest = Math.max(...labelOf(bent(120, 300, []), 120).map(({ words }) => words.length));
  expect(0.6 * long!.height * longest).toBeLessThanOrEqual(0.8 * 120 + 1e-9);
});
