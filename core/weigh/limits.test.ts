import { FAMILY_IDS, defaultFrame, familyOf, type Member, type Role } from '../frame';
import { DEFAULT_PRACTICE, fatigue, steel, YOUNGS_MODULUS_MPA } from '../reference';
import { inchesToMm, ksiToMpa } from '../quantity';
import { demandFindings, plateEnd } from './demand-findings';
import type { FatigueSpot, MemberDemand, StationDemand } from './demand';
import { actOn, isMended } from './mended';
import { cracks } from './rules/cracks';
import { flanges, parted } from './rules/flanges';
import { keptSection } from './rules/kept-section';
import { edgeNotBracketed, edgeOpenBetween, soundEdgeMargin, thinLanding } from './rules/sound-edge';
import { steelOf } from './steel-of';
import { steelAllowsWelding } from './rules/steel';
import { survey } from './rules/survey';
import { CELL_IS, slotsOf } from '../metal';
import {
  formedWebN,
  webBearingN,
  webCripplingN,
  webYieldN,
  heldWallShare,
  lateralMpa,
  momentGradient,
  outstandShare,
  plateBuckling,
} from './strength';
import { memberPicture, type Finding, type MemberPicture } from '.';
import { sectionProperties, withThickness, type EndForces, type Section } from '../mechanics';
import type { StateWall } from './demand';
import type { Cut } from './demand/cut';
import { besideSlot, shearOf } from './demand/shear';
import { shearShare, shearWalls } from './demand/shear-walls';
import { wallSection } from './wall-section';
import { evenWall, heightOnFace, surfaceOf, SHEAR_MODULUS_MPA } from '../frame';

/** Every limit of the rules with a case on either side, by hand. */
const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const rail = frame.members.find((member) => member.role === 'rail')!;
const as = (role: Role): Member => ({ ...rail, role });
const plain = memberPicture({ frame, member: rail, practice: DEFAULT_PRACTICE, readings: [], cracks: [] });
const picture = (more: object, member: Member = rail): MemberPicture =>
  ({ ...plain, member, ...more }) as MemberPicture;
const said = (findings: readonly Finding[]) =>
  findings.map(({ code, verdict, firmness }) => [code, verdict, firmness]);

describe('who is mended and who renewed', () => {
  test.each<[Role, string]>([
    ['rail', 'Mend'],
    ['sill', 'Mend'],
    ['crossmember', 'Renew'],
    ['outrigger', 'Renew'],
    ['upright', 'Renew'],
    ['leg', 'Renew'],
  ])('%s: %s', (role, word) => {
    expect(actOn({ member: as(role), ways: plain.ways })).toBe(word);
    expect(isMended(as(role))).toBe(word === 'Mend');
  });
  test('every family has something that is mended', () => {
    for (const family of FAMILY_IDS) {
      const made = defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' });
      expect(made.members.some(isMended)).toBe(true);
    }
  });
});

