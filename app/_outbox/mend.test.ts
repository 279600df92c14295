import { mendables, mended } from './mend';
import type { Parcel } from './parcel';

const parcel: Parcel = {
  version: 2,
  kind: 'evidence',
  id: 'e',
  jobId: 'j',
  number: 1,
  body: {
    evidence: [
      {
        kind: 'reading',
        id: 'e',
        memberId: 'rail-left',
        stationMm: 99_999,
        heightMm: 50.7,
        thicknessMm: 4.123,
        note: '',
      },
    ],
  },
};
const recordOf = (body: unknown) => (body as { evidence: Record<string, unknown>[] }).evidence[0]!;

test('lengths and remarks can be mended, by the names a refusal uses; what it is about cannot', () => {
  expect(mendables(parcel).map(({ path, label, kind }) => [path, label, kind])).toEqual([
    ['evidence.0.stationMm', 'from the member’s own end', 'length'],
    ['evidence.0.heightMm', 'height', 'length'],
    ['evidence.0.thicknessMm', 'thickness', 'thickness'],
    ['evidence.0.note', 'note', 'words'],
  ]);
});

test('what is typed is read in the reader’s unit; what is left alone keeps its full figure', () => {
  const draft = mended(
    parcel,
    { 'evidence.0.stationMm': '39', 'evidence.0.note': 'was 399' },
    { system: 'in' },
  );
  if (!draft.ok) throw new Error(draft.reason);
  expect(recordOf(draft.value.body)).toEqual({
    ...recordOf(parcel.body),
    stationMm: expect.closeTo(990.6, 9),
    note: 'was 399',
  });
  expect(draft.value.id).toBe('e');
  expect(recordOf(parcel.body).stationMm).toBe(99_999);
});

test('a field that is no length is named', () => {
  expect(mended(parcel, { 'evidence.0.heightMm': 'high' }, { system: 'mm' })).toMatchObject({
    ok: false,
    at: 'evidence.0.heightMm',
    reason: expect.stringContaining('height'),
  });
});

test('under a new id where the old one is taken', () => {
  const draft = mended(parcel, {}, { system: 'mm', newId: 'n' });
  if (!draft.ok) throw new Error(draft.reason);
  expect([draft.value.id, recordOf(draft.value.body).id]).toEqual(['n', 'n']);
});
