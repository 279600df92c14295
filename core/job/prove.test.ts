import { partsOf } from '../prove';
import type { Evidence } from '.';
import { demoJob } from './job-for-tests';

const id = (n: number) => `00000000-0000-4000-8000-2${String(n).padStart(11, '0')}`;
let last = 0;
const stamp = (day: number, hour = 10) => ({
  id: id(++last),
  by: 'RK',
  at: `2026-11-${String(day).padStart(2, '0')}T${String(hour).padStart(2, '0')}:00:00Z`,
  note: '',
});
const job = demoJob('cut out');
const REPAIR = job.repairId;
const task = (what: string, day: number, hour = 10, is: 'done' | 'started' = 'done'): Evidence => ({
  kind: 'task',
  ...stamp(day, hour),
  taskId: `${what} ${REPAIR}`,
  title: what,
  is,
});
const wheelbase = (day: number, rightMm = 4000): Evidence => ({
  kind: 'geometry',
  ...stamp(day),
  measure: { of: 'wheelbase', ...job.wheelbaseIds, leftMm: 4000, rightMm },
  instrument: 'laser distance',
  stood: 'on its wheels, empty',
});
const codes = (more: readonly Evidence[]) =>
  job.proof(more).items.map(({ item }) => `${item.code}: ${item.may}`);

