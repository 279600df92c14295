import { defaultFrame, familyOf, hostsOf } from '../frame';
import { DEFAULT_PRACTICE } from '../reference';
import type { Crack, StressThere } from '../trace';
import {
  jobTimeLeft,
  mayMove,
  stressAtCrack,
  toAlign,
  type Evidence,
  type JobDemand,
  type JobRecords,
} from '.';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const rail = frame.members.find(({ id }) => id === 'rail-left')!;
const flange = 'flangeMm' in rail.shape ? rail.shape.flangeMm : 0;
const id = (k: number) => `00000000-0000-4000-8000-${String(k).padStart(12, '0')}`;
const stamp = { by: 'RK', at: '2026-11-10T08:00:00Z', note: '' };
const crack = (lengthMm: number, more: Partial<Crack> = {}): Crack => ({
  kind: 'crack',
  id: id(1),
  memberId: rail.id,
  path: [
    { stationMm: 1500, face: 'bottom', heightMm: flange },
    { stationMm: 1500, face: 'bottom', heightMm: flange - lengthMm },
  ],
  startFound: true,
  finishFound: true,
  seenBy: 'eye',
  ...stamp,
  ...more,
});
const records = (evidence: readonly Evidence[], more: Partial<JobRecords> = {}): JobRecords => ({
  frame,
  practice: DEFAULT_PRACTICE,
  evidence,
  strikes: [],
  repairs: [],
  ...more,
});
const NOTHING = { weighed: new Map() };
const TODAY = '2026-11-27T09:00:00Z';
const clamp = (more: object = {}): Evidence => ({
  kind: 'temporary repair',
  id: id(2),
  memberId: rail.id,
  stationMm: 1520,
  form: 'clamp',
  limitKm: 48,
  ...stamp,
  at: '2026-11-11T08:00:00Z',
  ...more,
});
const trip = (km: number): Evidence => ({
  kind: 'trip',
  id: id(3),
  km,
  ...stamp,
  at: '2026-11-12T08:00:00Z',
});

test('nothing recorded is no reason recorded, and no more', () =>
  expect(mayMove(records([]), TODAY, NOTHING)).toEqual({
    answer: 'no reason recorded against it',
    reasons: [],
  }));

