/** Words of a drawing on one line: a break in them would begin the next group of a DXF, a control character is none of XML's. */
export const onOneLine = (words: string): string => words.replace(/[\u0000-\u001f\u007f]+/g, ' ');

/** A cell that a spreadsheet would run as a formula is written as text. */
export const asText = (words: string): string => (/^[=+\-@\t\r]/.test(words) ? `'${words}` : words);
