import { defaultFrame, familyOf, hostsOf } from '../frame';
import { DEFAULT_PRACTICE } from '../reference';
import { repairSchema } from '../shape';
import { openCracks } from './cracks';
import { jobHosts, mayMove, toAlign, workJob, type Evidence, type JobRecords } from '.';

/** What was put right is heard wherever cracks are asked for; and it is undone when the weld that did it cracks. */
const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'hot-rolled-50',
  datum: 'hole',
});
const memberId = 'rail-left';
let last = 0;
const stamp = (day: number) => ({
  id: `00000000-0000-4000-8000-${String(++last).padStart(12, '0')}`,
  by: 'RK',
  at: `2026-11-${String(day).padStart(2, '0')}T08:00:00Z`,
  note: '',
});
/** Through the web and most of both flanges: what parts a rail. */
const crack = {
  kind: 'crack',
  ...stamp(1),
  memberId,
  path: ['bottom', 'top'].map((face, k) => ({ stationMm: 2000 + k, face, heightMm: 40 })),
  startFound: true,
  finishFound: true,
  seenBy: 'dye penetrant',
} as Evidence & { readonly kind: 'crack' };
const putRight = (fromMm: number, toMm: number, day = 5, done = 'plated and welded') =>
  ({
    kind: 'sign',
    ...stamp(day),
    memberId,
    face: 'web',
    stationMm: fromMm,
    toMm,
    heightMm: 0,
    detail: { sign: 'put right', done },
  }) as Evidence;
const look = (day: number) =>
  ({
    kind: 'crack look',
    ...stamp(day),
    crackId: crack.id,
    memberId,
    startMm: 0,
    finishMm: 0,
    startFound: true,
    finishFound: true,
    seenBy: 'eye',
    loadedBy: '',
  }) as Evidence;
const repair = repairSchema.parse({
  ...stamp(2),
  memberId,
  cutOut: false,
  pieces: [
    {
      id: 'p1',
      kind: 'side plate',
      startMm: 1700,
      endMm: 2300,
      thicknessMm: 5,
      lowerEdgeMm: 20,
      upperEdgeMm: 150,
      taperMm: 50,
    },
  ],
  weldStyle: 'continuous',
  plugs: false,
  onBench: false,
});
const seam = (day: number, what: 'welded' | 'looked at', more: object = {}) =>
  ({
    kind: 'seam log',
    ...stamp(day),
    memberId,
    ofId: repair.id,
    seam: 'p1 upper edge 1',
    mark: 'A1',
    what,
    ...more,
  }) as Evidence;
const welded = (day: number) => seam(day, 'welded');
const seen = (day: number, more: object = {}) => seam(day, 'looked at', { defects: [], ...more });

const job = (evidence: readonly Evidence[], struck: readonly Evidence[] = []): JobRecords => ({
  frame,
  practice: DEFAULT_PRACTICE,
  evidence,
  strikes: struck.map(({ id }) => {
    const { note: why, ...by } = { ...stamp(20), note: 'no crack' };
    return { ...by, evidenceId: id, why };
  }),
  repairs: [repair],
});
const weighed = (records: JobRecords) =>
  new Map(workJob(records).map((work) => [work.picture.member.id, work]));
const moves = (records: JobRecords) => mayMove(records, '2026-11-20', { weighed: weighed(records) });
const asks = (records: JobRecords): string[] =>
  weighed(records)
    .get(memberId)!
    .verdict.findings.map(({ code }) => code);

describe('a crack that was put right', () => {
  test.each([
    ['over the whole of it', [crack, putRight(1900, 2100)], true],
    ['renewed over the whole of it', [crack, putRight(1900, 2100, 5, 'renewed')], true],
    ['up to its very end', [crack, putRight(1900, 2001)], true],
    ['a millimetre short of its end', [crack, putRight(1900, 2000)], false],
    ['straightened only', [crack, putRight(1900, 2100, 5, 'straightened and checked')], false],
    ['before it was found, by the clock', [crack, putRight(1900, 2100, 1)], false],
    ['before it was found, as it was kept', [putRight(1900, 2100), crack], false],
    ['and looked at before that', [crack, look(4), putRight(1900, 2100)], true],
    ['and found there again since', [crack, putRight(1900, 2100), look(6)], false],
  ])('%s', (_what, evidence, isAnswered) => {
    const records = job(evidence);
    expect(openCracks(records)).toHaveLength(isAnswered ? 0 : 1);
    const reasons = moves(records).reasons.filter(({ why }) => why === 'parted' || why === 'cracked');
    expect(reasons).toHaveLength(isAnswered ? 0 : 1);
    expect(toAlign(records)).toHaveLength(isAnswered ? 0 : 1);
    expect(asks(records).includes('crack')).toBe(!isAnswered);
  });
  test('nothing is left to stop for', () =>
    expect(moves(job([crack, putRight(1900, 2100)])).answer).toBe('no reason recorded against it'));
});

