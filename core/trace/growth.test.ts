import {
  AS_IT_IS,
  crossingOf,
  crossingOn,
  cracksAsSeen,
  foretell,
  foretoldToMm,
  grewAfter,
  intensityBetween,
  ligamentsOf,
  limitOf,
  lookFlags,
  runOn,
  seenOf,
  stopHole,
  timeLeft,
  tipsOf,
  type Crack,
  type CrackLook,
  type Easing,
  type Growth,
  type TemporaryRepair,
  type Trip,
} from '.';
import { defaultFrame, familyOf, type MemberShape, type Spot } from '../frame';
import { driveAt, growthCurve, lengthAt } from '../mechanics';
import { LAW_SCATTER, stopRadiusMm, TOUGHNESS } from '../reference';
import { inchesToMm, ksiToMpa } from '../quantity';

const shape: MemberShape = { kind: 'channel', depthMm: 200, flangeMm: 80, thicknessMm: 6 };
const box: MemberShape = { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 5 };
const rail = { shape, lengthMm: 6000 };
const on = (face: Spot['face'], heightMm: number, stationMm = 1000): Spot => ({ stationMm, face, heightMm });
const day = (k: number) => new Date(Date.UTC(2026, 0, 1 + k)).toISOString();
const id = (k: number) => `00000000-0000-4000-8000-${String(k).padStart(12, '0')}`;

/** A crack from the tip of the bottom flange (height counts out from the web), `aMm` long. */
const crackOf = (aMm: number, more: Partial<Crack> = {}): Crack => ({
  kind: 'crack',
  id: id(1),
  memberId: 'rail-left',
  path: [on('bottom', 80), on('bottom', 80 - aMm)],
  startFound: true,
  finishFound: true,
  seenBy: 'dye penetrant',
  by: 'RK',
  at: day(0),
  note: '',
  usedKm: 10_000,
  ...more,
});
const lookOf = (k: number, finishMm: number, more: Partial<CrackLook> = {}): CrackLook => ({
  kind: 'crack look',
  id: id(10 + k),
  crackId: id(1),
  memberId: 'rail-left',
  startMm: 0,
  finishMm,
  startFound: true,
  finishFound: true,
  seenBy: 'dye penetrant',
  loadedBy: '',
  usedKm: 10_000 + 1000 * k,
  by: 'RK',
  at: day(30 * k),
  note: '',
  ...more,
});
/** mulberry32. */
function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
const STRESS = { rangeMpa: 20, bumpMpa: 60, yieldMpa: 250 };
const told = (growth: Growth) => {
  if (!growth.ok) throw new Error(growth.why);
  return growth.foretold;
};
const foretold = (
  crack: Crack,
  looks: readonly CrackLook[],
  {
    trips = [],
    stress = STRESS,
    easing = AS_IT_IS,
    seed = 5,
  }: { trips?: Trip[]; stress?: typeof STRESS; easing?: Easing; seed?: number } = {},
) => foretell(rail, crack, { looks, trips }, stress, { easing, random: seeded(seed) });

