import fc from 'fast-check';
import {
  askedBy,
  checkSign,
  claimsStand,
  complaintKind,
  lookKind,
  firstGuessEdgeMm,
  hotSpots,
  isWornOrRusted,
  isDoubtful,
  isFailed,
  learnedSpots,
  LOOK_RESULTS,
  memberWalk,
  nextToLookAt,
  photoPairs,
  progressOf,
  SIGN_KINDS,
  signWeight,
  spotRules,
  spotStates,
  TRADE_SPOTS,
  usualLift,
  signKind,
  type HotSpot,
  type Claim,
  type Complaint,
  type Look,
  type Photo,
  type Sign,
  type SignDetail,
  type Settled,
  type SpotRule,
} from '.';
import {
  axlesOf,
  defaultFrame,
  defaultLiftPoints,
  FAMILY_IDS,
  familyOf,
  placementOf,
  type Frame,
} from '../frame';

const frameOf = (family: Frame['family']): Frame =>
  defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' });
const ladder = frameOf('open-channel ladder');
const boxed = frameOf('boxed ladder');
const spotsOf = (frame: Frame) => hotSpots(frame, TRADE_SPOTS);
const id = (k: number) => `00000000-0000-4000-8000-${String(k).padStart(12, '0')}`;
let count = 0;
const lookAt = (spot: HotSpot, result: Look['result'], more: Partial<Look> = {}): Look => ({
  kind: 'look',
  id: id(++count),
  spotId: spot.id,
  title: spot.title,
  result,
  ways: result === 'not seen' ? [] : ['eye'],
  ...(result === 'not seen' && { why: 'no light' }),
  note: '',
  by: 'RK',
  at: '2026-01-01T00:00:00Z',
  ...more,
});
const named = (spots: readonly HotSpot[], title: string) => spots.find((spot) => spot.title === title)!;
const nothing = new Map<string, number[]>();
const UNTOUCHED = { measuredAt: nothing, settled: () => false };

test('what a look says of metal: doubtful from scaling up, failed where it is soft, cracked or through', () => {
  const isSo = (is: (result: Look['result']) => boolean) => LOOK_RESULTS.filter(is);
  expect(isSo(isDoubtful)).toEqual([
    'scaling',
    'pitted',
    'patched before',
    'delaminating',
    'soft',
    'cracked',
    'through',
  ]);
  expect(isSo(isFailed)).toEqual(['soft', 'cracked', 'through']);
});

