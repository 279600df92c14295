import { randomLcg } from 'd3-random';
import type { Gate, Task, TaskProgress } from '../order';
import {
  answered,
  failedProofs,
  flexKind,
  holdsSignOff,
  isSignedOff,
  leftUndoneKind,
  lookBookedKind,
  MAY_STAND,
  openItems,
  openSnags,
  passportIssuedKind,
  proofKind,
  signOffKind,
  snagKind,
  type ClosedIn,
  type LeftUndone,
  type OpenItem,
  type ProveScene,
  type SignOff,
} from '.';

const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const stamp = { id: id(1), by: 'RK', at: '2026-11-20T08:00:00Z', note: '' };

const progress = (
  what: Task['what'],
  state: TaskProgress['state'],
  of: Task['of'] = { is: 'repair', id: 'r1', name: 'Left rail' },
  more: Partial<Task> = {},
): TaskProgress => ({
  task: { id: `${what} ${of.id}`, what, of, hours: [1, 1], hands: 1, ...more },
  state,
  isFromRecords: false,
  workedH: 0,
  running: [],
  timesDone: 1,
  aheadOf: [],
  isChangedSince: false,
  isUndone: false,
  isNext: false,
});
const NOTHING: ProveScene = {
  progress: [],
  refits: [],
  gates: [],
  seams: [],
  unreadLandings: [],
  closedIn: [],
  unreadable: [],
  bolts: [],
  complaints: [],
  causes: [],
  unplanned: [],
  unjudged: [],
  changes: [],
  out: [],
  notMeasuredAgain: [],
  temporaries: [],
  failed: [],
  snags: [],
  wasWorked: false,
  hasLookBooked: false,
};
const codes = (scene: Partial<ProveScene>) =>
  openItems({ ...NOTHING, ...scene }).map(({ code, may }) => [code, may]);

