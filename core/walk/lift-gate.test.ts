import {
  INSTEAD,
  insteadOf,
  LIFT_REASONS,
  liftAnswer,
  liftReasons,
  metalReasons,
  type Instead,
  type LiftEvidence,
  type LiftFacts,
  type LiftPlan,
  type LiftReason,
  type Sign,
  type SignDetail,
  type SpotState,
} from '.';
import { defaultFrame, familyOf, type Stand } from '../frame';

/** Every reason of the lift gate with a case on either side of its limit, on facts and findings made by hand. */
const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const rail = frame.members.find((member) => member.id === 'rail-left')!;
const AT = 2000;
const REACH = 300;
const point = (more: object = {}) => ({
  id: 'p',
  side: 'left' as const,
  stationMm: AT,
  ratingN: 20_000,
  ...more,
});
const plan = (more: Partial<LiftPlan> = {}): LiftPlan => ({
  way: 'two-post pads',
  points: [point()],
  wheelsDown: [],
  unloaded: false,
  slopeAlongDeg: 0,
  slopeAcrossDeg: 0,
  ...more,
});
const pad: Stand = { on: 'pad', pointId: 'p' };
const facts = (more: Partial<LiftFacts> = {}): LiftFacts => ({
  supports: [{ stand: pad, upN: 10_000, sideN: 0 }],
  members: [{ memberId: 'rail-left', stationMm: AT, utilisation: 0.3, measured: true }],
  pads: [{ pointId: 'p', upN: 10_000, capacityN: 40_000 }],
  loadsKnown: true,
  ...more,
});
const state = (more: object, spot: object = {}): SpotState =>
  ({
    spot: { id: 's', title: 'Hanger', memberId: 'rail-left', fromMm: AT, toMm: AT, critical: true, ...spot },
    seen: true,
    measured: false,
    ...more,
  }) as SpotState;
const sign = (detail: SignDetail, more: object = {}): Sign =>
  ({
    kind: 'sign',
    id: 'x',
    memberId: 'rail-left',
    stationMm: AT,
    face: 'bottom',
    heightMm: 5,
    detail,
    ...more,
  }) as Sign;
const evidence = (more: Partial<LiftEvidence> = {}): LiftEvidence => ({
  frame,
  spots: [],
  signs: [],
  readings: [{ memberId: 'rail-left', stationMm: AT, kept: 0.95 }],
  cracks: [],
  notices: [],
  reachMm: REACH,
  ...more,
});
const codes = (reasons: readonly LiftReason[], weight: LiftReason['weight']) =>
  reasons.filter((reason) => reason.weight === weight).map((reason) => reason.code);
const said = (of: LiftPlan, with_: LiftFacts, found: LiftEvidence) => {
  const reasons = liftReasons(of, with_, found);
  return [codes(reasons, 'refused'), codes(reasons, 'unknown')];
};

test('a sound rail, read there, carrying little, on a rated pad: nothing against it, and it says what it rests on', () => {
  const reasons = liftReasons(plan(), facts(), evidence());
  expect(codes(reasons, 'refused')).toEqual([]);
  expect(codes(reasons, 'unknown')).toEqual([]);
  expect(codes(reasons, 'note')).toEqual(['seen under', 'demand within']);
  expect(liftAnswer(reasons, false)).toBe('Lift here');
});

