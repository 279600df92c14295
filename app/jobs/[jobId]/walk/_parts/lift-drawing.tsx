'use client';

import { axlesOf, type Fitting } from '@/core/frame';
import type { LiftReply } from '@/core/job';
import { lengthDigits, printMass, STANDARD_GRAVITY } from '@/core/quantity';
import { takesPoints, type LiftPlan } from '@/core/walk';
import { useReader, useRecords } from '../../../_desk';

const [W, H, LEFT_Y, RIGHT_Y] = [720, 150, 48, 104];
const LABEL_BELOW = { left: -30, centre: 5, right: 42 } as const;
const POINT_Y = { left: LEFT_Y, centre: (LEFT_Y + RIGHT_Y) / 2, right: RIGHT_Y } as const;

/** What the answer says of one point; nothing yet where nothing was asked. */
type PointState = 'refused' | 'unknown' | 'clear' | 'asked';
function stateOf(reply: LiftReply | undefined, id: string): PointState {
  if (!reply) return 'asked';
  const weights = reply.reasons.filter(({ pointId }) => pointId === id).map(({ weight }) => weight);
  if (weights.includes('refused')) return 'refused';
  return weights.includes('unknown') ? 'unknown' : 'clear';
}

/** The frame lying on its side in plan, front left: rails, axles, and each point with what it carries and what is against it. */
export function LiftDrawing({ plan, reply }: { plan: LiftPlan; reply: LiftReply | undefined }) {
  const { file } = useRecords();
  const x = (mm: number) => 40 + (mm / file.frame.lengthMm) * (W - 80);
  const said = plan.points.map(({ id }) => `${id} ${stateOf(reply, id)}`).join(', ');
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="mb-2 w-full border-y border-rule bg-sheet"
      role="img"
      aria-label={`Points: ${said || 'none'}`}
    >
      <Rails />
      {axlesOf(file.frame).map((axle) => (
        <AxleDrawn key={axle.id} axle={axle} x={x(axle.stationMm)} plan={plan} />
      ))}
      {plan.points.map((point) => (
        <PointDrawn key={point.id} point={point} x={x(point.stationMm)} reply={reply} />
      ))}
    </svg>
  );
}

const Rails = () => (
  <>
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
  </>
);

/** An axle and its wheels: those that stay down are filled. */
function AxleDrawn({ axle, x, plan }: { axle: Fitting; x: number; plan: LiftPlan }) {
  const isDown = (side: 'left' | 'right') =>
    !takesPoints(plan.way) || plan.wheelsDown.includes(`${axle.id} ${side}`);
  return (
    <g>
      <line x1={x} x2={x} y1={LEFT_Y - 16} y2={RIGHT_Y + 16} stroke="var(--edge)" strokeWidth="3" />
      {(['left', 'right'] as const).map((side) => (
        <rect
          key={side}
          x={x - 11}
          y={side === 'left' ? LEFT_Y - 25 : RIGHT_Y + 15}
          width="22"
          height="10"
          fill={isDown(side) ? 'var(--ink)' : 'none'}
          stroke="var(--ink)"
        />
      ))}
    </g>
  );
}

/** How a point is drawn by what is said of it: its fill, its sign, the sign's colour. Unknown is dashed too: not by colour alone. */
const LOOKS: Readonly<Record<PointState, readonly [fill: string, sign: string, ink: string]>> = {
  clear: ['var(--good)', '✓', 'var(--paper)'],
  refused: ['var(--oxide)', '×', 'var(--paper)'],
  unknown: ['var(--sheet)', '?', 'var(--ink)'],
  asked: ['var(--sheet)', '?', 'var(--ink)'],
};

function PointDrawn({
  point: { id, side, stationMm },
  x,
  reply,
}: {
  point: LiftPlan['points'][number];
  x: number;
  reply: LiftReply | undefined;
}) {
  const { system } = useReader();
  const y = POINT_Y[side];
  const is = stateOf(reply, id);
  const [fill, sign, ink] = LOOKS[is];
  const carries = reply?.facts.supports.find(({ stand }) => stand.on === 'pad' && stand.pointId === id);
  const isMiddle = side === 'centre';
  return (
    <g>
      <circle
        cx={x}
        cy={y}
        r="11"
        fill={fill}
        stroke="var(--ink)"
        strokeWidth="2"
        strokeDasharray={is === 'unknown' ? '3 2' : undefined}
      />
      <text x={x} y={y + 5} textAnchor="middle" fontSize="14" fontWeight="700" fill={ink}>
        {sign}
      </text>
      <text
        x={isMiddle ? x + 17 : x}
        y={y + LABEL_BELOW[side]}
        textAnchor={isMiddle ? 'start' : 'middle'}
        fontSize="13"
        fill="var(--ink)"
      >
        {carries
          ? printMass(carries.upN / STANDARD_GRAVITY, system)
          : lengthDigits(stationMm, system, 'length')}
      </text>
    </g>
  );
}
