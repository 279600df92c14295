import { readFileSync } from 'node:fs';
import { create, openSync, type Font, type FontCollection } from 'fontkit';
import { PRINT_PART_NAMES, printFont, printFontFile, type PrintWeight } from './font-file';

/** All files read in the same instant, as a quick disk may: nothing of one must be overwritten by the next. */
jest.mock('node:fs/promises', () => ({ readFile: async (path: string) => readFileSync(path) }));

const WEIGHTS: readonly PrintWeight[] = [400, 600, 700];
const ALL = PRINT_PART_NAMES.flatMap((part) => WEIGHTS.map((weight) => ({ part, weight })));

/** Each letter's outline, by its code. */
const outlines = (font: Font | FontCollection): Record<number, string> => {
  if (!('characterSet' in font)) throw new Error('more than one font in a file');
  return Object.fromEntries(
    font.characterSet.map((code) => [code, font.glyphForCodePoint(code).path.toSVG()]),
  );
};

test('all parts of the font asked for at once are each unpacked whole', async () => {
  const unpacked = await Promise.all(ALL.map(({ part, weight }) => printFont(weight, part)));
  for (const [at, { part, weight }] of ALL.entries()) {
    const found = outlines(create(unpacked[at]!));
    expect(Object.keys(found).length).toBeGreaterThan(20);
    expect(found).toEqual(outlines(openSync(printFontFile(weight, part, 'woff2'))));
  }
});
