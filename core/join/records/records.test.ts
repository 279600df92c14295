import { defaultFrame, familyOf } from '../../frame';
import {
  isStillReady,
  mayBeCovered,
  READY_CHECKS,
  readyKind,
  retighten,
  runDoneKind,
  scrapTestKind,
  SEAM_STANDS,
  seamLogKind,
  seamStands,
  weldPlanKind,
  cardSteps,
  type SeamLog,
} from '.';

const FRAME = defaultFrame({
  ...familyOf('boxed ladder').typical,
  family: 'boxed ladder',
  steel: 'a36',
  datum: 'hole',
});
const stamp = {
  id: '0f6d3a52-5c0e-4bb3-9d0a-6f2f7f7f1b02',
  memberId: 'rail-left',
  ofId: 'r',
  by: 'RK',
  at: '2026-11-20T08:00:00Z',
  note: '',
};
const log = (more: Partial<SeamLog>): SeamLog => ({
  kind: 'seam log',
  ...stamp,
  seam: 'p upper edge 1',
  mark: 'A1',
  what: 'welded',
  ...more,
});
const welded = log({});
const looked = (more: Partial<SeamLog> = {}) => log({ what: 'looked at', defects: [], ...more });
const stand = (entries: SeamLog[], more: Partial<Parameters<typeof seamStands>[1]> = {}) =>
  seamStands(entries, { hasPhoto: true, isLeftOpen: false, ...more });

test.each<[string, SeamLog[], boolean, (typeof SEAM_STANDS)[number]]>([
  ['nothing logged', [], true, 'not welded'],
  ['looked at before it was welded', [looked()], true, 'not welded'],
  ['welded', [welded], true, 'not looked at'],
  ['welded after it was looked at', [welded, looked(), welded], true, 'not looked at'],
  ['looked at without a photo', [welded, looked()], false, 'no photo'],
  ['looked at with a photo', [welded, looked()], true, 'good'],
  ['a defect', [welded, looked({ defects: ['undercut'] })], true, 'defect'],
  ['dye that bled', [welded, looked({ dye: 'bled' })], true, 'defect'],
  ['dye clean', [welded, looked({ dye: 'clean' })], true, 'good'],
  ['redone, not looked at again', [welded, looked({ defects: ['crack'] }), welded], true, 'not looked at'],
  [
    'cracked, and a later look that found nothing',
    [welded, looked({ defects: ['crack'] }), looked()],
    true,
    'defect',
  ],
  [
    'undercut, dressed and looked at again',
    [welded, looked({ defects: ['undercut'] }), looked()],
    true,
    'good',
  ],
  ['redone and good', [welded, looked({ defects: ['crack'] }), welded, looked()], true, 'good'],
])('a seam: %s', (_, entries, hasPhoto, stands) => expect(stand(entries, { hasPhoto })).toBe(stands));

describe('kept late by a phone that was out of reach', () => {
  const when = (hour: number) => ({ at: `2026-11-20T${String(hour).padStart(2, '0')}:00:00Z` });
  const undercut = looked({ ...when(10), defects: ['undercut'] });
  test.each<[string, SeamLog[], (typeof SEAM_STANDS)[number]]>([
    ['an older look that found nothing hides no defect', [welded, undercut, looked(when(9))], 'defect'],
    ['a later one does: it was dressed', [welded, undercut, looked(when(11))], 'good'],
    ['a look at what was welded over since', [welded, log(when(10)), looked(when(9))], 'not looked at'],
    ['a look at the weld itself', [welded, log(when(10)), looked(when(10))], 'good'],
    [
      'a welding: who looked before it was kept is asked again',
      [looked(when(11)), log(when(10))],
      'not looked at',
    ],
  ])('%s', (_, entries, stands) => expect(stand(entries)).toBe(stands));
  test('of two lengths that may be the last neither may be another', () => {
    const entries = [log({ ...when(10), lengthMm: 200 }), looked({ ...when(9), lengthMm: 100 })];
    expect(stand(entries, { lengthMm: 100 })).toBe('changed');
    expect(
      stand([log({ ...when(8), lengthMm: 200 }), log({ ...when(9), lengthMm: 100 })], { lengthMm: 100 }),
    ).toBe('not looked at');
  });
});

test('left open goes before everything; only what is good or left open may be covered', () => {
  expect(stand([welded], { isLeftOpen: true })).toBe('left open');
  expect(SEAM_STANDS.filter(mayBeCovered)).toEqual(['good', 'left open']);
});

test('what was ticked at the rail is laid, in part or right along; a look before its last run is none of it', () => {
  const laid = (runs: number) => ({ laid: { runs, of: 4, at: '2026-11-20T09:00:00Z' } });
  const later = looked({ at: '2026-11-20T09:30:00Z' });
  expect(stand([], laid(3))).toBe('part laid');
  expect(stand([later], laid(3))).toBe('part laid');
  expect(stand([], laid(4))).toBe('not looked at');
  expect(stand([looked()], laid(4))).toBe('not looked at');
  expect(stand([later], laid(4))).toBe('good');
  // Ground out and welded again by the log: the log goes on from there.
  expect(stand([later, log({ at: '2026-11-20T10:00:00Z' })], laid(4))).toBe('not looked at');
  expect(mayBeCovered('part laid')).toBe(false);
});

