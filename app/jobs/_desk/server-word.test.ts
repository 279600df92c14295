import { demoBundle } from '@/demo';
import type { Evidence, JobFile } from '@/core/job';
import type { Answer } from '../../_client';
import { evidenceParcel } from '../../_outbox/drafts';
import type { Parcel } from '../../_outbox/parcel';
import { serverWord } from './server-word';

const { evidence, ...rest } = demoBundle('GR-7');
const first = evidence.find((record) => record.kind === 'reading')!;
const fileOf = (...records: readonly Evidence[]): JobFile => ({
  ...rest,
  evidence: records,
  repairChanges: {},
  frameRevision: 1,
  practiceRevision: 1,
  closed: false,
});
const reading = (k: number): Evidence => ({ ...first, id: `00000000-0000-4000-8000-00000000000${k}` });
const parcel = (record: Evidence): Parcel =>
  ({ ...evidenceParcel(rest.job.id, record), version: 2, number: 1 }) as Parcel;
const [a, b, c] = [1, 2, 3].map(reading) as [Evidence, Evidence, Evidence];

const MADE = '2026-03-01T08:00:00.000Z';
const fresh = (file: JobFile, saidAt = '2026-03-01T09:00:00.000Z'): Answer<JobFile> => ({
  ok: true,
  value: file,
  saidAt,
});
const stale = (file: JobFile, saidAt: string): Answer<JobFile> => ({
  ok: true,
  value: file,
  saidAt,
  stale: true,
});
const NONE: Answer<JobFile> = { ok: false, problem: { code: 'unreadable', message: 'away', kept: 'all' } };

/** A page that shows `shown`, with an outbox whose parcels arrive by hand, before a server that answers when told. */
function page(shown: JobFile) {
  const state = { arrived: [] as Parcel[], waiting: [] as Parcel[], shown };
  const answers: ((answer: Answer<JobFile>) => void)[] = [];
  const ask = serverWord({
    ask: () => new Promise((answer) => answers.push(answer)),
    outbox: () => ({
      arrivedFor: () => [...state.arrived],
      waitingFor: () => state.waiting,
      seen: (parcels) => (state.arrived = state.arrived.filter((each) => !parcels.includes(each))),
    }),
    madeAt: MADE,
  });
  const said = async (asking: ReturnType<typeof ask>, k: number, answer: Answer<JobFile>) => {
    answers[k]!(answer);
    return gist(await asking);
  };
  return { state, ask: () => ask(() => state.shown), said };
}
const gist = (word: { file: JobFile; asOf?: string } | undefined) =>
  word && { ids: word.file.evidence.map(({ id }) => id), asOf: word.asOf };
const ids = (...records: readonly Evidence[]) => records.map(({ id }) => id);

test('a fresh answer stands, with what arrived after it was asked for and what still waits', async () => {
  const { state, ask, said } = page(fileOf());
  state.arrived = [parcel(a)];
  const asking = ask();
  state.arrived = [...state.arrived, parcel(b)];
  state.waiting = [parcel(c)];
  const word = await said(asking, 0, fresh(fileOf(a)));
  expect(word).toEqual({ ids: ids(a, b, c), asOf: undefined });
  // What the answer held is not asked about again; what came later is.
  expect(state.arrived.map(({ id }) => id)).toEqual([b.id]);
});

test('no answer: what arrived before anybody asked stays on the page, which says since when it stands', async () => {
  const { state, ask, said } = page(fileOf());
  state.arrived = [parcel(a)];
  expect(await said(ask(), 0, NONE)).toEqual({ ids: ids(a), asOf: MADE });
  expect(state.arrived).toHaveLength(1);
});

test('an answer this device kept is taken when it is as late as the page, and not when it is earlier', async () => {
  const { state, ask, said } = page(fileOf(b));
  state.arrived = [parcel(c)];
  expect(await said(ask(), 0, stale(fileOf(a), '2026-03-01T07:59:59.000Z'))).toEqual({
    ids: ids(b, c),
    asOf: MADE,
  });
  expect(await said(ask(), 1, stale(fileOf(a), MADE))).toEqual({ ids: ids(a, c), asOf: MADE });
  expect(state.arrived).toHaveLength(1);
});

test('what is recorded while the server is asked is not taken off by its silence', async () => {
  const { state, ask, said } = page(fileOf(a));
  const asking = ask();
  state.shown = fileOf(a, b);
  expect(await said(asking, 0, NONE)).toEqual({ ids: ids(a, b), asOf: MADE });
});

test('an answer overtaken by one asked for later says nothing', async () => {
  const { state, ask, said } = page(fileOf());
  const early = ask();
  state.arrived = [parcel(a)];
  const late = ask();
  expect(await said(late, 1, fresh(fileOf(a)))).toEqual({ ids: ids(a), asOf: undefined });
  expect(await said(early, 0, fresh(fileOf()))).toBeUndefined();
});

test('silence does not overtake: the earlier answer still stands', async () => {
  const { ask, said } = page(fileOf());
  const early = ask();
  expect(await said(ask(), 1, NONE)).toEqual({ ids: [], asOf: MADE });
  expect(await said(early, 0, fresh(fileOf(a)))).toEqual({ ids: ids(a), asOf: undefined });
});
