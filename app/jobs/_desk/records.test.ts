import { demoBundles } from '@/demo';
import { packEvidence, type Evidence, type JobFile } from '@/core/job';
import type { Repair } from '@/core/shape';
import { asOwn } from './as-own';
import { readdressed } from './held-before';
import { asChanges, recordsReducer, withWrites } from './records';

const { job, unit, notices, frame, practice, evidence, strikes, repairs } = demoBundles()[0]!;
const file: JobFile = {
  unit,
  job,
  notices,
  frame,
  practice,
  evidence,
  strikes,
  repairs,
  frameRevision: 1,
  practiceRevision: 1,
  closed: false,
};
const reading: Evidence = { ...evidence.find((record) => record.kind === 'reading')!, id: 'new' };
const repair: Repair = {
  id: 'r',
  memberId: 'rail-right',
  cutOut: false,
  pieces: [
    {
      id: 'p',
      kind: 'bottom L',
      startMm: 100,
      endMm: 900,
      thicknessMm: 5,
      lowerEdgeMm: 0,
      upperEdgeMm: 80,
      taperMm: 100,
    },
  ],
  weldStyle: 'continuous',
  plugs: false,
  onBench: false,
  by: 'RK',
  at: '2026-01-01T00:00:00Z',
};

test('what is recorded shows at once, at the end, and once only', () => {
  const once = recordsReducer(file, { kind: 'evidence', record: reading });
  const after = recordsReducer(once, { kind: 'evidence', record: reading });
  expect(after.evidence).toEqual([...file.evidence, reading]);
  const strike = { id: 's', evidenceId: 'new', why: 'slip', by: 'RK', at: '2026-01-01T00:00:00Z' };
  expect(recordsReducer(after, { kind: 'strike', strike }).strikes).toEqual([...file.strikes, strike]);
});

test('a repair changed is the same repair; withdrawn it is gone; evidence is untouched', () => {
  const kept = recordsReducer(file, { kind: 'repair', repair });
  const changed = recordsReducer(kept, { kind: 'repair', repair: { ...repair, plugs: true } });
  expect(changed.repairs.filter((each) => each.id === 'r')).toEqual([{ ...repair, plugs: true }]);
  const gone = recordsReducer(changed, { kind: 'withdrawal', id: 'r' });
  expect(gone.repairs).toEqual(file.repairs);
  expect(gone.evidence).toBe(file.evidence);
});

test('the server’s word replaces what the page had', () => {
  const server = { ...file, frameRevision: 2, evidence: [reading] };
  const lost = recordsReducer(file, { kind: 'evidence', record: { ...reading, id: 'lost' } });
  expect(recordsReducer(lost, { kind: 'file', file: server })).toEqual(server);
});

test('a server that answers with what it had before hides nothing that reached it meanwhile or is held here', () => {
  const parcel = (path: string, body: unknown) => ({ id: path, url: `/api/jobs/${job.id}/${path}`, body });
  const late = { ...reading, id: '00000000-0000-4000-8000-0000000000aa' };
  const strike = { id: 's', evidenceId: late.id, why: 'slip', by: 'RK', at: '2026-01-01T00:00:00Z' };
  const writes = [parcel('evidence', { evidence: [packEvidence(late)] }), parcel('strikes', strike)];
  const seen = withWrites(file, writes);
  expect(seen.evidence.at(-1)).toEqual(late);
  expect(seen.strikes.at(-1)).toEqual(strike);
  expect(withWrites(seen, writes)).toEqual(seen);
  expect(withWrites(file, [])).toBe(file);
});

test('a server that says nothing new leaves the file itself as it is: nothing is drawn or worked out again', () => {
  const same = JSON.parse(JSON.stringify(file)) as JobFile;
  expect(recordsReducer(file, { kind: 'file', file: same })).toBe(file);
  for (const changed of [
    { ...same, practiceRevision: 2 },
    { ...same, evidence: [...same.evidence, reading] },
    { ...same, strikes: [] },
    { ...same, closed: true },
    { ...same, spotRules: [] },
    { ...same, unit: { ...same.unit, tag: 'OTHER' } },
  ])
    expect(recordsReducer(file, { kind: 'file', file: changed })).toBe(changed);
});

test.each([
  ['readings', { readings: [{ ...reading, kind: undefined, id: crypto.randomUUID() }] }, 'reading'],
  ['cracks', { ...evidence.find((record) => record.kind === 'crack')!, kind: undefined }, 'crack'],
  ['walk', evidence.find((record) => record.kind === 'look')!, 'look'],
])('a parcel an earlier program held for /%s is today’s evidence', (door, body, kind) => {
  const parcel = readdressed({ id: 'p', url: `/api/jobs/j/${door}`, body: JSON.parse(JSON.stringify(body)) });
  expect(parcel.url).toBe('/api/jobs/j/evidence');
  expect(asChanges(parcel)).toMatchObject([{ kind: 'evidence', record: { kind } }]);
});

test('other parcels keep their address', () => {
  for (const door of ['evidence', 'strikes', 'photos', 'repairs', 'repairs/r/withdrawal']) {
    const parcel = { id: 'p', url: `/api/jobs/j/${door}`, body: {} };
    expect(readdressed(parcel)).toBe(parcel);
  }
});

test('a proposal taken over gets ids and a name of its own; one’s own repair keeps its id', () => {
  const mine = asOwn(repair, true, ' TM ');
  expect(mine.id).not.toBe('r');
  expect(mine.by).toBe('TM');
  expect(mine.pieces[0]!.id).not.toBe('p');
  expect(asOwn(repair, true, 'TM').id).not.toBe(mine.id);
  expect(asOwn(mine, false, '')).toMatchObject({ id: mine.id, by: 'unnamed' });
});
