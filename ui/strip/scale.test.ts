import fc from 'fast-check';
import { defaultFrame, developedWidthMm, facesOf, FAMILY_IDS, familyOf, type Member } from '@/core/frame';
import { contourLabels } from './contour-labels';
import {
  cursorU,
  following,
  rulerTicks,
  spotAt,
  stepCursor,
  stripScale,
  turnFace,
  zoomed,
  type Cursor,
} from './scale';

const members = FAMILY_IDS.map(
  (family): Member =>
    defaultFrame({
      family,
      railShape: familyOf(family).typical.railShape,
      steel: 'a36',
      lengthMm: 6096,
      widthMm: 860,
      datum: 'hole',
    }).members[0]!,
);
const box = { left: 92, top: 76, width: 650, height: 290 };
const whole = { fromMm: 0, toMm: 6096 };
const anyMember = fc.constantFrom(...members);
const within = fc.double({ min: 0, max: 1, noNaN: true });

test('a spot under the finger and the cursor drawn for it are the same place', () => {
  fc.assert(
    fc.property(anyMember, within, within, within, (member, part, down, zoom) => {
      const stretch = zoomed(member, whole, part * member.lengthMm, 0.1 + zoom);
      const scale = stripScale(member, stretch, box);
      const [x, y] = [box.left + part * box.width, box.top + down * box.height];
      const spot = spotAt(member, scale, x, y);
      expect(scale.x(spot.stationMm)).toBeCloseTo(x, 6);
      expect(scale.y(cursorU(member, spot))).toBeCloseTo(y, 3);
    }),
    { seed: 5, numRuns: 200 },
  );
});

test('outside the drawing the nearest spot of the member is meant', () => {
  for (const member of members) {
    const scale = stripScale(member, whole, box);
    for (const [x, y] of [
      [-500, -500],
      [5000, 5000],
      [0, 200],
      [400, 9999],
    ] as const) {
      const spot = spotAt(member, scale, x, y);
      const face = facesOf(member.shape).find((each) => each.id === spot.face)!;
      expect(spot.stationMm).toBeGreaterThanOrEqual(0);
      expect(spot.stationMm).toBeLessThanOrEqual(member.lengthMm);
      expect(spot.heightMm).toBeGreaterThanOrEqual(0);
      expect(spot.heightMm).toBeLessThanOrEqual(face.widthMm);
    }
  }
});

test('steps stay on the member; down the screen is down on a side and away from the web on the bottom', () => {
  fc.assert(
    fc.property(
      anyMember,
      within,
      fc.integer({ min: -9000, max: 9000 }),
      fc.integer({ min: -500, max: 500 }),
      fc.nat(3),
      (member, part, along, across, n) => {
        const face = facesOf(member.shape)[n % facesOf(member.shape).length]!;
        const start: Cursor = {
          stationMm: part * member.lengthMm,
          face: face.id,
          heightMm: face.widthMm / 2,
        };
        const next = stepCursor(member, start, along, across);
        expect(
          next.stationMm >= 0 &&
            next.stationMm <= member.lengthMm &&
            next.heightMm >= 0 &&
            next.heightMm <= face.widthMm,
        ).toBe(true);
        expect(Math.sign(cursorU(member, next) - cursorU(member, start))).toBe(Math.sign(across));
      },
    ),
    { seed: 6, numRuns: 200 },
  );
});

test('turning through every face comes back to the first', () => {
  for (const member of members) {
    let cursor: Cursor = { stationMm: 100, face: facesOf(member.shape)[0]!.id, heightMm: 10 };
    const seen = facesOf(member.shape).map(() => (cursor = turnFace(member, cursor, 1)).face);
    expect(new Set(seen).size).toBe(facesOf(member.shape).length);
    expect(cursor.face).toBe(facesOf(member.shape)[0]!.id);
    expect(turnFace(member, turnFace(member, cursor, 1), -1).face).toBe(cursor.face);
  }
});

test('zooming keeps the station under the finger, stays on the member, and never goes under 6 in', () => {
  fc.assert(
    fc.property(anyMember, within, fc.double({ min: 0.05, max: 3, noNaN: true }), (member, part, factor) => {
      const [from, long] = [member.lengthMm / 6, member.lengthMm / 3];
      const stretch = zoomed(member, { fromMm: from, toMm: from + long }, from + long * part, factor);
      expect(stretch.fromMm).toBeGreaterThanOrEqual(-1e-9);
      expect(stretch.toMm).toBeLessThanOrEqual(member.lengthMm + 1e-9);
      expect(stretch.toMm - stretch.fromMm).toBeGreaterThanOrEqual(152.3);
      const station = from + long * part;
      expect(station >= stretch.fromMm - 1e-6 && station <= stretch.toMm + 1e-6).toBe(true);
    }),
    { seed: 7, numRuns: 200 },
  );
});

test('following moves a stretch only when its cursor would leave it', () => {
  const [member] = members as [Member];
  const stretch = { fromMm: 1000, toMm: 2000 };
  expect(following(member, stretch, 1500)).toBe(stretch);
  const moved = following(member, stretch, 2400);
  expect(moved.toMm - moved.fromMm).toBeCloseTo(1000, 9);
  expect(moved.fromMm).toBeLessThan(2400);
  expect(moved.toMm).toBeGreaterThan(2400);
  expect(following(member, stretch, 0).fromMm).toBe(0);
});

test.each([
  ['in', 25.4, 0],
  ['mm', 1, 0],
  ['in', 25.4, 914.4],
  ['mm', 1, 2789.3],
] as const)(
  'ruler in %s: labels at a round step from the datum, never more than asked for',
  (system, unitMm, startsMm) => {
    for (const span of [160, 700, 2500, 6096, 12000]) {
      const labelled = rulerTicks({ fromMm: 300, toMm: 300 + span }, system, { wanted: 10, startsMm }).filter(
        (tick) => tick.label !== undefined,
      );
      expect(labelled.length).toBeLessThanOrEqual(11);
      for (const tick of labelled)
        expect(Number(tick.label!.split(' ')[0]) * unitMm).toBeCloseTo(startsMm + tick.stationMm, 3);
    }
  },
);

test('contour labels stand where a ring crosses a station, highest first, never on the sheet’s own edge', () => {
  const regions = [
    {
      level: 0.8,
      rings: [
        [
          [0, 0],
          [100, 0],
          [100, 50],
          [0, 50],
          [0, 0],
        ],
      ] as const,
    },
    {
      level: 0.7,
      rings: [
        [
          [0, 10],
          [100, 10],
          [100, 40],
          [0, 40],
          [0, 10],
        ],
      ] as const,
    },
  ];
  expect(contourLabels(regions, [50], 200)).toEqual([{ level: 0.8, stationMm: 50, uMm: 50 }]);
  expect(contourLabels(regions, [150], 200)).toEqual([]);
  expect(developedWidthMm(members[0]!.shape)).toBeGreaterThan(0);
});
