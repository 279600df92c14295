import { byPlace, type Finding, type Verdict } from '.';

let count = 0;
const finding = (verdict: Verdict, at?: [number, number]): Finding => ({
  code: 'crack',
  verdict,
  quantity: 'count',
  value: ++count,
  source: 'practice',
  firmness: 'firm',
  ...(at && { at: { fromMm: at[0], toMm: at[1] } }),
});
const groups = (...findings: Finding[]) =>
  byPlace(findings, 4000, 300).map(({ at, findings: found }) => [
    at && [at.fromMm, at.toMm],
    found.map(({ verdict }) => verdict),
  ]);

test('within reach of each other they are one place, a millimetre farther two; the worst place first', () => {
  expect(groups(finding('Watch', [100, 200]), finding('Mend', [500, 600]))).toEqual([
    [
      [100, 600],
      ['Mend', 'Watch'],
    ],
  ]);
  expect(groups(finding('Watch', [100, 200]), finding('Mend', [501, 600]))).toEqual([
    [[501, 600], ['Mend']],
    [[100, 200], ['Watch']],
  ]);
});
test('without a place, or over half of the member and more, it is of the whole', () => {
  expect(groups(finding('Watch', [0, 1999]), finding('Mend', [0, 2000]), finding('Can’t say'))).toEqual([
    [undefined, ['Mend', 'Can’t say']],
    [[0, 1999], ['Watch']],
  ]);
});
test('a long one joins what lies within it; none is lost or said twice', () => {
  const all = [finding('Mend', [0, 1500]), finding('Watch', [200, 250]), finding('Splice', [1400, 1450])];
  const [only, ...rest] = byPlace(all, 4000, 300);
  expect(rest).toEqual([]);
  expect(new Set(only!.findings)).toEqual(new Set(all));
  expect(byPlace([], 4000, 300)).toEqual([]);
});

test('of equal words the one that was given first governs, wherever it lies', () => {
  const [governs, other] = [finding('Mend', [3000, 3100]), finding('Mend', [100, 200])];
  expect(byPlace([governs, other], 4000, 300).map(({ findings }) => findings)).toEqual([[governs], [other]]);
  expect(byPlace([other, governs], 4000, 300).map(({ findings }) => findings)).toEqual([[other], [governs]]);
});
