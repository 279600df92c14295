import fc from 'fast-check';
import {
  CRITICAL_REACH_MM,
  crossingsOn,
  defaultFrame,
  familyOf,
  fittingsOn,
  type Frame,
  type Member,
} from '../frame';
import { polygonArea } from '../geometry';
import { inchesToMm } from '../quantity';
import { BETWEEN_HEAT_ZONES_MM, DEFAULT_PRACTICE } from '../reference';
import { memberPicture } from '../weigh';
import {
  blankFigures,
  blankOfPiece,
  blanksOfRepair,
  flatId,
  flatName,
  checkRepair,
  flatPattern,
  flatPatterns,
  inLengths,
  lengthsOf,
  pieceSchema,
  repairSchema,
  type Piece,
  type Repair,
} from '.';
import { JOINT_CLEAR_MM } from './joints';
import type { RepairPicture } from './repair-picture';
import { joints } from './rules/joints';

/** Plates made in lengths: where a joint may lie, what is cut for each length, and where the engine puts joints of its own. */
const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const rail: Member = frame.members.find(({ id }) => id === 'rail-left')!;
const { depthMm } = rail.shape;
const bare: Frame = { ...frame, fittings: [], members: [rail] };
const piece = (more: Partial<Piece> = {}): Piece =>
  pieceSchema.parse({
    id: 'p',
    kind: 'bottom L',
    startMm: 1000,
    endMm: 3400,
    thicknessMm: 6.35,
    lowerEdgeMm: 0,
    upperEdgeMm: 60,
    taperMm: 100,
    ...more,
  });
const repair = (pieces: readonly Piece[], more: Partial<Repair> = {}): Repair =>
  repairSchema.parse({
    id: 'r',
    memberId: rail.id,
    cutOut: false,
    plugs: false,
    weldStyle: 'continuous',
    onBench: false,
    by: 'RK',
    at: '2026-11-10T08:00:00Z',
    pieces,
    ...more,
  });
const picture = (on = bare, practice = DEFAULT_PRACTICE, member = rail) =>
  memberPicture({ frame: on, member, practice, readings: [], cracks: [] });
const said = (
  pieces: readonly Piece[],
  {
    on = bare,
    target,
    member = rail,
    ...more
  }: { on?: Frame; target?: { fromMm: number; toMm: number }; member?: Member } & Partial<Repair> = {},
) =>
  joints({
    picture: picture(on, DEFAULT_PRACTICE, member),
    repair: repair(pieces, more),
    restored: [],
    pieces: [],
    ...(target && { target }),
  } satisfies RepairPicture)
    .filter(({ code }) => code !== 'joint-through')
    .map(({ code, weight }) => `${weight} ${code}`);

describe('a joint is refused', () => {
  test.each<[string, Partial<Piece>, string | undefined]>([
    ['where its lengths begin', { joints: [1000] }, 'beyond its ends'],
    ['past its end', { joints: [3500] }, 'beyond its ends'],
    ['in the taper', { joints: [1099] }, 'in the taper'],
    ['where the taper ends it is not', { joints: [1100] }, undefined],
    ['in the other taper', { joints: [3301] }, 'in the taper'],
    ['49 mm from another', { joints: [2000, 2049] }, 'nearer than 2 in'],
    ['50 mm from another it is not', { joints: [2000, 2050] }, undefined],
    ['out of order', { joints: [2500, 2000] }, 'nearer than 2 in'],
  ])('%s', (_, more, reason) => {
    const checked = checkRepair(rail, { pieces: [piece(more)] });
    expect(checked.ok ? undefined : checked.reason).toEqual(
      reason === undefined ? undefined : expect.stringContaining(reason),
    );
  });
  test('on plates that are bolted on, and on sleeves', () => {
    const bolts = { diameterMm: 12.7, marks: 6, pitchMm: 75 } as const;
    const bolted = (more: Partial<Piece>) => checkRepair(rail, { pieces: [piece(more)], bolts });
    expect(bolted({})).toMatchObject({ ok: true });
    expect(bolted({ joints: [2000] })).toMatchObject({
      ok: false,
      reason: expect.stringContaining('one length'),
    });
    const tube = { ...rail, shape: { kind: 'tube', depthMm: 100, thicknessMm: 5 } } as Member;
    const sleeve = piece({ kind: 'sleeve', upperEdgeMm: 0 });
    expect(checkRepair(tube, { pieces: [sleeve] })).toMatchObject({ ok: true });
    expect(checkRepair(tube, { pieces: [{ ...sleeve, joints: [2000] }] })).toMatchObject({
      ok: false,
      reason: expect.stringContaining('one length'),
    });
  });
});

