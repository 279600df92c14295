'use client';

import { useState } from 'react';
import { intakeOf, openEvidence, packEvidence } from '@/core/job';
import { AUTHORISED, type Intake } from '@/core/walk';
import { Entry, Pick, RecordForm, When } from '@/ui/controls';
import { useRecords, useStamp } from '../../../_desk';
import { intakeTyped, readIntake, type IntakeTyped } from './intake-typed';

/** What the owner tells at the counter; nothing of it is asked before the walk may begin. */
export function IntakePanel() {
  const { file } = useRecords();
  const [isOpen, setOpen] = useState(false);
  const intake = intakeOf(file);
  const { currency } = file.practice.money;
  return (
    <section aria-label="At the counter" className="mt-5">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="text-lg font-semibold">At the counter</h2>
        {!isOpen && (
          <button type="button" className="plain" onClick={() => setOpen(true)}>
            {intake ? 'Change what was told' : 'Note what the owner tells'}
          </button>
        )}
      </div>
      {isOpen ? (
        <IntakeForm {...(intake && { before: intake })} onDone={() => setOpen(false)} />
      ) : intake ? (
        <dl className="grid grid-cols-[minmax(130px,190px)_1fr] gap-x-4 border-t border-rule pt-1">
          {toldRows(intake, currency).map(([what, words]) => (
            <Row key={what} what={what} words={words} />
          ))}
          <dt className="caption">told to</dt>
          <dd className="caption">
            {intake.by}, <When at={intake.at} only="day" />
          </dd>
        </dl>
      ) : (
        <p className="caption">
          Ceiling, value, need-by, what was tried and did not hold: none of it is needed to begin.
        </p>
      )}
    </section>
  );
}

const Row = ({ what, words }: { what: string; words: string }) => (
  <>
    <dt className="caption">{what}</dt>
    <dd>{words}</dd>
  </>
);

/** What was told, in rows; what nobody said has none. */
function toldRows(intake: Intake, currency: string): (readonly [string, string])[] {
  const money = (amount: number | undefined) =>
    amount === undefined ? undefined : `${currency}${amount.toLocaleString('en-US')}`;
  const claim =
    intake.makersClaim && `${intake.makersClaim.who}; cutting authorised: ${intake.makersClaim.authorised}`;
  const rows: (readonly [string, string | undefined])[] = [
    ['frame built', intake.frameBuilt],
    ['lived', intake.livedAt],
    ['needed by', intake.needBy],
    ['somebody’s home', intake.isHome ? 'yes' : undefined],
    ['ceiling', money(intake.ceiling)],
    ['unit’s value', money(intake.unitValue)],
    ['asking price', money(intake.askingPrice)],
    ['tried, did not hold', intake.tried],
    ['advice, and whose', intake.advice],
    ['maker’s claim', claim],
  ];
  return rows.flatMap(([what, words]) => (words ? [[what, words] as const] : []));
}

const FIELDS = [
  ['frameBuilt', 'frame built, such as 2011-04'],
  ['livedAt', 'where it lived'],
  ['needBy', 'needed by'],
  ['ceiling', 'owner’s ceiling'],
  ['unitValue', 'unit’s value'],
  ['askingPrice', 'asking price'],
  ['tried', 'tried, did not hold'],
  ['advice', 'advice, and from whom'],
  ['claimBy', 'maker’s claim: who pays'],
] as const satisfies readonly (readonly [keyof IntakeTyped, string])[];

function IntakeForm({ before, onDone }: { before?: Intake; onDone: () => void }) {
  const { keep } = useRecords();
  const stamp = useStamp();
  const [typed, setTyped] = useState(() => intakeTyped(before));
  const [problem, setProblem] = useState<string>();
  const set = (to: Partial<IntakeTyped>) => setTyped({ ...typed, ...to });
  const submit = () => {
    const read = readIntake(typed);
    if (!read.ok) return setProblem(read.reason);
    const intake: Intake = { kind: 'intake', ...stamp(), note: '', ...read.value };
    const checked = openEvidence(packEvidence(intake));
    if (!checked.ok) return setProblem(checked.reason);
    keep(intake);
    onDone();
  };
  return (
    <RecordForm
      label="At the counter"
      problem={problem}
      keep="Keep what was told"
      onKeep={submit}
      onLeave={onDone}
    >
      <div className="grid grid-cols-1 items-end gap-2 sm:grid-cols-3">
        {FIELDS.map(([field, label]) => (
          <Entry
            key={field}
            label={label}
            value={typed[field]}
            {...(field === 'needBy' && { type: 'date' })}
            onChange={(event) => set({ [field]: event.target.value })}
          />
        ))}
        {typed.claimBy.trim() !== '' && (
          <Pick
            label="authorised before cutting?"
            value={typed.authorised}
            options={AUTHORISED}
            onPick={(authorised) => set({ authorised })}
          />
        )}
      </div>
      <label className="plain mt-2 inline-flex">
        <input
          type="checkbox"
          className="size-5"
          checked={typed.isHome}
          onChange={(event) => set({ isHome: event.target.checked })}
        />{' '}
        it is somebody’s home
      </label>
    </RecordForm>
  );
}
