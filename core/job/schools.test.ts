import { defaultFrame, faceOf, familyOf, typicalLoads, type Family, type Frame } from '../frame';
import {
  APPROACHES,
  DEFAULT_PRACTICE,
  legalFor,
  practiceFor,
  SHIPPED_LEGAL,
  type Approach,
  type Practice,
  type SteelId,
  type Ways,
} from '../reference';
import type { Reading } from '../probe';
import type { Crack } from '../trace';
import { lengthsOf, type Repair } from '../shape';
import { severity } from '../weigh';
import {
  inputsOf,
  judgedJob,
  sortedRecords,
  triedPractice,
  workMember,
  type Evidence,
  type JobRecords,
} from '.';

const frameOf = (family: Family, steel: SteelId): Frame =>
  defaultFrame({ ...familyOf(family).typical, family, steel, datum: 'hole' });
let made = 0;
const id = () => `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`;
const stamp = { by: 'RK', at: '2026-11-10T08:00:00Z', note: '' };

/** The left rail read every foot; `kept` of the wall as made on its lower third between two stations. */
function read(
  frame: Frame,
  kept: number,
  [fromMm, toMm]: readonly [number, number] = [1500, 2100],
): Reading[] {
  const rail = frame.members.find(({ id: own }) => own === 'rail-left')!;
  const { depthMm, thicknessMm } = rail.shape;
  const flangeMm = faceOf(rail.shape, 'bottom')!.widthMm;
  const stations = Array.from({ length: Math.floor(rail.lengthMm / 300) }, (_, k) => 150 + 300 * k);
  return stations.flatMap((stationMm) => {
    const isBad = stationMm >= fromMm && stationMm <= toMm;
    const at = (face: 'web' | 'bottom' | 'top', heightMm: number, share: number): Reading => ({
      kind: 'reading',
      id: id(),
      memberId: rail.id,
      stationMm,
      face,
      heightMm,
      thicknessMm: share * thicknessMm,
      method: 'ultrasonic',
      ...stamp,
    });
    return [
      at('bottom', flangeMm / 2, isBad ? kept : 1),
      at('top', flangeMm / 2, 1),
      ...[0.08, 0.3, 0.5, 0.75, 0.95].map((height) =>
        at('web', height * depthMm, isBad && height < 0.35 ? kept : 1),
      ),
    ];
  });
}
const crack = (): Crack => ({
  kind: 'crack',
  id: id(),
  memberId: 'rail-left',
  path: [
    { stationMm: 3000, face: 'web', heightMm: 60 },
    { stationMm: 3000, face: 'web', heightMm: 100 },
  ],
  startFound: true,
  finishFound: true,
  seenBy: 'dye penetrant',
  ...stamp,
});
const everywhere = (change: Partial<Ways>): Practice => ({
  ...DEFAULT_PRACTICE,
  ways: { ...DEFAULT_PRACTICE.ways, everywhere: { ...DEFAULT_PRACTICE.ways.everywhere, ...change } },
});
const records = (frame: Frame, evidence: readonly Evidence[], practice = DEFAULT_PRACTICE): JobRecords => ({
  frame,
  practice,
  evidence,
  strikes: [],
  repairs: [],
});
const work = (of: JobRecords) =>
  workMember(
    inputsOf(
      sortedRecords(of),
      of.frame.members.find(({ id: own }) => own === 'rail-left')!,
    ),
  );

const MILD = frameOf('open-channel ladder', 'hot-rolled-50');
const ROTTEN = read(MILD, 0.35);
const LOADED: Frame = { ...MILD, loads: { items: typicalLoads(MILD, 4500) } };

