import type { TaskProgress } from '../../order';
import type { Works } from '../order/scene';
import type { JobFile } from '../records';
import { readAround } from './read-around';

/** Two plates, stations 1000 to 1400 and 1300 to 1600. */
const worked = (more: object = {}) => ({
  isProposal: false,
  repair: {
    id: 'r',
    memberId: 'rail',
    pieces: [
      { startMm: 1000, endMm: 1400 },
      { startMm: 1300, endMm: 1600 },
    ],
  },
  findings: [],
  pieces: [{ stations: [{ edges: [{ why: 'sound' }] }] }],
  ...more,
});
let last = 0;
const reading = (stationMm: number, at: string, more: object = {}) => ({
  kind: 'reading',
  id: `reading ${++last}`,
  memberId: 'rail',
  stationMm,
  thicknessMm: 5,
  at,
  ...more,
});
const done = (what: string, doneAt: string, more: object = {}) => ({
  task: { what, of: { is: 'repair', id: 'r' } },
  doneAt,
  ...more,
});
const around = (
  readings: readonly object[],
  progress: readonly object[] = [],
  repair: object = worked(),
  strikes: readonly object[] = [],
) =>
  readAround(
    { evidence: readings, strikes } as unknown as JobFile,
    new Map([['rail', { picture: { member: { id: 'rail' } }, repairs: [repair] }]]) as unknown as Works,
    progress as unknown as readonly TaskProgress[],
  );

test('what is read where its plates lie and a hand’s breadth beside them, of its member, and stands', () => {
  const at = '08:00';
  const there = [899.9, 900, 1250, 1700, 1700.1].map((mm) => reading(mm, at));
  const struck = reading(1200, at);
  const elsewhere = reading(1200, at, { memberId: 'other rail' });
  const [one] = around([...there, struck, elsewhere], [], worked(), [{ evidenceId: struck.id }]);
  expect(one).toMatchObject({ repairId: 'r', memberId: 'rail', fromMm: 900, toMm: 1700 });
  expect(one!.before).toEqual({ count: 3, thinnestMm: 5 });
  expect(one!.after).toEqual({ count: 0 });
  expect(one!).not.toHaveProperty('laidAt');
});

test('before its first plate was tacked, and after its last was welded; what is read between is neither', () => {
  const progress = [
    done('opening cut', '07:00'),
    done('tack', '09:00', { startedAt: '08:30' }),
    done('weld', '12:00'),
    done('outside coat', '15:00'),
  ];
  const [one] = around(
    [
      reading(1200, '08:29', { thicknessMm: 4 }),
      reading(1200, '08:30', { thicknessMm: 1 }),
      reading(1200, '12:00', { thicknessMm: 2 }),
      reading(1200, '12:01', { thicknessMm: 6 }),
      reading(1300, '12:02', { thicknessMm: 7 }),
    ],
    progress,
  );
  expect(one).toMatchObject({
    laidAt: '08:30',
    before: { count: 1, thinnestMm: 4 },
    after: { count: 2, thinnestMm: 6 },
    isReadLate: false,
  });
  const other = progress.map((each) => ({ ...each, task: { ...each.task, of: { id: 'another' } } }));
  expect(around([reading(1200, '12:01')], other)[0]).not.toHaveProperty('laidAt');
});

test('read late: laid, nothing read before, and an edge of it rests on what a gauge read', () => {
  const laid = [done('tack', '09:00')];
  const isLate = (readings: readonly object[], progress: readonly object[], repair?: object) =>
    around(readings, progress, repair)[0]!.isReadLate;
  expect(isLate([reading(1200, '10:00')], laid)).toBe(true);
  expect(isLate([reading(1200, '08:00')], laid)).toBe(false);
  expect(isLate([reading(1200, '10:00')], [])).toBe(false);
  const restsOn = (why: string) => worked({ pieces: [{ stations: [{ edges: [{ why }] }] }] });
  expect(isLate([reading(1200, '10:00')], laid, restsOn('unsound'))).toBe(true);
  expect(isLate([reading(1200, '10:00')], laid, restsOn('struck'))).toBe(false);
});

test('faces that nobody read and what goes on beneath, each once; a proposal is none of it', () => {
  const findings = [
    { code: 'edge-not-measured', name: 'web' },
    { code: 'edge-not-measured', name: 'web' },
    { code: 'edge-not-measured', pieceId: 'p' },
    { code: 'rust-between' },
    { code: 'rust-enclosed' },
    { code: 'crack-stays' },
    { code: 'run-out-short', name: 'top' },
  ];
  expect(around([], [], worked({ findings }))[0]).toMatchObject({
    unread: ['web', 'p'],
    closedIn: ['rust', 'a crack'],
  });
  expect(around([], [], worked({ isProposal: true }))).toEqual([]);
});