test('another length than was logged is another seam by now', () => {
  const entries = [log({ lengthMm: 1000 }), looked({ lengthMm: 1000 })];
  const at = (lengthMm: number) => stand(entries, { lengthMm });
  expect(at(1050)).toBe('good');
  expect(at(1060)).toBe('changed');
  expect(at(940)).toBe('changed');
  expect(mayBeCovered('changed')).toBe(false);
  const short = (lengthMm: number) =>
    stand([log({ lengthMm: 100 }), looked({ lengthMm: 100 })], { lengthMm });
  expect(short(120)).toBe('good');
  expect(short(121)).toBe('changed');
});

test('a look says what was found, or that nothing was', () => {
  expect(seamLogKind.schema.safeParse(log({ what: 'looked at' })).success).toBe(false);
  expect(seamLogKind.schema.safeParse(looked()).success).toBe(true);
  expect(seamLogKind.schema.safeParse(log({ amps: 0 })).success).toBe(false);
});

test('ready takes every check and a name, and holds for twelve hours', () => {
  const ready = { kind: 'ready to weld', ...stamp, checks: [...READY_CHECKS], welder: 'TM' };
  expect(readyKind.schema.safeParse(ready).success).toBe(true);
  for (const left of READY_CHECKS)
    expect(
      readyKind.schema.safeParse({ ...ready, checks: READY_CHECKS.filter((each) => each !== left) }).success,
    ).toBe(false);
  expect(readyKind.schema.safeParse({ ...ready, welder: ' ' }).success).toBe(false);
  const at = Date.parse(stamp.at);
  expect(isStillReady(stamp, at + 12 * 3_600_000 - 1)).toBe(true);
  expect(isStillReady(stamp, at + 12 * 3_600_000)).toBe(false);
});

test('a plan has a run; its member must be there', () => {
  const plan = {
    kind: 'weld plan' as const,
    ...stamp,
    runs: [{ seam: 's', mark: 'A1', nth: 1, path: [[1, 2]] as [number, number][], lengthMm: 0, waitS: 0 }],
    tacks: [],
    basis: 'x',
  };
  expect(weldPlanKind.schema.safeParse(plan).success).toBe(true);
  expect(weldPlanKind.schema.safeParse({ ...plan, runs: [] }).success).toBe(false);
  expect(weldPlanKind.fits(FRAME, plan).ok).toBe(true);
  expect(weldPlanKind.fits(FRAME, { ...plan, memberId: 'gone' }).ok).toBe(false);
  expect(runDoneKind.tells({ kind: 'run', ...stamp, seam: 's', mark: 'A1', nth: 1, is: 'run' })).toEqual([]);
});

test.each([
  [{ amps: 130 }, true],
  [{ amps: 0 }, false],
  [{ volts: 51 }, false],
  [{ thicknessMm: 0.3 }, false],
  [{ thicknessMm: 25 }, true],
  [{ wire: 'string' }, false],
])('a scrap test with %j is kept: %s', (more, isKept) => {
  const { memberId: _, ofId: __, ...rest } = stamp;
  const test_ = {
    kind: 'scrap test',
    ...rest,
    thicknessMm: 4.7,
    wire: '0.030 solid',
    gas: '75 Ar 25 CO2',
    position: 'flat',
    amps: 120,
    volts: 20,
    held: true,
  };
  expect(scrapTestKind.schema.safeParse({ ...test_, ...more }).success).toBe(isKept);
});

test('bolts: never tightened, due after a day, settled once none had moved', () => {
  const at = '2026-11-20T08:00:00Z';
  const hours = (h: number) => Date.parse(at) + h * 3_600_000;
  expect(retighten([], 0)).toBe('not tightened');
  expect(retighten([{ at }], hours(23.9))).toBe('wait');
  expect(retighten([{ at }], hours(24))).toBe('look again');
  expect(retighten([{ at }, { at, moved: 'some' }], hours(24))).toBe('look again');
  const looked = (minutes: number, moved: 'none' | 'some' = 'none') => ({
    at: new Date(hours(minutes / 60)).toISOString(),
    moved,
  });
  expect(retighten([{ at }, looked(10)], hours(999))).toBe('settled');
  // Right after the wrench nothing has settled: that none moved is no look, that some did is.
  expect(retighten([{ at }, looked(9.9)], hours(23.9))).toBe('wait');
  expect(retighten([{ at }, looked(9.9)], hours(24))).toBe('look again');
  expect(retighten([{ at }, looked(600, 'some'), looked(601)], hours(999))).toBe('look again');
  expect(retighten([{ at }, looked(600, 'some'), looked(610)], hours(999))).toBe('settled');
  // None had moved, says a device that was out of reach when some did.
  const before = '2026-11-20T07:00:00Z';
  expect(
    retighten(
      [
        { at, moved: 'some' },
        { at: before, moved: 'none' },
      ],
      hours(24),
    ),
  ).toBe('look again');
});

test('a card’s steps keep their order; the last word on each stands', () => {
  const done = (step: string, by = 'RK') => ({
    kind: 'step' as const,
    ...stamp,
    by,
    card: 'crack' as const,
    step,
  });
  const steps = cardSteps(['one', 'two', 'three'], [done('two'), done('one'), done('one', 'TM')]);
  expect(steps.map(({ step, done: by }) => [step, by?.by])).toEqual([
    ['one', 'TM'],
    ['two', 'RK'],
    ['three', undefined],
  ]);
});
