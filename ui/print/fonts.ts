import { Font } from '@react-pdf/renderer';
import { PRINT_PART_NAMES, printFont, type PrintPart, type PrintWeight } from './font-file';

const WEIGHTS: readonly PrintWeight[] = [400, 600, 700];
const familyOf = (part: PrintPart): string => `Order ${part}`;

/** The font of printed sheets: what one part of it has not, the next is asked for. */
export const PRINT_FAMILY: string[] = PRINT_PART_NAMES.map(familyOf);

/** The fonts that printed sheets embed: the standard PDF fonts cannot print all that is needed. Once a process: it keeps all it is ever given. */
export async function registerFonts(): Promise<void> {
  if (isRegistered()) return;
  const families = await Promise.all(PRINT_PART_NAMES.map(fontsOf));
  // Somebody else may have done it meanwhile.
  if (isRegistered()) return;
  for (const family of families) Font.register(family);
  Font.registerHyphenationCallback((word) => [word]);
}

const isRegistered = (): boolean => Font.getRegisteredFontFamilies().includes(PRINT_FAMILY[0]!);

async function fontsOf(part: PrintPart) {
  const fonts = WEIGHTS.map(async (fontWeight) => {
    const font = await printFont(fontWeight, part);
    return { src: `data:font/ttf;base64,${font.toString('base64')}`, fontWeight };
  });
  return { family: familyOf(part), fonts: await Promise.all(fonts) };
}
