'use client';

import { useState } from 'react';
import type { JobOrder } from '@/core/job';
import { shutBefore, type TaskProgress } from '@/core/order';
import { Entry } from '@/ui/controls';
import { PhotoButton, useReader } from '../../../_desk';
import { useTasks } from './use-tasks';

/** A removal is told where it lies: its own form, not a tick. */
const TOLD_ELSEWHERE: ReadonlySet<string> = new Set(['take off', 'take off load']);

/** Begin, stop, done, done without, open again; what is shut cannot be begun, and says so where it is shown. */
export function TaskActs({
  at,
  order,
  large = false,
  onRemoval,
}: {
  at: TaskProgress;
  order: JobOrder;
  large?: boolean;
  onRemoval?: () => void;
}) {
  const say = useTasks();
  const { by } = useReader();
  const [why, setWhy] = useState<string>();
  const { task, state, running, isNext } = at;
  const isShut = shutBefore(order.gates, task.id).length > 0;
  const isOpen = state === 'open' || state === 'started';
  const me = by.trim() || 'unnamed';
  const size = large ? 'text-2xl py-4 grow' : '';
  if (why !== undefined)
    return (
      <form
        aria-label="Why it is not needed"
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (why.trim() === '') return;
          say(task, 'not needed', why.trim());
          setWhy(undefined);
        }}
      >
        <Entry
          label="why it is done without"
          className="min-w-60 grow"
          maxLength={300}
          value={why}
          onChange={(event) => setWhy(event.target.value)}
        />
        <button type="submit" className="solid" disabled={why.trim() === ''}>
          Not needed
        </button>
        <button type="button" className="plain" onClick={() => setWhy(undefined)}>
          Leave it
        </button>
      </form>
    );
  return (
    <div className="flex flex-wrap items-center gap-2">
      {isOpen && !running.includes(me) && (
        <button
          type="button"
          className={`plain ${size}`}
          disabled={isShut || !isNext}
          onClick={() => say(task, 'started')}
        >
          Begin
        </button>
      )}
      {isOpen && running.includes(me) && (
        <button type="button" className={`plain ${size}`} onClick={() => say(task, 'stopped')}>
          Stop
        </button>
      )}
      {isOpen && TOLD_ELSEWHERE.has(task.what) && (
        <button type="button" className={`solid ${size}`} disabled={isShut || !isNext} onClick={onRemoval}>
          It is off: where it lies
        </button>
      )}
      {isOpen && !TOLD_ELSEWHERE.has(task.what) && (
        <button
          type="button"
          className={`solid ${size}`}
          disabled={isShut || !isNext}
          onClick={() => say(task, 'done')}
        >
          Done
        </button>
      )}
      {isOpen && (
        <button type="button" className="hit px-2 underline" onClick={() => setWhy('')}>
          not needed
        </button>
      )}
      {!isOpen && (
        <button type="button" className="plain" onClick={() => say(task, 'again')}>
          Open it again
        </button>
      )}
      <PhotoButton
        caption={task.of.name}
        moment={
          task.what === 'photos before' ? 'before' : task.what === 'photos after' ? 'after' : 'as it is'
        }
        label="Photo"
        {...(task.memberId !== undefined && { memberId: task.memberId })}
        {...(task.stationMm !== undefined && { stationMm: task.stationMm })}
        spotId={`task ${task.id}`.slice(0, 120)}
      />
    </div>
  );
}
