'use client';

import { Link } from '@/app/_parts/link';
import type { JobOrder } from '@/core/job';
import { isOver, shutBefore, type TaskProgress } from '@/core/order';
import { GATE_OPENERS, GATE_WORDS, lackWords, REASON_WORDS, taskWords } from '../../../../_words/order';
import { useReader, useRecords } from '../../../_desk';

/** What a task waits for and why, and the gates that are shut before it, with who opens them. */
export function WhyHere({ at, order }: { at: TaskProgress; order: JobOrder }) {
  const { file } = useRecords();
  const { system } = useReader();
  const { task } = at;
  const byId = new Map(order.progress.map((each) => [each.task.id, each]));
  const waits = order.plan.edges
    .filter(({ after }) => after === task.id)
    .flatMap(({ before, why }) => {
      const other = byId.get(before);
      return other ? [{ other, why }] : [];
    });
  const open = waits.filter(({ other }) => !isOver(other.state));
  const behind = order.plan.edges.filter(({ before }) => before === task.id).length;
  const shut = shutBefore(order.gates, task.id);
  return (
    <div className="letters-16">
      {shut.map((gate) => (
        <p key={`${gate.gate} ${gate.of}`} className="border-l-[6px] border-oxide pl-3 font-semibold">
          {GATE_WORDS[gate.gate]}: shut. {gate.lacks.map((lack) => lackWords(lack, system)).join('; ')}.{' '}
          <span className="font-normal">Opens: {GATE_OPENERS[gate.gate]}. </span>
          <Link className="underline" href={`/jobs/${file.job.id}/order?part=gates`}>
            Gates
          </Link>
        </p>
      ))}
      {at.aheadOf.length > 0 && (
        <p className="font-semibold text-oxide">
          Done before {at.aheadOf.map((id) => lower(byId.get(id))).join('; ')}.
        </p>
      )}
      {at.isChangedSince && (
        <p className="font-semibold text-oxide">
          What it is of was changed in Shape after it was done: look whether it still holds, or open it again.
        </p>
      )}
      {at.isUndone && <Cracked task={task} />}
      {at.timesDone > 1 && <p>Said done {at.timesDone} times: it counts once.</p>}
      {open.length > 0 && (
        <ul aria-label="What it waits for" className="list-disc pl-5">
          {open.map(({ other, why }) => (
            <li key={`${other.task.id} ${why}`}>
              after <b>{lower(other)}</b>: {REASON_WORDS[why]}
            </li>
          ))}
        </ul>
      )}
      <p className="caption">
        {waits.length === 0
          ? 'It waits for nothing.'
          : open.length === 0
            ? `All ${waits.length} before it are done.`
            : `${waits.length - open.length} of ${waits.length} before it are done.`}{' '}
        {behind > 0 && `${behind} ${behind === 1 ? 'waits' : 'wait'} for it.`}
      </p>
    </div>
  );
}

/** A weld that cracked is open again, and only its log answers that. */
function Cracked({ task }: Pick<TaskProgress, 'task'>) {
  const { file } = useRecords();
  return (
    <p className="font-semibold text-oxide">
      A weld of it cracked. It is open until the weld’s log says that it was ground out and welded again
      {task.what.startsWith('look') && ', and looked at'}:{' '}
      <Link className="underline" href={`/jobs/${file.job.id}/join?member=${task.memberId ?? ''}`}>
        Join
      </Link>
    </p>
  );
}

const lower = (at: TaskProgress | undefined): string => {
  const words = at ? taskWords(at.task) : 'a task that is gone';
  return words.charAt(0).toLowerCase() + words.slice(1);
};
