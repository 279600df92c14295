'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import { askPracticeCopy } from '../_client';

/** An empty yard can be filled with invented units to practise on. */
export function PracticeCopy() {
  const router = useRouter();
  const [isBusy, setBusy] = useState(false);
  const take = async () => {
    setBusy(true);
    const answer = await askPracticeCopy();
    setBusy(false);
    if (answer.ok) router.refresh();
    else toast.error(answer.problem.message, { description: answer.problem.kept });
  };
  return (
    <p className="pt-4">
      <button type="button" className="plain" disabled={isBusy} onClick={() => void take()}>
        {isBusy ? 'Filling the yard…' : 'Practise first: five invented units'}
      </button>
    </p>
  );
}
