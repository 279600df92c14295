'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import type { z } from 'zod';
import { noticeSchema } from '@/core/frame';
import { Sheet, TypedEntry, TypedForm, TypedProblem, useTypedForm } from '@/ui/controls';
import { addNotice, newId } from '../_client';

const schema = noticeSchema.pick({ words: true, by: true });

/** A standing notice: it stays on the unit and shows on every later job. */
export function NoticeForm({ unitId, tag }: { unitId: string; tag: string }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [id, setId] = useState(() => newId());
  const form = useTypedForm(schema, { words: '', by: '' });
  const keep = async (read: z.infer<typeof schema>) => {
    const answer = await addNotice({ id, unitId, ...read, at: new Date().toISOString() });
    if (!answer.ok) return answer.problem;
    setOpen(false);
    form.reset();
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
        <TypedForm form={form} onKeep={keep} className="grid gap-4">
          <TypedEntry name="words" label="Notice" maxLength={200} />
          <TypedEntry name="by" label="By (role or initials)" maxLength={40} />
          <TypedProblem />
          <button className="solid" type="submit">
            Keep the notice
          </button>
        </TypedForm>
      </Sheet>
    </>
  );
}
