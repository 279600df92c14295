import type { Consumed } from '../../join';
import type { Bought } from '../../order';
import type { Kit } from '../../reference';

/** Something the job takes that is bought, or lies on the shelf. */
export interface ToGet {
  /** What its orders and arrivals are recorded under. */
  readonly key: string;
  readonly is: 'steel' | 'length' | 'companion';
  readonly name: string;
  readonly for: string;
  readonly count: number;
  readonly thicknessMm?: number;
  readonly lengthMm?: number;
  readonly massKg?: number;
  /** All of it can be cut from what is on the shelf. */
  readonly onShelf?: boolean;
  /** By the shop's price of steel, least and most. */
  readonly cost?: readonly [number, number];
}
/** Bought caps that would do for a repair in place of plates made. */
export interface KitFor {
  readonly key: string;
  readonly for: string;
  readonly kits: readonly Kit[];
}
export interface JobToGet {
  readonly parts: readonly ToGet[];
  readonly kits: readonly KitFor[];
  readonly consumed: Consumed;
}

/** What steel was reckoned at, least and most, and what was paid so far: the last word on each thing bought. */
export function costsOf(
  { parts }: Pick<JobToGet, 'parts'>,
  bought: readonly Bought[],
): { readonly reckoned: readonly [number, number]; readonly spent: number } {
  const sum = (k: 0 | 1) => parts.reduce((total, { cost }) => total + (cost?.[k] ?? 0), 0);
  const last = new Map(bought.map((each) => [each.key, each]));
  return {
    reckoned: [sum(0), sum(1)],
    spent: [...last.values()].reduce((total, { cost = 0 }) => total + cost, 0),
  };
}
