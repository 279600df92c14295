import { randomLcg } from 'd3-random';
import { DEFAULT_MONEY, type Money } from '../../reference';
import {
  drawnSum,
  hoursLearnt,
  hoursTakenSchema,
  meanOf,
  NO_PRICE,
  pricedWays,
  retiredByMoney,
  varianceOf,
  WAYS_OUT,
  workOf,
  type Quantities,
  type Uncertain,
} from '.';

const part = (least: number, most: number, chance = 1, name = 'work'): Uncertain => ({
  name,
  least,
  most,
  chance,
});
const drawn = (parts: Uncertain[], limit?: number, seed = 0.4) =>
  drawnSum(parts, { random: randomLcg(seed), draws: 10_000, limit });

describe('a sum drawn', () => {
  test('one part spreads evenly between its ends', () => {
    const { spread, mean } = drawn([part(10, 30)]);
    expect(spread.low).toBeCloseTo(11, 0);
    expect(spread.mid).toBeCloseTo(20, 0);
    expect(spread.high).toBeCloseTo(29, 0);
    expect(mean).toBeCloseTo(20, 0);
  });
  test.each([0.11, 0.37, 0.83])(
    'many parts have the mean and variance of the closed form (seed %d)',
    (seed) => {
      const parts = [
        part(10, 30),
        part(0, 8, 0.25),
        part(4, 5),
        part(2, 40, 0.5),
        ...Array.from({ length: 6 }, () => part(1, 9, 0.3)),
      ];
      const [mean, variance] = [
        parts.reduce((sum, each) => sum + meanOf(each), 0),
        parts.reduce((sum, each) => sum + varianceOf(each), 0),
      ];
      const { spread, mean: found } = drawn(parts, undefined, seed);
      // Standard error of ten thousand draws.
      expect(Math.abs(found - mean)).toBeLessThan(4 * Math.sqrt(variance / 10_000));
      // Near normal: 5th to 95th is 3.29 standard deviations wide.
      expect((spread.high - spread.low) / Math.sqrt(variance)).toBeGreaterThan(3.05);
      expect((spread.high - spread.low) / Math.sqrt(variance)).toBeLessThan(3.5);
    },
  );
  test('the variance of one that may not come, by counting', () => {
    // Comes in half: 0 or evenly 0 … 12: mean 3, E x² = 24, variance 15.
    expect(varianceOf(part(0, 12, 0.5))).toBeCloseTo(15, 12);
    expect(varianceOf(part(5, 5))).toBeCloseTo(0, 12);
    expect(varianceOf(part(5, 5, 0.5))).toBeCloseTo(6.25, 12);
  });
  test('the chance of going over', () => {
    expect(drawn([part(10, 30)], 25).over).toBeCloseTo(0.25, 1);
    expect(drawn([part(10, 30)], 30).over).toBe(0);
    expect(drawn([part(10, 30)], 9).over).toBe(1);
    expect(drawn([part(10, 30)])).not.toHaveProperty('over');
  });
  test('what drives it, ranked; what is certain drives nothing', () => {
    const { drivers } = drawn([part(1, 2, 1, 'small'), part(0, 20, 1, 'large'), part(7, 7, 1, 'fixed')]);
    expect(drivers.map(({ name }) => name)).toEqual(['large', 'small']);
    expect(drivers[0]!.share).toBeCloseTo(400 / 401, 9);
  });
  test('the same seed, the same sum; nothing is nothing', () => {
    expect(drawn([part(1, 9)], 5)).toEqual(drawn([part(1, 9)], 5));
    expect(drawn([])).toMatchObject({ spread: { low: 0, mid: 0, high: 0 }, mean: 0, drivers: [] });
  });
});

const NOTHING: Quantities = {
  stretches: 0,
  openAnyway: 0,
  drawn: 0,
  plates: 0,
  weldM: 0,
  steelKg: 0,
  cracks: 0,
  splices: 0,
  rails: 0,
  crossmembers: 0,
  fittings: 0,
  straighten: 0,
  reinforced: { members: 0, plates: 0, weldM: 0, steelKg: 0 },
  members: 0,
  bodyItems: 0,
  criticalUnseen: 0,
  steelUnknown: 0,
};
const PATCH: Quantities = {
  ...NOTHING,
  stretches: 1,
  drawn: 1,
  plates: 2,
  weldM: 4,
  steelKg: 30,
  members: 1,
};
const DRAWN = { members: 1, plates: 2, weldM: 3, steelKg: 20 };
const price = (of: Quantities, money: Money = DEFAULT_MONEY, owner = {}) =>
  new Map(pricedWays(of, money, owner, () => randomLcg(0.3)).map((each) => [each.way, each]));
