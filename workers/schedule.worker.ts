import { expose } from 'comlink';
import type { ShopToSchedule } from '@/core/order';
import { scheduled, type Scheduled } from './scheduler';

/** The door to the scheduler. */
export interface ScheduleWorker {
  readonly begin: (
    shop: ShopToSchedule,
    report: (share: number) => void,
    latestFor?: string,
  ) => Promise<Scheduled>;
}

expose({
  begin: (shop, report, latestFor) =>
    Promise.resolve(scheduled(shop, (share) => void report(share), latestFor)),
} satisfies ScheduleWorker);
