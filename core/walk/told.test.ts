import { CHOSEN, choiceSchema, intakeSchema, LEAVES_BAD } from '.';

const stamp = {
  id: '00000000-0000-4000-8000-000000000001',
  by: 'RK',
  at: '2026-11-10T08:00:00Z',
  note: '',
};
describe('what an owner tells at the counter', () => {
  const reads = (more: object) =>
    intakeSchema.safeParse({ kind: 'intake', ...stamp, isHome: false, ...more }).success;
  test('nothing of it is needed', () => expect(reads({})).toBe(true));
  test.each([
    [{ ceiling: 0.01 }, true],
    [{ ceiling: 0 }, false],
    [{ ceiling: -1 }, false],
    [{ ceiling: 1e7 }, true],
    [{ ceiling: 1.01e7 }, false],
    [{ unitValue: 0 }, false],
    [{ askingPrice: 0 }, false],
    [{ frameBuilt: '2011' }, true],
    [{ frameBuilt: '2011-12' }, true],
    [{ frameBuilt: '2011-13' }, false],
    [{ frameBuilt: '1899' }, false],
    [{ needBy: '2027-02-28' }, true],
    [{ needBy: '2027-02-30' }, false],
    [{ tried: 'x'.repeat(400) }, true],
    [{ tried: 'x'.repeat(401) }, false],
    [{ makersClaim: { who: 'its maker', authorised: 'refused' } }, true],
    [{ makersClaim: { who: ' ', authorised: 'yes' } }, false],
    [{ makersClaim: { who: 'its maker', authorised: 'maybe' } }, false],
  ])('%j: %p', (more, fits) => expect(reads(more)).toBe(fits));
});

describe('what an owner chooses', () => {
  const reads = (more: object) => choiceSchema.safeParse({ kind: 'choice', ...stamp, ...more });
  test.each(CHOSEN)('%s: what is left is said where bad metal stays in use', (chosen) => {
    const isReason = chosen === 'declined by the shop';
    expect(reads({ chosen, ...(isReason && { why: 'no frame press' }) }).success).toBe(
      !LEAVES_BAD.includes(chosen),
    );
    expect(reads({ chosen, left: 'holes behind the axle', why: 'money' }).success).toBe(true);
  });
  test('a shop that declines says why', () =>
    expect(reads({ chosen: 'declined by the shop', why: ' ' }).error!.issues[0]!.message).toContain(
      'say why',
    ));
});
