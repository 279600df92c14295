import { randomUUID } from 'node:crypto';
import { readingSchema } from '../probe';
import { inchesToMm, ksiToMpa } from '../quantity';
import { BESIDE_TOE_MM, BETWEEN_HEAT_ZONES_MM, DEFAULT_PRACTICE, lapMm, steel } from '../reference';
import {
  axleStationsMm,
  CRITICAL_REACH_MM,
  crossingsOn,
  defaultFrame,
  familyOf,
  fittingsOn,
  type Member,
} from '../frame';
import { memberPicture, type MemberPicture } from '../weigh';
import { development, endPlaces, runOut, squareEnd, tooLong } from './rules/ends';
import { landing, lap, tooThinToWeld } from './rules/landing';
import { beneath, flangeCut, freeEdge, plateThickness, restored } from './rules/section';
import { plugLayout } from './plugs';
import { carryingReach, PLATE_STRESS_SHARE, plateForceN } from './development';
import { repairedChange } from './plating';
import { REPAIR_FINDING_CODES, type RepairFinding } from './repair-finding';
import type { RepairPicture } from './repair-picture';
import { checkRepair, pieceSchema, repairSchema, type Piece, type Repair } from './repair';
import { flatPattern } from './flat/piece-flat';
import { reasonsAgainst } from './rules';

/** Every limit of the repair rules with a case on either side, by hand. */
const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const rail = frame.members.find((member) => member.id === 'rail-left')!;
const { depthMm, thicknessMm } = rail.shape;
const plain = memberPicture({ frame, member: rail, practice: DEFAULT_PRACTICE, readings: [], cracks: [] });
const picture = (more: object = {}): MemberPicture => ({ ...plain, ...more }) as MemberPicture;
const piece = (more: Partial<Piece> = {}): Piece =>
  pieceSchema.parse({
    id: 'p',
    kind: 'bottom L',
    startMm: 1000,
    endMm: 3000,
    thicknessMm,
    lowerEdgeMm: 0,
    upperEdgeMm: 100,
    taperMm: depthMm,
    ...more,
  });
type Stations = RepairPicture['pieces'][number]['stations'];
const context = (
  one: Piece,
  more: {
    target?: { fromMm: number; toMm: number } | undefined;
    stations?: Stations;
    carries?: { startMm: number; endMm: number };
    restored?: readonly object[];
    cutOut?: boolean;
    picture?: object;
  } = {},
): RepairPicture =>
  ({
    picture: picture(more.picture),
    repair: { id: 'r', memberId: rail.id, cutOut: more.cutOut ?? false, pieces: [one], plugs: false },
    ...('target' in more ? { target: more.target } : { target: { fromMm: 1800, toMm: 2200 } }),
    restored: more.restored ?? [],
    pieces: [
      {
        piece: one,
        stations: more.stations ?? [],
        carries: more.carries ?? { startMm: one.startMm, endMm: one.endMm },
      },
    ],
  }) as unknown as RepairPicture;
const said = (findings: readonly RepairFinding[]) => findings.map(({ code, weight }) => [code, weight]);

