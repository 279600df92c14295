import { defaultFrame, type Member } from '@/core/frame';
import {
  columnHeights,
  lastToTakeBack,
  nextSpot,
  pastedColumn,
  readColumn,
  readEntry,
  type EntryFields,
} from './entry';

const rail: Member = defaultFrame({
  family: 'open-channel ladder',
  railShape: { kind: 'channel', depthMm: 203.2, flangeMm: 69.85, thicknessMm: 6.35 },
  steel: 'a36',
  lengthMm: 6096,
  widthMm: 860,
  datum: 'hole',
}).members[0]!;
const stamp = { id: '00000000-0000-4000-8000-000000000001', by: 'RK', at: '2026-01-01T00:00:00Z' };
const fields = (more: Partial<EntryFields> = {}): EntryFields => ({
  station: '14-3/8',
  height: '2',
  thickness: '3/16',
  ...more,
});
const read = (more: Partial<EntryFields> = {}, system: 'in' | 'mm' = 'in') =>
  readEntry(rail, 'web', fields(more), { method: 'ultrasonic', system, stamp });

test('what is typed in either system is the same reading', () => {
  const inches = read();
  const millimetres = read({ station: '365.125', height: '50.8', thickness: '4.7625' }, 'mm');
  expect(millimetres).toMatchObject({
    ok: true,
    reading: {
      stationMm: 365.125,
      heightMm: 50.8,
      thicknessMm: 4.7625,
      face: 'web',
      memberId: 'rail-left',
      by: 'RK',
    },
  });
  const figures = (outcome: typeof inches) =>
    outcome.ok &&
    [outcome.reading.stationMm, outcome.reading.heightMm, outcome.reading.thicknessMm].map((mm) =>
      mm.toFixed(9),
    );
  expect(figures(inches)).toEqual(figures(millimetres));
});

test.each([
  ['10ga', 3.4163],
  ['4.7mm', 4.7],
  ['0', 0],
  ['.25', 6.35],
])('thickness %s', (typed, mm) => {
  const outcome = read({ thickness: typed });
  expect(outcome.ok && outcome.reading.thicknessMm).toBeCloseTo(mm, 4);
});

test.each<[Partial<EntryFields>, keyof EntryFields]>([
  [{ station: 'here' }, 'station'],
  [{ station: '' }, 'station'],
  [{ station: '9999' }, 'station'],
  [{ station: '-3' }, 'station'],
  [{ height: 'low' }, 'height'],
  [{ height: '9' }, 'height'],
  [{ thickness: '' }, 'thickness'],
  [{ thickness: '-0.1' }, 'thickness'],
  [{ thickness: 'thin' }, 'thickness'],
  [{ thickness: '3' }, 'thickness'],
])('%j is refused at its own field', (more, field) => {
  const outcome = read(more);
  expect(outcome.ok).toBe(false);
  expect(!outcome.ok && Object.keys(outcome.problems)).toEqual([field]);
  expect(!outcome.ok && outcome.problems[field]!.length).toBeGreaterThan(5);
});

test('every wrong field is named at once', () => {
  const outcome = read({ station: 'x', height: 'y', thickness: 'z' });
  expect(!outcome.ok && Object.keys(outcome.problems).sort()).toEqual(['height', 'station', 'thickness']);
});

test('thicker than it was made is kept, with a warning', () => {
  expect(read({ thickness: '0.5' })).toMatchObject({ ok: true, warning: expect.stringContaining('thicker') });
  expect(read({ thickness: '0.26' })).not.toHaveProperty('warning');
});

test('columns go down the face and then on; without one the cursor only goes along', () => {
  const heights = columnHeights(rail, 'web', 4);
  expect(heights).toHaveLength(4);
  expect([...heights].sort((a, b) => b - a)).toEqual(heights);
  expect(heights[0]).toBeCloseTo(203.2 - 25.4, 6);
  const step = { alongMm: 150, columnMm: heights };
  let cursor = { stationMm: 300, face: 'web' as const, heightMm: heights[0]! };
  const walked = Array.from({ length: 8 }, () => (cursor = nextSpot(rail, cursor, step) as typeof cursor));
  expect(walked.map(({ stationMm }) => stationMm)).toEqual([300, 300, 300, 450, 450, 450, 450, 600]);
  expect(walked.map(({ heightMm }) => heightMm)).toEqual([
    heights[1],
    heights[2],
    heights[3],
    heights[0],
    heights[1],
    heights[2],
    heights[3],
    heights[0],
  ]);
  expect(nextSpot(rail, cursor, { alongMm: 150, columnMm: [] })).toMatchObject({
    stationMm: 750,
    heightMm: heights[0],
  });
  expect(nextSpot(rail, { ...cursor, stationMm: 6090 }, { alongMm: 150, columnMm: [] }).stationMm).toBe(6096);
});