describe('what the frame asks', () => {
  const at = (utilisation: number): StationDemand => ({
    stationMm: 1000,
    caseId: 'bump',
    stressMpa: 100,
    allowableMpa: 100 / utilisation,
    utilisation,
    why: 'yield',
    warpingMpa: 0,
    rangeMpa: 10,
  });
  const demand = (more: Partial<MemberDemand>): MemberDemand => ({
    memberId: rail.id,
    along: [],
    byCase: [],
    spots: [],
    pads: [],
    ...more,
  });
  const measured = picture({ found: {} });
  const found = (utilisation: number, made: number, member = rail) =>
    said(
      demandFindings(picture({ found: {} }, member), {
        found: demand({ worst: at(utilisation) }),
        built: demand({ worst: at(made) }),
      }),
    );
  test.each([
    [0.5, 0.5, 'demand-within', 'Leave', 'firm'],
    [0.74, 0.5, 'demand-within', 'Leave', 'firm'],
    [0.76, 0.5, 'demand-within', 'Leave', 'could flip with one more reading'],
    [0.9, 0.5, 'demand-within', 'Leave', 'could flip with one more reading'],
    [0.91, 0.5, 'demand-near', 'Watch', 'could flip with one more reading'],
    [1, 0.5, 'demand-near', 'Watch', 'could flip with one more reading'],
    [1.01, 0.5, 'demand-over', 'Mend', 'could flip with one more reading'],
    [1.26, 0.5, 'demand-over', 'Mend', 'firm'],
    [1.26, 1, 'demand-over', 'Mend', 'firm'],
    [1.26, 1.14, 'demand-over', 'Mend', 'firm'],
    [1.26, 1.15, 'demand-over-as-made', 'Watch', 'firm'],
  ])('uses %d of what it may, %d as made: %s, %s', (used, made, code, verdict, firmness) =>
    expect(found(used, made)).toEqual([[code, verdict, firmness]]),
  );
  test('over on a crossmember: renew it', () =>
    expect(found(1.5, 0.5, as('crossmember'))[0]).toEqual(['demand-over', 'Renew', 'firm']));
  test.each([
    [1, 'demand-over-by-others', 'Watch'],
    [1.01, 'demand-over', 'Mend'],
  ])('over as found, by its own metal alone it would use %d: %s', (byItself, code, verdict) => {
    const pair = { found: demand({ worst: at(1.2), byItself }), built: demand({ worst: at(0.8) }) };
    expect(said(demandFindings(measured, pair))[0]!.slice(0, 2)).toEqual([code, verdict]);
  });
  test('nothing is claimed of what was not measured, or not solved', () => {
    const pair = { found: demand({ worst: at(2) }), built: demand({}) };
    expect(demandFindings(plain, pair)).toEqual([]);
    expect(demandFindings(measured, { ...pair, found: demand({}) })).toEqual([]);
  });
  const withMore = (more: Partial<MemberDemand>, member = rail) =>
    said(
      demandFindings(picture({ found: {} }, member), {
        found: demand({ worst: at(0.5), ...more }),
        built: demand({ worst: at(0.5) }),
      }),
    ).slice(1);
  test.each([
    [1, []],
    [1.01, [['lift-over', 'Watch', 'could flip with one more reading']]],
    [1.26, [['lift-over', 'Watch', 'firm']]],
  ])('raised it would use %d', (used, expected) => expect(withMore({ lifted: at(used) })).toEqual(expected));
  const pad = (upN: number, capacityN: number) => ({
    caseId: 'on a lift' as const,
    stand: { on: 'jack' as const },
    stationMm: 500,
    upN,
    capacityN,
  });
  test('a pad at its web’s strength holds, a newton over it does not; the worst of several is named', () => {
    expect(withMore({ pads: [pad(1000, 1000)] })).toEqual([]);
    expect(withMore({ pads: [pad(10, 1000), pad(1001, 1000)] })).toEqual([['pad-cripples', 'Watch', 'firm']]);
    expect(withMore({ pads: [pad(1001, 1000)] }, as('crossmember'))).toEqual([
      ['pad-cripples', 'Renew', 'firm'],
    ]);
  });
  test('a swing that never cracks is not said; one that can is, with its threshold', () => {
    const spot = (cycles: number) => ({
      stationMm: 1,
      what: 'hanger',
      category: 'E' as const,
      rangeMpa: 50,
      cycles,
      atPlateEnd: false,
    });
    expect(withMore({ spots: [spot(Infinity)] })).toEqual([]);
    expect(withMore({ spots: [spot(1e6)] })[0]!.slice(0, 2)).toEqual(['fatigue-range', 'Leave']);
    expect(fatigue('E').thresholdMpa).toBeCloseTo(ksiToMpa(4.5), 6);
  });
  const spotAt = (stationMm: number, rangeMpa: number, cycles: number, more: Partial<FatigueSpot> = {}) => ({
    stationMm,
    what: 'hanger',
    category: 'E' as const,
    rangeMpa,
    cycles,
    atPlateEnd: false,
    ...more,
  });
  test.each([
    [1.1, [], 'fatigue-range'],
    [1.11, [], 'fatigue-worse'],
    [1, [{ path: [{ stationMm: 550, face: 'bottom', heightMm: 0 }] }], 'fatigue-worse'],
    [1, [{ path: [{ stationMm: 551, face: 'bottom', heightMm: 0 }] }], 'fatigue-range'],
  ])('found it swings %d times as made, cracks %j: %s', (times, cracks, code) => {
    const pair = {
      found: demand({ worst: at(0.5), spots: [spotAt(500, 50 * times, 1e6)] }),
      built: demand({ worst: at(0.5), spots: [spotAt(500, 50, 1e6)] }),
    };
    const of = { ...picture({ found: {} }, rail), cracks } as unknown as MemberPicture;
    const last = demandFindings(of, pair).at(-1)!;
    expect([last.code, last.verdict]).toEqual([code, code === 'fatigue-worse' ? 'Watch' : 'Leave']);
  });
  test.each([
    ['under its threshold', Infinity, 900, 2e6],
    ['no worse than nearby', 2e6, 600, 2e6],
    ['worse than nearby', 1.9e6, 600, 2e6],
    ['worse than nearby', 2e6, 601, 2e6],
  ] as const)(
    'a plate’s end is %s: %d swings, a detail %d mm off lasts %d',
    (says, cycles, offMm, nearby) => {
      const end = spotAt(1000, 40, cycles, { atPlateEnd: true });
      const built = demand({ spots: [spotAt(1000 + offMm, 50, nearby)] });
      expect(plateEnd(end, built).says).toBe(says);
    },
  );
});