describe('the list', () => {
  test.each(FAMILY_IDS)(
    '%s: spots with ids of their own, on members that are there, within their length',
    (family) => {
      const frame = frameOf(family);
      const spots = spotsOf(frame);
      expect(spots.length).toBeGreaterThan(15);
      expect(new Set(spots.map((spot) => spot.id)).size).toBe(spots.length);
      for (const spot of spots.filter((each) => each.memberId !== undefined)) {
        const member = frame.members.find((each) => each.id === spot.memberId)!;
        expect(spot.fromMm).toBeGreaterThanOrEqual(0);
        expect(spot.toMm).toBeLessThanOrEqual(member.lengthMm + 1e-6);
        expect(spot.fromMm).toBeLessThanOrEqual(spot.toMm!);
      }
      expect(spots.some((spot) => spot.critical)).toBe(true);
    },
  );

  test('the way round goes clockwise from the front left corner, then beneath, front to rear', () => {
    const round = spotsOf(ladder).filter((spot) => spot.tour === 'round');
    expect(round[0]).toMatchObject({ side: 'left' });
    expect(round[0]!.alongMm).toBeLessThan(0.12 * ladder.lengthMm);
    const right = round.filter((spot) => spot.side === 'right');
    const leftBehind = round.filter((spot) => spot.side === 'left' && spot.alongMm >= 0.12 * ladder.lengthMm);
    expect(right.map((spot) => spot.alongMm)).toEqual(
      right.map((spot) => spot.alongMm).sort((a, b) => a - b),
    );
    expect(leftBehind.map((spot) => spot.alongMm)).toEqual(
      leftBehind.map((spot) => spot.alongMm).sort((a, b) => b - a),
    );
    expect(round.indexOf(leftBehind[0]!)).toBeGreaterThan(round.indexOf(right.at(-1)!));
    const tours = spotsOf(ladder).map((spot) => spot.tour);
    expect(tours.lastIndexOf('round')).toBeLessThan(tours.indexOf('beneath'));
  });

  test('every spot to one side has its twin on the other, and the twin’s twin is itself', () => {
    for (const family of FAMILY_IDS) {
      const spots = spotsOf(frameOf(family));
      const byId = new Map(spots.map((spot) => [spot.id, spot]));
      for (const spot of spots.filter((each) => each.twinId !== undefined)) {
        const twin = byId.get(spot.twinId!)!;
        expect([spot.id, twin.twinId]).toEqual([spot.id, spot.id]);
        expect(twin.side).not.toBe(spot.side);
      }
    }
    const spots = spotsOf(ladder);
    const hanger = named(spots, 'Front spring, rear hanger, left');
    expect(spots.find((spot) => spot.id === hanger.twinId)!.title).toBe('Front spring, rear hanger, right');
    const diagonal = spots.find((spot) => spot.id === hanger.diagonalId)!;
    expect(diagonal.side).toBe('right');
    expect(diagonal.alongMm).toBeGreaterThan(ladder.lengthMm / 2);
    // Of all of its kind over there the one as far from the other end as it is from its own.
    const over = spots.filter(
      ({ ruleId, side, alongMm }) =>
        ruleId === hanger.ruleId && side === 'right' && alongMm > ladder.lengthMm / 2,
    );
    const off = (spot: HotSpot) => Math.abs(ladder.lengthMm - hanger.alongMm - spot.alongMm);
    expect(over.length).toBeGreaterThan(1);
    expect(off(diagonal)).toBe(Math.min(...over.map(off)));
  });

  test('a place lies along the frame where its own stations put it, whichever way its member runs', () => {
    for (const family of FAMILY_IDS) {
      const frame = frameOf(family);
      for (const spot of spotsOf(frame).filter((each) => each.memberId !== undefined)) {
        const member = frame.members.find((each) => each.id === spot.memberId)!;
        const { from, to } = placementOf(frame, member);
        const share = (spot.fromMm! + spot.toMm!) / 2 / member.lengthMm;
        const here = from[0] + (to[0] - from[0]) * share;
        // An end is where the member ends; what is looked at reaches 60 mm in.
        expect([spot.id, Math.abs(spot.alongMm - here) <= 30 + 1e-6]).toEqual([spot.id, true]);
      }
    }
  });

  test('a long stretch is looked at in pieces that leave nothing out between them', () => {
    const spots = spotsOf(ladder);
    const firsts = spots.filter(({ title }) => / \(1 of \d+\)$/.test(title));
    expect(firsts.length).toBeGreaterThan(0);
    for (const { ruleId, memberId } of firsts) {
      const pieces = spots.filter((spot) => spot.ruleId === ruleId && spot.memberId === memberId);
      for (const [k, piece] of pieces.slice(1).entries())
        expect(piece.fromMm).toBeCloseTo(pieces[k]!.toMm!, 6);
    }
  });

  test('body items are there before buying only', () => {
    expect(
      hotSpots(ladder, TRADE_SPOTS, true).filter((spot) => spot.memberId === undefined).length,
    ).toBeGreaterThan(5);
    expect(spotsOf(ladder).filter((spot) => spot.memberId === undefined)).toEqual([]);
    const arches = hotSpots(ladder, TRADE_SPOTS, true).filter((spot) => spot.ruleId === 'arch-ledge');
    expect(arches.map(({ side }) => side).sort()).toEqual(['left', 'right']);
    expect(arches.map(({ twinId }) => twinId)).toEqual([arches[1]!.id, arches[0]!.id]);
  });

  test('lifting points of a unibody stand on its sills', () => {
    const spots = spotsOf(frameOf('unibody')).filter((spot) => spot.ruleId === 'jacking');
    expect(spots.map((spot) => spot.memberId).sort()).toEqual([
      'sill-left',
      'sill-left',
      'sill-right',
      'sill-right',
    ]);
  });

  test('a shop adds, drops and takes up again', () => {
    const own: SpotRule = {
      ...TRADE_SPOTS[0]!,
      id: 'shop step',
      title: 'Step bracket',
      from: 'shop',
      where: { on: 'fitting', kinds: ['exhaust'] },
    };
    const added = spotRules([
      { ruleId: 'shop step', does: 'add', rule: own },
      { ruleId: 'hanger', does: 'drop' },
    ]);
    expect(added.map((rule) => rule.id)).toContain('shop step');
    expect(added.map((rule) => rule.id)).not.toContain('hanger');
    expect(
      spotRules([
        { ruleId: 'hanger', does: 'drop' },
        { ruleId: 'hanger', does: 'restore' },
      ]).map((rule) => rule.id),
    ).toContain('hanger');
    expect(
      hotSpots(ladder, added)
        .filter((spot) => spot.ruleId === 'shop step')
        .map((spot) => spot.side),
    ).toEqual(['right']);
  });
});