describe('what a job’s records leave open', () => {
  test('decided and not begun: the owner may leave it; nothing of geometry, cause or look is asked', () => {
    const { items, wasWorked, isSignedOff } = job.proof([]);
    expect(wasWorked).toBe(false);
    expect(isSignedOff).toBe(false);
    const open = items.map(({ item }) => item.code);
    expect(open).toContain('not begun');
    for (const code of [
      'begun and not finished',
      'not measured again',
      'cause stays',
      'no look booked',
      'gate shut',
    ])
      expect(open).not.toContain(code);
  });
  test('cut: it is finished by whoever cut it, its cause and its geometry are asked for, a look is owed', () => {
    const open = codes([task('opening cut', 26)]);
    expect(open).toEqual(
      expect.arrayContaining([
        'begun and not finished: nobody',
        'not measured again: two names',
        'cause stays: the owner',
        'no look booked: two names',
      ]),
    );
    expect(open).not.toContain('not begun: the owner');
  });
  test('measured before and not since is named; measured since, it is compared', () => {
    const cut = [wheelbase(25), task('opening cut', 26)];
    expect(job.proof(cut).items.find(({ item }) => item.code === 'not measured again')!.item.name).toBe(
      'wheelbase',
    );
    const same = job.proof([...cut, wheelbase(27)]);
    expect(same.changes.map(({ says }) => says)).toEqual(['as it was', 'as it was']);
    expect(same.items.map(({ item }) => item.code)).not.toContain('not measured again');
    const moved = job.proof([...cut, wheelbase(27, 4009)]);
    expect(moved.items.filter(({ item }) => item.code === 'moved').map(({ item }) => item.name)).toEqual([
      'wheelbase, right',
    ]);
  });
  test('two marks measure no line again, nor had they measured one before', () => {
    const line = (day: number, ...offMm: number[]): Evidence => ({
      ...(wheelbase(day) as Extract<Evidence, { kind: 'geometry' }>),
      instrument: 'laser line',
      measure: {
        of: 'line',
        memberId: 'rail-left',
        direction: 'across',
        marks: offMm.map((off, k) => ({ stationMm: 1000 * k, offMm: off })),
      },
    });
    const owed = (...more: Evidence[]) =>
      job
        .proof([wheelbase(25), ...more, task('opening cut', 26), wheelbase(27)])
        .items.filter(({ item }) => item.code === 'not measured again').length;
    expect(owed(line(25, 0, 0, 0))).toBe(1);
    expect(owed(line(25, 0, 0, 0), line(28, 0, 0))).toBe(1);
    expect(owed(line(25, 0, 0, 0), line(28, 0, 0, 0))).toBe(0);
    expect(owed(line(25, 0, 0))).toBe(0);
  });
  test('welded after it was measured, it is measured again', () => {
    const more = [wheelbase(25), task('opening cut', 26), wheelbase(27), task('weld', 28, 9)];
    expect(job.proof(more).changes).toEqual([]);
    expect(codes(more)).toContain('not measured again: two names');
  });
  test('looked at days after it was laid, what was measured between is measured after the weld', () => {
    expect(job.seams.length).toBeGreaterThan(0);
    const log = (day: number, what: 'welded' | 'looked at') =>
      job.seams.map(({ memberId, ofId, seam, mark, lengthMm }): Evidence => ({
        kind: 'seam log',
        ...stamp(day),
        memberId,
        ofId,
        seam,
        mark,
        lengthMm,
        what,
        ...(what === 'looked at' && { defects: [] }),
      }));
    const laid = [wheelbase(24), task('opening cut', 25), ...log(26, 'welded'), wheelbase(27)];
    expect(job.proof(laid).changes).toHaveLength(2);
    expect(job.proof([...laid, ...log(28, 'looked at')]).changes).toHaveLength(2);
    expect(job.proof([...laid, ...log(28, 'welded')]).changes).toHaveLength(0);
  });
  test('where a repair lies it was read before its plates were on, and after; a millimetre beside does not count', () => {
    const of = (...more: Evidence[]) => job.proof(more).read.find(({ repairId }) => repairId === REPAIR)!;
    const planned = of();
    expect(planned).not.toHaveProperty('laidAt');
    expect(planned.before.count).toBeGreaterThan(0);
    expect(planned.after).toEqual({ count: 0 });
    const reading = (day: number, stationMm: number, thicknessMm: number): Evidence => ({
      kind: 'reading',
      ...stamp(day),
      memberId: planned.memberId,
      stationMm,
      face: 'web',
      heightMm: 60,
      thicknessMm,
      method: 'ultrasonic',
    });
    const weld = task('weld', 26);
    const laid = of(weld, reading(27, planned.fromMm, 4.5), reading(28, planned.toMm, 4.25));
    expect(laid).toMatchObject({
      laidAt: weld.at,
      before: planned.before,
      after: { count: 2, thinnestMm: 4.25 },
    });
    expect(of(weld, reading(27, planned.fromMm - 1, 1), reading(27, planned.toMm + 1, 1)).after.count).toBe(
      0,
    );
    expect(of(weld, reading(25, planned.fromMm, 4.5)).before.count).toBe(planned.before.count + 1);
    // Between the first tack and the last weld it is neither.
    expect(of(task('tack', 25), weld, reading(25, planned.fromMm, 4.5)).after.count).toBe(0);
  });
  test('bolts: once one is tightened every set is asked for, and each is looked at again after a day', () => {
    const tight = (set: string, day: number, moved?: 'none' | 'some'): Evidence => ({
      kind: 'tightened',
      ...stamp(day),
      memberId: 'rail-right',
      ofId: REPAIR,
      set,
      torqueNm: 100,
      ...(moved && { moved }),
    });
    const open = (...more: Evidence[]) =>
      job
        .bolted(['B1', 'B2'], more)
        .items.flatMap(({ item }) =>
          item.code.startsWith('bolts') ? [`${item.name}: ${String(item.about)}`] : [],
        );
    expect(open()).toEqual([]);
    expect(open(tight('B1', 27))).toEqual([
      expect.stringContaining('B2: not tightened'),
      expect.stringContaining('B1: look again'),
    ]);
    expect(open(tight('B1', 28), tight('B2', 28)).map((each) => each.split(': ')[1])).toEqual([
      'wait',
      'wait',
    ]);
    const settled = [tight('B1', 26), tight('B2', 26), tight('B1', 27, 'none'), tight('B2', 27, 'none')];
    expect(open(...settled)).toEqual([]);
    expect(open(...settled, tight('B2', 28, 'some'))).toHaveLength(1);
  });
  test('a cause said to be gone is closed; said and not held, it is not', () => {
    const gone = (held: boolean): Evidence => ({
      kind: 'proof',
      ...stamp(27),
      note: 'drain opened, cavity dry',
      of: 'the cause is gone',
      place: 'Right rail',
      memberId: 'rail-right',
      held,
    });
    const cut = task('opening cut', 26);
    expect(codes([cut, gone(true)])).not.toContain('cause stays: the owner');
    expect(codes([cut, gone(false)])).toEqual(
      expect.arrayContaining(['cause stays: the owner', 'proof failed: two names']),
    );
  });
  test('the last word on a cause counts', () => {
    const said = (day: number, held: boolean): Evidence => ({
      kind: 'proof',
      ...stamp(day),
      note: 'drain opened',
      of: 'the cause is gone',
      place: 'Right rail',
      memberId: 'rail-right',
      held,
    });
    const cut = task('opening cut', 26);
    expect(codes([cut, said(27, true), said(28, false)])).toContain('cause stays: the owner');
    expect(codes([cut, said(27, false), said(28, true)])).not.toContain('cause stays: the owner');
  });
  test('a look that is booked, and a snag that is open', () => {
    const cut = task('opening cut', 26);
    const look: Evidence = { kind: 'look booked', ...stamp(27), what: 'torque', afterKm: 800 };
    expect(codes([cut, look])).not.toContain('no look booked: two names');
    expect(codes([{ kind: 'snag', ...stamp(27), what: 'lamp hangs' }])).toContain('snag open: the owner');
  });
  test('a temporary repair goes out after the test that releases it, and no longer than its limit', () => {
    const clamp: Evidence = {
      kind: 'temporary repair',
      ...stamp(20),
      memberId: 'rail-left',
      stationMm: 1000,
      form: 'clamp',
      limitKm: 50,
      until: '2026-11-28',
    };
    const test_: Evidence = {
      kind: 'load test',
      ...stamp(21),
      purpose: 'release a temporary repair',
      states: ['empty, on its wheels', 'hitched'],
      places: [{ id: 'a', what: 'gap', name: 'clamp', witnesses: ['rail-left'] }],
      readings: [1, 1.2].map((mm, k) => ({
        placeId: 'a',
        state: k === 0 ? 'empty, on its wheels' : 'hitched',
        mm,
      })),
      windUpLetGo: true,
    };
    const open = (more: Evidence[], nowAt?: string) =>
      job.proof(more, nowAt).items.some(({ item }) => item.code === 'temporary not released');
    expect(open([clamp])).toBe(true);
    expect(open([clamp, test_])).toBe(false);
    expect(open([clamp, { ...test_, readings: [] } as Evidence])).toBe(true);
    expect(open([clamp, { ...test_, ...stamp(19) } as Evidence])).toBe(true);
    expect(open([clamp, test_], '2026-11-29T08:00:00Z')).toBe(true);
  });
  test('the same push before and after is put beside the complaint it is of; nothing on record explains it: open all the same', () => {
    const complaint: Evidence = {
      kind: 'complaint',
      ...stamp(24),
      what: 'play',
      where: 'steering',
      memberIds: ['rail-right'],
    };
    const push = (day: number, gaveMm: number): Evidence => ({
      kind: 'flex',
      ...stamp(day),
      place: 'gear against rail',
      push: 'wheel by one',
      state: 'empty, on its wheels',
      gaveMm,
      complaintId: complaint.id,
      changed: '',
    });
    const cut = task('opening cut', 26);
    const open = (more: Evidence[]) =>
      job.proof(more).items.some(({ item }) => item.code === 'complaint open');
    expect(open([complaint, cut])).toBe(true);
    expect(open([complaint, push(25, 6), cut, push(27, 2)])).toBe(false);
    expect(open([complaint, push(25, 6), cut, push(27, 6)])).toBe(true);
    expect(
      open([{ ...complaint, memberIds: ['rail-left'] } as Evidence, push(25, 6), cut, push(27, 2)]),
    ).toBe(true);
  });
  test('signed off by two with each reason; a record after it that opens something ends it', () => {
    const cut = task('opening cut', 26);
    const welded = job.proof([]).items;
    const passed = welded
      .filter(({ item }) => item.may === 'two names')
      .map(({ item }) => ({
        key: item.key,
        name: item.name,
        parts: [...partsOf(item)],
        why: 'not of this visit',
      }));
    const left = welded
      .filter(({ item }) => item.may === 'the owner')
      .map(({ item }): Evidence => ({
        kind: 'left undone',
        ...stamp(27),
        of: item.key,
        what: item.name,
        why: 'later',
        owner: 'owner',
        how: 'on paper',
      }));
    const off: Evidence = { kind: 'sign off', ...stamp(27, 12), second: 'TM', walkedWith: 'owner', passed };
    expect(job.proof([...left, off]).isSignedOff).toBe(true);
    expect(job.proof([...left.slice(1), off]).isSignedOff).toBe(false);
    expect(job.proof([...left, off, cut]).isSignedOff).toBe(false);
    expect(
      job.proof([...left, off, { kind: 'snag', ...stamp(27, 13), what: 'lamp hangs' }]).isSignedOff,
    ).toBe(false);
  });
});
