import { randomLcg } from 'd3-random';
import { latestStart, shopDates, type ShopDates, type ShopToSchedule } from '@/core/order';

/** Always the same draws: a day changes when what it rests on does. */
const SEED = 0.618;

/** A shop's jobs in their days; for one of them the last day it may begin. */
export interface Scheduled {
  readonly dates: ShopDates;
  readonly latest?: string;
}

export function scheduled(
  shop: ShopToSchedule,
  heard: (share: number) => void,
  latestFor?: string,
): Scheduled {
  const dates = shopDates(shop, randomLcg(SEED), heard);
  const latest = latestFor === undefined ? undefined : latestStart(shop, latestFor, () => randomLcg(SEED));
  return { dates, ...(latest !== undefined && { latest }) };
}
