import {
  DEFAULT_PRACTICE,
  legalOf,
  practiceSchema,
  SHIPPED_LEGAL,
  waysFor,
  type Practice,
} from '@/core/reference';
import { differingFields, keyOf, PRACTICE_FIELDS, readPractice, typedFigure, withFieldOf } from './fields';
import { withCopy, withWay } from './changes';
import { readPair } from './pairs';

describe('figures of the practice, typed', () => {
  test('every figure of the schema has a field, and no field leads nowhere', () => {
    const leaves = (at: unknown, path: string[] = []): string[] =>
      typeof at === 'object' && at !== null && !Array.isArray(at)
        ? Object.entries(at).flatMap(([key, value]) => leaves(value, [...path, key]))
        : [path.join('.')];
    const { ways: _, legal: __, school: ___, dutyFactors: ____, ...figures } = DEFAULT_PRACTICE;
    const known = PRACTICE_FIELDS.map(keyOf);
    expect(leaves(figures).filter((path) => !known.includes(path))).toEqual([]);
    for (const field of PRACTICE_FIELDS)
      if (!field.maybe) expect(typedFigure(field, DEFAULT_PRACTICE, 'in')).not.toBe('');
  });
  test.each(['in', 'mm'] as const)('as it stands, typed and read again, is what it was: %s', (system) => {
    const typed = Object.fromEntries(
      PRACTICE_FIELDS.map((field) => [keyOf(field), typedFigure(field, DEFAULT_PRACTICE, system)]),
    );
    expect(readPractice(DEFAULT_PRACTICE, typed, system)).toEqual({ ok: true, value: DEFAULT_PRACTICE });
  });
  test('one figure typed, in its own units; the others stay to the last digit', () => {
    const read = readPractice(
      DEFAULT_PRACTICE,
      {
        soundFraction: '75',
        'loadFactors.ditchMm': '8',
        'dutyFactors.work.bumpG': '3.5',
        'money.framePrice': '3,000 to 4,200',
      },
      'in',
    );
    expect(read).toEqual({
      ok: true,
      value: {
        ...DEFAULT_PRACTICE,
        soundFraction: 0.75,
        loadFactors: { ...DEFAULT_PRACTICE.loadFactors, ditchMm: 8 * 25.4 },
        dutyFactors: { ...DEFAULT_PRACTICE.dutyFactors, work: { bumpG: 3.5 } },
        money: { ...DEFAULT_PRACTICE.money, framePrice: [3000, 4200] },
      },
    });
  });
  test('what may be left open is taken out when it is emptied', () => {
    const priced: Practice = {
      ...DEFAULT_PRACTICE,
      money: { ...DEFAULT_PRACTICE.money, framePrice: [1, 2] },
    };
    expect(readPractice(priced, { 'money.framePrice': ' ' }, 'in')).toEqual({
      ok: true,
      value: DEFAULT_PRACTICE,
    });
  });
  test.each([
    ['money.ratePerHour', 'much', /money an hour.*a number/],
    ['money.ratePerHour', '-5', /money an hour.*at least 0/],
    ['money.currency', ' ', /currency.*needed/],
    ['soundFraction', '120', /sound from.*at most 1/],
    ['soundFraction', '', /sound from.*needed/],
    ['money.norms.splice', '6 to 1', /splice.*least comes first/],
    ['money.norms.splice', 'long', /splice.*least to most/],
    ['stockThicknessesMm', '1/8, thick', /shelf.*not a length/],
    ['walk.reachMm', '1', /mount.*sees nothing/],
    ['geometry.angleDeg', '6', /angle.*at most 5/],
    ['geometry.lineShare', '0', /bow.*above nothing/],
    ['geometry.lineShare', '40', /bow.*at most 0.02/],
  ])('%s “%s” is refused by name', (key, text, reason) =>
    expect(readPractice(DEFAULT_PRACTICE, { [key]: text }, 'in')).toMatchObject({
      ok: false,
      at: key,
      reason: expect.stringMatching(reason),
    }),
  );
  test('where two practices differ, and the way back', () => {
    const other = { ...DEFAULT_PRACTICE, bendK: 0.44, hand: { ...DEFAULT_PRACTICE.hand, struckKept: 0.7 } };
    const fields = differingFields(DEFAULT_PRACTICE, other);
    expect(fields.map(keyOf).sort()).toEqual(['bendK', 'hand.struckKept']);
    expect(fields.reduce((at, each) => withFieldOf(at, DEFAULT_PRACTICE, each), other)).toEqual(
      DEFAULT_PRACTICE,
    );
  });
  test.each([
    ['1 to 6', [1, 6]],
    ['1-6', [1, 6]],
    ['1,000 – 2,500', [1000, 2500]],
    ['4', [4, 4]],
  ])('%s', (text, pair) => expect(readPair(text)).toEqual({ ok: true, value: pair }));
  test.each(['', 'six', '6 to 1', '-1 to 6', '1 to'])('“%s” is no pair', (text) =>
    expect(readPair(text).ok).toBe(false),
  );
});

describe('schools by place', () => {
  test('sheet, plate and a family differ where something is said, and are as everywhere again when it is not', () => {
    const sheet = withWay(DEFAULT_PRACTICE, 'sheet', 'approach', 'bolt on');
    expect(waysFor(sheet, { family: 'unibody', madeMm: 1.5 }).approach).toBe('bolt on');
    expect(waysFor(sheet, { family: 'unibody', madeMm: 5 }).approach).toBe('repair');
    const family = withWay(sheet, 'unibody', 'approach', 'replace only');
    expect(waysFor(family, { family: 'unibody', madeMm: 1.5 }).approach).toBe('replace only');
    expect(waysFor(family, { family: 'boxed ladder', madeMm: 1.5 }).approach).toBe('bolt on');
    const back = withWay(withWay(family, 'unibody', 'approach', undefined), 'sheet', 'approach', undefined);
    expect(waysFor(back, { family: 'unibody', madeMm: 1.5 })).toEqual(
      waysFor(DEFAULT_PRACTICE, { family: 'unibody', madeMm: 1.5 }),
    );
    for (const each of [sheet, family, back]) expect(practiceSchema.safeParse(each).success).toBe(true);
  });
});

describe('legal profiles', () => {
  test('a copy is one’s own and chosen; what ships stands; another copy is another', () => {
    const once = withCopy(DEFAULT_PRACTICE, SHIPPED_LEGAL[1]);
    const twice = withCopy(once, SHIPPED_LEGAL[1]);
    expect(legalOf(once.legal)).toMatchObject({ basis: 'own', flangesUncut: true });
    expect(new Set(twice.legal.profiles.map(({ id }) => id)).size).toBe(SHIPPED_LEGAL.length + 2);
    expect(practiceSchema.safeParse(twice).success).toBe(true);
  });
});
