import { draftOf, edgesOf, ORDER_RULES, planOrder, REASONS, type OrderScene, type ReasonCode } from '.';
import { aPart, aRenewal, aRepair, aWork, emptyScene, frameFor } from './scene-for-tests';

/** Whether one task must come before another, by whichever chain of reasons. */
function isBefore(scene: OrderScene, before: string, after: string, rules = ORDER_RULES): boolean {
  const draft = draftOf(scene);
  const ids = draft.tasks.map(({ id }) => id);
  if (!ids.includes(before) || !ids.includes(after))
    throw new Error(`${before} or ${after} is no task of: ${ids.join(', ')}`);
  const edges = edgesOf(draft, rules);
  const seen = new Set([before]);
  for (const queue = [before]; queue.length > 0;) {
    const at = queue.pop()!;
    for (const edge of edges)
      if (edge.before === at && !seen.has(edge.after)) {
        seen.add(edge.after);
        queue.push(edge.after);
      }
  }
  return seen.has(after);
}

const base = emptyScene();
const scene = (more: Partial<OrderScene>): OrderScene => ({ ...base, ...more });
const gooseneck = emptyScene(frameFor('gooseneck trailer'));
const leg = (side: 'left' | 'right') =>
  aWork({
    id: `leg ${side}`,
    form: 'leg structure',
    fitting: 'landing leg',
    hostId: `mark-3 ${side}`,
    side,
    memberId: `rail-${side}`,
  });

