import { randomLcg } from 'd3-random';
import { defaultFrame, faceOf, familyOf } from '../frame';
import { sampledFields, thicknessMap, type Reading } from '.';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const rail = frame.members.find(({ id }) => id === 'rail-left')!;
const web = faceOf(rail.shape, 'web')!;
let made = 0;
const reading = (
  stationMm: number,
  heightMm: number,
  thicknessMm: number,
  method: Reading['method'] = 'ultrasonic',
): Reading => ({
  kind: 'reading',
  id: `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`,
  memberId: rail.id,
  stationMm,
  face: 'web',
  heightMm,
  thicknessMm,
  method,
  by: 'RK',
  at: '2026-11-10T08:00:00Z',
  note: '',
});
const COVARIANCE = { sill: 0.1 ** 2, rangeMm: 60 };
const middleMm = 0.7 * web.wallMm;
const readings = [0, 200, 400, 600, 800].flatMap((along) =>
  [30, 90, 150].map((height, k) => reading(2000 + along, height, middleMm + 0.25 * (k - 1))),
);
const map = thicknessMap(rail, readings, undefined, COVARIANCE)!;
const columns = [40, 42, 44, 46, 48, 52];
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
const deviation = (values: readonly number[]) =>
  Math.sqrt(mean(values.map((value) => (value - mean(values)) ** 2)));
const draws = (count: number, of = columns, seed = 0.4) => {
  const [draw, random] = [sampledFields(rail, readings, map, of)!, randomLcg(seed)];
  return Array.from({ length: count }, () => draw(random));
};

describe('fields as likely as the readings leave them', () => {
  const fields = draws(3000);
  const upright = [...map.surface.uMm.keys()].filter((row) => map.surface.rowFace[row]!.id === 'web');
  test('their middle is the map’s, their spread its error: 3,000 fields', () => {
    for (const row of upright)
      columns.forEach((column, k) => {
        const cell = row * map.stationsMm.length + column;
        const values = fields.map((field) => field[row * columns.length + k]!);
        const error = map.errorMm[cell]!;
        expect(Math.abs(mean(values) - map.thicknessMm[cell]!)).toBeLessThan(
          4 * (error / Math.sqrt(3000)) + 0.01,
        );
        // The map's error is never under the tool's, the field's may be.
        expect(deviation(values)).toBeLessThan(1.06 * error + 0.01);
        expect(deviation(values)).toBeGreaterThan(0.5 * error);
      });
  });
  test('far from any reading two places are as alike as the covariance has it', () => {
    const far = draws(3000, [0, 2], 0.9);
    const row = upright[Math.floor(upright.length / 2)]!;
    const [a, b] = [0, 1].map((k) => far.map((field) => field[row * 2 + k]!)) as [number[], number[]];
    const along = (map.stationsMm[2]! - map.stationsMm[0]!) / 4;
    const [ma, mb] = [mean(a), mean(b)];
    const alike = mean(a.map((value, k) => (value - ma) * (b[k]! - mb))) / (deviation(a) * deviation(b));
    expect(Math.abs(alike - Math.exp(-along / COVARIANCE.rangeMm))).toBeLessThan(0.08);
  });
  test('a cut sample is taken at its word: there the fields hardly differ', () => {
    const column = map.stationsMm.reduce(
      (near, mm, k) => (Math.abs(mm - 2300) < Math.abs(map.stationsMm[near]! - 2300) ? k : near),
      0,
    );
    const row = upright[Math.floor(upright.length / 3)]!;
    const uMm = map.surface.uMm[row]!;
    const bottomUMm = Math.min(...upright.map((each) => map.surface.edgeUMm[each]!));
    const sample = reading(map.stationsMm[column]!, uMm - bottomUMm, middleMm - 1, 'cut sample');
    const sure = [...readings, sample];
    const spreadOf = (some: readonly Reading[]) => {
      const here = thicknessMap(rail, some, undefined, COVARIANCE)!;
      const [draw, random] = [sampledFields(rail, some, here, [column])!, randomLcg(0.2)];
      return Math.min(
        ...upright.map((each) => deviation(Array.from({ length: 300 }, () => draw(random)[each]!))),
      );
    };
    expect(spreadOf(sure)).toBeLessThan(0.7 * spreadOf(readings));
  });
  test('never under nothing nor over what it was made as; the same seed, the same field', () => {
    const most = web.wallMm * map.basis.mostKept;
    for (const field of draws(200))
      for (const mm of field) expect(mm >= 0 && mm <= Math.max(most, 30)).toBe(true);
    expect(draws(1)[0]).toEqual(draws(1)[0]);
    expect(draws(1, columns, 0.41)[0]).not.toEqual(draws(1)[0]);
    expect(sampledFields(rail, [], map, columns)).toBeUndefined();
    expect(sampledFields(rail, readings, map, [])).toBeUndefined();
  });
});
