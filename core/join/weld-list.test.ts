import { randomUUID } from 'node:crypto';
import { joining, strengthNPerMm, type Joining, type WeldLine } from '.';
import { defaultFrame, familyOf, type FaceId } from '../frame';
import { readingSchema, type Reading } from '../probe';
import { ksiToMpa } from '../quantity';
import {
  DEFAULT_PRACTICE,
  plugHoleMm,
  shortestRunMm,
  YOUNGS_MODULUS_MPA,
  type WeldPractice,
} from '../reference';
import { pieceSchema, repairPicture, repairSchema, type Piece } from '../shape';
import { memberPicture } from '../weigh';

/** The weld list of plates on a channel rail read sound, and on one read thin, held to what a welder would write. */
const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const rail = frame.members.find((member) => member.id === 'rail-left')!;
const { depthMm, thicknessMm } = rail.shape;
const readingOn = (stationMm: number, face: FaceId, heightMm: number, wallMm: number) =>
  readingSchema.parse({
    kind: 'reading',
    id: randomUUID(),
    memberId: rail.id,
    stationMm,
    face,
    heightMm,
    thicknessMm: wallMm,
    method: 'ultrasonic',
    by: 'RK',
    at: '2026-01-01T00:00:00Z',
  });
const readingsOf = (wallMm: number) =>
  Array.from({ length: 60 }, (_, k) => 500 + 60 * k).flatMap((stationMm) => [
    readingOn(stationMm, 'web', 0.2 * depthMm, wallMm),
    readingOn(stationMm, 'web', 0.8 * depthMm, wallMm),
    readingOn(stationMm, 'bottom', 30, wallMm),
  ]);
const pieceOf = (more: Partial<Piece> = {}): Piece =>
  pieceSchema.parse({
    id: 'p',
    kind: 'side plate',
    startMm: 1000,
    endMm: 3000,
    thicknessMm,
    lowerEdgeMm: 0.25 * depthMm,
    upperEdgeMm: 0.75 * depthMm,
    taperMm: 100,
    ...more,
  });
function joinedOf(
  piece: Piece,
  {
    wallMm = thicknessMm,
    onBench = false,
    plugs = false,
    weldStyle = 'continuous',
    weld = {} as WeldPractice,
    thin = [] as Reading[],
  } = {},
): Joining {
  const picture = memberPicture({
    frame,
    member: rail,
    practice: { ...DEFAULT_PRACTICE, weld },
    readings: [...readingsOf(wallMm), ...thin],
    cracks: [],
  });
  const repair = repairSchema.parse({
    id: randomUUID(),
    memberId: rail.id,
    cutOut: false,
    pieces: [piece],
    weldStyle,
    plugs,
    onBench,
    by: 'RK',
    at: '2026-01-01T00:00:00Z',
  });
  return joining(repairPicture(picture, repair), 20_000);
}
const linesOf = (...asked: Parameters<typeof joinedOf>): readonly WeldLine[] => joinedOf(...asked).lines;
const placed = (lines: readonly WeldLine[]) =>
  lines.map(({ place, face, position }) => [place, face, position]);

test('a strip on the web: two long edges welded level, two ends welded up', () => {
  const lines = linesOf(pieceOf());
  expect(placed(lines).sort()).toEqual(
    [
      ['front end', 'web', 'vertical'],
      ['lower edge', 'web', 'horizontal'],
      ['rear end', 'web', 'vertical'],
      ['upper edge', 'web', 'horizontal'],
    ].sort(),
  );
});

test('an L under a rail is welded to the flange overhead, and on the bench everything lies flat', () => {
  const bottomL = pieceOf({ kind: 'bottom L', lowerEdgeMm: 0, upperEdgeMm: 0.6 * depthMm });
  const sides = linesOf(bottomL).filter(({ place }) => !place.includes('end'));
  expect(placed(sides).sort()).toEqual(
    [
      ['flange tip', 'bottom', 'overhead'],
      ['upper edge', 'web', 'horizontal'],
    ].sort(),
  );
  expect(new Set(linesOf(bottomL, { onBench: true }).map(({ position }) => position))).toEqual(
    new Set(['flat']),
  );
});