describe('how a crack lies across what pulls it', () => {
  test('from a flange’s tip: an edge crack, its face and the whole wall', () =>
    expect(crossingOf(shape, [on('bottom', 80), on('bottom', 60)])).toEqual({
      kind: 'edge',
      aMm: 20,
      faceMm: 80,
      wallMm: 360,
    }));
  test.each([
    [3.9, 'edge', 20],
    [4.1, 'centre', 10],
  ] as const)('%d mm from the tip: %s', (offMm, kind, aMm) =>
    expect(crossingOf(shape, [on('bottom', 80 - offMm), on('bottom', 60 - offMm)])).toMatchObject({
      kind,
      aMm: expect.closeTo(aMm, 9),
    }),
  );
  test('round the fold it is of no one face', () => {
    const crossing = crossingOf(shape, [on('bottom', 80), on('web', 30)]);
    expect(crossing).toMatchObject({ kind: 'edge', aMm: 110 });
    expect(crossing).not.toHaveProperty('faceMm');
  });
  test.each([
    [17.4, true],
    [17.2, false],
  ])('across by %d of 34.6 mm along: told %p', (acrossMm, isTold) => {
    const alongMm = Math.sqrt(34.6 ** 2 - acrossMm ** 2);
    const crossing = crossingOf(shape, [on('web', 100), on('web', 100 + acrossMm, 1000 + alongMm)]);
    expect(typeof crossing === 'object').toBe(isTold);
    if (!isTold) expect(crossing).toBe('runs along');
  });
  test('in a closed section it has no edge; once round it is parted', () => {
    const half = [on('top', 37.5), on('outer', 75), on('bottom', 37.5)];
    expect(crossingOf(box, half)).toMatchObject({ kind: 'centre' });
    expect(crossingOf(box, [...half, on('inner', 75), on('top', 37.5)])).toBe('all round');
  });
  test('a beam’s flange ends in air on both sides; the middle of its web does not', () => {
    const beam: MemberShape = {
      kind: 'I',
      depthMm: 254,
      flangeMm: 100,
      thicknessMm: 7,
      flangeThicknessMm: 10,
    };
    for (const heights of [
      [0, 20],
      [100, 80],
    ] as const)
      expect(
        crossingOf(
          beam,
          heights.map((mm) => on('bottom', mm)),
        ),
      ).toMatchObject({ kind: 'edge', faceMm: 100 });
    expect(crossingOf(beam, [on('web', 100), on('web', 140)])).toMatchObject({ kind: 'centre' });
  });
  test('points on a face that is not there are no crack', () =>
    expect(crossingOf(shape, [on('inner', 5), on('inner', 9)])).toBe('off the faces'));
});

test('K: between the unrolled wall held at its web and the flange by itself; past the fold within a tenth', () => {
  const flange = { kind: 'edge', faceMm: 80, wallMm: 360 } as const;
  expect(intensityBetween(flange, 20, 0)).toBeLessThan(intensityBetween(flange, 20, 1));
  const past = { kind: 'edge', wallMm: 360 } as const;
  const wall = Math.sqrt(intensityBetween(past, 110, 0) * intensityBetween(past, 110, 1));
  expect(intensityBetween(past, 110, 1) / wall).toBeCloseTo(1.1, 1);
  expect(foretoldToMm(flange)).toBeCloseTo(48, 9);
  expect(foretoldToMm({ kind: 'centre', faceMm: 80, wallMm: 360 })).toBeCloseTo(24, 9);
  expect(foretoldToMm(past)).toBeCloseTo(216, 9);
});

describe('cracks as they were seen last', () => {
  const frame = defaultFrame({
    ...familyOf('open-channel ladder').typical,
    family: 'open-channel ladder',
    steel: 'a36',
    datum: 'hole',
    railShape: shape,
  });
  const crack = crackOf(20);
  test('each end runs on, round the fold, and no farther than the metal', () => {
    const path = runOn(rail, crack.path, { startMm: 5, finishMm: 70 });
    expect(path[0]).toEqual(on('bottom', 80));
    expect(path.at(-1)).toEqual(on('web', 10));
    expect(runOn(rail, crack.path, { startMm: 0, finishMm: 0 })).toEqual(crack.path);
  });
  test('it never shrinks; an end once found by a look is found; what was told counts for the length', () => {
    const open = crackOf(20, { finishFound: false });
    const looks = [lookOf(1, 12), lookOf(2, 8), lookOf(3, 15, { seenBy: 'told', finishFound: false })];
    const [seen] = cracksAsSeen(frame, [open], looks);
    expect(crossingOf(shape, seen!.path)).toMatchObject({ aMm: 35 });
    expect(seen!.finishFound).toBe(true);
    expect(cracksAsSeen(frame, [open], [lookOf(1, 12, { crackId: id(2) })])).toEqual([open]);
  });
  test.each([
    [{ finishMm: 10 }, []],
    [{ finishMm: 4 }, ['shorter than before']],
    [{ finishMm: 5 }, []],
    [{ finishMm: 6, usedKm: 10_500 }, ['odometer backwards']],
    [{ finishMm: 6, usedKm: 11_000 }, []],
    [{ finishMm: 6, at: day(-1), usedKm: 12_000 }, ['before the crack']],
    [{ finishMm: 6, gapUnloadedMm: 1, gapLoadedMm: 0.4 }, ['gap closes']],
    [{ finishMm: 6, gapUnloadedMm: 1, gapLoadedMm: 1 }, []],
    [{ finishMm: 340 }, []],
    [{ finishMm: 342 }, ['longer than the metal']],
    [{ finishMm: 0, gapOnly: true }, []],
  ] as const)('%j is kept and flagged %j', (more, flags) =>
    expect(lookFlags(rail, crack, [lookOf(1, 5)], lookOf(2, 0, more))).toEqual(flags),
  );
});

