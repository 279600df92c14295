'use client';

import { standName, type Stand } from '@/core/frame';
import { useMemo, useState } from 'react';
import { memberOf } from '@/core/frame';
import { type LiftReply, liftBasis, stands } from '@/core/job';
import { lengthDigits, percent, printLength, printMass, STANDARD_GRAVITY } from '@/core/quantity';
import {
  LIFT_SIDES,
  LIFT_WAYS,
  takesPoints,
  wheelsOf,
  type LiftAnswer,
  type LiftPlan,
  type LiftReason,
  type LiftRecord,
} from '@/core/walk';
import { Entry, Pick, When } from '@/ui/controls';
import { CAUTIONS } from '../../../../_words/cautions';
import {
  INSTEAD_WORDS,
  LIFT_WAY_WORDS,
  liftReasonWords,
  ratingDigits,
  stepWords,
} from '../../../../_words/walk';
import { useDraft } from '../../../../_parts/remembered';
import { useReader, useRecords, useWork, useStamp } from '../../../_desk';
import { LiftDrawing } from './lift-drawing';
import { formIn, liftFormSchema, readLift, usualForm, withPoint, type LiftForm } from './lift-form';

/** May it be raised so? The answer is worked out on the sections found, kept, and asked again when evidence changes. */
export function LiftPart() {
  const { file, keep } = useRecords();
  const { system } = useReader();
  const { askLift } = useWork();
  const stamp = useStamp();
  const [draft, setDraft] = useDraft(`ossatura-lift-${file.job.id}`, liftFormSchema);
  const form = useMemo(
    () => (draft ? formIn(draft, system) : usualForm(file.frame, 'two-post pads', system)),
    [draft, file.frame, system],
  );
  const [asked, setAsked] = useState<{ plan: LiftPlan; reply: LiftReply; basis: string }>();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string>();
  const basis = liftBasis(file, file.notices);
  const answers = stands(file, 'lift');

  const ask = async (of: LiftForm) => {
    const plan = readLift(of);
    if (!plan.ok) return setProblem(plan.reason);
    setProblem(undefined);
    setBusy(true);
    try {
      const reply = await askLift(plan.value);
      setAsked({ plan: plan.value, reply, basis });
      keep({
        kind: 'lift',
        ...stamp(),
        plan: plan.value,
        answer: reply.answer,
        reasons: [...reply.reasons].slice(0, 400),
        basis,
        note: '',
      });
    } catch (error) {
      setProblem(
        `It could not be worked out: ${error instanceof Error ? error.message : 'unknown'}. Nothing was answered.`,
      );
    } finally {
      setBusy(false);
    }
  };
  const take = (plan: LiftPlan) => {
    const points = plan.points.map((point) => ({
      ...form.points.find((each) => each.id === point.id)!,
      side: point.side,
      station: lengthDigits(point.stationMm, system, 'length'),
    }));
    const moved = { ...form, points };
    setDraft(moved);
    void ask(moved);
  };

  const read = readLift(form);
  return (
    <div className="grid gap-x-7 gap-y-4 xl:grid-cols-[360px_minmax(0,1fr)]">
      <div className="min-w-0">
        <LiftFormFields form={form} onChange={setDraft} />
        {problem && (
          <p role="alert" className="mt-2 font-semibold text-oxide">
            {problem}
          </p>
        )}
        <p className="mt-3">
          <button type="button" className="solid text-xl" disabled={busy} onClick={() => void ask(form)}>
            {busy ? 'working it out…' : 'Ask'}
          </button>
        </p>
        <p className="caution mt-3">{CAUTIONS.lift}</p>
      </div>
      <div className="min-w-0">
        {file.notices.length > 0 && (
          <ul className="mb-2">
            {file.notices.map((notice) => (
              <li key={notice.id} className="border-l-[6px] border-here pl-3 font-semibold">
                {notice.words}
              </li>
            ))}
          </ul>
        )}
        {asked && asked.basis !== basis && (
          <p role="status" className="mb-2 bg-here px-3 py-2 font-bold text-on-here">
            Evidence has changed since this was answered. Ask again.
          </p>
        )}
        {read.ok && <LiftDrawing plan={asked?.plan ?? read.value} reply={asked?.reply} />}
        {asked ? (
          <Answer {...asked} isOld={asked.basis !== basis} onTake={take} />
        ) : (
          <p className="text-lg">
            Say how and where it is to be raised, then ask. What nobody saw counts as unknown.
          </p>
        )}
        <Kept answers={answers} basis={basis} />
      </div>
    </div>
  );
}

