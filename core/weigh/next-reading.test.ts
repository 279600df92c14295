import {
  leftOfPlan,
  memberPicture,
  nextReadings,
  NOT_WORTH_IT,
  readingsThatMattered,
  surveyPlan,
  tail,
} from '.';
import { defaultFrame, facesOf, familyOf, spotOnMember, type FaceId, type Frame } from '../frame';
import type { Reading } from '../probe';
import { DEFAULT_PRACTICE, schoolMarginMm } from '../reference';

const frame: Frame = defaultFrame({
  family: 'open-channel ladder',
  railShape: { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 },
  steel: 'a36',
  lengthMm: 3000,
  widthMm: 860,
  datum: 'hole',
});
const rail = frame.members[0]!;
const limitMm = 200 - schoolMarginMm(DEFAULT_PRACTICE.school);
let made = 0;
const reading = (stationMm: number, face: FaceId, heightMm: number, thicknessMm: number): Reading => ({
  kind: 'reading',
  id: `${++made}`,
  memberId: rail.id,
  stationMm,
  face,
  heightMm,
  thicknessMm,
  method: 'ultrasonic',
  by: 'RK',
  at: '2026-01-01T00:00:00Z',
  note: '',
});
const pictureOf = (readings: Reading[]) =>
  memberPicture({ frame, member: rail, readings, cracks: [], practice: DEFAULT_PRACTICE });
/** Everything read finely and sound, but for a tide on the web as high as `tideMm` between two stations. */
function finely(
  tideMm: number,
  rows = [6, 30, 60, 90, 120, 150, 180, 194],
  stepMm = 100,
  band: readonly [number, number] = [1200, 1800],
): Reading[] {
  return Array.from({ length: Math.floor(3000 / stepMm) + 1 }, (_, k) => k * stepMm).flatMap((s) => {
    const isRusty = s > band[0] && s < band[1];
    return [
      ...rows.map((h) => reading(s, 'web', h, isRusty && h < tideMm ? 2 : 6)),
      ...[15, 35, 55].flatMap((h) => [
        reading(s, 'bottom', h, isRusty && tideMm > 0 ? 2 : 6),
        reading(s, 'top', h, 6),
      ]),
    ];
  });
}

test('the tail of the normal distribution (tables)', () => {
  for (const [z, p] of [
    [0, 0.5],
    [1, 0.158655],
    [1.645, 0.049985],
    [1.96, 0.024998],
    [3, 0.00135],
  ] as const)
    expect(tail(z)).toBeCloseTo(p, 5);
  expect(tail(-1)).toBeCloseTo(0.841345, 5);
});

describe('before the first reading', () => {
  test('a coarse grid on every face that can be reached, loss low', () => {
    for (const member of defaultFrame({
      ...familyOf('boxed ladder').typical,
      family: 'boxed ladder',
      steel: 'a36',
      datum: 'hole',
    }).members) {
      const plan = surveyPlan(member);
      expect(plan.length).toBeGreaterThanOrEqual(9);
      for (const place of plan) expect(spotOnMember(member, place).ok).toBe(true);
    }
    expect(surveyPlan({ ...rail, hidden: ['bottom'] }).some((place) => place.face === 'bottom')).toBe(false);
  });
  test('what was read near its places is done with', () => {
    const plan = surveyPlan(rail);
    const first = plan[0]!;
    expect(leftOfPlan(plan, [])).toHaveLength(plan.length);
    expect(
      leftOfPlan(plan, [reading(first.stationMm + 50, first.face, first.heightMm + 10, 6)]),
    ).toHaveLength(plan.length - 1);
  });
  test('about two feet apart from six inches in, three columns at least; low, middle and high on the web, the top not at all', () => {
    const stationsOf = (lengthMm: number) => [
      ...new Set(surveyPlan({ ...rail, lengthMm }).map((place) => place.stationMm)),
    ];
    expect(stationsOf(3000)).toHaveLength(6);
    expect([stationsOf(3000)[0], stationsOf(3000).at(-1)]).toEqual([150, 2850]);
    expect(stationsOf(600)).toEqual([60, 300, 540]);
    const column = surveyPlan(rail).filter((place) => place.stationMm === 150);
    expect(column.map(({ face, heightMm }) => [face, Math.round(heightMm)])).toEqual([
      ['bottom', 35],
      ['web', 176],
      ['web', 100],
      ['web', 24],
    ]);
  });
  test.each([
    [199, 39, true],
    [200, 0, false],
    [0, 40, false],
    [-199, -39, true],
  ])('a reading %d mm along and %d mm up from a place does it: %s', (along, up, done) => {
    const place = surveyPlan(rail).find((each) => each.face === 'web' && each.heightMm === 100)!;
    const near = reading(place.stationMm + along, 'web', place.heightMm + up, 6);
    expect(leftOfPlan([place], [near])).toHaveLength(done ? 0 : 1);
    expect(leftOfPlan([place], [{ ...near, face: 'bottom' }])).toHaveLength(1);
  });
  test('no map, nothing to rank', () => expect(nextReadings(pictureOf([]))).toEqual([]));
});

