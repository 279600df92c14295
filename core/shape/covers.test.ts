import { defaultFrame, familyOf, type Member } from '../frame';
import { BETWEEN_HEAT_ZONES_MM, DEFAULT_PRACTICE, stiffenedLimit } from '../reference';
import { nominalMm } from '../probe';
import type { Crack } from '../trace';
import type { Sign } from '../walk';
import { memberPicture } from '../weigh';
import { insideReached, pieceSchema, type Access, type Piece, type Repair } from '.';
import { INSIDE_REACH_MM } from './rules/inside';
import { inStock } from './rules/section';
import { crackCoverage, crackTips, skinBeneath, staggered, wideBetweenWelds } from './rules/covers';
import type { RepairPicture } from './repair-picture';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const rail: Member = frame.members.find(({ id }) => id === 'rail-left')!;
const by = { by: 'RK', at: '2026-11-10T08:00:00Z', note: '' };
const piece = (more: Partial<Piece> = {}): Piece =>
  pieceSchema.parse({
    id: 'p',
    kind: 'side plate',
    startMm: 1000,
    endMm: 3000,
    thicknessMm: 6,
    lowerEdgeMm: 40,
    upperEdgeMm: 120,
    taperMm: 100,
    ...more,
  });
const context = (
  pieces: readonly Piece[],
  { cracks = [], signs = [], ...more }: { cracks?: Crack[]; signs?: Sign[] } & Partial<Repair> = {},
): RepairPicture => ({
  picture: memberPicture({ frame, member: rail, practice: DEFAULT_PRACTICE, readings: [], cracks, signs }),
  repair: { id: 'r', memberId: rail.id, cutOut: false, plugs: false, pieces: [...pieces], ...more } as Repair,
  restored: [],
  pieces: [],
});
const codes = (findings: readonly { code: string; weight: string }[]) =>
  findings.map(({ code, weight }) => `${weight} ${code}`);

describe('a crack under a plate', () => {
  const crack = (face: 'web' | 'bottom', from: number, to: number, stationMm = 2000): Crack => ({
    kind: 'crack',
    id: '00000000-0000-4000-8000-000000000001',
    memberId: rail.id,
    path: [from, to].map((heightMm) => ({ stationMm, face, heightMm })),
    startFound: true,
    finishFound: true,
    seenBy: 'eye',
    ...by,
  });
  const of = (one: Crack, pieces = [piece()]) => codes(crackCoverage(context(pieces, { cracks: [one] })));
  test.each<[string, string[], Crack]>([
    ['wholly under it', [], crack('web', 41, 119)],
    ['its tip a millimetre out', ['broken crack-uncovered'], crack('web', 41, 121)],
    ['below it', ['broken crack-uncovered'], crack('web', 39, 60)],
    ['beside it along the rail', [], crack('web', 41, 119, 3200)],
  ])('%s: %j', (_, said, one) => expect(of(one)).toEqual(said));
  test('one that runs out of the flange’s free edge has no tip there', () => {
    const { flangeMm } = rail.shape as typeof rail.shape & { flangeMm: number };
    const cover = (upperEdgeMm: number) => [piece({ kind: 'cover plate', lowerEdgeMm: 10, upperEdgeMm })];
    expect(of(crack('bottom', 30, flangeMm), cover(flangeMm - 12))).toEqual([]);
    expect(of(crack('bottom', 30, flangeMm - 14), cover(flangeMm - 15))).toEqual(['broken crack-uncovered']);
  });
  test('two pieces together cover it round the corner', () => {
    const round: Crack = {
      ...crack('web', 5, 5),
      path: [
        { stationMm: 2000, face: 'web', heightMm: 30 },
        { stationMm: 2000, face: 'bottom', heightMm: 20 },
      ],
    };
    const web = piece({ lowerEdgeMm: 10 });
    const under = piece({ id: 'q', kind: 'cover plate', lowerEdgeMm: 10, upperEdgeMm: 40 });
    expect(of(round, [web])).toEqual(['broken crack-uncovered']);
    expect(of(round, [web, under])).toEqual([]);
  });
});