describe('what is open', () => {
  test('a frame as new, nothing done: nothing is open', () => expect(codes({})).toEqual([]));
  test('records that cannot be read are open, each by itself; three are named, all of them stand in it', () => {
    expect(codes({ unreadable: ['evidence 1'] })).toEqual([['records unreadable', 'two names']]);
    const [item] = openItems({ ...NOTHING, unreadable: ['a', 'b', 'c', 'd'] });
    expect(item).toMatchObject({ name: 'a, b, c', parts: ['a', 'b', 'c', 'd'] });
  });
  test('cut and not welded is finished by whoever cut it; what nobody began is the owner’s to leave', () => {
    expect(codes({ progress: [progress('opening cut', 'done'), progress('weld', 'open')] })).toEqual([
      ['begun and not finished', 'nobody'],
    ]);
    expect(codes({ progress: [progress('opening cut', 'open'), progress('weld', 'open')] })).toEqual([
      ['not begun', 'the owner'],
    ]);
    expect(codes({ progress: [progress('opening cut', 'started'), progress('weld', 'open')] })[0]![1]).toBe(
      'nobody',
    );
    expect(codes({ progress: [progress('opening cut', 'done'), progress('weld', 'done')] })).toEqual([]);
    // A crack that is ground out holds less than it did.
    expect(codes({ progress: [progress('crack ends', 'done'), progress('crack weld', 'open')] })[0]![1]).toBe(
      'nobody',
    );
    expect(codes({ progress: [progress('bright metal', 'done'), progress('weld', 'open')] })[0]![1]).toBe(
      'the owner',
    );
    // A plate that is made on the bench is not yet in the frame.
    expect(codes({ progress: [progress('make plate', 'done'), progress('weld', 'open')] })[0]![1]).toBe(
      'the owner',
    );
  });
  test('a part off and untried is there once', () => {
    const part: Task['of'] = { is: 'part', id: 'p', name: 'Brake line' };
    const [off, test_] = [progress('put back', 'open', part), progress('test', 'open', part)];
    expect(codes({ progress: [off, test_], refits: [off, test_] })).toEqual([['off or untried', 'nobody']]);
  });
  const gate = (more: Partial<Gate>): Gate => ({
    gate: 'hot work',
    of: 'A',
    zoneId: 'A',
    name: 'A',
    lacks: [{ code: 'no permit' } as never],
    holds: ['weld r1'],
    mayBeForced: false,
    ...more,
  });
  test('a gate counts where metal behind it was cut, not where nobody began', () => {
    const [cut, uncut] = (['done', 'open'] as const).map((state) => [
      progress('opening cut', state, undefined, { zoneId: 'A' }),
      progress('weld', 'open', undefined, { zoneId: 'A' }),
    ]);
    expect(codes({ progress: cut!, gates: [gate({})] })).toContainEqual(['gate shut', 'nobody']);
    expect(codes({ progress: cut!, gates: [gate({ mayBeForced: true })] })).toContainEqual([
      'gate shut',
      'two names',
    ]);
    expect(codes({ progress: uncut!, gates: [gate({})] })).toEqual([['not begun', 'the owner']]);
    expect(codes({ progress: cut!, gates: [gate({ lacks: [] })] })).toHaveLength(1);
    expect(codes({ progress: uncut!, gates: [gate({ gate: 'owner', holds: ['weld r1'] })] })).toContainEqual([
      'gate shut',
      'the owner',
    ]);
  });
  test.each([
    ['good', []],
    ['left open', []],
    ['not welded', []],
    ['part laid', [['seam not finished', 'nobody']]],
    ['changed', [['seam not finished', 'nobody']]],
    ['defect', [['seam not finished', 'nobody']]],
    ['not looked at', [['seam not looked at', 'two names']]],
    ['no photo', [['seam not looked at', 'two names']]],
  ] as const)('a seam that is %s', (stands, expected) =>
    expect(
      codes({ seams: [{ ofId: 'r1', seam: 's', mark: 'W1', memberId: 'm', name: 'Rail', stands }] }),
    ).toEqual(expected),
  );
  test('bolts: one set never tightened is nobody’s to sign away; tightened and not looked at again, two names', () => {
    const set = (stands: 'not tightened' | 'look again' | 'wait') =>
      codes({ bolts: [{ repairId: 'r1', memberId: 'm', name: 'Rail', set: 'B1', stands }] });
    expect(set('not tightened')).toEqual([['bolts not tightened', 'nobody']]);
    expect(set('wait')).toEqual([['bolts not settled', 'two names']]);
    expect(set('look again')).toEqual([['bolts not settled', 'two names']]);
  });
  test('laid on metal nobody read: two names, face by face; one face more is not what they signed', () => {
    const landing = (...faces: string[]) => ({
      unreadLandings: [{ id: 'r1', memberId: 'm', name: 'Rail', faces }],
    });
    expect(codes(landing('web'))).toEqual([['landing not read', 'two names']]);
    expect(openItems({ ...NOTHING, ...landing('web') })).toMatchObject([
      { name: 'Rail: web', parts: ['landing r1 web'] },
    ]);
    const [item] = openItems({ ...NOTHING, ...landing('web', 'bottom') });
    expect(item).toMatchObject({ key: 'landing r1', name: 'Rail: web, bottom', memberId: 'm' });
    expect(item!.parts).toEqual(['landing r1 web', 'landing r1 bottom']);
    // Read only since the plates were on: what was read may be the plates.
    expect(openItems({ ...NOTHING, ...landing() })).toMatchObject([
      { code: 'landing not read', name: 'Rail', parts: ['landing r1 late'] },
    ]);
  });
  test('rust, a skin or a crack closed in beneath plates: two names, each by itself', () => {
    const closed = (...what: ClosedIn[]) => ({ closedIn: [{ id: 'r1', memberId: 'm', name: 'Rail', what }] });
    expect(codes(closed('rust'))).toEqual([['closed in', 'two names']]);
    const [item] = openItems({ ...NOTHING, ...closed('rust', 'an earlier skin') });
    expect(item).toMatchObject({ key: 'closed in r1', name: 'Rail: rust, an earlier skin', memberId: 'm' });
    expect(item!.parts).toEqual(['closed in r1 rust', 'closed in r1 an earlier skin']);
  });
  const pair = (says: 'gives less' | 'not attributable' | 'gives as before') =>
    ({ place: 'p', push: 'x', state: 'hitched', says }) as const;
  test.each([
    ['better and explained', true, [pair('gives less')], 0],
    ['better, nobody knows why', false, [pair('gives less')], 1],
    ['explained, never measured', true, [], 1],
    ['explained, as before', true, [pair('gives as before')], 1],
    [
      'better at one place, not attributable at another',
      true,
      [pair('gives less'), pair('not attributable')],
      1,
    ],
  ] as const)('a complaint %s', (_, isCauseFound, pairs, open) =>
    expect(codes({ complaints: [{ id: 'c', name: 'play', isCauseFound, pairs: [...pairs] }] })).toHaveLength(
      open,
    ),
  );
  test('an open complaint shows the place that gives no less, or else what was measured', () => {
    const shown = (...pairs: ReturnType<typeof pair>[]) =>
      openItems({ ...NOTHING, complaints: [{ id: 'c', name: 'play', isCauseFound: false, pairs }] })[0]!
        .about;
    const [less, before] = [pair('gives less'), pair('gives as before')];
    expect(shown(less, before)).toBe(before);
    expect(shown(less)).toBe(less);
    expect(shown()).toBeUndefined();
  });
  test('metal that was worked on is looked at again; what was not, need not', () => {
    expect(codes({ wasWorked: true })).toEqual([['no look booked', 'two names']]);
    expect(codes({ wasWorked: true, hasLookBooked: true })).toEqual([]);
  });
  test('steering that touches is signed away by nobody; a noise by two', () => {
    const failed = (of: 'lock to lock' | 'noise listened for') =>
      codes({
        failed: [{ kind: 'proof', ...stamp, note: 'touches', of, place: 'gear', held: false }],
      })[0]![1];
    expect(failed('lock to lock')).toBe('nobody');
    expect(failed('noise listened for')).toBe('two names');
  });
  test('members nobody can judge are signed for together; one more is another thing to sign for', () => {
    const of = (...ids: string[]) =>
      openItems({ ...NOTHING, unjudged: ids.map((each) => ({ id: each, name: each })) });
    expect(of('a', 'b').map(({ code, may }) => [code, may])).toEqual([['not judged', 'two names']]);
    expect(of('a', 'c')[0]!.parts).toEqual(['unjudged a', 'unjudged c']);
  });
  test('a cause that stays, bad metal with nothing decided, a temporary repair, a snag, a place not measured', () =>
    expect(
      codes({
        causes: [{ memberId: 'm', name: 'Rail' }],
        unplanned: [{ is: 'member', id: 'x', name: 'X2', asks: 'Renew' }],
        temporaries: [{ id: 't', name: 'clamp' }],
        snags: [{ kind: 'snag', ...stamp, what: 'paint run' }],
        notMeasuredAgain: ['wheelbase'],
      }),
    ).toEqual([
      ['temporary not released', 'nobody'],
      ['not measured again', 'two names'],
      ['cause stays', 'the owner'],
      ['nothing decided', 'the owner'],
      ['snag open', 'the owner'],
    ]));
});

