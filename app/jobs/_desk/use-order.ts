'use client';

import { useEffect, useRef, useState } from 'react';
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
  const asked = useRef(0);
  const shown = useRef(0);
  useEffect(() => {
    const number = ++asked.current;
    ask(Date.now()).then(
      // An older answer is better than none, and never takes the place of a newer one.
      (order) => {
        if (number < shown.current) return;
        shown.current = number;
        setKnown({ order });
      },
      (error: unknown) => {
        // Stopped, or not begun yet: what changes next asks again.
        if (number !== asked.current || isWorking) return;
        const problem = error instanceof Error ? error.message : 'it could not be worked out';
        setKnown((before) => ({ ...before, problem }));
      },
    );
  }, [ask, file, tick, isWorking]);
  return { order: known.order, ...(known.problem !== undefined && { problem: known.problem }) };
}
