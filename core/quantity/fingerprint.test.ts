import { fingerprint } from './fingerprint';

/**
 * FNV-1a with 32 bits (IETF draft-eastlake-fnv: offset basis 0x811c9dc5, prime 0x01000193) in whole numbers of any size, from both ends of each
 * part, with a unit separator after it.
 */
const byBigInts = (parts: readonly string[]): string => {
  const mixed = (hash: bigint, code: bigint) => ((hash ^ code) * 0x01000193n) & 0xffffffffn;
  let [forward, backward] = [0x811c9dc5n, 0x811c9dc5n];
  for (const part of parts) {
    const codes = [...part].map((letter) => BigInt(letter.charCodeAt(0)));
    forward = mixed(codes.reduce(mixed, forward), 0x1fn);
    backward = mixed(codes.reduceRight(mixed, backward), forward);
  }
  return [forward, backward, BigInt(parts.join('').length)].map((each) => each.toString(36)).join('.');
};

test.each([[[]], [['']], [['a']], [['ab', 'c']], [['a', 'bc']], [['rail-left', 'ü 3/16"', '1970']]])(
  '%j as by whole numbers of any size',
  (parts: readonly string[]) => expect(fingerprint(parts)).toBe(byBigInts(parts)),
);
test('tells where one part ends and the next begins', () =>
  expect(fingerprint(['ab', 'c'])).not.toBe(fingerprint(['a', 'bc'])));