describe('an earlier repair under a plate', () => {
  const ID = '00000000-0000-4000-8000-000000000002';
  const flat = (face: 'web' | 'bottom', from: number, to: number): Sign => ({
    kind: 'sign',
    id: ID,
    memberId: rail.id,
    stationMm: from,
    toMm: to,
    face,
    heightMm: 60,
    detail: { sign: 'old repair', cover: 'added angle or flat' },
    ...by,
  });
  const of = (sign: Sign, way?: 'off for good' | 'stays beneath' | 'off and back') =>
    codes(
      skinBeneath(
        context([piece()], { signs: [sign], ...(way && { beneath: [{ hostId: `skin ${ID}`, way }] }) }),
      ),
    );
  test('comes off, stays and is signed for, or breaks', () => {
    expect(of(flat('web', 1500, 1900))).toEqual(['broken skin-beneath']);
    expect(of(flat('web', 1500, 1900), 'off for good')).toEqual(['note skin-off']);
    expect(of(flat('web', 1500, 1900), 'stays beneath')).toEqual(['deviation skin-stays']);
    expect(of(flat('web', 1500, 1900), 'off and back')).toEqual(['broken skin-beneath']);
  });
  test('its welds are ground off no deeper than leaves the face it is on sound: a thick flange is not ground to a web', () => {
    const semi = defaultFrame({
      ...familyOf('semi trailer').typical,
      ...{ family: 'semi trailer', steel: 'hot-rolled-50', datum: 'kingpin' },
    });
    const beam = semi.members.find(({ id }) => id === 'rail-left')!;
    const plate = piece({ kind: 'cover plate', face: 'bottom', lowerEdgeMm: 30, upperEdgeMm: 120 });
    const found = (face: 'bottom' | undefined) => {
      const { face: _, heightMm: __, ...anywhere } = flat('bottom', 1500, 1900);
      const sign = { ...anywhere, memberId: beam.id, ...(face && { face, heightMm: 60 }) } as Sign;
      const picture = memberPicture({
        ...{ frame: semi, member: beam, practice: DEFAULT_PRACTICE, readings: [], cracks: [] },
        signs: [sign],
      });
      const beneath = [{ hostId: `skin ${ID}`, way: 'off for good' as const }];
      const repair = { ...context([plate]).repair, memberId: beam.id, beneath };
      return skinBeneath({ picture, repair, restored: [], pieces: [] });
    };
    const madeMm = nominalMm(beam, 'bottom');
    expect(madeMm).toBeGreaterThan(2 * nominalMm(beam, 'web'));
    for (const face of ['bottom', undefined] as const)
      expect(found(face)).toMatchObject([
        { code: 'skin-off', value: madeMm, limit: DEFAULT_PRACTICE.soundFraction * madeMm },
      ]);
  });
  test('on a face that the plate does not cover, or elsewhere along the rail, it is not met', () => {
    expect(of(flat('bottom', 1500, 1900))).toEqual([]);
    expect(of(flat('web', 4000, 4300))).toEqual([]);
  });
});

describe('ends of two plates', () => {
  const pair = (apartMm: number) => [
    piece(),
    piece({ id: 'q', inside: true, startMm: 1000 - apartMm, endMm: 3200 }),
  ];
  test.each([
    [0, ['broken ends-level']],
    [BETWEEN_HEAT_ZONES_MM - 1, ['broken ends-level']],
    [BETWEEN_HEAT_ZONES_MM, []],
  ])('%d mm apart: %j', (apartMm, said) => expect(codes(staggered(context(pair(apartMm))))).toEqual(said));
  test('at the member’s own end there is none to stagger; one plate has no other', () => {
    const atEnd = [piece({ startMm: 0 }), piece({ id: 'q', startMm: 0, endMm: 3200, inside: true })];
    expect(staggered(context(atEnd))).toEqual([]);
    expect(staggered(context([piece()]))).toEqual([]);
  });
});

describe('wide and thin between its welds', () => {
  const most = stiffenedLimit(248.2);
  const widthMm = 80;
  test.each([
    [widthMm / most + 0.01, []],
    [widthMm / most - 0.01, ['deviation wide-between-welds']],
  ])('80 mm of %d mm plate: %j', (thicknessMm, said) =>
    expect(codes(wideBetweenWelds(context([piece({ thicknessMm })])))).toEqual(said),
  );
  test('a row of plugs holds it', () => {
    const thin = piece({ thicknessMm: 1.2, lowerEdgeMm: 20, upperEdgeMm: 100 });
    expect(wideBetweenWelds(context([thin]))).toHaveLength(1);
    expect(wideBetweenWelds(context([thin], { plugs: true }))).toEqual([]);
  });
});

