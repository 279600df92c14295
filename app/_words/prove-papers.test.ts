import { jobProof, slicesOf, workJob, type Evidence, type JobFile, type RepairSlices } from '@/core/job';
import { demoBundle } from '@/demo';
import type { PaperBlock } from '@/ui/print/paper';
import { closingPaper, MOST_PAIRS, worthRows } from './prove-papers';

const trailer = demoBundle('BM-2');
const file: JobFile = {
  ...trailer,
  closed: false,
  frameRevision: 1,
  practiceRevision: 1,
  repairChanges: {},
};
const works = workJob(file);
const proposed = works.flatMap(({ repairs }) => repairs)[0]!;
const kept: JobFile = {
  ...file,
  repairs: [{ ...proposed.repair, id: 'kept', by: 'TM', at: '2026-11-25T08:00:00Z' }],
};
const proofOf = (of: JobFile) =>
  jobProof(
    of,
    new Map(workJob(of).map((work) => [work.picture.member.id, work])),
    Date.parse('2026-11-28T20:00:00Z'),
    '2026-11-28',
  );
const known = proofOf(kept);

const id = (n: number) => `00000000-0000-4000-8000-4${String(n).padStart(11, '0')}`;
const photo = (n: number, more: object = {}): Evidence => ({
  kind: 'photo',
  id: id(n),
  by: 'TM',
  at: `2026-11-25T10:00:${String(n % 60).padStart(2, '0')}Z`,
  note: '',
  memberId: 'rail-left',
  stationMm: 3000,
  caption: `picture ${n}`,
  moment: 'before',
  picture: { hash: String(n).padStart(64, '0'), widthPx: 10, heightPx: 10 },
  ...more,
});
const pair = (n: number): Evidence[] => [
  photo(2 * n),
  photo(2 * n + 1, { moment: 'after', pairOf: id(2 * n) }),
];
const blocks = (
  evidence: readonly Evidence[],
  strikes: JobFile['strikes'] = [],
  slices: readonly RepairSlices[] = [],
) =>
  closingPaper({ ...kept, evidence: [...kept.evidence, ...evidence], strikes }, known, 'in', {
    pictureOf: ({ id: of }) => (of === id(3) ? undefined : Buffer.from(of)),
    advice: null,
    slices,
  }).blocks;
const pairsIn = (all: readonly PaperBlock[]) =>
  all.flatMap((block) => (block.is === 'pairs' ? block.pairs : []));

describe('what the section is worth', () => {
  test('only what somebody kept is told: as found where least was left, as specified above it', () => {
    expect(known.worth).toHaveLength(1);
    expect(proofOf(file).worth).toEqual([]);
    const [{ before, after, stationMm }] = known.worth as [(typeof known.worth)[0]];
    expect(stationMm).toBeGreaterThan(proposed.target!.fromMm - 100);
    expect(stationMm).toBeLessThan(proposed.target!.toMm + 100);
    expect(before!.kept.modulusBottom!.value).toBeLessThan(0.8);
    expect(after!.kept.modulusBottom!.value).toBeGreaterThan(1);
    const [row] = worthRows(kept, known, 'in');
    expect(row![0]).toMatch(/^Left rail, \d+/);
    expect(row![1]).toMatch(/^\d+ % top, \d+ % bottom$/);
  });
  test('where nobody read the metal, neither what was there nor what it brings is told', () => {
    const unread = { ...kept, evidence: [] };
    const proof = proofOf(unread);
    expect(proof.worth).toHaveLength(1);
    const [row] = worthRows(unread, proof, 'mm');
    expect(row![1]).toBe('not read');
    expect(row![2]).toBe('not known: nobody read the metal under it');
  });
});

describe('sections before and after', () => {
  const slices = slicesOf(workJob(kept));
  const sections = (all: readonly PaperBlock[]) =>
    all.flatMap((block) => (block.is === 'sections' ? block.sections : []));
  test('a kept repair is drawn where least was left: rust thins the wall, what is specified has plates', () => {
    expect(slices).toHaveLength(1);
    const [drawn] = sections(blocks([], [], slices));
    expect(drawn!.words).toMatch(/^Left rail, /);
    expect(drawn!.before.plates).toEqual([]);
    expect(drawn!.after.plates.length).toBeGreaterThan(0);
    expect(
      sections(
        blocks(
          [],
          [],
          Array.from({ length: 13 }, () => slices[0]!),
        ),
      ),
    ).toHaveLength(12);
    expect(sections(blocks([]))).toEqual([]);
  });
  test('what is only proposed, and what nobody read, is not drawn', () => {
    expect(slicesOf(works)).toEqual([]);
    expect(slicesOf(workJob({ ...kept, evidence: [] }))).toEqual([]);
  });
});

describe('pictures before and after', () => {
  test('one that is not here is said, not left out; a struck one takes its pair along', () => {
    const [first] = pairsIn(blocks(pair(1)));
    expect(first!.before).toBeDefined();
    expect(first!.after).toBeUndefined();
    expect(first!.words).toContain('Left rail, 118 1/8 in: picture 3');
    const strike = { id: id(900), evidenceId: id(2), why: 'blurred', by: 'TM', at: '2026-11-26T08:00:00Z' };
    expect(pairsIn(blocks(pair(1), [strike]))).toEqual([]);
    expect(pairsIn(blocks([photo(5)]))).toEqual([]);
  });
  test('as many as an owner looks through are printed, the latest first, and how many are left is said', () => {
    const many = (count: number) => Array.from({ length: count }, (_, k) => pair(k + 2)).flat();
    const words = (count: number) =>
      blocks(many(count)).flatMap((block) => (block.is === 'lines' ? block.lines : []));
    expect(pairsIn(blocks(many(MOST_PAIRS)))).toHaveLength(MOST_PAIRS);
    expect(words(MOST_PAIRS).join(' ')).not.toContain('more pairs');
    expect(pairsIn(blocks(many(MOST_PAIRS + 3)))).toHaveLength(MOST_PAIRS);
    expect(words(MOST_PAIRS + 3)).toContain('3 more pairs are in the photo book of this job.');
  });
});
