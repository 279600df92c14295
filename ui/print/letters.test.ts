import { printable } from './letters';

describe('words as a sheet can print them', () => {
  test.each([
    ['Left rail, 1/4 × 2 3/4″: “no lift” – 45° ± 2 ½ µ', 'what everybody writes'],
    ['Nie podnosić, pęknięte, ŁK Őű İğş', 'with marks'],
    ['Đừng nâng ở đây, gỉ sét', 'with two marks on one'],
    ['Не поднимать, треснула', 'in Cyrillic letters'],
    ['Μη σηκώνεις, Δ', 'in Greek letters'],
    ['two\nlines', 'on two lines'],
  ])('“%s” stays as it is: %s', (words) => expect(printable(words)).toBe(words));

  test.each([
    ['不要升起 here', '???? here'],
    ['no lift ⚠️🔥 here', 'no lift ?? here'],
    ['ḱept ẘ', 'kept w'],
    ['e\u0301te\u0301', 'été'],
    ['a\u200bb', 'ab'],
    ['≤ 3, ⌀ 9 → 11\tmm', '<= 3, Ø 9 -> 11 mm'],
    ['√2', '?2'],
  ])('“%s” gets “%s”: no other letter stands for one that is not there', (words, printed) =>
    expect(printable(words)).toBe(printed),
  );

  test('with one part of the font alone marks are left off', () =>
    expect(printable('Nie podnosić, ŁK, Đừng, Не', ['latin'])).toBe('Nie podnosic, LK, Dung, ??'));
});
