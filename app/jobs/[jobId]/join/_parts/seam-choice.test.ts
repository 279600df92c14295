import type { WeldLine } from '@/core/join';
import { awayFrom, seamUnder } from './seam-choice';

const CHANNEL = { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 } as const;
const line = (id: string, path: WeldLine['path']) => ({ id, path }) as WeldLine;

test('how far a place lies from a course: beside it, past its ends, at a point', () => {
  const path = [
    [0, 0],
    [100, 0],
    [100, 50],
  ] as const;
  expect(awayFrom(path, [50, 7])).toBeCloseTo(7, 9);
  expect(awayFrom(path, [-3, -4])).toBeCloseTo(5, 9);
  expect(awayFrom(path, [110, 30])).toBeCloseTo(10, 9);
  expect(awayFrom([[5, 5]], [8, 9])).toBeCloseTo(5, 9);
});

test('a touch means the nearest seam, and none where none is near', () => {
  // The web of a channel starts below its top flange: 70 mm down the sheet.
  const lines = [
    line('A1', [
      [0, 100],
      [900, 100],
    ]),
    line('A2', [
      [0, 160],
      [900, 160],
    ]),
  ];
  const at = (heightMm: number) => seamUnder(CHANNEL, lines, { stationMm: 400, face: 'web', heightMm })?.id;
  expect(at(165)).toBe('A1');
  expect(at(120)).toBe('A2');
  expect(at(10)).toBeUndefined();
});
