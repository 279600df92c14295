import { DEFAULT_MONEY } from '@/core/reference';
import { readMoney, readPair, typedMoney } from '../../weigh/_parts/norms-typed';
import { intakeTyped, readIntake } from './intake-typed';

const NOTHING = intakeTyped(undefined);
describe('what an owner tells', () => {
  test('nothing said is nothing kept, and no nought', () =>
    expect(readIntake(NOTHING)).toEqual({ ok: true, value: { isHome: false } }));
  test.each([
    ['4,500', 4500],
    ['$4500', 4500],
    ['€ 4 500.50', 4500.5],
  ])('%s is %d', (text, amount) =>
    expect(readIntake({ ...NOTHING, ceiling: text })).toMatchObject({ value: { ceiling: amount } }),
  );
  test.each(['0', '-5', 'a lot', '4k'])('%s is no ceiling, and said so', (text) =>
    expect(readIntake({ ...NOTHING, ceiling: text })).toMatchObject({
      ok: false,
      reason: expect.stringContaining('the ceiling'),
    }),
  );
  test('what was kept stands in the form again, and reads as it was', () => {
    const typed = {
      ...NOTHING,
      frameBuilt: '2011-04',
      unitValue: '9000',
      tried: 'sealed twice',
      claimBy: 'the maker',
      authorised: 'refused' as const,
    };
    const read = readIntake(typed);
    if (!read.ok) throw new Error(read.reason);
    const intake = { kind: 'intake', id: '1', by: 'RK', at: '', note: '', ...read.value } as const;
    expect(intakeTyped(intake)).toEqual(typed);
  });
});

describe('rate, prices and norms', () => {
  test.each([
    ['1 to 6', [1, 6]],
    ['1-6', [1, 6]],
    ['1,000 – 2,500', [1000, 2500]],
    ['4', [4, 4]],
    [' 0.5 to 0.5 ', [0.5, 0.5]],
  ])('%s', (text, pair) => expect(readPair(text, 'weld')).toEqual({ ok: true, value: pair }));
  test.each(['', 'six', '6 to 1', '-1 to 6', '1 to'])('“%s” is none', (text) =>
    expect(readPair(text, 'weld')).toMatchObject({ ok: false, reason: expect.stringMatching(/^weld/) }),
  );
  test('typed and read again is what it was, a frame’s price too', () => {
    const priced = { ...DEFAULT_MONEY, framePrice: [3000, 4200] as [number, number] };
    for (const money of [DEFAULT_MONEY, priced])
      expect(readMoney(typedMoney(money), money)).toEqual({ ok: true, value: money });
  });
  test('a frame’s price taken out is not known any more', () => {
    const priced = { ...DEFAULT_MONEY, framePrice: [3000, 4200] as [number, number] };
    const read = readMoney({ ...typedMoney(priced), framePrice: ' ' }, priced);
    expect(read).toEqual({ ok: true, value: DEFAULT_MONEY });
  });
  test.each([
    ['ratePerHour', 'much', 'money an hour'],
    ['currency', ' ', 'currency'],
    ['seizedChance', '101', 'between 0 and 100'],
    ['splice', 'long', 'splice'],
  ])('%s “%s” is refused by name', (key, text, words) =>
    expect(readMoney({ ...typedMoney(DEFAULT_MONEY), [key]: text }, DEFAULT_MONEY)).toMatchObject({
      ok: false,
      reason: expect.stringContaining(words),
    }),
  );
});
