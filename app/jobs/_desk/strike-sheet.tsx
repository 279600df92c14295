'use client';

import { strikeSchema } from '@/core/frame';
import { Sheet, TypedEntry, TypedForm, useTypedForm } from '@/ui/controls';
import { useReader } from './reader-context';
import { useRecords } from './records-context';
import { newId } from '../../_client';

/** What can be struck: its id, and words that name it. */
export interface Strikable {
  readonly id: string;
  readonly words: string;
}

const REASONS = ['slip of the keyboard', 'gauge slipped', 'wrong place', 'scale not removed'] as const;

const schema = strikeSchema.pick({ why: true });

/** Strikes evidence through with a reason. It stays readable. */
export function StrikeSheet({ struck, onClose }: { struck: Strikable | undefined; onClose: () => void }) {
  const { strike } = useRecords();
  const { by } = useReader();
  const form = useTypedForm(schema, { why: '' });
  const close = () => {
    form.reset();
    onClose();
  };
  const keep = (why: string) => {
    if (!struck) return;
    strike({
      id: newId(),
      evidenceId: struck.id,
      why,
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
      <TypedForm form={form} onKeep={({ why }) => keep(why)} className="grid gap-3">
        <TypedEntry name="why" label="or another reason" maxLength={300} />
        <button type="submit" className="solid">
          Strike through
        </button>
      </TypedForm>
    </Sheet>
  );
}
