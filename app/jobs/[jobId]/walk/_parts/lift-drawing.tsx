'use client';

import { axlesOf } from '@/core/frame';
import type { LiftReply } from '@/core/job';
import { lengthDigits, printMass, STANDARD_GRAVITY } from '@/core/quantity';
import { takesPoints, type LiftPlan } from '@/core/walk';
import { useReader, useRecords } from '../../../_desk';

const [W, H, LEFT_Y, RIGHT_Y] = [720, 150, 48, 104];
const LABEL_BELOW = { left: -30, centre: 5, right: 42 } as const;
const POINT_Y = { left: LEFT_Y, centre: (LEFT_Y + RIGHT_Y) / 2, right: RIGHT_Y } as const;

/** The frame lying on its side in plan, front left: rails, axles, and each point with what it carries and what is against it. */
export function LiftDrawing({ plan, reply }: { plan: LiftPlan; reply: LiftReply | undefined }) {
  const { file } = useRecords();
  const { system } = useReader();
  const x = (mm: number) => 40 + (mm / file.frame.lengthMm) * (W - 80);
  const state = (id: string) => {
    const own = reply?.reasons.filter((reason) => reason.pointId === id) ?? [];
    return own.some((reason) => reason.weight === 'refused')
      ? 'refused'
      : own.some((reason) => reason.weight === 'unknown')
        ? 'unknown'
        : reply
          ? 'clear'
          : 'asked';
  };
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="mb-2 w-full border-y border-rule bg-sheet"
      role="img"
      aria-label={`Points: ${plan.points.map((point) => `${point.id} ${state(point.id)}`).join(', ') || 'none'}`}
    >
      <text
        x="8"
        y={H / 2 + 4}
        fontSize="13"
        fill="var(--soft)"
        transform={`rotate(-90 8 ${H / 2 + 4})`}
        textAnchor="middle"
      >
        front
      </text>
      {[LEFT_Y, RIGHT_Y].map((y, k) => (
        <g key={y}>
          <rect
            x={40}
            y={y - 4}
            width={W - 80}
            height="8"
            fill="var(--well)"
            stroke="var(--ink)"
            strokeWidth="1.2"
          />
          <text x={W - 34} y={y + 4} fontSize="12" fill="var(--soft)">
            {k === 0 ? 'left' : 'right'}
          </text>
        </g>
      ))}
      {axlesOf(file.frame).map((axle) => (
        <g key={axle.id}>
          <line
            x1={x(axle.stationMm)}
            x2={x(axle.stationMm)}
            y1={LEFT_Y - 16}
            y2={RIGHT_Y + 16}
            stroke="var(--edge)"
            strokeWidth="3"
          />
          {(['left', 'right'] as const).map((side) => (
            <rect
              key={side}
              x={x(axle.stationMm) - 11}
              y={side === 'left' ? LEFT_Y - 25 : RIGHT_Y + 15}
              width="22"
              height="10"
              fill={
                !takesPoints(plan.way) || plan.wheelsDown.includes(`${axle.id} ${side}`)
                  ? 'var(--ink)'
                  : 'none'
              }
              stroke="var(--ink)"
            />
          ))}
        </g>
      ))}
      {plan.points.map((point) => {
        const [px, py] = [x(point.stationMm), POINT_Y[point.side]];
        const [is, carries] = [
          state(point.id),
          reply?.facts.supports.find(({ stand }) => stand.on === 'pad' && stand.pointId === point.id),
        ];
        return (
          <g key={point.id}>
            <circle
              cx={px}
              cy={py}
              r="11"
              fill={is === 'clear' ? 'var(--good)' : is === 'refused' ? 'var(--oxide)' : 'var(--sheet)'}
              stroke="var(--ink)"
              strokeWidth="2"
              strokeDasharray={is === 'unknown' ? '3 2' : undefined}
            />
            <text
              x={px}
              y={py + 5}
              textAnchor="middle"
              fontSize="14"
              fontWeight="700"
              fill={is === 'unknown' || is === 'asked' ? 'var(--ink)' : 'var(--paper)'}
            >
              {is === 'clear' ? '✓' : is === 'refused' ? '×' : '?'}
            </text>
            <text
              x={point.side === 'centre' ? px + 17 : px}
              y={py + LABEL_BELOW[point.side]}
              textAnchor={point.side === 'centre' ? 'start' : 'middle'}
              fontSize="13"
              fill="var(--ink)"
            >
              {carries
                ? printMass(carries.upN / STANDARD_GRAVITY, system)
                : lengthDigits(point.stationMm, system, 'length')}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
