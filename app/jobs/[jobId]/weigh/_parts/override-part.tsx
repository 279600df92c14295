'use client';

import { useState } from 'react';
import { openEvidence, overridesOf, packEvidence } from '@/core/job';
import { OVERRIDING, type Override } from '@/core/weigh';
import { Entry, Pick, RecordForm, When } from '@/ui/controls';
import { StrikeSheet, useMember, useReader, useRecords, useStamp } from '../../../_desk';

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
        <p className="flex flex-wrap items-center gap-x-3 text-[17px]">
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

function OverrideForm({ onDone }: { onDone: () => void }) {
  const { keep } = useRecords();
  const { by } = useReader();
  const { member } = useMember();
  const stamp = useStamp();
  const [verdict, setVerdict] = useState<Override['verdict']>('Watch');
  const [why, setWhy] = useState('');
  const [problem, setProblem] = useState<string>();
  const submit = () => {
    if (by.trim() === '') return setProblem('a verdict is somebody’s: say who, in the head of the page');
    const override: Override = { kind: 'override', ...stamp(), memberId: member.id, verdict, why, note: '' };
    const checked = openEvidence(packEvidence(override));
    if (!checked.ok) return setProblem(checked.reason);
    keep(override);
    onDone();
  };
  return (
    <RecordForm
      label="A verdict of one’s own"
      problem={problem}
      keep="Keep it beside the computed one"
      onKeep={submit}
      onLeave={onDone}
    >
      <div className="grid grid-cols-1 items-end gap-2 sm:grid-cols-[180px_1fr]">
        <Pick
          label={`I say of ${member.name.toLowerCase()}`}
          value={verdict}
          options={OVERRIDING}
          onPick={setVerdict}
        />
        <Entry label="because" value={why} maxLength={300} onChange={(event) => setWhy(event.target.value)} />
      </div>
      <p className="caption mt-1">A milder word changes no answer; a harsher one does.</p>
    </RecordForm>
  );
}
