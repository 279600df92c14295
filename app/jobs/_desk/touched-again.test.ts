import { touchedAgain } from './touched-again';

describe('a record that says what the one before it said', () => {
  const said = (more: object = {}) => ({
    id: 'a',
    at: '2026-01-01T00:00:00Z',
    kind: 'sign',
    stationMm: 5,
    ...more,
  });
  const isAgain = (records: readonly (readonly [atMs: number, record: ReturnType<typeof said>])[]) => {
    let now = 0;
    const again = touchedAgain(() => now);
    return records.map(([atMs, record]) => {
      now = atMs;
      return again(record);
    });
  };
  test.each([
    [349, {}, true],
    [350, {}, false],
    [349, { stationMm: 6 }, false],
    [349, { note: 'more' }, false],
  ])('%d ms later, with %p: said once is %p', (atMs, more, expected) => {
    const later = said({ id: 'b', at: '2026-01-01T00:00:01Z', ...more });
    expect(
      isAgain([
        [0, said()],
        [atMs, later],
      ]),
    ).toEqual([false, expected]);
  });
  test('a finger that goes on touching says it again once it has paused', () => {
    expect(isAgain([0, 200, 340, 400].map((atMs) => [atMs, said({ id: String(atMs) })] as const))).toEqual([
      false,
      true,
      true,
      false,
    ]);
  });
});
