'use client';

import { Link } from '@/app/_parts/link';
import { useState } from 'react';
import type { JobOrder } from '@/core/job';
import { isOver, phaseOf, shutBefore, type TaskProgress } from '@/core/order';
import { PHASE_CAUTIONS, taskWords } from '../../../../../_words/order';
import { DEFERENCE } from '../../../../../_words/cautions';
import { MemberStrip, PhotoPicture, useInSight, useMember, useOrder, useRecords } from '../../../../_desk';
import { stands } from '@/core/job';
import { RemovalForm } from '../../_parts/removal-form';
import { TaskActs } from '../../_parts/task-acts';
import { WhyHere } from '../../_parts/why-here';
import { hoursWords } from '../../_parts/plan-part';

/** The next task, large, with its picture, its caution and its gate. One thumb; kept here where nothing answers. */
export function TaskLane() {
  const { file } = useRecords();
  const { order, problem } = useOrder();
  const [asked, setAsked] = useState<string>();
  const [listed, setListed] = useState(false);
  return (
    <main id="main" className="mx-auto max-w-[860px] px-3 pb-10 pt-3">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h1 className="text-2xl font-semibold">At the truck: {file.unit.tag}</h1>
        <Link className="plain" href={`/jobs/${file.job.id}/order`}>
          Back to the order
        </Link>
      </div>
      {problem !== undefined && !order && (
        <p role="alert" className="mt-3 text-xl font-semibold text-oxide">
          {problem}
        </p>
      )}
      {!order && problem === undefined && <p className="mt-4 text-xl">working…</p>}
      {order && <Now order={order} asked={asked} />}
      {order && (
        <div className="mt-4">
          <button type="button" className="plain" aria-expanded={listed} onClick={() => setListed(!listed)}>
            {listed ? 'Hide the list' : `Another one (${order.next.length} may begin)`}
          </button>
          {listed && (
            <ul className="ruled mt-2" aria-label="Tasks that may begin">
              {order.progress
                .filter(({ state, isNext }) => !isOver(state) && isNext)
                .map((at) => (
                  <li key={at.task.id}>
                    <button
                      type="button"
                      className="hit w-full py-2 text-left text-lg"
                      onClick={() => {
                        setAsked(at.task.id);
                        setListed(false);
                        window.scrollTo(0, 0);
                      }}
                    >
                      {taskWords(at.task)}
                      {shutBefore(order.gates, at.task.id).length > 0 && (
                        <span className="font-semibold text-oxide"> gate shut</span>
                      )}
                    </button>
                  </li>
                ))}
            </ul>
          )}
        </div>
      )}
    </main>
  );
}

/** The one that was asked for while it is open; else what somebody began; else the first that may begin; else what a gate holds. */
export function taskNow(order: JobOrder, asked: string | undefined): TaskProgress | undefined {
  const open = order.progress.filter(({ state }) => !isOver(state));
  return (
    open.find(({ task }) => task.id === asked) ??
    open.find(({ state, running }) => state === 'started' && running.length > 0) ??
    order.next[0] ??
    open.find(({ isNext }) => isNext)
  );
}

function Now({ order, asked }: { order: JobOrder; asked: string | undefined }) {
  const [removing, setRemoving] = useState<string>();
  const at = taskNow(order, asked);
  const done = order.progress.filter(({ state }) => isOver(state)).length;
  if (!at)
    return (
      <p className="mt-4 text-2xl font-semibold">
        {order.progress.length === 0 ? 'Nothing is decided yet: no task.' : 'Everything is done.'}
      </p>
    );
  const { task } = at;
  const caution = PHASE_CAUTIONS[phaseOf(task)];
  return (
    <section aria-label="Next task" className="mt-3">
      <p className="caption" role="status">
        {done} of {order.progress.length} done{task.zoneId && `; zone ${task.zoneId}`};{' '}
        {hoursWords(task.hours)}
        {task.hands === 2 && '; two pairs of hands'}
        {task.needsWelder && '; a welder'}
      </p>
      <h2 className="my-1 text-4xl font-semibold leading-tight">{taskWords(task)}</h2>
      <Where task={task} />
      <WhyHere at={at} order={order} />
      {removing === task.id ? (
        <RemovalForm task={task} onClose={() => setRemoving(undefined)} />
      ) : (
        <div className="mt-3">
          <TaskActs at={at} order={order} large onRemoval={() => setRemoving(task.id)} />
        </div>
      )}
      {caution && (
        <p className="caution mt-4">
          {caution} {DEFERENCE}
        </p>
      )}
    </section>
  );
}

/** Its place on the unrolled wall, and the last photo taken of it. */
function Where({ task }: { task: TaskProgress['task'] }) {
  const { file } = useRecords();
  const { member } = useMember();
  useInSight(task.memberId === member.id ? task.stationMm : undefined);
  const photo = stands(file, 'photo').findLast(({ spotId }) => spotId === `task ${task.id}`.slice(0, 120));
  return (
    <>
      {task.memberId === member.id && <MemberStrip readings={false} height={150} />}
      {task.memberId !== undefined && task.memberId !== member.id && (
        <Link
          className="hit inline-flex items-center underline"
          href={`/jobs/${file.job.id}/order/rail?member=${task.memberId}`}
        >
          Show it on the member
        </Link>
      )}
      {photo && (
        <div className="my-2 max-w-64">
          <PhotoPicture photo={photo} size="thumb" />
        </div>
      )}
    </>
  );
}
