'use client';

import { useRef } from 'react';
import type { Fitting, Frame, Member } from '@/core/frame';
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

const TOP = 30;

/** Where stations stand in the drawing, and back. */
function alongOf(frame: Frame, height: number) {
  const perMm = (height - TOP - 34) / frame.lengthMm;
  return {
    perMm,
    Y: (stationMm: number) => TOP + stationMm * perMm,
    stationAt: (y: number) => Math.min(frame.lengthMm, Math.max(0, (y - TOP) / perMm)),
  };
}

/** Across: the rails' own lines stay where the rails are drawn; what reaches out beyond them is squeezed to the margin. */
function acrossOf(frame: Frame) {
  const halfMm = Math.max(frame.widthMm / 2, 1);
  const [middle, half] = [(LEFT_X + RIGHT_X + RAIL) / 2, (RIGHT_X - LEFT_X) / 2];
  return (yMm: number): number => {
    const within = Math.min(Math.abs(yMm), halfMm) / halfMm;
    const beyond = Math.min(1, Math.max(0, Math.abs(yMm) - halfMm) / 700);
    return middle + Math.sign(yMm) * (within * half + beyond * (LEFT_X + RAIL / 2 - 4));
  };
}

/** Takes hold of a part that can be moved along the frame; nothing where nothing can be. */
function useGrips({ onMove, height }: SkeletonProps, stationAt: (y: number) => number) {
  const svg = useRef<SVGSVGElement>(null);
  const grip = useTapDrag<MovedPart>({
    onDrag: ({ clientY }, part) => {
      const box = svg.current!.getBoundingClientRect();
      onMove?.(part, stationAt(((clientY - box.top) / box.height) * height));
    },
  });
  return { svg, handle: (part: MovedPart) => (onMove ? grip(part) : {}) };
}

/** Members by how they are drawn; flat plates are not. */
const drawnOf = ({ members }: Frame) => ({
  rails: members.filter(({ role }) => role === 'rail'),
  crossmembers: members.filter(({ role }) => role === 'crossmember'),
  others: members.filter(({ line, role, shape }) => line && !(role === 'plate' && shape.kind === 'flat')),
});

/** The whole frame in plan, front up: along to scale, across spread between the rails. Each member carries its verdict, its loss as shading, its cracks as marks. */
export function Skeleton(props: SkeletonProps) {
  const { frame, marks, selected, cursorMm, onSelect, height } = props;
  const { perMm, Y, stationAt } = alongOf(frame, height);
  const { svg, handle } = useGrips(props, stationAt);
  const X = acrossOf(frame);
  const { rails, crossmembers, others } = drawnOf(frame);
  const tooClose = (k: number) => k > 0 && (crossmembers[k]!.atMm! - crossmembers[k - 1]!.atMm!) * perMm < 46;
  const of = (member: Member) => ({
    member,
    mark: marks.get(member.id),
    isSelected: member.id === selected,
    onSelect,
  });
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
      <UnseenPattern />
      <FrontWord />
      {frame.fittings.map((fitting) => (
        <FittingMarks
          key={fitting.id}
          fitting={fitting}
          y={Y(fitting.stationMm)}
          handle={handle}
          {...props}
        />
      ))}
      {crossmembers.map((member, k) => (
        <g key={member.id} {...handle({ kind: 'member', id: member.id })}>
          <Crossmember
            {...of(member)}
            y={Y(member.atMm ?? 0)}
            nudge={tooClose(k) ? 6 : 0}
            cursorMm={cursorMm}
          />
        </g>
      ))}
      {rails.map((member) => (
        <Rail
          key={member.id}
          {...of(member)}
          x={member.side === 'left' ? LEFT_X : RIGHT_X}
          Y={Y}
          cursorMm={cursorMm}
          whole={rails.filter((each) => each.side === member.side).length === 1}
        />
      ))}
      {others.map((member) => (
        <Line key={member.id} {...of(member)} frame={frame} X={X} Y={Y} />
      ))}
    </svg>
  );
}

const FrontWord = () => (
  <text x={WIDTH / 2} y={16} textAnchor="middle" fontSize="12" fill="var(--soft)">
    front
  </text>
);

const UnseenPattern = () => (
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
);

/** A bracket on the sides it hangs on: axles are rings, what only hangs is hollow. */
function FittingMarks({
  fitting: { id, name, kind, side: on },
  y,
  handle,
  onMove,
}: Pick<SkeletonProps, 'onMove'> & {
  readonly fitting: Fitting;
  readonly y: number;
  readonly handle: (part: MovedPart) => object;
}) {
  const hangs = HUNG.has(kind);
  return (['left', 'right'] as const)
    .filter((side) => on === 'both' || on === side)
    .map((side) => {
      const x = side === 'left' ? LEFT_X - 8 : RIGHT_X + RAIL + 8;
      return (
        <g key={side} {...handle({ kind: 'fitting', id })}>
          {kind === 'axle' ? (
            <circle cx={x} cy={y} r="6" fill="none" stroke="var(--ink)" strokeWidth="1.8" />
          ) : (
            <rect
              x={x - 4}
              y={y - 4}
              width="8"
              height="8"
              fill={hangs ? 'none' : 'var(--ink)'}
              stroke="var(--ink)"
              strokeWidth={hangs ? 1.2 : 0}
            />
          )}
          {onMove && (
            <rect
              x={x - 12}
              y={y - 12}
              width="24"
              height="24"
              fill="transparent"
              className="cursor-ns-resize"
            />
          )}
          <title>{name}</title>
        </g>
      );
    });
}