test('only one’s own reading, kept just now, is taken back at once', () => {
  const outcome = read();
  if (!outcome.ok) throw new Error('not read');
  const reading = outcome.reading;
  const now = Date.parse(reading.at) + 60_000;
  const back = (more: Partial<typeof reading> = {}, struck: string[] = [], by = 'RK', at = now) =>
    lastToTakeBack(
      [
        { ...reading, id: 'older' },
        { ...reading, ...more },
      ],
      new Set(struck),
      rail.id,
      by,
      at,
    )?.id;
  expect(back()).toBe(reading.id);
  expect(back({}, [reading.id])).toBe('older');
  expect(back({}, [], 'TM')).toBeUndefined();
  expect(back({ by: 'TM' })).toBeUndefined();
  expect(back({}, [], 'RK', now + 3_600_000)).toBeUndefined();
  expect(lastToTakeBack([], new Set(), rail.id, 'RK', now)).toBeUndefined();
});

test('figures far too small in millimetres are asked about; with their unit, or large enough, they are taken', () => {
  const thickness = (text: string, system: 'in' | 'mm' = 'mm') => {
    const outcome = read({ station: '365mm', height: '50mm', thickness: text }, system);
    return outcome.ok ? outcome.reading.thicknessMm : outcome.problems.thickness;
  };
  expect(thickness('.148')).toContain('write .148 in');
  expect(thickness('0.499')).toContain('foil');
  expect(thickness('0.5')).toBe(0.5);
  expect(thickness('0')).toBe(0);
  expect(thickness('.148 in')).toBeCloseTo(3.7592, 6);
  expect(thickness('.148 mm')).toBe(0.148);
  expect(thickness('.010', 'in')).toBeCloseTo(0.254, 6);
});

test('a column pasted is read line by line; one figure is no column', () => {
  expect(pastedColumn('0.148\r\n0.15\n\n 3/16 \n')).toEqual(['0.148', '0.15', '3/16']);
  expect(pastedColumn('0.148\t0.15')).toEqual(['0.148', '0.15']);
  expect(pastedColumn(' 0.148 \n')).toBeUndefined();
  expect(pastedColumn('')).toBeUndefined();
});

describe('a pasted column', () => {
  const from = { stationMm: 254, face: 'web' as const, heightMm: 50 };
  const taken = {
    after: (spot: typeof from) => nextSpot(rail, spot, { alongMm: 152.4, columnMm: [] }) as typeof from,
    method: 'caliper' as const,
    system: 'in' as const,
    stamp: () => stamp,
  };
  const column = (lines: readonly string[], at = from) => readColumn(rail, at, lines, taken as never);

  test('lies place after place from the cursor on', () => {
    const read = column(['0.2', '3/16', '10ga']);
    if (!read.ok) throw new Error(read.reason);
    expect(read.readings.map(({ stationMm }) => Math.round(stationMm * 10) / 10)).toEqual([
      254, 406.4, 558.8,
    ]);
    expect(read.next.stationMm).toBeCloseTo(711.2, 6);
  });
  test('a line that is no thickness turns all of it down, by its number', () =>
    expect(column(['0.2', 'thin', '0.2'])).toEqual({
      ok: false,
      reason: expect.stringMatching(/^line 2: .*nothing of the column was kept$/),
    }));
  test('it never piles up at the end of the member: one that fits is taken, one line more is not', () => {
    const near = { ...from, stationMm: rail.lengthMm - 100 };
    expect(column(['0.2', '0.2'], near).ok).toBe(true);
    expect(column(['0.2', '0.2', '0.2'], near)).toMatchObject({
      ok: false,
      reason: expect.stringContaining('line 3: it would lie past the end of Left rail'),
    });
  });
});
