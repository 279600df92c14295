import { extraMoney, isOpen, shutBefore, type GateId } from '../order';
import { breadthMm, faceOf, hostsOf, memberOf, type FaceId, type Member } from '../frame';
import { DEFAULT_PRACTICE, type Kit } from '../reference';
import type { Alignment } from '../trace';
import { usualLift, type LiftRecord } from '../walk';
import { demoJob } from './job-for-tests';
import { alongFrame, costsOf, leftOff, liftBasis, type Evidence } from '.';

const id = (k: number) => `00000000-0000-4000-8000-${String(k).padStart(12, '0')}`;
const at = (hour: number) => `2026-11-26T${String(hour).padStart(2, '0')}:00:00Z`;
const stamp = (k: number, hour: number) => ({ id: id(k), by: 'TM', at: at(hour), note: '' });
const done = (k: number, taskId: string, hour: number): Evidence => ({
  kind: 'task',
  ...stamp(k, hour),
  taskId,
  title: taskId,
  is: 'done',
});

describe('what is recorded elsewhere is heard here', () => {
  const job = demoJob('cut out');
  const repair = job.repairId;
  const gate = (more: readonly Evidence[], which: GateId) =>
    job.order(more).gates.find((each) => each.gate === which)!;
  const state = (more: readonly Evidence[], taskId: string) =>
    job.order(more).progress.find(({ task }) => task.id === taskId)!;

  test('a repair somebody took over makes its tasks; what the engine only proposes makes none', () => {
    expect(job.order([]).plan.tasks.map(({ id: each }) => each)).toContain(`weld ${repair}`);
    expect(demoJob('proposed').order([]).plan.tasks).toEqual([]);
    expect(demoJob('proposed').order([]).plan.troubles).toContainEqual(
      expect.objectContaining({ is: 'nothing planned' }),
    );
  });
  test('a wheelbase measured before the first cut is the baseline; one from after it is not', () => {
    const wheelbase: Evidence = {
      kind: 'geometry',
      ...stamp(1, 8),
      measure: { of: 'wheelbase', ...job.wheelbaseIds, leftMm: 3500, rightMm: 3501 },
      instrument: 'tape',
      stood: 'on its wheels, empty',
    };
    expect(state([wheelbase], 'wheelbase unit')).toMatchObject({ state: 'done', isFromRecords: true });
    expect(state([done(2, `opening cut ${repair}`, 7), wheelbase], 'wheelbase unit').state).toBe('open');
  });
  test('a part recorded as off is off; its fuel opens the gate only once it is outside', () => {
    const removal = (isOutside: boolean): Evidence => ({
      kind: 'removal',
      ...stamp(3, 9),
      partId: job.fuelId,
      name: 'Fuel',
      place: 'shed',
      bag: '',
      fate: 'goes back',
      isOutside,
    });
    const codes = (more: readonly Evidence[]) => gate(more, 'hot work').lacks.map(({ code }) => code);
    expect(codes([])).toContain('fuel not off');
    expect(codes([removal(false)])).toContain('fuel not outside');
    expect(codes([removal(true)])).toEqual(['no permit']);
  });
  test('bad metal found once it is open stops the zone, from whichever room; before, it does not', () => {
    const soft = (hour: number): Evidence => ({
      kind: 'sign',
      ...stamp(4, hour),
      memberId: 'rail-right',
      stationMm: 2800,
      face: 'web',
      heightMm: 50,
      detail: { sign: 'hole', acrossMm: 20 },
    });
    const opened = done(5, `opening cut ${repair}`, 10);
    const owners = (more: readonly Evidence[]) =>
      job
        .order(more)
        .gates.filter((each) => each.gate === 'owner')
        .flatMap(({ lacks }) => lacks.map(({ code }) => code));
    expect(owners([soft(9), opened])).toEqual([]);
    expect(owners([opened, soft(11)])).toEqual(['found, not answered']);
    const told: Evidence = {
      kind: 'extra',
      ...stamp(6, 12),
      zoneId: 'D',
      grows: true,
      what: 'a hole behind the hanger',
      hours: [1, 2],
      money: [110, 220],
    };
    expect(owners([opened, soft(11), told])).toEqual(['owner not asked']);
    const yes: Evidence = {
      kind: 'extra answer',
      ...stamp(7, 13),
      extraId: told.id,
      answer: 'yes',
      who: 'owner',
      how: 'in person',
    };
    expect(owners([opened, soft(11), told, yes])).toEqual([]);
    const tasks = (more: readonly Evidence[]) => job.order(more).plan.tasks.map(({ what }) => what);
    expect(tasks([opened, soft(11), told])).not.toContain('extra');
    expect(tasks([opened, soft(11), told, yes])).toContain('extra');
    // A yes of before, kept late by a phone that was out of reach, grants nothing; one said later does.
    const no = { ...yes, id: id(70), answer: 'no' } as Evidence;
    const said = (hour: number) => ({ ...yes, id: id(71), at: at(hour) }) as Evidence;
    expect(tasks([opened, soft(11), told, no, said(12)])).not.toContain('extra');
    expect(tasks([opened, soft(11), told, no, said(14)])).toContain('extra');
  });
  test('a weld that cracked is to be laid and looked at again, whatever was ticked, until its log says so', () => {
    const seam = (k: number, hour: number, more: object): Evidence => {
      const { memberId, ofId, seam: key, mark, lengthMm } = job.seams[0]!;
      return {
        kind: 'seam log',
        ...stamp(k, hour),
        memberId,
        ofId,
        seam: key,
        mark,
        lengthMm,
        ...more,
      } as Evidence;
    };
    const ticked = [done(80, `weld ${repair}`, 8), done(81, `look at welds ${repair}`, 9)];
    const cracked = seam(82, 10, { what: 'looked at', defects: ['crack'] });
    const again = [...ticked, seam(83, 7, { what: 'welded' }), cracked];
    const stands = (more: readonly Evidence[]) =>
      ['weld', 'look at welds'].map((what) => {
        const { state: is, isUndone } = state(more, `${what} ${repair}`);
        return `${is}${isUndone ? ', undone' : ''}`;
      });
    expect(stands(ticked)).toEqual(['done', 'done']);
    expect(stands([...ticked, seam(82, 10, { what: 'looked at', defects: ['undercut'] })])).toEqual([
      'done',
      'done',
    ]);
    expect(stands(again)).toEqual(['open, undone', 'open, undone']);
    expect(stands([...again, done(84, `weld ${repair}`, 11)])).toEqual(['open, undone', 'open, undone']);
    const laid = [...again, seam(85, 12, { what: 'welded' })];
    expect(stands(laid)).toEqual(['done', 'open, undone']);
    expect(stands([...laid, seam(86, 13, { what: 'looked at', defects: [] })])).toEqual(['done', 'done']);
  });
  test('a lift that may was asked before one that may not, and kept after it: it is not raised', () => {
    const lift = (k: number, hour: number, answer: LiftRecord['answer']): Evidence => ({
      kind: 'lift',
      ...stamp(k, hour),
      plan: usualLift(job.file.frame, 'two-post pads'),
      answer,
      reasons: [],
      basis: liftBasis(job.file, []),
    });
    const codes = (more: readonly Evidence[]) => gate(more, 'raise').lacks.map(({ code }) => code);
    expect(codes([lift(60, 10, 'Not here'), lift(61, 9, 'Lift here')])).toEqual(['lift not here']);
    expect(codes([lift(60, 9, 'Not here'), lift(61, 10, 'Lift here')])).toEqual([]);
  });
  test('tacked, a wheelbase that moved more than the sides may differ keeps the weld shut', () => {
    const wheelbase = (k: number, hour: number, leftMm: number): Evidence => ({
      kind: 'geometry',
      ...stamp(k, hour),
      measure: { of: 'wheelbase', ...job.wheelbaseIds, leftMm, rightMm: 3500 },
      instrument: 'tape',
      stood: 'on stands',
    });
    const base = [wheelbase(8, 8, 3500), done(9, `opening cut ${repair}`, 9), done(10, `tack ${repair}`, 12)];
    const lacks = (more: readonly Evidence[]) =>
      job
        .order([...base, ...more])
        .gates.filter((each) => each.gate === 'geometry')
        .flatMap(({ lacks: all }) => all.map(({ code }) => code));
    expect(lacks([])).toEqual(['no measure since tack']);
    // Another thing measured, or another member’s line, says nothing of it.
    const line = (k: number, hour: number, memberId: string): Evidence => ({
      kind: 'geometry',
      ...stamp(k, hour),
      measure: {
        of: 'line',
        memberId,
        direction: 'up',
        marks: [0, 2000, 4000].map((stationMm) => ({ stationMm, offMm: 10 })),
      },
      instrument: 'laser line',
      stood: 'on stands',
    });
    expect(lacks([line(12, 8, 'rail-left'), line(13, 13, 'rail-left')])).toEqual(['no measure since tack']);
    expect(lacks([line(13, 13, 'rail-right')])).toEqual(['no measure before']);
    expect(lacks([line(12, 8, 'rail-right'), line(13, 13, 'rail-right')])).toEqual([]);
    // An eighth of an inch is 3.175 mm.
    expect(lacks([wheelbase(11, 13, 3503.1)])).toEqual([]);
    expect(lacks([wheelbase(11, 13, 3503.2)])).toEqual(['moved since before']);
  });
  test('tacked, a line says how far its furthest mark moved, by the same ends, of a unit that stood the same', () => {
    const line = (k: number, hour: number, offs: readonly number[], more: object = {}): Evidence => ({
      kind: 'geometry',
      ...stamp(k, hour),
      measure: {
        of: 'line',
        memberId: 'rail-right',
        direction: 'up',
        marks: offs.map((offMm, at) => ({ stationMm: 1000 * at, offMm })),
      },
      instrument: 'laser line',
      stood: 'on stands',
      ...more,
    });
    const bowed = [10, 25, 30, 25, 10];
    const base = [line(8, 8, bowed), done(9, `opening cut ${repair}`, 9), done(10, `tack ${repair}`, 12)];
    const lacks = (...more: readonly Evidence[]) =>
      job
        .order([...base, ...more])
        .gates.filter((each) => each.gate === 'geometry')
        .flatMap(({ lacks: all }) => all.map(({ code, value }) => [code, value]));
    expect(lacks(line(11, 13, bowed))).toEqual([]);
    // The beam set up higher, and aslant; 4 m between the ends may bow 8.3 mm.
    expect(
      lacks(
        line(
          11,
          13,
          bowed.map((mm, k) => mm + 40 + 3 * k),
        ),
      ),
    ).toEqual([]);
    expect(lacks(line(11, 13, [10, 27, 38, 20, 10]))).toEqual([]);
    expect(lacks(line(11, 13, [10, 27, 39, 20, 10]))).toEqual([['moved since before', expect.closeTo(9, 9)]]);
    expect(lacks(line(11, 13, [10, 16, 30, 30, 10]))).toEqual([['moved since before', expect.closeTo(9, 9)]]);
    // Half of it alone has a chord of its own: nothing moved, and nothing can be told.
    expect(lacks(line(11, 13, bowed.slice(0, 3)))).toEqual([['no measure before', undefined]]);
    expect(lacks(line(11, 13, [10, 60, 80, 60, 10], { stood: 'on its wheels, empty' }))).toEqual([
      ['no measure before', undefined],
    ]);
    // Half of it measured once more before the cut: the whole is held against the whole that was measured before that.
    const half = line(12, 8.5, bowed.slice(0, 3));
    expect(lacks(line(11, 13, [10, 27, 39, 20, 10]), half)).toEqual([
      ['moved since before', expect.closeTo(9, 9)],
    ]);
    expect(lacks(line(11, 13, bowed), half)).toEqual([]);
  });
  test('what was signed for at the tack is what was measured by then; the unit’s twist, and its own rail’s, are heard', () => {
    const stood = { instrument: 'angle finder', stood: 'on stands' };
    const measured = (k: number, hour: number, measure: object, more: object = {}): Evidence =>
      ({ kind: 'geometry', ...stamp(k, hour), measure, ...stood, ...more }) as Evidence;
    const wheelbase = (k: number, hour: number, leftMm: number) =>
      measured(
        k,
        hour,
        { of: 'wheelbase', ...job.wheelbaseIds, leftMm, rightMm: 3500 },
        { instrument: 'tape', plusMinus: 1 },
      );
    const angles = (k: number, hour: number, degrees: number, of: object) =>
      measured(k, hour, {
        ...of,
        stations: [
          { stationMm: 500, degrees: 1 },
          { stationMm: 3500, degrees: 1 + degrees },
        ],
      });
    const across = (k: number, hour: number, degrees: number) =>
      angles(k, hour, degrees, { of: 'level across' });
    const along = (k: number, hour: number, degrees: number, memberId: string) =>
      angles(k, hour, degrees, { of: 'angle along', memberId });
    const signed: Evidence = {
      kind: 'gate',
      ...stamp(14, 14),
      gate: 'geometry',
      of: repair,
      is: 'forced',
      second: 'TM',
      note: 'the owner wants it so',
    } as Evidence;
    const base = [
      wheelbase(8, 8, 3500),
      across(20, 8, 0.2),
      along(21, 8, 0.2, 'rail-right'),
      along(22, 8, 0.2, 'rail-left'),
      done(9, `opening cut ${repair}`, 9),
      done(10, `tack ${repair}`, 12),
    ];
    const gate = (...more: readonly Evidence[]) =>
      job.order([...base, ...more]).gates.find((each) => each.gate === 'geometry')!;
    const says = (...more: readonly Evidence[]) =>
      gate(...more).lacks.map(({ code, name, quantity }) => [code, name, quantity]);
    const twisted = ['moved since before', 'level across', 'angle'];
    // Half a degree may come of a good job: its limit stands in the practice.
    const limit = job.file.practice.geometry.angleDeg;
    expect(says(wheelbase(11, 13, 3500), across(12, 13, 0.2 + limit - 0.01))).toEqual([]);
    expect(says(wheelbase(11, 13, 3500), across(12, 13, 0.2 + limit + 0.01))).toEqual([twisted]);
    expect(says(across(12, 13, 0.2))).toEqual([['no measure since tack', undefined, undefined]]);
    expect(says(wheelbase(11, 13, 3500), along(12, 13, 9, 'rail-left'))).toEqual([]);
    expect(says(wheelbase(11, 13, 3500), along(12, 13, 9, 'rail-right'))).toEqual([
      ['moved since before', 'angle along', 'angle'],
    ]);

    const isOpen = (...more: readonly Evidence[]) => Boolean(gate(...more, signed).forced);
    expect(isOpen(wheelbase(11, 13, 3505))).toBe(true);
    // Read again after it: within what a difference of two readings of ± 1 mm tells, 1.41, it is the same; beyond it is news.
    expect(isOpen(wheelbase(11, 13, 3505), wheelbase(12, 15, 3506.4))).toBe(true);
    expect(isOpen(wheelbase(11, 13, 3505), wheelbase(12, 15, 3506.5))).toBe(false);
    expect(isOpen(wheelbase(11, 13, 3503), wheelbase(12, 15, 3504))).toBe(false);
    expect(isOpen(wheelbase(12, 15, 3504))).toBe(false);
    expect(isOpen(wheelbase(12, 15, 3503))).toBe(true);
    expect(isOpen(wheelbase(11, 13, 3505), across(12, 15, 9))).toBe(false);
  });
  test('tacked, diagonals of a place however it is written, and each side of the wheelbase against itself', () => {
    const geometry = (k: number, hour: number, measure: object): Evidence =>
      ({
        kind: 'geometry',
        ...stamp(k, hour),
        measure,
        instrument: 'tape',
        stood: 'on stands',
      }) as Evidence;
    const diagonals = (place: string, oneMm: number) => ({ of: 'diagonals', place, oneMm, otherMm: 3000 });
    const wheelbase = (leftMm: number, rightMm: number) => ({
      of: 'wheelbase',
      ...job.wheelbaseIds,
      leftMm,
      rightMm,
    });
    const moved = (was: object, is: object) =>
      job
        .order([
          geometry(8, 8, was),
          done(9, `opening cut ${repair}`, 9),
          done(10, `tack ${repair}`, 12),
          geometry(11, 13, is),
        ])
        .gates.filter((each) => each.gate === 'geometry')
        .flatMap(({ lacks: all }) => all.map(({ code, name }) => [code, name]));
    expect(moved(diagonals('cab', 3000), diagonals('Cab', 3003.1))).toEqual([]);
    expect(moved(diagonals('cab', 3000), diagonals('Cab', 2990))).toEqual([
      ['moved since before', 'Cab, one diagonal'],
    ]);
    expect(moved(diagonals('cab', 3000), diagonals('rear', 3000))).toEqual([
      ['no measure before', undefined],
    ]);
    // Far from equal, and neither of them moved.
    expect(moved(wheelbase(3500, 3520), wheelbase(3500, 3520))).toEqual([]);
    expect(moved(wheelbase(3500, 3520), wheelbase(3520, 3500)).map(([, name]) => name)).toEqual([
      'wheelbase, left',
      'wheelbase, right',
    ]);
  });
  test('a rail that parted and a hanger on it that let go are each in line by their own record alone', () => {
    const { frame, practice } = job.file;
    const rail = memberOf(frame, 'rail-right')!;
    const [flangeMm, depthMm] = ['bottom', 'web'].map((face) => faceOf(rail.shape, face as FaceId)!.widthMm);
    const parted: Evidence = {
      kind: 'crack',
      ...stamp(11, 7),
      memberId: rail.id,
      path: [
        { stationMm: 5000, face: 'bottom', heightMm: flangeMm },
        { stationMm: 5000, face: 'web', heightMm: depthMm },
      ],
      seenBy: 'eye',
    } as Evidence;
    const hanger = hostsOf(frame).find(
      ({ carries, spans }) => carries.includes('axle location') && spans[0]?.memberId === rail.id,
    )!;
    const torn: Evidence = {
      kind: 'find',
      ...stamp(12, 7),
      on: hanger.on,
      hostId: hanger.id,
      title: hanger.name,
      part: 'plate',
      state: { is: 'torn' },
      memberIds: [rail.id],
    };
    const aligned = (k: number, of: Alignment['of'], more: Partial<Alignment> = {}): Evidence => ({
      kind: 'alignment',
      ...stamp(k, 9),
      of,
      acrossMm: 0,
      upMm: 0,
      alongMm: 0,
      held: true,
      ...more,
    });
    const ofRail = aligned(13, { on: 'member', id: rail.id, stationMm: 5000 });
    const ofHanger = aligned(14, { on: hanger.on, id: hanger.id } as Alignment['of'], { axleHeld: true });
    const states = (...more: Evidence[]) =>
      [rail.id, hanger.id].map((of) => state([parted, torn, ...more], `pull into line ${of}`).state);
    expect(practice.hand.partedShare).toBeLessThan(1);
    expect(states()).toEqual(['open', 'open']);
    expect(states(ofRail)).toEqual(['done', 'open']);
    expect(states(ofHanger)).toEqual(['open', 'done']);
    expect(states(ofRail, ofHanger)).toEqual(['done', 'done']);
    // Out of line, or the axle not held: not done.
    expect(states(aligned(15, { on: 'member', id: rail.id, stationMm: 5000 }, { upMm: 3 }))).toEqual([
      'open',
      'open',
    ]);
    expect(states(aligned(16, { on: hanger.on, id: hanger.id } as Alignment['of']))).toEqual([
      'open',
      'open',
    ]);
  });
  test('a strike through takes it back', () => {
    const removal: Evidence = {
      kind: 'removal',
      ...stamp(12, 9),
      partId: job.fuelId,
      name: 'Fuel',
      place: 'yard',
      bag: '',
      fate: 'goes back',
      isOutside: true,
    };
    const strike = { ...stamp(13, 10), evidenceId: removal.id, why: 'another truck' };
    expect(job.order([removal]).gates.find((each) => each.gate === 'hot work')!.lacks).toHaveLength(1);
    expect(
      job.order([removal], at(20), [strike]).gates.find((each) => each.gate === 'hot work')!.lacks,
    ).toHaveLength(2);
  });
  test('a shut gate keeps its tasks from being next, whatever they wait for', () => {
    const order = job.order([]);
    for (const { task } of order.next) expect(shutBefore(order.gates, task.id)).toEqual([]);
    expect(order.gates.some((each) => !isOpen(each))).toBe(true);
  });
});