test('what cracks leave of each face they cross; two that overlap count once', () => {
  const one = { path: [on('bottom', 80), on('bottom', 50)] };
  const other = { path: [on('bottom', 60), on('web', 20)] };
  expect([...ligamentsOf(shape, [one])]).toEqual([['bottom', 50]]);
  expect(Object.fromEntries(ligamentsOf(shape, [one, other]))).toEqual({ web: 180, bottom: 0 });
  expect(ligamentsOf(shape, []).size).toBe(0);
  const round = { path: [on('inner', 140), on('top', 60)] };
  expect(Object.fromEntries(ligamentsOf(box, [round]))).toEqual(
    Object.fromEntries(ligamentsOf(box, [{ path: [...round.path].reverse() }])),
  );
  expect(ligamentsOf(box, [round]).get('inner')).toBeCloseTo(140, 6);
});

describe('a crack after it was mended', () => {
  test.each([
    ['longer at its other end', [lookOf(1, 2, { startMm: 10 }), lookOf(2, 8, { startMm: 10 })], true],
    ['as long, the other way round', [lookOf(1, 2, { startMm: 10 }), lookOf(2, 10, { startMm: 2 })], false],
    ['only its gap looked at', [lookOf(1, 2), lookOf(2, 30, { gapOnly: true })], false],
  ] as const)('%s', (_what, looks, grew) => expect(grewAfter(crackOf(20), looks, looks[1].at)).toBe(grew));
});

