'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import { Entry, Sheet } from '@/ui/controls';
import { dropPattern, newId } from '../../_client';

/** A pattern taken off the list, with who and why. Where it was laid stays on record. */
export function DropPattern({ id: patternId, name }: { id: string; name: string }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState({ why: '', by: '' });
  const [problem, setProblem] = useState<string>();
  const [id] = useState(newId);
  const drop = async () => {
    const answer = await dropPattern(patternId, { id, ...typed, at: new Date().toISOString() });
    if (!answer.ok) return setProblem(`${answer.problem.message}. ${answer.problem.kept}`);
    setOpen(false);
    toast.success(`${name} is off the list`);
    router.refresh();
  };
  const entry = (key: keyof typeof typed, label: string, maxLength: number) => (
    <Entry
      label={label}
      value={typed[key]}
      maxLength={maxLength}
      onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
    />
  );
  return (
    <>
      <button type="button" className="plain mt-2" onClick={() => setOpen(true)}>
        Drop it
      </button>
      <Sheet
        title={`Drop ${name}`}
        describe="It is no longer offered. Where it was laid stays as it is."
        open={open}
        onOpenChange={setOpen}
      >
        <form
          className="grid gap-4"
          onSubmit={(event) => {
            event.preventDefault();
            void drop();
          }}
        >
          {entry('why', 'Why', 300)}
          {entry('by', 'By (role or initials)', 40)}
          {problem && (
            <p role="alert" className="font-semibold text-oxide">
              {problem}
            </p>
          )}
          <button className="solid" type="submit">
            Drop the pattern
          </button>
        </form>
      </Sheet>
    </>
  );
}