/** Each reason: a scene, what must be before what, and that it holds by this reason alone. */
const CASES: readonly (readonly [why: ReasonCode, of: OrderScene, before: string, after: string])[] = [
  ['own steps', scene({ repairs: [aRepair()] }), 'opening cut r1', 'look inside r1'],
  ['own steps', scene({ repairs: [aRepair()] }), 'tack r1', 'weld r1'],
  [
    'own steps',
    scene({ repairs: [aRepair()], parts: [aPart()] }),
    'put back mark-4 right',
    'test mark-4 right',
  ],
  ['made before it is fitted', scene({ repairs: [aRepair()] }), 'make plate r1', 'fit r1'],
  ['measured before the cut', scene({ repairs: [aRepair()] }), 'diagonals unit', 'opening cut r1'],
  ['measured before the cut', scene({ repairs: [aRepair()] }), 'photos before D', 'opening cut r1'],
  ['measured before the cut', scene({ repairs: [aRepair()] }), 'ride height unit', 'take off load payload'],
  [
    'reached first',
    scene({ repairs: [aRepair()], parts: [aPart()] }),
    'take off mark-4 right',
    'opening cut r1',
  ],
  ['lighter on its stands', scene({ repairs: [aRepair()] }), 'take off load payload', 'set stands unit'],
  ['stands before the cut', scene({ repairs: [aRepair()] }), 'set stands unit', 'opening cut r1'],
  ['stands until it is cool', scene({ repairs: [aRepair()] }), 'look at welds r1', 'stands out unit'],
  [
    'stands until it is cool',
    scene({ repairs: [aRepair({ isCutOut: false })] }),
    'look at welds r1',
    'put back load payload',
  ],
  [
    'in line before it is welded',
    scene({
      aligns: [{ id: 'rail-right', name: 'Right rail', memberId: 'rail-right', fromMm: 2500, toMm: 2500 }],
      repairs: [aRepair()],
    }),
    'pull into line rail-right',
    'opening cut r1',
  ],
  [
    'in line before it is welded',
    scene({
      straightened: [{ id: 'out axles', name: 'axles' }],
      repairs: [aRepair({ isCutOut: false })],
    }),
    'pull into line out axles',
    'bright metal r1',
  ],
  [
    'crack before its plate',
    scene({
      cracks: [{ id: 'c1', memberId: 'rail-right', fromMm: 2500, toMm: 2500, weldM: 0.1 }],
      repairs: [aRepair()],
    }),
    'look at crack c1',
    'fit r1',
  ],
  [
    'worst side first',
    scene({
      repairs: [
        aRepair({ id: 'worse', leastKept: 0.3 }),
        aRepair({ id: 'better', memberId: 'rail-left', side: 'left', leastKept: 0.6 }),
      ],
    }),
    'look at welds worse',
    'opening cut better',
  ],
  [
    'axle held by its twin',
    scene({
      works: [
        aWork({
          id: 'wl',
          side: 'left',
          memberId: 'rail-left',
          hostId: 'mark-9 left',
          carries: ['axle location'],
        }),
        aWork({ id: 'wr', carries: ['axle location'] }),
      ],
    }),
    'look at welds wl',
    'old out wr',
  ],
  [
    'axle held by its twin',
    scene({
      repairs: [aRepair({ offAndBack: ['mark-8 left', 'mark-8 right'], isCutOut: false })],
      parts: [
        aPart({ id: 'mark-8 left', kind: 'spring hanger', side: 'left', memberIds: ['rail-left'] }),
        aPart({ id: 'mark-8 right', kind: 'spring hanger' }),
      ],
    }),
    'refix mark-8 left',
    'take off mark-8 right',
  ],
  [
    'springs before the rail',
    scene({ works: [aWork({ fitting: 'spring seat' })], repairs: [aRepair()] }),
    'look at welds w1',
    'opening cut r1',
  ],
  [
    'middle cap first',
    scene({
      repairs: [
        aRepair({ id: 'front', fromMm: 1000, toMm: 1900, isCap: true }),
        aRepair({ id: 'middle', fromMm: 2000, toMm: 3000, isCap: true }),
        aRepair({ id: 'rear', fromMm: 3100, toMm: 4000, isCap: true }),
      ],
    }),
    'tack middle',
    'fit rear',
  ],
  [
    'shaft before the second plate',
    { ...gooseneck, works: [leg('left'), leg('right')] },
    'shaft in leg right',
    'second plate leg left',
  ],
  [
    'both legs plumb',
    { ...gooseneck, works: [leg('left'), leg('right')] },
    'legs plumb leg left',
    'tack leg right',
  ],
  [
    'plates before the tube',
    scene({
      renewals: [aRenewal({ fromMm: 2400, toMm: 2500 })],
      repairs: [aRepair()],
    }),
    'look at welds r1',
    'old out renewal cross-3',
  ],
  [
    'in before it closes',
    scene({ works: [aWork({ form: 'captive mount' })], repairs: [aRepair()] }),
    'look at welds w1',
    'fit r1',
  ],
  ['battery off before the arc', scene({ repairs: [aRepair()] }), 'battery off unit', 'opening cut r1'],
  [
    'fuel out before the arc',
    scene({
      repairs: [aRepair()],
      parts: [aPart({ id: 'far tank', kind: 'tank', fromMm: 6000, toMm: 6000, isFuel: true })],
    }),
    'take off far tank',
    'opening cut r1',
  ],
  [
    'coat inside when cool',
    scene({ repairs: [aRepair()], closedIds: new Set(['rail-right']) }),
    'look at welds r1',
    'inside coat rail-right',
  ],
  ['looked at before it is hidden', scene({ repairs: [aRepair()] }), 'look at welds r1', 'outside coat D'],
  [
    'cured before refit',
    scene({ repairs: [aRepair()], parts: [aPart()] }),
    'outside coat D',
    'put back mark-4 right',
  ],
  [
    'stays open until it is tried',
    scene({ repairs: [aRepair()], parts: [aPart()] }),
    'test mark-4 right',
    'drive unit',
  ],
  [
    'refit for the way',
    scene({ repairs: [aRepair(), aRepair({ id: 'r2', fromMm: 5000, toMm: 5600 })], transitAfter: 'D' }),
    'look at welds r1',
    'opening cut r2',
  ],
  [
    'found while open',
    scene({
      repairs: [aRepair()],
      extras: [{ id: 'x1', zoneId: 'D', what: 'a second layer', hours: [1, 2], isGranted: true }],
    }),
    'look inside r1',
    'extra x1',
  ],
  ['proved last', scene({ repairs: [aRepair()] }), 'look at welds r1', 'measure again unit'],
  ['proved last', scene({ repairs: [aRepair()] }), 'drive unit', 'torque again unit'],
];