const RATED_WORDS: Partial<Record<LiftForm['way'], string>> = {
  'by the axles': 'each is rated',
  'on its legs': 'each leg is rated',
  hitched: 'hitch is rated',
};

function LiftFormFields({ form, onChange }: { form: LiftForm; onChange: (form: LiftForm) => void }) {
  const { file } = useRecords();
  const { system } = useReader();
  const weight = system === 'in' ? 'lb' : 'kg';
  const set = (to: Partial<LiftForm>) => onChange({ ...form, ...to });
  const setPoint = (k: number, to: Partial<LiftForm['points'][number]>) =>
    set({ points: form.points.map((point, n) => (n === k ? { ...point, ...to } : point)) });
  const toggle = (id: string) =>
    set({
      wheelsDown: form.wheelsDown.includes(id)
        ? form.wheelsDown.filter((each) => each !== id)
        : [...form.wheelsDown, id],
    });
  return (
    <div className="grid gap-3">
      <Pick
        label="raised on"
        value={form.way}
        options={LIFT_WAYS}
        words={(way) => LIFT_WAY_WORDS[way]}
        onPick={(way) => onChange(usualForm(file.frame, way, system))}
      />
      {takesPoints(form.way) && (
        <fieldset>
          <legend className="caption">points, stations along the frame</legend>
          <ul className="grid gap-1.5">
            {form.points.map((point, k) => (
              <li key={k} className="grid grid-cols-[1fr_84px_84px_44px] items-end gap-1.5">
                <Pick
                  label={point.id}
                  value={point.side}
                  options={LIFT_SIDES}
                  onPick={(side) => setPoint(k, { side })}
                />
                <Entry
                  label="station"
                  unit={system}
                  value={point.station}
                  onChange={(event) => setPoint(k, { station: event.target.value })}
                />
                <Entry
                  label="rated"
                  unit={weight}
                  value={point.rating}
                  onChange={(event) => setPoint(k, { rating: event.target.value })}
                />
                <button
                  type="button"
                  className="plain px-0!"
                  aria-label={`Take ${point.id} away`}
                  onClick={() => set({ points: form.points.filter((_, n) => n !== k) })}
                >
                  ×
                </button>
              </li>
            ))}
          </ul>
          {form.points.length < 12 && (
            <button type="button" className="plain mt-1.5" onClick={() => onChange(withPoint(form))}>
              Add a point
            </button>
          )}
        </fieldset>
      )}
      {takesPoints(form.way) && (
        <fieldset>
          <legend className="caption">wheels that stay down</legend>
          <div className="flex flex-wrap gap-1.5">
            {wheelsOf(file.frame).map((wheel) => (
              <label key={wheel.id} className="plain">
                <input
                  type="checkbox"
                  className="size-5"
                  checked={form.wheelsDown.includes(wheel.id)}
                  onChange={() => toggle(wheel.id)}
                />{' '}
                {wheel.name}
              </label>
            ))}
          </div>
        </fieldset>
      )}
      <div className="grid grid-cols-3 items-end gap-1.5">
        <Entry
          label={RATED_WORDS[form.way] ?? 'hoist rated'}
          unit={weight}
          value={form.hoist}
          placeholder={RATED_WORDS[form.way] ? '' : 'in all'}
          onChange={(event) => set({ hoist: event.target.value })}
        />
        <Entry
          label="ground falls to the front"
          unit="°"
          inputMode="decimal"
          value={form.along}
          onChange={(event) => set({ along: event.target.value })}
        />
        <Entry
          label="and to the left"
          unit="°"
          inputMode="decimal"
          value={form.across}
          onChange={(event) => set({ across: event.target.value })}
        />
      </div>
      {(file.frame.loads?.takenOff?.length ?? 0) > 0 && (
        <label className="plain justify-start!">
          <input
            type="checkbox"
            className="size-5"
            checked={form.unloaded}
            onChange={(event) => set({ unloaded: event.target.checked })}
          />{' '}
          without what is listed as taken off (
          {file.frame
            .loads!.items.filter((item) => file.frame.loads!.takenOff!.includes(item.id))
            .map((item) => item.name.toLowerCase())
            .join(', ')}
          )
        </label>
      )}
    </div>
  );
}

