'use client';

import { useState } from 'react';
import { z } from 'zod';
import type { JobOrder } from '@/core/job';
import { shutBefore, type Task, type TaskProgress } from '@/core/order';
import type { Photo } from '@/core/walk';
import { Settling, TypedEntry, TypedForm, useTypedForm } from '@/ui/controls';
import { PhotoButton, useReader } from '../../../_desk';
import { useTasks } from './use-tasks';

/** A removal is told where it lies: its own form, not a tick. */
const TOLD_ELSEWHERE: ReadonlySet<string> = new Set(['take off', 'take off load']);

interface ActsProps {
  readonly at: TaskProgress;
  readonly order: JobOrder;
  readonly large?: boolean;
  readonly onRemoval?: () => void;
}

/** Begin, stop, done, done without, open again; what is shut cannot be begun, and says so where it is shown. */
export function TaskActs(props: ActsProps) {
  const say = useTasks();
  const [isUnneeded, setUnneeded] = useState(false);
  const { task, state, running } = props.at;
  if (isUnneeded)
    return (
      <WhyNotNeeded
        onSay={(why) => {
          if (why !== undefined) say(task, 'not needed', why);
          setUnneeded(false);
        }}
      />
    );
  return (
    <Settling of={`${task.id} ${state} ${running.join()}`} className="flex flex-wrap items-center gap-2">
      {state === 'open' || state === 'started' ? (
        <>
          <Work {...props} />
          <button type="button" className="hit px-2 underline" onClick={() => setUnneeded(true)}>
            not needed
          </button>
        </>
      ) : (
        <button type="button" className="plain" onClick={() => say(task, 'again')}>
          Open it again
        </button>
      )}
      <TaskPhoto task={task} />
    </Settling>
  );
}

/** Begun or stopped by whoever is here, and done: with its place, where it came off. */
function Work({ at: { task, running, isNext }, order, large = false, onRemoval }: ActsProps) {
  const say = useTasks();
  const { by } = useReader();
  const isHeldBack = shutBefore(order.gates, task.id).length > 0 || !isNext;
  const size = large ? 'text-2xl py-4 grow' : '';
  return (
    <>
      {running.includes(by.trim() || 'unnamed') ? (
        <button type="button" className={`plain ${size}`} onClick={() => say(task, 'stopped')}>
          Stop
        </button>
      ) : (
        <button
          type="button"
          className={`plain ${size}`}
          disabled={isHeldBack}
          onClick={() => say(task, 'started')}
        >
          Begin
        </button>
      )}
      {TOLD_ELSEWHERE.has(task.what) ? (
        <button type="button" className={`solid ${size}`} disabled={isHeldBack} onClick={onRemoval}>
          It is off: where it lies
        </button>
      ) : (
        <button
          type="button"
          className={`solid ${size}`}
          disabled={isHeldBack}
          onClick={() => say(task, 'done')}
        >
          Done
        </button>
      )}
    </>
  );
}

const whyTyped = z.object({ why: z.string().trim().min(1, 'say why it is done without') });

function WhyNotNeeded({ onSay }: { onSay: (why: string | undefined) => void }) {
  const form = useTypedForm(whyTyped, { why: '' });
  return (
    <TypedForm
      form={form}
      onKeep={({ why }) => onSay(why)}
      label="Why it is not needed"
      className="flex flex-wrap items-end gap-2"
    >
      <TypedEntry name="why" label="why it is done without" className="min-fit-60 grow" maxLength={300} />
      <button type="submit" className="solid">
        Not needed
      </button>
      <button type="button" className="plain" onClick={() => onSay(undefined)}>
        Leave it
      </button>
    </TypedForm>
  );
}

const MOMENTS: Readonly<Partial<Record<Task['what'], Photo['moment']>>> = {
  'photos before': 'before',
  'photos after': 'after',
};

const TaskPhoto = ({ task }: { task: Task }) => (
  <PhotoButton
    caption={task.of.name}
    moment={MOMENTS[task.what] ?? 'as it is'}
    label="Photo"
    {...(task.memberId !== undefined && { memberId: task.memberId })}
    {...(task.stationMm !== undefined && { stationMm: task.stationMm })}
    spotId={`task ${task.id}`.slice(0, 120)}
  />
);
