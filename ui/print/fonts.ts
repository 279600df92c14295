import { Font } from '@react-pdf/renderer';
import { PRINT_PART_NAMES, printFontFile, type PrintPart } from './font-file';

const WEIGHTS = [400, 600, 700] as const;
const familyOf = (part: PrintPart): string => `Order ${part}`;

/** The font of printed sheets: what one part of it has not, the next is asked for. */
export const PRINT_FAMILY: string[] = PRINT_PART_NAMES.map(familyOf);

/** The fonts that printed sheets embed: the standard PDF fonts cannot print all that is needed. Once a process: it keeps all it is ever given. */
export function registerFonts(): void {
  if (Font.getRegisteredFontFamilies().includes(PRINT_FAMILY[0]!)) return;
  for (const part of PRINT_PART_NAMES)
    Font.register({
      family: familyOf(part),
      fonts: WEIGHTS.map((fontWeight) => ({ src: printFontFile(fontWeight, part), fontWeight })),
    });
  Font.registerHyphenationCallback((word) => [word]);
}