const ANSWER_LOOK: Readonly<Record<LiftAnswer, string>> = {
  'Lift here': 'border-good',
  'Not here': 'border-oxide',
  'Not known': 'unseen border-ink',
  'Not at all yet': 'border-oxide text-oxide',
};
/** Said beside the answer, and to be minded all the same. */
const LIMITS: ReadonlySet<LiftReason['code']> = new Set<LiftReason['code']>([
  'gone on what it loads',
  'crack on what it loads',
  'unseen critical',
  'hidden under',
  'doubtful under',
  'stays as it stands',
  'slope counted',
]);
const GROUPS: readonly (readonly [words: string, isOf: (reason: LiftReason) => boolean])[] = [
  ['Against it', ({ weight }) => weight === 'refused'],
  ['Not known, and unknown is not fine', ({ weight }) => weight === 'unknown'],
  ['To mind', ({ weight, code }) => weight === 'note' && LIMITS.has(code)],
  ['What it rests on', ({ weight, code }) => weight === 'note' && !LIMITS.has(code)],
];

function Answer({
  plan,
  reply,
  isOld,
  onTake,
}: {
  plan: LiftPlan;
  reply: LiftReply;
  isOld: boolean;
  onTake: (plan: LiftPlan) => void;
}) {
  const { system } = useReader();
  return (
    <section aria-label="Answer" className={isOld ? 'opacity-60' : ''}>
      <p
        className={`border-2 border-l-[14px] bg-sheet px-4 py-2 text-3xl font-bold ${ANSWER_LOOK[reply.answer]}`}
      >
        <span className="bg-sheet px-1">{reply.answer}</span>
      </p>
      <p className="caption mt-1">
        What the record shows, for {LIFT_WAY_WORDS[plan.way]}
        {plan.unloaded ? ', unloaded' : ', loaded as listed'}; the person who lifts decides.
      </p>
      {GROUPS.map(([words, isOf]) => (
        <Reasons key={words} words={words} reasons={reply.reasons.filter(isOf)} />
      ))}
      {reply.better.length > 0 && (
        <div className="mt-3">
          <h3 className="font-semibold">These places pass the same tests</h3>
          <div className="flex flex-wrap gap-1.5">
            {reply.better.map((better, k) => (
              <button key={k} type="button" className="plain" onClick={() => onTake(better.plan)}>
                {[
                  ...new Set(
                    better.plan.points.map((point) => lengthDigits(point.stationMm, system, 'length')),
                  ),
                ].join(' and ')}{' '}
                {system}: {percent(better.utilisation)}
                {better.unknowns > 0 && `, ${better.unknowns} unknown`}
              </button>
            ))}
          </div>
        </div>
      )}
      {reply.instead.length > 0 && reply.answer !== 'Lift here' && (
        <p className="mt-3">
          <span className="font-semibold">Instead:</span>{' '}
          {reply.instead.map((each) => INSTEAD_WORDS[each]).join('; ')}.
        </p>
      )}
      <h3 className="mt-3 font-semibold">In this order</h3>
      <ol className="list-decimal pl-6">
        {reply.steps.map((step, k) => (
          <li key={k}>{stepWords(step, system)}</li>
        ))}
      </ol>
      <Reactions plan={plan} reply={reply} />
    </section>
  );
}

