import fc from 'fast-check';
import { defaultFrame, facesOf, type Member } from '../frame';
import {
  brokenRules,
  inputsOf,
  sortedRecords,
  weighMember,
  workJob,
  workMember,
  type Evidence,
  type JobRecords,
  type MemberWork,
} from '.';
import type { Reading } from '../probe';
import { DEFAULT_PRACTICE, type Practice, type SteelId } from '../reference';
import { severity } from '../weigh';

const LENGTH = 4000;
const frameOf = (kind: 'channel' | 'box', steel: SteelId = 'a36') =>
  defaultFrame({
    family: kind === 'channel' ? 'open-channel ladder' : 'boxed ladder',
    steel,
    lengthMm: LENGTH,
    widthMm: 860,
    datum: 'hole',
    railShape:
      kind === 'channel'
        ? { kind, depthMm: 200, flangeMm: 70, thicknessMm: 6 }
        : { kind, depthMm: 150, widthMm: 75, thicknessMm: 5 },
  });

/** A survey in columns: the lowest part of the sides and the bottom keep only a share of the wall between two stations. */
function surveyed(
  kind: 'channel' | 'box',
  rust: { fromMm: number; toMm: number; upToMm: number; left: number },
  more: Partial<JobRecords> & { stepMm?: number; memberId?: string; steel?: SteelId } = {},
): JobRecords {
  const frame = frameOf(kind, more.steel);
  const member = frame.members.find((each) => each.id === (more.memberId ?? 'rail-left'))!;
  const readings: Reading[] = [];
  const stepMm = more.stepMm ?? 150;
  for (let stationMm = 0; stationMm <= member.lengthMm; stationMm += stepMm) {
    for (const face of facesOf(member.shape))
      for (let k = 0; k < 5; k++) {
        const heightMm = (face.widthMm * (k + 0.5)) / 5;
        const isLow = face.id === 'bottom' || (face.upright && heightMm < rust.upToMm);
        const isRusty = isLow && stationMm >= rust.fromMm && stationMm <= rust.toMm;
        readings.push({
          kind: 'reading',
          id: `${readings.length}`,
          memberId: member.id,
          stationMm,
          face: face.id,
          heightMm,
          thicknessMm: member.shape.thicknessMm * (isRusty ? rust.left : 0.99),
          method: 'ultrasonic',
          by: 'RK',
          at: '2026-01-01T00:00:00Z',
          note: '',
        });
      }
  }
  return {
    frame,
    practice: DEFAULT_PRACTICE,
    evidence: readings,
    strikes: [],
    repairs: [],
    grossMassKg: 8000,
    ...more,
  };
}

const rust = { fromMm: 1600, toMm: 2300, upToMm: 60, left: 0.3 };
const workOn = (records: JobRecords, member: Member): MemberWork =>
  workMember(inputsOf(sortedRecords(records), member));
const weighed = (records: JobRecords, member: Member) =>
  weighMember(inputsOf(sortedRecords(records), member));
const left = (records: JobRecords): MemberWork => workOn(records, records.frame.members[0]!);

/** Every number anywhere in a result. */
function numbersIn(value: unknown, path = ''): [string, number][] {
  if (typeof value === 'number') return [[path, value]];
  if (ArrayBuffer.isView(value))
    return [...(value as Float64Array)].map((each, k) => [`${path}[${k}]`, each]);
  if (value && typeof value === 'object')
    return Object.entries(value).flatMap(([key, each]) => numbersIn(each, `${path}.${key}`));
  return [];
}

