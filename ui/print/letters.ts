import * as fontkit from 'fontkit';
import { PRINT_PART_NAMES, printFontFile, type PrintPart } from './font-file';

/** What the first part of the font has: nothing here needs a second look. */
const EVERYDAY = /^[\n\x20-\x7e\xa1-\xac\xae-\xff’“”–—…]*$/;
/** What only tells how the sign before it is drawn. */
const UNSEEN = /[\u200b-\u200f\ufe00-\ufe0f]/g;
/** What stands for a letter that is no plain one with a mark, and for signs that say something of a measure. */
const PLAIN: Readonly<Record<string, string>> = {
  ...{ đ: 'd', Đ: 'D', ł: 'l', Ł: 'L', ħ: 'h', ŧ: 't' },
  ...{ '≤': '<=', '≥': '>=', '≈': '~', '→': '->', '⌀': 'Ø', '∅': 'Ø' },
  ...{ '\t': ' ', '\u2009': ' ', '\u202f': ' ', '\u2011': '-' },
};

const known = new Map<PrintPart, ReadonlySet<number>>();
function lettersOf(part: PrintPart): ReadonlySet<number> {
  const letters =
    known.get(part) ?? new Set((fontkit.openSync(printFontFile(400, part)) as fontkit.Font).characterSet);
  known.set(part, letters);
  return letters;
}

/**
 * Words as a sheet can print them: a letter that no part of its font has gives way to the plain letter beneath its marks, or to a question mark. The
 * PDF writer would put some other letter in its place.
 */
export function printable(words: string, parts: readonly PrintPart[] = PRINT_PART_NAMES): string {
  if (EVERYDAY.test(words)) return words;
  const isKnown = (letter: string) => parts.some((part) => lettersOf(part).has(letter.codePointAt(0)!));
  const instead = (letter: string) => {
    const plain = PLAIN[letter] ?? letter.normalize('NFD')[0]!;
    return isKnown(plain) ? plain : '?';
  };
  const whole = words.normalize('NFC').replace(UNSEEN, '');
  return Array.from(whole, (letter) => (letter === '\n' || isKnown(letter) ? letter : instead(letter))).join(
    '',
  );
}
