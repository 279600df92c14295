import { Font } from '@react-pdf/renderer';
import { printFontFile } from './font-file';

const WEIGHTS = [400, 600, 700] as const;

/** The fonts that printed sheets embed: the standard PDF fonts cannot print all that is needed. */
export function registerFonts(): void {
  Font.register({
    family: 'Order',
    fonts: WEIGHTS.map((fontWeight) => ({ src: printFontFile(fontWeight), fontWeight })),
  });
  Font.registerHyphenationCallback((word) => [word]);
}
