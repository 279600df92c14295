'use client';

import { useState } from 'react';
import { stands, type JobOrder } from '@/core/job';
import {
  EXTRA_ANSWERS,
  extraAnswerKind,
  extraKind,
  extraMoney,
  OWN_BEFORE,
  ownTaskKind,
  type Extra,
  type ExtraAnswer,
} from '@/core/order';
import { Choice, Entry, Pick, RecordForm, When } from '@/ui/controls';
import { useRecords, useStamp } from '../../../_desk';
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
          <ExtraRow
            key={extra.id}
            extra={extra}
            answer={answers.findLast(({ extraId }) => extraId === extra.id)}
          />
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

function AnswerForm({ extra, onClose }: { extra: Extra; onClose: () => void }) {
  const { keep } = useRecords();
  const stamp = useStamp();
  const [answer, setAnswer] = useState<ExtraAnswer['answer'] | ''>('');
  const [how, setHow] = useState<ExtraAnswer['how']>('in person');
  const [who, setWho] = useState('owner');
  const [until, setUntil] = useState('');
  const [problem, setProblem] = useState<string>();
  const keepIt = () => {
    if (answer === '') return setProblem('yes, no, or later? Nothing was kept');
    const checked = extraAnswerKind.schema.safeParse({
      kind: 'extra answer',
      ...stamp(),
      note: '',
      extraId: extra.id,
      answer,
      who,
      how,
      ...(answer === 'later' && until !== '' && { until }),
    });
    if (!checked.success) return setProblem(`${checked.error.issues[0]!.message}; nothing was kept`);
    keep(checked.data);
    onClose();
  };
  return (
    <RecordForm
      label="What the owner says"
      problem={problem}
      keep="The owner said so"
      onKeep={keepIt}
      onLeave={onClose}
    >
      <div className="flex flex-wrap items-end gap-3">
        <Choice
          label="Answer"
          value={answer as ExtraAnswer['answer']}
          options={EXTRA_ANSWERS}
          onChange={setAnswer}
        />
        {answer === 'later' && (
          <Entry
            label="until"
            type="date"
            className="w-44"
            value={until}
            onChange={(event) => setUntil(event.target.value)}
          />
        )}
        <Entry
          label="who said it"
          className="w-32"
          maxLength={40}
          value={who}
          onChange={(event) => setWho(event.target.value)}
        />
        <Choice
          label="How"
          value={how}
          options={['in person', 'by telephone', 'in writing']}
          onChange={setHow}
        />
      </div>
    </RecordForm>
  );
}

const number = (text: string): number | undefined => {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(value) && value >= 0 ? value : undefined;
};

