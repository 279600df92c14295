import { createHash } from 'node:crypto';
import {
  parseBundle,
  parsePassportCode,
  printPassportCode,
  recordText,
  type JobBundle,
} from '@/core/exchange';
import { memberOf } from '@/core/frame';
import { brokenRules, jobDebris, jobProof, judgedJob, stands } from '@/core/job';
import { coatOf } from '@/core/prove';
import { closedBundles, demoBundle } from '.';
import { fileOf } from './order';

const UP_TO = '2026-11-28T12:00:00Z';
const sum = (bundle: JobBundle, upTo = UP_TO) =>
  createHash('sha256').update(recordText(bundle, upTo)).digest('hex');
const gritter = demoBundle('GR-7');

/** Every leaf of a value by its path, with a value beside its own. */
function leaves(value: unknown, path: readonly (string | number)[] = []): (readonly (string | number)[])[] {
  if (value === null || typeof value !== 'object') return [path];
  return Object.entries(value).flatMap(([key, each]) =>
    leaves(each, [...path, Array.isArray(value) ? Number(key) : key]),
  );
}
const changedAt = (bundle: JobBundle, path: readonly (string | number)[]): JobBundle => {
  const copy = structuredClone(bundle);
  let at = copy as unknown as Record<string | number, unknown>;
  for (const key of path.slice(0, -1)) at = at[key] as Record<string | number, unknown>;
  const key = path.at(-1)!;
  const was = at[key];
  if (typeof was === 'number') at[key] = was + 0.25;
  else if (typeof was === 'boolean') at[key] = !was;
  else at[key] = `${String(was)}x`;
  return copy;
};

test('the same record has the same sum, whoever put it together; a bundle carries it over', () => {
  expect(sum(gritter)).toBe(sum(structuredClone(gritter)));
  const back = parseBundle(recordText(gritter, UP_TO));
  expect(back.ok && sum(back.value)).toBe(sum(gritter));
});

test('a passport altered in any field is another: every leaf of one of each kind, and of the frame', () => {
  // One record of each kind stands for the others of it; each leaf of the rest is changed.
  const kinds = new Set<string>();
  const small: JobBundle = {
    ...gritter,
    evidence: gritter.evidence.filter(({ kind }) => !kinds.has(kind) && kinds.add(kind)),
  };
  const own = sum(small);
  const all = leaves(small);
  expect(all.length).toBeGreaterThan(500);
  const unseen = all.filter((path) => {
    try {
      return sum(changedAt(small, path)) === own;
    } catch {
      // What no longer fits its schema is caught before any sum.
      return false;
    }
  });
  // An instant that moves past the passport takes its record out; one that stays before it is another text: both are other sums.
  expect(unseen.map((path) => path.join('.'))).toEqual([]);
});

test('what is recorded after it is no part of it; what is put in before it, is', () => {
  const [reading] = stands(gritter, 'reading');
  const with_ = (at: string): JobBundle => ({
    ...gritter,
    evidence: [...gritter.evidence, { ...reading!, id: '00000000-0000-4000-8000-0000000000aa', at }],
  });
  expect(sum(with_('2026-11-28T12:00:01Z'))).toBe(sum(gritter));
  expect(sum(with_('2026-11-28T12:00:00Z'))).not.toBe(sum(gritter));
  const passport = {
    kind: 'passport' as const,
    id: '00000000-0000-4000-8000-0000000000ab',
    by: 'RK',
    at: UP_TO,
    note: '',
  };
  expect(sum({ ...gritter, evidence: [...gritter.evidence, { ...passport, sha256: 'a'.repeat(64) }] })).toBe(
    sum(gritter),
  );
});

test('its code is read back, and nothing else is taken for one', () => {
  const code = { jobId: gritter.job.id, upTo: UP_TO, sha256: sum(gritter) };
  expect(parsePassportCode(` ${printPassportCode(code)}\n`)).toEqual(code);
  for (const wrong of [
    '',
    'hello',
    printPassportCode({ ...code, sha256: 'a'.repeat(63) }),
    `${printPassportCode(code)} x`,
  ])
    expect(parsePassportCode(wrong)).toBeUndefined();
  expect(parsePassportCode(printPassportCode({ ...code, upTo: 'tomorrow' }))).toBeUndefined();
});