const cost = (of: Quantities, way: (typeof WAYS_OUT)[number], money?: Money) => {
  const priced = price(of, money).get(way)!;
  return priced.ok ? priced.money.spread : priced.why;
};

describe('ways out', () => {
  test('sound metal reinforced: its own plates, welds and steel by the norms, whatever is bad elsewhere', () => {
    const work = workOf('reinforce', { ...PATCH, reinforced: DRAWN }, DEFAULT_MONEY);
    if (typeof work === 'string') throw new Error(work);
    const sure = work.hours.filter(({ chance }) => chance === 1);
    // 1 + 2·1 + 3·0.5 + 1 and 6 + 2·3 + 3·1.5 + 3.
    expect(sure.reduce((sum, { least }) => sum + least, 0)).toBe(5.5);
    expect(sure.reduce((sum, { most }) => sum + most, 0)).toBe(19.5);
    expect(work.money).toEqual([{ name: 'steel', least: 40, most: 120, chance: 1 }]);
  });
  test('a patch by the norms: its ends are the sum of the parts’', () => {
    const work = workOf('mend', PATCH, DEFAULT_MONEY);
    if (typeof work === 'string') throw new Error(work);
    const sure = work.hours.filter(({ chance }) => chance === 1);
    // 1 + 1 + 2·1 + 4·0.5 + 1 and 6 + 4 + 2·3 + 4·1.5 + 3.
    expect(sure.reduce((sum, { least }) => sum + least, 0)).toBe(7);
    expect(sure.reduce((sum, { most }) => sum + most, 0)).toBe(25);
    expect(work.money).toEqual([{ name: 'steel', least: 60, most: 180, chance: 1 }]);
  });
  test.each([
    ['mend', NOTHING, 'nothing to do'],
    ['temporary only', NOTHING, 'nothing to do'],
    ['bolt on', NOTHING, 'nothing to do'],
    ['reinforce', PATCH, 'nothing drawn on sound metal'],
    ['reinforce', { ...NOTHING, reinforced: DRAWN, steelUnknown: 1 }, 'steel not known'],
    ['splice or renew', NOTHING, 'nothing to do'],
    ['swap the frame', NOTHING, 'nothing to do'],
    ['swap the frame', PATCH, 'no frame price'],
    ['mend', { ...PATCH, drawn: 0 }, 'no plate drawn'],
    ['mend', { ...PATCH, steelUnknown: 1 }, 'steel not known'],
    ['mend', { ...NOTHING, steelUnknown: 1 }, 'steel not known'],
    ['splice or renew', { ...PATCH, steelUnknown: 1 }, 'steel not known'],
    ['mend', { ...PATCH, rails: 1 }, 'no plate drawn'],
    ['mend', { ...PATCH, splices: 1 }, 'no plate drawn'],
  ] as const)('%s of %j: %s', (way, of, why) => expect(cost(of, way)).toBe(why));
  test('without a rate nothing is priced, and nothing is ever free', () => {
    const free = price(PATCH, { ...DEFAULT_MONEY, ratePerHour: 0 });
    expect(free.get('mend')).toEqual({ way: 'mend', ok: false, why: 'no rate' });
    expect([...free.values()].filter(({ ok, way }) => ok && way !== 'withdraw it')).toEqual([]);
    expect(NO_PRICE).toContain('no rate');
  });
  test('plates that are bolted on cost their own hours, in a repair as drawn and where all are bolted', () => {
    const hours = (way: 'mend' | 'bolt on', of: Quantities) => {
      const work = workOf(way, of, DEFAULT_MONEY);
      if (typeof work === 'string') throw new Error(work);
      return work.hours
        .filter(({ name }) => name === 'bolted plates')
        .reduce((sum, { least }) => sum + least, 0);
    };
    expect(hours('mend', PATCH)).toBe(0);
    expect(hours('mend', { ...PATCH, plates: 0, weldM: 0, bolted: 2 })).toBe(8);
    expect(hours('bolt on', PATCH)).toBe(8);
    expect(hours('bolt on', { ...PATCH, bolted: 4 })).toBe(16);
  });
  const COUNTED = [
    'stretches',
    'plates',
    'weldM',
    'steelKg',
    'cracks',
    'crossmembers',
    'fittings',
    'straighten',
    'members',
    'bodyItems',
    'criticalUnseen',
  ] as const;
  test('more of anything, or more unseen, never costs less', () => {
    for (const key of COUNTED) {
      const more = { ...PATCH, [key]: PATCH[key] + 1, ...(key === 'stretches' && { drawn: 2 }) };
      const [before, after] = [cost(PATCH, 'mend'), cost(more, 'mend')];
      if (typeof before === 'string' || typeof after === 'string') throw new Error(`${key}: no price`);
      expect(after.mid).toBeGreaterThan(before.mid);
      expect(after.high).toBeGreaterThan(before.high);
    }
  });
  test.each(['mend', 'splice or renew', 'bolt on'] as const)(
    '%s: what another strip-down has opened costs no strip-down of its own, and all of its own work',
    (way) => {
      const hours = (openAnyway: number) => {
        const work = workOf(way, { ...PATCH, stretches: 2, drawn: 2, openAnyway }, DEFAULT_MONEY);
        if (typeof work === 'string') throw new Error(work);
        const of = (name: string) =>
          work.hours.filter((part) => part.name === name).reduce((sum, { most }) => sum + most, 0);
        return [of('stripping down'), of('seized or broken fasteners'), of('cleaning and cutting')];
      };
      const [apart, together] = [hours(0), hours(1)];
      expect([together[0], together[1]]).toEqual([apart[0]! / 2, apart[1]! / 2]);
      expect(together[2]).toBe(apart[2]);
    },
  );
  test.each([
    [undefined, false],
    [2999, false],
    [3010, true],
  ])('with %s asked for it, worth 5,000: over its value %s', (askingPrice, isOver) => {
    const priced = price(PATCH, DEFAULT_MONEY, { unitValue: 5000, askingPrice }).get('mend')!;
    if (!priced.ok) throw new Error(priced.why);
    // Its middle is 1996 by the seed.
    expect(Math.round(priced.money.spread.mid)).toBe(1996);
    expect(priced.isOverValue).toBe(isOver);
  });
  test('what nobody saw may bring more, wherever it is opened', () => {
    const more = (way: (typeof WAYS_OUT)[number], criticalUnseen: number) => {
      const priced = price({ ...PATCH, criticalUnseen }).get(way)!;
      return priced.ok ? priced.moreBehind : undefined;
    };
    expect(more('mend', 0)).toBe(0);
    expect(more('mend', 2)).toBeCloseTo(1 - 0.75 ** 2, 9);
    expect(more('temporary only', 2)).toBeUndefined();
    expect(more('withdraw it', 2)).toBeUndefined();
  });
  test('a dearer hour, a dearer steel', () => {
    const mid = (money: Money) => (cost(PATCH, 'mend', money) as { mid: number }).mid;
    expect(mid({ ...DEFAULT_MONEY, ratePerHour: 220 })).toBeGreaterThan(
      1.9 * mid({ ...DEFAULT_MONEY, steelPerKg: [0, 0] }),
    );
    expect(mid({ ...DEFAULT_MONEY, steelPerKg: [20, 60] })).toBeGreaterThan(mid(DEFAULT_MONEY));
  });
  test('a frame to be had is priced with it', () => {
    const spread = cost(PATCH, 'swap the frame', { ...DEFAULT_MONEY, framePrice: [3000, 3000] });
    expect((spread as { low: number }).low).toBeGreaterThan(3000 + 60 * 110);
  });
  test('over the ceiling, over what it is worth, by a year of service', () => {
    const mend = price(PATCH, DEFAULT_MONEY, { ceiling: 1, unitValue: 1 }).get('mend')!;
    expect(mend).toMatchObject({ ok: true, isOverValue: true, money: { over: 1 } });
    expect(price(PATCH, DEFAULT_MONEY, { ceiling: 1e6, unitValue: 1e6 }).get('mend')).toMatchObject({
      isOverValue: false,
      money: { over: 0 },
    });
    const { money, perYear } = mend as Extract<typeof mend, { ok: true }>;
    expect(perYear).toEqual([money.spread.mid / 15, money.spread.mid / 5]);
    expect(price(PATCH).get('temporary only')).not.toHaveProperty('perYear');
    expect(price(PATCH).get('mend')).not.toHaveProperty('isOverValue');
  });
});