describe('signing off', () => {
  const item = (key: string, may: OpenItem['may']): OpenItem => ({ key, code: 'snag open', name: key, may });
  const left = (of: string): LeftUndone => ({
    kind: 'left undone',
    ...stamp,
    of,
    what: 'it',
    why: 'sold',
    owner: 'owner',
    how: 'paper',
  });
  const signOff = (...keys: string[]): SignOff => ({
    kind: 'sign off',
    ...stamp,
    second: 'TM',
    walkedWith: 'owner',
    passed: keys.map((key) => ({ key, name: key, parts: [key], why: 'agreed so' })),
  });
  const signed = (items: OpenItem[], lefts: LeftUndone[], off: SignOff | undefined) =>
    isSignedOff(answered(items, lefts, off), off);
  test('nothing open, and nobody signed: not signed off', () => {
    expect(signed([], [], undefined)).toBe(false);
    expect(signed([], [], signOff())).toBe(true);
  });
  test('each kind is answered by who may, and by nobody else', () => {
    expect(signed([item('a', 'two names')], [], signOff('a'))).toBe(true);
    expect(signed([item('a', 'two names')], [left('a')], signOff())).toBe(false);
    expect(signed([item('a', 'the owner')], [left('a')], signOff())).toBe(true);
    expect(signed([item('a', 'the owner')], [], signOff('a'))).toBe(false);
    expect(signed([item('a', 'nobody')], [left('a')], signOff('a'))).toBe(false);
  });
  test('what was let stand is what was open then: one part fewer holds, one more or a worse one does not', () => {
    const stage = (...parts: string[]): OpenItem => ({ ...item('stage coat', 'two names'), parts });
    const off = signOff('stage coat');
    const passed = { ...off, passed: [{ ...off.passed[0]!, parts: ['a', 'b'] }] };
    expect(signed([stage('a', 'b')], [], passed)).toBe(true);
    expect(signed([stage('b')], [], passed)).toBe(true);
    expect(signed([stage('a', 'b', 'c')], [], passed)).toBe(false);
    expect(signed([stage('c')], [], passed)).toBe(false);
  });
  test('what holds it: what nobody signs away, and the owner’s that is not signed for', () => {
    const items = [
      item('a', 'nobody'),
      item('b', 'two names'),
      item('c', 'the owner'),
      item('d', 'the owner'),
    ];
    expect(holdsSignOff(answered(items, [left('d')], undefined)).map((each) => each.item.key)).toEqual([
      'a',
      'c',
    ]);
  });
  test('one thing more that is open never lets a job close (400 seeded cases)', () => {
    const random = randomLcg(0.77);
    for (let k = 0; k < 400; k++) {
      const items = Array.from({ length: Math.floor(random() * 5) }, (_, n) =>
        item(`i${n}`, MAY_STAND[Math.floor(random() * 3)]!),
      );
      const keys = items.map(({ key }) => key);
      const lefts = keys.filter(() => random() < 0.7).map(left);
      const off = random() < 0.8 ? signOff(...keys.filter(() => random() < 0.8)) : undefined;
      const more = [...items, item('one more', MAY_STAND[Math.floor(random() * 3)]!)];
      if (signed(more, lefts, off)) expect(signed(items, lefts, off)).toBe(true);
      expect(signed(more, lefts, off)).toBe(false);
    }
  });
});