describe('seen', () => {
  const spots = spotsOf(boxed);
  const floor = spots.find((spot) => spot.ruleId === 'centre-floor')!;
  const hanger = spots.find((spot) => spot.ruleId === 'shock')!;
  const stateOf = (
    spot: HotSpot,
    looks: Look[],
    leaves: Parameters<typeof spotStates>[2] = [],
    measured = nothing,
    settled: Settled = UNTOUCHED.settled,
  ) =>
    spotStates(spots, looks, leaves, { measuredAt: measured, settled }).find(
      (state) => state.spot.id === spot.id,
    )!;

  test('not looked at and said not seen are not seen, however many taps', () => {
    expect(stateOf(hanger, [])).toMatchObject({ seen: false, why: 'not looked at' });
    expect(stateOf(hanger, [lookAt(hanger, 'sound'), lookAt(hanger, 'not seen')])).toMatchObject({
      seen: false,
      why: 'no light',
    });
    expect(stateOf(hanger, [lookAt(hanger, 'not seen'), lookAt(hanger, 'sound')])).toMatchObject({
      seen: true,
      result: 'sound',
    });
  });

  test('a closed section that looks good from outside was not seen; failed metal was', () => {
    expect(stateOf(floor, [lookAt(floor, 'surface rust')])).toMatchObject({
      seen: false,
      why: 'by eye only',
    });
    expect(stateOf(floor, [lookAt(floor, 'surface rust', { ways: ['eye', 'hammer'] })])).toMatchObject({
      seen: true,
    });
    expect(stateOf(floor, [lookAt(floor, 'through')])).toMatchObject({ seen: true, result: 'through' });
  });

  test('told is not seen, bad or good, until somebody looks; told and looked is a look', () => {
    for (const result of ['sound', 'through'] as const) {
      const state = stateOf(hanger, [lookAt(hanger, result, { ways: ['told'] })]);
      expect(state).toMatchObject({ seen: false, why: 'only told' });
      expect(state.result).toBeUndefined();
    }
    expect(stateOf(hanger, [lookAt(hanger, 'soft', { ways: ['told', 'pick'] })])).toMatchObject({
      seen: true,
      result: 'soft',
    });
  });

  describe('a later look answers', () => {
    const seen = (...looks: Look[]) => {
      const state = stateOf(hanger, looks);
      return [state.look!.result, (state.since ?? []).map((look) => look.result)];
    };
    const eye = (result: Look['result']) => lookAt(hanger, result, { ways: ['eye'] });
    const hammered = (result: Look['result']) => lookAt(hanger, result, { ways: ['eye', 'hammer'] });
    const told = (result: Look['result']) => lookAt(hanger, result, { ways: ['told'] });

    test.each(['soft', 'cracked', 'through'] as const)('%s is answered by no look at all', (failed) => {
      expect(seen(eye(failed), hammered('sound'))).toEqual([failed, ['sound']]);
      expect(seen(eye(failed), hammered('delaminating'), eye('not seen'))).toEqual([
        failed,
        ['delaminating', 'not seen'],
      ]);
      expect(seen(eye(failed), told('sound'))).toEqual([failed, ['sound']]);
    });
    test('failed metal that is found worse is worse; found the same it is seen anew', () => {
      expect(seen(eye('soft'), eye('through'))).toEqual(['through', []]);
      expect(seen(eye('through'), eye('soft'))).toEqual(['through', ['soft']]);
      expect(seen(eye('through'), hammered('through'))).toEqual(['through', []]);
    });
    test.each(['scaling', 'pitted', 'patched before', 'delaminating'] as const)(
      '%s by as good a look, whatever it finds; by a lesser one only where it is worse',
      (doubtful) => {
        expect(seen(eye(doubtful), eye('sound'))).toEqual(['sound', []]);
        expect(seen(hammered(doubtful), hammered('surface rust'))).toEqual(['surface rust', []]);
        expect(seen(hammered(doubtful), eye('sound'))).toEqual([doubtful, ['sound']]);
        expect(seen(hammered(doubtful), eye('soft'))).toEqual(['soft', []]);
        expect(seen(hammered(doubtful), eye('not seen'))).toEqual([doubtful, ['not seen']]);
      },
    );
    test.each(['finger', 'pick', 'ring', 'scope'] as const)('a %s knows as much as a hammer', (way) =>
      expect(seen(hammered('pitted'), lookAt(hanger, 'sound', { ways: [way] }))).toEqual(['sound', []]),
    );
    test('light from behind shows no more than the eye', () =>
      expect(seen(hammered('pitted'), lookAt(hanger, 'sound', { ways: ['light through'] }))).toEqual([
        'pitted',
        ['sound'],
      ]));
    test('what was good gives way to whatever was said last, *not seen* too, but to nobody’s word that it is good', () => {
      expect(seen(hammered('sound'), eye('not seen'))).toEqual(['not seen', []]);
      expect(seen(hammered('sound'), eye('surface rust'))).toEqual(['surface rust', []]);
      expect(seen(hammered('sound'), told('sound'))).toEqual(['sound', ['sound']]);
      expect(seen(hammered('sound'), told('through'))).toEqual(['through', []]);
    });
    test('what was only told is answered by any look, and by no other word that is better', () => {
      expect(seen(told('through'), eye('sound'))).toEqual(['sound', []]);
      expect(seen(told('through'), told('sound'))).toEqual(['through', ['sound']]);
      expect(seen(told('through'), eye('not seen'))).toEqual(['through', ['not seen']]);
      expect(seen(told('sound'), told('through'))).toEqual(['through', []]);
      expect(seen(eye('pitted'), told('through'))).toEqual(['pitted', ['through']]);
    });
    test('kept later and looked before: it saw nothing of what was found since; a worse find counts all the same', () => {
      const on = (result: Look['result'], day: number) => ({
        ...hammered(result),
        at: `2026-02-0${day}T00:00:00Z`,
      });
      expect(seen(on('not seen', 5), on('sound', 3))).toEqual(['not seen', ['sound']]);
      expect(seen(on('not seen', 3), on('sound', 5))).toEqual(['sound', []]);
      expect(seen(on('not seen', 5), on('pitted', 3))).toEqual(['pitted', []]);
      expect(seen(on('pitted', 3), on('sound', 2))).toEqual(['pitted', ['sound']]);
      expect(seen(on('pitted', 3), on('sound', 3))).toEqual(['sound', []]);
      expect(seen(on('pitted', 3), on('through', 2))).toEqual(['through', []]);
      expect(seen(on('sound', 3), on('surface rust', 2))).toEqual(['surface rust', []]);
    });
    test('put right between them, it is as it was seen last, once somebody has seen it', () => {
      const after = (look: Look) =>
        stateOf(hanger, [eye('through'), look], [], nothing, () => true).look!.result;
      expect(after(eye('sound'))).toBe('sound');
      expect(after(eye('not seen'))).toBe('through');
      expect(after(told('sound'))).toBe('through');
    });
    test('what is said of the bracket takes nothing from what was said of the rail, and the other way round', () => {
      const on = (result: Look['result'], what: Look['on']) => lookAt(hanger, result, { on: what });
      const of = (...looks: Look[]) => {
        const state = stateOf(hanger, looks);
        return [state, state.ofMember, state.ofFitting].map((each) => each?.look?.result);
      };
      expect(of(on('cracked', 'fitting'), on('soft', 'member'))).toEqual(['cracked', 'soft', undefined]);
      expect(of(on('cracked', 'fitting'), on('through', 'member'))).toEqual([
        'through',
        undefined,
        'cracked',
      ]);
      expect(of(on('pitted', 'fitting'), on('sound', 'member'))).toEqual(['pitted', 'sound', undefined]);
      expect(of(on('through', 'member'), on('sound', undefined))).toEqual(['through', undefined, 'sound']);
      expect(of(on('cracked', 'fitting'))).toEqual(['cracked', undefined, undefined]);
      expect(of(on('pitted', 'fitting'), eye('sound'))).toEqual(['sound', undefined, undefined]);
    });
  });

  test('leave refused is named as the reason, and the owner’s last word counts', () => {
    const leave = (given: boolean, k: number, day = 1) => ({
      kind: 'leave' as const,
      id: id(900 + k),
      act: 'hammer' as const,
      given,
      note: '',
      by: 'RK',
      at: `2026-01-0${day}T00:00:00Z`,
    });
    expect(stateOf(floor, [lookAt(floor, 'sound')], [leave(false, 1)]).why).toBe('leave refused');
    expect(stateOf(floor, [lookAt(floor, 'sound')], [leave(false, 1), leave(true, 2)]).why).toBe(
      'by eye only',
    );
    // Given before it was refused, and kept after by a phone out of reach.
    expect(stateOf(floor, [lookAt(floor, 'sound')], [leave(false, 1, 2), leave(true, 2, 1)]).why).toBe(
      'leave refused',
    );
  });

  test('a gauge has seen it: one reading at a bracket, three along a stretch; but not over a word of not seen', () => {
    const at = (spot: HotSpot, stations: number[]) => new Map([[spot.memberId!, stations]]);
    expect(stateOf(hanger, [], [], at(hanger, [hanger.fromMm! + 100]))).toMatchObject({
      seen: true,
      measured: true,
    });
    expect(stateOf(hanger, [], [], at(hanger, [hanger.fromMm! + 400]))).toMatchObject({ seen: false });
    expect(stateOf(floor, [], [], at(floor, [floor.fromMm! + 10, floor.fromMm! + 20])).seen).toBe(false);
    expect(
      stateOf(floor, [], [], at(floor, [floor.fromMm! + 10, floor.fromMm! + 20, floor.fromMm! + 30])).seen,
    ).toBe(true);
    expect(stateOf(hanger, [lookAt(hanger, 'not seen')], [], at(hanger, [hanger.fromMm!])).seen).toBe(false);
  });

  test('progress never counts more than was seen, whatever was tapped', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.nat(spots.length - 1),
            fc.constantFrom<Look['result']>('not seen', 'sound', 'scaling', 'through'),
          ),
          { maxLength: 60 },
        ),
        (taps) => {
          const looks = taps.map(([k, result]) => lookAt(spots[k]!, result));
          const { seen, critical, criticalSeen } = progressOf(spotStates(spots, looks, [], UNTOUCHED));
          const found = looks.filter((look) => look.result !== 'not seen');
          expect(seen).toBeLessThanOrEqual(new Set(found.map((look) => look.spotId)).size);
          expect(criticalSeen).toBeLessThanOrEqual(critical);
        },
      ),
      { seed: 4, numRuns: 60 },
    );
  });

  test('a bad spot asks for its twin, a crack for the diagonal one too, until they are seen', () => {
    const soft = [lookAt(hanger, 'soft')];
    const states = spotStates(spots, soft, [], UNTOUCHED);
    expect(
      askedBy(
        states.find((state) => state.spot === hanger || state.spot.id === hanger.id)!,
        states,
      ).map((state) => state.spot.id),
    ).toEqual([hanger.twinId]);
    const cracked = spotStates(spots, [lookAt(hanger, 'cracked')], [], UNTOUCHED);
    expect(
      askedBy(
        cracked.find((state) => state.spot.id === hanger.id)!,
        cracked,
      ).map((state) => state.spot.id),
    ).toEqual([hanger.twinId, hanger.diagonalId]);
    const both = spotStates(
      spots,
      [
        ...soft,
        lookAt(
          spots.find((spot) => spot.id === hanger.twinId)!,
          'sound',
        ),
      ],
      [],
      UNTOUCHED,
    );
    expect(
      askedBy(
        both.find((state) => state.spot.id === hanger.id)!,
        both,
      ),
    ).toEqual([]);
    const twin = boxed.members.find(
      (member) => member.id === spots.find((spot) => spot.id === hanger.twinId)!.memberId,
    )!;
    expect(memberWalk(boxed, twin, states).twinBad.map((state) => state.spot.id)).toEqual([hanger.twinId]);
    expect(memberWalk(boxed, twin, both).twinBad).toEqual([]);
    const good = spotStates(spots, [lookAt(hanger, 'sound')], [], UNTOUCHED);
    for (const state of good) expect([state.spot.id, askedBy(state, good)]).toEqual([state.spot.id, []]);
  });

  test('next leads on to what nobody looked at, round and round', () => {
    const states = spotStates(spots, [lookAt(spots[1]!, 'sound')], [], UNTOUCHED);
    expect(nextToLookAt(states, spots[0]!.id)!.id).toBe(spots[2]!.id);
    expect(nextToLookAt(states, spots.at(-1)!.id)!.id).toBe(spots[0]!.id);
    expect(
      nextToLookAt(
        spotStates(
          spots,
          spots.map((spot) => lookAt(spot, 'sound')),
          [],
          UNTOUCHED,
        ),
        undefined,
      ),
    ).toBeUndefined();
  });
});