describe.each(['channel', 'box'] as const)('a rusted %s rail, first reading to last weld', (kind) => {
  const work = left(surveyed(kind, rust));

  test('is mended: one zone, one proposal over it, nothing broken, and built strength comes back', () => {
    expect(work.verdict.verdict).toBe('Mend');
    expect(work.picture.zones).toHaveLength(1);
    expect(work.repairs).toHaveLength(1);
    const [repair] = work.repairs;
    expect(repair!.findings.filter((finding) => finding.weight === 'broken')).toEqual([]);
    expect(repair!.joinFindings.filter((finding) => finding.weight === 'broken')).toEqual([]);
    for (const piece of repair!.repair.pieces)
      expect([piece.startMm < 1600 - 150, piece.endMm > 2300 + 150]).toEqual([true, true]);
    for (const section of repair!.restored)
      expect(Math.min(section.kept.modulusTop!.value, section.kept.modulusBottom!.value)).toBeGreaterThan(
        0.98,
      );
  });

  test('every weld of it can take what is asked of it', () => {
    for (const end of work.repairs[0]!.joined.ends) expect(end.capacityN).toBeGreaterThanOrEqual(end.forceN);
    for (const line of work.repairs[0]!.joined.lines)
      expect(line.legMm).toBeGreaterThanOrEqual(line.minimumLegMm - 1e-9);
  });

  test('no figure is NaN', () => {
    expect(numbersIn(work).filter(([, value]) => Number.isNaN(value))).toEqual([]);
  });

  test('mirrored onto the other rail it is the same work', () => {
    const right = surveyed(kind, rust, { memberId: 'rail-right' });
    const twin = workOn(
      right,
      right.frame.members.find((member) => member.id === 'rail-right')!,
    );
    // What hangs on the two sides differs: steering gear and the like.
    const ofMetal = (of: typeof work) =>
      of.verdict.findings.filter(({ code }) => code !== 'critical-zone' && code !== 'carries');
    expect(ofMetal(twin).map(({ code, value }) => [code, value])).toEqual(
      ofMetal(work).map(({ code, value }) => [code, value]),
    );
    expect(twin.repairs.map(({ patterns }) => patterns.map(({ outline }) => outline))).toEqual(
      work.repairs.map(({ patterns }) => patterns.map(({ outline }) => outline)),
    );
  });
});

test('less metal never makes a milder verdict, and more is never kept of it', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('channel' as const, 'box' as const),
      fc.double({ min: 0.05, max: 0.95, noNaN: true }),
      fc.double({ min: 0.3, max: 0.95, noNaN: true }),
      fc.integer({ min: 30, max: 120 }),
      (kind, share, factor, upToMm) => {
        const milder = weighed(
          surveyed(kind, { ...rust, upToMm, left: share }, { stepMm: 300 }),
          frameOf(kind).members[0]!,
        );
        const worse = weighed(
          surveyed(kind, { ...rust, upToMm, left: share * factor }, { stepMm: 300 }),
          frameOf(kind).members[0]!,
        );
        expect(severity(worse.verdict.verdict)).toBeGreaterThanOrEqual(severity(milder.verdict.verdict));
        // Beside a steep edge kriging overshoots a little.
        worse.picture.sections.forEach((section, k) =>
          expect(section.kept.area!.value).toBeLessThanOrEqual(
            milder.picture.sections[k]!.kept.area!.value + 0.01,
          ),
        );
      },
    ),
    { seed: 11, numRuns: 12 },
  );
});

test('moving the whole survey along the rail moves verdict and plates along with it', () => {
  const here = left(surveyed('channel', { ...rust, fromMm: 1200, toMm: 1800 }));
  const there = left(surveyed('channel', { ...rust, fromMm: 1800, toMm: 2400 }));
  expect(there.verdict.verdict).toBe(here.verdict.verdict);
  expect(there.picture.zones[0]!.fromMm - here.picture.zones[0]!.fromMm).toBeCloseTo(600, -2);
});

describe('what is not proposed', () => {
  test('a plate on steel that may not be welded, and one on a sound rail', () => {
    expect(left(surveyed('channel', rust, { steel: 'unknown' })).repairs).toEqual([]);
    expect(
      left(surveyed('channel', rust, { steel: 'unknown' })).verdict.findings.map((finding) => finding.code),
    ).toContain('steel-unknown');
    expect(left(surveyed('channel', { ...rust, left: 0.99 })).repairs).toEqual([]);
  });

  test('a plate where a saved repair lies already', () => {
    const records = surveyed('channel', rust);
    const proposal = left(records).repairs[0]!.repair;
    const saved = { ...proposal, id: 'mine', by: 'TM' };
    const again = left({ ...records, repairs: [saved] });
    expect(again.repairs.map(({ repair, isProposal }) => [repair.id, isProposal])).toEqual([['mine', false]]);
  });

  test('anything for a member without readings', () => {
    const records = surveyed('channel', rust);
    for (const work of workJob(records).slice(1)) {
      expect(work.verdict.verdict).toBe('Can’t say');
      expect(work.repairs).toEqual([]);
      expect(work.picture.map).toBeUndefined();
    }
  });
});

test('the school decides where an edge may land, not how much metal there is', () => {
  const under = (school: Practice['school']) =>
    left(surveyed('channel', { ...rust, upToMm: 170 }, { practice: { ...DEFAULT_PRACTICE, school } }));
  const [band, inch] = [under('half-inch band'), under('one inch left')];
  const kept = (work: MemberWork) =>
    work.verdict.findings.find((finding) => finding.code === 'modulus-kept')!.value;
  expect(kept(band)).toBe(kept(inch));
  const margin = (work: MemberWork) =>
    work.verdict.findings.find(
      (finding) => finding.code === 'margin-short' || finding.code === 'margin-enough',
    )!;
  expect(margin(band).value).toBe(margin(inch).value);
  expect([margin(band).limit, margin(inch).limit]).toEqual([12.7, 25.4]);
});

