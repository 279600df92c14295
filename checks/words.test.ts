import { sourceWords } from '@/app/_words/finding';
import { findingWords } from '@/app/_words/findings';
import { joinWords } from '@/app/_words/join-findings';
import { repairWords } from '@/app/_words/repair-findings';
import { CAUTIONS, DEFERENCE } from '@/app/_words/cautions';
import { FINDING_CODES } from '@/core/weigh';
import { REPAIR_FINDING_CODES } from '@/core/shape';
import { JOIN_FINDING_CODES } from '@/core/join';
import { LIMIT_SOURCES, type LimitSource } from '@/core/reference';

const numbers = { value: 0.5, limit: 0.9, plusMinus: 0.1 };

test('every finding has a sentence with no hole in it', () => {
  const all = (['in', 'mm'] as const).flatMap((system) => [
    ...FINDING_CODES.map((code) =>
      findingWords(
        {
          code,
          verdict: 'Mend',
          quantity: 'fraction',
          source: 'retained',
          firmness: 'firm',
          name: 'bump',
          ...numbers,
        },
        system,
      ),
    ),
    ...REPAIR_FINDING_CODES.map((code) =>
      repairWords(
        { code, weight: 'broken', quantity: 'length', source: 'lap', name: 'web', ...numbers },
        system,
      ),
    ),
    ...JOIN_FINDING_CODES.map((code) =>
      joinWords({ code, weight: 'note', lineIds: ['A1'], ...numbers }, system),
    ),
  ]);
  for (const words of all) {
    expect(words.title.length).toBeGreaterThan(4);
    expect(`${words.title} ${words.detail} ${words.change}`).not.toMatch(/undefined|NaN|null/);
  }
});

test('every limit names where it comes from, and says when that is from memory or common practice', () => {
  for (const source of Object.keys(LIMIT_SOURCES) as LimitSource[])
    expect(sourceWords(source)).toMatch(/from memory|Common practice/);
});

test('every caution ends by deferring to code, maker and licensed practice', () => {
  for (const caution of Object.values(CAUTIONS)) expect(caution.endsWith(DEFERENCE)).toBe(true);
  expect(Object.values(CAUTIONS).join(' ')).not.toMatch(/\bsafe\b/i);
});