describe('what a job takes', () => {
  const job = demoJob('cut out');
  const steel = (lists: Parameters<typeof job.toGet>[0]) =>
    job.toGet(lists).parts.find(({ is }) => is === 'steel')!;

  test('steel by its thickness, its mass and price by hand; what goes with what comes off; wire and gas', () => {
    const { parts, kits, consumed } = job.toGet({});
    expect(parts.map(({ is, name }) => [is, name])).toEqual([
      ['steel', 'sheet'],
      ['companion', 'gasket, hanger rubbers, clamps'],
    ]);
    const { massKg, cost, count, thicknessMm } = steel({});
    // A yard and more of web plate, 130 mm high, its tapers off: 4.86 kg at 7.85 kg a litre before they are.
    expect(massKg! / (1000 * 130 * 4.7625 * 7.85e-6)).toBeCloseTo(0.94, 2);
    const [least, most] = DEFAULT_PRACTICE.money.steelPerKg;
    expect({ cost, count, thicknessMm }).toEqual({
      cost: [massKg! * least, massKg! * most],
      count: 1,
      thicknessMm: 4.7625,
    });
    expect(kits).toEqual([]);
    expect(Math.min(consumed.wireKg, consumed.gasL, consumed.arcMinutes, consumed.discs)).toBeGreaterThan(0);
  });
  test('what is only proposed takes nothing', () => {
    const { parts, consumed } = demoJob('proposed').toGet({});
    expect([parts, consumed.wireKg]).toEqual([[], 0]);
  });
  test('steel lies on the shelf where a piece there is as long and as wide', () => {
    const on = (lengthMm: number, widthMm: number, thicknessMm = 4.7625) =>
      steel({ shelf: [{ thicknessMm, lengthMm, widthMm, count: 1 }] }).onShelf;
    expect(on(1000, 130)).toBe(true);
    expect(on(130, 1000)).toBe(true);
    expect(on(999, 130)).toBe(false);
    expect(on(1000, 129)).toBe(false);
    expect(on(1000, 130, 4.9)).toBe(true);
    expect(on(1000, 130, 5)).toBe(false);
  });
  test('a bought set is offered where it covers the length, is as thick, and is for such a frame', () => {
    const offered = (more: Partial<Kit>) => {
      const kit: Kit = { name: 'set', family: '', coversMm: 1000, edgeMm: 100, thicknessMm: 4.7625, ...more };
      return job.toGet({ kits: [kit] }).kits.map(({ kits }) => kits.length);
    };
    expect(offered({})).toEqual([1]);
    expect(offered({ coversMm: 999 })).toEqual([]);
    expect(offered({ coversMm: 500, pieces: 2 })).toEqual([1]);
    expect(offered({ coversMm: 499, pieces: 2 })).toEqual([]);
    expect(offered({ thicknessMm: 4.63 })).toEqual([1]);
    expect(offered({ thicknessMm: 4.6 })).toEqual([]);
    expect(offered({ family: 'open-channel ladder' })).toEqual([1]);
    expect(offered({ family: 'boxed ladder' })).toEqual([]);
  });
});

