import { randomLcg, randomNormal } from 'd3-random';
import { contourArea, contourLength, extentOf, flattenContour, type Point } from '../../geometry';
import { defaultFrame, familyOf } from '../../frame';
import { blankFigures } from './blank';
import {
  blankOfOutline,
  bulgeThrough,
  contourOf,
  outlineKind,
  type Outline,
  type OutlinePoint,
} from './outline';
import { errorPerMetreMm, homography, marksAt, marksOf, opposite, seenAt } from './straighten';

const LADDER = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const corner = (xMm: number, yMm: number): OutlinePoint => ({ xMm, yMm });
const round = (xMm: number, yMm: number): OutlinePoint => ({ xMm, yMm, round: true });

describe('an outline from points', () => {
  test('corners alone are a polygon, whichever way round they were measured', () => {
    const square = [corner(0, 0), corner(100, 0), corner(100, 50), corner(0, 50)];
    for (const points of [square, [...square].reverse()]) {
      const made = contourOf(points);
      if (!made.ok) throw new Error(made.reason);
      expect(contourArea(made.value)).toBeCloseTo(5000, 6);
    }
  });
  test.each([1, -1])('three points of a half circle end make it, arcs the way they bulge (%i)', (way) => {
    const points = [corner(0, 0), corner(100, 0), round(100 + way * 25, 25), corner(100, 50), corner(0, 50)];
    for (const each of [points, [...points].reverse()]) {
      const made = contourOf(each);
      if (!made.ok) throw new Error(made.reason);
      expect(contourArea(made.value)).toBeCloseTo(5000 + (way * Math.PI * 625) / 2, 1);
      expect(contourLength(made.value)).toBeCloseTo(250 + Math.PI * 25, 1);
    }
  });
  test('many round points, each a little off, make the arc they scatter about', () => {
    const noise = randomNormal.source(randomLcg(5))(0, 0.3);
    const on = Array.from({ length: 12 }, (_, k): Point => {
      const turn = -1.2 + (2.4 * (k + 0.5)) / 12;
      return [(80 + noise()) * Math.cos(turn), (80 + noise()) * Math.sin(turn)];
    });
    const [from, to]: Point[] = [
      [80 * Math.cos(-1.2), 80 * Math.sin(-1.2)],
      [80 * Math.cos(1.2), 80 * Math.sin(1.2)],
    ];
    const bulge = bulgeThrough(from!, to!, on);
    expect(bulge).toBeCloseTo(Math.tan(2.4 / 4), 2);
    expect(bulgeThrough(to!, from!, [...on].reverse())).toBeCloseTo(-bulge, 6);
    expect(bulgeThrough([0, 0], [10, 0], [])).toBe(0);
    expect(bulgeThrough([0, 0], [10, 0], [[5, 0]])).toBe(0);
  });
  test.each([
    ['two corners', [corner(0, 0), corner(10, 0)], 'three corners'],
    ['tangled', [corner(0, 0), corner(10, 10), corner(10, 0), corner(0, 10)], 'crosses itself'],
    ['no corner at all', [round(0, 0), round(10, 0), round(5, 8)], 'two corners'],
    ['one corner', [corner(0, 0), round(10, 0), round(5, 8)], 'two corners'],
  ])('%s is refused with the reason', (_, points, reason) =>
    expect(contourOf(points)).toMatchObject({ ok: false, reason: expect.stringContaining(reason) as string }),
  );
  const record: Outline = {
    kind: 'outline',
    id: '0f6d3a52-5c0e-4bb3-9d0a-6f2f7f7f1a11',
    name: 'patch',
    memberId: LADDER.members[0]!.id,
    thicknessMm: 2,
    points: [corner(-20, 10), corner(80, 10), corner(80, 60)],
    from: 'measured',
    by: 'RK',
    at: '2026-11-20T08:00:00Z',
    note: '',
  };
  test('as a blank it begins at its own corner; kept only on a member that is there and an outline that is one', () => {
    const blank = blankOfOutline(record, 'rail')!;
    expect(extentOf(flattenContour(blank.outline))).toMatchObject({ minX: 0, minY: 0, maxX: 100, maxY: 50 });
    expect(blankFigures(blank).areaMm2).toBeCloseTo(2500, 6);
    expect(outlineKind.fits(LADDER, record).ok).toBe(true);
    expect(outlineKind.fits(LADDER, { ...record, memberId: 'nothing' }).ok).toBe(false);
    const tangled = [corner(0, 0), corner(10, 10), corner(10, 0), corner(0, 10)];
    expect(outlineKind.fits(LADDER, { ...record, points: tangled }).ok).toBe(false);
    expect(blankOfOutline({ ...record, points: tangled }, 'rail')).toBeUndefined();
  });
});