describe('the same evidence, each school its own answer (documented, common practice)', () => {
  test.each<[Approach, string, boolean]>([
    ['repair', 'Mend', true],
    ['preservation', 'Mend', true],
    ['bolt on', 'Mend', true],
    ['section', 'Splice', false],
    ['replace only', 'Renew', false],
  ])('a rail thin along its lower third: %s says %s; plates are drawn: %s', (approach, verdict, draws) => {
    const of = work(records(MILD, ROTTEN, everywhere({ approach })));
    expect(of.verdict.verdict).toBe(verdict);
    expect(of.repairs.length > 0).toBe(draws);
    for (const { repair } of of.repairs) expect(repair.bolts !== undefined).toBe(approach === 'bolt on');
  });
  test.each<[Approach, string]>([
    ['repair', 'Renew'],
    ['bolt on', 'Mend'],
    ['replace only', 'Renew'],
  ])('the same rail heat-treated: %s says %s', (approach, verdict) => {
    const frame = frameOf('open-channel ladder', 'heat-treated-110');
    const of = work(records(frame, read(frame, 0.35), everywhere({ approach })));
    const finding = of.verdict.findings.find(({ code }) => code === 'steel-heat-treated')!;
    expect(finding.verdict).toBe(verdict);
  });
  test.each<[Ways['cracks'], string, number]>([
    ['weld and plate', 'Mend', 1],
    ['weld only', 'Mend', 0],
    ['splice', 'Splice', 0],
  ])('a crack: %s says %s, with %d plates', (cracks, verdict, plates) => {
    const of = work(records(MILD, [...read(MILD, 1), crack()], everywhere({ cracks })));
    expect(of.verdict.verdict).toBe(verdict);
    expect(of.repairs).toHaveLength(plates);
  });
  test('no school is milder than another on a crack than mending it', () => {
    for (const approach of APPROACHES) {
      const { verdict } = work(records(MILD, [...read(MILD, 1), crack()], everywhere({ approach })));
      expect(severity(verdict.verdict)).toBeGreaterThanOrEqual(severity('Mend'));
    }
  });
});

describe('preservation: thin metal in use while it carries', () => {
  /** Between the bed's front mount and the rear hanger nothing hangs: no critical zone of a hand's breadth. */
  const CLEAR = [3450, 3600] as const;
  const handsBreadth = (practice: Practice): Practice => ({
    ...practice,
    legal: { ...practice.legal, chosen: 'none' },
    walk: { ...practice.walk, reachMm: 150 },
  });
  const judged = (
    kept: number,
    more: readonly Evidence[] = [],
    { approach = 'preservation', at = CLEAR }: { approach?: Approach; at?: readonly [number, number] } = {},
  ) => {
    const of = records(LOADED, [...read(LOADED, kept, at), ...more], handsBreadth(everywhere({ approach })));
    return judgedJob(of).works.find(({ picture }) => picture.member.id === 'rail-left')!.verdict;
  };
  test('thin, within what it may carry, no hole: watched, where repair would mend', () => {
    expect(judged(0.75, [], { approach: 'repair' }).verdict).toBe('Mend');
    const { verdict, findings } = judged(0.75);
    expect(verdict).toBe('Watch');
    expect(findings.map(({ code }) => code)).toContain('preserved');
  });
  test('beside a spring hanger it is put right, however little', () => {
    const { verdict, findings } = judged(0.6, [], { at: [1600, 1700] });
    expect(verdict).toBe('Mend');
    expect(findings.map(({ code }) => code)).toContain('critical-zone');
  });
  test('where nobody has worked out what it carries nothing is milder', () => {
    const of = work(records(MILD, read(MILD, 0.75), everywhere({ approach: 'preservation' })));
    expect(of.verdict.verdict).toBe('Mend');
  });
  test('a hole, a crack: mended all the same', () => {
    const hole: Reading = { ...read(MILD, 1)[0]!, id: id(), stationMm: 3500, thicknessMm: 0 };
    expect(severity(judged(0.75, [hole]).verdict)).toBeGreaterThanOrEqual(severity('Mend'));
    expect(judged(0.75, [crack()]).verdict).toBe('Mend');
  });
  test('over what it may carry: mended all the same', () => {
    const heavy = {
      ...MILD,
      loads: {
        items: [{ id: 'a', kind: 'payload', name: 'sand', massKg: 30_000, fromMm: 1000, toMm: 3500 }],
      },
    } as unknown as Frame;
    const of = records(heavy, read(heavy, 0.5), everywhere({ approach: 'preservation' }));
    const { verdict, findings } = judgedJob(of).works.find(
      ({ picture }) => picture.member.id === 'rail-left',
    )!.verdict;
    expect(findings.map(({ code }) => code)).not.toContain('preserved');
    expect(severity(verdict)).toBeGreaterThanOrEqual(severity('Mend'));
  });
});

