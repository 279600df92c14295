import { defaultFrame, familyOf, fittingsOn } from '../../frame';
import { DEFAULT_PRACTICE } from '../../reference';
import type { Crack } from '../../trace';
import type { Complaint, Sign, SignDetail } from '../../walk';
import { memberPicture, type MemberPicture } from '..';
import { complainedOf } from './complained-of';
import { failedAgain } from './failed-again';
import { fastenerGrades } from './fastener-grade';
import { zincCoated } from './zinc';
import { oldPlateEnds, STIFF_STEP } from './old-plate';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const rail = frame.members.find(({ id }) => id === 'rail-left')!;
const plain = memberPicture({ frame, member: rail, practice: DEFAULT_PRACTICE, readings: [], cracks: [] });
const picture = (more: object): MemberPicture => ({ ...plain, ...more }) as MemberPicture;
const by = { by: 'RK', at: '2026-11-10T08:00:00Z', note: '' };
const depthMm = rail.shape.depthMm;

const sign = (detail: SignDetail, stationMm: number, toMm?: number): Sign => ({
  kind: 'sign',
  id: '00000000-0000-4000-8000-000000000001',
  memberId: rail.id,
  stationMm,
  ...(toMm !== undefined && { toMm }),
  face: 'bottom',
  heightMm: 20,
  detail,
  ...by,
});
const crack = (stationMm: number): Crack => ({
  kind: 'crack',
  id: '00000000-0000-4000-8000-000000000002',
  memberId: rail.id,
  path: [
    { stationMm, face: 'web', heightMm: 60 },
    { stationMm, face: 'web', heightMm: 90 },
  ],
  startFound: true,
  finishFound: true,
  seenBy: 'eye',
  ...by,
});

describe('where an old plate stops', () => {
  const flat = (fromMm: number, toMm?: number) =>
    sign({ sign: 'old repair', cover: 'added angle or flat' }, fromMm, toMm);

  const ends = (signs: readonly Sign[], cracks: readonly Crack[] = []) =>
    oldPlateEnds(
      memberPicture({ frame, member: rail, practice: DEFAULT_PRACTICE, readings: [], cracks, signs }),
    );

  test('taken off, or plated anew since, it has none', () => {
    const later = (detail: SignDetail) => ({
      ...sign(detail, 900, 1500),
      id: '00000000-0000-4000-8000-000000000009',
      at: '2026-11-12T08:00:00Z',
    });
    expect(ends([flat(900, 1500), later({ sign: 'opened', how: 'cover taken off' })])).toEqual([]);
    expect(ends([flat(900, 1500), later({ sign: 'put right', done: 'renewed' })])).toEqual([]);
    expect(ends([flat(900, 1500), later({ sign: 'coating', coat: 'sound paint' })])).toHaveLength(2);
  });
  test('both of its ends ask to be looked at, with the step there', () => {
    const found = ends([flat(900, 1500)]);
    expect(found.map(({ code, verdict, at }) => [code, verdict, at?.fromMm])).toEqual([
      ['plate-end', 'Watch', 900],
      ['plate-end', 'Watch', 1500],
    ]);
    expect(found[0]!.value).toBeGreaterThan(STIFF_STEP);
  });
  test('the step by hand: a second lower flange on a channel', () => {
    // Thin walls by hand: two flanges and a web, the lower one doubled on its own midline.
    const {
      thicknessMm: t,
      depthMm: depth,
      flangeMm,
    } = rail.shape as typeof rail.shape & { flangeMm: number };
    const [h, b] = [depth - t, flangeMm - t / 2];
    const parts = (lower: number): [number, number, number][] => [
      [b * t, h, 0],
      [h * t, h / 2, (t * h ** 3) / 12],
      [lower * b * t, 0, 0],
    ];
    const lowerModulus = (lower: number) => {
      const all = parts(lower);
      const area = all.reduce((sum, [each]) => sum + each, 0);
      const mid = all.reduce((sum, [each, y]) => sum + each * y, 0) / area;
      return (
        all.reduce((sum, [each, y, own]) => sum + own + each * (y - mid) ** 2, 0) / (mid + (lower * t) / 2)
      );
    };
    const [found] = ends([flat(900, 1500)]);
    expect(found!.value).toBeCloseTo(lowerModulus(2) / lowerModulus(1), 1);
  });
  test('a flat on the thick flange of a beam of three plates is taken for another such flange', () => {
    const semi = defaultFrame({
      ...familyOf('semi trailer').typical,
      ...{ family: 'semi trailer', steel: 'hot-rolled-50', datum: 'kingpin' },
    });
    const beam = semi.members.find(({ id }) => id === 'rail-left')!;
    const shape = beam.shape as Extract<typeof beam.shape, { kind: 'built-up' }>;
    // Three plates by hand, moments about their common middle.
    const modulusBelow = (times: number) => {
      const {
        topMm,
        topThicknessMm: top,
        bottomMm,
        bottomThicknessMm: bottom,
        thicknessMm,
        depthMm: deep,
      } = shape;
      const [high, own] = [deep - top / 2 - bottom / 2, deep - top / 2 - bottom / 2];
      const parts: [number, number, number][] = [
        [topMm * top, high, 0],
        [thicknessMm * own, own / 2, (thicknessMm * own ** 3) / 12],
        [times * bottomMm * bottom, 0, 0],
      ];
      const area = parts.reduce((sum, [each]) => sum + each, 0);
      const mid = parts.reduce((sum, [each, y]) => sum + each * y, 0) / area;
      return (
        parts.reduce((sum, [each, y, i]) => sum + i + each * (y - mid) ** 2, 0) / (mid + (times * bottom) / 2)
      );
    };
    const signs = [{ ...flat(2900, 3500), memberId: beam.id }];
    const found = oldPlateEnds(
      memberPicture({
        frame: semi,
        member: beam,
        practice: DEFAULT_PRACTICE,
        readings: [],
        cracks: [],
        signs,
      }),
    );
    expect(found.map(({ code }) => code)).toEqual(['plate-end', 'plate-end']);
    expect(found[0]!.value).toBeCloseTo(modulusBelow(2) / modulusBelow(1), 1);
  });
  test.each([
    [1500 + depthMm - 1, 'crack-at-plate-end'],
    [1500 + depthMm + 1, 'plate-end'],
  ])('a crack at %d mm: %s', (stationMm, code) => {
    const found = ends([flat(900, 1500)], [crack(stationMm)]);
    expect(found.find(({ at }) => at?.fromMm === 1500)?.code).toBe(code);
  });
  test('a plate to the very end of the member has one end; a skin, a filler or one spot have none', () => {
    expect(ends([flat(0, 500)])).toHaveLength(1);
    expect(ends([flat(900, rail.lengthMm)])).toHaveLength(1);
    for (const none of [
      flat(900),
      sign({ sign: 'old repair', cover: 'filler' }, 900, 1500),
      sign({ sign: 'old repair', cover: 'skin over rust' }, 900, 1500),
    ])
      expect(ends([none])).toEqual([]);
  });
});

