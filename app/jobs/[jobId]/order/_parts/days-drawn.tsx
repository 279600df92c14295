'use client';

import type { DatedJob } from '@/core/order';
import { dayWords } from '../../../../_words/dates';

const ROW = 17;
const LEFT = 300;
const WIDE = 1000;

type Task = DatedJob['tasks'][number];

/** The days that tasks fall on, and where an hour of work stands in the drawing. */
function daysUnder(tasks: readonly Task[], hoursADay: number) {
  const first = Math.floor(Math.min(...tasks.map(({ fromH }) => fromH)) / hoursADay);
  const last = Math.ceil(Math.max(...tasks.map(({ toH }) => toH)) / hoursADay);
  const count = Math.max(1, last - first);
  return {
    first,
    count,
    x: (hour: number) => LEFT + ((hour / hoursADay - first) / count) * (WIDE - LEFT),
  };
}

function TaskBar({ task, row, x }: { task: Task; row: number; x: (hour: number) => number }) {
  const y = 22 + row * ROW;
  const { title, fromH, toH } = task;
  return (
    <g>
      {row % 2 === 0 && <rect x={0} y={y - 1} width={WIDE} height={ROW} fill="var(--sheet)" />}
      <text x={2} y={y + 11} fontSize={12} fill="var(--ink)">
        {title.length > 46 ? `${title.slice(0, 45)}…` : title}
      </text>
      <rect
        x={x(fromH)}
        y={y + 2}
        width={Math.max(2, x(toH) - x(fromH))}
        height={ROW - 6}
        fill={task.isCritical ? 'var(--ink)' : 'var(--slate)'}
      />
      <text x={Math.min(WIDE - 60, x(toH) + 4)} y={y + 11} fontSize={11} fill="var(--soft)">
        {task.who.join(', ')}
      </text>
    </g>
  );
}

/** The tasks against the days they fall on, one row each; the list of tasks says the same. */
export function DaysDrawn({
  dated,
  hoursADay,
  days,
}: {
  dated: DatedJob;
  hoursADay: number;
  days: readonly string[];
}) {
  const shown = dated.tasks.filter(({ fromH, toH }) => toH > fromH);
  const { first, count, x } = daysUnder(shown, hoursADay);
  const tall = 24 + shown.length * ROW;
  // Labels of days stand at least this far apart.
  const every = Math.max(1, Math.ceil((count * 62) / (WIDE - LEFT)));
  return (
    <figure className="my-2 overflow-x-auto">
      <svg
        viewBox={`0 0 ${WIDE} ${tall}`}
        className="block w-full min-w-[680px]"
        role="img"
        aria-label={`From ${dayWords(dated.fromDay)} to ${dayWords(dated.toDay)}`}
      >
        {Array.from({ length: count + 1 }, (_, k) => (
          <g key={k}>
            <line
              x1={x((first + k) * hoursADay)}
              x2={x((first + k) * hoursADay)}
              y1={18}
              y2={tall}
              stroke="var(--rule)"
            />
            {k < count && k % every === 0 && (
              <text x={x((first + k) * hoursADay) + 3} y={13} fontSize={12} fill="var(--soft)">
                {dayWords(days[first + k] ?? '').slice(0, -5)}
              </text>
            )}
          </g>
        ))}
        {shown.map((task, k) => (
          <TaskBar key={task.id} task={task} row={k} x={x} />
        ))}
      </svg>
      <figcaption className="caption">
        Foreseen in the middle of its ranges; who is free first. Black: an hour more of it is an hour later
        for all.
      </figcaption>
    </figure>
  );
}