describe('ends', () => {
  const target = { fromMm: 1000 + depthMm, toMm: 3000 - depthMm };
  test.each([
    [0, []],
    [1, []],
    [1.1, [['run-out-short', 'broken']]],
  ])('run out %d mm short of a rail depth in front', (short, expected) =>
    expect(said(runOut(context(piece({ startMm: 1000 + short }), { target })))).toEqual(expected),
  );
  test('behind as in front; at a member’s own end there is nothing to run out onto; without damage nothing to run past', () => {
    expect(said(runOut(context(piece({ endMm: 3000 - 2 }), { target })))).toEqual([
      ['run-out-short', 'broken'],
    ]);
    const atEnds = piece({ startMm: 0, endMm: rail.lengthMm });
    expect(runOut(context(atEnds, { target: { fromMm: 1, toMm: rail.lengthMm } }))).toEqual([]);
    expect(runOut(context(piece(), { target: undefined }))).toEqual([]);
  });
  test.each([
    [1801, 2199, []],
    [1802, 2200, [['development-short', 'broken']]],
    [1700, 2198, [['development-short', 'broken']]],
  ])('carrying from %d to %d over damage from 1800 to 2200', (startMm, endMm, expected) =>
    expect(said(development(context(piece(), { carries: { startMm, endMm } })))).toEqual(expected),
  );
  test.each([
    [depthMm / 4, []],
    [depthMm / 4 - 0.1, [['square-end', 'broken']]],
  ])('a taper of %d mm', (taperMm, expected) =>
    expect(said(squareEnd(context(piece({ taperMm }))))).toEqual(expected),
  );
  test.each([
    [4 * depthMm, []],
    [4 * depthMm + 2, [['plate-too-long', 'deviation']]],
  ])('a plate that reaches %d mm past the damage', (reachMm, expected) => {
    const far = { fromMm: 1000 + reachMm, toMm: 3000 - depthMm };
    expect(said(tooLong(context(piece({ endMm: 3000 }), { target: far })))).toEqual(expected);
    const behind = { fromMm: 1000 + depthMm, toMm: 3000 };
    const long = piece({ endMm: 3000 + reachMm });
    expect(said(tooLong(context(long, { target: behind })))).toEqual(expected);
  });
  test('a piece as long as its member has no ends to taper', () =>
    expect(squareEnd(context(piece({ startMm: 0, endMm: rail.lengthMm, taperMm: 0 })))).toEqual([]));

  const crossing = crossingsOn(frame, rail).find(({ stationMm }) => stationMm > 800)!;
  const away = BETWEEN_HEAT_ZONES_MM + 25;
  const near = (mm: number) =>
    endPlaces(context(piece({ startMm: crossing.stationMm + mm, endMm: rail.lengthMm }))).filter(
      (finding) => finding.code === 'end-near-weld',
    );
  test('an end two heat zones and a weld off a crossmember, and a hair nearer', () => {
    expect(near(away + 0.01)).toEqual([]);
    expect(said(near(away - 0.1))).toEqual([['end-near-weld', 'deviation']]);
    expect(said(near(-away + 0.1))).toEqual([['end-near-weld', 'deviation']]);
    // How near it lies is told as a distance, whichever side it lies on.
    expect(near(30)[0]!.value).toBeCloseTo(30, 9);
    expect(near(-30)[0]!.value).toBeCloseTo(30, 9);
  });
  const marks = fittingsOn(frame, rail).filter((mark) => mark.kind !== 'axle');
  const alone = marks.find(
    (mark) =>
      !marks.some(
        (other) =>
          other !== mark &&
          Math.abs(other.stationMm - mark.stationMm - CRITICAL_REACH_MM) < CRITICAL_REACH_MM,
      ),
  )!;
  test('an end within 12 in of what hangs on the rail is noted, and named', () => {
    const at = (mm: number) =>
      endPlaces(context(piece({ startMm: alone.stationMm + mm, endMm: rail.lengthMm }))).filter(
        (finding) => finding.code === 'end-in-critical-zone',
      );
    expect(at(CRITICAL_REACH_MM)).toEqual([]);
    expect(at(CRITICAL_REACH_MM - 1)[0]).toMatchObject({ weight: 'note', name: alone.name });
  });
});