describe('records of proving', () => {
  const flex = { kind: 'flex', ...stamp, place: 'gear', push: 'by hand', state: 'hitched', gaveMm: 2 };
  const proof = { kind: 'proof', ...stamp, of: 'road test', place: 'harbour road', held: true };
  const film = { ...proof, of: 'dry film', filmUm: 120, askedUm: 120 };
  const off = { kind: 'sign off', ...stamp, second: 'TM', walkedWith: 'owner', passed: [] };
  const look = { kind: 'look booked', ...stamp, what: 'torque' };
  test.each([
    ['a push', flexKind, flex, true],
    ['a push that gave nothing', flexKind, { ...flex, gaveMm: 0 }, true],
    ['a push that gave less than nothing', flexKind, { ...flex, gaveMm: -0.1 }, false],
    ['held', proofKind, proof, true],
    ['did not hold, nobody says what', proofKind, { ...proof, held: false }, false],
    ['did not hold, and what', proofKind, { ...proof, held: false, note: 'pulls left' }, true],
    ['a film as thick as asked', proofKind, film, true],
    ['a film a micron thinner holds nothing', proofKind, { ...film, filmUm: 119 }, false],
    [
      'a film a micron thinner, said so',
      proofKind,
      { ...film, filmUm: 119, held: false, note: 'thin' },
      true,
    ],
    ['a film nobody read', proofKind, { ...film, filmUm: undefined }, false],
    ['a cause gone, nobody says how', proofKind, { ...proof, of: 'the cause is gone' }, false],
    ['by two', signOffKind, off, true],
    ['by oneself twice', signOffKind, { ...off, second: ' rk ' }, false],
    ['walked round with nobody', signOffKind, { ...off, walkedWith: '' }, false],
    [
      'let stand with a word of four letters',
      signOffKind,
      { ...off, passed: [{ key: 'a', name: 'a', parts: ['a'], why: 'fine' }] },
      false,
    ],
    [
      'let stand with a reason',
      signOffKind,
      { ...off, passed: [{ key: 'a', name: 'a', parts: ['a'], why: 'agreed' }] },
      true,
    ],
    ['a look on a day', lookBookedKind, { ...look, on: '2027-01-01' }, true],
    ['a look after a distance', lookBookedKind, { ...look, afterKm: 800 }, true],
    ['a look some time', lookBookedKind, look, false],
    ['a look on no day there is', lookBookedKind, { ...look, on: '2027-02-30' }, false],
    ['a snag in words', snagKind, { kind: 'snag', ...stamp, what: 'lamp' }, true],
    ['a snag of nothing', snagKind, { kind: 'snag', ...stamp, what: ' ' }, false],
    [
      'left with somebody',
      leftUndoneKind,
      { kind: 'left undone', ...stamp, what: 'sill', why: 'sold soon', owner: 'owner', how: 'paper' },
      true,
    ],
    [
      'left with nobody',
      leftUndoneKind,
      { kind: 'left undone', ...stamp, what: 'sill', why: 'sold soon', owner: '', how: 'paper' },
      false,
    ],
    ['a sum of 64', passportIssuedKind, { kind: 'passport', ...stamp, sha256: 'a'.repeat(64) }, true],
    ['a sum of 63', passportIssuedKind, { kind: 'passport', ...stamp, sha256: 'a'.repeat(63) }, false],
  ])('%s', (_, kind, record, good) => expect(kind.schema.safeParse(record).success).toBe(good));
  test('the last try at a place counts', () => {
    const at = (hour: number, held: boolean) =>
      ({ ...proof, note: 'x', held, at: `2026-11-20T${10 + hour}:00:00Z` }) as never;
    expect(failedProofs([at(0, true), at(1, false)])).toHaveLength(1);
    expect(failedProofs([at(1, false), at(2, true)])).toHaveLength(0);
  });
  test('a snag put right is closed until it is opened again', () => {
    const snag = { kind: 'snag' as const, ...stamp, what: 'lamp' };
    const said = (hour: number, is: 'put right' | 'open again') => ({
      kind: 'snag answer' as const,
      ...stamp,
      snagId: snag.id,
      is,
      at: `2026-11-21T${10 + hour}:00:00Z`,
    });
    expect(openSnags([snag], [])).toHaveLength(1);
    expect(openSnags([snag], [said(0, 'put right')])).toHaveLength(0);
    expect(openSnags([snag], [said(0, 'put right'), said(1, 'open again')])).toHaveLength(1);
    expect(openSnags([snag], [said(1, 'put right'), said(0, 'open again')])).toHaveLength(0);
    // Of two said in one instant the one that came later stands.
    expect(openSnags([snag], [said(0, 'put right'), said(0, 'open again')])).toHaveLength(1);
    expect(openSnags([snag], [said(0, 'open again'), said(0, 'put right')])).toHaveLength(0);
  });
});