test('a plate up to a member’s end has no weld there; a hair short of it has', () => {
  const endsOf = (more: Partial<Piece>) =>
    linesOf(pieceOf(more)).flatMap(({ place }) => (place.endsWith('end') ? [place] : []));
  expect(endsOf({ startMm: 0, endMm: 3000 })).toEqual(['rear end']);
  expect(endsOf({ startMm: 1, endMm: 3000 })).toEqual(['rear end']);
  expect(endsOf({ startMm: 1.5, endMm: 3000 }).sort()).toEqual(['front end', 'rear end']);
  expect(endsOf({ startMm: 1000, endMm: rail.lengthMm - 1 })).toEqual(['front end']);
  expect(endsOf({ startMm: 1000, endMm: rail.lengthMm - 1.5 }).sort()).toEqual(['front end', 'rear end']);
});

test('end welds run from tip to full width and no further, round the whole outline', () => {
  const lines = linesOf(pieceOf());
  const front = lines.find(({ place }) => place === 'front end')!;
  const rear = lines.find(({ place }) => place === 'rear end')!;
  expect([front.fromMm, rear.toMm]).toEqual([1000, 3000]);
  expect(front.toMm - front.fromMm).toBeCloseTo(rear.toMm - rear.fromMm, 9);
  expect(front.lengthMm).toBeGreaterThan(2 * (front.toMm - front.fromMm));
  expect(front.lengthMm).toBeCloseTo(rear.lengthMm, 6);
});

test('the long edges run from where the front taper is at full width to where the rear one begins', () => {
  const edgesOf = (more: Partial<Piece>) =>
    linesOf(pieceOf(more))
      .filter(({ place }) => place.endsWith('edge'))
      .map(({ fromMm, toMm }) => [fromMm, toMm]);
  expect(edgesOf({ taperMm: 100 })).toEqual([
    [1100, 2900],
    [1100, 2900],
  ]);
  expect(edgesOf({ taperMm: 0 })).toEqual([
    [1000, 3000],
    [1000, 3000],
  ]);
});

test('the base metal is the thinner of wall and plate, whichever that is', () => {
  const edge = (more: Parameters<typeof linesOf>[1], piece = pieceOf()) =>
    linesOf(piece, more).find(({ place }) => place === 'upper edge')!;
  const even = edge({});
  const onThickWall = edge({}, pieceOf({ thicknessMm: thicknessMm / 2 }));
  expect(even.wallMm).toBeLessThanOrEqual(thicknessMm * 1.02);
  expect(even.wallMm).toBeGreaterThan(thicknessMm * 0.9);
  expect(onThickWall.baseNPerMm / even.baseNPerMm).toBeCloseTo(thicknessMm / 2 / even.wallMm, 2);
  const thinWall = edge({ wallMm: 0.9 * thicknessMm });
  expect(thinWall.baseNPerMm / even.baseNPerMm).toBeCloseTo(thinWall.wallMm / even.wallMm, 2);
});

test('plugs are listed where the flat pattern has holes for them, on the vehicle’s stations', () => {
  const bottomL = pieceOf({ kind: 'bottom L', lowerEdgeMm: 0, upperEdgeMm: 0.6 * depthMm });
  expect(linesOf(bottomL).some(({ kind }) => kind === 'plug')).toBe(false);
  const plug = linesOf(bottomL, { plugs: true }).find(({ kind }) => kind === 'plug')!;
  expect(plug.fromMm).toBeGreaterThan(bottomL.startMm);
  expect(plug.toMm).toBeLessThan(bottomL.endMm);
  expect(plug.lengthMm).toBeCloseTo(plug.toMm - plug.fromMm, 9);
});

test('plug holes and runs are the published ones, or the shop’s own', () => {
  const bottomL = pieceOf({ kind: 'bottom L', lowerEdgeMm: 0, upperEdgeMm: 0.6 * depthMm });
  const plug = (weld: WeldPractice) =>
    linesOf(bottomL, { plugs: true, weld }).find(({ kind }) => kind === 'plug')!.plugs!;
  expect(plug({}).diameterMm).toBeCloseTo(plugHoleMm(thicknessMm), 9);
  const own = plug({ plugMm: 9.5 });
  expect(own.diameterMm).toBe(9.5);
  expect(own.strengthN / plug({}).strengthN).toBeCloseTo((9.5 / plug({}).diameterMm) ** 2, 9);
  const run = (weldStyle: 'skip' | 'runs to continuous', weld: WeldPractice) =>
    linesOf(pieceOf(), { weldStyle, weld }).find(({ place }) => place === 'upper edge')!;
  const shortest = shortestRunMm(run('skip', {}).legMm);
  expect(run('runs to continuous', {}).runs!.lengthMm).toBeCloseTo(shortest, 9);
  expect(run('runs to continuous', { runMm: 25 }).runs!.lengthMm).toBe(25);
  // Skip welds stay skip welds: theirs may not be shorter than an intermittent fillet.
  expect(run('skip', { runMm: 25 }).runs!.lengthMm).toBeCloseTo(shortest, 9);
});

