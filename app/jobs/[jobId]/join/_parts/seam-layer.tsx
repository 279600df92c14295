'use client';

import { onSheet, type Member } from '@/core/frame';
import { pathBetween, type WeldLine } from '@/core/join';
import { pathLength, type Point } from '@/core/geometry';
import type { StripScale } from '@/ui/strip';

const d = (path: readonly Point[], scale: StripScale): string =>
  `M${path.map(([station, u]) => `${scale.x(station).toFixed(1)} ${scale.y(u).toFixed(1)}`).join('L')}`;

const laidOn = ({ shape }: Member, path: readonly Point[]): Point[] =>
  path.map(([station, u]): Point => [station, onSheet(shape, u)]);

/** Each seam's mark beside it; the chosen one in the yellow of "here", one left open dashed. */
export function SeamLayer({
  member,
  lines,
  chosen,
  scale,
}: {
  member: Member;
  lines: readonly WeldLine[];
  chosen?: string | undefined;
  scale: StripScale;
}) {
  return (
    <g pointerEvents="none">
      {lines.map((line) => {
        const path = laidOn(member, line.path);
        const isChosen = line.id === chosen;
        const middle = line.plugs
          ? path[path.length >> 1]!
          : pathBetween(path, pathLength(path) / 2, pathLength(path) / 2)[0]!;
        return (
          <g key={line.key}>
            {!line.plugs && (isChosen || line.leftOpen !== undefined) && (
              <path
                d={d(path, scale)}
                fill="none"
                stroke={isChosen ? 'var(--here)' : 'var(--sheet)'}
                strokeWidth={isChosen ? 9 : 4}
                strokeOpacity={isChosen ? 0.85 : 1}
                {...(line.leftOpen !== undefined && { strokeDasharray: '5 6' })}
              />
            )}
            <Label at={middle} words={line.id} scale={scale} isBold={isChosen} />
          </g>
        );
      })}
    </g>
  );
}

function Label({
  at: [station, u],
  words,
  scale,
  isBold,
}: {
  at: Point;
  words: string;
  scale: StripScale;
  isBold: boolean;
}) {
  return (
    <text
      x={scale.x(station)}
      y={Math.min(scale.top + scale.height - 5, Math.max(scale.top + 13, scale.y(u) + 5))}
      textAnchor="middle"
      fontSize={isBold ? 17 : 14}
      fontWeight="700"
      fill="var(--ink)"
      stroke="var(--sheet)"
      strokeWidth="4.5"
      paintOrder="stroke"
    >
      {words}
    </text>
  );
}

/** A run drawn on the Strip. */
export interface RunDrawing {
  readonly path: readonly Point[];
  readonly number: number;
  readonly is: 'next' | 'done' | 'open';
}

/** Numbers nearer than this to one drawn before are left out, px: the list has them all. */
const APART_PX = 17;

interface Drawn {
  readonly member: Member;
  readonly runs: readonly RunDrawing[];
  readonly scale: StripScale;
}

/** Each where its run starts, as far as they can be told apart; the next one's always. */
function Numbers({ member, runs, scale }: Drawn) {
  const placed: { x: number; y: number; number: number }[] = [];
  for (const { path, number, is } of [...runs].sort(
    (a, b) => Number(b.is === 'next') - Number(a.is === 'next'),
  )) {
    const [station, u] = laidOn(member, path)[0]!;
    const [x, y] = [scale.x(station), scale.y(u)];
    const isClear = placed.every((other) => Math.hypot(other.x - x, other.y - y) >= APART_PX);
    if (isClear || is === 'next') placed.push({ x, y, number });
  }
  return placed.map(({ x, y, number }) => (
    <text
      key={number}
      x={x}
      y={Math.max(scale.top + 13, y - 5)}
      textAnchor="middle"
      fontSize="13"
      fontWeight="700"
      fill="var(--ink)"
      stroke="var(--sheet)"
      strokeWidth="3.5"
      paintOrder="stroke"
    >
      {number}
    </text>
  ));
}

/** Runs with their numbers where they start, an arrowhead the way they go; laid ones filled, the next one yellow. */
export function RunLayer({ member, runs, scale }: Drawn) {
  return (
    <g pointerEvents="none">
      <defs>
        <marker
          id="run-way"
          viewBox="0 0 8 8"
          refX="7"
          refY="4"
          markerWidth="9"
          markerHeight="9"
          markerUnits="userSpaceOnUse"
          orient="auto"
        >
          <path d="M0 0L8 4L0 8Z" fill="var(--ink)" />
        </marker>
      </defs>
      {runs.map(({ path, number, is }) =>
        path.length > 1 ? (
          <path
            key={number}
            d={d(laidOn(member, path), scale)}
            fill="none"
            stroke={is === 'next' ? 'var(--here)' : is === 'done' ? 'var(--ink)' : 'var(--slate)'}
            strokeWidth={is === 'open' ? 3 : is === 'done' ? 5 : 8}
            markerEnd="url(#run-way)"
          />
        ) : (
          <circle
            key={number}
            cx={scale.x(path[0]![0])}
            cy={scale.y(onSheet(member.shape, path[0]![1]))}
            r="5"
            fill={is === 'next' ? 'var(--here)' : is === 'done' ? 'var(--ink)' : 'var(--sheet)'}
            stroke="var(--slate)"
            strokeWidth="2"
          />
        ),
      )}
      <Numbers member={member} runs={runs} scale={scale} />
    </g>
  );
}