describe('how far until the limit', () => {
  const grown = [lookOf(1, 4), lookOf(2, 9)];
  test('looked at twice at one distance is no distance backwards', () =>
    expect(foretold(crackOf(20), [lookOf(1, 0, { usedKm: 10_000 }), ...grown.slice(1)], {}).ok).toBe(true));
  test('two looks and more: a range, its middle inside, a look three times within the least', () => {
    const { toLimit, lookEvery, limit, isGrowing, deltaK } = told(foretold(crackOf(20), grown));
    expect(toLimit.low).toBeGreaterThan(0);
    expect(toLimit.low).toBeLessThan(toLimit.mid);
    expect(toLimit.mid).toBeLessThan(toLimit.high);
    expect(lookEvery).toBeCloseTo(toLimit.low / 3, 9);
    expect(limit.aMm).toBeGreaterThan(29);
    expect(isGrowing).toBe(true);
    expect(deltaK[0]).toBeLessThan(deltaK[1]);
  });
  test.each([
    ['one look', crackOf(20), [], {}],
    ['one look', crackOf(20), [lookOf(1, 5, { seenBy: 'told' })], {}],
    [
      'no distance',
      crackOf(20, { usedKm: undefined } as never),
      [lookOf(1, 5, { usedKm: undefined } as never)],
      {},
    ],
    ['one look', crackOf(20), [lookOf(1, 5, { gapOnly: true })], {}],
    ['no distance', crackOf(20), [lookOf(1, 5, { usedKm: 10_000 })], {}],
    ['distance backwards', crackOf(20), [lookOf(1, 5, { usedKm: 9000 }), lookOf(2, 6)], {}],
    ['no stress', crackOf(20), grown, { stress: { ...STRESS, rangeMpa: 0 } }],
    ['past what is foretold', crackOf(40), grown, {}],
    ['past the limit', crackOf(20), grown, { stress: { rangeMpa: 40, bumpMpa: 120, yieldMpa: 250 } }],
    ['runs along', crackOf(20, { path: [on('web', 50), on('web', 60, 1200)] }), grown, {}],
  ] as const)('can’t say: %s', (why, crack, looks, more) =>
    expect(foretold(crack, looks, more)).toMatchObject({ ok: false, why }),
  );
  test('nobody’s stress is no stress', () =>
    expect(
      foretell(rail, crackOf(20), { looks: grown, trips: [] }, undefined, { random: seeded(1) }),
    ).toMatchObject({ ok: false, why: 'no stress' }));
  test('trips stand in for an odometer that is not there; hours where more looks have hours', () => {
    const bare: { usedKm?: number } = { usedKm: undefined as unknown as number };
    const trip = (k: number, km: number): Trip => ({
      kind: 'trip',
      id: id(50 + k),
      km,
      by: 'RK',
      at: day(k),
      note: '',
    });
    const looks = [lookOf(1, 4, bare), lookOf(2, 9, bare)];
    const { seen } = seenOf(rail, crackOf(20, bare), looks, [trip(10, 700), trip(45, 300)]);
    expect(seen.map(({ used }) => used)).toEqual([0, 700, 1000]);
    const hours = seenOf(
      rail,
      crackOf(20, { usedHours: 5, ...bare }),
      [lookOf(1, 4, { usedHours: 9, ...bare }), lookOf(2, 9, bare)],
      [],
    );
    expect(hours.basis).toBe('hours');
  });
  test('what has not grown by more than its error is said not to have; there may be no end in sight', () => {
    const { isGrowing, toLimit } = told(foretold(crackOf(20), [lookOf(1, 0.2), lookOf(2, 0.3)]));
    expect(isGrowing).toBe(false);
    expect(toLimit.high).toBe(Infinity);
    expect(toLimit.low).toBeGreaterThan(0);
  });
  test('a length only told, or seen without a distance, sets no pace and brings the limit nearer', () => {
    const asRead = told(foretold(crackOf(20), grown));
    for (const more of [{ seenBy: 'told' as const }, { usedKm: undefined as unknown as number }]) {
      const longer = told(foretold(crackOf(20), [...grown, lookOf(3, 13, more)]));
      expect(longer.pace).toBe(asRead.pace);
      expect(longer.toLimit.mid).toBeLessThan(0.7 * asRead.toLimit.mid);
      expect(told(foretold(crackOf(20), [...grown, lookOf(3, 5, more)])).toLimit).toEqual(asRead.toLimit);
    }
  });
  test.each([
    [2.3, false],
    [2.4, true],
  ])('%d mm between two looks of 1 mm each: growing %p (1.645 √2)', (mm, isGrowing) =>
    expect(told(foretold(crackOf(20), [lookOf(1, mm)])).isGrowing).toBe(isGrowing),
  );
  test('less load, a smoother road and a brace each put the limit farther; a longer crack brings it nearer', () => {
    const asItIs = told(foretold(crackOf(20), grown));
    for (const easing of [
      { load: 0.7, road: 1, braced: 1 },
      { load: 1, road: 0.7, braced: 1 },
      { load: 1, road: 1, braced: 0.7 },
    ]) {
      const eased = told(foretold(crackOf(20), grown, { easing }));
      expect(eased.toLimit.low).toBeGreaterThan(asItIs.toLimit.low * 1.5);
      expect(eased.limit.aMm).toBeGreaterThanOrEqual(asItIs.limit.aMm);
    }
    const longer = told(foretold(crackOf(23), grown));
    expect(longer.toLimit.mid).toBeLessThan(asItIs.toLimit.mid);
  });
  test('by a trip typed in: longer after more miles, and from where it is', () => {
    const { lengthAfter } = told(foretold(crackOf(20), grown));
    const [now, soon, later] = [lengthAfter(0), lengthAfter(200), lengthAfter(600)];
    expect(now.low).toBeLessThan(29);
    expect(now.high).toBeGreaterThan(29);
    expect(soon.mid).toBeGreaterThan(now.mid);
    expect(later.mid).toBeGreaterThan(soon.mid);
  });
  test('a known pace is found again', () => {
    const crossing = { kind: 'edge', faceMm: 80, wallMm: 360 } as const;
    const curve = growthCurve((a) => 20 * intensityBetween(crossing, a, 0.5), 3, [5, 60]);
    const lengths = [0, 1, 2].map((k) => lengthAt(curve, driveAt(curve, 20) + k * 1000 * 3e-10));
    const looks = [1, 2].map((k) => lookOf(k, lengths[k]! - 20));
    expect(told(foretold(crackOf(20), looks)).swings[0] * 2.18e-13).toBeCloseTo(3e-10, 12);
  });
});