describe('ways of working on what is drawn', () => {
  const first = (change: Partial<Ways>, frame = MILD): Repair =>
    work(records(frame, read(frame, 0.35), everywhere(change))).repairs[0]!.repair;
  test('seams, plugs and what is cut out follow the shop', () => {
    expect(first({ seams: 'continuous', plugs: true, opening: 'cut out' })).toMatchObject({
      weldStyle: 'continuous',
      plugs: true,
      cutOut: true,
    });
    expect(first({ opening: 'overlay' })).toMatchObject({ cutOut: false, weldStyle: 'runs to continuous' });
    expect(first({})).toMatchObject({ cutOut: false, plugs: false });
  });
  test.each([
    [5000, 1],
    [600, 2],
  ])('no plate longer than %d mm: made in lengths, at least %d', (longestPlateMm, least) => {
    const { repair, findings, patterns, joined } = work(records(MILD, ROTTEN, everywhere({ longestPlateMm })))
      .repairs[0]!;
    const lengths = repair.pieces.flatMap(lengthsOf);
    expect(lengths.length).toBeGreaterThanOrEqual(least);
    expect(Math.max(...lengths.map(({ fromMm, toMm }) => toMm - fromMm))).toBeLessThanOrEqual(longestPlateMm);
    expect(findings.map(({ code }) => code)).not.toContain('plate-over-longest');
    expect(patterns).toHaveLength(lengths.length);
    const grooves = joined.lines.filter(({ place }) => place === 'joint');
    expect(grooves).toHaveLength(lengths.length - repair.pieces.length);
    for (const { type, lengthMm } of grooves) {
      expect(type).toBe('bevel');
      expect(lengthMm).toBeGreaterThan(100);
    }
  });
  test('one kept longer than the shop makes them says so, whether it mends anything or not', () => {
    const shop = everywhere({ longestPlateMm: 600 });
    const [drawn] = work(records(MILD, ROTTEN, shop)).repairs;
    const inOne = { ...drawn!.repair, pieces: drawn!.repair.pieces.map(({ joints: _, ...piece }) => piece) };
    const codes = (repair: Repair) =>
      work({ ...records(MILD, ROTTEN, shop), repairs: [repair] })
        .repairs.find(({ isProposal }) => !isProposal)!
        .findings.map(({ code }) => code);
    expect(codes({ ...inOne, id: 'kept' })).toContain('plate-over-longest');
    const sound = { ...inOne, id: 'sound', pieces: [{ ...inOne.pieces[0]!, startMm: 3200, endMm: 3900 }] };
    expect(codes(sound)).toContain('plate-over-longest');
    expect(codes({ ...sound, pieces: [{ ...sound.pieces[0]!, endMm: 3800 }] })).not.toContain(
      'plate-over-longest',
    );
  });
  test('spliced up to the shop’s share of a rail, renewed beyond it', () => {
    const gone = read(MILD, 1).map((reading) =>
      reading.face === 'top' && reading.stationMm < 1200 ? { ...reading, thicknessMm: 0.2 } : reading,
    );
    const share = (spliceShare: number) =>
      work(records(MILD, gone, everywhere({ spliceShare }))).verdict.findings.find(
        ({ code }) => code === 'top-flange-gone',
      )!;
    const found = share(0.25).value!;
    expect(share(found + 0.01).verdict).toBe('Splice');
    expect(share(found - 0.01).verdict).toBe('Renew');
  });
});

