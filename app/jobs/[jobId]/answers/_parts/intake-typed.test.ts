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