test('what was paid is the last word on each thing; what was reckoned is the steel', () => {
  const bought = (key: string, cost?: number) => ({
    kind: 'bought' as const,
    ...stamp(30, 8),
    key,
    name: key,
    is: 'in' as const,
    ...(cost !== undefined && { cost }),
  });
  const parts = [{ cost: [10, 20] as const }, {}, { cost: [5, 6] as const }];
  expect(
    costsOf({ parts: parts as never }, [bought('a', 50), bought('a', 60), bought('b'), bought('c', 7)]),
  ).toEqual({
    reckoned: [15, 26],
    spent: 67,
  });
  expect(extraMoney([1.5, 3], 110, 40)).toEqual([205, 370]);
});

test('what runs across lies at its station, as wide as it is; what runs along, along', () => {
  const { frame } = demoJob('cut out').file;
  const across = memberOf(frame, 'cross-1')!;
  const along = memberOf(frame, 'rail-left')!;
  const of = (member: Member, from: number, to: number) => {
    const { fromMm, toMm } = alongFrame(frame, member, from, to);
    return toMm - fromMm;
  };
  expect(of(across, 0, across.lengthMm)).toBeCloseTo(breadthMm(across.shape));
  expect(of(along, 1000, 1500)).toBeCloseTo(500);
});

