'use client';

import { Link } from '@/app/_parts/link';
import { useState } from 'react';
import type { JobOrder } from '@/core/job';
import { isOver, shutBefore, stageOf, STAGES, type TaskProgress } from '@/core/order';
import { STAGE_WORDS, STATE_WORDS, taskWords, troubleWords } from '../../../../_words/order';
import { useReader, useRecords } from '../../../_desk';
import { Lanes } from './lanes';
import { RemovalForm } from './removal-form';
import { TaskActs } from './task-acts';
import { WhyHere } from './why-here';

/** Every task in its order, lanes above it, what stands in the way first. */
export function PlanPart({ order }: { order: JobOrder }) {
  const { file } = useRecords();
  const { system } = useReader();
  const [open, setOpen] = useState<string>();
  const [all, setAll] = useState(false);
  const { progress, plan, next } = order;
  const left = progress.filter(({ state }) => !isOver(state));
  const shown = all ? progress : left;
  return (
    <section aria-label="Plan" className="mt-1">
      {progress.length === 0 ? (
        <NothingDecided jobId={file.job.id} />
      ) : (
        <h2 className="text-2xl font-semibold">{nextWords(left, next)}</h2>
      )}
      <Troubles troubles={plan.troubles.map((trouble) => troubleWords(trouble, file.frame, system))} />
      {progress.length > 0 && <Lanes order={order} chosen={open} onChoose={setOpen} />}
      {progress.length > left.length && (
        <button type="button" className="plain mt-2" aria-pressed={all} onClick={() => setAll(!all)}>
          {all ? 'Only what is open' : `Show what is done too (${progress.length - left.length})`}
        </button>
      )}
      {STAGES.map((stage) => {
        const here = shown.filter(({ task }) => stageOf(task) === stage);
        if (here.length === 0) return null;
        return (
          <section key={stage} aria-label={STAGE_WORDS[stage]} className="mt-3">
            <h3 className="border-b border-ink text-lg font-semibold">{STAGE_WORDS[stage]}</h3>
            <ol className="ruled">
              {here.map((at) => (
                <Row
                  key={at.task.id}
                  at={at}
                  order={order}
                  isOpen={open === at.task.id}
                  onOpen={() => setOpen(open === at.task.id ? undefined : at.task.id)}
                />
              ))}
            </ol>
          </section>
        );
      })}
    </section>
  );
}

const NothingDecided = ({ jobId }: { jobId: string }) => (
  <p className="max-w-prose text-xl">
    Nothing is decided yet, so there is nothing to put in order. Take proposals over in{' '}
    <Link className="underline" href={`/jobs/${jobId}/shape`}>
      Shape
    </Link>
    ; what is decided there becomes tasks here.
  </p>
);

const nextWords = (left: readonly TaskProgress[], next: readonly TaskProgress[]): string => {
  if (left.length === 0) return 'Everything is done';
  return next[0] ? `Next: ${taskWords(next[0].task)}` : 'Nothing may be begun: a gate is shut';
};

const Troubles = ({ troubles }: { troubles: readonly string[] }) =>
  troubles.length > 0 && (
    <ul aria-label="What stands in the way" className="my-2 border-l-[6px] border-oxide pl-3">
      {troubles.map((words) => (
        <li key={words} className="font-semibold">
          {words}.
        </li>
      ))}
    </ul>
  );

export const hoursWords = ([least, most]: readonly [number, number]): string =>
  most < 1
    ? `${Math.max(5, Math.round((least * 60) / 5) * 5)} to ${Math.max(5, Math.round((most * 60) / 5) * 5)} min`
    : `${tenth(least)} to ${tenth(most)} h`;
const tenth = (hours: number): string => String(Math.round(hours * 10) / 10);

function Row({
  at,
  order,
  isOpen,
  onOpen,
}: {
  at: TaskProgress;
  order: JobOrder;
  isOpen: boolean;
  onOpen: () => void;
}) {
  const { task, state, isNext } = at;
  const number = order.progress.indexOf(at) + 1;
  const isShut = shutBefore(order.gates, task.id).length > 0;
  return (
    <li id={`task-${task.id}`} className="py-0.5">
      <button
        type="button"
        className="hit flex w-full flex-wrap content-center items-baseline gap-x-3 text-left"
        aria-expanded={isOpen}
        onClick={onOpen}
      >
        <span className="w-8 text-right tabular-nums text-soft">{number}</span>
        <span className="w-6 font-bold">{task.zoneId ?? ''}</span>
        <span className={`min-w-0 flex-1 basis-60 ${isNext && !isShut ? 'font-semibold' : ''}`}>
          {taskWords(task)}
        </span>
        <span className="caption w-28">{hoursWords(task.hours)}</span>
        <span className={`w-44 ${isShut && !isOver(state) ? 'font-semibold text-oxide' : ''}`}>
          {standsWords(at, isShut)}
        </span>
      </button>
      {isOpen && <Opened at={at} order={order} />}
    </li>
  );
}

/** How a task stands, in a word or two. */
function standsWords(at: TaskProgress, isShut: boolean): string {
  const { state, running, isNext } = at;
  if (isOver(state))
    return `${STATE_WORDS[state]}${at.by ? `, ${at.by}` : ''}${at.isFromRecords ? ', by its record' : ''}${at.isChangedSince ? '; changed since' : ''}`;
  if (at.isUndone) return `cracked: ${at.task.what.startsWith('look') ? 'look' : 'weld'} again`;
  if (isShut) return 'gate shut';
  if (state === 'started') return `begun${running.length ? `: ${running.join(', ')}` : ', stopped'}`;
  return isNext ? 'may begin' : 'waits';
}

/** Why a task stands where it does, what was worked on it, and what may be done with it. */
function Opened({ at, order }: { at: TaskProgress; order: JobOrder }) {
  const { file } = useRecords();
  const [removal, setRemoval] = useState(false);
  const { task, workedH } = at;
  return (
    <div className="mb-2 ml-10 border-l-2 border-rule pl-3">
      <WhyHere at={at} order={order} />
      {workedH > 0 && <p className="caption">On it so far: {tenth(workedH)} h of hands.</p>}
      {task.memberId !== undefined && (
        <p className="caption">
          <Link
            className="hit inline-flex items-center underline"
            href={`/jobs/${file.job.id}/shape?member=${task.memberId}`}
          >
            See it on the Strip
          </Link>
        </p>
      )}
      {removal ? (
        <RemovalForm task={task} onClose={() => setRemoval(false)} />
      ) : (
        <TaskActs at={at} order={order} onRemoval={() => setRemoval(true)} />
      )}
    </div>
  );
}