describe('retired by the money', () => {
  const ways = (unitValue: number | undefined, money: Money = DEFAULT_MONEY) =>
    pricedWays(PATCH, money, { unitValue }, () => randomLcg(0.3));
  const dearest = Math.max(
    ...ways(undefined).flatMap((each) =>
      each.ok && each.way !== 'temporary only' ? [each.money.spread.mid] : [],
    ),
  );
  const cheapest = Math.min(
    ...ways(undefined).flatMap((each) =>
      each.ok && each.way !== 'temporary only' && each.way !== 'withdraw it' ? [each.money.spread.mid] : [],
    ),
  );
  test.each([
    ['worth more than the dearest', dearest + 1, false],
    ['worth a little more than the cheapest', cheapest + 1, false],
    ['worth a little less than the cheapest', cheapest - 1, true],
    ['nobody says what it is worth', undefined, false],
  ])('%s', (_, unitValue, isRetired) => expect(retiredByMoney(ways(unitValue))).toBe(isRetired));
  test('without a rate nothing is said by the money', () =>
    expect(retiredByMoney(ways(1, { ...DEFAULT_MONEY, ratePerHour: 0 }))).toBe(false));
});

describe('what closed jobs say of the norms', () => {
  const job = (hours: number, foreseen: [number, number] = [10, 40]) => ({ hours, foreseen });
  test('none say nothing; as foreseen, the norms stand', () => {
    expect(hoursLearnt([])).toBeUndefined();
    expect(hoursLearnt([job(20), job(20)])).toEqual({ factor: 1, jobs: 2 });
  });
  test('one job moves them by a third of its ratio, eight by four fifths', () => {
    expect(hoursLearnt([job(40)])!.factor).toBeCloseTo(2 ** (1 / 3), 9);
    expect(hoursLearnt(Array.from({ length: 8 }, () => job(40)))!.factor).toBeCloseTo(2 ** (8 / 10), 9);
  });
  test('twice over and half under cancel, in either order', () => {
    expect(hoursLearnt([job(40), job(10)])!.factor).toBeCloseTo(1, 9);
    expect(hoursLearnt([job(10), job(40)])!.factor).toBeCloseTo(1, 9);
  });
  test.each([
    [2000, 2],
    [0.01, 0.5],
  ])('never beyond twice or under half, were they %d hours', (hours, factor) =>
    expect(hoursLearnt(Array.from({ length: 50 }, () => job(hours)))!.factor).toBe(factor),
  );
  test('hours and their money follow, steel does not', () => {
    const [one, half] = [1, 1.5].map(
      (hoursFactor) =>
        pricedWays(PATCH, { ...DEFAULT_MONEY, steelPerKg: [0, 0] }, { hoursFactor }, () =>
          randomLcg(0.3),
        ).find(({ way }) => way === 'mend') as { hours: { mid: number }; money: { mean: number } },
    );
    expect(half!.hours.mid).toBeCloseTo(1.5 * one!.hours.mid, 6);
    expect(half!.money.mean).toBeCloseTo(1.5 * one!.money.mean, 6);
    const steel = pricedWays(PATCH, { ...DEFAULT_MONEY, ratePerHour: 1e-9 }, { hoursFactor: 2 }, () =>
      randomLcg(0.3),
    ).find(({ way }) => way === 'mend') as { money: { mean: number } };
    expect(steel.money.mean).toBeGreaterThan(60);
    expect(steel.money.mean).toBeLessThan(180);
  });
});

test.each([
  [{ hours: 0 }, false],
  [{ hours: 0.5 }, true],
  [{ hours: 2000 }, true],
  [{ hours: 2001 }, false],
  [{ hours: Number.NaN }, false],
  [{ foreseen: [40, 10] }, false],
])('hours taken: %j', (more, ok) =>
  expect(
    hoursTakenSchema.safeParse({
      kind: 'hours taken',
      id: '00000000-0000-4000-8000-000000000001',
      way: 'mend',
      hours: 30,
      foreseen: [10, 40],
      by: 'RK',
      at: '2026-11-20T08:00:00Z',
      ...more,
    }).success,
  ).toBe(ok),
);