describe('landing', () => {
  const edge = (more: object = {}) => ({
    uMm: 0,
    face: { id: 'web', upright: true, wallMm: thicknessMm },
    lands: true,
    why: 'sound',
    lapMm: 100,
    wallMm: thicknessMm,
    ...more,
  });
  const at = (first: object, second: object = edge(), stationMm = 2000) =>
    [{ stationMm, edges: [first, second] }] as unknown as Stations;
  test.each([
    [edge(), []],
    [edge({ lands: false, why: 'unsound' }), [['edge-not-on-sound-metal', 'broken']]],
    [edge({ lands: false, why: 'above the corner' }), [['edge-above-corner', 'broken']]],
    [edge({ lands: false, why: 'not measured' }), [['edge-not-measured', 'deviation']]],
    [
      edge({ lands: false, why: 'unsound', face: { id: 'bottom', upright: false } }),
      [['edge-left-free', 'note']],
    ],
    [
      edge({ lands: false, why: 'not measured', face: { id: 'bottom', upright: false } }),
      [['edge-not-measured', 'deviation']],
    ],
  ])('%j', (one, expected) => {
    expect(said(landing(context(piece(), { stations: at(one) })))).toEqual(expected);
    expect(said(landing(context(piece(), { stations: at(edge(), one) })))).toEqual(expected);
  });
  const wanted = lapMm(thicknessMm);
  test('the published lap is the greater of five times the thinner part and 1 in (AISC 360 J2.2b, from memory)', () => {
    expect(lapMm(5)).toBeCloseTo(inchesToMm(1), 9);
    expect(lapMm(6)).toBeCloseTo(30, 9);
  });
  test.each([
    [wanted - 0.5, []],
    [wanted - 0.6, [['lap-short', 'deviation']]],
    [0, [['lap-short', 'deviation']]],
    [-0.1, [['lap-short', 'broken']]],
  ])('a lap of %d mm', (lap_, expected) =>
    expect(said(lap(context(piece(), { stations: at(edge({ lapMm: lap_ })) })))).toEqual(expected),
  );
  test('caps that meet are welded to each other: no lap is asked of the old wall between them; apart it is', () => {
    const stations = at(edge({ lapMm: -50 }));
    const caps = (gapMm: number) => {
      const bottom = piece({ kind: 'bottom U', lowerEdgeMm: 0, upperEdgeMm: 75 });
      const top = { ...piece({ kind: 'top U', lowerEdgeMm: 75 + gapMm, upperEdgeMm: 150 }), id: 'top' };
      const one = context(bottom, { stations });
      return said(lap({ ...one, repair: { ...one.repair, pieces: [bottom, top] } }));
    };
    expect(caps(8)).toEqual([]);
    expect(caps(25.4)).toEqual([]);
    expect(caps(26)).toEqual([['lap-short', 'broken']]);
    expect(caps(-1)).toEqual([['lap-short', 'broken']]);
  });
  test('over the taper no lap is asked', () =>
    expect(lap(context(piece(), { stations: at(edge({ lapMm: 0 }), edge(), 1000) }))).toEqual([]));
  test('a thinner plate asks for its own lap, not the wall’s', () => {
    const thin = piece({ thicknessMm: 3 });
    expect(lap(context(thin, { stations: at(edge({ lapMm: inchesToMm(1) - 0.5 })) }))).toEqual([]);
  });
  const least = DEFAULT_PRACTICE.weldableMinimumMm;
  test.each([
    [least, []],
    [least - 0.01, [['wall-too-thin-to-weld', 'broken']]],
  ])('a wall of %d mm by its lower bound', (wallMm, expected) =>
    expect(said(tooThinToWeld(context(piece(), { stations: at(edge({ wallMm })) })))).toEqual(expected),
  );
  const sheetMm = 2.5;
  test.each([
    [0.65 * sheetMm + 0.01, sheetMm, []],
    [0.65 * sheetMm - 0.01, sheetMm, [['wall-too-thin-to-weld', 'broken']]],
    [least - 0.01, 2 * thicknessMm, [['wall-too-thin-to-weld', 'broken']]],
  ])('a wall of %d mm on a face made %d mm, whatever the web was made', (wallMm, madeMm, expected) =>
    expect(
      said(
        tooThinToWeld(
          context(piece(), {
            stations: at(edge({ wallMm, face: { id: 'bottom', upright: false, wallMm: madeMm } })),
          }),
        ),
      ),
    ).toEqual(expected),
  );
  test('where no weld lands the wall may be as thin as it is', () =>
    expect(tooThinToWeld(context(piece(), { stations: at(edge({ wallMm: 0.1, lands: false })) }))).toEqual(
      [],
    ));
  const flange = { id: 'bottom', upright: false };
  const limit = 0.56 * Math.sqrt(199_948 / steel('a36').yieldMpa);
  test.each([
    [0.995, [['free-edge-slender', 'deviation']]],
    [1.005, []],
  ])('a leg left free, %d of the thickness its outstand asks for', (share, expected) => {
    const flangeMm = (rail.shape as { flangeMm: number }).flangeMm;
    const free = at(edge({ lands: false, why: 'unsound', face: flange }));
    const one = piece({ thicknessMm: (share * flangeMm) / limit });
    expect(said(freeEdge(context(one, { stations: free })))).toEqual(expected);
  });
  test('a leg that lands may be as slender as it is', () =>
    expect(freeEdge(context(piece({ thicknessMm: 1 }), { stations: at(edge({ face: flange })) }))).toEqual(
      [],
    ));
});

