'use client';

import { proxy, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Sequence, SequenceJob } from '@/workers/sequencer';
import type { SequenceWorker } from '@/workers/sequence.worker';

/** An order that is being looked for, or was found. */
export interface Sequencing {
  readonly job: SequenceJob;
  readonly share: number;
  readonly found?: Sequence;
  readonly problem?: string;
}

/** Looks for an order of runs in a worker of its own, which ends with the page. */
export function useSequencer() {
  const [sequencing, setSequencing] = useState<Sequencing>();
  const worker = useRef<{ thread: Worker; at: ReturnType<typeof wrap<SequenceWorker>> } | undefined>(
    undefined,
  );
  useEffect(
    () => () => {
      worker.current?.thread.terminate();
      worker.current = undefined;
    },
    [],
  );
  const begin = useCallback(async (job: SequenceJob) => {
    if (!worker.current) {
      const thread = new Worker(new URL('../../../../../workers/sequence.worker.ts', import.meta.url), {
        type: 'module',
      });
      worker.current = { thread, at: wrap<SequenceWorker>(thread) };
    }
    const { at } = worker.current;
    setSequencing({ job, share: 0 });
    try {
      await at.open(proxy((share) => setSequencing((now) => now && { ...now, share })));
      const found = await at.begin(job);
      setSequencing({ job, share: 1, found });
    } catch (error) {
      const problem = error instanceof Error ? error.message : 'it could not be worked out';
      setSequencing({ job, share: 1, problem });
    }
  }, []);
  const stop = useCallback(() => void worker.current?.at.stop(), []);
  const drop = useCallback(() => setSequencing(undefined), []);
  return { sequencing, begin, stop, drop };
}
