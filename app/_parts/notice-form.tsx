'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import { Entry, Sheet } from '@/ui/controls';
import { addNotice, newId } from '../_client';

/** A standing notice: it stays on the unit and shows on every later job. */
export function NoticeForm({ unitId, tag }: { unitId: string; tag: string }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [words, setWords] = useState('');
  const [by, setBy] = useState('');
  const [problem, setProblem] = useState<string>();
  const [id, setId] = useState(() => newId());
  const keep = async () => {
    const answer = await addNotice({ id, unitId, words, by, at: new Date().toISOString() });
    if (!answer.ok) return setProblem(answer.problem.message);
    setOpen(false);
    setWords('');
    setProblem(undefined);
    setId(newId());
    toast.success(`Notice kept on ${tag}`);
    router.refresh();
  };
  return (
    <>
      <button type="button" className="plain" onClick={() => setOpen(true)}>
        Standing notice
      </button>
      <Sheet
        title={`Standing notice on ${tag}`}
        describe="Shown on this unit's every job from now on, such as: do not lift here."
        open={open}
        onOpenChange={setOpen}
      >
        <form
          className="grid gap-4"
          onSubmit={(event) => {
            event.preventDefault();
            void keep();
          }}
        >
          <Entry
            label="Notice"
            value={words}
            maxLength={200}
            onChange={(event) => setWords(event.target.value)}
            {...(problem && { problem })}
          />
          <Entry
            label="By (role or initials)"
            value={by}
            maxLength={40}
            onChange={(event) => setBy(event.target.value)}
          />
          <button className="solid" type="submit">
            Keep the notice
          </button>
        </form>
      </Sheet>
    </>
  );
}
