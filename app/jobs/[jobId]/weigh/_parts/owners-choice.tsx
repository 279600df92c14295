'use client';

import { useState } from 'react';
import { choiceOf, openEvidence, packEvidence, stands } from '@/core/job';
import { CHOSEN, LEAVES_BAD, type Chosen, type OwnersChoice } from '@/core/walk';
import { Entry, Pick, RecordForm, When } from '@/ui/controls';
import { CHOSEN_WORDS } from '../../../../_words/ways-out';
import { StrikeSheet, useRecords, useStamp } from '../../../_desk';

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

function ChoiceForm({ onDone }: { onDone: () => void }) {
  const { keep } = useRecords();
  const stamp = useStamp();
  const [chosen, setChosen] = useState<Chosen>('mend');
  const [left, setLeft] = useState('');
  const [why, setWhy] = useState('');
  const [heldWhen, setHeldWhen] = useState('');
  const [next, setNext] = useState<Chosen | typeof NOTHING_NEXT>(NOTHING_NEXT);
  const [problem, setProblem] = useState<string>();
  const submit = () => {
    const choice: OwnersChoice = {
      kind: 'choice',
      ...stamp(),
      chosen,
      left,
      why,
      ...(next !== NOTHING_NEXT && { stage: { heldWhen, next } }),
      note: '',
    };
    const checked = openEvidence(packEvidence(choice));
    if (!checked.ok) return setProblem(checked.reason);
    keep(choice);
    onDone();
  };
  return (
    <RecordForm label="A choice" problem={problem} keep="Keep the choice" onKeep={submit} onLeave={onDone}>
      <div className="grid grid-cols-1 items-end gap-2 sm:grid-cols-3">
        <Pick
          label="chosen"
          value={chosen}
          options={CHOSEN}
          words={(each) => CHOSEN_WORDS[each]}
          onPick={setChosen}
        />
        <Entry
          label={LEAVES_BAD.includes(chosen) ? 'what is left undone' : 'left undone, if anything'}
          value={left}
          maxLength={600}
          onChange={(event) => setLeft(event.target.value)}
        />
        <Entry label="why" value={why} maxLength={300} onChange={(event) => setWhy(event.target.value)} />
        <Pick
          label="and where that does not hold"
          value={next}
          options={[NOTHING_NEXT, ...CHOSEN]}
          words={(each) => (each === NOTHING_NEXT ? each : CHOSEN_WORDS[each])}
          onPick={setNext}
        />
        {next !== NOTHING_NEXT && (
          <Entry
            label="it counts as held when"
            value={heldWhen}
            maxLength={200}
            onChange={(event) => setHeldWhen(event.target.value)}
          />
        )}
      </div>
    </RecordForm>
  );
}