test.each(CASES)('%s: before it is so, and without the rule nothing says so', (why, of, before, after) => {
  const withAll = { ...of, works: of.works };
  // `torque again` is there only where something was bolted.
  const full = after === 'torque again unit' ? { ...withAll, parts: [aPart()] } : withAll;
  expect(isBefore(full, before, after)).toBe(true);
  expect(
    isBefore(
      full,
      before,
      after,
      ORDER_RULES.filter((rule) => rule.why !== why),
    ),
  ).toBe(false);
});

test('every reason has its case', () => {
  expect(new Set(CASES.map(([why]) => why))).toEqual(new Set(REASONS));
  expect(new Set(ORDER_RULES.map(({ why }) => why))).toEqual(new Set(REASONS));
});

describe('the order that comes of it', () => {
  const full = scene({
    repairs: [
      aRepair({ id: 'worse', leastKept: 0.3 }),
      aRepair({ id: 'better', memberId: 'rail-left', side: 'left' }),
      aRepair({ id: 'far', fromMm: 5000, toMm: 5500, isCutOut: false }),
    ],
    cracks: [{ id: 'c1', memberId: 'rail-right', fromMm: 2500, toMm: 2500, weldM: 0.1 }],
    works: [aWork({ fitting: 'spring seat' })],
    renewals: [aRenewal({ fromMm: 2400, toMm: 2500 })],
    parts: [aPart(), aPart({ id: 'tank', kind: 'tank', isFuel: true })],
  });
  test('breaks no reason, has no circle, and every task once', () => {
    const { tasks, edges, troubles } = planOrder(full);
    const at = new Map(tasks.map(({ id }, k) => [id, k]));
    expect(at.size).toBe(tasks.length);
    expect(tasks.length).toBe(draftOf(full).tasks.length);
    for (const { before, after } of edges) expect(at.get(before)!).toBeLessThan(at.get(after)!);
    expect(troubles.map(({ is }) => is)).not.toContain('circle');
  });
  test('an empty job has nothing to do', () => {
    expect(planOrder(base)).toEqual({ zones: [], tasks: [], edges: [], troubles: [] });
  });
  test('two stretches two feet apart are stripped as one, an inch farther as two', () => {
    const zones = (fromMm: number) =>
      planOrder(scene({ repairs: [aRepair(), aRepair({ id: 'r2', fromMm, toMm: fromMm + 500 })] })).zones
        .length;
    expect(zones(3610)).toBe(1);
    expect(zones(3611)).toBe(2);
  });
  test('a zone keeps its name, and its tasks theirs, when another is decided ahead of it', () => {
    const ids = (...repairs: OrderScene['repairs'][number][]) =>
      planOrder(scene({ repairs })).zones.map(({ id }) => id);
    expect(ids(aRepair())).toEqual(['D']);
    expect(ids(aRepair(), aRepair({ id: 'front', fromMm: 100, toMm: 700 }))).toEqual(['A', 'D']);
    expect(
      ids(aRepair({ fromMm: -700, toMm: -100 }), aRepair({ id: 'r2', fromMm: -2000, toMm: -1900 })),
    ).toEqual(['0D', '0B']);
  });
  test('a line a foot from the seam minds its heat, beyond it does not', () => {
    const isOff = (fromMm: number) =>
      planOrder(scene({ repairs: [aRepair()], parts: [aPart({ fromMm, toMm: fromMm })] })).tasks.some(
        ({ what }) => what === 'take off',
      );
    expect(isOff(3304)).toBe(true);
    expect(isOff(3306)).toBe(false);
  });
  test('fuel comes out wherever it hangs; water stays; nothing hot, nothing comes out', () => {
    const off = (isFuel: boolean, isBolted = false) =>
      planOrder(
        scene({
          repairs: [aRepair({ isBolted, isCutOut: !isBolted })],
          parts: [aPart({ id: 'tank', kind: 'tank', fromMm: 6000, toMm: 6000, isFuel })],
        }),
      ).tasks.filter(({ what }) => what === 'take off').length;
    expect([off(true), off(false), off(true, true)]).toEqual([1, 0, 0]);
  });
  test('hours come to what the norms say: a stretch stripped, made ready, plated, welded, coated', () => {
    const { tasks } = planOrder(scene({ repairs: [aRepair()], parts: [aPart()] }));
    const priced = tasks.filter(({ what }) =>
      [
        'clear',
        'take off',
        'put back',
        'test',
        'opening cut',
        'final cut',
        'bright metal',
        'make plate',
        'fit',
        'tack',
        'weld',
        'outside coat',
      ].includes(what),
    );
    const sum = (k: 0 | 1) => priced.reduce((total, { hours }) => total + hours[k], 0);
    // 1 + 1 + 1 + 2·0.5 + 1 and 6 + 4 + 3 + 2·1.5 + 3.
    expect(sum(0)).toBeCloseTo(5, 9);
    expect(sum(1)).toBeCloseTo(19, 9);
  });
  test('what nobody plans for is named: bad members, broken rules, what holds rot together', () => {
    const { troubles } = planOrder(
      scene({
        repairs: [aRepair({ brokenRules: 2 })],
        unplanned: [{ is: 'member', id: 'cross-2', name: 'Crossmember 2', asks: 'Renew' }],
        heldTogether: [{ part: 'step', memberId: 'rail-right', name: 'Right rail', stationMm: 2500 }],
      }),
    );
    expect(troubles.map(({ is }) => is)).toEqual([
      'no stands',
      'rules broken',
      'held together',
      'nothing planned',
    ]);
    expect(troubles[1]).toEqual({ is: 'rules broken', of: 'r1', name: 'Right rail', count: 2 });
    const ofWork = planOrder(scene({ works: [aWork({ brokenRules: 1 })] })).troubles;
    expect(ofWork).toContainEqual({ is: 'rules broken', of: 'w1', name: 'Front hanger, right', count: 1 });
    const ofTube = (brokenRules: number) =>
      planOrder(scene({ renewals: [aRenewal({ brokenRules })] })).troubles.filter(
        ({ is }) => is === 'rules broken',
      );
    expect(ofTube(1)).toEqual([{ is: 'rules broken', of: 'n1', name: 'Crossmember 3', count: 1 }]);
    expect(ofTube(0)).toEqual([]);
  });
});

