import { defaultFrame, familyOf, type Stand } from '../../frame';
import { DEFAULT_PRACTICE, metalPractice } from '../../reference';
import type { Reading } from '../../probe';
import type { Crack } from '../../trace';
import {
  LIFT_REASONS,
  type LiftFacts,
  type LiftPlan,
  type LiftReason,
  type Sign,
  type SignDetail,
  type SpotState,
} from '../../walk';
import { memberPicture } from '../picture';
import {
  INSTEAD,
  insteadOf,
  liftAnswer,
  liftReasons,
  metalReasons,
  type Instead,
  type LiftEvidence,
} from '.';

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
  members: [{ memberId: 'rail-left', stationMm: AT, utilisation: 0.3 }],
  pads: [{ pointId: 'p', upN: 10_000, capacityN: 40_000 }],
  loadsKnown: true,
  ...more,
});
const state = (more: object, spot: object = {}): SpotState =>
  ({
    spot: { id: 's', title: 'Hanger', memberId: 'rail-left', fromMm: AT, toMm: AT, critical: true, ...spot },
    seen: true,
    measured: false,
    ...('result' in more && { look: { id: 'look', at: '2026-01-02T00:00:00Z', ways: ['eye'] } }),
    ...more,
  }) as SpotState;
const looked = (result: string, ways: string[] = ['eye']) =>
  state({ result, look: { id: 'look', at: '2026-01-02T00:00:00Z', ways } });
const sign = (detail: SignDetail, more: object = {}): Sign =>
  ({
    kind: 'sign',
    id: 'x',
    memberId: 'rail-left',
    stationMm: AT,
    face: 'bottom',
    heightMm: 5,
    at: '2026-01-02T00:00:00Z',
    detail,
    ...more,
  }) as Sign;
const reading = (kept: number, stationMm = AT, more: object = {}): Reading =>
  ({
    kind: 'reading',
    id: 'r',
    memberId: 'rail-left',
    stationMm,
    face: 'bottom',
    heightMm: 30,
    method: 'ultrasonic',
    thicknessMm: kept * rail.shape.thicknessMm,
    at: '2026-01-01T00:00:00Z',
    ...more,
  }) as Reading;
const crack = (fromMm: number, memberId = 'rail-left'): Crack =>
  ({
    kind: 'crack',
    id: 'c',
    memberId,
    at: '2026-01-01T00:00:00Z',
    startFound: true,
    finishFound: true,
    path: [
      { stationMm: fromMm, face: 'web', heightMm: 20 },
      { stationMm: fromMm + 20, face: 'web', heightMm: 60 },
    ],
  }) as Crack;
interface Found {
  readonly readings?: readonly Reading[];
  readonly cracks?: readonly Crack[];
  readonly signs?: readonly Sign[];
  readonly spots?: readonly SpotState[];
}
const accountOf = (id: string, { readings = [], cracks = [], signs = [], spots = [] }: Found) =>
  memberPicture({
    frame,
    member: frame.members.find((member) => member.id === id)!,
    practice: metalPractice(DEFAULT_PRACTICE),
    readings,
    cracks,
    signs,
    walk: { spots, twinBad: [] },
  }).account;