describe('legal profiles', () => {
  const [none, us, uk] = SHIPPED_LEGAL;
  const under = (chosen: string): Practice => ({
    ...everywhere({ seams: 'skip', opening: 'cut out' }),
    legal: { profiles: [...SHIPPED_LEGAL], chosen },
  });
  const said = (chosen: string, code: string) =>
    work(records(MILD, ROTTEN, under(chosen)))
      .repairs[0]!.findings.filter((finding) => finding.code === code)
      .map(({ weight }) => weight);
  test.each([
    [us.id, 'flange-cut-between-axles', ['broken']],
    [uk.id, 'flange-cut-between-axles', ['deviation']],
    [none.id, 'flange-cut-between-axles', ['deviation']],
    [uk.id, 'seam-not-continuous', ['broken']],
    [us.id, 'seam-not-continuous', []],
    [us.id, 'weld-as-maker', ['note']],
    [uk.id, 'weld-as-maker', []],
  ])('%s, %s: %j', (chosen, code, weights) => expect(said(chosen, code)).toEqual(weights));
  test('each cites its own book on a crack', () => {
    const source = (chosen: string) =>
      work(records(MILD, [...read(MILD, 1), crack()], under(chosen))).verdict.findings.find(
        ({ code }) => code === 'crack',
      )!.source;
    expect([us.id, uk.id, none.id].map(source)).toEqual(['crack', 'ukStructure', 'ownProfile']);
  });
  test.each([
    ['truck', 'work', 'us-commercial'],
    ['truck', 'stored', 'none'],
    ['pickup', 'work', 'none'],
    ['trailer', 'towing', 'us-commercial'],
  ])('a %s for %s goes by %s', (kind, duty, profile) =>
    expect(legalFor(DEFAULT_PRACTICE.legal, { kind, duty })).toBe(profile),
  );
  test.each([
    ['truck', 'work', 4536, 'none'],
    ['truck', 'work', 4537, 'us-commercial'],
    ['truck', 'work', undefined, 'us-commercial'],
    ['motorhome', 'work', 4000, 'none'],
    ['trailer', 'towing', 900, 'us-commercial'],
  ])('a %s for %s of %s kg gross goes by %s', (kind, duty, grossMassKg, profile) =>
    expect(legalFor(DEFAULT_PRACTICE.legal, { kind, duty, grossMassKg })).toBe(profile),
  );
  test('a profile meant for any unit is kept to', () => {
    const legal = { ...DEFAULT_PRACTICE.legal, chosen: uk.id };
    expect(legalFor(legal, { kind: 'car', duty: 'everyday' })).toBe(uk.id);
  });
});

describe('by duty', () => {
  test('a unit’s duty brings its own factors, others stay', () => {
    const unit = { kind: 'truck', duty: 'competition' };
    expect(practiceFor(DEFAULT_PRACTICE, unit).loadFactors).toEqual({
      ...DEFAULT_PRACTICE.loadFactors,
      bumpG: 4,
      cornerG: 0.8,
    });
    expect(practiceFor(DEFAULT_PRACTICE, { ...unit, duty: 'work' }).loadFactors).toEqual(
      DEFAULT_PRACTICE.loadFactors,
    );
  });
  test('a harder duty never makes a verdict milder', () => {
    const of = (duty: string) =>
      judgedJob(records(MILD, ROTTEN, practiceFor(DEFAULT_PRACTICE, { kind: 'truck', duty }))).works.map(
        ({ verdict }) => severity(verdict.verdict),
      );
    const [work_, competition] = [of('work'), of('competition')];
    competition.forEach((asked, k) => expect(asked).toBeGreaterThanOrEqual(work_[k]!));
  });
});

test('another practice tried: what would change is said, the evidence is as it was', () => {
  const of = records(MILD, ROTTEN);
  const before = JSON.stringify(of);
  const tried = triedPractice(of, everywhere({ approach: 'section' }), [], '2026-11-27');
  expect(tried.members).toEqual([{ memberId: 'rail-left', from: 'Mend', to: 'Splice' }]);
  expect(triedPractice(of, DEFAULT_PRACTICE, [], '2026-11-27')).toEqual({ members: [], answers: [] });
  expect(JSON.stringify(of)).toBe(before);
});
