/**
 * Words, as they were kept, that no other came after both by the clock and as it was kept. More than one where a device was out of reach or its clock is wrong:
 * which was said last nobody knows, and the stricter of them counts.
 */
export const maybeLast = <Word extends { readonly at: string }>(words: readonly Word[]): Word[] =>
  words.filter((word, k) => !words.some((other, j) => j > k && other.at >= word.at));

/** Of what may be the last word the strictest; of equal ones the later by the clock, of one moment the one kept last. */
export const lastWord = <Word extends { readonly at: string }>(
  words: readonly Word[],
  strictness: (word: Word) => number = () => 0,
): Word | undefined =>
  maybeLast(words).reduce<Word | undefined>((last, word) => {
    if (!last) return word;
    const [before, after] = [strictness(last), strictness(word)];
    return before > after || (before === after && last.at > word.at) ? last : word;
  }, undefined);
