import { lastWord, maybeLast } from '.';

const word = (hour: number, says: number) => ({
  at: `2026-11-20T${String(hour).padStart(2, '0')}:00:00Z`,
  says,
});
const strict = ({ says }: { says: number }) => says;

test.each([
  ['none', [], undefined],
  ['one', [word(9, 0)], 0],
  ['the later by both, however mild', [word(9, 5), word(10, 0)], 0],
  ['at one moment the one kept last', [word(9, 5), word(9, 0)], 0],
  ['a mild one of before kept late gives way', [word(10, 5), word(9, 0)], 5],
  ['a strict one of before kept late counts', [word(10, 0), word(9, 5)], 5],
  ['what came after all of them settles it', [word(10, 5), word(9, 3), word(11, 0)], 0],
])('the last word: %s', (_, words, says) => expect(lastWord(words, strict)?.says).toBe(says));

test('of words none of which is stricter the later by the clock, however they were kept', () => {
  expect(lastWord([word(10, 1), word(9, 2)])?.says).toBe(1);
  expect(lastWord([word(9, 1), word(10, 2)])?.says).toBe(2);
  expect(lastWord([word(9, 1), word(9, 2)])?.says).toBe(2);
});

test('what may be the last: everything that none came after by both', () => {
  const words = [word(10, 1), word(8, 2), word(9, 3)];
  expect(maybeLast(words).map(strict)).toEqual([1, 3]);
});