describe('the metal within reach', () => {
  const metal = (found: Partial<LiftEvidence>) => {
    const reasons = metalReasons(rail, AT, evidence(found));
    return [...codes(reasons, 'refused'), ...codes(reasons, 'unknown')];
  };
  const reading = (kept: number, stationMm = AT) => ({
    readings: [{ memberId: 'rail-left', stationMm, kept }],
  });
  test.each([
    [0, 'through near'],
    [0.02, 'through near'],
    [0.021, 'thin near'],
    [0.499, 'thin near'],
    [0.5, undefined],
    [1, undefined],
  ])('%d of the wall left', (kept, code) => expect(metal(reading(kept))).toEqual(code ? [code] : []));
  test('the thinnest of several readings counts, wherever it stands among them', () => {
    const readings = [0.9, 0.3, 0.95].map((kept) => ({ memberId: 'rail-left', stationMm: AT, kept }));
    expect(metal({ readings })).toEqual(['thin near']);
    expect(metal({ readings: [...readings].reverse() })).toEqual(['thin near']);
  });
  test.each([
    [AT + REACH, ['thin near']],
    [AT - REACH, ['thin near']],
    [AT + REACH + 1, ['unseen under']],
    [AT - REACH - 1, ['unseen under']],
  ])('a thin place at %d', (stationMm, expected) => expect(metal(reading(0.1, stationMm))).toEqual(expected));
  test('what stands on another member says nothing here', () =>
    expect(metal({ readings: [{ memberId: 'rail-right', stationMm: AT, kept: 0.1 }] })).toEqual([
      'unseen under',
    ]));
  test.each<[SignDetail, string[]]>([
    [{ sign: 'struck', tool: 'hammer', answer: 'gave way' }, ['failed near']],
    [{ sign: 'struck', tool: 'hammer', answer: 'even ring' }, []],
    [{ sign: 'hole', acrossMm: 20 }, ['through near']],
    [{ sign: 'hole', acrossMm: 20, expectedMm: 20 }, []],
    [{ sign: 'old repair', cover: 'skin over rust' }, ['hidden under']],
    [{ sign: 'holds it together', part: 'step bracket' }, ['holds together']],
    [{ sign: 'light through', shows: 'it lights up' }, ['failed near']],
  ])('%j', (detail, expected) => expect(metal({ signs: [sign(detail)] })).toEqual(expected));
  test('a sign counts as far as it reaches along, and no further', () => {
    const gone: SignDetail = { sign: 'struck', tool: 'pick', answer: 'gave way' };
    const far = { stationMm: 500, toMm: AT - REACH };
    expect(metal({ signs: [sign(gone, far)] })).toEqual(['failed near']);
    expect(metal({ signs: [sign(gone, { ...far, toMm: AT - REACH - 1 })] })).toEqual([]);
  });
  test.each([
    ['soft', 'failed near'],
    ['through', 'through near'],
    ['cracked', 'crack near'],
    ['scaling', undefined],
  ])('looked at and found %s', (result, code) =>
    expect(metal({ spots: [state({ result })] })).toEqual(code ? [code] : []),
  );
  test('a crack within reach; one beyond is none here', () => {
    const crack = (fromMm: number) => ({ cracks: [{ memberId: 'rail-left', fromMm, toMm: fromMm + 20 }] });
    expect(metal(crack(AT + REACH))).toEqual(['crack near']);
    expect(metal(crack(AT + REACH + 1))).toEqual([]);
  });
  test('nobody was there: unknown; seen without a reading: said so', () => {
    expect(metal({ readings: [] })).toEqual(['unseen under']);
    expect(metal({ readings: [], spots: [state({ seen: false })] })).toEqual(['unseen under']);
    const looked = metalReasons(rail, AT, evidence({ readings: [], spots: [state({ seen: true })] }));
    expect(codes(looked, 'note')).toEqual(['nothing read under']);
    const struck = metalReasons(
      rail,
      AT,
      evidence({ readings: [], signs: [sign({ sign: 'struck', tool: 'hammer', answer: 'even ring' })] }),
    );
    expect(codes(struck, 'note')).toEqual(['nothing read under']);
  });
});

