'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import type { NormId } from '@/core/patterns';
import type { Practice } from '@/core/reference';
import { Entry, Sheet } from '@/ui/controls';
import { changeShop } from '../../_client';

/** A norm as closed jobs have it, taken into the shop's practice: a new revision, by name. */
export function TakeNorm({
  norm,
  words,
  to,
  shop: { practice, revision },
}: {
  norm: NormId;
  words: string;
  to: [number, number];
  /** The shop's practice that is changed, at its revision: a later one refuses the change. */
  shop: { readonly practice: Practice; readonly revision: number };
}) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [by, setBy] = useState('');
  const [problem, setProblem] = useState<string>();
  const take = async () => {
    if (by.trim() === '') return setProblem('say who changes the shop’s norms; nothing was changed');
    const { money } = practice;
    const next = { ...practice, money: { ...money, norms: { ...money.norms, [norm]: to } } };
    const stamp = { by: by.trim(), at: new Date().toISOString() };
    const answer = await changeShop({ basedOn: revision, to: next, ...stamp });
    if (!answer.ok) return setProblem(`${answer.problem.message}. ${answer.problem.kept}`);
    setOpen(false);
    toast.success('The shop’s norm is changed', { description: 'Jobs that are there keep to theirs.' });
    router.refresh();
  };
  return (
    <>
      <button type="button" className="plain" onClick={() => setOpen(true)}>
        Take it into the shop’s norms
      </button>
      <Sheet
        title="Take it into the shop’s norms"
        describe={`${words}. Jobs opened from now on are planned and priced by it.`}
        open={open}
        onOpenChange={setOpen}
      >
        <form
          className="grid gap-4"
          onSubmit={(event) => {
            event.preventDefault();
            void take();
          }}
        >
          <Entry
            label="By (role or initials)"
            value={by}
            maxLength={40}
            onChange={(event) => setBy(event.target.value)}
          />
          {problem && (
            <p role="alert" className="font-semibold text-oxide">
              {problem}
            </p>
          )}
          <button className="solid" type="submit">
            Take it
          </button>
        </form>
      </Sheet>
    </>
  );
}
