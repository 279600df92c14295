import type { Money } from '../../reference';
import { drawnSum, type Drawn, type Spread, type Uncertain } from './draw';
import { SERVICE_YEARS, WAYS_OUT, workOf, type NoPrice, type Quantities, type WayOut } from './ways';

/** What the owner said of money, where he did, and how many times the norms' hours the shop's closed jobs took. */
export interface PricedBy {
  readonly ceiling?: number | undefined;
  readonly unitValue?: number | undefined;
  /** What is asked for the unit, where somebody looks before buying: counted with every way out. */
  readonly askingPrice?: number | undefined;
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
      /** Days off the road while one pair of hands works, least and most. */
      readonly days: readonly [number, number];
      /** Chance that more is found behind what nobody saw; absent where nothing is opened. */
      readonly moreBehind?: number;
      readonly askingPrice?: number;
    }
  | { readonly way: WayOut; readonly ok: false; readonly why: NoPrice };

const DRAWS = 10_000;
/** Hours of work that one pair of hands puts in a day (common practice, no source). */
const HOURS_A_DAY = 7;
/** Ways out that open the metal, and may find more. */
const OPENS: readonly WayOut[] = ['reinforce', 'bolt on', 'mend', 'splice or renew'];

/** Every way out, priced by seeded draws. `random` is made anew for each, so that one way's inputs leave the others as they were. */
export function pricedWays(
  of: Quantities,
  money: Money,
  { ceiling, unitValue, askingPrice, hoursFactor = 1 }: PricedBy,
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
      days: [hours.spread.low / HOURS_A_DAY, hours.spread.high / HOURS_A_DAY],
      ...(OPENS.includes(way) && { moreBehind: 1 - (1 - money.norms.hiddenChance) ** of.criticalUnseen }),
      ...(askingPrice !== undefined && { askingPrice }),
      money: drawn,
      ...(least > 0 && { perYear: [drawn.spread.mid / most, drawn.spread.mid / least] as const }),
      ...(unitValue !== undefined &&
        work.hours.length > 0 && { isOverValue: drawn.spread.mid + (askingPrice ?? 0) > unitValue }),
    };
  });
}

/** Ways out that put the unit back to use for years. */
const LASTING: readonly WayOut[] = ['bolt on', 'mend', 'splice or renew', 'swap the frame'];

/**
 * By the money the unit is done with: something lasting has a price, and no lasting way out that has one comes to less than the unit is worth. What
 * has no price yet speaks neither way. The owner may choose otherwise.
 */
export function retiredByMoney(ways: readonly Priced[]): boolean {
  const lasting = ways.flatMap((each) => (each.ok && LASTING.includes(each.way) ? [each] : []));
  return lasting.length > 0 && lasting.every(({ isOverValue }) => isOverValue === true);
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