const SOUND: Found = { readings: [reading(0.95)] };
const evidence = (left: Found = SOUND, right: Found = {}, notices: string[] = []): LiftEvidence => ({
  frame,
  accounts: new Map([
    ['rail-left', accountOf('rail-left', left)],
    ['rail-right', accountOf('rail-right', right)],
  ]),
  hosts: [],
  notices,
  reachMm: REACH,
  partedShare: 0.5,
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
  const reasonsOn = (found: Found) => metalReasons(rail, AT, accountOf('rail-left', found), REACH);
  const metal = (found: Found) => {
    const reasons = reasonsOn(found);
    return [...codes(reasons, 'refused'), ...codes(reasons, 'unknown')];
  };
  test.each([
    [0, 'through near'],
    [0.02, 'through near'],
    [0.021, 'thin near'],
    [0.499, 'thin near'],
    [0.5, undefined],
    [1, undefined],
  ])('%d of the wall left', (kept, code) =>
    expect(metal({ readings: [reading(kept)] })).toEqual(code ? [code] : []),
  );
  test('the thinnest of several readings counts as it was read, wherever it stands among them', () => {
    const readings = [0.9, 0.3, 0.95].map((kept, k) => reading(kept, AT, { heightMm: 20 * (k + 1) }));
    expect(metal({ readings })).toEqual(['thin near']);
    expect(metal({ readings: [...readings].reverse() })).toEqual(['thin near']);
  });
  test('a thin place within reach, and one beyond it', () => {
    expect(metal({ readings: [reading(0.1, AT + REACH - 30)] })).toContain('thin near');
    expect(metal({ readings: [reading(0.1, AT - REACH + 30)] })).toContain('thin near');
    expect(metal({ readings: [reading(0.1, AT + REACH + 60)] })).not.toContain('thin near');
    expect(metal({ readings: [reading(0.1, AT - REACH - 60)] })).not.toContain('thin near');
  });
  test('the face it bears on has to be known: readings on the web say nothing of it', () => {
    expect(metal({ readings: [reading(1, AT, { face: 'web', heightMm: 180 })] })).toEqual(['unseen under']);
    expect(metal({ readings: [reading(1)] })).toEqual([]);
  });
  test.each<[SignDetail, string[]]>([
    [{ sign: 'struck', tool: 'hammer', answer: 'gave way' }, ['failed near']],
    [{ sign: 'struck', tool: 'hammer', answer: 'even ring' }, []],
    [{ sign: 'struck', tool: 'hammer', answer: 'dull' }, ['doubtful under']],
    [{ sign: 'hole', acrossMm: 20 }, ['through near']],
    [{ sign: 'hole', acrossMm: 20, expectedMm: 20 }, []],
    [{ sign: 'old repair', cover: 'skin over rust' }, ['hidden under']],
    [{ sign: 'holds it together', part: 'step bracket' }, ['doubtful under']],
    [{ sign: 'light through', shows: 'it lights up' }, ['failed near']],
    [{ sign: 'out of shape', is: 'torn', offMm: 5 }, ['failed near']],
    [{ sign: 'out of shape', is: 'bent', offMm: 5 }, ['doubtful under']],
  ])('%j', (detail, expected) => {
    const around = looked('sound');
    expect(metal({ spots: [around], signs: [sign(detail)] })).toEqual(expected);
  });
  test('a cover on another face than it bears on is said, and keeps nothing shut by itself', () => {
    const cover = sign({ sign: 'old repair', cover: 'filler' }, { face: 'web', heightMm: 100 });
    const reasons = reasonsOn({ readings: [reading(1)], signs: [cover] });
    expect(codes(reasons, 'unknown')).toEqual([]);
    expect(codes(reasons, 'note')).toContain('hidden under');
  });
  test('a tap on the cover confirms the cover; opened, the metal beneath speaks for itself', () => {
    const cover = sign({ sign: 'old repair', cover: 'skin over rust' }, { at: '2026-01-02T00:00:00Z' });
    const later = (detail: SignDetail, day: number) => sign(detail, { at: `2026-01-0${day}T00:00:00Z` });
    const tap = later({ sign: 'struck', tool: 'hammer', answer: 'even ring' }, 3);
    const dead = later({ sign: 'struck', tool: 'hammer', answer: 'dead' }, 3);
    for (const answer of [tap, dead])
      expect(metal({ spots: [looked('sound')], signs: [cover, answer] })).toEqual(['hidden under']);
    const opened = later({ sign: 'opened', how: 'cover taken off' }, 4);
    const again = later({ sign: 'struck', tool: 'hammer', answer: 'even ring' }, 5);
    expect(metal({ signs: [cover, tap, opened, again] })).toEqual([]);
    const through = later({ sign: 'struck', tool: 'hammer', answer: 'gave way' }, 5);
    expect(metal({ signs: [cover, tap, opened, through] })).toEqual(['failed near', 'unseen under']);
  });
  test('doubt along a stretch does not speak against a place that was struck all along since', () => {
    const doubted = sign(
      { sign: 'delamination' },
      { id: 'd', stationMm: AT - 1500, toMm: AT + 1500, at: '2026-01-02T00:00:00Z' },
    );
    const rang = (halfMm: number) =>
      sign(
        { sign: 'struck', tool: 'hammer', answer: 'even ring' },
        { id: 's', stationMm: AT - halfMm, toMm: AT + halfMm, at: '2026-01-03T00:00:00Z' },
      );
    expect(metal({ signs: [doubted] })).toContain('doubtful under');
    expect(metal({ signs: [doubted, rang(REACH + 60)] })).toEqual([]);
    expect(metal({ signs: [doubted, rang(REACH - 60)] })).toContain('doubtful under');
  });
  test('a sign counts as far as it reaches along, and no further', () => {
    const gone: SignDetail = { sign: 'struck', tool: 'pick', answer: 'gave way' };
    const far = { stationMm: 500, toMm: AT - REACH };
    expect(metal({ readings: [reading(1)], signs: [sign(gone, far)] })).toEqual(['failed near']);
    expect(metal({ readings: [reading(1)], signs: [sign(gone, { ...far, toMm: AT - REACH - 1 })] })).toEqual(
      [],
    );
  });
  test.each([
    ['soft', ['failed near', 'doubtful under', 'unseen under']],
    ['through', ['through near', 'doubtful under', 'unseen under']],
    ['cracked', ['crack near', 'doubtful under', 'unseen under']],
    ['delaminating', ['doubtful under', 'unseen under']],
    ['scaling', ['doubtful under']],
    ['surface rust', []],
  ])('looked at and found %s', (result, expected) =>
    expect(metal({ spots: [looked(result)] }).sort()).toEqual([...expected].sort()),
  );
  test('a crack within reach; one beyond is none here', () => {
    const sound = { readings: [reading(1)] };
    expect(metal({ ...sound, cracks: [crack(AT + REACH)] })).toEqual(['crack near']);
    expect(metal({ ...sound, cracks: [crack(AT + REACH + 1)] })).toEqual([]);
  });
  test('nobody was there: unknown; seen without a reading: said so', () => {
    expect(metal({})).toEqual(['unseen under']);
    expect(metal({ spots: [state({ seen: false })] })).toEqual(['unseen under']);
    expect(codes(reasonsOn({ spots: [looked('sound')] }), 'note')).toEqual(['nothing read under']);
    const struck = sign({ sign: 'struck', tool: 'hammer', answer: 'even ring' });
    expect(codes(reasonsOn({ spots: [looked('sound')], signs: [struck] }), 'note')).toEqual(['seen under']);
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
  test('a leg slides as a pad does', () => {
    const leg: Stand = { on: 'leg', legId: 'left leg' };
    const on = (sideN: number) =>
      said(
        plan({ way: 'on its legs', points: [], hoistRatingN: 20_000 }),
        facts({ supports: [{ stand: leg, upN: 10_000, sideN }], pads: [] }),
        evidence(),
      )[0];
    expect([on(2000), on(2001)]).toEqual([[], ['slides']]);
  });
  test('on a slope of a fifth it slides, whatever else holds it for now', () => {
    const on = (slopeAlongDeg: number, slopeAcrossDeg = 0) =>
      said(plan({ slopeAlongDeg, slopeAcrossDeg }), up(10_000), evidence())[0];
    expect([on(11.3), on(0, -11.3), on(7.9, 7.9)]).toEqual([[], [], []]);
    expect([on(11.4), on(0, -11.4), on(8.2, -8.2)]).toEqual([['slides'], ['slides'], ['slides']]);
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
  const carries = (utilisation: number, least = utilisation) =>
    facts({
      members: [{ memberId: 'rail-right', stationMm: 10, utilisation }],
      least: { members: [{ memberId: 'rail-right', stationMm: 10, utilisation: least }], pads: [] },
    });
  test.each([
    [1, 1, [[], []]],
    [1.001, 1.001, [['demand over'], []]],
    [5, 5, [['demand over'], []]],
    [5.001, 9, [['carries nothing'], []]],
    [0.3, 1, [[], []]],
    [0.3, 1.001, [[], ['decided by']]],
  ])('uses %d of what it may, %d with all that is unknown taken away', (utilisation, least, expected) =>
    expect(said(plan(), carries(utilisation, least), evidence())).toEqual(expected),
  );
  test('what decides is named: the spot nobody saw, the cover, the look without a hammer', () => {
    const named = (right: Found) =>
      liftReasons(plan(), carries(0.3, 2), evidence(SOUND, right)).find(({ code }) => code === 'decided by')
        ?.name;
    const on = { memberId: 'rail-right', fromMm: 10, toMm: 10 };
    expect(named({ spots: [state({ seen: false }, on)] })).toBe('Hanger');
    expect(named({ signs: [sign({ sign: 'old repair', cover: 'filler' }, { stationMm: 20 })] })).toBe(
      'filler',
    );
    expect(named({ spots: [state({ result: 'sound' }, on)] })).toBe('Hanger: seen, not struck');
    expect(named({})).toBeUndefined();
  });
  test('carrying without it all is said, with how much', () => {
    const reasons = liftReasons(plan(), carries(0.3, 0.8), evidence());
    expect(reasons).toContainEqual(
      expect.objectContaining({ code: 'stands without', weight: 'note', value: 0.8 }),
    );
  });
  test('a web that would crush without its doubtful metal is unknown, and refused where it would in any case', () => {
    const pads = (found: number, least: number) =>
      facts({
        pads: [{ pointId: 'p', upN: 10_000, capacityN: found }],
        least: { members: [], pads: [{ pointId: 'p', upN: 10_000, capacityN: least }] },
      });
    expect(said(plan(), pads(10_000, 10_000), evidence())).toEqual([[], []]);
    expect(said(plan(), pads(10_000, 9999), evidence())).toEqual([[], ['decided by']]);
    expect(said(plan(), pads(9999, 9998), evidence())).toEqual([['web crushes'], []]);
  });
  test('not standing at all without the unknown is unknown', () => {
    const falls = facts({ least: { members: [], pads: [], unsolved: 'it would not stand' } });
    expect(said(plan(), falls, evidence())).toEqual([[], ['decided by']]);
  });
  const cracked = evidence(SOUND, { cracks: [crack(10, 'rail-right')] });
  test('a crack on a member loaded anew by a tenth or more: refused, but on its own wheels unknown', () => {
    expect(said(plan(), carries(0.1), cracked)[0]).toEqual(['crack on what it loads']);
    expect(said(plan(), carries(0.099), cracked)[0]).toEqual([]);
    const stays = plan({ way: 'four-post', points: [], hoistRatingN: 1e6 });
    expect(said(stays, carries(0.1), cracked)).toEqual([[], ['crack on what it loads']]);
    expect(codes(liftReasons(stays, carries(0.099), cracked), 'note')).toContain('crack on what it loads');
    const axles = plan({ way: 'by the axles', points: [], hoistRatingN: 1e6 });
    expect(said(axles, carries(0.1), cracked)).toEqual([[], ['crack on what it loads']]);
    const jack = plan({ way: 'jack' });
    expect(said(jack, carries(0.1), cracked)[0]).toEqual(['crack on what it loads']);
  });
  test('a crack seen at a spot counts as one traced does; gone metal is said', () => {
    const on = { memberId: 'rail-right', fromMm: 10, toMm: 10 };
    const seen = (result: string) => evidence(SOUND, { spots: [state({ result }, on)] });
    expect(said(plan(), carries(0.1), seen('cracked'))[0]).toEqual(['crack on what it loads']);
    expect(said(plan(), carries(0.099), seen('cracked'))[0]).toEqual([]);
    expect(codes(liftReasons(plan(), carries(0.1), seen('through')), 'note')).toContain(
      'gone on what it loads',
    );
  });
  test('a member parted over its outline is refused, however little the model finds on its halves', () => {
    const all = (['top', 'web', 'bottom'] as const).map((face, k) =>
      sign(
        { sign: 'out of shape', is: 'torn', offMm: 5 },
        { id: `${k}`, face, heightMm: 30, stationMm: 500 },
      ),
    );
    const round = (['top', 'web', 'web', 'web', 'bottom'] as const).map((face, k) =>
      sign(
        { sign: 'hole', acrossMm: 60 },
        { id: `${k}`, face, heightMm: face === 'web' ? 35 + 60 * (k - 1) : 35, stationMm: 500 },
      ),
    );
    const on = (signs: readonly Sign[]) =>
      evidence(SOUND, { signs: signs.map((each) => ({ ...each, memberId: 'rail-right' })) });
    expect(said(plan(), carries(0.01), on(round))[0]).toEqual(['carries nothing']);
    expect(said(plan(), carries(0.01), on(all.slice(0, 1)))[0]).toEqual([]);
    const stays = plan({ way: 'four-post', points: [], hoistRatingN: 1e6 });
    expect(said(stays, carries(0.01), on(round))).toEqual([[], ['carries nothing']]);
  });
  test('a failed fitting on what is loaded anew is refused, on its own wheels unknown; a doubtful one is said', () => {
    const hanger = {
      on: 'fitting',
      id: 'h',
      kind: 'spring hanger' as const,
      name: 'Rear hanger',
      memberIds: ['rail-right'],
      stationMm: 10,
      found: ['cracked'],
      needs: ['renew it'],
      carriesNothing: true,
      hasLetGo: false,
      isCracked: true,
      isToldBad: false,
      verdict: 'Renew',
      carries: [],
      firmness: 'firm',
      isAgain: false,
    } as const;
    const on = (more: object = {}) => ({ ...evidence(), hosts: [{ ...hanger, ...more }] });
    expect(said(plan(), carries(0.1), on())[0]).toEqual(['fitting failed']);
    expect(said(plan(), carries(0.099), on())[0]).toEqual([]);
    const stays = plan({ way: 'four-post', points: [], hoistRatingN: 1e6 });
    expect(said(stays, carries(0.1), on())).toEqual([[], ['fitting failed']]);
    expect(said(plan(), carries(0.1), on({ verdict: 'Watch', carriesNothing: false }))).toEqual([[], []]);
    const reason = liftReasons(plan(), carries(0.1), on()).find(({ code }) => code === 'fitting failed');
    expect(reason).toMatchObject({ memberId: 'rail-right', stationMm: 10, name: 'Rear hanger: cracked' });
    const joint = on({ on: 'joint', memberIds: ['cross-1', 'rail-right'] });
    expect(said(plan(), carries(0.1), joint)[0]).toEqual(['fitting failed']);
    expect(said(plan(), carries(0.1), on({ on: 'panel' }))).toEqual([[], []]);
    expect(said(plan(), carries(0.01), on({ memberIds: [] }))[0]).toEqual(['fitting failed']);
  });
  test('measures that nobody took from the unit are unknown', () => {
    const on = (presumed?: true) => {
      const base = evidence();
      return { ...base, frame: { ...base.frame, ...(presumed && { presumed }) } };
    };
    expect(said(plan(), facts({}), on(true))[1]).toEqual(['measures unknown']);
    expect(said(plan(), facts({}), on())[1]).toEqual([]);
  });
  test('a record that cannot be read keeps the gate shut, whatever else carries; none of them does not', () => {
    const on = (unreadable: number) => ({ ...evidence(), unreadable });
    expect(said(plan(), facts({}), on(1))[1]).toEqual(['records unreadable']);
    expect(liftAnswer(liftReasons(plan(), facts({}), on(1)), false)).toBe('Not known');
    expect(said(plan(), facts({}), on(0))[1]).toEqual([]);
  });
  test('loads not known, or not solved: unknown, and then every member counts as loaded', () => {
    expect(said(plan(), facts({ loadsKnown: false }), evidence())[1]).toEqual(['loads unknown']);
    const unsolved = facts({ unsolved: 'it would not stand', members: [] });
    expect(said(plan(), unsolved, cracked)).toEqual([['crack on what it loads'], ['not computed']]);
  });
  test('a slope is counted and said; a notice that speaks of lifting waits for a person', () => {
    const sloped = liftReasons(plan({ slopeAlongDeg: 3, slopeAcrossDeg: 4 }), facts(), evidence());
    expect(sloped.find((reason) => reason.code === 'slope counted')!.value).toBe(5);
    for (const words of ['Do not lift here', 'No JACK behind the cab', 'never hoist', 'do not raise'])
      expect(said(plan(), facts(), evidence(SOUND, {}, [words]))[1]).toEqual(['notice']);
    expect(said(plan(), facts(), evidence(SOUND, {}, ['Drains plugged']))[1]).toEqual([]);
  });
});

test.each([
  [[], false, 'Lift here'],
  [['unknown'], false, 'Not known'],
  [['unknown'], true, 'Not known'],
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
  for (const code of ['hidden under', 'doubtful under', 'decided by'] as const)
    expect(instead(code, {}, 'unknown')).toEqual(['see first']);
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
