import { fail, ok, type Outcome } from '@/core/quantity';

const NUMBER = String.raw`(\d+(?:\.\d+)?)`;
const PAIR = new RegExp(`^\\s*${NUMBER}(?:\\s*(?:to|-|–)\\s*${NUMBER})?\\s*$`);

/** `1 to 6`, `1-6`, or one figure that is both. */
export function readPair(text: string): Outcome<[number, number]> {
  const found = PAIR.exec(text.replace(/,/g, ''));
  if (!found) return fail('least to most, such as 1 to 6');
  const [least, most] = [Number(found[1]), Number(found[2] ?? found[1])];
  return least <= most ? ok([least, most]) : fail('the least comes first');
}
