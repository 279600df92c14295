'use client';

import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { takeBundle } from '../_client';
import { importedWords } from '../_words/imported';

/** Takes a job bundle in from a file. */
export function BundleIn() {
  const router = useRouter();
  const file = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const take = async (chosen: File) => {
    setBusy(true);
    const answer = await takeBundle(chosen);
    setBusy(false);
    if (!answer.ok)
      toast.error(answer.problem.message, { description: answer.problem.kept, duration: 15_000 });
    else {
      const { title, description } = importedWords(answer.value);
      toast.success(title, { description, duration: 12_000 });
      router.refresh();
    }
  };
  return (
    <>
      <input
        ref={file}
        type="file"
        accept=".json,.zip,application/json,application/zip"
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
