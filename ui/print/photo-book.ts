import PDFDocument from 'pdfkit';
import { printFont } from './font-file';
import { printable } from './letters';

/** A picture of the book; its bytes, JPEG, are asked for when its page is drawn. */
export interface BookPicture {
  readonly words: string;
  readonly read: () => Promise<Uint8Array | undefined>;
}
/** Two pictures side by side; one stands alone where there is no other. */
export interface BookRow {
  readonly left: BookPicture;
  readonly right?: BookPicture;
}
/** Rows under one heading. */
export interface BookChapter {
  readonly heading: string;
  readonly rows: readonly BookRow[];
}
export interface PhotoBook {
  readonly title: string;
  readonly under: string;
  readonly chapters: readonly BookChapter[];
}

/** Points: a letter sheet with three rows to a page. */
const [PAGE_WIDE, PAGE_HIGH, EDGE] = [612, 792, 34];
const [PICTURE_WIDE, PICTURE_HIGH, GAP] = [264, 190, 16];
const [HEAD_HIGH, ROW_HIGH] = [46, 230];
export const ROWS_A_PAGE = 3;

interface BookPage {
  readonly heading: string;
  readonly rows: readonly BookRow[];
}
/** A chapter begins on a page of its own. */
export const bookPages = (chapters: readonly BookChapter[]): BookPage[] =>
  chapters.flatMap(({ heading, rows }) =>
    Array.from({ length: Math.ceil(rows.length / ROWS_A_PAGE) }, (_, k) => ({
      heading,
      rows: rows.slice(k * ROWS_A_PAGE, (k + 1) * ROWS_A_PAGE),
    })),
  );

/** A book of photos as PDF, piece by piece: a page is drawn when the one before it was taken, so that any number of pictures takes the room of a few. */
export async function* photoBookPdf({ title, under, chapters }: PhotoBook): AsyncGenerator<Uint8Array> {
  const pages = bookPages(chapters);
  const [plain, bold] = [await printFont(400), await printFont(700)];
  const doc = new PDFDocument({
    size: [PAGE_WIDE, PAGE_HIGH],
    margin: 0,
    autoFirstPage: false,
    // Any buffer is taken; the types know of names alone.
    font: plain as unknown as string,
    info: { Title: title, Producer: 'Ossatura', Creator: 'Ossatura' },
  });
  doc.registerFont('plain', plain).registerFont('bold', bold);
  for (const [k, { heading, rows }] of pages.entries()) {
    doc.addPage();
    head(doc, { title, under, heading, foot: `${title}, page ${k + 1} of ${pages.length}` });
    for (const [n, row] of rows.entries()) await drawRow(doc, row, EDGE + HEAD_HIGH + n * ROW_HIGH);
    yield* drawnSoFar(doc);
  }
  doc.end();
  yield* drawnSoFar(doc);
}

type Doc = PDFKit.PDFDocument;
/** A page of the book has the one part of the font; the sheets have all. */
const inLatin = (words: string): string => printable(words, ['latin']);
function* drawnSoFar(doc: Doc): Generator<Uint8Array> {
  for (let piece = doc.read(); piece !== null; piece = doc.read()) yield piece as Buffer;
}

function head(doc: Doc, words: { title: string; under: string; heading: string; foot: string }): void {
  const wide = PAGE_WIDE - 2 * EDGE;
  const line = { width: wide, height: 14, ellipsis: true };
  doc
    .font('bold')
    .fontSize(12)
    .text(inLatin(words.heading), EDGE, EDGE - 6, line);
  doc
    .font('plain')
    .fontSize(8.5)
    .text(inLatin(`${words.title}. ${words.under}`), EDGE, EDGE + 11, line);
  doc
    .moveTo(EDGE, EDGE + 26)
    .lineTo(PAGE_WIDE - EDGE, EDGE + 26)
    .lineWidth(1.2)
    .stroke('#000');
  doc.fontSize(8).text(inLatin(words.foot), EDGE, PAGE_HIGH - 26, { ...line, align: 'right' });
}

async function drawRow(doc: Doc, { left, right }: BookRow, y: number): Promise<void> {
  for (const [k, picture] of [left, right].entries())
    if (picture) await drawPicture(doc, picture, { x: EDGE + k * (PICTURE_WIDE + GAP), y });
}

async function drawPicture(doc: Doc, { words, read }: BookPicture, { x, y }: { x: number; y: number }) {
  const bytes = await read();
  const inside = { fit: [PICTURE_WIDE, PICTURE_HIGH] as [number, number], valign: 'center' };
  if (bytes) doc.image(Buffer.from(bytes), x, y, inside as PDFKit.Mixins.ImageOption);
  else {
    doc.rect(x, y, PICTURE_WIDE, PICTURE_HIGH).lineWidth(0.5).stroke('#000');
    doc
      .fontSize(9)
      .text('The picture is not here, or cannot be read.', x + 8, y + 8, { width: PICTURE_WIDE - 16 });
  }
  doc
    .fontSize(8.5)
    .text(inLatin(words), x, y + PICTURE_HIGH + 3, { width: PICTURE_WIDE, height: 32, ellipsis: true });
}