/** A pinhole camera over the paper: tipped, turned and off its middle; from mm on the plane to pixels, y down. */
function camera(random: () => number) {
  const tip = 0.15 + 0.45 * random();
  const turn = (random() - 0.5) * 1.2;
  const away = 420 + 200 * random();
  const focal = 2600;
  const [cx, cy] = [110 + 30 * random(), 80 + 30 * random()];
  return ([x, y]: Point): Point => {
    const [dx, dy] = [x - cx, y - cy];
    const [rx, ry] = [dx * Math.cos(turn) - dy * Math.sin(turn), dx * Math.sin(turn) + dy * Math.cos(turn)];
    const [py, depth] = [ry * Math.cos(tip), away + ry * Math.sin(tip)];
    return [2000 + (focal * rx) / depth, 1500 - (focal * py) / depth];
  };
}
const between = ([ax, ay]: Point, [bx, by]: Point) => Math.hypot(ax - bx, ay - by);

describe('a photo of a card in its frame', () => {
  const { places, wideMm } = marksOf('tabloid');
  test.each(Array.from({ length: 40 }, (_, k) => k + 11))(
    'seed %i: taps to the whole pixel measure 300 mm within 1 mm',
    (seed) => {
      const random = randomLcg(seed);
      const shot = camera(random);
      const tapped = places.map(shot).map(([x, y]): Point => [Math.round(x), Math.round(y)]);
      const h = homography(tapped, places);
      if (!h.ok) throw new Error(h.reason);
      const turn = random() * 0.5;
      const [a, b]: Point[] = [
        [40, 60],
        [40 + 300 * Math.cos(turn), 60 + 300 * Math.sin(turn)],
      ];
      const [pa, pb] = [a!, b!].map(shot).map(([x, y]): Point => [Math.round(x), Math.round(y)]);
      expect(wideMm).toBeGreaterThan(300);
      expect(Math.abs(between(seenAt(h.value, pa!), seenAt(h.value, pb!)) - 300)).toBeLessThan(1);
    },
  );
  test('exact taps are exact, there and back; more marks than four are taken together', () => {
    const shot = camera(randomLcg(3));
    const marks: Point[] = [...places, [100, 0], [0, 120]];
    const h = homography(marks.map(shot), marks);
    if (!h.ok) throw new Error(h.reason);
    const at = seenAt(h.value, shot([77, 33]));
    expect(at[0]).toBeCloseTo(77, 6);
    expect(at[1]).toBeCloseTo(33, 6);
    const back = seenAt(opposite(h.value), [77, 33]);
    expect(between(back, shot([77, 33]))).toBeLessThan(1e-6);
  });
  test('the error it tells is about what taps off by that much do: 400 draws', () => {
    const random = randomLcg(9);
    const noise = randomNormal.source(random)(0, 2);
    const shot = camera(randomLcg(4));
    const exact = places.map(shot);
    const told = errorPerMetreMm(exact, places, 2);
    const [a, b] = [
      [30, 40],
      [wideMm - 30, 200],
    ].map((place) => shot(place as unknown as Point));
    const stood = between([30, 40], [wideMm - 30, 200]);
    const offs = Array.from({ length: 400 }, () => {
      const h = homography(
        exact.map(([x, y]): Point => [x + noise(), y + noise()]),
        places,
      );
      return h.ok ? (1000 * (between(seenAt(h.value, a!), seenAt(h.value, b!)) - stood)) / stood : NaN;
    });
    const spread = Math.sqrt(offs.reduce((sum, off) => sum + off * off, 0) / offs.length);
    expect(told).toBeGreaterThan(0.8 * spread);
    expect(told).toBeLessThan(4 * spread);
    expect(errorPerMetreMm(exact, places, 4) / told).toBeCloseTo(2, 1);
  });
  test.each([
    [
      'three marks',
      [
        [0, 0],
        [500, 0],
        [500, 400],
      ],
      'four marks',
    ],
    [
      'two at one place',
      [
        [0, 0],
        [500, 0],
        [510, 10],
        [0, 400],
      ],
      'one place',
    ],
    [
      'crossed over',
      [
        [0, 0],
        [500, 0],
        [0, 400],
        [500, 400],
      ],
      'cross over',
    ],
    [
      'from the side',
      [
        [0, 0],
        [1000, 0],
        [900, 60],
        [100, 60],
      ],
      'too flat',
    ],
  ] as const)('%s: named', (_, pixels, reason) =>
    expect(
      homography(
        pixels as unknown as Point[],
        pixels.length === 4 ? marksAt(300, 200) : marksAt(300, 200).slice(0, 3),
      ),
    ).toMatchObject({
      ok: false,
      reason: expect.stringContaining(reason) as string,
    }),
  );
});