describe('what it restores', () => {
  const limit = DEFAULT_PRACTICE.leaveFraction;
  const section = (value: number, plusMinus: number) => ({
    stationMm: 2000,
    kept: { modulusTop: { value, plusMinus }, modulusBottom: { value: 1, plusMinus: 0 } },
  });
  test.each([
    [limit + 0.02, 0.02, []],
    [limit + 0.02, 0.021, [['strength-not-restored', 'broken']]],
    [1.15, 0, []],
    [1.151, 0, [['overlay-stiff-tapered', 'note']]],
  ])('S %d ± %d of built', (value, plusMinus, expected) =>
    expect(said(restored(context(piece(), { restored: [section(value, plusMinus)] })))).toEqual(expected),
  );
  test('stiff and cut off short is broken; tapered over half a depth it is a note', () => {
    const stiff = [section(1.3, 0)];
    expect(said(restored(context(piece({ taperMm: depthMm / 2 }), { restored: stiff })))).toEqual([
      ['overlay-stiff-tapered', 'note'],
    ]);
    expect(said(restored(context(piece({ taperMm: depthMm / 2 - 0.1 }), { restored: stiff })))).toEqual([
      ['overlay-stiff-abrupt', 'broken'],
    ]);
  });
  test.each([
    [0.97 * thicknessMm, []],
    [0.969 * thicknessMm, [['plate-thinner-than-wall', 'deviation']]],
  ])('a plate %d mm thick', (thick, expected) =>
    expect(said(plateThickness(context(piece({ thicknessMm: thick }))))).toEqual(expected),
  );
  const [front, rear] = [axleStationsMm(frame)[0]!, axleStationsMm(frame).at(-1)!];
  test.each([
    [{ fromMm: front, toMm: front + 10 }, true, true],
    [{ fromMm: front - 20, toMm: front - 1 }, true, false],
    [{ fromMm: rear - 10, toMm: rear }, true, true],
    [{ fromMm: rear + 1, toMm: rear + 20 }, true, false],
    [{ fromMm: front + 100, toMm: front + 200 }, false, false],
  ])('%j, cut out: %s → a flange cut between the axles: %s', (target, cutOut, cut) =>
    expect(said(flangeCut(context(piece(), { target, cutOut })))).toEqual(
      cut ? [['flange-cut-between-axles', 'broken']] : [],
    ),
  );
  test('a closed rail has no flange to cut', () => {
    const shape = { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 5 };
    const closed = { member: { ...rail, shape } };
    const target = { fromMm: front, toMm: rear };
    expect(flangeCut(context(piece(), { target, cutOut: true, picture: closed }))).toEqual([]);
  });
  const crack = (fromMm: number) => ({ path: [{ stationMm: fromMm }, { stationMm: fromMm + 10 }] });
  test('cracks under it are said, and rust left beneath; what is cut out encloses nothing', () => {
    const damaged = { zones: [{ fromMm: 2200, toMm: 2300 }], cracks: [crack(2200)] };
    expect(said(beneath(context(piece(), { picture: damaged })))).toEqual([
      ['crack-beneath', 'note'],
      ['rust-enclosed', 'note'],
    ]);
    expect(said(beneath(context(piece(), { picture: damaged, cutOut: true })))).toEqual([
      ['crack-beneath', 'note'],
    ]);
    const beyond = { zones: [{ fromMm: 2201, toMm: 2300 }], cracks: [crack(2201), crack(1789)] };
    expect(beneath(context(piece(), { picture: beyond }))).toEqual([]);
  });
});

test('every code of the repair rules is asked about in this file or named by a rule that is', () => {
  expect(new Set(REPAIR_FINDING_CODES).size).toBe(REPAIR_FINDING_CODES.length);
});

