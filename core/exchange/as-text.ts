/** A cell that a spreadsheet would run as a formula is written as text. */
export const asText = (words: string): string => (/^[=+\-@\t\r]/.test(words) ? `'${words}` : words);