test('a crack: to the shop only; held by a clamp near it: restricted, with what is left', () => {
  expect(mayMove(records([crack(20)]), TODAY, NOTHING).answer).toBe('to the shop only');
  const held = mayMove(records([crack(20), clamp(), trip(12)]), TODAY, NOTHING);
  expect(held.answer).toBe('restricted');
  expect(held.reasons[0]).toMatchObject({ why: 'cracked', held: { leftKm: 36 } });
});
test.each([
  ['too far from it', { stationMm: 1801 }, 'to the shop only'],
  ['near enough', { stationMm: 1799 }, 'restricted'],
  ['on the other rail', { memberId: 'rail-right' }, 'to the shop only'],
  ['made before the crack was seen', { at: '2026-11-09T08:00:00Z' }, 'to the shop only'],
] as const)('a clamp %s: %s', (_, more, answer) =>
  expect(mayMove(records([crack(20), clamp(more)]), TODAY, NOTHING).answer).toBe(answer),
);
test.each([
  [47.9, 'restricted'],
  [48, 'do not move'],
])('after %d of 48 km: %s', (km, answer) =>
  expect(mayMove(records([crack(20), clamp(), trip(km)]), TODAY, NOTHING).answer).toBe(answer),
);
test.each([
  [0, '2026-11-12T08:00:00Z', 'restricted'],
  [4, '2026-11-12T08:00:00Z', 'to the shop only'],
  [4, '2026-11-10T20:00:00Z', 'restricted'],
] as const)('%d mm longer at a look of %s, clamped on the 11th: %s', (finishMm, at, answer) => {
  const look: Evidence = {
    kind: 'crack look',
    id: id(6),
    crackId: id(1),
    memberId: rail.id,
    startMm: 0,
    finishMm,
    startFound: true,
    finishFound: true,
    seenBy: 'told',
    loadedBy: '',
    ...stamp,
    at,
  };
  expect(mayMove(records([crack(20), clamp(), look]), TODAY, NOTHING).answer).toBe(answer);
});
test.each([
  ['find what moves', [1, 1], 'not tested', 'restricted'],
  ['release a temporary repair', [1, 1], 'released', 'restricted'],
  ['release a temporary repair', [1], 'not read', 'restricted'],
  // What moves under load is not held, whatever it was made for.
  ['release a temporary repair', [1, 1.5], 'moves', 'to the shop only'],
  ['find what moves', [1, 1.5], 'moves', 'to the shop only'],
] as const)('a load test, %s, that read %j mm: %s', (purpose, mm, release, answer) => {
  const states = ['on its legs', 'hitched'] as const;
  const made: Evidence = {
    kind: 'load test',
    id: id(8),
    purpose,
    states: [...states],
    places: [{ id: 'p', what: 'crack', name: 'there', witnesses: [rail.id] }],
    readings: mm.map((each, k) => ({ placeId: 'p', state: states[k]!, mm: each })),
    windUpLetGo: true,
    ...stamp,
    at: '2026-11-12T08:00:00Z',
  };
  const moved = mayMove(records([crack(20), clamp(), made]), TODAY, NOTHING);
  expect(moved).toMatchObject({ answer, reasons: [{ held: { release } }] });
});
test('a temporary repair past its day: do not move, whatever it held', () => {
  const over = mayMove(records([crack(20), clamp({ until: '2026-11-26' })]), TODAY, NOTHING);
  expect(over).toMatchObject({
    answer: 'do not move',
    reasons: [{ why: 'temporary repair over' }, { why: 'cracked' }],
  });
  expect(mayMove(records([crack(20), clamp({ until: '2026-11-27' })]), TODAY, NOTHING).answer).toBe(
    'restricted',
  );
});
test('struck through, a crack is no reason', () => {
  const strikes = [{ id: id(9), evidenceId: id(1), by: 'RK', at: TODAY, why: 'a scratch' }];
  expect(mayMove(records([crack(20)], { strikes }), TODAY, NOTHING).answer).toBe(
    'no reason recorded against it',
  );
});
test('a crack past what is foretold, and one that parts more than the shop’s share of the outline: do not move', () => {
  expect(
    mayMove(records([crack(20)]), TODAY, { ...NOTHING, pastLimit: new Set([id(1)]) }).reasons[0],
  ).toMatchObject({
    why: 'past its limit',
  });
  const across = (webMm: number) => {
    const path = [
      { stationMm: 1500, face: 'bottom' as const, heightMm: flange },
      { stationMm: 1500, face: 'web' as const, heightMm: webMm },
    ];
    return mayMove(records([crack(0, { path }), clamp()]), TODAY, NOTHING).answer;
  };
  const half = (2 * flange + rail.shape.depthMm) / 2 - flange;
  expect(across(half - 1)).toBe('restricted');
  expect(across(half + 1)).toBe('do not move');
});
test('a later look makes it longer, and two cracks in one section add up', () => {
  const depth = rail.shape.depthMm;
  const other = crack(0, {
    id: id(5),
    path: [
      { stationMm: 1590, face: 'web', heightMm: depth },
      { stationMm: 1590, face: 'web', heightMm: 60 },
    ],
  });
  expect(mayMove(records([crack(flange), other]), TODAY, NOTHING).answer).toBe('do not move');
  const apart = { ...other, path: other.path.map((spot) => ({ ...spot, stationMm: 1650 })) };
  expect(mayMove(records([crack(flange), apart]), TODAY, NOTHING).answer).toBe('to the shop only');
  const look: Evidence = {
    kind: 'crack look',
    id: id(6),
    crackId: id(1),
    memberId: rail.id,
    startMm: 0,
    finishMm: depth,
    startFound: true,
    finishFound: true,
    seenBy: 'told',
    loadedBy: '',
    ...stamp,
    at: '2026-11-20T08:00:00Z',
  };
  expect(mayMove(records([crack(flange), look]), TODAY, NOTHING).answer).toBe('do not move');
});
const steering = hostsOf(frame).find(({ kind }) => kind === 'steering gear')!;
const hanger = hostsOf(frame).find(({ kind }) => kind === 'spring hanger')!;
const mount = hostsOf(frame).find(
  ({ carries }) => carries.length > 0 && carries.every((each) => each === 'body' || each === 'people'),
)!;
test.each([
  [steering, 'plate', { is: 'broken' }, 'do not move'],
  [steering, 'fasteners', { is: 'missing' }, 'do not move'],
  [steering, 'fasteners', { is: 'loose' }, 'to the shop only'],
  [steering, 'plate', { is: 'cracked' }, 'do not move'],
  [hanger, 'plate', { is: 'cracked' }, 'to the shop only'],
  [hanger, 'plate', { is: 'torn' }, 'do not move'],
  [mount, 'plate', { is: 'broken' }, 'to the shop only'],
  [mount, 'plate', { is: 'bent', offMm: 2 }, 'no reason recorded against it'],
] as const)(
  '%# a bracket found bad, by what it carries and whether it has let go',
  (host, part, state, answer) => {
    const find: Evidence = {
      kind: 'find',
      id: id(7),
      on: host.on,
      hostId: host.id,
      title: host.name,
      part,
      state: state as never,
      memberIds: [rail.id],
      ...stamp,
    };
    expect(mayMove(records([find]), TODAY, NOTHING).answer).toBe(answer);
  },
);