describe('signs', () => {
  const DETAILS: readonly SignDetail[] = [
    { sign: 'struck', tool: 'hammer', answer: 'gave way' },
    { sign: 'layers', counted: 3, expected: 2 },
    { sign: 'old repair', cover: 'filler' },
    { sign: 'coating', coat: 'paint over pits' },
    { sign: 'debris', full: 0.5, wet: 'wet', outKg: 6, waterLineMm: 60 },
    { sign: 'light through', shows: 'it lights up' },
    { sign: 'delamination' },
    { sign: 'dent', deepMm: 5, acrossMm: 40 },
    { sign: 'hole', acrossMm: 20 },
    { sign: 'fastener', is: 'captive nut', state: 'spins', clamps: 'skid plate' },
    { sign: 'maker’s weld', state: 'short' },
    { sign: 'welded solid', joint: 'shackle' },
    { sign: 'not a crack', was: 'flaking coating' },
    { sign: 'holds it together', part: 'step bracket' },
    { sign: 'access', off: 'fuel tank', to: 'see' },
    { sign: 'opened', how: 'window cut' },
    { sign: 'out of shape', is: 'torn', offMm: 12 },
    { sign: 'put right', done: 'renewed' },
  ];
  const rail = ladder.members[0]!;
  const sign = (detail: SignDetail, more: Partial<Sign> = {}): Sign => ({
    kind: 'sign',
    id: id(++count),
    memberId: rail.id,
    stationMm: 500,
    face: 'web',
    heightMm: 50,
    detail,
    note: '',
    by: 'RK',
    at: '2026-01-01T00:00:00Z',
    ...more,
  });

  test('every kind there is is kept exactly', () => {
    expect(DETAILS.map((detail) => detail.sign).sort()).toEqual([...SIGN_KINDS].sort());
    for (const record of DETAILS.map((detail) => sign(detail)))
      expect(signKind.schema.parse(record)).toEqual(record);
  });

  test('what gives way under a tap has failed; covers hide; worn holes count, made ones do not', () => {
    const weigh = Object.fromEntries(DETAILS.map((detail) => [detail.sign, signWeight(detail)]));
    expect(weigh).toMatchObject({
      struck: 'failed',
      layers: 'hides',
      'old repair': 'hides',
      coating: 'hides',
      'light through': 'failed',
      hole: 'failed',
      fastener: 'doubtful',
      'holds it together': 'holds',
      'not a crack': 'sound',
      access: 'note',
      opened: 'note',
      'out of shape': 'failed',
      'put right': 'sound',
    });
    expect(signWeight({ sign: 'out of shape', is: 'bent', offMm: 12 })).toBe('doubtful');
    expect(signWeight({ sign: 'hole', acrossMm: 20, expectedMm: 20 })).toBe('note');
    expect(signWeight({ sign: 'hole', acrossMm: 20, longMm: 23, expectedMm: 20 })).toBe('failed');
    expect(signWeight({ sign: 'layers', counted: 2, expected: 2 })).toBe('note');
    expect(signWeight({ sign: 'struck', tool: 'hammer', answer: 'even ring' })).toBe('sound');
  });

  test('debris’ high-water line is a first guess of the edge', () => {
    expect(firstGuessEdgeMm(sign(DETAILS[4]!))).toBe(60);
    expect(firstGuessEdgeMm(sign(DETAILS[0]!))).toBeUndefined();
  });

  test('a sign off the member, ending before it starts, or wider than its face is refused with the reason', () => {
    expect(checkSign(rail, sign(DETAILS[0]!, { stationMm: 99_000 }))).toMatchObject({
      ok: false,
      reason: expect.stringContaining('station is off'),
    });
    expect(checkSign(rail, sign(DETAILS[2]!, { toMm: 400 }))).toMatchObject({
      ok: false,
      reason: expect.stringContaining('must end'),
    });
    expect(checkSign(rail, sign({ sign: 'hole', acrossMm: 4000 }))).toMatchObject({
      ok: false,
      reason: expect.stringContaining('wider'),
    });
    expect(checkSign(rail, sign({ sign: 'hole', acrossMm: 30, longMm: 10 }))).toMatchObject({ ok: false });
    expect(checkSign(rail, sign({ sign: 'debris', full: 0.5, wet: 'dry', waterLineMm: 900 }))).toMatchObject({
      ok: false,
      reason: expect.stringContaining('high-water'),
    });
    expect(checkSign(rail, sign({ sign: 'debris', full: 0.5, wet: 'dry' })).ok).toBe(true);
    expect(checkSign(rail, sign(DETAILS[2]!, { toMm: 900 })).ok).toBe(true);
    expect(signKind.fits(ladder, sign(DETAILS[0]!, { memberId: 'nowhere' }))).toMatchObject({
      ok: false,
      reason: expect.stringContaining('nowhere'),
    });
  });

  test.each<[string, Omit<Extract<SignDetail, { sign: 'hole' }>, 'sign'>, boolean]>([
    ['nobody expects one there', { acrossMm: 20 }, true],
    ['of its made size', { acrossMm: 20, expectedMm: 20 }, false],
    ['grown by 1 mm', { acrossMm: 21, expectedMm: 20 }, false],
    ['grown by more', { acrossMm: 21.1, expectedMm: 20 }, true],
    ['oval by 1 mm', { acrossMm: 20, longMm: 21, expectedMm: 20 }, false],
    ['oval by more', { acrossMm: 20, longMm: 21.1, expectedMm: 20 }, true],
  ])('a hole, %s', (_, hole, is) => expect(isWornOrRusted({ sign: 'hole', ...hole })).toBe(is));

  test('a look without a way, or not seen without a why, is no record', () => {
    const spot = spotsOf(ladder)[0]!;
    expect(lookKind.schema.safeParse(lookAt(spot, 'sound', { ways: [] })).success).toBe(false);
    expect(lookKind.schema.safeParse({ ...lookAt(spot, 'not seen'), why: undefined }).success).toBe(false);
    expect(lookKind.schema.safeParse(lookAt(spot, 'not seen')).success).toBe(true);
  });
});

