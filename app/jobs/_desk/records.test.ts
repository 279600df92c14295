import { demoBundle } from '@/demo';
import type { Evidence, JobFile } from '@/core/job';
import type { Repair } from '@/core/shape';
import { asOwn, changedRepair } from './as-own';
import { evidenceParcel, repairParcel, strikeParcel, withdrawalParcel } from '../../_outbox/drafts';
import type { Draft, Parcel } from '../../_outbox/parcel';
import { recordsReducer, withWrites } from './records';

const { job, unit, notices, frame, practice, evidence, strikes, repairs } = demoBundle('GR-7');
const file: JobFile = {
  unit,
  job,
  notices,
  frame,
  practice,
  evidence,
  strikes,
  repairs,
  repairChanges: {},
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
  const kept = recordsReducer(file, { kind: 'repair', repair, changeId: 'one' });
  const changed = recordsReducer(kept, {
    kind: 'repair',
    repair: { ...repair, plugs: true },
    changeId: 'two',
  });
  expect(changed.repairs.filter((each) => each.id === 'r')).toEqual([{ ...repair, plugs: true }]);
  const gone = recordsReducer(changed, { kind: 'withdrawal', id: 'r', changeId: 'three' });
  expect(gone.repairs).toEqual(file.repairs);
  expect(gone.evidence).toBe(file.evidence);
  expect([kept, changed, gone].map((each) => each.repairChanges.r)).toEqual(['one', 'two', 'three']);
});

test('the server’s word replaces what the page had', () => {
  const server = { ...file, frameRevision: 2, evidence: [reading] };
  const lost = recordsReducer(file, { kind: 'evidence', record: { ...reading, id: 'lost' } });
  expect(recordsReducer(lost, { kind: 'file', file: server })).toEqual(server);
});

test('a server that answers with what it had before hides nothing that reached it meanwhile or is held here', () => {
  const late = { ...reading, id: '00000000-0000-4000-8000-0000000000aa' };
  const strike = { id: 's', evidenceId: late.id, why: 'slip', by: 'RK', at: '2026-01-01T00:00:00Z' };
  const writes = [evidenceParcel(job.id, late), strikeParcel(job.id, strike)].map(
    (draft, k) => ({ ...draft, version: 2, number: k + 1 }) as Parcel,
  );
  for (const all of [
    { arrived: writes, waiting: [] },
    { arrived: [], waiting: writes },
    { arrived: writes.slice(0, 1), waiting: writes.slice(1) },
  ]) {
    const seen = withWrites(file, all);
    expect(seen.evidence.at(-1)).toEqual(late);
    expect(seen.strikes.at(-1)).toEqual(strike);
    expect(withWrites(seen, all)).toEqual(seen);
  }
  expect(withWrites(file, { arrived: [], waiting: [] })).toBe(file);
});

test('a write of a newer program changes nothing here, and keeps nothing else from showing', () => {
  const known = { ...reading, id: '00000000-0000-4000-8000-0000000000ab' };
  const newer = [
    { ...evidenceParcel(job.id, known), body: { evidence: [{ ...known, version: 999 }, known] } },
    {
      ...repairParcel(job.id, { changeId: 'one', repair }),
      body: { changeId: 'one', repair: { version: 999 } },
    },
  ].map((draft, k) => ({ ...draft, version: 2, number: k + 1 }) as unknown as Parcel);
  const seen = withWrites(file, { arrived: [], waiting: newer });
  expect(seen).toEqual({ ...file, evidence: [...file.evidence, known] });
});

describe('a change of a repair that reached the server', () => {
  const parcelOf = (draft: Draft) => ({ ...draft, version: 2, number: 1 }) as Parcel;
  const made = (changeId: string, to: Partial<Repair>, basedOn?: string) =>
    parcelOf(
      repairParcel(job.id, {
        changeId,
        ...(basedOn !== undefined && { basedOn }),
        repair: { ...repair, ...to },
      }),
    );
  const one = made('one', {});
  const two = made('two', { plugs: true }, 'one');
  const gone = parcelOf(withdrawalParcel(job.id, { changeId: 'gone', basedOn: 'two', repairId: repair.id }));
  const arrived = (over: JobFile, ...parcels: readonly Parcel[]) =>
    withWrites(over, { arrived: parcels, waiting: [] });
  const standing = (by: JobFile) => by.repairs.find(({ id }) => id === repair.id);

  test('goes on records that stand before it, one on the other', () => {
    expect(standing(arrived(file, one, two))).toEqual({ ...repair, plugs: true });
    expect(arrived(file, one, two, gone)).toMatchObject({
      repairs: file.repairs,
      repairChanges: { r: 'gone' },
    });
  });
  test('does not take back what was made of it since, here or elsewhere', () => {
    const later = recordsReducer(arrived(file, one, two), {
      kind: 'repair',
      repair: { ...repair, onBench: true },
      changeId: 'elsewhere',
    });
    expect(arrived(later, one, two, gone)).toBe(later);
    const withdrawn = arrived(file, one, two, gone);
    expect(arrived(withdrawn, one, two)).toBe(withdrawn);
  });
  test('one that still waits goes on top, whatever stands: the server says what becomes of it', () => {
    const later = recordsReducer(file, { kind: 'repair', repair, changeId: 'elsewhere' });
    expect(standing(withWrites(later, { arrived: [], waiting: [two] }))).toMatchObject({ plugs: true });
  });
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

test('a proposal taken over gets ids and a name of its own; one’s own repair keeps its id', () => {
  const mine = asOwn(repair, true, ' TM ');
  expect(mine.id).not.toBe('r');
  expect(mine.by).toBe('TM');
  expect(mine.pieces[0]!.id).not.toBe('p');
  expect(asOwn(repair, true, 'TM').id).not.toBe(mine.id);
  expect(asOwn(mine, false, '')).toMatchObject({ id: mine.id, by: 'unnamed' });
});

test('two changes in one breath are both kept, though the second was made on what was drawn before the first', () => {
  const taken = new Map<string, string>();
  const drawn = { repair, isProposal: true };
  const first = changedRepair(drawn, () => ({ plugs: true }), 'TM', { standing: [], taken });
  const second = changedRepair(drawn, () => ({ cutOut: true }), 'TM', { standing: [first], taken });
  expect(second).toMatchObject({ id: first.id, plugs: true, cutOut: true });
  expect(second.pieces).toEqual(first.pieces);
  const third = changedRepair(
    { repair: first, isProposal: false },
    ({ pieces }) => ({ pieces: pieces.map((piece) => ({ ...piece, endMm: piece.endMm + 5 })) }),
    'RK',
    { standing: [second], taken },
  );
  expect(third).toMatchObject({ id: first.id, plugs: true, cutOut: true, by: 'RK' });
  expect(third.pieces[0]!.endMm).toBe(first.pieces[0]!.endMm + 5);
});

test('a proposal taken over, given back and taken over again is a new repair; another proposal never touches the first', () => {
  const taken = new Map<string, string>();
  const drawn = { repair, isProposal: true };
  const first = changedRepair(drawn, () => ({}), 'TM', { standing: [], taken });
  expect(changedRepair(drawn, () => ({}), 'TM', { standing: [], taken }).id).not.toBe(first.id);
  const beside = {
    ...repair,
    pieces: repair.pieces.map((piece) => ({
      ...piece,
      startMm: piece.startMm + 900,
      endMm: piece.endMm + 900,
    })),
  };
  const own = changedRepair({ repair: beside, isProposal: true }, () => ({}), 'TM', {
    standing: [first],
    taken,
  });
  expect(own.id).not.toBe(first.id);
});
