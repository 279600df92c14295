import { defaultFrame, developedWidthMm, familyOf } from '../frame';
import { coatLitres } from '../reference';
import { coatedM2, coatOf, debrisTrends, preservedKind, type Weighed } from '.';

const year = (years: number): string =>
  new Date(Date.UTC(2020, 0, 1) + years * 365.25 * 86_400_000).toISOString();
type Emptied = [years: number, kg: number];
const weighed = (...kg: Emptied[]): Weighed[] =>
  kg.map(([years, each]) => ({ memberId: 'rail', at: year(years), kg: each }));
const trend = (...kg: Emptied[]) => debrisTrends(weighed(...kg))[0]!;

describe('what comes into a member', () => {
  test('a rate is what came out over the months since the visit before; the first visit has none', () => {
    const { rates, says } = trend([0, 6], [1, 12], [3, 12]);
    expect(rates.map(({ kgPerMonth }) => kgPerMonth)).toEqual([expect.closeTo(1, 9), expect.closeTo(0.5, 9)]);
    expect(says).toBe('less');
    expect(trend([0, 6])).toMatchObject({ visits: [{ kg: 6 }], rates: [] });
    expect(trend([0, 6], [1, 12])).not.toHaveProperty('says');
  });
  test('more, less, as before: by more than scale and what stays inside; of little nothing is said', () => {
    // Errors of 2 and 2.7 kg: √(0.2² + 0.3² + 0.3²) and √(0.2² + 0.405² + 0.3²), 0.717 of their difference.
    expect(trend([0, 2], [1, 2], [2, 2.75]).says).toBe('more');
    expect(trend([0, 2], [1, 2], [2, 2.7]).says).toBe('as before');
    expect(trend([0, 2], [1, 2], [2, 1.3]).says).toBe('less');
    expect(trend([0, 2], [1, 2], [2, 1.4]).says).toBe('as before');
    // Known to 0.35 kg: less than half of the larger one, whichever comes first.
    expect(trend([0, 0], [1, 0.9], [2, 0.6]).says).toBe('as before');
    expect(trend([0, 0], [1, 0.6], [2, 0.9]).says).toBe('as before');
    expect(trend([0, 0], [1, 0.6], [2, 0.6]).says).toBe('can’t say');
    expect(trend([0, 0.3], [1, 0.2], [2, 0.3]).says).toBe('can’t say');
    expect(trend([0, 3], [1, 0], [2, 0]).says).toBe('can’t say');
  });
  test('of several visits the last two rates are held against each other', () => {
    expect(trend([0, 2], [1, 2], [2, 6], [3, 6], [4, 6]).says).toBe('as before');
    expect(trend([0, 6], [1, 6], [2, 2], [3, 6]).says).toBe('more');
  });
  test('emptied in several goes is one visit; the order they were written down in does not matter', () => {
    const days = (n: number) => n / 365.25;
    expect(trend([0, 3], [days(14), 1], [1, 12]).visits.map(({ kg }) => kg)).toEqual([4, 12]);
    expect(trend([0, 3], [days(15), 1], [1, 12]).visits.map(({ kg }) => kg)).toEqual([3, 1, 12]);
    const all = weighed([0, 3], [1, 2], [2, 9]);
    expect(debrisTrends([...all].reverse())).toEqual(debrisTrends(all));
    expect(debrisTrends([])).toEqual([]);
  });
});

describe('what a coat takes', () => {
  test('of a square metre: 100 µm dry are 0.1 l; at 60 and 40 in a hundred solids, a fifth lost, 0.208 to 0.3125 l', () => {
    expect(coatLitres(1)).toEqual({ low: expect.closeTo(0.20833, 4), high: expect.closeTo(0.3125, 9) });
  });
  test('a closed section is coated inside, an open one on both sides', () => {
    const of = (family: Parameters<typeof familyOf>[0]) =>
      defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' }).members.find(
        ({ role }) => role === 'rail',
      )!;
    const [open, closed] = [of('open-channel ladder'), of('boxed ladder')];
    const walls = ({ shape, lengthMm }: typeof open) => (developedWidthMm(shape) * lengthMm) / 1e6;
    expect([open.shape.kind, closed.shape.kind]).toEqual(['channel', 'box']);
    expect(coatedM2(closed)).toBeCloseTo(walls(closed), 9);
    expect(coatedM2(open)).toBeCloseTo(2 * walls(open), 9);
    const { low } = coatOf(closed);
    expect(coatOf(closed, { product: 'wax', litres: low - 1e-6 }).isShort).toBe(true);
    expect(coatOf(closed, { product: 'wax', litres: low }).isShort).toBe(false);
  });
});

describe('a visit', () => {
  const base = { kind: 'preserved', id: '00000000-0000-4000-8000-0000000000f1', by: 'RK', at: year(5) };
  const says = (more: object) => preservedKind.schema.safeParse({ ...base, memberId: 'rail', ...more });
  test('says what was done; nothing came out is something', () => {
    expect(says({ washed: false }).success).toBe(false);
    expect(says({ washed: true }).success).toBe(true);
    expect(says({ washed: false, debrisKg: 0 }).success).toBe(true);
    expect(says({ washed: false, debrisKg: -1 }).success).toBe(false);
    expect(says({ washed: false, debrisKg: 500 }).success).toBe(true);
    expect(says({ washed: false, debrisKg: 501 }).success).toBe(false);
    expect(says({ washed: false, coat: { product: 'wax', litres: 0 } }).success).toBe(false);
    expect(says({ washed: false, coat: { product: 'w', litres: 1 } }).success).toBe(false);
    expect(says({ washed: false, coat: { product: 'wax', litres: 1 } }).success).toBe(true);
  });
});
