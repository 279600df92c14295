import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { WORK_IDS, workForm } from '@/core/shape';
import {
  figureWords,
  isMeasureWorded,
  isUncheckedWorded,
  isWorded,
  partWords,
  WORK_WORDS,
  workFindingWords,
} from './works';

const FOLDER = join('core', 'shape', 'works');
const SOURCES = readdirSync(FOLDER)
  .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
  .map((name) => readFileSync(join(FOLDER, name), 'utf8'))
  .join('\n');
const NOT_TAKEN = ['threadMm', 'freeBoltMm', 'seatMm', 'heightMm'].map((key) => `not taken down: ${key}`);

/** Every code that a rule of a work names: the string before its weight. */
const CODES = [
  ...new Set(
    [...SOURCES.matchAll(/'([^'\n]+)',\s*\[\s*'(?:broken|deviation|note)'/g)].map(([, code]) => code!),
  ),
  ...NOT_TAKEN,
];

test('every work, measure and rule has its words', () => {
  expect(CODES.length).toBeGreaterThan(70);
  expect(CODES.filter((code) => !isWorded(code))).toEqual([]);
  for (const id of WORK_IDS) {
    expect(WORK_WORDS[id].length).toBeGreaterThan(5);
    for (const measure of workForm(id).measures) expect(isMeasureWorded(measure)).toBe(true);
  }
});

test('what nobody checked is said in words', () => {
  const named = [...SOURCES.matchAll(/unchecked: \[([^\]]*)\]/g)].flatMap(([, list]) =>
    [...list!.matchAll(/'([^']+)'/g)].map(([, code]) => code!),
  );
  expect(named.length).toBeGreaterThan(10);
  expect([...named, 'load', 'what the sheet is'].filter((code) => !isUncheckedWorded(code))).toEqual([]);
});

test('a finding says its figure and its limit, in the reader’s units; a figure that is none says nothing', () => {
  const finding = {
    code: 'too loose',
    weight: 'broken',
    quantity: 'thickness',
    source: 'practice',
    value: 25.4,
    limit: 3.175,
  } as const;
  expect(workFindingWords(finding, 'in')).toEqual({
    title: 'Too loose',
    detail: '1.000 in where 0.125 in is the limit',
    change: 'the next size, or a block or sleeve made to measure',
  });
  expect(workFindingWords(finding, 'mm').detail).toBe('25.4 mm where 3.2 mm is the limit');
  expect(workFindingWords({ ...finding, value: Infinity }, 'in').detail).toBe('');
});

test('a figure beside its limit, and a part by its sizes', () => {
  expect(figureWords({ id: 'play', value: 2, quantity: 'thickness', limit: 3 }, 'mm')).toBe(
    'Play: 2.0 mm, against 3.0 mm',
  );
  expect(partWords({ name: 'gusset', lengthMm: 100, widthMm: 50, thicknessMm: 6, count: 2 }, 'mm')).toMatch(
    /^2 × gusset 100/,
  );
});
