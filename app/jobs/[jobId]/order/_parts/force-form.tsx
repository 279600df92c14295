'use client';

import { useState } from 'react';
import { gateSaidKind, type Gate } from '@/core/order';
import { Entry, RecordForm } from '@/ui/controls';
import { useReader, useRecords, useStamp } from '../../../_desk';

/** Through a gate against what it lacks: two names and a reason, kept for good and said on every paper. */
export function ForceForm({ gate, onClose }: { gate: Gate; onClose: () => void }) {
  const { keep } = useRecords();
  const { by } = useReader();
  const stamp = useStamp();
  const [second, setSecond] = useState('');
  const [why, setWhy] = useState('');
  const [problem, setProblem] = useState<string>();
  const keepIt = () => {
    if (by.trim() === '') return setProblem('say who you are first, at the top right; nothing was kept');
    const record = {
      kind: 'gate' as const,
      ...stamp(),
      gate: gate.gate,
      of: gate.of,
      is: 'forced' as const,
      second: second.trim(),
      note: why.trim(),
    };
    const checked = gateSaidKind.schema.safeParse(record);
    if (!checked.success) return setProblem(`${checked.error.issues[0]!.message}; nothing was kept`);
    keep(checked.data);
    onClose();
  };
  return (
    <RecordForm
      label="Pass it all the same"
      problem={problem}
      keep="We pass it, and sign for it"
      onKeep={keepIt}
      onLeave={onClose}
    >
      <p className="mb-1">What it lacks stays lacking, and stands on every later paper with both names.</p>
      <div className="flex flex-wrap gap-2">
        <Entry
          label="why"
          className="min-w-60 flex-1"
          maxLength={300}
          value={why}
          onChange={(event) => setWhy(event.target.value)}
        />
        <Entry
          label="second pair of eyes"
          className="w-40"
          maxLength={40}
          value={second}
          onChange={(event) => setSecond(event.target.value)}
        />
      </div>
    </RecordForm>
  );
}
