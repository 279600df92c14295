'use client';

import { useEffect, useState } from 'react';
import type { JobOrder } from '@/core/job';
import { useRecords } from './records-context';
import { useWork } from './work-context';

/** Clocks of gates go on by themselves: asked again so often. */
const AGAIN_MS = 20_000;

/** The order of work as it stands: anew after every record, and as time passes. The last one stays in sight meanwhile. */
export function useOrder(): { readonly order: JobOrder | undefined; readonly problem?: string } {
  const { file } = useRecords();
  const { order: ask, isWorking } = useWork();
  const [known, setKnown] = useState<{ readonly order?: JobOrder; readonly problem?: string }>({});
  const [tick, setTick] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setTick((n) => n + 1), AGAIN_MS);
    return () => clearInterval(timer);
  }, []);
  useEffect(() => {
    let isWanted = true;
    ask(Date.now()).then(
      (order) => isWanted && setKnown({ order }),
      (error: unknown) =>
        // Stopped, or not begun yet: what changes next asks again.
        isWanted &&
        setKnown((before) => ({
          ...before,
          ...(!isWorking && {
            problem: error instanceof Error ? error.message : 'it could not be worked out',
          }),
        })),
    );
    return () => {
      isWanted = false;
    };
  }, [ask, file, tick, isWorking]);
  return { order: known.order, ...(known.problem !== undefined && { problem: known.problem }) };
}
