import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { decompress } from 'wawoff2';

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
export type PrintWeight = 400 | 600 | 700;

/** Where a part of the font of printed sheets lies, by weight. */
export const printFontFile = (
  weight: PrintWeight,
  part: PrintPart = 'latin',
  kind: 'woff' | 'woff2' = 'woff',
): string => {
  const name = PRINT_PARTS[part];
  const folder = join(process.cwd(), 'node_modules', '@fontsource', name, 'files');
  return join(folder, `${name}-${part}-${weight}-normal.${kind}`);
};

const unpacked = new Map<string, Promise<Buffer>>();
/** A part of the font as a PDF takes it in, unpacked once a process: out of its packed file the PDF writer would unpack all letters anew for each one it prints. */
export function printFont(weight: PrintWeight, part: PrintPart = 'latin'): Promise<Buffer> {
  const file = printFontFile(weight, part, 'woff2');
  const font = unpacked.get(file) ?? readFile(file).then(unpack);
  unpacked.set(file, font);
  font.catch(() => unpacked.delete(file));
  return font;
}

let lastUnpacked: Promise<unknown> = Promise.resolve();
/** One after the other: the unpacker hands out a window onto its own memory, which its next file overwrites. */
function unpack(packed: Buffer): Promise<Buffer> {
  const font = lastUnpacked.then(async () => Buffer.from(await decompress(packed)));
  lastUnpacked = font.catch(() => undefined);
  return font;
}