test('limits: toughness over a bump, the rest yielding, or as far as anything is foretold', () => {
  const crossing = crossingOf(shape, [on('bottom', 80), on('bottom', 75)]) as Exclude<
    ReturnType<typeof crossingOf>,
    string
  >;
  expect(limitOf(crossing, { rangeMpa: 5, bumpMpa: 15, yieldMpa: 250 })).toEqual({
    aMm: foretoldToMm(crossing),
    why: 'past what is foretold',
  });
  const torn = limitOf(crossing, { rangeMpa: 40, bumpMpa: 120, yieldMpa: 690 });
  expect(torn.why).toBe('toughness over a bump');
  expect(120 * intensityBetween(crossing, torn.aMm, 1)).toBeCloseTo(TOUGHNESS, 3);
  const yields = limitOf(crossing, { rangeMpa: 40, bumpMpa: 120, yieldMpa: 150 });
  expect(yields).toEqual({
    aMm: expect.closeTo(80 * (1 - 120 / 150), 9),
    why: 'the rest yields over a bump',
  });
});

/**
 * Seeded histories: a pace, a share of K and an interval's scatter that nobody knows, lengths read to a millimetre. How often the band, nine in ten,
 * holds the length after the next interval.
 */
test.each([2, 3, 5])('%d looks: the band holds the next length about as often as it says', (count) => {
  const random = seeded(4000 + count);
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const crossing = { kind: 'edge', faceMm: 80, wallMm: 360 } as const;
  let [held, all] = [0, 0];
  for (let k = 0; k < 60; k++) {
    const share = Math.min(8, Math.floor(random() * 9)) / 8;
    const curve = growthCurve((a) => 20 * intensityBetween(crossing, a, share), 3, [4, 60]);
    const rate = 3e-10 * Math.exp(0.3 * normal());
    const truth = [18];
    for (let look = 1; look <= count; look++)
      truth.push(
        lengthAt(curve, driveAt(curve, truth[look - 1]!) + 500 * rate * Math.exp(LAW_SCATTER * normal())),
      );
    const read = truth.slice(0, count).map((a) => a + normal());
    const looks = read
      .slice(1)
      .map((a, n) => lookOf(n + 1, Math.max(0, a - read[0]!), { usedKm: 10_000 + 500 * (n + 1) }));
    const about = { looks, trips: [] };
    const growth = foretell(rail, crackOf(read[0]!), about, STRESS, { random: seeded(k), resamples: 300 });
    if (!growth.ok || truth[count]! > growth.foretold.limit.aMm) continue;
    const band = growth.foretold.lengthAfter(500);
    all++;
    if (truth[count]! >= band.low && truth[count]! <= band.high) held++;
  }
  expect(all).toBeGreaterThan(40);
  expect(held / all).toBeGreaterThan(0.83);
  expect(held / all).toBeLessThan(0.99);
});

