import { join } from 'node:path';
import { Font } from '@react-pdf/renderer';

/** The fonts that printed sheets embed: the standard PDF fonts cannot print all that is needed. */
export function registerFonts(
  folder = join(process.cwd(), 'node_modules', '@fontsource', 'ibm-plex-sans-condensed', 'files'),
): void {
  const file = (weight: number) => `${folder}/ibm-plex-sans-condensed-latin-${weight}-normal.woff`;
  Font.register({
    family: 'Order',
    fonts: [
      { src: file(400), fontWeight: 400 },
      { src: file(600), fontWeight: 600 },
      { src: file(700), fontWeight: 700 },
    ],
  });
  Font.registerHyphenationCallback((word) => [word]);
}
