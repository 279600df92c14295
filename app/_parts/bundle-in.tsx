'use client';

import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import type { Problem } from '@/core/exchange';

/** Takes a job bundle in from a file. */
export function BundleIn() {
  const router = useRouter();
  const file = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const take = async (chosen: File) => {
    setBusy(true);
    const response = await fetch('/api/bundles', { method: 'POST', body: chosen }).catch(() => undefined);
    setBusy(false);
    const answer =
      response &&
      ((await response.json()) as
        { ok: true; value: { jobId: string; wasHere: boolean } } | { ok: false; problem: Problem });
    if (!answer) toast.error('The server cannot be reached', { description: 'Nothing was taken in.' });
    else if (!answer.ok)
      toast.error(answer.problem.message, { description: answer.problem.kept, duration: 15_000 });
    else {
      toast.success(
        answer.value.wasHere ? 'This job was already here; what was missing was added' : 'Job taken in',
      );
      router.refresh();
    }
  };
  return (
    <>
      <input
        ref={file}
        type="file"
        accept=".json,application/json"
        className="sr-only"
        tabIndex={-1}
        aria-label="Job bundle file"
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          event.target.value = '';
          if (chosen) void take(chosen);
        }}
      />
      <button type="button" className="plain" disabled={busy} onClick={() => file.current?.click()}>
        {busy ? 'Reading…' : 'Take in a bundle'}
      </button>
    </>
  );
}