test('the van’s older job was closed with what was tried, a look booked, and what its owner left', () => {
  const [before] = closedBundles();
  expect(stands(before!.bundle, 'left undone')).toHaveLength(4);
  expect(stands(before!.bundle, 'look booked')[0]!.on).toBe('2025-10-01');
  expect(stands(before!.bundle, 'proof').every(({ held }) => held)).toBe(true);
  const file = fileOf(before!.bundle);
  const works = new Map(judgedJob(file).works.map((work) => [work.picture.member.id, work]));
  const proved = (of: typeof file) => jobProof(of, works, Date.parse('2024-10-11T16:00:00Z'), '2024-10-11');
  expect(proved(file)).toMatchObject({ isSignedOff: true, signOff: { by: 'RK', second: 'TM' } });
  // Without the owner’s word on one of them it would not stand.
  const [, ...others] = stands(file, 'left undone');
  const isOther = ({ kind, id }: (typeof file.evidence)[number]) =>
    kind !== 'left undone' || others.some((each) => each.id === id);
  expect(proved({ ...file, evidence: file.evidence.filter(isOther) }).isSignedOff).toBe(false);
  const [visit] = stands(file, 'preserved');
  const sill = memberOf(file.frame, visit!.memberId)!;
  expect(coatOf(sill, visit!.coat).isShort).toBe(false);
  expect(jobDebris(file)).toMatchObject([{ memberId: 'sill-left', visits: [{ kg: 1.9 }] }]);
});

test('the sister’s rails were measured before they were capped and after: nothing moved, and the deck gives less', () => {
  const [, capped] = closedBundles();
  const file = fileOf(capped!.bundle);
  const works = new Map(judgedJob(file).works.map((work) => [work.picture.member.id, work]));
  // The shop's own pattern breaks no rule where it was made, on either rail.
  for (const { repairs } of works.values())
    for (const worked of repairs) if (!worked.isProposal) expect(brokenRules(worked)).toEqual([]);
  const proofOf = (of: typeof file, from: typeof works) =>
    jobProof(of, from, Date.parse('2024-05-27T15:00:00Z'), '2024-05-27');
  const unread = ({ items }: ReturnType<typeof proofOf>) =>
    items.filter(({ item }) => item.code === 'landing not read').length;
  const { changes, pairs, read, items } = proofOf(file, works);
  expect(read.map(({ before, unread: faces }) => [before.count > 100, faces])).toEqual([
    [true, []],
    [true, []],
  ]);
  expect(items.map(({ item }) => item.code)).not.toContain('landing not read');
  // Had nobody read it, both caps would be on metal that nobody knows.
  const told = { ...file, evidence: file.evidence.filter(({ kind }) => kind !== 'reading') };
  const felt = new Map(judgedJob(told).works.map((work) => [work.picture.member.id, work]));
  expect(unread(proofOf(told, felt))).toBe(2);
  // Laid over the rust instead of in its place, it is closed in there: two names answer for that.
  const over = { ...file, repairs: file.repairs.map((each) => ({ ...each, cutOut: false })) };
  const overWorks = new Map(judgedJob(over).works.map((work) => [work.picture.member.id, work]));
  const closedIn = ({ items: all }: ReturnType<typeof proofOf>) =>
    all
      .filter(({ item }) => item.code === 'closed in')
      .map(({ item: { may, parts } }) => [may, parts!.length]);
  expect(closedIn(proofOf(over, overWorks))).toEqual([['two names', 1]]);
  expect(closedIn(proofOf(file, works))).toEqual([]);
  // Read only after the plates were on, it may be the plates that were read.
  const late = {
    ...file,
    evidence: file.evidence.map((each) =>
      each.kind === 'reading' ? { ...each, at: '2024-05-26T08:00:00Z' } : each,
    ),
  };
  expect(proofOf(late, works).read.every(({ isReadLate }) => isReadLate)).toBe(true);
  expect(read.some(({ isReadLate }) => isReadLate)).toBe(false);
  expect(unread(proofOf(late, works))).toBe(2);
  expect(new Set(changes.map(({ key }) => key)).size).toBe(7);
  expect(changes.filter(({ says }) => says !== 'as it was')).toEqual([]);
  expect(pairs).toMatchObject([{ says: 'gives less' }]);
});