describe('a crack’s tip under a plate', () => {
  const crack = (from: number, to: number, face: 'web' | 'bottom' = 'web'): Crack => ({
    kind: 'crack',
    id: '00000000-0000-4000-8000-000000000003',
    memberId: rail.id,
    path: [from, to].map((heightMm) => ({ stationMm: 2000, face, heightMm })),
    startFound: true,
    finishFound: true,
    seenBy: 'eye',
    ...by,
  });
  const of = (one: Crack, pieces = [piece()]) => crackTips(context(pieces, { cracks: [one] }));
  const inch = 25.4;
  test.each<[string, Crack, string[]]>([
    ['an inch inside both edges', crack(40 + inch, 120 - inch), []],
    ['a millimetre less below', crack(39 + inch, 80), ['deviation crack-tip-close']],
    ['a millimetre less above', crack(80, 121 - inch), ['deviation crack-tip-close']],
    ['not under it at all: another rule says so', crack(10, 30), []],
  ])('%s', (_, one, said) => expect(codes(of(one))).toEqual(said));
  test('the smaller distance is told', () => expect(of(crack(50, 110))[0]!.value).toBeCloseTo(10, 6));
  test('one that runs out of the flange’s free edge has no tip there', () => {
    const { flangeMm } = rail.shape as typeof rail.shape & { flangeMm: number };
    const cover = piece({ kind: 'cover plate', lowerEdgeMm: 5, upperEdgeMm: flangeMm - 5 });
    expect(codes(of(crack(40, flangeMm, 'bottom'), [cover]))).toEqual([]);
    expect(codes(of(crack(20, flangeMm, 'bottom'), [cover]))).toEqual(['deviation crack-tip-close']);
  });
  test('an L round the corner covers a tip near it, from whichever face', () => {
    const round = piece({ kind: 'bottom L', lowerEdgeMm: 0, upperEdgeMm: 120 });
    expect(codes(of(crack(2, 90), [round]))).toEqual([]);
    const { flangeMm } = rail.shape as typeof rail.shape & { flangeMm: number };
    expect(codes(of(crack(0, flangeMm - 14, 'bottom'), [round]))).toEqual([]);
  });
});

describe('plate of the shop’s shelf', () => {
  test.each([
    [6.35, []],
    [6.44, []],
    [6.46, ['note not-in-stock']],
    [30, ['note not-in-stock']],
  ])('%d mm: %j', (thicknessMm, said) =>
    expect(codes(inStock(context([piece({ thicknessMm })])))).toEqual(said),
  );
});

describe('inside a closed section', () => {
  const box: Member = { ...rail, shape: { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 4.8 } };
  const inner = (more: Partial<Piece> = {}) => piece({ inside: true, startMm: 1800, endMm: 2200, ...more });
  const zone = { fromMm: 1700, toMm: 2300, bottomFlange: true, topFlange: false, side: false };
  const of = (pieces: readonly Piece[], accesses: readonly Access[] = [], cutOut = false, member = box) => {
    const made = context(pieces, { cutOut });
    const picture = { ...made.picture, member, zones: [zone as never] };
    return insideReached({ ...made, picture }, accesses);
  };
  const cap = piece({ id: 'cap', kind: 'bottom U', startMm: 1000, endMm: 3000, upperEdgeMm: 60 });
  test('nobody reaches it as it stands, nor through a floor that stays', () => {
    expect(codes(of([inner()]))).toEqual(['broken inside-not-reached']);
    expect(of([inner()])[0]!.value).toBeUndefined();
    expect(codes(of([inner(), cap]))).toEqual(['broken inside-not-reached']);
  });
  test.each<[string, Partial<Piece>, string]>([
    ['within it', {}, 'note inside-first'],
    ['to an arm’s reach beyond it', { endMm: 2300 + INSIDE_REACH_MM }, 'note inside-first'],
    ['a millimetre farther', { endMm: 2301 + INSIDE_REACH_MM }, 'broken inside-not-reached'],
    ['a millimetre farther in front', { startMm: 1699 - INSIDE_REACH_MM }, 'broken inside-not-reached'],
  ])('through the floor that is cut out, %s', (_, more, said) =>
    expect(codes(of([inner(more), cap], [], true))).toEqual([said]),
  );
  test('through openings that were planned; between two of them, as far as both reach', () => {
    const at = (mm: number): Access => ({ fromMm: mm - 50, toMm: mm + 50 });
    const long = inner({ startMm: 1500, endMm: 2500 });
    expect(codes(of([inner()], [at(2000)]))).toEqual(['note inside-first']);
    expect(codes(of([long], [at(1500)]))).toEqual(['broken inside-not-reached']);
    expect(codes(of([long], [at(1500), at(2500)]))).toEqual(['broken inside-not-reached']);
    expect(codes(of([long], [at(1500), at(1750 + 100), at(2500), at(2150)]))).toEqual(['note inside-first']);
  });
  test('an open section is reached from its other side', () => {
    expect(of([inner()], [], false, rail)).toEqual([]);
  });
});