describe('rules of a joint', () => {
  test('every joint is told what it takes; a plate of one length is told nothing', () => {
    const of = (one: Piece) =>
      joints({ picture: picture(), repair: repair([one]), restored: [], pieces: [] }).map(({ code }) => code);
    expect(of(piece({ joints: [2000, 2600] }))).toEqual(['joint-through', 'joint-through']);
    expect(of(piece())).toEqual([]);
  });
  test.each([
    [2000, ['deviation joint-over-damage']],
    [1999, []],
    [2201, []],
  ])('at %d mm over damage from 2000 to 2200: %j', (mm, expected) =>
    expect(said([piece({ joints: [mm] })], { target: { fromMm: 2000, toMm: 2200 } })).toEqual(expected),
  );
  test.each([
    [BETWEEN_HEAT_ZONES_MM, []],
    [BETWEEN_HEAT_ZONES_MM - 1, ['broken joint-level']],
  ])('%d mm from where another piece ends: %j', (apartMm, expected) => {
    const other = piece({
      id: 'q',
      kind: 'side plate',
      lowerEdgeMm: 80,
      upperEdgeMm: 130,
      startMm: 2000 - apartMm,
    });
    expect(said([piece({ joints: [2000] }), other])).toEqual(expected);
  });
  test('joints of two pieces stand apart as well, and both are told', () => {
    const [one, other] = [
      piece({ joints: [2000] }),
      piece({ id: 'q', inside: true, startMm: 800, endMm: 3600, joints: [2030] }),
    ];
    expect(said([one, other])).toEqual(['broken joint-level', 'broken joint-level']);
  });
  test.each([
    [depthMm, []],
    [depthMm - 1, ['deviation length-short']],
  ])('a length of %d mm: %j', (mm, expected) =>
    expect(said([piece({ joints: [1000 + mm] })])).toEqual(expected),
  );
  test('a hole beside it, or a notch, or a plug', () => {
    const holed = (away: number): Member =>
      ({
        ...rail,
        holes: [{ id: 'h', stationMm: 2000 + away + 10, face: 'web', heightMm: 30, diameterMm: 20 }],
      }) as Member;
    const of = (member: Member) => said([piece({ joints: [2000] })], { member });
    expect(of(holed(JOINT_CLEAR_MM))).toEqual([]);
    expect(of(holed(JOINT_CLEAR_MM - 1))).toEqual(['broken joint-at-hole']);
    // Ahead of it as behind it: from the hole's rim.
    expect(of(holed(-JOINT_CLEAR_MM - 20))).toEqual([]);
    expect(of(holed(-JOINT_CLEAR_MM - 19))).toEqual(['broken joint-at-hole']);
    const notched = (fromMm: number) =>
      said([piece({ joints: [2000], notches: [{ fromMm, toMm: fromMm + 80, edge: 'first', deepMm: 20 }] })]);
    expect(notched(2000 + JOINT_CLEAR_MM)).toEqual([]);
    expect(notched(2000 + JOINT_CLEAR_MM - 1)).toEqual(['broken joint-at-hole']);
    // Plugs begin half a pitch inside the taper: at 1201.6, every four inches.
    const plugged = (mm: number) => said([piece({ joints: [mm] })], { plugs: true });
    const firstMm = 1000 + 100 + 5 * BETWEEN_HEAT_ZONES_MM;
    expect(plugged(firstMm)).toEqual(['broken joint-at-hole']);
    expect(plugged(firstMm + BETWEEN_HEAT_ZONES_MM)).toEqual([]);
  });
  const crossing = crossingsOn(frame, rail).find(({ stationMm }) => stationMm > 1500)!;
  test('two heats apart from a crossmember’s weld', () => {
    const away = BETWEEN_HEAT_ZONES_MM + JOINT_CLEAR_MM;
    const at = (mm: number) =>
      said([piece({ startMm: 0, endMm: rail.lengthMm, joints: [crossing.stationMm + mm] })], { on: frame });
    expect(at(away)).not.toContain('deviation joint-near-weld');
    expect(at(away - 1)).toContain('deviation joint-near-weld');
    expect(at(1 - away)).toContain('deviation joint-near-weld');
  });
  test('beside a bracket it is noted and named, the nearest one', () => {
    const mark = fittingsOn(frame, rail).find(
      ({ kind, stationMm }) => kind === 'spring hanger' && stationMm > 700,
    )!;
    const only = { ...bare, fittings: frame.fittings.filter(({ id }) => id === mark.id) };
    const at = (mm: number) =>
      said([piece({ startMm: 0, endMm: rail.lengthMm, joints: [mark.stationMm + mm] })], { on: only });
    expect(at(CRITICAL_REACH_MM)).toEqual([]);
    expect(at(CRITICAL_REACH_MM - 1)).toEqual(['note joint-in-critical-zone']);
    const harness = {
      ...only,
      fittings: only.fittings.map((each) => ({ ...each, kind: 'harness' as const })),
    };
    expect(
      said([piece({ startMm: 0, endMm: rail.lengthMm, joints: [mark.stationMm] })], { on: harness }),
    ).toEqual([]);
  });
});