describe('the next reading', () => {
  test('a finely read sound rail asks for nothing more', () =>
    expect(nextReadings(pictureOf(finely(0)))).toEqual([]));

  test('a bracket across the margin’s limit is asked about at the limit, first', () => {
    const rows = [6, 30, 60, 90, 120, 150, 198];
    const [first] = nextReadings(pictureOf(finely(155, rows)));
    expect(first).toMatchObject({ face: 'web', why: 'edge against the margin' });
    expect(first!.stationMm).toBeGreaterThan(1150);
    expect(first!.stationMm).toBeLessThan(1850);
    expect(Math.abs(first!.heightMm - limitMm)).toBeLessThan(3);
  });

  test.each([
    [40, 'bottom', 35],
    [60, 'web', 0.06 * 200],
  ] as const)(
    'sound down to %d mm and not read below: asked on the %s, at %d mm',
    (lowest, face, heightMm) => {
      const picture = pictureOf(
        finely(0, [lowest, 90, 120, 150, 180, 194]).filter((each) => each.face === 'web'),
      );
      const below = nextReadings(picture, 30).filter(({ why }) => why === 'edge open below');
      expect(below.length).toBeGreaterThan(0);
      for (const each of below) expect(each).toMatchObject({ face, heightMm });
    },
  );

  test('a stretch nobody read is asked about in its middle, and less once it is read', () => {
    const sparse = finely(0).filter((each) => each.stationMm <= 600 || each.stationMm >= 2600);
    const [first] = nextReadings(pictureOf(sparse));
    expect(first!.stationMm).toBeGreaterThan(1200);
    expect(first!.stationMm).toBeLessThan(2000);
    const after = nextReadings(
      pictureOf([...sparse, ...finely(0).filter((each) => Math.abs(each.stationMm - 1600) < 1)]),
    )[0];
    expect(Math.abs((after?.stationMm ?? 0) - 1600)).toBeGreaterThan(150);
  });

  test('each is worth something, on the member, best first, and no place is asked twice', () => {
    const asked = nextReadings(pictureOf(finely(120, [20, 100, 190], 500)), 8);
    expect(asked.length).toBeGreaterThan(1);
    asked.forEach((each, k) => {
      expect(each.worth).toBeGreaterThanOrEqual(NOT_WORTH_IT);
      expect(each.worth).toBeLessThanOrEqual(0.5);
      if (k > 0) expect(each.worth).toBeLessThanOrEqual(asked[k - 1]!.worth);
      expect(spotOnMember(rail, each).ok).toBe(true);
      for (const other of asked.slice(0, k))
        expect(
          other.face !== each.face ||
            Math.hypot((other.stationMm - each.stationMm) / 4, other.heightMm - each.heightMm) > 15,
        ).toBe(true);
    });
  });

  test('taking what it asks for, again and again, comes to an end with the right answer', () => {
    const truth = (s: number, face: FaceId, h: number) =>
      s > 1100 && s < 1700 && (face === 'bottom' || (face === 'web' && h < 140)) ? 2 : 6;
    const readings = surveyPlan(rail, 1200).map((place) =>
      reading(
        place.stationMm,
        place.face,
        place.heightMm,
        truth(place.stationMm, place.face, place.heightMm),
      ),
    );
    let asked = 0;
    for (; asked < 80; asked++) {
      const next = nextReadings(pictureOf(readings), 1)[0];
      if (!next) break;
      readings.push(
        reading(next.stationMm, next.face, next.heightMm, truth(next.stationMm, next.face, next.heightMm)),
      );
    }
    expect(asked).toBeLessThan(80);
    const { edges, zones } = pictureOf(readings);
    expect(zones.length).toBeGreaterThan(0);
    const margins = edges[0]!.columns
      .filter((column) => column.kind === 'bracketed')
      .map((column) => 200 - column.upperMm);
    expect(Math.min(...margins)).toBeGreaterThanOrEqual(schoolMarginMm(DEFAULT_PRACTICE.school));
  });
});

test('readings that mattered set a bound of the edge or stand at the weakest station', () => {
  const readings = finely(100);
  const mattered = readingsThatMattered(pictureOf(readings), readings);
  expect(mattered).toBeGreaterThan(0);
  expect(mattered).toBeLessThan(0.2 * readings.length);
  expect(facesOf(rail.shape).length).toBe(3);
});
