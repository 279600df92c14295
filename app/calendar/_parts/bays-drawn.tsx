'use client';

import { useDrag } from '@use-gesture/react';
import { useState, type KeyboardEvent } from 'react';
import type { DatedJob } from '@/core/order';
import type { ShopWeek } from '@/core/reference';
import type { PlannedJob } from '@/data';
import { today } from '@/ui/controls';
import { dayWords } from '../../_words/dates';
import { movedBay, movedDay, type GoodDates, type Move } from './moved';

const LEFT = 92;
const WIDE = 1180;
const ROW = 58;
const TOP = 40;
/** Days in sight: at least three weeks of work. */
const LEAST_DAYS = 15;

/** The working days drawn, how wide one is, and where a day begins. */
function daysInSight({ jobs, days }: GoodDates) {
  const last = jobs.reduce(
    (latest, job) => (job.days.at(-1)!.day > latest ? job.days.at(-1)!.day : latest),
    '',
  );
  const count = Math.max(LEAST_DAYS, days.findIndex((day) => day >= last) + 2);
  const shown = days.slice(0, count);
  const step = (WIDE - LEFT) / shown.length;
  const index = (day: string) => shown.findIndex((each) => each >= day);
  return { shown, step, x: (day: string) => LEFT + Math.max(0, index(day)) * step };
}

/** Bays as rows, working days as columns, a bar for each job's stay: dragged, or moved with the arrow keys. Its paler end is what the draws may add. */
export function BaysDrawn({
  jobs,
  dates,
  bays,
  week,
  onMove,
}: {
  jobs: readonly PlannedJob[];
  dates: GoodDates;
  bays: readonly string[];
  week: ShopWeek;
  onMove: Move;
}) {
  const rows = [...bays, ...(dates.jobs.some(({ bay }) => bay === undefined) ? ['away'] : [])];
  const { shown, step, x } = daysInSight(dates);
  const tall = TOP + rows.length * ROW + 4;
  return (
    <div className="overflow-x-auto">
      <svg
        viewBox={`0 0 ${WIDE} ${tall}`}
        className="block w-full min-w-[760px] touch-pan-y"
        role="group"
        aria-label="Bays and days: a job is moved with the arrow keys"
      >
        <Days shown={shown} step={step} tall={tall} />
        <Rows rows={rows} />
        {dates.jobs.map((dated) => {
          const job = jobs.find(({ id }) => id === dated.id);
          const row = Math.max(0, rows.indexOf(dated.bay ?? 'away'));
          return (
            job && (
              <Bar
                key={dated.id}
                job={job}
                dated={dated}
                at={{ x: x(dated.fromDay), y: TOP + row * ROW + 8 }}
                wide={x(dated.toDay) - x(dated.fromDay) + step}
                sureWide={x(dated.promised.on) - x(dated.fromDay) + step}
                step={step}
                onShift={(byDays, byRows) =>
                  onMove(job, {
                    startOn: movedDay(dated.fromDay, byDays, week, today()),
                    bay: byRows === 0 ? (job.slot?.bay ?? dated.bay) : movedBay(dated.bay, byRows, bays),
                  })
                }
              />
            )
          );
        })}
      </svg>
    </div>
  );
}

/** A line at the start of each day, heavier on Mondays; its date where there is room. */
function Days({ shown, step, tall }: { shown: readonly string[]; step: number; tall: number }) {
  const every = Math.max(1, Math.ceil(72 / step));
  return shown.map((day, k) => (
    <g key={day}>
      <line
        x1={LEFT + k * step}
        x2={LEFT + k * step}
        y1={TOP - 14}
        y2={tall}
        stroke="var(--rule)"
        strokeWidth={isMonday(day) ? 2 : 1}
      />
      {k % every === 0 && (
        <text x={LEFT + k * step + 3} y={TOP - 20} fontSize={13} fill="var(--soft)">
          {dayWords(day).slice(0, -5)}
        </text>
      )}
    </g>
  ));
}

const Rows = ({ rows }: { rows: readonly string[] }) =>
  rows.map((row, k) => (
    <g key={row}>
      <line x1={0} x2={WIDE} y1={TOP + k * ROW} y2={TOP + k * ROW} stroke="var(--edge)" />
      <text x={2} y={TOP + k * ROW + 34} fontSize={16} fontWeight={700} fill="var(--ink)">
        {row}
      </text>
    </g>
  ));

const isMonday = (day: string): boolean => new Date(`${day}T00:00:00Z`).getUTCDay() === 1;

const KEYS: Readonly<Record<string, readonly [days: number, rows: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
  PageUp: [-5, 0],
  PageDown: [5, 0],
};

type Shift = (byDays: number, byRows: number) => void;

/** A bar that is pulled: how far it lies off its place meanwhile, told in days and rows once it is let go. */
function usePull(step: number, onShift: Shift) {
  const [pulled, setPulled] = useState<readonly [number, number]>([0, 0]);
  const bind = useDrag(
    ({ movement: [mx, my], last, currentTarget, tap }) => {
      const svg = (currentTarget as SVGGElement).ownerSVGElement!;
      const scale = WIDE / svg.getBoundingClientRect().width;
      const shift = [Math.round((mx * scale) / step), Math.round((my * scale) / ROW)] as const;
      if (!last) return setPulled([mx * scale, my * scale]);
      setPulled([0, 0]);
      if (!tap && (shift[0] !== 0 || shift[1] !== 0)) onShift(...shift);
    },
    { filterTaps: true },
  );
  return { pulled, bind };
}

function Bar({
  job,
  dated,
  at,
  wide,
  sureWide,
  step,
  onShift,
}: {
  job: PlannedJob;
  dated: DatedJob;
  at: { readonly x: number; readonly y: number };
  wide: number;
  sureWide: number;
  step: number;
  onShift: Shift;
}) {
  const { pulled, bind } = usePull(step, onShift);
  const onKey = (event: KeyboardEvent) => {
    const shift = KEYS[event.key];
    if (!shift) return;
    event.preventDefault();
    onShift(...shift);
  };
  const name = `${job.tag}, ${dayWords(dated.fromDay)} to ${dayWords(dated.toDay)}${dated.bay ? `, ${dated.bay}` : ''}`;
  return (
    <g
      {...bind()}
      tabIndex={0}
      role="button"
      aria-label={name}
      onKeyDown={onKey}
      transform={`translate(${at.x + pulled[0]} ${at.y + pulled[1]})`}
      style={{ cursor: 'grab', touchAction: 'none' }}
    >
      <rect
        width={Math.max(wide, sureWide)}
        height={ROW - 16}
        fill="var(--well)"
        stroke="var(--edge)"
        strokeDasharray="4 3"
      />
      <rect width={Math.max(6, wide)} height={ROW - 16} fill="var(--slate)" />
      <text x={6} y={19} fontSize={16} fontWeight={700} fill="var(--paper)">
        {job.tag}
      </text>
      <text x={6} y={36} fontSize={12} fill="var(--paper)">
        {wide > 150 ? job.title.slice(0, Math.floor(wide / 6.5)) : ''}
      </text>
    </g>
  );
}
