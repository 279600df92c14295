'use client';

import { useRouter } from 'next/navigation';
import { toast } from 'sonner';
import type { Problem } from '@/core/exchange';

/** Closes a job, or opens it again. What a closed job found teaches the list of what to look at. */
export function ClosingButton({
  jobId,
  title,
  closed,
  by,
}: {
  jobId: string;
  title: string;
  closed: boolean;
  by: string;
}) {
  const router = useRouter();
  const say = async () => {
    const response = await fetch(`/api/jobs/${jobId}/closing`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        id: crypto.randomUUID(),
        closed: !closed,
        by: localStorage.getItem('ossatura-by') || by,
        at: new Date().toISOString(),
      }),
    }).catch(() => undefined);
    const answer = response && ((await response.json()) as { ok: true } | { ok: false; problem: Problem });
    if (!answer?.ok)
      return void toast.error(answer ? answer.problem.message : 'the server cannot be reached', {
        description: 'The job is as it was.',
      });
    toast.success(
      closed
        ? `${title}: open again`
        : `${title}: closed; what it found is on the list for its family from now on`,
    );
    router.refresh();
  };
  return (
    <button
      type="button"
      className="hit whitespace-nowrap px-2 underline"
      aria-label={`${closed ? 'Open again' : 'Close'}: ${title}`}
      onClick={() => void say()}
    >
      {closed ? 'open again' : 'close'}
    </button>
  );
}
