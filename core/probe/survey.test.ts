import {
  DRIFT_MM,
  doubtfulReadings,
  driftMm,
  finalCut,
  firstCut,
  hasDrifted,
  soundEdges,
  feltEdgeKind,
  type Calibration,
  type FeltEdge,
  type Reading,
} from '.';
import { defaultFrame } from '../frame';

const frame = defaultFrame({
  family: 'open-channel ladder',
  railShape: { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 },
  steel: 'a36',
  lengthMm: 6000,
  widthMm: 860,
  datum: 'hole',
});
const rail = frame.members[0]!;
const id = (k: number) => `00000000-0000-4000-8000-${String(k).padStart(12, '0')}`;
const reading = (stationMm: number, heightMm: number, thicknessMm: number): Reading => ({
  kind: 'reading',
  id: `${stationMm}-${heightMm}`,
  memberId: rail.id,
  stationMm,
  face: 'web',
  heightMm,
  thicknessMm,
  method: 'ultrasonic',
  by: 'RK',
  at: '2026-01-01T00:00:00Z',
  note: '',
});
const felt = (
  stationMm: number,
  lowerMm: number,
  upperMm: number,
  more: Partial<FeltEdge> = {},
): FeltEdge => ({
  kind: 'felt edge',
  id: id(stationMm),
  memberId: rail.id,
  stationMm,
  face: 'web',
  lowerMm,
  upperMm,
  note: '',
  by: 'RK',
  at: '2026-01-01T00:00:00Z',
  ...more,
});
const column = (stationMm: number, edgeMm: number) =>
  [20, 45, 70, 120, 180].map((height) => reading(stationMm, height, height >= edgeMm ? 6 : 2));

describe('an edge felt by hand', () => {
  const edgeOf = (readings: Reading[], ...pins: FeltEdge[]) =>
    soundEdges(rail, readings, 4.8, pins)[0]!.columns;
  test('is a column of its own where nothing was read, in its place along the rail', () => {
    expect(
      edgeOf([...column(1000, 60), ...column(1600, 60)], felt(1300, 30, 50)).map((each) => [
        each.stationMm,
        each.lowerMm,
        each.upperMm,
        each.kind,
      ]),
    ).toEqual([
      [1000, 45, 70, 'bracketed'],
      [1300, 30, 50, 'felt'],
      [1600, 45, 70, 'bracketed'],
    ]);
  });
  test('narrows the bracket of a column it agrees with; where they contradict, the higher bound stands', () => {
    expect(edgeOf(column(1000, 60), felt(1010, 50, 60))[0]).toMatchObject({
      lowerMm: 50,
      upperMm: 60,
      kind: 'bracketed',
    });
    expect(edgeOf(column(1000, 60), felt(1010, 90, 100))[0]).toMatchObject({ lowerMm: 45, upperMm: 100 });
    expect(edgeOf(column(1000, 60), felt(1010, 10, 20))[0]).toMatchObject({ upperMm: 70 });
  });
  test('closes what readings left open', () =>
    expect(edgeOf([reading(1000, 60, 6), reading(1000, 150, 6)], felt(1005, 20, 40))[0]).toMatchObject({
      lowerMm: 20,
      upperMm: 40,
      kind: 'felt',
    }));
  test('what cannot be is refused with the reason', () => {
    expect(feltEdgeKind.fits(frame, felt(1000, 30, 50)).ok).toBe(true);
    expect(feltEdgeKind.fits(frame, felt(1000, 60, 50))).toMatchObject({
      ok: false,
      reason: expect.stringContaining('lower first'),
    });
    expect(feltEdgeKind.fits(frame, felt(1000, 30, 500))).toMatchObject({ ok: false });
    expect(feltEdgeKind.fits(frame, felt(9000, 30, 50))).toMatchObject({
      ok: false,
      reason: expect.stringContaining('off'),
    });
    expect(feltEdgeKind.fits(frame, felt(1000, 3, 5, { face: 'top' }))).toMatchObject({
      ok: false,
      reason: expect.stringContaining('upright'),
    });
    expect(feltEdgeKind.fits(frame, felt(1000, 3, 5, { memberId: 'x' }))).toMatchObject({ ok: false });
    expect(feltEdgeKind.schema.safeParse({ ...felt(1000, 1, 2), lowerMm: -1 }).success).toBe(false);
  });
});

describe('cut lines', () => {
  const edges = soundEdges(rail, [...column(1000, 60), ...column(1300, 100), ...column(1600, 60)], 4.8);
  const zones = [{ fromMm: 950, toMm: 1650 }];
  test('the opening cut is level, 3/8 in up, along each zone', () => {
    expect(firstCut(edges, zones)).toEqual([
      {
        face: 'web',
        points: [
          { stationMm: 950, heightMm: 9.525 },
          { stationMm: 1650, heightMm: 9.525 },
        ],
      },
    ]);
    expect(firstCut(edges, [])).toEqual([]);
  });
  test('the final cut is everywhere above the edge’s bound and never nearer to the top than the school lets it', () => {
    for (const school of ['half-inch band', 'one inch left', 'where rust ends'] as const) {
      const [line] = finalCut(edges, zones, school);
      for (const { stationMm, heightMm } of line!.points) {
        const bound =
          stationMm <= 1300
            ? 70 + (50 * Math.max(0, stationMm - 1000)) / 300
            : 120 - (50 * Math.max(0, Math.min(stationMm, 1600) - 1300)) / 300;
        expect(heightMm).toBeGreaterThanOrEqual(Math.min(bound, 170));
      }
    }
    const high = soundEdges(rail, [...column(1000, 190), ...column(1300, 175)], 4.8);
    const top = (school: 'half-inch band' | 'one inch left' | 'where rust ends') =>
      Math.max(...finalCut(high, zones, school)[0]!.points.map((point) => point.heightMm));
    expect(top('half-inch band')).toBeCloseTo(200 - 6.35, 6);
    expect(top('one inch left')).toBeCloseTo(200 - 25.4, 6);
    expect(top('where rust ends')).toBe(200);
  });
});

describe('calibration', () => {
  const calibration = (k: number, offMm: number, gauge = 'G1'): Calibration => ({
    kind: 'calibration',
    id: id(k),
    gauge,
    mode: 'single echo',
    steps: [
      { madeMm: 2, readMm: 2 + offMm },
      { madeMm: 8, readMm: 8 },
    ],
    velocityMps: 5920,
    temperatureC: 20,
    note: '',
    by: 'RK',
    at: '2026-01-01T00:00:00Z',
  });
  test('a gauge off by more than its limit on any step has drifted', () => {
    expect(driftMm(calibration(1, 0.1))).toBeCloseTo(0.1, 9);
    expect(hasDrifted(calibration(1, 0.9 * DRIFT_MM))).toBe(false);
    expect(hasDrifted(calibration(1, -1.1 * DRIFT_MM))).toBe(true);
  });
  test('readings under a calibration that the gauge’s next block reading found drifted are in doubt, others are not', () => {
    const under = (k: number, name: string) => ({ id: name, calibrationId: id(k) });
    const readings = [under(1, 'a'), under(2, 'b'), under(3, 'c'), { id: 'd' }];
    expect([
      ...doubtfulReadings(readings, [calibration(1, 0), calibration(3, 0, 'G2'), calibration(2, 0.4)]),
    ]).toEqual(['a', 'b']);
    expect([
      ...doubtfulReadings(readings, [calibration(1, 0), calibration(2, 0), calibration(3, 0)]),
    ]).toEqual([]);
  });
});