test('a bracket told to be cracked restricts until somebody has looked', () => {
  const find = (k: number, seenBy: 'told' | 'eye'): Evidence => ({
    kind: 'find',
    id: id(k),
    on: steering.on,
    hostId: steering.id,
    title: steering.name,
    part: 'plate',
    state: { is: 'cracked', seenBy },
    memberIds: [rail.id],
    ...stamp,
  });
  const told = mayMove(records([find(7, 'told')]), TODAY, NOTHING);
  expect(told).toMatchObject({
    answer: 'restricted',
    reasons: [{ why: 'found bad', found: ['plate cracked, by hearsay'] }],
  });
  const looked = find(8, 'eye');
  expect(mayMove(records([find(7, 'told'), looked]), TODAY, NOTHING).answer).toBe('do not move');
  const sound = { ...looked, state: { is: 'sound', ways: ['eye'] } } as Evidence;
  expect(mayMove(records([find(7, 'told'), sound]), TODAY, NOTHING).answer).toBe(
    'no reason recorded against it',
  );
});

test('a skin that was told to be torn is no reason against driving: it carries nothing of the frame', () => {
  const van = defaultFrame({
    ...familyOf('unibody').typical,
    family: 'unibody',
    steel: 'a36',
    datum: 'hole',
  });
  const floor = hostsOf(van).find(({ on }) => on === 'panel')!;
  const told: Evidence = {
    kind: 'find',
    id: id(7),
    on: 'panel',
    hostId: floor.id,
    title: floor.name,
    part: 'sheet',
    state: { is: 'cracked', seenBy: 'told' },
    memberIds: [],
    ...stamp,
  };
  expect(mayMove(records([told], { frame: van }), TODAY, NOTHING).reasons).toEqual([]);
});

describe('a temporary repair of another job of the unit', () => {
  const held = (more: object = {}, trips: Evidence[] = []) => ({
    heldElsewhere: { repairs: [clamp(more)], trips } as JobRecords['heldElsewhere'] & object,
  });
  test('counts down here too, by trips told in either', () => {
    const both = records([trip(12)], held({}, [{ ...trip(10), id: id(4) }]));
    expect(jobTimeLeft(both, TODAY)).toMatchObject([{ leftKm: 26, isOver: false }]);
    const over = records([trip(40)], held({}, [{ ...trip(10), id: id(4) }]));
    expect(mayMove(over, TODAY, NOTHING)).toMatchObject({ answer: 'do not move' });
  });
  const done = (stationMm: number, toMm: number, at: string, how = 'renewed'): Evidence =>
    ({
      kind: 'sign',
      id: id(9),
      memberId: rail.id,
      stationMm,
      toMm,
      face: 'bottom',
      heightMm: 10,
      ...stamp,
      at,
      detail: { sign: 'put right', done: how },
    }) as Evidence;
  test.each([
    ['its place renewed since', done(1400, 1600, '2026-11-15T08:00:00Z'), 0],
    ['renewed near it', done(1000, 1221, '2026-11-15T08:00:00Z'), 0],
    ['renewed farther off', done(1000, 1220, '2026-11-15T08:00:00Z'), 1],
    ['renewed before it was clamped', done(1400, 1600, '2026-11-11T08:00:00Z'), 1],
    ['straightened only', done(1400, 1600, '2026-11-15T08:00:00Z', 'straightened and checked'), 1],
  ])('%s', (_, sign, left) => {
    expect(jobTimeLeft(records([sign], held()), TODAY)).toHaveLength(left);
    expect(jobTimeLeft(records([clamp(), sign]), TODAY)).toHaveLength(left);
  });
  test('renewed by a closed job since', () => {
    const mended = { memberId: rail.id, fromMm: 1400, toMm: 1600, at: '2026-11-15T08:00:00Z' };
    expect(jobTimeLeft(records([], { ...held(), mendedBefore: [mended] }), TODAY)).toEqual([]);
    expect(
      jobTimeLeft(records([], { ...held(), mendedBefore: [{ ...mended, memberId: 'rail-right' }] }), TODAY),
    ).toHaveLength(1);
  });
});

