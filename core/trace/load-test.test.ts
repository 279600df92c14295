import { loadTestSchema, releaseOf, testResults, type LoadTest, type Release, type Watched } from '.';

const id = (k: number) => `00000000-0000-4000-8000-${String(k).padStart(12, '0')}`;
const place: Watched = {
  id: 'p',
  what: 'wall joint',
  name: 'front corner, left',
  witnesses: ['upright-left'],
};
const test1 = (more: object = {}): LoadTest => ({
  kind: 'load test',
  id: id(1),
  purpose: 'find what moves',
  states: ['on its legs', 'hitched', 'on jacks'],
  places: [place],
  readings: [
    { placeId: 'p', state: 'on its legs', mm: 1 },
    { placeId: 'p', state: 'hitched', mm: 7 },
  ],
  windUpLetGo: true,
  by: 'TM',
  at: '2026-11-20T09:00:00Z',
  note: '',
  ...more,
});
test('what each state did to each place since the first; what nobody read is said', () =>
  expect(testResults(test1())).toEqual([
    { place, moved: [{ from: 'on its legs', to: 'hitched', byMm: 6, is: 'opens' }], unread: ['on jacks'] },
  ]));
test.each([
  [1.49, 'unchanged'],
  [1.5, 'opens'],
  [0.51, 'unchanged'],
  [0.5, 'closes'],
])('1 mm, then %d mm: %s', (mm, is) => {
  const readings = [
    { placeId: 'p', state: 'on its legs' as const, mm: 1 },
    { placeId: 'p', state: 'hitched' as const, mm },
  ];
  expect(testResults(test1({ readings }))[0]!.moved[0]!.is).toBe(is);
});
test('a place read in no state, or in one, moved nowhere', () => {
  expect(testResults(test1({ readings: [] }))[0]).toMatchObject({ moved: [], unread: { length: 3 } });
  expect(testResults(test1({ readings: test1().readings.slice(1) }))[0]).toMatchObject({
    moved: [],
    unread: ['on its legs', 'on jacks'],
  });
});
test('two states, one place, and readings of those', () => {
  const reads = (more: object) => loadTestSchema.safeParse(test1(more)).success;
  expect(reads({})).toBe(true);
  expect(reads({ states: ['hitched'], readings: [] })).toBe(false);
  expect(reads({ places: [], readings: [] })).toBe(false);
  expect(reads({ readings: [{ placeId: 'q', state: 'hitched', mm: 1 }] })).toBe(false);
  expect(reads({ readings: [{ placeId: 'p', state: 'wheel turned left', mm: 1 }] })).toBe(false);
});
describe('a temporary repair is released', () => {
  const held = { memberId: 'upright-left', at: '2026-11-20T08:00:00Z' };
  const read = (...mm: readonly number[]) =>
    mm.map((each, k) => ({ placeId: 'p', state: test1().states[k]!, mm: each }));
  const release = (more: object = {}) =>
    test1({ purpose: 'release a temporary repair', readings: read(1, 1.49, 0.51), ...more });
  const at = (more: Partial<Watched>) => [{ ...place, ...more }];
  test.each<[string, LoadTest[], Release]>([
    ['none made', [], 'not tested'],
    ['read in every state, nothing moved', [release()], 'released'],
    ['made when it was', [release({ at: held.at })], 'released'],
    ['made before it', [release({ at: '2026-11-20T07:59:59Z' })], 'not tested'],
    ['made for something else', [release({ purpose: 'find what moves' })], 'not tested'],
    ['read nowhere', [release({ readings: [] })], 'not read'],
    ['a state left out', [release({ readings: read(1, 1) })], 'not read'],
    ['of another member', [release({ places: at({ witnesses: ['upright-right'] }) })], 'not read'],
    ['of a place that names no member', [release({ places: at({ witnesses: [] }) })], 'released'],
    ['of a spring, which moves by itself', [release({ places: at({ what: 'spring play' }) })], 'not read'],
    ['it opens', [release({ readings: read(1, 1.5, 1) })], 'moves'],
    ['it closes', [release({ readings: read(1, 0.5, 1) })], 'moves'],
    ['opens, and a state was left out', [release({ readings: read(1, 1.5) })], 'moves'],
    ['released, and it moved in a later one', [release(), release({ readings: read(1, 3, 1) })], 'moves'],
    ['moved, and did not in a later one', [release({ readings: read(1, 3, 1) }), release()], 'moves'],
    ['first not read, then read', [release({ readings: [] }), release()], 'released'],
    [
      'a crack of it opened while something else was looked for',
      [release(), test1({ places: at({ what: 'crack' }) })],
      'moves',
    ],
    ['a wall joint did', [release(), test1()], 'released'],
    [
      'a crack of another member did',
      [release(), test1({ places: at({ what: 'crack', witnesses: ['upright-right'] }) })],
      'released',
    ],
  ])('%s', (_, tests, is) => expect(releaseOf(tests, held)).toBe(is));
});
