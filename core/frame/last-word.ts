/**
 * Words, as they were kept, that no other came after both by the clock and as it was kept. More than one where a device was out of reach or its clock is wrong:
 * which was said last nobody knows, and the stricter of them counts.
 */
export const maybeLast = <Word extends { readonly at: string }>(words: readonly Word[]): Word[] =>
  words.filter((word, k) => !words.some((other, j) => j > k && other.at >= word.at));

/** Of what may be the last word the strictest, of equal ones the one kept last. */
export const lastWord = <Word extends { readonly at: string }>(
  words: readonly Word[],
  strictness: (word: Word) => number,
): Word | undefined =>
  maybeLast(words).reduce<Word | undefined>(
    (last, word) => (last && strictness(last) > strictness(word) ? last : word),
    undefined,
  );
