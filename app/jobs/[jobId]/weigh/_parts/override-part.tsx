'use client';

import { useState } from 'react';
import { z } from 'zod';
import { overridesOf } from '@/core/job';
import { OVERRIDING, overrideKind, type Override } from '@/core/weigh';
import { TypedEntry, TypedPick, TypedRecordForm, useTypedForm, When } from '@/ui/controls';
import { notKept, StrikeSheet, useKeepChecked, useMember, useReader, useRecords } from '../../../_desk';

/** A named technician's own verdict on the member in sight, beside the computed one. */
export function OverridePart() {
  const { file } = useRecords();
  const { member } = useMember();
  const [isOpen, setOpen] = useState(false);
  const [striking, setStriking] = useState<Override>();
  const said = overridesOf(file).get(member.id);
  return (
    <div className="mt-1">
      {said && (
        <p className="flex flex-wrap items-center gap-x-3 letters-17">
          <span>
            {said.by} says <span className="font-semibold">{said.verdict}</span>: {said.why}
          </span>
          <span className="caption">
            <When at={said.at} only="day" />; the computed verdict stays, and both are printed
          </span>
          <button type="button" className="hit px-2 underline" onClick={() => setStriking(said)}>
            strike
          </button>
        </p>
      )}
      {isOpen ? (
        <OverrideForm key={member.id} onDone={() => setOpen(false)} />
      ) : (
        <button type="button" className="hit underline" onClick={() => setOpen(true)}>
          Say otherwise of {member.name.toLowerCase()}
        </button>
      )}
      <StrikeSheet
        struck={striking && { id: striking.id, words: `${striking.by}’s own verdict, ${striking.verdict}` }}
        onClose={() => setStriking(undefined)}
      />
    </div>
  );
}

const overrideTyped = z.object({ verdict: z.enum(OVERRIDING), why: z.string() });

function OverrideForm({ onDone }: { onDone: () => void }) {
  const { by } = useReader();
  const { member } = useMember();
  const keepChecked = useKeepChecked();
  const form = useTypedForm(overrideTyped, { verdict: 'Watch' as Override['verdict'], why: '' });
  const keepIt = (said: z.infer<typeof overrideTyped>) =>
    by.trim() === ''
      ? notKept('a verdict is somebody’s: say who, in the head of the page')
      : (keepChecked(overrideKind, { memberId: member.id, ...said }) ?? onDone());
  return (
    <TypedRecordForm
      form={form}
      label="A verdict of one’s own"
      keep="Keep it beside the computed one"
      onKeep={keepIt}
      onLeave={onDone}
    >
      <div className="grid grid-cols-1 items-end gap-2 sm:grid-cols-[180px_1fr]">
        <TypedPick name="verdict" label={`I say of ${member.name.toLowerCase()}`} options={OVERRIDING} />
        <TypedEntry name="why" label="because" maxLength={300} />
      </div>
      <p className="caption mt-1">A milder word changes no answer; a harsher one does.</p>
    </TypedRecordForm>
  );
}
