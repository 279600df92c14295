import { hostsOf, totalKg } from '@/core/frame';
import {
  adviceOf,
  expectedFelt,
  isAllKept,
  jobDemand,
  workJob,
  type AskedCase,
  type Evidence,
  type JobDemand,
  type JobRecords,
} from '@/core/job';
import { demoBundle, type DemoTag } from '@/demo';
import { adviceLines, TALL_MM } from './advice';
import { expectedWords } from './prove';

const of = (tag: DemoTag): JobRecords => {
  const bundle = demoBundle(tag);
  return { ...bundle, ...(bundle.unit.grossMassKg && { grossMassKg: bundle.unit.grossMassKg }) };
};
const demandOf = (records: JobRecords): JobDemand =>
  jobDemand(records, new Map(workJob(records).map((work) => [work.picture.member.id, work])), [
    'as found',
    'as repaired',
  ]);
const gritter = of('GR-7');
const demand = demandOf(gritter);
const advice = adviceOf(gritter, demand, true)!;

describe('what keeps a frame whole', () => {
  test('axles and coupler carry all that is on record: nothing is lost between them', () => {
    const { wheels, couplerKg = 0 } = demand[advice.state]!;
    const onAxles = advice.axles.reduce((sum, { loadKg }) => sum + loadKg, 0);
    expect(onAxles).toBeCloseTo(
      wheels.reduce((sum, { loadKg }) => sum + loadKg, 0),
      6,
    );
    // Steel of the frame itself is part of what is on record.
    expect((onAxles + couplerKg) / totalKg(gritter.frame)).toBeGreaterThan(0.98);
    expect((onAxles + couplerKg) / totalKg(gritter.frame)).toBeLessThan(1.2);
  });
  test('a rating that is passed is said in capitals, one that is not tells what is left, one that nobody knows is asked for', () => {
    const rated = (ratingKg?: number): JobDemand => ({
      ...demand,
      [advice.state]: {
        ...demand[advice.state]!,
        wheels: demand[advice.state]!.wheels.map(({ ratingKg: _, ...wheel }) => ({
          ...wheel,
          ...(ratingKg !== undefined && { ratingKg: ratingKg / 2 }),
        })),
      },
    });
    const [axle] = advice.axles;
    const lines = (to?: number) => adviceLines(gritter.frame, adviceOf(gritter, rated(to), true)!, 'mm')[0]!;
    expect(lines(axle!.loadKg + 100)).toMatch(/100 kg are left to its rating/);
    expect(lines(axle!.loadKg - 100)).toMatch(/OVER ITS RATING by 100 kg/);
    expect(lines()).toContain('look at its plate');
    expect(lines(axle!.loadKg + 100)).not.toContain('OVER');
  });
  test('the gross weight likewise', () => {
    const { grossMassKg: _, ...ungraded } = gritter;
    const gross = (grossMassKg?: number) =>
      adviceLines(
        gritter.frame,
        adviceOf({ ...ungraded, ...(grossMassKg !== undefined && { grossMassKg }) }, demand, true)!,
        'mm',
      ).find((line) => line.toLowerCase().includes('gross'));
    const { wheels, couplerKg = 0 } = demand[advice.state]!;
    const standing = wheels.reduce((sum, { loadKg }) => sum + loadKg, couplerKg);
    expect(gross(standing + 500)).toMatch(/^500 kg are left/);
    expect(gross(standing - 500)).toMatch(/^OVER ITS GROSS WEIGHT by 500 kg/);
    expect(gross()).toContain('not on record');
  });
  test('the hardest case is the one that uses most, and its reserve the inverse of what it uses; past its limit it says so', () => {
    const { members } = demand[advice.state]!;
    const most = Math.max(...members.flatMap(({ worst }) => (worst ? [worst.utilisation] : [])));
    expect(advice.cases[0]!.reserve).toBeCloseTo(1 / most, 12);
    const linesOf = (reserve: number) =>
      adviceLines(gritter.frame, { ...advice, cases: [{ ...advice.cases[0]!, reserve }] }, 'in');
    const [hardest] = advice.cases;
    const at = (reserve: number) =>
      linesOf(reserve).find((line) => line.toLowerCase().includes(`${hardest!.caseId}: `));
    expect(at(1)).not.toContain('ASKED MORE');
    expect(at(0.99)).toMatch(/^ASKED MORE THAN IT MAY.*does not go out like this/);
  });
  test('each case by itself, the hardest first: nobody’s worst is left out, and a bump is told in g', () => {
    const { members } = demand[advice.state]!;
    for (const { caseId, reserve } of advice.cases) {
      const all = members.flatMap(({ byCase }) => byCase.filter((each) => each.caseId === caseId));
      expect(reserve).toBeCloseTo(1 / Math.max(...all.map(({ utilisation }) => utilisation)), 12);
    }
    for (const { worst, byCase } of members)
      if (worst) expect(Math.max(...byCase.map(({ utilisation }) => utilisation))).toBe(worst.utilisation);
    const reserves = advice.cases.map(({ reserve }) => reserve);
    expect(reserves).toEqual([...reserves].sort((a, b) => a - b));
    expect(advice.cases.map(({ caseId }) => caseId)).toEqual(
      expect.arrayContaining(['bump', 'brake', 'corner']),
    );
    const told = (...cases: readonly (readonly [AskedCase['caseId'], number])[]) =>
      adviceLines(
        gritter.frame,
        { ...advice, cases: cases.map(([caseId, reserve]) => ({ ...advice.cases[0]!, caseId, reserve })) },
        'mm',
      ).filter((line) => /at its limit|other cases/.test(line));
    expect(told(['bump', 1.5])[0]).toContain('at its limit at 4.5 g where 3 g were reckoned; slow down');
    expect(told(['brake', 1.9], ['corner', 1.99], ['bump', 2])).toHaveLength(3);
    expect(told(['brake', 1.9], ['corner', 1.99], ['bump', 2])[2]).toContain('leave it 2.0 times');
    expect(told(['brake', 5], ['corner', 6])).toEqual([
      expect.stringContaining('brake early'),
      'The other cases leave it 6.0 times and more.',
    ]);
    // Three times the load over the same bump is a third of the g.
    const heavier = (factor: number) => ({
      ...gritter,
      practice: {
        ...gritter.practice,
        loadFactors: { ...gritter.practice.loadFactors, bumpG: gritter.practice.loadFactors.bumpG * factor },
      },
    });
    const bumpOf = (records: JobRecords) =>
      adviceOf(records, demandOf(records), true)!.cases.find(({ caseId }) => caseId === 'bump')!.reserve;
    expect(bumpOf(heavier(1.2)) * 1.2).toBeCloseTo(bumpOf(gritter), 1);
  });
  test('a hanger is told as a lever: what pushes its wheel sideways, shared by two, times how far it reaches down', () => {
    const { levered } = advice;
    const { wheels } = demand[advice.state]!;
    const heaviest = Math.max(...wheels.map(({ loadKg }) => loadKg));
    const { cornerG } = gritter.practice.loadFactors;
    expect(levered).toMatchObject({ inCase: 'corner' });
    expect(levered!.momentNm).toBeCloseTo((cornerG * heaviest * 9.80665 * levered!.dropMm) / 2000, 6);
    const line = (dropMm: number) =>
      adviceLines(gritter.frame, { ...advice, levered: { ...levered!, dropMm } }, 'mm').find((each) =>
        each.includes('levers the rail'),
      );
    expect(line(TALL_MM)).not.toContain('brace');
    expect(line(TALL_MM + 1)).toContain('A brace across to its twin');
    const bare = { ...gritter.frame, fittings: [] };
    expect(adviceOf({ ...gritter, frame: bare }, demand, true)).not.toHaveProperty('levered');
  });
  test('where dirt stays in is named; a drain last found blocked is said until it is found open', () => {
    const van = of('SV-9');
    const solved: JobDemand = { 'as found': demand['as found']! };
    const find = (at: string, is: 'blocked' | 'sound'): Evidence => ({
      kind: 'find',
      id: at,
      on: 'pocket',
      hostId: pocket.id,
      title: pocket.name,
      part: 'drain',
      state: is === 'blocked' ? { is } : { is, ways: ['eye'] },
      memberIds: [],
      note: '',
      by: 'RK',
      at,
    });
    const pocket = hostsOf(van.frame).find(({ on }) => on === 'pocket')!;
    const said = (...finds: Evidence[]) =>
      adviceLines(
        van.frame,
        adviceOf({ ...van, evidence: [...van.evidence, ...finds] }, solved, false)!,
        'mm',
      ).filter((line) => line.includes('BLOCKED') && line.includes(pocket.name));
    expect(said()).toEqual([]);
    expect(said(find('2027-01-02T00:00:00Z', 'blocked'))).toHaveLength(1);
    expect(said(find('2027-01-02T00:00:00Z', 'blocked'), find('2027-01-03T00:00:00Z', 'sound'))).toEqual([]);
    const ladder = adviceOf(gritter, demand, true)!;
    expect(
      adviceLines(gritter.frame, { ...ladder, closedIn: ['a', 'b', 'c', 'd', 'e'] }, 'mm').at(-2),
    ).toContain('a, b, c, d and 1 more');
    expect(adviceLines(gritter.frame, { ...ladder, closedIn: [] }, 'mm').at(-2)).toContain('behind brackets');
  });
  test('not solved on its wheels, nothing is said of the road; not repaired, it is said to be as found', () => {
    const stands = { ...demand, [advice.state]: { ...demand[advice.state]!, isDriven: false } };
    expect(adviceOf(gritter, stands, true)).toBeUndefined();
    expect(adviceOf(gritter, {}, true)).toBeUndefined();
    const { 'as repaired': _, ...found } = demand;
    expect(adviceOf(gritter, found, true)!.state).toBe('as found');
    expect(adviceLines(gritter.frame, adviceOf(gritter, found, true)!, 'in').join(' ')).toContain(
      'nothing is repaired',
    );
  });
});

