import { carriedBy, defaultFrame, facesOf, familyOf, fittingsOn } from '../../frame';
import type { Reading } from '../../probe';
import { DEFAULT_PRACTICE, SHIPPED_LEGAL } from '../../reference';
import type { Crack } from '../../trace';
import { CELL_IS, type CellIs } from '../../metal';
import { memberPicture, type MemberPicture } from '..';
import { causeAndCarried } from './cause';
import { crackKinds } from './crack-kind';
import { criticalZone } from './critical-zone';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const rail = frame.members.find(({ id }) => id === 'rail-left')!;
const plain = memberPicture({ frame, member: rail, practice: DEFAULT_PRACTICE, readings: [], cracks: [] });
const picture = (more: object): MemberPicture => ({ ...plain, ...more }) as MemberPicture;
const zone = (fromMm: number, toMm: number) => ({
  fromMm,
  toMm,
  topFlange: false,
  bottomFlange: true,
  side: false,
});
let made = 0;
const crack = (stationMm: number, more: Partial<Crack> = {}): Crack => ({
  kind: 'crack',
  id: `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`,
  memberId: rail.id,
  path: [
    { stationMm, face: 'web', heightMm: 60 },
    { stationMm, face: 'web', heightMm: 90 },
  ],
  startFound: true,
  finishFound: true,
  seenBy: 'eye',
  by: 'RK',
  at: '2026-11-10T08:00:00Z',
  note: '',
  ...more,
});
const said = (findings: readonly { code: string; verdict: string }[]) =>
  findings.map(({ code, verdict }) => [code, verdict]);

describe('kinds of cracks', () => {
  const at = (count: number) => Array.from({ length: count }, (_, k) => crack(500 + 700 * k));
  test.each([
    [2, []],
    [3, [['crack-many', 'Splice']]],
  ])('%d families on one rail: %j', (count, findings) =>
    expect(said(crackKinds(picture({ cracks: at(count) })))).toEqual(findings),
  );
  test('branches are one family; a crossmember is renewed', () => {
    const [one, two, three] = at(3) as [Crack, Crack, Crack];
    const branched = [one, { ...two, branchOf: one.id }, { ...three, branchOf: one.id }];
    expect(crackKinds(picture({ cracks: branched }))).toEqual([]);
    const cross = picture({ cracks: at(3), member: { ...rail, role: 'crossmember' } });
    expect(said(crackKinds(cross))).toEqual([['crack-many', 'Renew']]);
  });
  test('from a weld’s toe it is said, from a hole it is not', () => {
    expect(said(crackKinds(picture({ cracks: [crack(900, { startsAt: 'weld toe' })] })))).toEqual([
      ['crack-at-weld', 'Mend'],
    ]);
    expect(crackKinds(picture({ cracks: [crack(900, { startsAt: 'hole' })] }))).toEqual([]);
  });
});

