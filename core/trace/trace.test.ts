import fc from 'fast-check';
import { checkCrack, crackExtent, crackLengthMm, crackSchema, unrolledPath } from '.';
import { defaultFrame, type MemberShape, type Spot } from '../frame';

const channel: MemberShape = { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 };
const box: MemberShape = { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 5 };
const at = (stationMm: number, face: Spot['face'], heightMm: number): Spot => ({ stationMm, face, heightMm });

test('length on one face is the straight distance between its points', () => {
  expect(crackLengthMm(channel, [at(100, 'web', 10), at(130, 'web', 50)])).toBeCloseTo(50, 9);
});

test('a crack round a fold is as long as on the flat pattern', () => {
  expect(crackLengthMm(channel, [at(100, 'bottom', 15), at(100, 'web', 25)])).toBeCloseTo(40, 9);
  expect(crackLengthMm(channel, [at(100, 'top', 20), at(140, 'web', 190)])).toBeCloseTo(50, 9);
});

test('in a closed rail each step goes the shorter way round, all the way if need be', () => {
  expect(crackLengthMm(box, [at(0, 'inner', 140), at(0, 'top', 70)])).toBeCloseTo(15, 9);
  const round = [
    at(0, 'top', 75 / 2),
    at(0, 'outer', 75),
    at(0, 'bottom', 75 / 2),
    at(0, 'inner', 75),
    at(0, 'top', 75 / 2),
  ];
  expect(crackLengthMm(box, round)).toBeCloseTo(450, 9);
  expect(unrolledPath(box, round).at(-1)![1]).toBeCloseTo(unrolledPath(box, round)[0]![1] + 450, 9);
});

test('more points never make it shorter', () => {
  const spot = fc.record({
    s: fc.double({ min: 0, max: 500, noNaN: true }),
    h: fc.double({ min: 0, max: 200, noNaN: true }),
  });
  fc.assert(
    fc.property(spot, spot, spot, (a, b, c) => {
      const [p, q, r] = [a, b, c].map((each) => at(each.s, 'web', each.h)) as [Spot, Spot, Spot];
      expect(crackLengthMm(channel, [p, q, r])).toBeGreaterThanOrEqual(crackLengthMm(channel, [p, r]) - 1e-9);
    }),
    { seed: 6, numRuns: 60 },
  );
});

test('a crack needs two places on the member', () => {
  const rail = defaultFrame({
    family: 'open-channel ladder',
    railShape: channel,
    steel: 'a36',
    lengthMm: 6000,
    widthMm: 860,
    datum: 'hole',
  }).members[0]!;
  expect(checkCrack(rail, { path: [at(10, 'web', 10), at(10, 'web', 10)] }).ok).toBe(false);
  expect(checkCrack(rail, { path: [at(10, 'web', 10), at(7000, 'web', 10)] })).toMatchObject({
    ok: false,
    reason: expect.stringContaining('point 2'),
  });
  expect(checkCrack(rail, { path: [at(10, 'web', 10), at(40, 'web', 30)] }).ok).toBe(true);
  expect(crackExtent({ path: [at(40, 'web', 1), at(10, 'web', 1), at(25, 'web', 1)] })).toEqual({
    fromMm: 10,
    toMm: 40,
  });
  expect(crackSchema.safeParse({ path: [at(1, 'web', 1)] }).success).toBe(false);
});

test('a crack is longer than half a millimetre, and every point of it is counted from one', () => {
  const rail = defaultFrame({
    family: 'open-channel ladder',
    railShape: channel,
    steel: 'a36',
    lengthMm: 6000,
    widthMm: 860,
    datum: 'hole',
  }).members[0]!;
  const reaching = (mm: number) => checkCrack(rail, { path: [at(10, 'web', 10), at(10 + mm, 'web', 10)] }).ok;
  expect([0.25, 0.5, 0.51].map(reaching)).toEqual([false, false, true]);
  expect(checkCrack(rail, { path: [at(7000, 'web', 10), at(10, 'web', 10)] })).toMatchObject({
    ok: false,
    at: 'path',
    reason: expect.stringContaining('point 1:'),
  });
});

test('a point on a face the section does not have is left out of the path, not guessed', () => {
  expect(unrolledPath(channel, [at(0, 'web', 10), at(5, 'inner', 10), at(10, 'web', 10)])).toHaveLength(2);
});
