'use client';

import { memo } from 'react';
import { type Member } from '@/core/frame';
import { unrolledPath, type Crack } from '@/core/trace';
import type { StripScale } from './scale';

/** Cracks: a dark line in a pale casing; a found end is a bar across, an open end an arrowhead with a question mark. */
export const CrackLayer = memo(function CrackLayer({
  member,
  cracks,
  scale,
  chosen,
}: {
  member: Member;
  cracks: readonly Crack[];
  scale: StripScale;
  /** A family of cracks is chosen as one. */
  chosen?: readonly string[];
}) {
  return (
    <g fill="none" pointerEvents="none">
      {cracks.map((crack) => {
        const points = unrolledPath(member.shape, crack.path).map(
          ([station, u]) => [scale.x(station), scale.y(u)] as const,
        );
        if (points.length === 0) return null;
        const d = `M${points.map(([x, y]) => `${x} ${y}`).join('L')}`;
        const ends = [
          [points[0]!, crack.startFound],
          [points[points.length - 1]!, crack.finishFound],
        ] as const;
        return (
          <g key={crack.id}>
            <path
              d={d}
              stroke={chosen?.includes(crack.id) ? 'var(--here)' : 'var(--sheet)'}
              strokeWidth={chosen?.includes(crack.id) ? 11 : 8}
              strokeLinejoin="round"
            />
            <path d={d} stroke="var(--ink)" strokeWidth="3.2" strokeLinejoin="bevel" />
            {ends.map(([[x, y], found], k) =>
              found ? (
                <path key={k} d={`M${x - 7} ${y}H${x + 7}`} stroke="var(--ink)" strokeWidth="2.6" />
              ) : (
                <text
                  key={k}
                  x={x}
                  y={y + (k ? 16 : -6)}
                  textAnchor="middle"
                  fontSize="16"
                  fontWeight="700"
                  fill="var(--oxide)"
                  stroke="var(--sheet)"
                  strokeWidth="3"
                  paintOrder="stroke"
                >
                  ?
                </text>
              ),
            )}
          </g>
        );
      })}
    </g>
  );
});

/** A crack being recorded: its points so far. */
export function DraftLayer({
  member,
  path,
  scale,
}: {
  member: Member;
  path: Crack['path'];
  scale: StripScale;
}) {
  const points = unrolledPath(member.shape, path).map(
    ([station, u]) => [scale.x(station), scale.y(u)] as const,
  );
  return (
    <g fill="none" pointerEvents="none">
      {points.length > 1 && (
        <path
          d={`M${points.map(([x, y]) => `${x} ${y}`).join('L')}`}
          stroke="var(--ink)"
          strokeWidth="3"
          strokeDasharray="6 3"
        />
      )}
      {points.map(([x, y], k) => (
        <circle key={k} cx={x} cy={y} r="5" fill="var(--here)" stroke="var(--ink)" strokeWidth="1.5" />
      ))}
    </g>
  );
}