test('a complaint names members of this frame; pictures after go with the one before that is still there', () => {
  const about = (memberIds: readonly string[]) => complaintKind.fits(ladder, { memberIds } as Complaint);
  expect(about(['rail-left', 'rail-right']).ok).toBe(true);
  expect(about(['rail-left', 'rail-middle'])).toMatchObject({
    ok: false,
    reason: 'member rail-middle is not on this frame',
    at: 'memberIds',
  });
  const photos = [{ id: 'before' }, { id: 'after', pairOf: 'before' }, { id: 'alone', pairOf: 'struck' }];
  expect(photoPairs(photos as Photo[])).toEqual([{ before: photos[0], after: photos[1] }]);
});

test.each([
  ['borne out, and then kept late that it was not', 'borne out', 'not borne out', 'not borne out'],
  ['not borne out, and then kept late that it was', 'not borne out', 'borne out', 'not borne out'],
  ['cannot be told, and then kept late that it was', 'cannot be told', 'borne out', 'cannot be told'],
  [
    'not borne out, and then kept late that it cannot be told',
    'not borne out',
    'cannot be told',
    'not borne out',
  ],
] as const)('a claim on which two devices disagree, %s: the sterner stands', (_, first, late, stands) => {
  const [at10, at9] = [first, late].map((standing, k) => ({
    ...{ kind: 'claim', id: id(900 + k), claimId: id(899), words: 'metalwork done', by: 'RK', note: '' },
    ...{ standing, at: `2026-11-20T${k ? '09' : '10'}:00:00Z` },
  })) as Claim[];
  expect(claimsStand([at10!, at9!]).map(({ standing }) => standing)).toEqual([stands]);
  // In the order of the clock the later one is the last word, whatever it says.
  expect(claimsStand([at9!, at10!]).map(({ standing }) => standing)).toEqual([first]);
});

