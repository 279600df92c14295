import { defaultFrame, evenWall, familyOf, surfaceOf, type Member, type MemberShape } from '../frame';
import { sectionProperties } from '../mechanics';
import { inchesToMm } from '../quantity';
import { STOCK_TUBES } from '../reference';
import { wallSection } from '../weigh';
import { boxOf, renewalKind, renewalTubes, type Renewal } from '.';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const cross = frame.members.find(({ role }) => role === 'crossmember')!;
const rail = frame.members.find(({ role }) => role === 'rail')!;
const of = (shape: MemberShape, railDepthMm = rail.shape.depthMm) =>
  renewalTubes(
    {
      members: frame.members.map((member): Member =>
        member.role === 'rail'
          ? { ...member, shape: { ...member.shape, depthMm: railDepthMm } as MemberShape }
          : member,
      ),
    },
    { ...cross, shape },
  );
const size = (depth: number, width: number, wall: number) => (each: ReturnType<typeof of>[number]) =>
  each.tube.depthMm === inchesToMm(depth) &&
  each.tube.widthMm === inchesToMm(width) &&
  each.tube.nominalMm === inchesToMm(wall);

test('a tube stands for the weaker side of what it replaces: an angle’s lesser modulus', () => {
  const angle: MemberShape = { kind: 'angle', depthMm: 90, flangeMm: 60, thicknessMm: 6 };
  const { sTopMm3, sBottomMm3 } = sectionProperties(
    wallSection(surfaceOf(angle), evenWall(surfaceOf(angle), 6)),
  )!;
  expect(Math.max(sTopMm3, sBottomMm3)).toBeGreaterThan(1.3 * Math.min(sTopMm3, sBottomMm3));
  for (const { tube, modulus } of of(angle)) {
    const shape = boxOf(tube);
    const own = sectionProperties(
      wallSection(surfaceOf(shape), evenWall(surfaceOf(shape), tube.thicknessMm)),
    )!;
    expect(modulus).toBeGreaterThan((0.8 * own.sTopMm3) / Math.min(sTopMm3, sBottomMm3));
  }
});

test('those that do stand first, lightest first; every tube is there, with why not', () => {
  const tubes = of(cross.shape);
  expect(tubes).toHaveLength(STOCK_TUBES.length);
  const counts = tubes.map(({ whyNot }) => whyNot.length);
  expect(counts).toEqual([...counts].sort((a, b) => a - b));
  const good = tubes.filter(({ whyNot }) => whyNot.length === 0);
  expect(good.map(({ massKg }) => massKg)).toEqual(good.map(({ massKg }) => massKg).sort((a, b) => a - b));
  for (const { modulus, torsion, beneathMm } of good) {
    expect(modulus).toBeGreaterThanOrEqual(1);
    expect(torsion).toBeGreaterThanOrEqual(1);
    expect(beneathMm).toBeGreaterThanOrEqual(25.4);
  }
});
test('the same tube is as strong as itself; one a hair lighter is weaker', () => {
  const three = STOCK_TUBES.find(
    ({ depthMm, nominalMm }) => depthMm === inchesToMm(3) && nominalMm === inchesToMm(1 / 4),
  )!;
  const same = of(boxOf(three)).find(({ tube }) => tube === three)!;
  expect([same.modulus, same.torsion]).toEqual([expect.closeTo(1, 9), expect.closeTo(1, 9)]);
  expect(same.whyNot).toEqual([]);
  const heavier = of(boxOf({ ...three, thicknessMm: three.thicknessMm + 0.05 })).find(
    ({ tube }) => tube === three,
  )!;
  expect(heavier.whyNot).toEqual(['weaker', 'softer in twist']);
});
test('an open channel is strong and soft in twist: any tube that bends as well twists less', () => {
  const channel: MemberShape = { kind: 'channel', depthMm: 100, flangeMm: 50, thicknessMm: 5 };
  expect(of(channel).every(({ torsion }) => torsion > 10)).toBe(true);
  expect(of(channel).some(({ whyNot }) => whyNot.includes('weaker'))).toBe(true);
});
test('space beneath, to the millimetre', () => {
  const { thicknessMm } = rail.shape;
  const clear = (mm: number) =>
    of({ kind: 'flat', depthMm: 30, thicknessMm: 3 }, inchesToMm(4) + 2 * thicknessMm + mm);
  const four = size(4, 4, 1 / 4);
  expect(clear(25.4).find(four)!.whyNot).toEqual([]);
  expect(clear(24.4).find(four)!.whyNot).toEqual(['no space beneath']);
  expect(clear(-1).find(four)!.whyNot).toEqual(['too deep']);
});
test('a published tube: HSS4×4×1/4 (AISC, from memory) has S 3.90 in³, counted no higher and at most 3 % lower', () => {
  // A flat bar on edge of S 1 in³: depth 100 mm, S = t·d²/6.
  const oneCubicInch = inchesToMm(1) ** 3;
  const bar: MemberShape = { kind: 'flat', depthMm: 100, thicknessMm: (6 * oneCubicInch) / 100 ** 2 };
  const four = of(bar).find(size(4, 4, 1 / 4))!;
  expect(four.modulus / 3.9).toBeLessThanOrEqual(1);
  expect(four.modulus / 3.9).toBeGreaterThan(0.97);
});
test('only a crossmember is renewed of a tube', () => {
  const record = (memberId: string): Renewal => ({
    kind: 'renewal',
    id: '00000000-0000-4000-8000-000000000001',
    memberId,
    tube: { depthMm: 76.2, widthMm: 76.2, nominalMm: 6.35 },
    by: 'RK',
    at: '2026-11-20T08:00:00Z',
    note: '',
  });
  expect(renewalKind.fits(frame, record(cross.id)).ok).toBe(true);
  expect(renewalKind.fits(frame, record('rail-left'))).toMatchObject({
    ok: false,
    reason: expect.stringContaining('no crossmember'),
  });
  expect(renewalKind.fits(frame, record('cross-99')).ok).toBe(false);
});
