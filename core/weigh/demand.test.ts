import { withThickness } from '../mechanics';
import {
  defaultFrame,
  familyOf,
  heightOnFace,
  surfaceOf,
  typicalLoads,
  type Frame,
  type Member,
} from '../frame';
import { DEFAULT_LOAD_FACTORS, fatigue, cyclesToCrack, YOUNGS_MODULUS_MPA, steel } from '../reference';
import { ksiToMpa } from '../quantity';
import {
  webBearingN,
  webAtBearingMm,
  frameDemand,
  heldWallShare,
  lateralMpa,
  nearest,
  outstandShare,
  type FrameDemand,
  type WallAt,
} from '.';

const frameOf = (
  family: 'open-channel ladder' | 'boxed ladder' | 'gooseneck trailer',
  grossKg: number,
): Frame => {
  const frame = defaultFrame({ ...familyOf(family).typical, family, steel: 'hot-rolled-50', datum: 'hole' });
  return { ...frame, loads: { items: typicalLoads(frame, grossKg) } };
};
const wall =
  (left: (member: Member, stationMm: number) => number): WallAt =>
  (member, stationMm) => {
    const surface = surfaceOf(member.shape);
    const share = left(member, stationMm);
    const wallMm = Float64Array.from(surface.rowFace, (face) => face.wallMm * share);
    return share > 0 ? { surface, section: withThickness(surface.midline, wallMm), wallMm } : undefined;
  };
const truck = frameOf('open-channel ladder', 7000);
const built = frameDemand(
  truck,
  DEFAULT_LOAD_FACTORS,
  wall(() => 1),
);
const rail = (demand: FrameDemand, id = 'rail-right') => demand.members.find((each) => each.memberId === id)!;

test('a hole under the cab is not a hole behind it: the same loss asks more where the frame works harder', () => {
  const thinAt = (mm: number) =>
    rail(
      frameDemand(
        truck,
        DEFAULT_LOAD_FACTORS,
        wall((member, x) => (member.id === 'rail-right' && Math.abs(x - mm) < 200 ? 0.5 : 1)),
      ),
    );
  const [tail, middle] = [thinAt(5800), thinAt(3000)];
  expect(nearest(middle.along, 3000).utilisation).toBeGreaterThan(
    1.5 * nearest(tail.along, 5800).utilisation,
  );
  expect(middle.worst!.utilisation).toBeGreaterThan(rail(built).worst!.utilisation);
});

test('the bump’s factor is the stress’s: three g ask half again what two do; the swing on the road does not change', () => {
  const [one, two] = [2, 3].map((bumpG) =>
    frameDemand(
      truck,
      {
        ...DEFAULT_LOAD_FACTORS,
        bumpG,
        brakeG: 0,
        cornerG: 0,
        scrubShare: 0,
        recoveryShare: 0,
        steeringN: 0,
        ditchMm: 0,
        liftAllowable: 1,
        roadAllowable: 1,
      },
      wall(() => 1),
    ),
  );
  const at = (demand: FrameDemand) => nearest(rail(demand!).along, 3000);
  expect(at(two!).utilisation / at(one!).utilisation).toBeCloseTo(1.5, 6);
  expect(at(two!).caseId).toBe('bump');
  expect(at(two!).rangeMpa).toBeCloseTo(at(one!).rangeMpa, 9);
});

test('the swing on the road is the greatest standing stress, even where a thin wall’s buckling governs what is used', () => {
  const thin: WallAt = (member, stationMm) => {
    const made = wall(() => 1)(member, stationMm, 0)!;
    const wallMm = Float64Array.from(
      made.surface.rowFace,
      (face) =>
        face.wallMm *
        (member.id !== 'rail-right' ? 1 : face.id === 'top' ? 0.4 : face.id === 'bottom' ? 0.3 : 1),
    );
    return { ...made, wallMm, section: withThickness(made.surface.midline, wallMm) };
  };
  const only = {
    ...DEFAULT_LOAD_FACTORS,
    bumpG: 1,
    brakeG: 0,
    cornerG: 0,
    scrubShare: 0,
    recoveryShare: 0,
    steeringN: 0,
    ditchMm: 0,
  };
  const here = nearest(rail(frameDemand(truck, only, thin)).along, 2600);
  // The upper flange's buckling governs; the thinner lower one, in tension, is stressed more.
  expect(here.why).toBe('wall buckling');
  expect(here.rangeMpa).toBeGreaterThan(1.03 * Math.abs(here.stressMpa));
});

test('a load moved to the left asks more of the left rail', () => {
  const leaning = frameDemand(
    { ...truck, loads: { items: truck.loads!.items.map((item) => ({ ...item, leftShare: 0.7 })) } },
    DEFAULT_LOAD_FACTORS,
    wall(() => 1),
  );
  const standing = (id: string) => nearest(rail(leaning, id).along, 3000).rangeMpa;
  expect(standing('rail-left')).toBeGreaterThan(1.2 * standing('rail-right'));
});

test('the trade’s own numbers: gear movement and twist are there, and thinner rails move more', () => {
  const felt = (demand: FrameDemand, id: string) => demand.felt.find((each) => each.id === id)!.value;
  const thin = frameDemand(
    truck,
    DEFAULT_LOAD_FACTORS,
    wall(() => 0.5),
  );
  for (const id of ['steering gear under a push', 'twist with one wheel in a ditch']) {
    expect(felt(built, id)).toBeGreaterThan(0);
    expect(felt(thin, id)).toBeGreaterThan(felt(built, id));
  }
  const gooseneck = frameDemand(
    frameOf('gooseneck trailer', 6500),
    DEFAULT_LOAD_FACTORS,
    wall(() => 1),
  );
  expect(felt(gooseneck, 'front wall, hitched against on legs')).toBeGreaterThan(0);
});