test.each(FAMILY_IDS)(
  'a jack under a %s lifts one wheel, on its own side of the axle nearest to it',
  (family) => {
    const frame = frameOf(family);
    const { jackMm, jackSide } = defaultLiftPoints(frame);
    const axles = axlesOf(frame);
    const nearest = axles.reduce((best, axle) =>
      Math.abs(axle.stationMm - jackMm) < Math.abs(best.stationMm - jackMm) ? axle : best,
    );
    const { wheelsDown } = usualLift(frame, 'jack');
    expect(wheelsDown).not.toContain(`${nearest.id} ${jackSide}`);
    expect(new Set(wheelsDown).size).toBe(2 * axles.length - 1);
    expect(usualLift(frame, 'two-post pads').wheelsDown).toEqual([]);
  },
);

describe('learned from closed jobs', () => {
  const spots = spotsOf(ladder);
  const job = (stationMm: number, what = 'through') => ({
    tag: 'X-1',
    closedOn: '2026-01-05',
    frame: ladder,
    spots: hotSpots(
      ladder,
      TRADE_SPOTS.filter((rule) => rule.id !== 'lower-flange'),
    ),
    findings: [{ id: 'a', memberId: 'rail-left', stationMm, what }],
  });
  test('a place nobody had on the list is looked at on the next frame of the family, beside the same bracket, both sides', () => {
    const mark = ladder.fittings.find((each) => each.name === 'Cab mount')!;
    const [rule] = learnedSpots([job(mark.stationMm + 420)]);
    expect(rule).toMatchObject({
      from: 'learned',
      title: 'Found before: through',
      where: { on: 'fitting', kinds: ['body mount'], asideMm: 400 },
    });
    const again = hotSpots(
      {
        ...ladder,
        fittings: ladder.fittings.map((each) =>
          each === mark ? { ...each, stationMm: mark.stationMm - 300 } : each,
        ),
      },
      [rule!],
    );
    expect(again.map((spot) => [spot.side, spot.fromMm]).sort()).toEqual([
      ['left', mark.stationMm + 100],
      ['right', mark.stationMm + 100],
    ]);
  });
  test('a place the list had already teaches nothing, and the same place twice is one rule', () => {
    const hanger = named(spots, 'Front spring, rear hanger, left');
    expect(learnedSpots([job(hanger.fromMm! + 50)])).toEqual([]);
    const mark = ladder.fittings.find((each) => each.name === 'Cab mount')!;
    expect(learnedSpots([job(mark.stationMm + 420), job(mark.stationMm + 415, 'crack')])).toHaveLength(1);
  });
});