describe('off and not back, by the records alone', () => {
  const removal = (fate: 'goes back' | 'scrap' = 'goes back'): Evidence => ({
    kind: 'removal',
    ...stamp(20, 8),
    partId: 'mark-4 right',
    name: 'Line',
    place: '',
    bag: '',
    fate,
  });
  const off = (evidence: Evidence[]) => leftOff({ evidence, strikes: [] }).length;
  test.each([
    ['off', [removal()], 1],
    ['scrap owes nothing', [removal('scrap')], 0],
    ['back, not tried', [removal(), done(21, 'put back mark-4 right', 9)], 1],
    [
      'back and tried',
      [removal(), done(21, 'put back mark-4 right', 9), done(22, 'test mark-4 right', 10)],
      0,
    ],
    [
      'tried before it came off',
      [done(22, 'test mark-4 right', 7), done(21, 'put back mark-4 right', 7), removal()],
      1,
    ],
    [
      'tried, then opened again',
      [
        removal(),
        done(21, 'put back mark-4 right', 9),
        done(22, 'test mark-4 right', 10),
        { ...done(23, 'test mark-4 right', 11), is: 'again' } as Evidence,
      ],
      1,
    ],
    ['nothing off', [done(21, 'put back mark-4 right', 9)], 0],
    [
      'off once more, and when it came off first kept late',
      [
        { ...removal(), at: at(12) } as Evidence,
        removal(),
        done(21, 'put back mark-4 right', 9),
        done(22, 'test mark-4 right', 10),
      ],
      1,
    ],
    ['scrap by an older word kept late', [removal(), { ...removal('scrap'), at: at(7) } as Evidence], 1],
    ['scrap by a later word', [removal(), { ...removal('scrap'), at: at(9) } as Evidence], 0],
  ] as [string, Evidence[], number][])('%s', (_, evidence, count) => expect(off(evidence)).toBe(count));
});
