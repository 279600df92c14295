'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import { z } from 'zod';
import { bySchema } from '@/core/frame';
import type { NormId } from '@/core/patterns';
import type { Practice } from '@/core/reference';
import { Sheet, TypedEntry, TypedForm, TypedProblem, useTypedForm } from '@/ui/controls';
import { changeShop } from '../../_client';

const schema = z.object({ by: bySchema });

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
  const form = useTypedForm(schema, { by: '' });
  const take = async ({ by }: z.infer<typeof schema>) => {
    const { money } = practice;
    const next = { ...practice, money: { ...money, norms: { ...money.norms, [norm]: to } } };
    const stamp = { by, at: new Date().toISOString() };
    const answer = await changeShop({ basedOn: revision, to: next, ...stamp });
    if (!answer.ok) return { message: `${answer.problem.message}. ${answer.problem.kept}` };
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
        <TypedForm form={form} onKeep={take} className="grid gap-4">
          <TypedEntry name="by" label="By (role or initials)" maxLength={40} />
          <TypedProblem />
          <button className="solid" type="submit">
            Take it
          </button>
        </TypedForm>
      </Sheet>
    </>
  );
}