test('a struck reading is as if it had not been taken', () => {
  const records = surveyed('channel', rust);
  const slip: Evidence = { ...(records.evidence[0] as Reading), id: 'slip', thicknessMm: 0.1 };
  const strike = { id: 's', evidenceId: 'slip', why: 'slip', by: 'RK', at: '2026-01-02T00:00:00Z' };
  const struck = left({ ...records, evidence: [...records.evidence, slip], strikes: [strike] });
  expect(struck.verdict).toEqual(left(records).verdict);
  expect(left({ ...records, evidence: [...records.evidence, slip] }).picture.map!.thicknessMm).not.toEqual(
    struck.picture.map!.thicknessMm,
  );
});

test('a crack beyond the rust gets its own plate; one beside it is taken under the same', () => {
  const crack = (stationMm: number): Evidence => ({
    kind: 'crack',
    id: 'c',
    memberId: 'rail-left',
    path: [
      { stationMm, face: 'web' as const, heightMm: 60 },
      { stationMm: stationMm + 20, face: 'web' as const, heightMm: 110 },
    ],
    startFound: true,
    finishFound: true,
    seenBy: 'dye penetrant' as const,
    by: 'RK',
    at: '2026-01-01T00:00:00Z',
    note: '',
  });
  const withCrack = (stationMm: number): JobRecords => {
    const records = surveyed('channel', rust);
    return { ...records, evidence: [...records.evidence, crack(stationMm)] };
  };
  expect(left(withCrack(3400)).repairs).toHaveLength(2);
  expect(left(withCrack(2400)).repairs).toHaveLength(1);
  expect(left(withCrack(2400)).repairs[0]!.findings.map((finding) => finding.code)).toContain(
    'crack-beneath',
  );
});

const plain = (member: Member) => member.role;
test('the default frame is two rails and what joins them', () => {
  const roles = frameOf('channel').members.map(plain);
  expect(roles.filter((role) => role === 'rail')).toHaveLength(2);
  expect(roles.filter((role) => role === 'crossmember').length).toBeGreaterThanOrEqual(3);
});

describe('a proposal that would leave it no better', () => {
  /** Plates on the shelf that are too light to bring the strength back. */
  const practice = { ...DEFAULT_PRACTICE, stockThicknessesMm: [0.8] };
  const gone = surveyed('box', rust, { practice });

  test('is not offered: what was tried stands with what speaks against it', () => {
    const work = left(gone);
    expect(work.repairs).toEqual([]);
    expect(work.notOffered).toHaveLength(1);
    expect(work.notOffered[0]!.against.map(({ code }) => code)).toContain('strength-not-restored');
    expect(work.states.some((state) => state.id === 'as repaired')).toBe(false);
  });

  test('one that breaks nothing is', () => {
    const work = left(surveyed('box', rust));
    expect(work.notOffered).toEqual([]);
    expect(work.repairs.map(({ isProposal }) => isProposal)).toEqual([true]);
    expect(brokenRules(work.repairs[0]!)).toEqual([]);
  });

  test('one’s own repair stays, however many rules it breaks, and says how many', () => {
    const [tried] = left(gone).notOffered;
    const own = { ...tried!.repair, id: '00000000-0000-4000-8000-000000000001', by: 'RK' };
    const work = left({ ...gone, repairs: [own] });
    expect(work.repairs.map(({ repair }) => repair.id)).toEqual([own.id]);
    expect(brokenRules(work.repairs[0]!).length).toBeGreaterThan(0);
    expect(work.notOffered).toEqual([]);
  });
});

test('two kept repairs over one another break a rule on both; one taken out of the plan, the other keeps none of it', () => {
  const records = surveyed('channel', rust);
  const member = records.frame.members.find(({ id }) => id === 'rail-left')!;
  const [proposed] = workOn(records, member).repairs;
  const kept = (id: string) => ({ ...proposed!.repair, id, by: 'TM', at: '2026-01-02T00:00:00Z' });
  const overlaid = (...ids: string[]) =>
    workOn({ ...records, repairs: ids.map(kept) }, member).repairs.map(
      (worked) => brokenRules(worked).filter(({ code }) => code === 'plates-overlaid').length,
    );
  expect(overlaid('one', 'two')).toEqual([1, 1]);
  expect(overlaid('one')).toEqual([0]);
});