describe('flanges', () => {
  const columns = (count: number, topShare: number, bottomShare = 0) =>
    Array.from({ length: 100 }, (_, k) => ({
      stationMm: 50 * k,
      topShare: k < count ? topShare : 0,
      topDirect: k < count && topShare > 0,
      bottomShare: k < count ? bottomShare : 0,
      edgeUpperMm: 0,
      weak: false,
    }));
  test.each([
    [25, 0.5, 0, []],
    [25, 0.51, 0, [['top-flange-gone', 'Splice']]],
    [25, 0.51, 0.5, [['top-flange-gone', 'Splice']]],
    [25, 0.51, 0.51, [['both-flanges-gone', 'Splice']]],
    [26, 0.51, 0.51, [['both-flanges-gone', 'Renew']]],
    [50, 0.51, 0.51, [['both-flanges-gone', 'Renew']]],
    [51, 0.51, 0.51, [['both-flanges-gone', 'Renew']]],
    [51, 0.51, 0, [['top-flange-gone', 'Renew']]],
  ])('over %d %% of the length, %d of the top unsound, %d of the bottom', (count, top, bottom, expected) =>
    expect(
      said(flanges(picture({ columns: columns(count, top, bottom) }))).map((each) => each.slice(0, 2)),
    ).toEqual(expected),
  );
  test('a crossmember without its top is renewed, however short the place', () =>
    expect(flanges(picture({ columns: columns(5, 0.9) }, as('crossmember')))[0]!.verdict).toBe('Renew'));
  test('parted anywhere: splice a rail, renew what is none', () => {
    expect(parted(picture({ partedAtMm: [] }))).toEqual([]);
    expect(parted(picture({ partedAtMm: [100] }))[0]).toMatchObject({ verdict: 'Splice', value: 1 });
    expect(parted(picture({ partedAtMm: [100] }, as('brace')))[0]!.verdict).toBe('Renew');
  });
});

describe('kept of the section', () => {
  const limit = DEFAULT_PRACTICE.leaveFraction;
  const kept = (value: number, plusMinus: number, guessedShare = 0) =>
    keptSection(
      picture({
        sections: [{ stationMm: 100, guessedShare, found: {}, kept: { area: { value, plusMinus } } }],
      }),
    )[0];
  test.each([
    [limit + 0.05, 0.05, 0, 'Leave'],
    [limit + 0.05, 0.051, 0, 'Watch'],
    [limit + 0.05, 0.051, 0.1, 'Watch'],
    [limit + 0.05, 0.051, 0.11, 'Can’t say'],
    [limit, 0.02, 0, 'Watch'],
    [limit - 0.001, 0.02, 0, 'Mend'],
    [limit - 0.001, 0.02, 0.5, 'Mend'],
  ])('%d ± %d, %d guessed: %s', (value, plusMinus, guessed, verdict) =>
    expect(kept(value, plusMinus, guessed)!.verdict).toBe(verdict),
  );
  test('the lower bound decides, never the best estimate', () => {
    expect(kept(0.99, 0.2)!.verdict).not.toBe('Leave');
    expect(kept(0.99, 0.2)!.firmness).toBe('could flip with one more reading');
    expect(kept(0.5, 0.2)!.firmness).toBe('firm');
  });
  test('a section more than half guessed is not judged', () => {
    expect(kept(0.1, 0, 0.5)!.verdict).toBe('Mend');
    expect(kept(0.1, 0, 0.51)).toBeUndefined();
  });
});

