'use client';

import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { intakeOf } from '@/core/job';
import { AUTHORISED, intakeKind, type Intake } from '@/core/walk';
import { TypedEntry, TypedPick, TypedRecordForm, TypedTick, useTypedForm, When } from '@/ui/controls';
import { notKept, useKeepChecked, useRecords } from '../../../_desk';
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

const intakeFields = z.object({
  frameBuilt: z.string(),
  livedAt: z.string(),
  needBy: z.string(),
  isHome: z.boolean(),
  ceiling: z.string(),
  unitValue: z.string(),
  askingPrice: z.string(),
  tried: z.string(),
  advice: z.string(),
  claimBy: z.string(),
  authorised: z.enum(AUTHORISED),
}) satisfies z.ZodType<IntakeTyped>;

function IntakeForm({ before, onDone }: { before?: Intake; onDone: () => void }) {
  const keepChecked = useKeepChecked();
  const form = useTypedForm(intakeFields, { ...intakeTyped(before) });
  const claimBy = useWatch({ control: form.control, name: 'claimBy' });
  const keepIt = (typed: IntakeTyped) => {
    const read = readIntake(typed);
    return read.ok ? (keepChecked(intakeKind, read.value) ?? onDone()) : notKept(read.reason);
  };
  return (
    <TypedRecordForm
      form={form}
      label="At the counter"
      keep="Keep what was told"
      onKeep={keepIt}
      onLeave={onDone}
    >
      <div className="grid grid-cols-1 items-end gap-2 sm:grid-cols-3">
        {FIELDS.map(([field, label]) => (
          <TypedEntry key={field} name={field} label={label} {...(field === 'needBy' && { type: 'date' })} />
        ))}
        {claimBy.trim() !== '' && (
          <TypedPick name="authorised" label="authorised before cutting?" options={AUTHORISED} />
        )}
      </div>
      <div className="mt-2">
        <TypedTick name="isHome">it is somebody’s home</TypedTick>
      </div>
    </TypedRecordForm>
  );
}