describe('a weld of what put it right', () => {
  const done = [crack, welded(3), seen(4), putRight(1700, 2300)];
  test.each([
    ['looked at and good', [], false],
    ['found cracked', [seen(6, { defects: ['crack'] })], true],
    ['that bled', [seen(6, { dye: 'bled' })], true],
    ['with pores', [seen(6, { defects: ['porosity'] })], false],
    ['cracked, and a look since that found nothing', [seen(6, { dye: 'bled' }), seen(7)], true],
    ['cracked, and welded again', [seen(6, { dye: 'bled' }), welded(7)], false],
    ['cracked, its welding kept late', [seen(6, { dye: 'bled' }), welded(3)], true],
  ])('%s', (_what, since, isCracked) => {
    const records = job([...done, ...since]);
    expect(asks(records).includes('weld-cracked')).toBe(isCracked);
    // What lay beneath it is as it was.
    expect(asks(records).includes('crack')).toBe(isCracked);
    expect(openCracks(records)).toHaveLength(isCracked ? 1 : 0);
    expect(moves(records).answer).toBe(isCracked ? 'do not move' : 'no reason recorded against it');
  });
  test('struck through it was no crack', () => {
    const bled = seen(6, { dye: 'bled' });
    expect(asks(job([...done, bled], [bled]))).not.toContain('weld-cracked');
  });
  test('stops a unit by itself, whatever lay beneath; of a plate that is no longer planned it is nothing', () => {
    const bled = [welded(3), seen(6, { dye: 'bled' })];
    expect(moves(job(bled))).toMatchObject({
      answer: 'to the shop only',
      reasons: [{ finding: { code: 'weld-cracked', at: { fromMm: 1700, toMm: 2300 } } }],
    });
    expect(moves({ ...job(bled), repairs: [] }).reasons).toEqual([]);
  });
  test.each([
    ['before the plate was laid', [putRight(1700, 2300, 2), welded(3)], 0],
    ['before it by the clock, kept after it', [welded(3), putRight(1700, 2300, 2)], 1],
    ['after it by the clock, kept before it', [putRight(1700, 2300, 5), welded(3)], 1],
  ])('put right %s', (_what, done, open) => {
    const records = job([crack, ...done, seen(6, { dye: 'bled' })]);
    expect(openCracks(records)).toHaveLength(open);
    expect(asks(records)).toContain('weld-cracked');
  });
  test('beside what was put right it takes nothing from it', () => {
    const elsewhere = job([crack, welded(3), putRight(1990, 2010), seen(6, { dye: 'bled' })]);
    expect(openCracks(elsewhere)).toHaveLength(1);
    const apart = {
      ...repair,
      pieces: repair.pieces.map((piece) => ({ ...piece, startMm: 2011, endMm: 2600 })),
    };
    expect(openCracks({ ...elsewhere, repairs: [apart] })).toEqual([]);
  });
});

test('a bracket that was put right by a work whose weld cracked is bad again', () => {
  const { on, id: hostId, name, spans } = hostsOf(frame).find(({ kind }) => kind === 'spring hanger')!;
  const about = { on, hostId, title: name, memberIds: spans.map((span) => span.memberId), part: 'plate' };
  const broken = { kind: 'find', ...stamp(1), ...about, state: { is: 'broken' } } as Evidence;
  const mended = { kind: 'find', ...stamp(5), ...about, state: { is: 'put right', done: 'renewed whole' } };
  const work = { kind: 'work', ...stamp(2), form: 'renewal', measures: {}, ...about } as unknown;
  const { id: ofId } = work as { id: string };
  const all = [broken, work, mended] as Evidence[];
  const log = (more: object) => ({ ...seen(6, more), ofId, memberId: about.memberIds[0] }) as Evidence;
  const bad = (evidence: readonly Evidence[]) => jobHosts(job(evidence)).map(({ id }) => id);
  expect(bad(all)).toEqual([]);
  expect(bad([...all, log({ dye: 'clean' })])).toEqual([]);
  expect(bad([...all, log({ dye: 'bled' })])).toEqual([hostId]);
});
