'use client';

import { standName, type Stand } from '@/core/frame';
import { useState } from 'react';
import { memberOf } from '@/core/frame';
import { type LiftReply } from '@/core/job';
import { lengthDigits, percent, printMass, STANDARD_GRAVITY } from '@/core/quantity';
import { type LiftAnswer, type LiftPlan, type LiftReason } from '@/core/walk';
import {
  INSTEAD_WORDS,
  LIFT_WAY_WORDS,
  liftReasonWords,
  ratingDigits,
  stepWords,
} from '../../../../_words/walk';
import { useReader, useRecords } from '../../../_desk';

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

export function Answer({
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
      <table className="w-full letters-15">
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
