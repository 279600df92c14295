'use client';

import { useMemo, useState } from 'react';
import { type LiftReply, liftBasis, stands } from '@/core/job';
import { lengthDigits, printLength } from '@/core/quantity';
import { type LiftPlan, type LiftRecord } from '@/core/walk';
import { When } from '@/ui/controls';
import { CAUTIONS } from '../../../../_words/cautions';
import { LIFT_WAY_WORDS } from '../../../../_words/walk';
import { useDraft } from '../../../../_parts/remembered';
import { useReader, useRecords, useWork, useStamp } from '../../../_desk';
import { LiftDrawing } from './lift-drawing';
import { formIn, liftFormSchema, readLift, usualForm, type LiftForm } from './lift-form';
import { LiftFormFields } from './lift-fields';
import { Answer } from './lift-answer';

/** How it is to be raised, as it is typed; asked of the model, and the answer kept with what it rests on. */
function useLift() {
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
  const ask = async (of: LiftForm) => {
    const plan = readLift(of);
    if (!plan.ok) return setProblem(plan.reason);
    setProblem(undefined);
    setBusy(true);
    try {
      const reply = await askLift(plan.value);
      setAsked({ plan: plan.value, reply, basis });
      const { answer, reasons } = reply;
      const kept = { plan: plan.value, answer, reasons: [...reasons].slice(0, 400), basis, note: '' };
      keep({ kind: 'lift', ...stamp(), ...kept });
    } catch (error) {
      const why = error instanceof Error ? error.message : 'unknown';
      setProblem(`It could not be worked out: ${why}. Nothing was answered.`);
    } finally {
      setBusy(false);
    }
  };
  /** Takes points that were offered instead, and asks with them. */
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
  return { form, setForm: setDraft, asked, busy, problem, basis, ask, take };
}
type Lift = ReturnType<typeof useLift>;

/** May it be raised so? The answer is worked out on the sections found, kept, and asked again when evidence changes. */
export function LiftPart() {
  const lift = useLift();
  const { form, setForm, busy, problem, ask } = lift;
  return (
    <div className="grid gap-x-7 gap-y-4 xl:grid-cols-[360px_minmax(0,1fr)]">
      <div className="min-w-0">
        <LiftFormFields form={form} onChange={setForm} />
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
      <Answered lift={lift} />
    </div>
  );
}

/** Notices that stand, the points drawn, the answer; and those given before. */
function Answered({ lift: { form, asked, basis, take } }: { lift: Lift }) {
  const { file } = useRecords();
  const read = readLift(form);
  const isOld = asked !== undefined && asked.basis !== basis;
  return (
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
      {isOld && (
        <p role="status" className="mb-2 bg-here px-3 py-2 font-bold text-on-here">
          Evidence has changed since this was answered. Ask again.
        </p>
      )}
      {read.ok && <LiftDrawing plan={asked?.plan ?? read.value} reply={asked?.reply} />}
      {asked ? (
        <Answer {...asked} isOld={isOld} onTake={take} />
      ) : (
        <p className="text-lg">
          Say how and where it is to be raised, then ask. What nobody saw counts as unknown.
        </p>
      )}
      <Kept answers={stands(file, 'lift')} basis={basis} />
    </div>
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