function Reasons({ words, reasons }: { words: string; reasons: readonly LiftReason[] }) {
  const { file } = useRecords();
  const { system } = useReader();
  const [all, setAll] = useState(false);
  if (reasons.length === 0) return null;
  const shown = all ? reasons : reasons.slice(0, 6);
  return (
    <section className="mt-2" aria-label={words}>
      <h3 className="font-semibold">
        {words}: {reasons.length}
      </h3>
      <ul className="ruled border-y border-rule">
        {shown.map((reason, k) => (
          <li key={k} className="py-0.5">
            <span className="font-semibold">
              {reason.pointId ? `${reason.pointId}: ` : ''}
              {reason.memberId ? `${memberOf(file.frame, reason.memberId)?.name ?? reason.memberId}, ` : ''}
            </span>
            {liftReasonWords(
              { ...reason, member: reason.memberId ? memberOf(file.frame, reason.memberId) : undefined },
              system,
            )}
          </li>
        ))}
      </ul>
      {reasons.length > shown.length && (
        <button type="button" className="hit underline" onClick={() => setAll(true)}>
          all {reasons.length}
        </button>
      )}
    </section>
  );
}

function Reactions({ plan, reply }: { plan: LiftPlan; reply: LiftReply }) {
  const { system } = useReader();
  if (reply.facts.supports.length === 0) return null;
  const ratedWords = (stand: Stand) => {
    const point = stand.on === 'pad' && plan.points.find(({ id }) => id === stand.pointId);
    if (!point || point.ratingN === undefined) return '';
    return `${ratingDigits(point.ratingN, system)} ${system === 'in' ? 'lb' : 'kg'}`;
  };
  return (
    <details className="mt-2">
      <summary className="hit flex items-center font-semibold">What each point carries</summary>
      <table className="w-full text-[15px]">
        <thead>
          <tr className="caption text-left">
            <th scope="col" className="font-normal">
              point
            </th>
            <th scope="col" className="font-normal">
              carries
            </th>
            <th scope="col" className="font-normal">
              rated
            </th>
            <th scope="col" className="font-normal">
              pushed sideways
            </th>
          </tr>
        </thead>
        <tbody className="ruled">
          {reply.facts.supports.map(({ stand, upN, sideN }) => (
            <tr key={standName(stand)}>
              <td className="py-1">{stand.on === 'tyre' ? `wheel ${stand.side}` : standName(stand)}</td>
              <td className="font-semibold">{printMass(upN / STANDARD_GRAVITY, system)}</td>
              <td>{ratedWords(stand)}</td>
              <td>{printMass(sideN / STANDARD_GRAVITY, system)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

/** Answers given before; one on older evidence says so. */
function Kept({ answers, basis }: { answers: readonly LiftRecord[]; basis: string }) {
  const { system } = useReader();
  if (answers.length === 0) return null;
  return (
    <section className="mt-4 border-t border-rule pt-2" aria-label="Asked before">
      <h3 className="font-semibold">Asked before: {answers.length}</h3>
      <ul className="ruled">
        {[...answers]
          .reverse()
          .slice(0, 8)
          .map((each) => (
            <li key={each.id} className="py-1">
              <span className={each.basis === basis ? 'font-bold' : 'text-soft line-through'}>
                {each.answer}
              </span>{' '}
              <span>
                {LIFT_WAY_WORDS[each.plan.way]}
                {each.plan.points.length > 0 &&
                  ` at ${[...new Set(each.plan.points.map((point) => printLength(point.stationMm, system, 'length')))].join(', ')}`}
              </span>{' '}
              <span className="caption">
                {each.by}, <When at={each.at} />;{' '}
                {each.reasons.filter((reason) => reason.weight === 'refused').length} against,{' '}
                {each.reasons.filter((reason) => reason.weight === 'unknown').length} unknown
                {each.basis !== basis && '; evidence has changed since, ask again'}
              </span>
            </li>
          ))}
      </ul>
    </section>
  );
}