describe('the survey', () => {
  test.each([
    [undefined, ['not-measured']],
    [0.35, []],
    [0.36, ['mostly-guessed']],
  ])('guessed %s', (guessedShare, codes) => {
    const read = { is: plain.account.is.slice().fill(CELL_IS.indexOf('measured')) };
    const account = { ...plain.account, ...read };
    const map = guessedShare === undefined ? {} : { map: { guessedShare }, account };
    const findings = survey(picture(map));
    expect(findings.map((finding) => finding.code)).toEqual(codes);
    for (const finding of findings) expect(finding.verdict).toBe('Can’t say');
  });
});

describe('the sound edge', () => {
  const depth = rail.shape.depthMm;
  const edge = (upperMm: number, kind = 'bracketed', lowerMm = upperMm - 20) => ({
    face: 'web',
    faceHeightMm: depth,
    columns: [{ stationMm: 500, lowerMm, upperMm, kind }],
  });
  const margin = (school: string, leftMm: number, kind = 'bracketed') =>
    soundEdgeMargin(
      picture({ edges: [edge(depth - leftMm, kind)], ways: { ...plain.ways, margin: school } }),
    )[0];
  test.each([
    ['half-inch band', inchesToMm(0.5) + 0.01, 'margin-enough'],
    ['half-inch band', inchesToMm(0.5) - 0.1, 'margin-short'],
    ['one inch left', inchesToMm(1) + 0.01, 'margin-enough'],
    ['one inch left', inchesToMm(1) - 0.1, 'margin-short'],
    ['where rust ends', inchesToMm(0.5) + 0.01, 'margin-enough'],
    ['where rust ends', inchesToMm(0.5) - 0.1, 'margin-short'],
  ])('%s, %d mm left: %s', (school, leftMm, code) =>
    expect(margin(school, leftMm)).toMatchObject({ code, verdict: 'Mend', value: expect.closeTo(leftMm, 6) }),
  );
  test.each([
    [20.1, 'could flip with one more reading'],
    [19.9, 'firm'],
  ])('short by 20 mm, read %d mm apart: %s', (apartMm, firmness) => {
    const upperMm = depth - inchesToMm(0.5) + 20;
    const edges = [edge(upperMm, 'bracketed', upperMm - apartMm)];
    const ways = { ...plain.ways, margin: 'half-inch band' };
    const [finding] = soundEdgeMargin(picture({ edges, ways }));
    expect(finding).toMatchObject({ code: 'margin-short', plusMinus: expect.closeTo(apartMm, 6), firmness });
  });
  test('a column that is sound to the corner, or not read further down, sets no margin', () => {
    expect(margin('one inch left', 1, 'sound to the corner')).toBeUndefined();
    expect(margin('one inch left', 1, 'not read further down')).toBeUndefined();
    expect(margin('one inch left', 1, 'felt')!.code).toBe('margin-short');
  });
  test('open edges ask for a reading: no sound metal anywhere, or not read further down inside a zone', () => {
    const open = (kind: string, zones: object[]) =>
      said(edgeNotBracketed(picture({ edges: [edge(100, kind)], zones }))).map((each) => each.slice(0, 2));
    const asked = [['edge-not-bracketed', 'Can’t say']];
    const zone = { fromMm: 400, toMm: 600 };
    expect(open('no sound metal read', [])).toEqual(asked);
    expect(open('not read further down', [zone])).toEqual(asked);
    expect(open('not read further down', [{ fromMm: 501, toMm: 600 }])).toEqual([]);
    expect(open('bracketed', [zone])).toEqual([]);
  });
  test.each([
    [inchesToMm(12), 'bracketed', 400, []],
    [inchesToMm(12) + 0.1, 'bracketed', 400, [['edge-open-between', 'Can’t say']]],
    [inchesToMm(12) + 0.1, 'sound to the corner', 400, []],
    [inchesToMm(12) + 0.1, 'bracketed', 0, []],
  ])('columns %d mm apart, %s, damage to %d mm past the first', (apartMm, kind, damagedMm, expected) => {
    const columns = [500, 500 + apartMm].map((stationMm) => ({ ...edge(50, kind).columns[0]!, stationMm }));
    const zones = [{ fromMm: 400, toMm: 500 + damagedMm }];
    const found = edgeOpenBetween(picture({ edges: [{ ...edge(50), columns }], zones }));
    expect(said(found).map((each) => each.slice(0, 2))).toEqual(expected);
  });
  const landing = (thicknessMm: number, errorMm: number) => {
    const surface = surfaceOf(rail.shape);
    const cells = 2 * surface.uMm.length;
    const map = {
      surface,
      stationsMm: Float64Array.of(0, 1000),
      thicknessMm: new Float64Array(cells).fill(thicknessMm),
      errorMm: new Float64Array(cells).fill(errorMm),
      known: new Uint8Array(cells),
    };
    const edges = [
      { ...edge(50), columns: [0, 1000].map((stationMm) => ({ ...edge(50).columns[0]!, stationMm })) },
    ];
    return said(thinLanding(picture({ surface, map, edges, zones: [{ fromMm: 0, toMm: 1000 }] }))).map(
      (each) => each.slice(0, 2),
    );
  };
  const least = DEFAULT_PRACTICE.weldableMinimumMm;
  test.each([
    [least + 1.646, 1, []],
    [least + 1.644, 1, [['thin-landing', 'Can’t say']]],
    [least, 0.1, [['thin-landing', 'Can’t say']]],
    [least - 0.01, 0.1, [['thin-landing', 'Splice']]],
  ])('a landing %d ± %d mm thick', (thicknessMm, errorMm, expected) =>
    expect(landing(thicknessMm, errorMm)).toEqual(expected),
  );
});