describe('points and what they stand under', () => {
  test('beside the frame there is nothing to lift by; without points there is no lift', () => {
    expect(said(plan({ points: [point({ stationMm: 39_000 })] }), facts(), evidence())[0]).toEqual([
      'nothing there',
    ]);
    expect(said(plan({ points: [] }), facts({ supports: [] }), evidence())[0]).toEqual(['no points']);
  });
  const pads = (upN: number) => facts({ pads: [{ pointId: 'p', upN, capacityN: 10_000 }] });
  test('the web crushes above its strength and not at it', () => {
    expect(said(plan(), pads(10_000), evidence())[0]).toEqual([]);
    expect(said(plan(), pads(10_001), evidence())[0]).toEqual(['web crushes']);
  });
  const up = (upN: number, sideN = 0) => facts({ supports: [{ stand: pad, upN, sideN }] });
  test('a pad loaded to its rating, and a newton over it', () => {
    expect(said(plan(), up(20_000), evidence())[0]).toEqual([]);
    expect(said(plan(), up(20_001), evidence())[0]).toEqual(['rating over']);
  });
  test('a point that would have to pull tips; one pushed sideways by more than a fifth slides', () => {
    expect(said(plan(), up(1), evidence())[0]).toEqual([]);
    expect(said(plan(), up(0), evidence())[0]).toEqual(['tips']);
    expect(said(plan(), up(10_000, 2000), evidence())[0]).toEqual([]);
    expect(said(plan(), up(10_000, 2001), evidence())[0]).toEqual(['slides']);
  });
  test('a wheel that is pushed sideways does not slide off its tyre', () => {
    const tyre: Stand = { on: 'tyre', axleId: 'a', side: 'left' };
    const on = facts({
      supports: [
        { stand: pad, upN: 1000, sideN: 0 },
        { stand: tyre, upN: 1000, sideN: 900 },
      ],
    });
    expect(said(plan(), on, evidence())[0]).toEqual([]);
  });
  test('an unrated point without a rated hoist is unknown; the hoist’s rating stands for it', () => {
    const unrated = plan({ points: [point({ ratingN: undefined })] });
    expect(said(unrated, up(10_000), evidence())).toEqual([[], ['no rating']]);
    expect(said({ ...unrated, hoistRatingN: 10_000 }, up(10_000), evidence())).toEqual([[], []]);
    expect(said({ ...unrated, hoistRatingN: 9999 }, up(10_000), evidence())).toEqual([['hoist over'], []]);
  });
});

describe('ways that hold the unit by what it stands on', () => {
  const stands: Record<string, Stand> = {
    'by the axles': { on: 'tyre', axleId: 'a', side: 'left' },
    'on its legs': { on: 'leg', legId: 'leg-left' },
    hitched: { on: 'coupler' },
  };
  test.each(Object.keys(stands) as LiftPlan['way'][])('%s: rated, unrated, over', (way) => {
    const on = facts({
      supports: [
        { stand: stands[way]!, upN: 8000, sideN: 0 },
        { stand: stands[way]!, upN: 9000, sideN: 0 },
      ],
    });
    const by = plan({ way, points: [] });
    expect(said(by, on, evidence())).toEqual([[], ['no rating']]);
    expect(said({ ...by, hoistRatingN: 9000 }, on, evidence())).toEqual([[], []]);
    expect(said({ ...by, hoistRatingN: 8999 }, on, evidence())).toEqual([['rating over'], []]);
    expect(codes(liftReasons(by, on, evidence()), 'note')).toContain('stays as it stands');
  });
  test('on four posts the whole weight stands against the hoist', () => {
    const tyre = (side: 'left' | 'right'): Stand => ({ on: 'tyre', axleId: 'a', side });
    const on = facts({
      supports: (['left', 'right'] as const).map((side) => ({ stand: tyre(side), upN: 5000, sideN: 0 })),
    });
    const by = plan({ way: 'four-post', points: [] });
    expect(said(by, on, evidence())).toEqual([[], ['no rating']]);
    expect(said({ ...by, hoistRatingN: 10_000 }, on, evidence())).toEqual([[], []]);
    expect(said({ ...by, hoistRatingN: 9999 }, on, evidence())).toEqual([['hoist over'], []]);
  });
});

