'use client';

import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { choiceOf, stands } from '@/core/job';
import { choiceKind, CHOSEN, LEAVES_BAD, type Chosen, type OwnersChoice } from '@/core/walk';
import { TypedEntry, TypedPick, TypedRecordForm, useTypedForm, When } from '@/ui/controls';
import { CHOSEN_WORDS } from '../../../../_words/ways-out';
import { StrikeSheet, useKeepChecked, useRecords } from '../../../_desk';

/** What the owner picked, and what stays undone by it; every such pick stays on later papers. */
export function OwnersChoicePart() {
  const { file } = useRecords();
  const [isOpen, setOpen] = useState(false);
  const [striking, setStriking] = useState<OwnersChoice>();
  const choices = stands(file, 'choice');
  const last = choiceOf(file);
  return (
    <section aria-label="The owner’s choice" className="mt-3 border-t border-rule pt-2">
      <div className="flex flex-wrap items-center gap-3">
        <h3 className="text-lg font-semibold">
          The owner’s choice{last ? `: ${CHOSEN_WORDS[last.chosen]}` : ': not asked yet'}
        </h3>
        {!isOpen && (
          <button type="button" className="plain" onClick={() => setOpen(true)}>
            Record a choice
          </button>
        )}
      </div>
      {isOpen && <ChoiceForm onDone={() => setOpen(false)} />}
      <ul className="ruled">
        {choices.map((choice) => (
          <li key={choice.id} className="flex flex-wrap items-center gap-x-4 py-1">
            <span className={choice === last ? 'font-semibold' : ''}>{CHOSEN_WORDS[choice.chosen]}</span>
            {choice.left && <span>left undone: {choice.left}</span>}
            {choice.stage && (
              <span>
                held when {choice.stage.heldWhen}; else {CHOSEN_WORDS[choice.stage.next]}
              </span>
            )}
            <span className="caption">
              {choice.why && `${choice.why}; `}
              {choice.by}, <When at={choice.at} only="day" />
            </span>
            <button type="button" className="hit ml-auto px-2 underline" onClick={() => setStriking(choice)}>
              strike
            </button>
          </li>
        ))}
      </ul>
      <StrikeSheet
        struck={striking && { id: striking.id, words: `The choice of ${striking.at.slice(0, 10)}` }}
        onClose={() => setStriking(undefined)}
      />
    </section>
  );
}

const NOTHING_NEXT = 'nothing agreed';

const choiceTyped = z.object({
  chosen: z.enum(CHOSEN),
  left: z.string(),
  why: z.string(),
  next: z.enum([NOTHING_NEXT, ...CHOSEN]),
  heldWhen: z.string(),
});

function ChoiceForm({ onDone }: { onDone: () => void }) {
  const keepChecked = useKeepChecked();
  const form = useTypedForm(choiceTyped, {
    chosen: 'mend' as Chosen,
    left: '',
    why: '',
    next: NOTHING_NEXT as typeof NOTHING_NEXT | Chosen,
    heldWhen: '',
  });
  const [chosen, next] = useWatch({ control: form.control, name: ['chosen', 'next'] });
  const keepIt = ({ next, heldWhen, ...choice }: z.infer<typeof choiceTyped>) =>
    keepChecked(choiceKind, {
      ...choice,
      ...(next !== NOTHING_NEXT && { stage: { heldWhen, next } }),
    }) ?? onDone();
  return (
    <TypedRecordForm form={form} label="A choice" keep="Keep the choice" onKeep={keepIt} onLeave={onDone}>
      <div className="grid grid-cols-1 items-end gap-2 sm:grid-cols-3">
        <TypedPick name="chosen" label="chosen" options={CHOSEN} words={(each) => CHOSEN_WORDS[each]} />
        <TypedEntry
          name="left"
          label={LEAVES_BAD.includes(chosen) ? 'what is left undone' : 'left undone, if anything'}
          maxLength={600}
        />
        <TypedEntry name="why" label="why" maxLength={300} />
        <TypedPick
          name="next"
          label="and where that does not hold"
          options={[NOTHING_NEXT, ...CHOSEN]}
          words={(each) => (each === NOTHING_NEXT ? each : CHOSEN_WORDS[each])}
        />
        {next !== NOTHING_NEXT && (
          <TypedEntry name="heldWhen" label="it counts as held when" maxLength={200} />
        )}
      </div>
    </TypedRecordForm>
  );
}
