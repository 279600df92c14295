'use client';

import type { JobOrder } from '@/core/job';
import { isOver, phaseOf, shutBefore, type TaskProgress } from '@/core/order';
import { PHASE_WORDS, taskWords } from '../../../../_words/order';
import { laneColumns } from './lane-layout';

const LANE = 30;
const TOP = 34;
const LEFT = 46;
const WIDE = 1000;

/**
 * The plan as one drawing: a lane for the whole unit and one for each zone, stages from left to right, a mark for each task: filled where it is done,
 * yellow where it may begin, barred where a gate is shut. The list below says the same to who cannot see it.
 */
export function Lanes({
  order: { plan, progress, gates },
  chosen,
  onChoose,
}: {
  order: JobOrder;
  chosen: string | undefined;
  onChoose: (taskId: string) => void;
}) {
  const lanes = [undefined, ...plan.zones.map(({ id }) => id)];
  const { columns, step } = laneColumns(progress, { left: LEFT, wide: WIDE });
  const tall = TOP + lanes.length * LANE + 4;
  return (
    <div className="my-2 overflow-x-auto" aria-hidden>
      <svg viewBox={`0 0 ${WIDE} ${tall}`} className="block w-full min-w-[720px]" style={{ maxHeight: 260 }}>
        {columns.map(
          ({ phase, from, to }, k) =>
            k % 2 === 0 && (
              <rect key={phase} x={from} y={0} width={to - from} height={tall} fill="var(--sheet)" />
            ),
        )}
        {/* Names last: a narrow stage's runs on over the next one. */}
        {columns.map(({ phase, from, to }, k) => (
          <StageName key={phase} words={PHASE_WORDS[phase]} from={from} wide={to - from} low={k % 2 === 1} />
        ))}
        {lanes.map((zone, k) => {
          const y = TOP + k * LANE + LANE / 2;
          return (
            <g key={zone ?? 'unit'}>
              <line x1={LEFT} x2={WIDE} y1={y} y2={y} stroke="var(--rule)" />
              <text x={2} y={y + 5} fontSize={15} fontWeight={700} fill="var(--ink)">
                {zone ?? 'unit'}
              </text>
              {columns.map(({ phase, from }) =>
                progress
                  .filter(({ task }) => task.zoneId === zone && phaseOf(task) === phase)
                  .map((at, n) => (
                    <TaskMark
                      key={at.task.id}
                      at={at}
                      x={from + (n + 0.55) * step}
                      y={y}
                      size={Math.min(18, step * 0.72)}
                      isShut={shutBefore(gates, at.task.id).length > 0}
                      isChosen={chosen === at.task.id}
                      onChoose={onChoose}
                    />
                  )),
              )}
            </g>
          );
        })}
      </svg>
    </div>
  );
}

function StageName({ words, from, wide, low }: { words: string; from: number; wide: number; low: boolean }) {
  // Narrow stages' names would run into each other: every second one stands lower.
  return (
    <text x={from + 3} y={low ? 27 : 13} fontSize={12} fill="var(--soft)">
      {wide < 34 ? words.slice(0, Math.max(3, Math.floor(wide / 6))) : words}
    </text>
  );
}

function TaskMark({
  at: { task, state, isNext },
  x,
  y,
  size,
  isShut,
  isChosen,
  onChoose,
}: {
  at: TaskProgress;
  x: number;
  y: number;
  size: number;
  isShut: boolean;
  isChosen: boolean;
  onChoose: (taskId: string) => void;
}) {
  const done = isOver(state);
  const fill = done ? 'var(--slate)' : isShut ? 'var(--paper)' : isNext ? 'var(--here)' : 'var(--paper)';
  return (
    <g onClick={() => onChoose(task.id)} style={{ cursor: 'pointer' }}>
      <title>{taskWords(task)}</title>
      <rect
        x={x - size / 2}
        y={y - 11}
        width={size}
        height={22}
        fill={fill}
        stroke={isShut && !done ? 'var(--oxide)' : 'var(--ink)'}
        strokeWidth={isChosen ? 3 : 1.2}
        strokeDasharray={state === 'not needed' ? '3 2' : undefined}
      />
      {isShut && !done && (
        <line
          x1={x - size / 2}
          x2={x + size / 2}
          y1={y + 11}
          y2={y - 11}
          stroke="var(--oxide)"
          strokeWidth={2}
        />
      )}
      {state === 'started' && <circle cx={x} cy={y} r={3.5} fill="var(--ink)" />}
    </g>
  );
}