test.each([
  ['Mend', [['modulus-kept', 'Mend']], 'no reason recorded against it'],
  ['Watch', [['demand-over-as-made', 'Watch']], 'no reason recorded against it'],
  ['Can’t say', [['spots-unseen', 'Can’t say']], 'no reason recorded against it'],
  ['Mend', [['looked-failed', 'Mend']], 'to the shop only'],
  ['Mend', [['struck-failed', 'Mend']], 'to the shop only'],
  ['Mend', [['crack-not-traced', 'Mend']], 'to the shop only'],
  ['Mend', [['demand-over', 'Mend']], 'to the shop only'],
  ['Renew', [['modulus-kept', 'Renew']], 'to the shop only'],
  [
    'Splice',
    [
      ['top-flange-gone', 'Splice'],
      ['area-kept', 'Mend'],
    ],
    'to the shop only',
  ],
  [
    'Renew',
    [
      ['parted-by-hand', 'Renew'],
      ['looked-failed', 'Renew'],
    ],
    'do not move',
  ],
  ['Renew', [['parted', 'Renew']], 'do not move'],
] as const)('metal judged %s by %j: %s, said once', (verdict, codes, answer) => {
  const findings = codes.map(([code, of]) => ({ code, verdict: of }));
  const weighed = new Map([[rail.id, { verdict: { verdict, findings } as never }]]);
  const said = mayMove(records([]), TODAY, { weighed });
  expect(said.answer).toBe(answer);
  expect(said.reasons.length).toBe(answer === 'no reason recorded against it' ? 0 : 1);
});

test('what parted, and a bracket that let go of an axle, stand in line and held before anything is welded', () => {
  const through = crack(0, {
    path: [
      { stationMm: 1500, face: 'bottom', heightMm: flange },
      { stationMm: 1500, face: 'web', heightMm: rail.shape.depthMm },
    ],
  });
  expect(toAlign(records([crack(20)]))).toEqual([]);
  expect(toAlign(records([through]))).toMatchObject([{ name: rail.name, lacks: ['not recorded'] }]);
  const aligned = (at: string, acrossMm: number): Evidence => ({
    kind: 'alignment',
    id: id(acrossMm + 40),
    of: { on: 'member', id: rail.id, stationMm: 1500 },
    acrossMm,
    upMm: 0,
    alongMm: 0,
    held: true,
    by: 'TM',
    at,
    note: '',
  });
  const [first, second] = [aligned('2026-11-20T08:00:00Z', 9), aligned('2026-11-20T10:00:00Z', 1)];
  expect(toAlign(records([through, second, first]))[0]!.lacks).toEqual([]);
  expect(toAlign(records([through, first]))[0]!.lacks).toEqual(['out of line']);
  const hanger = hostsOf(frame).find(({ carries }) => carries.includes('axle location'))!;
  const torn: Evidence = {
    kind: 'find',
    id: id(60),
    on: hanger.on,
    hostId: hanger.id,
    title: hanger.name,
    part: 'plate',
    state: { is: 'torn' },
    memberIds: [rail.id],
    ...stamp,
  };
  expect(toAlign(records([torn]))).toMatchObject([
    { name: hanger.name, locatesAxle: true, lacks: ['not recorded'] },
  ]);
});

describe('what pulls on a crack', () => {
  const at = (stationMm: number, rangeMpa: number) => ({ stationMm, rangeMpa });
  const demand = (along: object[], isDriven = true) =>
    ({ 'as found': { isDriven, members: [{ memberId: rail.id, along }] } }) as unknown as JobDemand;
  const asked = (along: object[], isDriven = true): StressThere | undefined =>
    stressAtCrack({ practice: DEFAULT_PRACTICE }, demand(along, isDriven), rail, crack(20));
  const depth = rail.shape.depthMm;
  test('is read beyond its slack on both sides and drawn straight between; a bump is three times it', () => {
    const along = [at(1500 - depth - 1, 20), at(1500, 90), at(1500 + depth + 1, 30)];
    expect(asked(along)).toEqual({ rangeMpa: 25, bumpMpa: 75, yieldMpa: expect.closeTo(248.2, 0) });
    expect(asked([at(1500 - depth + 1, 90), at(1500 + depth + 1, 30)])!.rangeMpa).toBe(30);
  });
  test('is no less than what the frame as made does at the place itself, where moments peak', () => {
    const found = [at(1500 - depth - 1, 20), at(1500 + depth + 1, 30)];
    const made = (mpa: number) =>
      ({
        ...demand(found),
        'as built': { members: [{ memberId: rail.id, along: [at(1490, mpa), at(3000, 99)] }] },
      }) as unknown as JobDemand;
    const asked2 = (mpa: number) =>
      stressAtCrack({ practice: DEFAULT_PRACTICE }, made(mpa), rail, crack(20))!.rangeMpa;
    expect(asked2(24)).toBe(25);
    expect(asked2(40)).toBe(40);
  });
  test('nothing is known without loads, without the member, or without a model', () => {
    expect(asked([at(100, 20)], false)).toBeUndefined();
    expect(asked([])).toBeUndefined();
    expect(stressAtCrack({ practice: DEFAULT_PRACTICE }, undefined, rail, crack(20))).toBeUndefined();
  });
});