describe('the critical zone', () => {
  const hanger = fittingsOn(frame, rail).find(({ kind }) => kind === 'spring hanger')!;
  const reachMm = DEFAULT_PRACTICE.walk.reachMm;
  const alone = { ...frame, fittings: frame.fittings.filter(({ id }) => id === hanger.id) };
  const { stationsMm } = plain.account;
  const columnAt = (mm: number) =>
    [...stationsMm.keys()].reduce((near, k) =>
      Math.abs(stationsMm[k]! - mm) < Math.abs(stationsMm[near]! - mm) ? k : near,
    );
  /** One cell of the web is so, at a station. */
  const cell = (stationMm: number, is: CellIs) => {
    const row = plain.surface.rowFace.findIndex(({ id }) => id === 'web');
    const cells = plain.account.is.slice();
    cells[row * stationsMm.length + columnAt(stationMm)] = CELL_IS.indexOf(is);
    return { account: { ...plain.account, is: cells } };
  };
  const awayOf = (mm: number) => Math.abs(stationsMm[columnAt(hanger.stationMm + mm)]! - hanger.stationMm);
  const near = (mm: number, more: object = {}, is: CellIs = 'gone') =>
    criticalZone(picture({ frame: alone, ...cell(hanger.stationMm + mm, is), ...more }));
  test.each([
    [0, 1],
    [reachMm - 60, 1],
    [reachMm + 60, 0],
  ])('bad metal about %d mm from a hanger: %d', (mm, count) => {
    const found = near(mm);
    expect(found).toHaveLength(count);
    if (count > 0)
      expect(found[0]).toMatchObject({
        verdict: 'Mend',
        value: expect.closeTo(awayOf(mm), 6),
        name: expect.stringContaining('axle location'),
      });
  });
  test.each<[CellIs, number]>([
    ['gone', 1],
    ['parted', 1],
    ['unsound', 1],
    ['doubtful', 0],
    ['hidden', 0],
    ['held', 0],
    ['between', 0],
  ])('metal that is %s there: %d', (is, count) => expect(near(0, {}, is)).toHaveLength(count));
  test('a crack to the millimetre', () => {
    const at = (mm: number) =>
      criticalZone(picture({ frame: alone, cracks: [crack(hanger.stationMm + mm)] })).length;
    expect([reachMm - 1, reachMm + 1].map(at)).toEqual([1, 0]);
  });
  test('a profile that looks wider than the shop is gone by; one that looks less far narrows nothing', () => {
    const legal = (mm: number) => ({
      ...SHIPPED_LEGAL.find(({ id }) => id === 'uk-inspection')!,
      reachMm: mm,
    });
    const at = (mm: number, profileMm: number) =>
      criticalZone(
        picture({ frame: alone, cracks: [crack(hanger.stationMm + mm)], legal: legal(profileMm) }),
      );
    expect(at(449, 450)).toMatchObject([{ limit: 450, source: 'ukStructure' }]);
    expect(at(451, 450)).toEqual([]);
    expect(at(reachMm - 1, 100)).toHaveLength(1);
  });
  test.each([
    [0.78, 1],
    [0.82, 0],
  ])('a thick flange is held to its own wall, not to the thin web’s: %d of it left', (kept, count) => {
    const semi = defaultFrame({
      ...familyOf('semi trailer').typical,
      ...{ family: 'semi trailer', steel: 'a36', datum: 'hole' },
    });
    const beam = semi.members.find(({ id }) => id === 'rail-left')!;
    const [fitting] = fittingsOn(semi, beam).filter((each) => carriedBy(each).length > 0);
    const { wallMm, widthMm } = facesOf(beam.shape).find(({ id }) => id === 'bottom')!;
    expect(kept * wallMm).toBeGreaterThan(beam.shape.thicknessMm);
    const read = {
      ...{ kind: 'reading', id: 'r', memberId: beam.id, face: 'bottom', method: 'ultrasonic', by: 'RK' },
      ...{ stationMm: fitting!.stationMm, heightMm: widthMm / 2, thicknessMm: kept * wallMm },
      ...{ at: '2026-11-10T08:00:00Z', note: '' },
    } as Reading;
    const found = criticalZone(
      memberPicture({
        frame: { ...semi, fittings: [fitting!] },
        ...{ member: beam, practice: DEFAULT_PRACTICE, readings: [read], cracks: [] },
      }),
    );
    expect(found).toHaveLength(count);
  });
  test('nothing bad, or nothing that carries: nothing', () => {
    expect(criticalZone(picture({}))).toEqual([]);
    const bare = { ...alone, fittings: alone.fittings.map((each) => ({ ...each, carries: [] })) };
    expect(near(0, { frame: bare })).toEqual([]);
  });
});

describe('the cause, and what hangs on it', () => {
  const bad = { zones: [zone(1000, 1200)] };
  const sign = (cause?: string, stationMm = 1100) => ({ kind: 'sign', cause, stationMm });
  test('asked for where something is bad, and where nothing is it is not', () => {
    expect(causeAndCarried(picture({}))).toEqual([]);
    expect(causeAndCarried(picture(bad))[0]).toMatchObject({ code: 'cause-unknown', verdict: 'Leave' });
  });
  test('known from a sign or a look; unknown is no cause', () => {
    const of = (signs: object[], spots: object[] = []) =>
      causeAndCarried(picture({ ...bad, signs, walk: { spots, twinBad: [] } }))[0];
    expect(of([sign('sealed drain'), sign('sealed drain')])).toMatchObject({
      code: 'cause-known',
      name: 'sealed drain',
    });
    expect(of([sign('unknown')])).toMatchObject({ code: 'cause-unknown' });
    const spot = (fromMm: number) => ({ spot: { fromMm, toMm: fromMm }, look: { cause: 'dam' } });
    const reach = DEFAULT_PRACTICE.walk.reachMm;
    expect(of([sign('dam', 1200 + reach - 1)])).toMatchObject({ code: 'cause-known' });
    expect(of([sign('dam', 1200 + reach + 1)])).toMatchObject({ code: 'cause-unknown' });
    expect(of([], [spot(1000 - reach - 1)])).toMatchObject({ code: 'cause-unknown' });
    expect(of([], [spot(1000)])).toMatchObject({ code: 'cause-known', name: 'dam' });
  });
  test('what it carries is named', () =>
    expect(causeAndCarried(picture(bad)).find(({ code }) => code === 'carries')!.name).toContain('steering'));
});
