import { totalKg } from '@/core/frame';
import {
  adviceOf,
  expectedFelt,
  isAllKept,
  jobDemand,
  workJob,
  type JobDemand,
  type JobRecords,
} from '@/core/job';
import { demoBundles } from '@/demo';
import { adviceLines, expectedWords } from './prove';

const of = (tag: string): JobRecords => {
  const bundle = demoBundles().find(({ unit }) => unit.tag === tag)!;
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
    const gross = (grossMassKg?: number) =>
      adviceLines(
        gritter.frame,
        adviceOf(grossMassKg === undefined ? {} : { grossMassKg }, demand, true)!,
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
    expect(advice.first!.reserve).toBeCloseTo(1 / most, 12);
    const at = (reserve: number) =>
      adviceLines(gritter.frame, { ...advice, first: { ...advice.first!, reserve } }, 'in').find((line) =>
        line.includes(advice.first!.caseId),
      );
    expect(at(1)).toMatch(/^Hardest for it/);
    expect(at(0.99)).toMatch(/^ASKED MORE THAN IT MAY/);
  });
  test('not solved on its wheels, nothing is said of the road; not repaired, it is said to be as found', () => {
    const stands = { ...demand, [advice.state]: { ...demand[advice.state]!, isDriven: false } };
    expect(adviceOf(gritter, stands, true)).toBeUndefined();
    expect(adviceOf(gritter, {}, true)).toBeUndefined();
    const { 'as repaired': _, ...found } = demand;
    expect(adviceOf(gritter, found, true)!.state).toBe('as found');
    expect(adviceLines(gritter.frame, adviceOf(gritter, found, true)!, 'in').at(-1)).toContain(
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
  expect(proposed.first!.reserve).toBeLessThanOrEqual(adviceOf(gritter, demand, true)!.first!.reserve);
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
  test('nothing repaired, or nothing solved, nothing is expected; what did not move has no ratio', () => {
    const { 'as repaired': repaired, ...found } = demand;
    expect(expectedFelt(found, true)).toEqual([]);
    expect(expectedFelt({}, true)).toEqual([]);
    const still = { ...repaired!, felt: repaired!.felt.map((each) => ({ ...each, value: 0 })) };
    for (const each of expectedFelt({ 'as found': still, 'as repaired': repaired! }, true))
      expect(each.ratio).toBeUndefined();
  });
});
