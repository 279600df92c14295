import { readFileSync } from 'node:fs';
import { openEvidence } from '@/core/job';
import { readParcel } from './held-before';
import { addressOf } from './parcel';

/** As it was kept by an earlier program. */
const stored = (name: string): object =>
  JSON.parse(readFileSync(`core/job/stored/${name}.json`, 'utf8')) as object;
const first = (door: string, body: unknown, more: object = {}) =>
  readParcel({ id: 'p', url: `/api/jobs/j/${door}`, body: JSON.parse(JSON.stringify(body)), ...more }, 7);

test.each([
  ['readings', { readings: [{ ...stored('reading.1'), kind: undefined }] }, 'reading'],
  ['cracks', { ...stored('crack.1'), kind: undefined }, 'crack'],
  ['walk', stored('look.1'), 'look'],
  ['survey', stored('felt-edge.1'), 'felt edge'],
  ['evidence', { evidence: [stored('look.1')] }, 'look'],
])('what an earlier program held for /%s is today’s evidence', (door, body, kind) => {
  const parcel = first(door, body)!;
  expect(addressOf(parcel)).toBe('/api/jobs/j/evidence');
  expect(parcel).toMatchObject({ version: 2, id: 'p', jobId: 'j', number: 7, kind: 'evidence' });
  const [record] = parcel.kind === 'evidence' ? parcel.body.evidence : [];
  expect(openEvidence(record)).toMatchObject({ ok: true, value: { kind } });
});

test('strikes, photos, repairs and withdrawals keep what they say and where they go', () => {
  expect(first('strikes', { evidenceId: 'e' })).toMatchObject({ kind: 'strike', body: { evidenceId: 'e' } });
  expect(first('photos', { caption: 'x' }, { file: 'the picture' })).toMatchObject({
    kind: 'photo',
    file: 'the picture',
  });
  expect(first('repairs', { id: 'r' })).toMatchObject({
    kind: 'repair',
    body: { changeId: 'p', repair: { id: 'r' } },
  });
  const withdrawn = first('repairs/r/withdrawal', {})!;
  expect(withdrawn.body).toEqual({ changeId: 'p', repairId: 'r' });
  expect(addressOf(withdrawn)).toBe('/api/jobs/j/repairs/r/withdrawal');
});

test('today’s parcel is read as it is; a newer program’s, and what is none, are left alone', () => {
  const parcel = first('strikes', { evidenceId: 'e' })!;
  expect(readParcel(parcel, 9)).toBe(parcel);
  expect(readParcel({ ...parcel, version: 3 }, 9)).toBeUndefined();
  for (const raw of [
    undefined,
    null,
    'x',
    { id: 'p', url: '/elsewhere', body: {} },
    { id: 'p', url: '/api/jobs/j/x' },
  ])
    expect(readParcel(raw, 9)).toBeUndefined();
});
