'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import type { z } from 'zod';
import { patternDroppedSchema } from '@/core/patterns';
import { Sheet, TypedEntry, TypedForm, TypedProblem, useTypedForm } from '@/ui/controls';
import { dropPattern, newId } from '../../_client';

const schema = patternDroppedSchema.pick({ why: true, by: true });

/** A pattern taken off the list, with who and why. Where it was laid stays on record. */
export function DropPattern({ id: patternId, name }: { id: string; name: string }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [id] = useState(newId);
  const form = useTypedForm(schema, { why: '', by: '' });
  const drop = async (said: z.infer<typeof schema>) => {
    const answer = await dropPattern(patternId, { id, ...said, at: new Date().toISOString() });
    if (!answer.ok) return { message: `${answer.problem.message}. ${answer.problem.kept}` };
    setOpen(false);
    toast.success(`${name} is off the list`);
    router.refresh();
  };
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
        <TypedForm form={form} onKeep={drop} className="grid gap-4">
          <TypedEntry name="why" label="Why" maxLength={300} />
          <TypedEntry name="by" label="By (role or initials)" maxLength={40} />
          <TypedProblem />
          <button className="solid" type="submit">
            Drop the pattern
          </button>
        </TypedForm>
      </Sheet>
    </>
  );
}