test('shapes to draw have every node and no tilt left: their vertical movements average to nothing', () => {
  for (const { movedMm } of built.shapes.cases) {
    const vertical = movedMm.filter((_, k) => k % 3 === 2);
    expect(vertical).toHaveLength(built.shapes.nodesMm.length / 3);
    expect(Math.abs(vertical.reduce((sum, z) => sum + z, 0) / vertical.length)).toBeLessThan(1e-6);
  }
});

test('no number anywhere in a demand is NaN, with a crossmember gone altogether', () => {
  const gone = frameDemand(
    truck,
    DEFAULT_LOAD_FACTORS,
    wall((member) => (member.id === 'cross-4' ? 0 : 1)),
  );
  expect(gone.problems.map((problem) => problem.memberId)).toContain('cross-4');
  const text = JSON.stringify(gone, (_, value: unknown) =>
    typeof value === 'number' && Number.isNaN(value) ? 'NaN' : value,
  );
  expect(text).not.toContain('NaN');
});

describe('strength by published formulas (from memory, as their sources say)', () => {
  test('an outstand reaches yield up to 0.56 √(E/Fy): 15.9, 13.5 and 9.1 at 36, 50 and 110 ksi (methods page of the trade’s handbooks)', () => {
    for (const [ksi, limit] of [
      [36, 15.9],
      [50, 13.5],
      [110, 9.1],
    ] as const) {
      expect(outstandShare(limit - 0.05, ksiToMpa(ksi))).toBe(1);
      expect(outstandShare(limit + 0.6, ksiToMpa(ksi))).toBeLessThan(1);
    }
    const falling = [10, 15, 20, 30, 45].map((slenderness) => outstandShare(slenderness, ksiToMpa(50)));
    falling.slice(1).forEach((share, k) => expect(share).toBeLessThanOrEqual(falling[k]!));
    expect(heldWallShare(30, ksiToMpa(50))).toBe(1);
    expect(heldWallShare(80, ksiToMpa(50))).toBeLessThan(0.8);
  });

  test('sideways buckling: Mcr of a doubly symmetric I by hand, π/L √(EIy GJ) where warping is nothing to it', () => {
    const surface = surfaceOf({
      kind: 'I',
      depthMm: 254,
      flangeMm: 102,
      thicknessMm: 6,
      flangeThicknessMm: 8,
    });
    const section = withThickness(
      surface.midline,
      Float64Array.from(surface.rowFace, (face) => face.wallMm),
    );
    expect(lateralMpa(section, 500, 345, 77_000)).toBeGreaterThan(0.9 * 345);
    const long = lateralMpa(section, 20_000, 345, 77_000);
    const iy = (2 * 8 * 102 ** 3) / 12,
      j = (2 * 102 * 8 ** 3 + 246 * 6 ** 3) / 3,
      s = (2 * 102 * 8 * 123 ** 2 + (6 * 246 ** 3) / 12) / 127;
    const elastic = ((Math.PI / 20_000) * Math.sqrt(YOUNGS_MODULUS_MPA * iy * 77_000 * j)) / s;
    expect(long / elastic).toBeGreaterThan(0.97);
    expect(long / elastic).toBeLessThan(1.12);
  });

  test('a web half as thick bears less than a quarter; a box has two webs', () => {
    const channel = { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 } as const;
    const [full, half] = [webBearingN(channel, 6, 6, 345), webBearingN(channel, 3, 3, 345)];
    expect(full / half).toBeGreaterThan(4);
    expect(
      webBearingN({ kind: 'box', depthMm: 200, widthMm: 70, thicknessMm: 6 }, 6, 6, 345) / full,
    ).toBeCloseTo(2, 9);
    expect(webBearingN(channel, 0, 6, 345)).toBe(0);
  });

  test('over a pad a thinner web is never stronger, nor a flange thinner than its web', () => {
    const channel = { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 } as const;
    const walls = [0.1, 0.5, 1, 2, 3, 4, 5, 6];
    for (const fixed of walls)
      for (const [k, wall] of walls.slice(1).entries()) {
        const thinner = walls[k]!;
        expect(webBearingN(channel, thinner, fixed, 345)).toBeLessThanOrEqual(
          webBearingN(channel, wall, fixed, 345),
        );
        if (wall > fixed) continue;
        expect(webBearingN(channel, fixed, thinner, 345)).toBeLessThanOrEqual(
          webBearingN(channel, fixed, wall, 345),
        );
      }
  });

  test('a web stands on its least metal low down; what is thin above the middle, or in a flange, is no bearing', () => {
    const surface = surfaceOf({ kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 });
    const thinAt = (isThin: (face: string, heightMm: number) => boolean) =>
      webAtBearingMm(
        surface,
        surface.rowFace.map((face, row) => (isThin(face.id, heightOnFace(face, surface.uMm[row]!)) ? 2 : 6)),
      );
    expect(thinAt(() => false)).toBe(6);
    expect(thinAt((face, mm) => face === 'web' && mm < 13)).toBe(2);
    expect(thinAt((face, mm) => face === 'web' && mm > 110)).toBe(6);
    expect(thinAt((face) => face === 'bottom')).toBe(6);
  });

  test('fatigue: category E at 10 ksi lasts 1.1 million swings, under 4.5 ksi none counts', () => {
    expect(cyclesToCrack('E', ksiToMpa(10))).toBeCloseTo(1.1e6, -2);
    expect(cyclesToCrack('E', ksiToMpa(4.4))).toBe(Infinity);
    expect(fatigue('E′').thresholdMpa).toBeCloseTo(ksiToMpa(2.6), 6);
    expect(steel('aluminium-6061').youngsMpa).toBeLessThan(YOUNGS_MODULUS_MPA / 2);
  });
});
