'use client';

import { useRef } from 'react';
import { type Frame } from '@/core/frame';
import { useTapDrag } from '../controls';
import { WIDTH, RAIL, LEFT_X, RIGHT_X } from './measures';
import { HUNG, Line } from './line';
import { Rail } from './rail';
import { Crossmember } from './crossmember';
import { type MemberMark, type MovedPart } from './mark';

export interface SkeletonProps {
  readonly frame: Frame;
  readonly marks: ReadonlyMap<string, MemberMark>;
  readonly selected: string;
  readonly cursorMm: number;
  readonly onSelect: (id: string) => void;
  readonly height: number;
  /** Where parts can be moved along the frame: asked while one is dragged, with its new station. */
  readonly onMove?: (part: MovedPart, stationMm: number) => void;
}

/** The whole frame in plan, front up: along to scale, across spread between the rails. Each member carries its verdict, its loss as shading, its cracks as marks. */
export function Skeleton({ frame, marks, selected, cursorMm, onSelect, height, onMove }: SkeletonProps) {
  const top = 30;
  const perMm = (height - top - 34) / frame.lengthMm;
  const Y = (stationMm: number) => top + stationMm * perMm;
  const rails = frame.members.filter((member) => member.role === 'rail');
  const crossmembers = frame.members.filter((member) => member.role === 'crossmember');
  const others = frame.members.filter(
    (member) => member.line && !(member.role === 'plate' && member.shape.kind === 'flat'),
  );
  const tooClose = (k: number) => k > 0 && (crossmembers[k]!.atMm! - crossmembers[k - 1]!.atMm!) * perMm < 46;
  const svg = useRef<SVGSVGElement>(null);
  const grip = useTapDrag<MovedPart>({
    onDrag: ({ clientY }, part) => {
      const box = svg.current!.getBoundingClientRect();
      const stationMm = (((clientY - box.top) / box.height) * height - top) / perMm;
      onMove?.(part, Math.min(frame.lengthMm, Math.max(0, stationMm)));
    },
  });
  const handle = (part: MovedPart) => (onMove ? grip(part) : {});
  // Across: the rails' own lines stay where the rails are drawn; what reaches out beyond them is squeezed to the margin.
  const halfMm = Math.max(frame.widthMm / 2, 1);
  const X = (yMm: number) => {
    const [middle, half] = [(LEFT_X + RIGHT_X + RAIL) / 2, (RIGHT_X - LEFT_X) / 2];
    const within = Math.min(Math.abs(yMm), halfMm) / halfMm;
    const beyond = Math.min(1, Math.max(0, Math.abs(yMm) - halfMm) / 700);
    return middle + Math.sign(yMm) * (within * half + beyond * (LEFT_X + RAIL / 2 - 4));
  };

  return (
    <svg
      ref={svg}
      width="100%"
      height={height}
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="group"
      aria-label="Skeleton: the frame in plan, front up"
      className="block"
    >
      <defs>
        <pattern
          id="skeleton-unseen"
          width="6"
          height="6"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="6" height="6" fill="var(--sheet)" />
          <path d="M0 0V6" stroke="var(--hatch)" strokeWidth="1.4" />
        </pattern>
      </defs>
      <text x={WIDTH / 2} y={16} textAnchor="middle" fontSize="12" fill="var(--soft)">
        front
      </text>
      {frame.fittings.map((mark) =>
        (['left', 'right'] as const)
          .filter((side) => mark.side === 'both' || mark.side === side)
          .map((side) => {
            const x = side === 'left' ? LEFT_X - 8 : RIGHT_X + RAIL + 8;
            return (
              <g key={`${mark.id}-${side}`} {...handle({ kind: 'fitting', id: mark.id })}>
                {mark.kind === 'axle' ? (
                  <circle
                    cx={x}
                    cy={Y(mark.stationMm)}
                    r="6"
                    fill="none"
                    stroke="var(--ink)"
                    strokeWidth="1.8"
                  />
                ) : (
                  <rect
                    x={x - 4}
                    y={Y(mark.stationMm) - 4}
                    width="8"
                    height="8"
                    fill={HUNG.has(mark.kind) ? 'none' : 'var(--ink)'}
                    stroke="var(--ink)"
                    strokeWidth={HUNG.has(mark.kind) ? 1.2 : 0}
                  />
                )}
                {onMove && (
                  <rect
                    x={x - 12}
                    y={Y(mark.stationMm) - 12}
                    width="24"
                    height="24"
                    fill="transparent"
                    className="cursor-ns-resize"
                  />
                )}
                <title>{mark.name}</title>
              </g>
            );
          }),
      )}
      {crossmembers.map((member, k) => (
        <g key={member.id} {...handle({ kind: 'member', id: member.id })}>
          <Crossmember
            member={member}
            mark={marks.get(member.id)}
            y={Y(member.atMm ?? 0)}
            nudge={tooClose(k) ? 6 : 0}
            isSelected={member.id === selected}
            cursorMm={cursorMm}
            onSelect={onSelect}
          />
        </g>
      ))}
      {rails.map((member) => (
        <Rail
          key={member.id}
          member={member}
          mark={marks.get(member.id)}
          x={member.side === 'left' ? LEFT_X : RIGHT_X}
          Y={Y}
          isSelected={member.id === selected}
          cursorMm={cursorMm}
          onSelect={onSelect}
          whole={rails.filter((each) => each.side === member.side).length === 1}
        />
      ))}
      {others.map((member) => (
        <Line
          key={member.id}
          frame={frame}
          member={member}
          mark={marks.get(member.id)}
          X={X}
          Y={Y}
          isSelected={member.id === selected}
          onSelect={onSelect}
        />
      ))}
    </svg>
  );
}