describe('holes at a crack’s ends', () => {
  const KSI_IN = ksiToMpa(1) * Math.sqrt(25.4);
  test.each([
    [8.5, 36, 0.125],
    [12, 36, 0.25],
    [12, 50, 0.18],
  ])('ΔK %d ksi√in at %d ksi: a radius of %d in holds it (FHWA, worked by hand)', (k, yieldKsi, radiusIn) =>
    expect(stopRadiusMm(k * KSI_IN, ksiToMpa(yieldKsi)) / inchesToMm(radiusIn)).toBeCloseTo(1, 1),
  );
  const room = { aheadMm: 60, leftMm: 60, widthMm: 80 };
  const drills = [1 / 4, 3 / 8, 1 / 2, 3 / 4, 1].map(inchesToMm);
  test('never under the shop’s least; the next drill up; what is left', () => {
    expect(stopHole(2 * KSI_IN, 250, drills, room)).toMatchObject({ ok: true, needMm: 6.35, drillMm: 6.35 });
    const hole = stopHole(12 * KSI_IN, ksiToMpa(36), drills, room);
    expect(hole).toMatchObject({
      ok: true,
      drillMm: 12.7,
      ligamentMm: 60 - 6.35,
      netShare: (60 - 6.35) / 80,
    });
  });
  test.each([
    ['too big', 17.5 * KSI_IN, drills, room],
    ['no drill', 12 * KSI_IN, drills.slice(0, 2), room],
    ['too near an edge', 2 * KSI_IN, drills, { ...room, aheadMm: 9.5 }],
    ['too near a hole', 2 * KSI_IN, drills, { ...room, holeMm: 9.5 }],
    ['tips too close', 2 * KSI_IN, drills, { ...room, apartMm: 19 }],
    ['end not found', 2 * KSI_IN, drills, { ...room, is: 'not found' }],
    ['not reached', 2 * KSI_IN, drills, { ...room, is: 'runs under something' }],
  ] as const)('no answer: %s', (why, deltaK, at, where) =>
    expect(stopHole(deltaK, ksiToMpa(36), at, where)).toMatchObject({ ok: false, why }),
  );
  test('just enough room is room', () => {
    expect(
      stopHole(2 * KSI_IN, 250, drills, { ...room, aheadMm: 9.6, apartMm: 19.1, holeMm: 9.6, is: 'found' })
        .ok,
    ).toBe(true);
    expect(stopHole(16.9 * KSI_IN, ksiToMpa(36), drills, room).ok).toBe(true);
  });
});

describe('the room at a crack’s ends', () => {
  const hole = (stationMm: number) => ({
    id: 'h',
    name: 'bolt',
    stationMm,
    face: 'web' as const,
    heightMm: 100,
    diameterMm: 20,
  });
  const upright = crackOf(0, { path: [on('web', 60), on('web', 100)] });
  test('the nearest hole’s rim on the same face', () => {
    const bolted = {
      ...rail,
      holes: [hole(1100), hole(1050), { ...hole(1012), face: 'bottom' as const, heightMm: 20 }],
    };
    const ends = tipsOf(bolted, upright, []);
    expect(ends.map(({ end }) => end)).toEqual(['first', 'last']);
    expect(ends[1]!.holeMm).toBeCloseTo(40, 9);
    expect(ends[0]!.holeMm).toBeCloseTo(Math.hypot(50, 40) - 10, 9);
    expect(tipsOf(rail, upright, [])[0]).not.toHaveProperty('holeMm');
  });
  test('an end is found, runs under something, or nobody found it', () => {
    const ends = (more: Partial<Crack>) => tipsOf(rail, { ...upright, ...more }, []).map(({ is }) => is);
    expect(ends({})).toEqual(['found', 'found']);
    expect(ends({ startFound: false })).toEqual(['not found', 'found']);
    expect(ends({ finishFound: false, finishUnder: true })).toEqual(['found', 'runs under something']);
  });
  test('an end in a hole’s rim came from there', () => {
    expect(tipsOf({ ...rail, holes: [hole(1013.9)] }, upright, []).map(({ end }) => end)).toEqual(['first']);
    expect(tipsOf({ ...rail, holes: [hole(1014.1)] }, upright, [])).toHaveLength(2);
  });
});