describe('flats of its lengths', () => {
  const whole = piece({ notches: [{ fromMm: 1700, toMm: 1800, edge: 'first', deepMm: 20 }] });
  const jointed = { ...whole, joints: [1600, 2500] };
  const holes: Member = {
    ...rail,
    holes: [1300, 2000, 3000].map((stationMm) => ({
      id: `${stationMm}`,
      stationMm,
      face: 'web',
      heightMm: 30,
      diameterMm: 12,
    })),
  } as Member;
  const flats = flatPatterns(holes, repair([jointed]), jointed, DEFAULT_PRACTICE);
  const one = flatPattern(holes, repair([whole]), whole, DEFAULT_PRACTICE);
  test('are as long as each, and together all the metal of the whole', () => {
    expect(flats.map(({ lengthMm }) => lengthMm)).toEqual([600, 900, 900]);
    const area = (flat: typeof one) => Math.abs(polygonArea(flat.outline));
    expect(flats.reduce((sum, flat) => sum + area(flat), 0)).toBeCloseTo(area(one), 3);
    expect(flats.reduce((sum, { massKg }) => sum + massKg, 0)).toBeCloseTo(one.massKg, 6);
  });
  test('each hole is in the length it lies in, at its place there', () => {
    expect(flats.map((flat) => flat.holes.map(({ xMm }) => Math.round(xMm)))).toEqual([[300], [400], [500]]);
    expect(one.holes.map(({ xMm }) => Math.round(xMm))).toEqual([300, 1000, 2000]);
  });
  test('meet square: the middle one has no taper at all', () => {
    const heights = (flat: typeof one, x: number) =>
      flat.outline.filter((point) => Math.abs(point[0] - x) < 0.01).map((point) => point[1]);
    const full = one.widthMm;
    expect(Math.max(...heights(flats[1]!, 0)) - Math.min(...heights(flats[1]!, 0))).toBeCloseTo(full, 6);
    expect(Math.max(...heights(flats[1]!, 900)) - Math.min(...heights(flats[1]!, 900))).toBeCloseTo(full, 6);
    expect(Math.max(...heights(flats[0]!, 0)) - Math.min(...heights(flats[0]!, 0))).toBeLessThan(full - 1);
  });
  test('are blanks of their own names, told where they begin', () => {
    const blanks = flats.map(blankOfPiece);
    expect(blanks.map(({ id }) => id)).toEqual(['p 1', 'p 2', 'p 3']);
    expect(blanks.map(({ name }) => name)).toEqual([
      'bottom L, length 1 of 3',
      'bottom L, length 2 of 3',
      'bottom L, length 3 of 3',
    ]);
    const starts = blanks.map(({ place }) => place!.ticks[0]!.stationMm);
    expect(starts.map((mm) => mm - starts[0]!)).toEqual([0, 600, 1500]);
    expect(blankOfPiece(one)).toMatchObject({ id: 'p', name: 'bottom L' });
    expect(blanks.map((blank) => Math.round(blankFigures(blank).lengthMm))).toEqual([600, 900, 900]);
  });
  test('all that is cut for a repair: every length of every plate, each under a name of its own', () => {
    const other = piece({ id: 'q', inside: true, startMm: 800, endMm: 3600 });
    const blanks = blanksOfRepair(rail, repair([jointed, other]), DEFAULT_PRACTICE);
    expect(blanks.map(({ id }) => id)).toEqual(['p 1', 'p 2', 'p 3', 'q']);
    expect(flats.map(flatId)).toEqual(['p 1', 'p 2', 'p 3']);
    expect(flatName(flats[1]!)).toBe('bottom L, length 2 of 3');
    expect(flatName(one)).toBe('bottom L');
    expect(flats.map(({ startMm }) => startMm)).toEqual([1000, 1600, 2500]);
  });
  test('what is cut out beneath is scribed on the length it lies under, cut where the length is', () => {
    const opening = {
      pieceId: 'p',
      outline: [
        [1500, 150],
        [1700, 150],
        [1700, 200],
        [1500, 200],
      ] as const,
    };
    const scribed = flatPatterns(rail, repair([jointed]), jointed, {
      ...DEFAULT_PRACTICE,
      openings: [opening as never],
    }).map(({ openings }) => openings.flat().map(([x]) => x));
    expect([Math.min(...scribed[0]!), Math.max(...scribed[0]!)]).toEqual([500, 600]);
    expect([Math.min(...scribed[1]!), Math.max(...scribed[1]!)]).toEqual([0, 100]);
    expect(scribed[2]).toEqual([]);
  });
});