function ExtraForm({ order, onClose }: { order: JobOrder; onClose: () => void }) {
  const { file, keep } = useRecords();
  const stamp = useStamp();
  const zones = order.plan.zones.map(({ id }) => id);
  const [zoneId, setZone] = useState(zones[0]!);
  const [what, setWhat] = useState('');
  const [grows, setGrows] = useState(true);
  const [typed, setTyped] = useState({ least: '', most: '', parts: '' });
  const [problem, setProblem] = useState<string>();
  const { ratePerHour, currency } = file.practice.money;
  const [least, most, parts] = [number(typed.least), number(typed.most), number(typed.parts) ?? 0];
  const money = extraMoney([least ?? 0, most ?? 0], ratePerHour, parts);
  const keepIt = () => {
    if (grows && (least === undefined || most === undefined))
      return setProblem('hours, from least to most; nothing was kept');
    const memberId = order.plan.zones.find(({ id }) => id === zoneId)?.repairs[0]?.memberId;
    const checked = extraKind.schema.safeParse({
      kind: 'extra',
      ...stamp(),
      note: '',
      zoneId,
      ...(memberId !== undefined && { memberId }),
      grows,
      what,
      hours: grows ? [least, most] : [0, 0],
      money: grows ? money : [0, 0],
    });
    if (!checked.success) return setProblem(`${checked.error.issues[0]!.message}; nothing was kept`);
    keep(checked.data);
    onClose();
  };
  const set = (key: keyof typeof typed) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [key]: event.target.value });
  return (
    <RecordForm
      label="Something more was found"
      problem={problem}
      keep={grows ? 'Ask the owner' : 'It changes nothing'}
      onKeep={keepIt}
      onLeave={onClose}
    >
      <div className="flex flex-wrap items-end gap-2">
        <Pick label="zone" value={zoneId} options={zones} onPick={setZone} className="w-24" />
        <Entry
          label="what was found"
          className="min-w-60 flex-1"
          maxLength={200}
          value={what}
          onChange={(event) => setWhat(event.target.value)}
        />
      </div>
      <div className="mt-2 flex flex-wrap items-end gap-2">
        <Choice
          label="What it changes"
          value={grows ? 'more work' : 'nothing'}
          options={['more work', 'nothing']}
          onChange={(value) => setGrows(value === 'more work')}
        />
        {grows && (
          <>
            <Entry
              label="hours, least"
              className="w-28"
              inputMode="decimal"
              value={typed.least}
              onChange={set('least')}
            />
            <Entry
              label="most"
              className="w-28"
              inputMode="decimal"
              value={typed.most}
              onChange={set('most')}
            />
            <Entry
              label={`parts and steel, ${currency}`}
              className="w-36"
              inputMode="decimal"
              value={typed.parts}
              onChange={set('parts')}
            />
          </>
        )}
      </div>
      {grows && least !== undefined && most !== undefined && (
        <p role="status" className="mt-1 font-semibold">
          {currency}
          {Math.round(money[0])} to {currency}
          {Math.round(money[1])}, at {currency}
          {ratePerHour} an hour.
        </p>
      )}
    </RecordForm>
  );
}

function OwnForm({ order, onClose }: { order: JobOrder; onClose: () => void }) {
  const { keep } = useRecords();
  const stamp = useStamp();
  const [what, setWhat] = useState('');
  const [before, setBefore] = useState<(typeof OWN_BEFORE)[number]>('the drive');
  const [typed, setTyped] = useState({ least: '', most: '' });
  const [zone, setZone] = useState('unit');
  const [problem, setProblem] = useState<string>();
  const keepIt = () => {
    const [least, most] = [number(typed.least), number(typed.most)];
    if (least === undefined || most === undefined)
      return setProblem('hours, from least to most; nothing was kept');
    const checked = ownTaskKind.schema.safeParse({
      kind: 'own task',
      ...stamp(),
      note: '',
      what,
      ...(zone !== 'unit' && { zoneId: zone }),
      hours: [least, most],
      before,
    });
    if (!checked.success) return setProblem(`${checked.error.issues[0]!.message}; nothing was kept`);
    keep(checked.data);
    onClose();
  };
  return (
    <RecordForm
      label="A task of our own"
      problem={problem}
      keep="Put it on the plan"
      onKeep={keepIt}
      onLeave={onClose}
    >
      <div className="flex flex-wrap items-end gap-2">
        <Entry
          label="what"
          className="min-w-60 flex-1"
          maxLength={120}
          value={what}
          onChange={(event) => setWhat(event.target.value)}
        />
        <Entry
          label="hours, least"
          className="w-28"
          value={typed.least}
          onChange={(event) => setTyped({ ...typed, least: event.target.value })}
        />
        <Entry
          label="most"
          className="w-28"
          value={typed.most}
          onChange={(event) => setTyped({ ...typed, most: event.target.value })}
        />
        <Pick
          label="where"
          value={zone}
          options={['unit', ...order.plan.zones.map(({ id }) => id)]}
          onPick={setZone}
          className="w-24"
        />
      </div>
      <p className="caption mt-2">before</p>
      <Choice label="Before" value={before} options={OWN_BEFORE} onChange={setBefore} />
    </RecordForm>
  );
}
