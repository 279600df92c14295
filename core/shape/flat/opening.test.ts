import { defaultFrame, facesOf, familyOf } from '../../frame';
import type { Point } from '../../geometry';
import type { Reading } from '../../probe';
import { DEFAULT_PRACTICE } from '../../reference';
import { memberPicture } from '../../weigh';
import { cutsAt } from '../plating';
import { pieceSchema } from '../piece';
import type { Repair } from '../repair';
import { clippedAlong, openingsOf } from './opening';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const rail = frame.members.find(({ id }) => id === 'rail-left')!;

/** Sound but for the lower web over a yard, gone to a third, deepest in the middle. */
const readings: Reading[] = Array.from({ length: 25 }, (_, k) => 1200 + 75 * k).flatMap((stationMm, k) =>
  facesOf(rail.shape).flatMap(({ id, widthMm }) =>
    [0.06, 0.18, 0.3, 0.42, 0.54, 0.66, 0.78, 0.9].map((share, n): Reading => {
      const reach = 0.5 - 0.35 * Math.abs((stationMm - 2100) / 450);
      const isThin = id === 'web' && share < reach;
      return {
        kind: 'reading',
        id: `00000000-0000-4000-8000-${`${k}${id}${n}`.replaceAll(/\D/g, '').padStart(12, '0')}`,
        memberId: rail.id,
        stationMm,
        face: id,
        heightMm: share * widthMm,
        thicknessMm: rail.shape.thicknessMm * (isThin ? 0.35 : 1),
        method: 'ultrasonic',
        by: 'RK',
        at: '2026-11-10T08:00:00Z',
        note: '',
      };
    }),
  ),
);
const picture = memberPicture({
  frame,
  member: rail,
  practice: DEFAULT_PRACTICE,
  readings,
  cracks: [],
  signs: [],
});
const repair = (more: Partial<Repair> = {}, startMm = 1400, endMm = 2800): Repair =>
  ({
    id: 'r',
    memberId: rail.id,
    cutOut: true,
    plugs: false,
    weldStyle: 'continuous',
    onBench: false,
    pieces: [
      pieceSchema.parse({
        id: 'p',
        kind: 'bottom L',
        startMm,
        endMm,
        thicknessMm: 6,
        lowerEdgeMm: 0,
        upperEdgeMm: 120,
        taperMm: 100,
      }),
    ],
    by: 'RK',
    at: '2026-11-10T08:00:00Z',
    ...more,
  }) as Repair;

/** Shoelace. */
const area = (outline: readonly Point[]) =>
  Math.abs(
    outline.reduce((sum, [x, y], k) => {
      const [nextX, nextY] = outline[(k + 1) % outline.length]!;
      return sum + x * nextY - nextX * y;
    }, 0),
  ) / 2;
const along = (outline: readonly Point[]) => outline.map(([mm]) => mm);

describe('what is cut out beneath a piece', () => {
  test('one opening a zone, from its first station to its last, within the piece', () => {
    expect(picture.zones.length).toBeGreaterThan(0);
    const openings = openingsOf(picture, repair());
    expect(openings.map(({ pieceId }) => pieceId)).toEqual(picture.zones.map(() => 'p'));
    openings.forEach(({ outline }, k) => {
      const { fromMm, toMm } = picture.zones[k]!;
      expect(Math.min(...along(outline))).toBeCloseTo(Math.max(fromMm, 1400), 6);
      expect(Math.max(...along(outline))).toBeCloseTo(Math.min(toMm, 2800), 6);
    });
    const middle = (picture.zones[0]!.fromMm + picture.zones[0]!.toMm) / 2;
    const [cut] = openingsOf(picture, repair({}, middle, 2800));
    expect(Math.min(...along(cut!.outline))).toBeCloseTo(middle, 6);
  });

  test('as large as what is cut at every station, summed along it; corners on no straight line', () => {
    for (const { outline } of openingsOf(picture, repair())) {
      const [fromMm, toMm] = [Math.min(...along(outline)), Math.max(...along(outline))];
      const steps = 4000;
      const cut = Array.from({ length: steps }, (_, k) => fromMm + ((toMm - fromMm) * (k + 0.5)) / steps)
        .map((mm) => cutsAt(picture, repair(), mm)[0]!)
        .reduce((sum, band) => sum + ((band.uToMm - band.uFromMm) * (toMm - fromMm)) / steps, 0);
      expect(area(outline) / cut).toBeGreaterThan(0.985);
      expect(area(outline) / cut).toBeLessThan(1.015);
      outline.forEach((at, k) => {
        const [before, after] = [outline.at(k - 1)!, outline[(k + 1) % outline.length]!];
        expect(area([before, at, after])).toBeGreaterThan(0.001);
      });
    }
  });

  test('an overlay, and plates that are bolted on, have none', () => {
    const bolts = { grade: '5', diameterMm: 12.7, pitchMm: 100 } as never;
    expect(openingsOf(picture, repair({ cutOut: false }))).toEqual([]);
    expect(openingsOf(picture, repair({ bolts }))).toEqual([]);
  });

  test('parts of it along the rail make up the whole, wherever it is parted: at a whole millimetre too', () => {
    const { outline } = openingsOf(picture, repair())[0]!;
    const [fromMm, toMm] = [Math.min(...along(outline)), Math.max(...along(outline))];
    const total = (paths: readonly Point[][]) => paths.reduce((sum, path) => sum + area(path), 0);
    for (const atMm of [2000, 2000.5, 2000.4321, (fromMm + toMm) / 2]) {
      const [left, right] = [clippedAlong(outline, fromMm, atMm), clippedAlong(outline, atMm, toMm)];
      expect(total(left) + total(right)).toBeCloseTo(area(outline), -1);
      expect(Math.max(...left.flatMap(along))).toBeCloseTo(atMm, 3);
      expect(Math.min(...right.flatMap(along))).toBeCloseTo(atMm, 3);
    }
    const [slant] = clippedAlong(
      [
        [0, 0],
        [200.7, 50.35],
        [0, 90.1],
      ],
      -10,
      100.5,
    );
    expect(Math.max(...along(slant!))).toBe(100.5);
    expect(clippedAlong(outline, toMm + 1, toMm + 50)).toEqual([]);
  });
});
