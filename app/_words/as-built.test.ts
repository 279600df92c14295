import type { AsBuilt, ShownAsBuilt } from '@/core/patterns';
import { builtDoubtWords, mindWords } from './as-built';

const shown = (more: Partial<ShownAsBuilt>): string =>
  mindWords({ asBuilt: {} as AsBuilt, isThisUnit: false, isMirrored: false, ...more });

test('another unit is never said to be this one; years and the other side are', () => {
  expect(shown({})).toBe('another unit: its maker may have built this one otherwise, measure here');
  expect(shown({ yearsApart: 0 })).toContain('another unit of the same year:');
  expect(shown({ yearsApart: 1 })).toContain('another unit 1 year apart:');
  expect(shown({ yearsApart: 3, isMirrored: true })).toMatch(/3 years apart: .*; .*as in a mirror$/);
  expect(shown({ isThisUnit: true })).toBe('this unit, photographed in another job');
});
test('a doubt is said, and none where there is none', () => {
  expect(builtDoubtWords({ doubt: 'mended' } as AsBuilt)).toContain('a repair was on record');
  expect(builtDoubtWords({ doubt: 'found bad' } as AsBuilt)).toContain('may not be as built');
  expect(builtDoubtWords({} as AsBuilt)).toBeUndefined();
});
