import { join } from 'node:path';

const FONTS = join(process.cwd(), 'node_modules', '@fontsource', 'ibm-plex-sans-condensed', 'files');

/** Where the font of printed sheets lies, by weight. */
export const printFontFile = (weight: 400 | 600 | 700): string =>
  join(FONTS, `ibm-plex-sans-condensed-latin-${weight}-normal.woff`);