describe('made in lengths by the engine', () => {
  const upTo = (longestPlateMm: number, on = frame) =>
    picture(on, {
      ...DEFAULT_PRACTICE,
      ways: { ...DEFAULT_PRACTICE.ways, everywhere: { ...DEFAULT_PRACTICE.ways.everywhere, longestPlateMm } },
    });
  test('nothing is jointed that the shop can make, or where it says nothing', () => {
    const plain = repair([piece()]);
    expect(inLengths(picture(frame), plain)).toEqual(plain);
    expect(inLengths(upTo(2400), plain)).toEqual(plain);
    expect(inLengths(upTo(2399), plain).pieces[0]!.joints).toHaveLength(1);
  });
  test('bolted plates are left as they are', () => {
    const bolted = repair([piece()], { bolts: { diameterMm: 12.7, marks: 6, pitchMm: 75 } });
    expect(inLengths(upTo(600), bolted)).toEqual(bolted);
  });
  describe('at the best place there is', () => {
    const zoned = (fromMm: number, toMm: number, on = bare) => {
      const plain = upTo(1300, on);
      return { ...plain, zones: [{ fromMm, toMm } as never] };
    };
    const joint = (of: ReturnType<typeof upTo>) => inLengths(of, repair([piece()])).pieces[0]!.joints![0]!;
    // A plate from 1000 to 3400 in lengths of 1300 at most: its joint lies between 2100 and 2300.
    test('in its middle where nothing speaks against it', () =>
      expect(Math.abs(joint(upTo(1300, bare)) - 2200)).toBeLessThanOrEqual(inchesToMm(1 / 4)));
    test('off the damage, on whichever side there is room', () => {
      expect(joint(zoned(1500, 2250))).toBeGreaterThan(2250);
      expect(joint(zoned(2150, 3000))).toBeLessThan(2150);
      expect(joint(zoned(2450, 3000))).toBeGreaterThan(2190);
    });
    test('in the damage where it must be, for a hole is worse', () => {
      const holed = {
        ...rail,
        holes: [{ id: 'h', stationMm: 2270, face: 'web', heightMm: 30, diameterMm: 20 }],
      };
      const of = { ...zoned(1500, 2240), member: holed as Member };
      expect(joint(of)).toBeLessThan(2270 - 10 - JOINT_CLEAR_MM + 0.01);
    });
    test('off a crossmember’s weld sooner than off a bracket', () => {
      const near = {
        ...bare,
        members: [rail, { ...frame.members.find(({ id }) => id === 'cross-3')!, atMm: 2200 }],
      };
      const away = Math.abs(joint(upTo(1300, near)) - 2200);
      expect(away).toBeGreaterThanOrEqual(BETWEEN_HEAT_ZONES_MM + JOINT_CLEAR_MM - 1e-6);
      const bracket = {
        ...frame.fittings.find(({ kind }) => kind === 'spring hanger')!,
        stationMm: 1950,
        side: 'both' as const,
      };
      const both = { ...near, fittings: [bracket] };
      const at = joint(upTo(1300, both));
      expect(Math.abs(at - 2200)).toBeGreaterThanOrEqual(BETWEEN_HEAT_ZONES_MM + JOINT_CLEAR_MM - 1e-6);
      // Behind the weld it is more than a foot from the bracket, in front of it less.
      expect(at).toBeGreaterThan(2200);
    });
  });
  test('as few lengths as will do, none too long, none that breaks a rule, on rails full of brackets', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 300, max: 2500 }),
        fc.integer({ min: 200, max: 1500 }),
        fc.integer({ min: 1200, max: 3000 }),
        fc.boolean(),
        (longestMm, startMm, longMm, plugs) => {
          const endMm = Math.min(rail.lengthMm - 200, startMm + longMm);
          const pieces = [
            piece({ startMm, endMm }),
            piece({ id: 'q', inside: true, startMm: startMm - 80, endMm: endMm + 80 }),
          ];
          const before = repair(pieces, { plugs });
          const after = inLengths(upTo(longestMm), before);
          expect(checkRepair(rail, after)).toMatchObject({ ok: true });
          for (const each of after.pieces) {
            const lengths = lengthsOf(each).map(({ fromMm, toMm }) => toMm - fromMm);
            expect(Math.max(...lengths)).toBeLessThanOrEqual(longestMm + 1e-6);
            expect(lengths).toHaveLength(Math.ceil((each.endMm - each.startMm) / longestMm - 1e-9));
          }
          const broken = said(after.pieces, { on: frame, plugs }).filter((each) => each.startsWith('broken'));
          // Half an inch of slack a length is enough to find a place: only the tightest fits may leave none.
          const slackMm = Math.min(
            ...after.pieces.map((each) => lengthsOf(each).length * longestMm - (each.endMm - each.startMm)),
          );
          if (slackMm > inchesToMm(6)) expect(broken).toEqual([]);
        },
      ),
      { seed: 41, numRuns: 60 },
    );
  });
});