describe('figures by hand', () => {
  test('the force a plate asks of its ends: 0.67 Fy A (common practice, no source)', () => {
    const one = piece({ kind: 'side plate', lowerEdgeMm: 50, upperEdgeMm: 150, thicknessMm: 5 });
    expect(PLATE_STRESS_SHARE).toBe(0.67);
    expect(plateForceN(picture(), one)).toBeCloseTo(0.67 * ksiToMpa(36) * 5 * 100, 3);
  });
  test('the weld’s shelf beside the toe: 1/8 in (common practice, no source)', () =>
    expect(BESIDE_TOE_MM).toBeCloseTo(inchesToMm(1 / 8), 9));
  test('plugs: rows a hole and a half in, 4 in apart, as many in the weld list as holes in the plate', () => {
    const one = piece({ taperMm: 100, startMm: 1000, endMm: 2000 });
    const layout = plugLayout(rail, one);
    expect(layout.pitchMm).toBeCloseTo(inchesToMm(4), 9);
    expect(layout.rowsUMm).toHaveLength(1);
    expect(layout.count).toBe(Math.floor((1000 - 2 * layout.fromMm) / layout.pitchMm) + 1);
    expect(layout.toMm - layout.fromMm).toBeCloseTo((layout.count - 1) * layout.pitchMm, 9);
    expect(plugLayout(rail, piece({ startMm: 1000, endMm: 1100 })).count).toBe(0);
  });
});

describe('what can lie on a member at all', () => {
  const door = (more: Partial<Piece>) => {
    const answer = checkRepair(rail, { pieces: [piece(more)] });
    return answer.ok ? '' : answer.reason;
  };
  test.each<[string, Partial<Piece>, RegExp | '']>([
    ['a member long', { startMm: 0, endMm: rail.lengthMm }, ''],
    ['off its front', { startMm: -1 }, /reaches off/],
    ['off its rear', { startMm: 1000, endMm: rail.lengthMm + 1 }, /reaches off/],
    ['two inches long', { startMm: 1000, endMm: 1050 }, ''],
    ['shorter than that', { startMm: 1000, endMm: 1049 }, /shorter than 2 in/],
    ['up to the top corner', { upperEdgeMm: depthMm }, ''],
    ['over the top corner', { upperEdgeMm: depthMm + 1 }, /above the top corner/],
    ['a lower edge over it', { lowerEdgeMm: depthMm + 1 }, /above the top corner/],
    ['a strip of 3/4 in', { kind: 'side plate', lowerEdgeMm: 40, upperEdgeMm: 60 }, ''],
    ['a narrower strip', { kind: 'side plate', lowerEdgeMm: 40, upperEdgeMm: 59 }, /narrower/],
    ['a leg is no strip', { kind: 'bottom L', lowerEdgeMm: 0, upperEdgeMm: 19 }, ''],
    ['a box’s cap on a channel', { kind: 'bottom U' }, /does not fit a channel/],
  ])('%s', (_what, more, expected) =>
    expected === '' ? expect(door(more)).toBe('') : expect(door(more)).toMatch(expected),
  );
});

test('a cap drains at both ends behind its tapers, and in the middle once it is over 1200 mm long', () => {
  const box: Member = { ...rail, shape: { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 5 } };
  const drains = (endMm: number) => {
    const cap = piece({ kind: 'bottom U', startMm: 1000, endMm, taperMm: 100, upperEdgeMm: 60 });
    const drawn = {
      id: 'r',
      memberId: rail.id,
      cutOut: false,
      pieces: [cap],
      plugs: false,
    } as unknown as Repair;
    return flatPattern(box, drawn, cap, DEFAULT_PRACTICE).holes.map((hole) => Math.round(hole.xMm));
  };
  expect(drains(2200)).toHaveLength(2);
  const [first, middle, last] = drains(2201);
  expect(middle).toBe(1201 / 2 + 0.5);
  expect(first! + last!).toBeCloseTo(1201, 0);
  expect(first).toBeGreaterThan(100);
});

const readingOn = (stationMm: number, heightMm: number) =>
  readingSchema.parse({
    kind: 'reading',
    id: randomUUID(),
    memberId: rail.id,
    stationMm,
    face: 'web',
    heightMm,
    thicknessMm,
    method: 'ultrasonic',
    by: 'RK',
    at: '2026-01-01T00:00:00Z',
  });
