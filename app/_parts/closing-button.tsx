'use client';

import { useRouter } from 'next/navigation';
import { toast } from 'sonner';
import { Settling, useOneByOne } from '@/ui/controls';
import { closeJob, newId } from '../_client';
import { useRemembered } from './remembered';

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
  const [who] = useRemembered('ossatura-by', by);
  const say = useOneByOne(async () => {
    const answer = await closeJob(jobId, {
      id: newId(),
      closed: !closed,
      by: who || by,
      at: new Date().toISOString(),
    });
    if (!answer.ok) return void toast.error(answer.problem.message, { description: 'The job is as it was.' });
    toast.success(
      closed
        ? `${title}: open again`
        : `${title}: closed; what it found is on the list for its family from now on`,
    );
    router.refresh();
  });
  return (
    <Settling of={String(closed)} className="shrink-0">
      <button
        type="button"
        className="hit w-24 whitespace-nowrap px-2 text-right underline"
        aria-label={`${closed ? 'Open again' : 'Close'}: ${title}`}
        onClick={() => void say()}
      >
        {closed ? 'open again' : 'close'}
      </button>
    </Settling>
  );
}