test('what the engine only proposes repairs nothing: it is told as found, and no push is foretold', () => {
  const works = workJob(gritter);
  expect(works.some(({ repairs }) => repairs.some(({ isProposal }) => isProposal))).toBe(true);
  expect(isAllKept(works)).toBe(false);
  const kept = works.map((work) => ({
    ...work,
    repairs: work.repairs.map((worked) => ({ ...worked, isProposal: false })),
  }));
  expect(isAllKept(kept)).toBe(true);
  const proposed = adviceOf(gritter, demand, false)!;
  expect(proposed.state).toBe('as found');
  expect(proposed.cases[0]!.reserve).toBeLessThanOrEqual(adviceOf(gritter, demand, true)!.cases[0]!.reserve);
  expect(expectedFelt(demand, false)).toEqual([]);
});

describe('what the model expects of a push', () => {
  test('a repair makes stiffer what rust made slack: as specified it gives no more than as found', () => {
    const expected = expectedFelt(demand, true);
    expect(expected.length).toBeGreaterThan(0);
    for (const { ratio, found, repaired } of expected) {
      if (ratio !== undefined) expect(ratio).toBeCloseTo(repaired / found, 12);
      expect(repaired).toBeLessThanOrEqual(found * 1.01);
    }
    expect(expectedWords(expected[0]!, 'mm')).toMatch(/as found, .* as specified, \d\.\d\d times/);
  });
  test('its band reaches to the metal at its least: never above what is expected, and none where nothing is in doubt', () => {
    const known = jobDemand(
      gritter,
      new Map(workJob(gritter).map((work) => [work.picture.member.id, work])),
      ['least'],
      demand,
    );
    const banded = expectedFelt({ ...demand, ...known }, true);
    const some = banded.filter(({ ratioAtLeast }) => ratioAtLeast !== undefined);
    expect(some.length).toBeGreaterThan(0);
    for (const { id, ratio, ratioAtLeast, repaired } of some) {
      expect(ratioAtLeast).toBeLessThan(ratio!);
      const least = known.least!.felt.find((each) => each.id === id)!.value;
      expect(ratioAtLeast).toBeCloseTo(repaired / least, 12);
    }
    expect(expectedWords(some[0]!, 'in')).toMatch(/times \(down to \d\.\d\d, were all that is doubtful/);
    const sure = { ...demand, least: demand['as found']! };
    expect(expectedFelt(sure, true).some(({ ratioAtLeast }) => ratioAtLeast !== undefined)).toBe(false);
    expect(expectedFelt(demand, true).some(({ ratioAtLeast }) => ratioAtLeast !== undefined)).toBe(false);
  });
  test('nothing repaired, or nothing solved, nothing is expected; what did not move has no ratio', () => {
    const { 'as repaired': repaired, ...found } = demand;
    expect(expectedFelt(found, true)).toEqual([]);
    expect(expectedFelt({}, true)).toEqual([]);
    const still = { ...repaired!, felt: repaired!.felt.map((each) => ({ ...each, value: 0 })) };
    for (const each of expectedFelt({ 'as found': still, 'as repaired': repaired! }, true))
      expect(each.ratio).toBeUndefined();
  });
});
