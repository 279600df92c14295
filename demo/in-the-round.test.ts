import { cross, dot, eyeOf, minus, normalOf, polygonArea, seenFrom, type Vector } from '@/core/geometry';
import { developedWidthMm, type Frame } from '@/core/frame';
import { drainsOf, outlineOnStrip, boltsOf, isBolted } from '@/core/shape';
import { demoBundles } from '.';
import {
  frameFaces,
  liftOf,
  pulledApart,
  repairFaces,
  usualLook,
  workJob,
  type KnownOf,
  type MemberWork,
  type RoundFace,
} from '@/core/job';

const bundles = demoBundles();
const all = bundles.flatMap((bundle) =>
  workJob(bundle).flatMap((work) => work.repairs.map((worked) => ({ work, worked, frame: bundle.frame }))),
);
const of = (faces: readonly RoundFace[], part: RoundFace['part']) =>
  faces.filter((face) => face.part === part);
const areaOf = ({ corners }: RoundFace): number => {
  let sum: Vector = [0, 0, 0];
  corners.slice(2).forEach((corner, k) => {
    const turn = cross(minus(corners[k + 1]!, corners[0]!), minus(corner, corners[0]!));
    sum = [sum[0] + turn[0] / 2, sum[1] + turn[1] / 2, sum[2] + turn[2] / 2];
  });
  return Math.hypot(...sum);
};
const finite = (faces: readonly RoundFace[]) =>
  faces.every(({ corners }) => corners.every((corner) => corner.every((mm) => Number.isFinite(mm))));

test('the demo has repairs to look at', () => expect(all.length).toBeGreaterThan(4));

describe.each(
  all.map(
    ({ work, worked, frame }) =>
      [`${work.picture.member.name}, ${worked.repair.id}`, { work, worked, frame }] as const,
  ),
)('%s', (_, { work: { picture }, worked }) => {
  const faces = repairFaces(picture, worked);
  const { member } = picture;
  const { pieces } = worked.repair;

  test('everything lies somewhere, plates and wall among it', () => {
    expect(finite(faces)).toBe(true);
    expect(of(faces, 'wall').length).toBeGreaterThan(50);
    expect(of(faces, 'plate').length).toBeGreaterThan(20);
  });

  test('the wall is as large as it was made, less what is cut out or gone', () => {
    const wall = of(faces, 'wall');
    const xs = wall.flatMap(({ corners }) => corners.map(([x]) => x));
    const whole = (Math.max(...xs) - Math.min(...xs)) * developedWidthMm(member.shape);
    const drawn = wall.reduce((sum, face) => sum + areaOf(face), 0);
    expect(drawn).toBeLessThanOrEqual(whole * 1.001);
    if (!worked.repair.cutOut) expect(drawn).toBeGreaterThan(0.8 * whole);
  });

  test('walls of a known thickness are shaded by it, all others by nothing', () => {
    for (const { kept } of of(faces, 'wall'))
      if (kept !== undefined) expect(kept >= 0 && kept <= 1).toBe(true);
    for (const { part, kept } of faces) if (part !== 'wall') expect(kept).toBeUndefined();
  });

  test('its inner skins are as large as the plates’ outlines on the Strip', () => {
    if (pieces.some(({ inside }) => inside) || member.shape.kind === 'tube') return;
    const outlines = pieces.reduce(
      (sum, piece) => sum + Math.abs(polygonArea(outlineOnStrip(member, piece))),
      0,
    );
    // Outer and inner skin, edges and ends: twice the outline and the slab's sides, the outer skin longer round its corners.
    const drawn = of(faces, 'plate').reduce((sum, face) => sum + areaOf(face), 0);
    const sides = pieces.reduce((sum, { startMm, endMm, thicknessMm }) => {
      const round = 2 * (endMm - startMm) + 2 * developedWidthMm(member.shape);
      return sum + round * thicknessMm;
    }, 0);
    expect(drawn).toBeGreaterThan(2 * outlines);
    expect(drawn).toBeLessThan(2.12 * outlines + sides);
  });

  test('as many drains and bolts as there are', () => {
    const practice = { ...picture.practice, drains: picture.ways.drains };
    const drains = pieces.flatMap((piece) =>
      drainsOf(member, worked.repair, piece, { practice, zones: picture.zones }),
    );
    expect(of(faces, 'drain')).toHaveLength(drains.length);
    const bolts = isBolted(worked.repair) ? boltsOf(member, worked.repair).length : 0;
    expect(of(faces, 'bolt')).toHaveLength(7 * bolts);
  });

  test('welds are as long as they are made, within what slants and steps', () => {
    const lines = worked.joined.lines.filter(({ kind }) => kind === 'fillet');
    expect(of(faces, 'weld').length > 0).toBe(lines.length > 0);
    if (lines.length === 0 || lines.some(({ runs, place }) => runs || place === 'seam')) return;
    const legMm = lines[0]!.legMm;
    const drawn = of(faces, 'weld').reduce((sum, face) => sum + areaOf(face), 0) / (legMm * Math.SQRT2);
    expect(drawn / worked.joined.totalWeldMm).toBeGreaterThan(0.85);
    expect(drawn / worked.joined.totalWeldMm).toBeLessThan(1.2);
  });

  test('pulled apart, plates go off and the wall stays; welds go half as far', () => {
    const pulled = pulledApart(faces, 100);
    faces.forEach((face, k) => {
      const moved = Math.hypot(...minus(pulled[k]!.corners[0]!, face.corners[0]!));
      if (face.part === 'plate') expect(moved).toBeCloseTo(100, 6);
      if (face.part === 'weld') expect(moved).toBeCloseTo(50, 6);
      if (face.part === 'wall' || face.part === 'fitting') expect(moved).toBe(0);
    });
  });

  test('from outside, an outer plate on an upright face is drawn over its wall', () => {
    const upright = pieces.find(({ kind, inside }) => kind === 'side plate' && !inside);
    if (!upright) return;
    const seen = seenFrom(faces, usualLook(picture, false), liftOf).map(({ of: face }) => face.part);
    expect(seen.lastIndexOf('plate')).toBeGreaterThan(seen.indexOf('wall'));
  });
});

