import * as fontkit from 'fontkit';
import { PRINT_PART_NAMES, printFontFile } from './font-file';
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

  test('every weight has the letters of the first, and the first part all of Latin 1', () => {
    const lettersOf = (weight: 400 | 600 | 700, part: (typeof PRINT_PART_NAMES)[number]) =>
      (fontkit.openSync(printFontFile(weight, part)) as fontkit.Font).characterSet;
    for (const part of PRINT_PART_NAMES)
      for (const weight of [600, 700] as const) expect(lettersOf(weight, part)).toEqual(lettersOf(400, part));
    const shown = [...Array(0x100).keys()].filter((k) => (k > 0x1f && k < 0x7f) || (k > 0xa0 && k !== 0xad));
    const typed = Array.from('’“”–—…', (letter) => letter.codePointAt(0)!);
    expect(lettersOf(400, 'latin')).toEqual(expect.arrayContaining([...shown, ...typed]));
  });
  test('with one part of the font alone marks are left off', () =>
    expect(printable('Nie podnosić, ŁK, Đừng, Не', ['latin'])).toBe('Nie podnosic, LK, Dung, ??'));
});