describe('cracks and steel', () => {
  const crack = (found: boolean) => ({
    id: 'c',
    memberId: rail.id,
    path: [
      { stationMm: 100, face: 'web', heightMm: 10 },
      { stationMm: 100, face: 'web', heightMm: 40 },
    ],
    startFound: true,
    finishFound: found,
  });
  test('a crack of any length asks for mending; an end not found is a reason of its own', () => {
    expect(cracks(picture({ cracks: [] }))).toEqual([]);
    expect(cracks(picture({ cracks: [crack(true)] })).map((each) => each.code)).toEqual(['crack']);
    expect(cracks(picture({ cracks: [crack(true)] }))[0]).toMatchObject({
      verdict: 'Mend',
      value: expect.closeTo(30, 6),
    });
    expect(cracks(picture({ cracks: [crack(false)] })).map((each) => each.code)).toEqual([
      'crack',
      'crack-end-open',
    ]);
  });
  const damaged = { zones: [{ fromMm: 0, toMm: 1 }] };
  test.each([
    ['a36', damaged, []],
    ['unknown', damaged, ['steel-unknown']],
    ['heat-treated-110', damaged, ['steel-heat-treated']],
    ['unknown', { zones: [] }, []],
    ['presumed-mild', damaged, ['steel-presumed']],
    ['presumed-mild', { zones: [] }, []],
  ] as const)('%s with damage: %j', (id, more, codes) =>
    expect(steelAllowsWelding(picture({ steel: steel(id), ...more })).map((each) => each.code)).toEqual(
      codes,
    ),
  );
});

describe('steel nobody has identified', () => {
  const channel = { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 } as const;
  const box = { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 5 } as const;
  test.each([
    ['open-channel ladder', 'rail', channel, 'unknown'],
    ['mixed ladder', 'rail', channel, 'unknown'],
    ['mixed ladder', 'rail', box, 'presumed-mild'],
    ['open-channel ladder', 'crossmember', channel, 'presumed-mild'],
    ['I-beam trailer', 'rail', channel, 'presumed-mild'],
    ['unibody', 'sill', box, 'presumed-mild'],
  ] as const)('%s, %s of %j is taken as %s', (family, role, shape, expected) => {
    const member = { ...rail, role, shape, steel: 'unknown' as const };
    expect(steelOf({ family }, member).id).toBe(expected);
    expect(steelOf({ family }, { ...member, steel: 'a36' }).id).toBe('a36');
  });
  test('taken as mild it may be welded, treated as heat-treated not; both are counted with 36 ksi', () => {
    expect([steel('presumed-mild'), steel('unknown')].map((each) => each.weldRepair)).toEqual([
      'yes',
      'only as the maker allows',
    ]);
    expect(steel('presumed-mild').yieldMpa).toBe(steel('unknown').yieldMpa);
  });
});