test('a right-hand member’s outer side lies to the right, its twin’s to the left', () => {
  const sided = all.filter(
    ({ work }) => work.picture.member.side && work.picture.member.shape.kind === 'channel',
  );
  const meanZ = (faces: readonly RoundFace[]) => {
    const zs = faces.flatMap(({ corners }) => corners.map(([, , z]) => z));
    return zs.reduce((sum, z) => sum + z, 0) / zs.length;
  };
  for (const { work, worked } of sided) {
    const faces = repairFaces(work.picture, worked);
    // The web is at 0; flanges run in from it: to the left of a right-hand rail.
    expect(Math.sign(meanZ(of(faces, 'wall')))).toBe(work.picture.member.side === 'right' ? 1 : -1);
  }
  expect(sided.length).toBeGreaterThan(0);
});

describe('the whole frame', () => {
  const frame: Frame = bundles[0]!.frame;
  const sections = [
    { stationMm: 1000, kept: { area: { value: 0.5, plusMinus: 0 } }, guessedShare: 0 },
  ] as unknown as MemberWork['picture']['sections'];
  test('is as wide over its rails as it was measured, and as long', () => {
    const faces = frameFaces(frame, () => undefined);
    expect(finite(faces)).toBe(true);
    const rails = frame.members.filter(({ role, line }) => role === 'rail' && !line);
    const [zs, xs] = [2, 0].map((axis) =>
      faces.flatMap(({ corners }) => corners.map((corner) => corner[axis]!)),
    );
    expect(Math.max(...zs!)).toBeCloseTo(frame.widthMm / 2, 3);
    expect(Math.min(...zs!)).toBeCloseTo(-frame.widthMm / 2, 3);
    const ends = rails.map(({ startMm = 0, lengthMm }) => startMm + lengthMm);
    expect(Math.max(...xs!)).toBeCloseTo(Math.max(...ends), 3);
    expect(faces.every(({ kept }) => kept === undefined)).toBe(true);
  });
  test('a measured section shades its own stretch, one that is mostly guessed shades nothing', () => {
    const shaded = frameFaces(frame, (id) => (id === 'rail-left' ? { sections, partedAtMm: [] } : undefined));
    expect(shaded.some(({ kept }) => kept === 0.5)).toBe(true);
    expect(shaded.filter(({ kept }) => kept !== undefined).length).toBeLessThan(shaded.length / 8);
    const guessed = sections.map((section) => ({ ...section, guessedShare: 0.6 }));
    expect(
      frameFaces(frame, () => ({ sections: guessed, partedAtMm: [] })).every(
        ({ kept }) => kept === undefined,
      ),
    ).toBe(true);
  });
  test('a gone flange shades by the strength it took, a parted rail by nothing left', () => {
    const flange = sections.map((section) => ({
      ...section,
      kept: { ...section.kept, modulusBottom: { value: 0.2, plusMinus: 0 } },
    }));
    const least = (known: KnownOf) =>
      Math.min(...frameFaces(frame, () => known).flatMap(({ kept }) => kept ?? []));
    expect(least({ sections: flange, partedAtMm: [] })).toBe(0.2);
    expect(least({ sections, partedAtMm: [1010] })).toBe(0);
  });
});

describe('how it is seen', () => {
  const square = (z: number): { corners: Vector[] } => ({
    corners: [
      [0, 0, z],
      [10, 0, z],
      [10, 10, z],
      [0, 10, z],
    ],
  });
  test('right, up and eye stand square to one another whichever way one looks', () => {
    for (const look of [
      { turnRad: 0, tipRad: 0 },
      { turnRad: 0.7, tipRad: -0.4 },
      { turnRad: 3, tipRad: 1.2 },
    ]) {
      const { right, up, toEye } = eyeOf(look);
      expect(cross(right, up).map((x) => Number(x.toFixed(9)))).toEqual(
        toEye.map((x) => Number(x.toFixed(9))),
      );
      expect(dot(right, up)).toBeCloseTo(0, 9);
    }
  });
  test('the nearer face comes last, and a lift can bring the farther one over it', () => {
    const [near, far] = [square(5), square(0)];
    const look = { turnRad: 0, tipRad: 0 };
    expect(seenFrom([near, far], look).map(({ of: face }) => face)).toEqual([far, near]);
    expect(seenFrom([near, far], look, (face) => (face === far ? 6 : 0)).map(({ of: face }) => face)).toEqual(
      [near, far],
    );
    for (const { light } of seenFrom([near], look)) expect(light > 0.8 && light <= 1).toBe(true);
    expect(normalOf(near.corners)).toEqual([0, 0, 1]);
  });
});
