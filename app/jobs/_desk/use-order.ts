'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { JobOrder, JobProof } from '@/core/job';
import { today } from '@/ui/controls';
import { useRecords } from './records-context';
import { useWork } from './work-context';

/** Clocks of gates go on by themselves: asked again so often. */
const AGAIN_MS = 20_000;

interface Known<Answer> {
  readonly answer?: Answer;
  readonly problem?: string;
}

/** What a job's records come to: anew after every record, and as time passes. The last answer stays in sight meanwhile. */
function useAnswer<Answer>(ask: (nowMs: number) => Promise<Answer>): Known<Answer> {
  const { file } = useRecords();
  const { isWorking } = useWork();
  const [known, setKnown] = useState<Known<Answer>>({});
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
      (answer) => {
        if (number < shown.current) return;
        shown.current = number;
        setKnown({ answer });
      },
      (error: unknown) => {
        // Stopped, or not begun yet: what changes next asks again.
        if (number !== asked.current || isWorking) return;
        const problem = error instanceof Error ? error.message : 'it could not be worked out';
        setKnown((before) => ({ ...before, problem }));
      },
    );
  }, [ask, file, tick, isWorking]);
  return known;
}

/** The order of work as it stands. */
export function useOrder(): { readonly order: JobOrder | undefined; readonly problem?: string } {
  const { order: ask } = useWork();
  const { answer: order, problem } = useAnswer(ask);
  return { order, ...(problem !== undefined && { problem }) };
}

/** What is open before the job is signed off, as it stands. */
export function useProof(): { readonly proof: JobProof | undefined; readonly problem?: string } {
  const { proof: askProof } = useWork();
  const ask = useCallback((nowMs: number) => askProof(nowMs, today()), [askProof]);
  const { answer: proof, problem } = useAnswer(ask);
  return { proof, ...(problem !== undefined && { problem }) };
}