describe('what an open frame stands on', () => {
  const troubles = (stands: Parameters<typeof frameFor>[1], more = {}) =>
    planOrder({
      ...emptyScene(frameFor('open-channel ladder', stands)),
      repairs: [aRepair(more)],
    }).troubles.map(({ is }) => is);
  const stand = (stationMm: number, side: 'left' | 'centre' | 'right' = 'right') => ({
    id: `${side} ${stationMm}`,
    side,
    stationMm,
  });
  test.each([
    ['none at all', [], {}, ['no stands']],
    ['on both sides of the cut', [stand(1500), stand(3500)], {}, []],
    ['at its very ends', [stand(2000), stand(3000)], {}, []],
    ['ahead only', [stand(1500)], {}, ['no stand behind']],
    ['behind only', [stand(3500)], {}, ['no stand ahead']],
    [
      'under the other rail',
      [stand(1500, 'left'), stand(3500, 'left')],
      {},
      ['no stand ahead', 'no stand behind'],
    ],
    ['in the middle, under what runs across', [stand(1500, 'centre'), stand(3500, 'centre')], {}, []],
    ['beneath the cut', [stand(1500), stand(2500), stand(3500)], {}, ['stand under the cut']],
    ['the other rail’s beneath it', [stand(1500), stand(2500, 'left'), stand(3500)], {}, []],
    ['nothing is cut out', [], { isCutOut: false }, []],
    ['the first foot of the rail holds itself', [stand(1500)], { fromMm: 300, toMm: 1400 }, []],
    ['a little more than a foot does not', [stand(1500)], { fromMm: 310, toMm: 1400 }, ['no stand ahead']],
  ] as const)('%s', (_, stands, more, expected) =>
    expect(troubles([...stands], more)).toEqual([...expected]),
  );
});
