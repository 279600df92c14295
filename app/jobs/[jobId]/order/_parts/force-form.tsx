'use client';

import { z } from 'zod';
import { gateSaidKind, type Gate } from '@/core/order';
import { TypedEntry, TypedRecordForm, useTypedForm } from '@/ui/controls';
import { notKept, useKeepChecked, useReader } from '../../../_desk';

const schema = z.object({ why: z.string(), second: z.string() });

/** Through a gate against what it lacks: two names and a reason, kept for good and said on every paper. */
export function ForceForm({ gate, onClose }: { gate: Gate; onClose: () => void }) {
  const { by } = useReader();
  const keepChecked = useKeepChecked();
  const form = useTypedForm(schema, { why: '', second: '' });
  const pass = ({ why, second }: z.infer<typeof schema>) =>
    by.trim() === ''
      ? notKept('say who you are first, at the top right')
      : (keepChecked(gateSaidKind, {
          gate: gate.gate,
          of: gate.of,
          is: 'forced',
          second,
          note: why.trim(),
        }) ?? onClose());
  return (
    <TypedRecordForm
      form={form}
      label="Pass it all the same"
      keep="We pass it, and sign for it"
      onKeep={pass}
      onLeave={onClose}
    >
      <p className="mb-1">What it lacks stays lacking, and stands on every later paper with both names.</p>
      <div className="flex flex-wrap gap-2">
        <TypedEntry name="why" label="why" className="min-fit-60 flex-1" maxLength={300} />
        <TypedEntry name="second" label="second pair of eyes" className="w-40" maxLength={40} />
      </div>
    </TypedRecordForm>
  );
}
