import { join } from 'node:path';

/** Parts of the font of printed sheets, and their packages: a letter is looked for in one after the other. */
export const PRINT_PARTS = {
  latin: 'ibm-plex-sans-condensed',
  'latin-ext': 'ibm-plex-sans-condensed',
  vietnamese: 'ibm-plex-sans-condensed',
  cyrillic: 'ibm-plex-sans',
  'cyrillic-ext': 'ibm-plex-sans',
  greek: 'ibm-plex-sans',
} as const;
export type PrintPart = keyof typeof PRINT_PARTS;
export const PRINT_PART_NAMES = Object.keys(PRINT_PARTS) as readonly PrintPart[];

/** Where a part of the font of printed sheets lies, by weight. */
export const printFontFile = (weight: 400 | 600 | 700, part: PrintPart = 'latin'): string => {
  const name = PRINT_PARTS[part];
  const folder = join(process.cwd(), 'node_modules', '@fontsource', name, 'files');
  return join(folder, `${name}-${part}-${weight}-normal.woff`);
};