describe('strength against figures worked by hand', () => {
  const E = 199_948;
  const FY = 250;
  const root = Math.sqrt(E / FY);
  test.each([
    [0.55, 1],
    [0.57, 1.415 - 0.74 * 0.57],
    [1.02, 1.415 - 0.74 * 1.02],
    [1.04, 0.69 / 1.04 ** 2],
    [2, 0.69 / 4],
  ])(
    'an outstand of b/t = %d √(E/Fy) reaches %d of yield (AISC 360-10 E7-4 to E7-6, from memory)',
    (k, share) => expect(outstandShare(k * root, FY)).toBeCloseTo(share, 3),
  );
  test.each([
    [1.27, 1],
    [1.28, 0.9998],
    [1.4, (1 - 0.22 / (0.526 * 1.4)) / (0.526 * 1.4)],
    [2, (1 - 0.22 / (0.526 * 2)) / (0.526 * 2)],
    [4, (1 - 0.22 / (0.526 * 4)) / (0.526 * 4)],
  ])('a wall held both sides, w/t = %d √(E/Fy): Winter (AISI S100, from memory) %d', (k, share) =>
    expect(heldWallShare(k * root, FY)).toBeCloseTo(share, 3),
  );
  test('no jump where local buckling begins: 0.673 of Winter’s λ, 0.56 and 1.03 of the outstand’s', () => {
    const jump = (share: (k: number) => number, at: number) => Math.abs(share(at - 1e-4) - share(at + 1e-4));
    const begins = (0.673 / 1.052) * 2;
    expect(jump((k) => heldWallShare(k * root, FY), begins)).toBeLessThan(1e-3);
    expect(jump((k) => heldWallShare(k * root, FY, -1), (0.673 / 1.052) * Math.sqrt(24))).toBeLessThan(1e-3);
    expect(jump((k) => outstandShare(k * root, FY), 0.56)).toBeLessThan(2e-3);
    expect(jump((k) => outstandShare(k * root, FY), 1.03)).toBeLessThan(4e-3);
  });
  test('a web in bending buckles later than one pressed evenly: k = 4 even, 24 in pure bending (AISI S100, from memory)', () => {
    expect([1, 0, -1, -2].map(plateBuckling)).toEqual([4, 8, 24, 24]);
    expect(heldWallShare(3 * root, FY, -1)).toBe(1);
    expect(heldWallShare(3.2 * root, FY, -1)).toBeLessThan(1);
    expect(heldWallShare(3 * root, FY, 1)).toBeLessThan(0.6);
  });
  test('a moment that changes sign buckles a beam sideways later: 1 even, 1.75 to nothing, 2.3 both ways (AISC 360 commentary, from memory)', () => {
    expect(momentGradient(5, 5)).toBeCloseTo(1, 9);
    expect(momentGradient(5, 0)).toBeCloseTo(1.75, 9);
    expect(momentGradient(-5, 5)).toBe(2.3);
    expect(momentGradient(-5, 2.5)).toBe(2.3);
    expect(momentGradient(-5, 1)).toBeCloseTo(1.75 + 0.21 + 0.012, 9);
    expect(momentGradient(0, 0)).toBeCloseTo(1, 9);
  });
  test('a web over 100 mm of bearing, each way it can fail worked by hand (AISC 360 J10.2 and J10.3, AISI S100, from memory)', () => {
    const shape = { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 } as const;
    expect(webYieldN(6, 8, FY)).toBeCloseTo((250 * 6 * 140) / 1.5, 6);
    expect(webCripplingN(shape, 6, 6, FY) / ((0.8 * 36 * (1 + 3 * 0.5) * Math.sqrt(E * FY)) / 2)).toBeCloseTo(
      1,
      6,
    );
    // 13 · 36 · 250 = 117 kN; 0.68 for the bend, 1.408 for the bearing, 0.942 for the height.
    expect(formedWebN(shape, 6, FY) / ((117_000 * 0.68 * 1.4082 * 0.94226) / 1.8)).toBeCloseTo(1, 4);
    // Rusted to 3 mm the bend is twice the wall: 29.25 kN · 0.5475 · 1.5774 · 0.91835.
    expect(formedWebN(shape, 3, FY) / ((29_250 * 0.54745 * 1.57735 * 0.91835) / 1.8)).toBeCloseTo(1, 4);
    expect(formedWebN(shape, 0.9, FY)).toBeCloseTo(formedWebN({ ...shape, thicknessMm: 60 }, 0.9, FY), 6);
  });
  test('the least of them counts; a rolled beam is not bent from sheet; a box has two webs; no metal bears nothing', () => {
    const shape = { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 } as const;
    const beam = { kind: 'I', depthMm: 254, flangeMm: 102, thicknessMm: 6, flangeThicknessMm: 8 } as const;
    expect(webBearingN(shape, 6, 6, FY)).toBe(formedWebN(shape, 6, FY));
    expect(webBearingN(beam, 6, 8, FY)).toBe(webYieldN(6, 8, FY));
    expect(webBearingN(beam, 2, 8, FY)).toBe(webCripplingN(beam, 2, 8, FY));
    const box = { kind: 'box', depthMm: 200, widthMm: 100, thicknessMm: 6 } as const;
    expect(webBearingN(box, 6, 6, FY)).toBeCloseTo(2 * webBearingN(shape, 6, 6, FY), 6);
    expect(webBearingN(shape, 0, 6, FY)).toBe(0);
    expect(webBearingN(shape, 6, 0, FY)).toBe(0);
  });
  test('a beam of 18 in free over 35 ft, worked example F.1-3B of AISC’s Design Examples (from memory): 14.2 ksi', () => {
    // W18×50: d 18.0, bf 7.50, tf 0.570, tw 0.355 in; Cb 1.14. The midline has no fillets.
    const [d, b, tf, tw] = [18, 7.5, 0.57, 0.355].map((inches) => inches * 25.4) as [
      number,
      number,
      number,
      number,
    ];
    const beam = { kind: 'I', depthMm: d, flangeMm: b, thicknessMm: tw, flangeThicknessMm: tf } as const;
    const surface = surfaceOf(beam);
    const section = withThickness(
      surface.midline,
      Float64Array.from(surface.rowFace, (face) => face.wallMm),
    );
    const at = (gradient: number) =>
      lateralMpa(section, 35 * 304.8, 50 * 6.894757, SHEAR_MODULUS_MPA, gradient);
    expect(at(1.14) / (14.2 * 6.894757)).toBeGreaterThan(0.94);
    expect(at(1.14) / (14.2 * 6.894757)).toBeLessThan(1.06);
    expect(at(1) / (14.2 * 6.894757)).toBeLessThan(0.94);
  });
  test.each([
    [1, 4],
    [0, 7.81],
    [-1, 23.9],
  ])(
    'a plate pressed at one edge and by %d of that at the other buckles at k = %d, within 3 %% (Timoshenko and Gere, from memory)',
    (ratio, k) => {
      expect(plateBuckling(ratio) / k).toBeGreaterThan(0.97);
      expect(plateBuckling(ratio) / k).toBeLessThan(1.03);
    },
  );
  test('sideways buckling: elastic below half of yield, Johnson’s curve above, never over yield', () => {
    const shape = { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 } as const;
    const surface = surfaceOf(shape);
    const section: Section = wallSection(surface, evenWall(surface, 6));
    const at = (lengthMm: number) => lateralMpa(section, lengthMm, FY, SHEAR_MODULUS_MPA);
    expect(at(0)).toBe(FY);
    expect(sectionProperties(section)!.iMinorMm4).toBeGreaterThan(0);
    const [short, long, longer] = [at(500), at(8000), at(16_000)];
    expect(short).toBeLessThan(FY);
    expect(short).toBeGreaterThan(0.9 * FY);
    expect(long).toBeLessThan(FY / 2);
    // St Venant governs a long one: the stress goes with 1/L.
    expect(long / longer).toBeGreaterThan(1.8);
    expect(long / longer).toBeLessThan(2.2);
  });
});