test.each([
  ['3/16 in plate, as wide as it still stitches', 4.76],
  ['1/2 in plate, never over four runs', 12.7],
])('skip welds on a %s', (_, plateMm) => {
  const { runs } = linesOf(pieceOf({ thicknessMm: plateMm }), { weldStyle: 'skip' }).find(
    ({ place }) => place === 'upper edge',
  )!;
  const stitches = 0.75 * Math.sqrt(YOUNGS_MODULUS_MPA / ksiToMpa(36)) * plateMm;
  expect(runs!.pitchMm).toBeCloseTo(plateMm < 6 ? stitches : 4 * runs!.lengthMm, 6);
  expect(stitches < 4 * runs!.lengthMm).toBe(plateMm < 6);
});

test('a plate that answers no damage hands its force over from each end to its middle', () => {
  const ends = joinedOf(pieceOf()).ends.map(({ end, runMm }) => [end, runMm]);
  expect(ends.sort()).toEqual([
    ['front end', 1000],
    ['rear end', 1000],
  ]);
});

test('an end counts its own weld, and of the long ones what lies between it and where the force is wanted', () => {
  const { ends, lines } = joinedOf(pieceOf());
  const [of, along] = [
    (place: string) => lines.find((line) => line.place === place)!,
    lines.filter(({ place }) => place.includes('edge')),
  ];
  expect(along.map(({ fromMm, toMm }) => toMm - fromMm > 1500)).toEqual([true, true]);
  for (const { end, capacityN, runMm } of ends) {
    const own = strengthNPerMm(of(end)) * of(end).lengthMm;
    const byEdges = along.reduce((sum, line) => {
      const before = end === 'front end' ? line.fromMm : line.toMm;
      const middle = end === 'front end' ? 1000 + runMm : 3000 - runMm;
      return sum + strengthNPerMm(line) * Math.abs(middle - before);
    }, 0);
    expect(capacityN).toBeCloseTo(own + byEdges, 3);
  }
});

describe('an end over metal that is bad', () => {
  /** The web read thin in the lower quarter near the front end of a plate, as thick as asked. */
  const frontEnd = (wallMm: number, ups = [0.15, 0.2, 0.25, 0.3]) => {
    const thin = ups.flatMap((up) =>
      [980, 1020, 1060, 1100].map((mm) => readingOn(mm, 'web', up * depthMm, wallMm)),
    );
    const { ends, lines } = joinedOf(pieceOf(), { thin });
    const line = lines.find(({ place }) => place === 'front end')!;
    return { line, ...ends.find(({ end }) => end === 'front end')! };
  };
  const sound = frontEnd(thicknessMm);

  test('on sound metal all of it counts', () => {
    expect(sound.line.countedMm).toBeUndefined();
    expect(sound.endShare).toBeUndefined();
  });
  test('what lies on nothing does not, and the less is left the less it holds', () => {
    const [rusted, gone] = [frontEnd(0.4 * thicknessMm), frontEnd(0.01)];
    expect(rusted.line.countedMm).toBeLessThan(0.8 * rusted.line.lengthMm);
    expect(rusted.endShare).toBeCloseTo(rusted.line.countedMm! / rusted.line.lengthMm, 9);
    expect(gone.line.lengthMm).toBeCloseTo(sound.line.lengthMm, 6);
    expect(rusted.capacityN).toBeLessThan(sound.capacityN);
    expect(gone.capacityN).toBeLessThanOrEqual(rusted.capacityN);
  });
  test('over nothing but a hole none of it counts', () => {
    const { line, endShare } = frontEnd(0.01, [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9]);
    expect([line.countedMm, endShare]).toEqual([0, 0]);
  });
});

test('a rail too thin to weld carries no long weld', () => {
  const long = linesOf(pieceOf(), { wallMm: 1 }).filter(({ place }) => place.includes('edge'));
  expect(long).toEqual([]);
});