describe('what is left of a temporary repair', () => {
  const clamp: TemporaryRepair = {
    kind: 'temporary repair',
    id: id(70),
    memberId: 'rail-left',
    stationMm: 1000,
    form: 'clamp',
    limitKm: 48,
    until: '2026-02-10',
    by: 'RK',
    at: day(5),
    note: '',
  };
  const trip = (at: string, km: number): Trip => ({ kind: 'trip', id: id(71), km, by: 'RK', at, note: '' });
  test('trips since count, earlier ones do not', () =>
    expect(timeLeft([clamp], [trip(day(4), 40), trip(day(6), 20)], day(7))[0]).toMatchObject({
      leftKm: 28,
      isOver: false,
    }));
  test.each([
    [47.9, false],
    [48, true],
  ])('after %d km it is over: %p', (km, isOver) =>
    expect(timeLeft([clamp], [trip(day(6), km)], day(7))[0]!.isOver).toBe(isOver),
  );
  test.each([
    ['2026-02-10T23:00:00Z', 1, false],
    ['2026-02-11T00:00:00Z', 0, true],
  ])('on %s %d days are left, over %p', (today, leftDays, isOver) =>
    expect(timeLeft([clamp], [], today)[0]).toMatchObject({ leftDays, isOver }),
  );
  test('one that is over comes first, then the one with the least left', () => {
    const longer = { ...clamp, id: id(72), limitKm: 500 };
    const over = { ...clamp, id: id(73), until: '2026-01-01' };
    expect(timeLeft([longer, clamp, over], [], day(7)).map(({ repair }) => repair.id)).toEqual([
      id(73),
      id(70),
      id(72),
    ]);
  });
});

describe('a crack from a hole', () => {
  const holes = [{ id: 'h', stationMm: 1000, face: 'web' as const, heightMm: 100, diameterMm: 20 }];
  const path = [on('web', 110), on('web', 118)];
  const from = (more: object = {}, startsAt: Crack['startsAt'] = 'hole') =>
    crossingOn({ shape, holes, ...more }, { path, startsAt });
  test('is counted from the hole’s edge and pulled harder than a plain crack of its length', () => {
    const crossing = from();
    expect(crossing).toMatchObject({ kind: 'hole', aMm: expect.closeTo(8, 9), radiusMm: 10 });
    const plain = from({}, 'mid-face');
    expect(plain).toMatchObject({ kind: 'centre' });
    if (typeof crossing === 'string' || typeof plain === 'string') throw new Error('no crossing');
    expect(intensityBetween(crossing, 2, 0)).toBeGreaterThan(2 * intensityBetween(plain, 1, 1));
    expect(intensityBetween(crossing, 8, 1)).toBeGreaterThan(intensityBetween(crossing, 8, 0));
    expect(foretoldToMm(crossing)).toBeCloseTo((0.6 * 200) / 2 - 10, 9);
    const limit = limitOf(crossing, { rangeMpa: 20, bumpMpa: 220, yieldMpa: 250 });
    expect(limit.aMm).toBeCloseTo(Math.min(limit.aMm, (200 * (1 - 220 / 250)) / 2 - 10), 9);
  });
  test('one whose hole is not on record, or lies elsewhere, is not taken for a plain one', () => {
    expect(from({ holes: [] })).toBe('hole not known');
    expect(from({ holes: [{ ...holes[0]!, heightMm: 85.1 }] })).toMatchObject({ kind: 'hole' });
    expect(from({ holes: [{ ...holes[0]!, heightMm: 84.9 }] })).toBe('hole not known');
  });
  test('grown into an edge it is an edge’s', () =>
    expect(
      crossingOn({ shape, holes }, { path: [on('bottom', 80), on('bottom', 60)], startsAt: 'hole' }),
    ).toMatchObject({
      kind: 'edge',
    }));
});
