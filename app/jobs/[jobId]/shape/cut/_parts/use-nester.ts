'use client';

import { proxy, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { NestJob, NestReport } from '@/workers/nester';
import type { NestWorker } from '@/workers/nest.worker';

/** A nest that is being looked for, or was found. */
export interface Nesting {
  readonly job: NestJob;
  readonly report?: NestReport;
  readonly isRunning: boolean;
  readonly problem?: string;
}

/** Looks for a nest in a worker of its own, which ends with the page. */
export function useNester() {
  const [nesting, setNesting] = useState<Nesting>();
  const worker = useRef<{ thread: Worker; at: ReturnType<typeof wrap<NestWorker>> } | undefined>(undefined);
  useEffect(
    () => () => {
      worker.current?.thread.terminate();
      worker.current = undefined;
    },
    [],
  );
  const begin = useCallback(async (job: NestJob) => {
    if (!worker.current) {
      const thread = new Worker(new URL('../../../../../../workers/nest.worker.ts', import.meta.url), {
        type: 'module',
      });
      worker.current = { thread, at: wrap<NestWorker>(thread) };
    }
    const { at } = worker.current;
    setNesting({ job, isRunning: true });
    try {
      await at.open(proxy((report) => setNesting((now) => now && { ...now, report })));
      const report = await at.begin(job);
      setNesting({ job, report, isRunning: false });
    } catch (error) {
      const problem = error instanceof Error ? error.message : 'it could not be worked out';
      setNesting({ job, isRunning: false, problem });
    }
  }, []);
  const stop = useCallback(() => void worker.current?.at.stop(), []);
  const take = useCallback(
    (job: NestJob, report: NestReport) => setNesting({ job, report, isRunning: false }),
    [],
  );
  const drop = useCallback(() => setNesting(undefined), []);
  return { nesting, begin, stop, take, drop };
}
