'use client';

import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { stands, type JobOrder } from '@/core/job';
import {
  answerTo,
  EXTRA_ANSWERS,
  extraAnswerKind,
  extraKind,
  extraMoney,
  OWN_BEFORE,
  ownTaskKind,
  type Extra,
  type ExtraAnswer,
} from '@/core/order';
import { ok, type Outcome } from '@/core/quantity';
import {
  FieldProblem,
  TypedChoice,
  TypedEntry,
  TypedPick,
  TypedRecordForm,
  useTypedForm,
  When,
  type TypedFormOf,
} from '@/ui/controls';
import { readIfTyped } from '../../../../_parts/typed';
import { notKept, useKeepChecked, useRecords } from '../../../_desk';
import { hoursWords } from './plan-part';

/** More found while it was open: what it is, what it costs, what the owner said; and tasks of the shop's own. */
export function FoundPart({ order }: { order: JobOrder }) {
  const { file } = useRecords();
  const [isTelling, setTelling] = useState<'extra' | 'own'>();
  const extras = stands(file, 'extra');
  const answers = stands(file, 'extra answer');
  const waiting = order.gates.filter(
    ({ gate, lacks }) => gate === 'owner' && lacks.some(({ code }) => code === 'found, not answered'),
  );
  const own = stands(file, 'own task');
  return (
    <section aria-label="More found">
      <h2 className="text-2xl font-semibold">
        {waiting.length > 0
          ? `Stands still: zone ${waiting.map(({ of }) => of).join(', ')}. What was found, what does it change?`
          : extras.length === 0
            ? 'Nothing more was found since it was opened'
            : `${extras.length} found on the way`}
      </h2>
      <p>Whatever is found while a zone is open is done, or left, by the owner’s word: yes, no, or later.</p>
      <div className="my-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="plain"
          onClick={() => setTelling('extra')}
          disabled={order.plan.zones.length === 0}
        >
          Something more was found
        </button>
        <button type="button" className="plain" onClick={() => setTelling('own')}>
          A task of our own
        </button>
      </div>
      {isTelling === 'extra' && <ExtraForm order={order} onClose={() => setTelling(undefined)} />}
      {isTelling === 'own' && <OwnForm order={order} onClose={() => setTelling(undefined)} />}
      <ul className="ruled">
        {extras.map((extra) => (
          <ExtraRow key={extra.id} extra={extra} answer={answerTo(answers, extra.id)} />
        ))}
      </ul>
      {own.length > 0 && (
        <>
          <h3 className="mt-3 border-b border-ink text-lg font-semibold">Our own</h3>
          <ul className="ruled">
            {own.map((task) => (
              <li key={task.id} className="py-1">
                {task.what}, before {task.before}, {hoursWords(task.hours)}
                <span className="caption"> {task.by}</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

const ANSWER_WORDS: Readonly<Record<ExtraAnswer['answer'], string>> = {
  yes: 'yes: it is on the plan',
  no: 'no: left, and signed for',
  later: 'later',
};

function ExtraRow({ extra, answer }: { extra: Extra; answer: ExtraAnswer | undefined }) {
  const { file } = useRecords();
  const [isAnswering, setAnswering] = useState(false);
  const { currency } = file.practice.money;
  return (
    <li className="py-2">
      <p className="text-lg">
        <b>Zone {extra.zoneId}</b> {extra.what}
      </p>
      <p>
        {extra.grows
          ? `${hoursWords(extra.hours)}, ${currency}${Math.round(extra.money[0])} to ${currency}${Math.round(extra.money[1])}`
          : 'changes nothing'}
        <span className="caption">
          {' '}
          {extra.by}, <When at={extra.at} />
        </span>
      </p>
      {answer && (
        <p className="font-semibold">
          {ANSWER_WORDS[answer.answer]}
          {answer.until && `, ${answer.until}`}: {answer.who}, {answer.how}
          <span className="caption font-normal">
            {' '}
            {answer.by}, <When at={answer.at} />
          </span>
        </p>
      )}
      {extra.grows && !isAnswering && (
        <button
          type="button"
          className={answer ? 'hit px-1 underline' : 'solid mt-1'}
          onClick={() => setAnswering(true)}
        >
          {answer ? 'the owner says otherwise' : 'What the owner says'}
        </button>
      )}
      {isAnswering && <AnswerForm extra={extra} onClose={() => setAnswering(false)} />}
    </li>
  );
}

const SAID_HOW = ['in person', 'by telephone', 'in writing'] as const satisfies readonly ExtraAnswer['how'][];
const answerTyped = z.object({
  answer: z.enum(EXTRA_ANSWERS, 'yes, no, or later?'),
  until: z.string(),
  who: z.string(),
  how: z.enum(SAID_HOW),
});

function AnswerForm({ extra, onClose }: { extra: Extra; onClose: () => void }) {
  const keepChecked = useKeepChecked();
  const form = useTypedForm(answerTyped, {
    answer: '' as ExtraAnswer['answer'],
    until: '',
    who: 'owner',
    how: 'in person',
  });
  const answer = useWatch({ control: form.control, name: 'answer' });
  const keepIt = ({ until, ...said }: z.infer<typeof answerTyped>) =>
    keepChecked(extraAnswerKind, {
      extraId: extra.id,
      ...said,
      ...(said.answer === 'later' && until !== '' && { until }),
    }) ?? onClose();
  return (
    <TypedRecordForm
      form={form}
      label="What the owner says"
      keep="The owner said so"
      onKeep={keepIt}
      onLeave={onClose}
    >
      <div className="flex flex-wrap items-end gap-3">
        <TypedChoice name="answer" label="Answer" options={EXTRA_ANSWERS} />
        {answer === 'later' && <TypedEntry name="until" label="until" type="date" className="w-44" />}
        <TypedEntry name="who" label="who said it" className="w-32" maxLength={40} />
        <TypedChoice name="how" label="How" options={SAID_HOW} />
      </div>
      <FieldProblem name="answer" />
    </TypedRecordForm>
  );
}

/** Hours or money, none where nothing is typed. */
const amount = readIfTyped((text): Outcome<number> => {
  const value = Number(text.trim().replace(',', '.'));
  return value >= 0 ? ok(value) : { ok: false, reason: 'a figure, nothing or more' };
});
const HOURS_ASKED = 'hours, from least to most';

const GROWS = ['more work', 'nothing'] as const;
const extraTyped = z.object({
  zoneId: z.string(),
  what: z.string(),
  grows: z.enum(GROWS),
  least: amount,
  most: amount,
  parts: amount,
});

function ExtraForm({ order, onClose }: { order: JobOrder; onClose: () => void }) {
  const { file } = useRecords();
  const keepChecked = useKeepChecked();
  const zones = order.plan.zones.map(({ id }) => id);
  const form = useTypedForm(extraTyped, {
    zoneId: zones[0]!,
    what: '',
    grows: 'more work' as (typeof GROWS)[number],
    least: '',
    most: '',
    parts: '',
  });
  const grows = useWatch({ control: form.control, name: 'grows' }) === 'more work';
  const { ratePerHour, currency } = file.practice.money;
  const keepIt = ({ zoneId, what, least, most, parts = 0 }: z.infer<typeof extraTyped>) => {
    if (grows && (least === undefined || most === undefined)) return notKept(HOURS_ASKED);
    const hours = grows ? ([least!, most!] as const) : ([0, 0] as const);
    const memberId = order.plan.zones.find(({ id }) => id === zoneId)?.repairs[0]?.memberId;
    return (
      keepChecked(extraKind, {
        zoneId,
        ...(memberId !== undefined && { memberId }),
        grows,
        what,
        hours,
        money: grows ? extraMoney([...hours], ratePerHour, parts) : [0, 0],
      }) ?? onClose()
    );
  };
  return (
    <TypedRecordForm
      form={form}
      label="Something more was found"
      keep={grows ? 'Ask the owner' : 'It changes nothing'}
      onKeep={keepIt}
      onLeave={onClose}
    >
      <div className="flex flex-wrap items-end gap-2">
        <TypedPick name="zoneId" label="zone" options={zones} className="w-24" />
        <TypedEntry name="what" label="what was found" className="min-fit-60 flex-1" maxLength={200} />
      </div>
      <div className="mt-2 flex flex-wrap items-end gap-2">
        <TypedChoice name="grows" label="What it changes" options={GROWS} />
        {grows && <HoursFields />}
        {grows && (
          <TypedEntry
            name="parts"
            label={`parts and steel, ${currency}`}
            className="w-36"
            inputMode="decimal"
          />
        )}
      </div>
      {grows && <ExtraMoney form={form} />}
    </TypedRecordForm>
  );
}

const HoursFields = () => (
  <>
    <TypedEntry name="least" label="hours, least" className="w-28" inputMode="decimal" />
    <TypedEntry name="most" label="most" className="w-28" inputMode="decimal" />
  </>
);

/** What the hours typed so far come to. */
function ExtraMoney({
  form,
}: {
  form: TypedFormOf<z.input<typeof extraTyped>, z.output<typeof extraTyped>>;
}) {
  const { ratePerHour, currency } = useRecords().file.practice.money;
  const typed = extraTyped.safeParse(useWatch({ control: form.control })).data;
  if (typed?.least === undefined || typed.most === undefined) return null;
  const money = extraMoney([typed.least, typed.most], ratePerHour, typed.parts ?? 0);
  return (
    <p role="status" className="mt-1 font-semibold">
      {currency}
      {Math.round(money[0])} to {currency}
      {Math.round(money[1])}, at {currency}
      {ratePerHour} an hour.
    </p>
  );
}

const WHOLE_UNIT = 'unit';
const ownTyped = z.object({
  what: z.string(),
  zone: z.string(),
  least: amount,
  most: amount,
  before: z.enum(OWN_BEFORE),
});

function OwnForm({ order, onClose }: { order: JobOrder; onClose: () => void }) {
  const keepChecked = useKeepChecked();
  const form = useTypedForm(ownTyped, {
    what: '',
    zone: WHOLE_UNIT,
    least: '',
    most: '',
    before: 'the drive',
  });
  const keepIt = ({ what, zone, least, most, before }: z.infer<typeof ownTyped>) =>
    least === undefined || most === undefined
      ? notKept(HOURS_ASKED)
      : (keepChecked(ownTaskKind, {
          what,
          ...(zone !== WHOLE_UNIT && { zoneId: zone }),
          hours: [least, most],
          before,
        }) ?? onClose());
  return (
    <TypedRecordForm
      form={form}
      label="A task of our own"
      keep="Put it on the plan"
      onKeep={keepIt}
      onLeave={onClose}
    >
      <div className="flex flex-wrap items-end gap-2">
        <TypedEntry name="what" label="what" className="min-fit-60 flex-1" maxLength={120} />
        <HoursFields />
        <TypedPick
          name="zone"
          label="where"
          options={[WHOLE_UNIT, ...order.plan.zones.map(({ id }) => id)]}
          className="w-24"
        />
      </div>
      <p className="caption mt-2">before</p>
      <TypedChoice name="before" label="Before" options={OWN_BEFORE} />
    </TypedRecordForm>
  );
}
