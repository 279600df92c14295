import { loadTestSchema, testedSince, testResults, type LoadTest, type Watched } from '.';

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
test('a test releases what it was made for, and only after it was done', () => {
  const release = test1({ purpose: 'release a temporary repair' });
  expect(testedSince([release], 'release a temporary repair', '2026-11-20T08:00:00Z')).toBe(true);
  expect(testedSince([release], 'release a temporary repair', '2026-11-20T10:00:00Z')).toBe(false);
  expect(testedSince([test1()], 'release a temporary repair', '2026-11-20T08:00:00Z')).toBe(false);
});