describe('bad again where it was put right', () => {
  const { reachMm } = DEFAULT_PRACTICE.walk;
  const before = { memberId: rail.id, fromMm: 1000, toMm: 1400, at: '2024-05-02T09:00:00Z' };
  test.each([
    [1400 + reachMm - 1, 1],
    [1400 + reachMm + 1, 0],
    [1000 - reachMm + 1, 1],
    [1000 - reachMm - 1, 0],
  ])('a crack at %d mm: %d', (stationMm, count) => {
    const found = failedAgain(picture({ mendedBefore: [before], cracks: [crack(stationMm)] }));
    expect(found).toHaveLength(count);
    if (count) expect(found[0]).toMatchObject({ code: 'failed-again', verdict: 'Leave', name: '2024-05-02' });
  });
  test('this job’s own mending counts too; sound metal there says nothing', () => {
    const done = sign({ sign: 'put right', done: 'plated and welded' }, 1000, 1400);
    expect(failedAgain(picture({ signs: [done], cracks: [crack(1300)] }))).toHaveLength(1);
    expect(failedAgain(picture({ signs: [done] }))).toEqual([]);
  });
});

test('what the owner feels along it and nobody found asks to look on', () => {
  const sag: Complaint = {
    kind: 'complaint',
    id: '00000000-0000-4000-8000-000000000003',
    what: 'sag',
    where: 'behind the cab',
    memberIds: [rail.id],
    ...by,
  };
  expect(complainedOf(picture({ unexplained: [sag] }))).toMatchObject([
    { code: 'complaint-unexplained', verdict: 'Watch', name: 'sag, behind the cab' },
  ]);
  expect(complainedOf(picture({}))).toEqual([]);
});

describe('bolts by their marks', () => {
  const hanger = fittingsOn(frame, rail).find(({ kind }) => kind === 'spring hanger')!;
  const alone = { frame: { ...frame, fittings: frame.fittings.filter(({ id }) => id === hanger.id) } };
  const { reachMm } = DEFAULT_PRACTICE.walk;
  const of = (marks: number | undefined, awayMm: number, is: 'bolt' | 'rivet' = 'bolt') =>
    fastenerGrades(
      picture({
        ...alone,
        signs: [
          sign(
            { sign: 'fastener', is, state: 'sound', clamps: '', ...(marks !== undefined && { marks }) },
            hanger.stationMm + awayMm,
          ),
        ],
      }),
    ).map(({ verdict, limit }) => [verdict, limit]);
  test.each<[number | undefined, number, unknown[]]>([
    [6, 0, []],
    [5, 0, [['Watch', 6]]],
    [3, 0, [['Watch', 6]]],
    [2, 0, [['Mend', 6]]],
    [0, reachMm - 1, [['Mend', 6]]],
    [0, reachMm + 1, [['Watch', 3]]],
    [3, reachMm + 1, []],
    [undefined, 0, []],
  ])('%s marks, %d mm from a hanger: %j', (marks, awayMm, found) => expect(of(marks, awayMm)).toEqual(found));
  test('a rivet has no grade', () => expect(of(0, 0, 'rivet')).toEqual([]));
});

test('a bolt renewed with the stretch it stands in is forgotten, one beside it is not', () => {
  const bolt = (stationMm: number) =>
    sign({ sign: 'fastener', is: 'bolt', state: 'sound', clamps: '', marks: 0 }, stationMm);
  const renewed = {
    ...sign({ sign: 'put right', done: 'renewed' }, 1000, 1400),
    id: '00000000-0000-4000-8000-000000000009',
    at: '2026-11-12T08:00:00Z',
  };
  const of = (stationMm: number) =>
    fastenerGrades(
      memberPicture({
        frame,
        member: rail,
        practice: DEFAULT_PRACTICE,
        readings: [],
        cracks: [],
        signs: [bolt(stationMm), renewed],
      }),
    ).length;
  expect([999, 1000, 1400, 1401].map(of)).toEqual([1, 0, 0, 1]);
});

test('zinc is said and asks for nothing; paint is not', () => {
  const coat = (name: 'zinc' | 'sound paint') => [sign({ sign: 'coating', coat: name }, 900, 1500)];
  expect(zincCoated(picture({ signs: coat('zinc') }))).toMatchObject([
    { code: 'zinc-coated', verdict: 'Leave' },
  ]);
  expect(zincCoated(picture({ signs: coat('sound paint') }))).toEqual([]);
});
