import type { Money } from '../../reference';
import { drawnSum, type Drawn, type Spread, type Uncertain } from './draw';
import { SERVICE_YEARS, WAYS_OUT, workOf, type NoPrice, type Quantities, type WayOut } from './ways';

/** What the owner said of money, where he did, and how many times the norms' hours the shop's closed jobs took. */
export interface PricedBy {
  readonly ceiling?: number | undefined;
  readonly unitValue?: number | undefined;
  readonly hoursFactor?: number | undefined;
}
/** A way out with its price as a range. */
export type Priced =
  | {
      readonly way: WayOut;
      readonly ok: true;
      readonly hours: Spread;
      readonly money: Drawn;
      /** Money by a year of service, by the middle price over most and least years; absent where it lasts no time. */
      readonly perYear?: readonly [number, number];
      /** It comes to more than the unit is worth, by its middle. */
      readonly isOverValue?: boolean;
    }
  | { readonly way: WayOut; readonly ok: false; readonly why: NoPrice };

const DRAWS = 10_000;

/** Every way out, priced by seeded draws. `random` is made anew for each, so that one way's inputs leave the others as they were. */
export function pricedWays(
  of: Quantities,
  money: Money,
  { ceiling, unitValue, hoursFactor = 1 }: PricedBy,
  random: () => () => number,
  draws = DRAWS,
): Priced[] {
  return WAYS_OUT.map((way): Priced => {
    const byNorms = workOf(way, of, money);
    if (typeof byNorms === 'string') return { way, ok: false, why: byNorms };
    const work = { ...byNorms, hours: byNorms.hours.map((part) => scaled(part, hoursFactor)) };
    if (!(money.ratePerHour > 0) && work.hours.length > 0) return { way, ok: false, why: 'no rate' };
    const hours = drawnSum(work.hours, { random: random(), draws });
    const priced = [...work.hours.map((part) => scaled(part, money.ratePerHour)), ...work.money];
    const drawn = merged(drawnSum(priced, { random: random(), draws, limit: ceiling }));
    const [least, most] = SERVICE_YEARS[way];
    return {
      way,
      ok: true,
      hours: hours.spread,
      money: drawn,
      ...(least > 0 && { perYear: [drawn.spread.mid / most, drawn.spread.mid / least] as const }),
      ...(unitValue !== undefined && { isOverValue: drawn.spread.mid > unitValue }),
    };
  });
}

const scaled = (part: Uncertain, by: number): Uncertain => ({
  ...part,
  least: part.least * by,
  most: part.most * by,
});

/** Parts of one name are one driver. */
function merged(drawn: Drawn): Drawn {
  const shares = new Map<string, number>();
  for (const { name, share } of drawn.drivers) shares.set(name, (shares.get(name) ?? 0) + share);
  const drivers = [...shares].map(([name, share]) => ({ name, share })).sort((a, b) => b.share - a.share);
  return { ...drawn, drivers };
}
