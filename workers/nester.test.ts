import { roundedContour } from '@/core/geometry';
import { nestPiece, type Blank } from '@/core/shape';
import { nester, type NestReport } from './nester';

const blank = (lengthMm: number, widthMm: number): Blank => ({
  id: `${lengthMm}`,
  name: 'plate',
  for: 'rail',
  thicknessMm: 6,
  count: 1,
  outline: roundedContour(
    [
      [0, 0],
      [lengthMm, 0],
      [lengthMm, widthMm],
      [0, widthMm],
    ],
    10,
  ),
  cutouts: [],
  holes: [],
  bends: [],
  scribes: [],
});
const WAYS = { kerfMm: 1.5, gapMm: 5, edgeMm: 6, turns: 'quarter turns' } as const;
const SHEETS = [{ id: 'buy', lengthMm: 2438, widthMm: 1219, count: 3 }];
const pieces = [400, 620, 810, 300].map((mm, k) => nestPiece(blank(mm, 150 + 20 * k), false, 3));

function run(forMs: number, stopAfter = Infinity) {
  const heard: NestReport[] = [];
  let clock = 0;
  const bench = nester({
    report: (each) => heard.push(each),
    // A try takes ten of this clock's milliseconds; messages are let in at once.
    now: () => (clock += 10),
    breathe: () => {
      if (heard.length >= stopAfter) bench.stop();
      return Promise.resolve();
    },
  });
  return { heard, done: bench.begin({ pieces, sheets: SHEETS, ways: WAYS, forMs }) };
}

test('it tells how far it is, ever further, and answers when its time is over', async () => {
  const { heard, done } = run(3000);
  const last = await done;
  expect(last.share).toBe(1);
  expect(last.nest.left).toEqual([]);
  expect(heard.length).toBeGreaterThan(5);
  heard.slice(1).forEach(({ share, tries }, k) => {
    expect(share).toBeGreaterThan(heard[k]!.share);
    expect(tries).toBeGreaterThan(heard[k]!.tries);
  });
});

test('stopped, it answers the best there is', async () => {
  const { done } = run(1e9, 3);
  const last = await done;
  expect(last.share).toBeLessThan(1);
  expect(last.nest.laid).toHaveLength(12);
});

test('one piece does not wait for the time to pass', async () => {
  const bench = nester({ report: () => undefined, breathe: () => Promise.resolve(), now: () => 0 });
  const last = await bench.begin({
    pieces: pieces.slice(0, 1).map((each) => ({ ...each, count: 1 })),
    sheets: SHEETS,
    ways: WAYS,
    forMs: 1e9,
  });
  expect(last.nest.laid).toHaveLength(1);
});
