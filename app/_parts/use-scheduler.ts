'use client';

import { proxy, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { ShopToSchedule } from '@/core/order';
import type { ScheduleWorker } from '@/workers/schedule.worker';
import type { Scheduled } from '@/workers/scheduler';

/** Days being worked out, or worked out. */
export interface Scheduling {
  readonly share: number;
  readonly found?: Scheduled;
  readonly problem?: string;
}

/** Works a shop's days out in a worker of its own, which ends with the page; the last question is the one answered. */
export function useScheduler() {
  const [scheduling, setScheduling] = useState<Scheduling>();
  const worker = useRef<{ thread: Worker; at: ReturnType<typeof wrap<ScheduleWorker>> } | undefined>(
    undefined,
  );
  const asked = useRef(0);
  useEffect(
    () => () => {
      worker.current?.thread.terminate();
      worker.current = undefined;
    },
    [],
  );
  const begin = useCallback(async (shop: ShopToSchedule, latestFor?: string) => {
    if (!worker.current) {
      const thread = new Worker(new URL('../../workers/schedule.worker.ts', import.meta.url), {
        type: 'module',
      });
      worker.current = { thread, at: wrap<ScheduleWorker>(thread) };
    }
    const number = ++asked.current;
    const isLast = () => asked.current === number;
    setScheduling((before) => ({ ...(before?.found && { found: before.found }), share: 0 }));
    try {
      const found = await worker.current.at.begin(
        shop,
        proxy((share) => isLast() && setScheduling((before) => ({ ...before, share }))),
        latestFor,
      );
      if (isLast()) setScheduling({ share: 1, found });
    } catch (error) {
      const problem = error instanceof Error ? error.message : 'it could not be worked out';
      if (isLast()) setScheduling({ share: 1, problem });
    }
  }, []);
  return { scheduling, begin };
}
