'use client';

import { useState } from 'react';
import { Entry, Sheet } from '@/ui/controls';
import { useReader } from './reader-context';
import { useRecords } from './records-context';
import { newId } from '../../_client';

/** What can be struck: its id, and words that name it. */
export interface Strikable {
  readonly id: string;
  readonly words: string;
}

const REASONS = ['slip of the keyboard', 'gauge slipped', 'wrong place', 'scale not removed'] as const;

/** Strikes evidence through with a reason. It stays readable. */
export function StrikeSheet({ struck, onClose }: { struck: Strikable | undefined; onClose: () => void }) {
  const { strike } = useRecords();
  const { by } = useReader();
  const [why, setWhy] = useState('');
  const [problem, setProblem] = useState<string>();
  const close = () => {
    setWhy('');
    setProblem(undefined);
    onClose();
  };
  const keep = (words: string) => {
    if (!struck) return;
    if (words.trim().length < 3) return setProblem('say why in a few words');
    strike({
      id: newId(),
      evidenceId: struck.id,
      why: words.trim(),
      by: by.trim() || 'unnamed',
      at: new Date().toISOString(),
    });
    close();
  };
  return (
    <Sheet
      title="Strike through"
      open={struck !== undefined}
      onOpenChange={(open) => !open && close()}
      describe={struck ? `${struck.words}. It stays on record, struck, with your reason.` : ''}
    >
      <div className="mb-3 flex flex-wrap gap-2">
        {REASONS.map((words) => (
          <button key={words} type="button" className="plain" onClick={() => keep(words)}>
            {words}
          </button>
        ))}
      </div>
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          keep(why);
        }}
      >
        <Entry
          label="or another reason"
          value={why}
          maxLength={300}
          onChange={(event) => setWhy(event.target.value)}
          {...(problem && { problem })}
        />
        <button type="submit" className="solid">
          Strike through
        </button>
      </form>
    </Sheet>
  );
}