describe('what it loads further along', () => {
  const carries = (utilisation: number, measured = true) =>
    facts({ members: [{ memberId: 'rail-right', stationMm: 10, utilisation, measured }] });
  test.each([
    [1, true, [[], []]],
    [1.001, true, [['demand over'], []]],
    [0.6, false, [[], []]],
    [0.61, false, [[], ['not measured, near its limit']]],
    [0.61, true, [[], []]],
  ])('carrying %d of what it may, measured: %s', (utilisation, measured, expected) =>
    expect(said(plan(), carries(utilisation, measured), evidence())).toEqual(expected),
  );
  const crack = evidence({ cracks: [{ memberId: 'rail-right', fromMm: 10, toMm: 30 }] });
  test('a crack on a member that carries a tenth or more: refused, but on its own wheels unknown', () => {
    expect(said(plan(), carries(0.1), crack)[0]).toEqual(['crack on what it loads']);
    expect(said(plan(), carries(0.09), crack)[0]).toEqual([]);
    const stays = plan({ way: 'four-post', points: [], hoistRatingN: 1e6 });
    expect(said(stays, carries(0.1), crack)).toEqual([[], ['crack on what it loads']]);
    const axles = plan({ way: 'by the axles', points: [], hoistRatingN: 1e6 });
    expect(said(axles, carries(0.1), crack)).toEqual([[], ['crack on what it loads']]);
    const jack = plan({ way: 'jack' });
    expect(said(jack, carries(0.1), crack)[0]).toEqual(['crack on what it loads']);
  });
  test('a crack seen at a spot counts as one traced does', () => {
    const seen = evidence({ spots: [state({ result: 'cracked' }, { memberId: 'rail-right' })] });
    expect(said(plan(), carries(0.1), seen)[0]).toEqual(['crack on what it loads']);
    expect(said(plan(), carries(0.09), seen)[0]).toEqual([]);
  });
  test('a critical spot nobody saw on what it loads is unknown; one that is not critical is not', () => {
    const unseen = (critical: boolean) =>
      evidence({ spots: [state({ seen: false }, { memberId: 'rail-right', critical })] });
    expect(said(plan(), carries(0.1), unseen(true))[1]).toEqual(['unseen critical']);
    expect(said(plan(), carries(0.09), unseen(true))[1]).toEqual([]);
    expect(said(plan(), carries(0.1), unseen(false))[1]).toEqual([]);
  });
  test('loads not known, or not solved: unknown, and then every member counts as loaded', () => {
    expect(said(plan(), facts({ loadsKnown: false }), evidence())[1]).toEqual(['loads unknown']);
    const unsolved = facts({ unsolved: 'it would not stand', members: [] });
    expect(said(plan(), unsolved, crack)).toEqual([['crack on what it loads'], ['not computed']]);
  });
  test('a slope is counted and said; a notice that speaks of lifting waits for a person', () => {
    const sloped = liftReasons(plan({ slopeAlongDeg: 3, slopeAcrossDeg: 4 }), facts(), evidence());
    expect(sloped.find((reason) => reason.code === 'slope counted')!.value).toBe(5);
    for (const words of ['Do not lift here', 'No JACK behind the cab', 'never hoist', 'do not raise'])
      expect(said(plan(), facts(), evidence({ notices: [words] }))[1]).toEqual(['notice']);
    expect(said(plan(), facts(), evidence({ notices: ['Drains plugged'] }))[1]).toEqual([]);
  });
});

test.each([
  [[], false, 'Lift here'],
  [['unknown'], false, 'Not at all yet'],
  [['unknown'], true, 'Not at all yet'],
  [['refused'], true, 'Not here'],
  [['refused'], false, 'Not at all yet'],
  [['refused', 'unknown'], true, 'Not here'],
  [['note'], false, 'Lift here'],
] as const)('%j, a place elsewhere: %s → %s', (weights, elsewhere, answer) =>
  expect(
    liftAnswer(
      weights.map((weight) => ({ code: 'tips', weight })),
      elsewhere,
    ),
  ).toBe(answer),
);

test('what to do instead follows from why it was refused, and every way is reached by some reason', () => {
  const instead = (
    code: LiftReason['code'],
    more: Partial<LiftPlan> = {},
    weight: LiftReason['weight'] = 'refused',
  ) => insteadOf(plan(more), [{ code, weight }]);
  expect(instead('unseen under', {}, 'unknown')).toEqual(['see first']);
  expect(instead('unseen critical', {}, 'unknown')).toEqual(['see first']);
  expect(instead('demand over')).toEqual([
    'more points',
    'unload first',
    'by the axles',
    'on tracks or ramps',
  ]);
  expect(instead('demand over', { unloaded: true })).not.toContain('unload first');
  expect(instead('demand over', { way: 'four-post' })).toEqual(['more points', 'unload first']);
  expect(instead('web crushes')).toEqual(['more points', 'unload first', 'cribbing under hangers']);
  expect(instead('rating over')).toEqual(['more points', 'unload first']);
  expect(instead('failed near')).toEqual(['by the axles', 'on tracks or ramps', 'cribbing under hangers']);
  expect(instead('tips')).toEqual(['level ground first']);
  expect(instead('slides')).toEqual(['level ground first']);
  expect(instead('seen under', {}, 'note')).toEqual([]);
  const reached = new Set(LIFT_REASONS.flatMap((code): Instead[] => instead(code)));
  expect([...reached].sort()).toEqual([...INSTEAD].sort());
});