describe('shear', () => {
  const [E, FY] = [YOUNGS_MODULUS_MPA, 250];
  const shape = { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 } as const;
  const surface = surfaceOf(shape);
  const cutWith = (leastMm: Float64Array, slot?: StateWall['slot']) =>
    ({
      surface,
      section: wallSection(surface, leastMm),
      leastMm,
      strength: { yieldMpa: 250 },
      shear: shearWalls(surface, leastMm, 250),
      ...(slot && { slot }),
    }) as unknown as Cut;
  const pushed = (shearZN: number) => ({ shearZN }) as EndForces;
  const whole = evenWall(surface, 6);

  test('V over the web against 0.4 of yield on the road (0.6 × 0.67), worked by hand', () => {
    const web = surface.faces.find(({ upright }) => upright)!.widthMm * 6;
    const said = shearOf(cutWith(whole), pushed(100_000), 0.67)!;
    expect(said.stressMpa).toBeCloseTo(100_000 / web, 6);
    expect(said.allowableMpa).toBeCloseTo(0.402 * 250, 6);
    expect(said.utilisation).toBeCloseTo(said.stressMpa / said.allowableMpa, 9);
    expect(shearOf(cutWith(whole), pushed(-100_000), 0.67)!.stressMpa).toBeCloseTo(said.stressMpa, 9);
  });
  test('half of the web gone doubles it; all of it gone, any shear is too much and none is none', () => {
    const upper = whole.map((mm, row) =>
      surface.rowFace[row]!.upright && heightOnFace(surface.rowFace[row]!, surface.uMm[row]!) < 100 ? 0 : mm,
    );
    const [all, half] = [whole, upper].map((mm) => shearOf(cutWith(mm), pushed(50_000), 0.67)!.stressMpa);
    expect(half! / all!).toBeGreaterThan(1.9);
    const none = whole.map((mm, row) => (surface.rowFace[row]!.upright ? 0 : mm));
    expect(shearOf(cutWith(none), pushed(50_000), 0.67)!.utilisation).toBe(Infinity);
    expect(shearOf(cutWith(none), pushed(0), 0.67)!.utilisation).toBe(0);
  });
  test.each([
    [1.09, 1],
    [1.11, 1.1 / 1.11],
    [1.36, 1.1 / 1.36],
    [1.4, 1.51 / 1.4 ** 2],
  ])('a web %d √(k E/Fy) slender keeps %d (AISC 360 G2, from memory)', (times, share) => {
    const root = Math.sqrt((5.34 * E) / FY);
    expect(shearShare(times * root, FY)).toBeCloseTo(share, 3);
  });
  test('beside a slot the tees are bent by V/2 · L/2, on top of what the whole is stressed with', () => {
    const web = surface.rowFace.flatMap((face, row) => (face.upright ? [row] : []));
    const [fromRow, toRow] = [web[5]!, web[8]!];
    const open = whole.map((mm, row) => (row >= fromRow && row <= toRow ? 0 : mm));
    const slot = { longMm: 400, fromRow, toRow };
    const tee = (keep: (row: number) => boolean) => {
      const of = sectionProperties(
        wallSection(
          surface,
          whole.map((mm, row) => (keep(row) ? mm : 0)),
        ),
      )!;
      return Math.min(of.sTopMm3, of.sBottomMm3);
    };
    const weakest = Math.min(
      tee((row) => row < fromRow),
      tee((row) => row > toRow),
    );
    const said = besideSlot(cutWith(open, slot), pushed(20_000), 30, 0.67)!;
    expect(said.stressMpa).toBeCloseTo(30 + (10_000 * 200) / weakest, 6);
    expect(said.allowableMpa).toBeCloseTo(0.67 * 250, 9);
    expect(besideSlot(cutWith(open), pushed(20_000), 30, 0.67)).toBeUndefined();
  });
  test.each([
    [180, 0],
    [260, 1],
  ])('an opening of %d mm in a web 200 mm deep is %d slot', (longMm, count) => {
    const columns = 41;
    const stationsMm = Float64Array.from({ length: columns }, (_, k) => k * 20);
    const web = surface.rowFace.flatMap((face, row) => (face.upright ? [row] : []));
    const thicknessMm = new Float64Array(surface.uMm.length * columns).fill(6);
    for (const row of web.slice(5, 8))
      stationsMm.forEach((mm, column) => {
        if (mm >= 200 && mm <= 200 + longMm) thicknessMm[row * columns + column] = 0;
      });
    const best = { surface, stationsMm, thicknessMm, errorMm: thicknessMm, known: new Uint8Array() };
    const slots = slotsOf({ surface, best });
    expect(slots.map(({ fromRow, toRow }) => [fromRow, toRow])).toEqual(count ? [[web[5], web[7]]] : []);
    // From the corner up it is no slot: there is nothing below it.
    for (const row of web)
      if (row >= web[5]!) stationsMm.forEach((_, column) => (thicknessMm[row * columns + column] = 0));
    expect(slotsOf({ surface, best })).toEqual([]);
  });
});
