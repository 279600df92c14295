'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import type { z } from 'zod';
import { noticeSchema } from '@/core/frame';
import { Sheet, TypedEntry, TypedForm, TypedProblem, useTypedForm } from '@/ui/controls';
import { addNotice, newId } from '../_client';

const schema = noticeSchema.pick({ words: true, by: true });

/** Writes a standing notice. */
export function NoticeSheet({ unitId, tag, open, onOpenChange }: NoticeSheetProps) {
  const router = useRouter();
  const [id, setId] = useState(() => newId());
  const form = useTypedForm(schema, { words: '', by: '' });
  const keep = async (read: z.infer<typeof schema>) => {
    const answer = await addNotice({ id, unitId, ...read, at: new Date().toISOString() });
    if (!answer.ok) return answer.problem;
    onOpenChange(false);
    form.reset();
    setId(newId());
    toast.success(`Notice kept on ${tag}`);
    router.refresh();
  };
  return (
    <Sheet
      title={`Standing notice on ${tag}`}
      describe="Shown on this unit's every job from now on, such as: do not lift here."
      open={open}
      onOpenChange={onOpenChange}
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
  );
}
export interface NoticeSheetProps {
  readonly unitId: string;
  readonly tag: string;
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
}