test('a plate carries only within its reach: in front of it and behind it the section stands as it is', () => {
  const strip = piece({ kind: 'side plate', lowerEdgeMm: 60, upperEdgeMm: 120, taperMm: 0 });
  const repair = repairSchema.parse({
    id: '00000000-0000-4000-8000-000000000001',
    memberId: rail.id,
    cutOut: false,
    pieces: [strip],
    weldStyle: 'continuous',
    plugs: false,
    onBench: false,
    by: 'RK',
    at: '2026-01-01T00:00:00Z',
  });
  const readings = Array.from({ length: 120 }, (_, k) => readingOn(500 + 60 * (k >> 1), k % 2 ? 150 : 40));
  const read = memberPicture({ frame, member: rail, practice: DEFAULT_PRACTICE, readings, cracks: [] });
  const { startMm, endMm } = carryingReach(read, repair, strip);
  expect(startMm).toBeLessThan(endMm);
  expect(startMm).toBeGreaterThanOrEqual(strip.startMm);
  expect(endMm).toBeLessThanOrEqual(strip.endMm);
  const plates = (stationMm: number) => repairedChange(read, repair)(stationMm).plates?.length ?? 0;
  expect([startMm - 1, startMm, endMm, endMm + 1, 0, rail.lengthMm].map(plates)).toEqual([0, 1, 1, 0, 0, 0]);

  // A cover plate's end as AISC 360 F13.3 has it, in the allowable stresses of ASD (from memory): a strip of 3/16 × 4 in, 36 ksi, brings in
  // 0.67 · 36 · 3/16 · 4 = 18.09 kip; along each edge a 3/16 fillet would take 3 · 0.928 = 2.784 kip/in, the plate beside it 0.4 · 36 · 3/16 = 2.70:
  // 18.09 / (2 · 2.70) = 3.35 in.
  const [thick, wide] = [3 / 16, 4].map(inchesToMm) as [number, number];
  const cover = piece({
    kind: 'side plate',
    lowerEdgeMm: 60,
    upperEdgeMm: 60 + wide,
    thicknessMm: thick,
    taperMm: 0,
  });
  const reach = carryingReach(read, { ...repair, pieces: [cover] }, cover);
  expect((reach.startMm - cover.startMm) / 25.4).toBeCloseTo(3.35, 2);
  expect((cover.endMm - reach.endMm) / 25.4).toBeCloseTo(3.35, 2);
});

describe('what speaks against offering a repair', () => {
  const finding = (
    code: RepairFinding['code'],
    weight: RepairFinding['weight'],
    value?: number,
  ): RepairFinding => ({
    code,
    weight,
    quantity: 'fraction',
    source: 'practice',
    ...(value !== undefined && { value }),
  });
  const codes = (one: RepairFinding, found = 0.3) => reasonsAgainst([one], found).map(({ code }) => code);
  test.each<[RepairFinding, number, boolean]>([
    [finding('strength-not-restored', 'broken', 0.75), 0.3, false],
    [finding('strength-not-restored', 'broken', 0.749), 0.3, true],
    [finding('strength-not-restored', 'broken', 0.851), 0.8, false],
    [finding('strength-not-restored', 'broken', 0.84), 0.8, true],
    [finding('strength-not-restored', 'broken', 0.04), 0.55, true],
    [finding('lap-short', 'broken', -50), 0.3, true],
    [finding('lap-short', 'deviation', 12), 0.3, false],
    [finding('edge-not-on-sound-metal', 'broken'), 0.3, true],
    [finding('edge-above-corner', 'broken'), 0.3, true],
    [finding('wall-too-thin-to-weld', 'broken', 1), 0.3, true],
    [finding('plate-too-long', 'deviation', 2000), 0.3, true],
    [finding('run-out-short', 'broken', 40), 0.3, false],
    [finding('flange-cut-between-axles', 'broken'), 0.3, false],
    [finding('rust-enclosed', 'note'), 0.3, false],
  ])('%j over what kept %d', (one, found, isAgainst) =>
    expect(codes(one, found)).toEqual(isAgainst ? [one.code] : []),
  );
  test('a figure that cannot be had speaks against it', () =>
    expect(codes(finding('strength-not-restored', 'broken', NaN))).toEqual(['strength-not-restored']));
});
