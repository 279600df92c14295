'use client';

import { useMemo, useRef, type KeyboardEvent, type ReactNode } from 'react';
import { crossingsOn, facesOf, fittingsOn, startsAtMm, type Frame, type Member } from '@/core/frame';
import { lengthDigits, type UnitSystem } from '@/core/quantity';
import { useRoom, useTapDrag, type Pointed } from '../controls';
import { faceWords } from './face-words';
import { cursorU, rulerTicks, spotAt, stripScale, type Cursor, type Stretch, type StripScale } from './scale';

const GUTTER = 92;
const RULER = 46;
const LANE = 30;

/** A phone: words at the left are cut short. */
const NARROW_PX = 500;

/** Where the sheet lies in a drawing of this size. */
const sheetIn = (width: number, height: number) => {
  const left = width < NARROW_PX ? 54 : GUTTER;
  return { left, top: RULER + LANE, width: width - left - 14, height: height - RULER - LANE - 6 };
};

export interface StripProps {
  readonly frame: Frame;
  readonly member: Member;
  readonly stretch: Stretch;
  readonly cursor: Cursor;
  readonly system: UnitSystem;
  readonly height: number;
  /** What one touches or drags over: the spot is set as the cursor. */
  readonly onSpot: (cursor: Cursor) => void;
  /** What one touches and lets go of: something may be put there. */
  readonly onPlace?: (cursor: Cursor) => void;
  readonly onKey?: (event: KeyboardEvent<SVGSVGElement>) => void;
  readonly label: string;
  /** Layers, drawn from bottom to top inside the sheet. */
  readonly children: (scale: StripScale) => ReactNode;
}

/** What is pointed at on the sheet: touched and let go of, something may be put there. */
function usePointing(
  member: Member,
  scale: StripScale,
  { onSpot, onPlace }: { readonly onSpot: StripProps['onSpot']; readonly onPlace: StripProps['onPlace'] },
) {
  const drawing = useRef<SVGSVGElement>(null);
  const spotUnder = ({ clientX, clientY }: Pointed): Cursor => {
    const box = drawing.current!.getBoundingClientRect();
    return spotAt(member, scale, clientX - box.left, clientY - box.top);
  };
  const gestures = useTapDrag<undefined>({
    onTap: (at) => {
      onSpot(spotUnder(at));
      onPlace?.(spotUnder(at));
    },
    onDrag: (at) => onSpot(spotUnder(at)),
  });
  return { drawing, gestures };
}

/**
 * A member unrolled: faces side by side, folds between, stations ruled from the datum. It holds the layers it is given and the cursor;
 * geometry is never drawn by hand here, only pointed at.
 */
export function Strip({
  frame,
  member,
  stretch,
  cursor,
  system,
  height,
  onSpot,
  onPlace,
  onKey,
  label,
  children,
}: StripProps) {
  const { holder, width } = useRoom();
  const isNarrow = width < NARROW_PX;
  const scale = useMemo(
    () => stripScale(member, stretch, sheetIn(width, height)),
    [member, stretch, width, height],
  );
  const layers = useMemo(() => children(scale), [children, scale]);
  const { drawing, gestures } = usePointing(member, scale, { onSpot, onPlace });
  return (
    <div ref={holder} className="w-full min-w-0">
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        tabIndex={0}
        role="application"
        aria-label={label}
        className="block touch-pan-y select-none outline-offset-2"
        ref={drawing}
        {...gestures(undefined)}
        onKeyDown={onKey}
      >
        <Defs scale={scale} />
        <Ruler
          scale={scale}
          startsMm={startsAtMm(member)}
          stretch={stretch}
          system={system}
          cursorX={scale.x(cursor.stationMm)}
        />
        <FittingLane frame={frame} member={member} scale={scale} />
        <rect x={scale.left} y={scale.top} width={scale.width} height={scale.height} fill="var(--sheet)" />
        <g clipPath="url(#strip-sheet)">{layers}</g>
        {/* Lines over the sheet take no touch: a plate's grip may lie right on one. */}
        <g pointerEvents="none">
          <Faces member={member} scale={scale} narrow={isNarrow} />
          <CursorMark member={member} cursor={cursor} scale={scale} system={system} />
        </g>
      </svg>
    </div>
  );
}

const Defs = ({ scale }: { scale: StripScale }) => (
  <defs>
    <clipPath id="strip-sheet">
      <rect x={scale.left} y={scale.top} width={scale.width} height={scale.height} />
    </clipPath>
    <pattern
      id="strip-unseen"
      width="7"
      height="7"
      patternUnits="userSpaceOnUse"
      patternTransform="rotate(45)"
    >
      <rect width="7" height="7" fill="var(--paper)" fillOpacity="0.55" />
      <path d="M0 0V7" stroke="var(--hatch)" strokeWidth="1.4" />
    </pattern>
  </defs>
);

function Ruler({
  scale,
  stretch,
  system,
  cursorX,
  startsMm,
}: {
  scale: StripScale;
  startsMm: number;
  stretch: Stretch;
  system: UnitSystem;
  cursorX: number;
}) {
  const ticks = rulerTicks(stretch, system, { wanted: Math.max(3, Math.floor(scale.width / 62)), startsMm });
  return (
    <g aria-hidden="true">
      <text x={scale.left - 28} y={RULER - 16} textAnchor="end" fontSize="13" fill="var(--soft)">
        {system}
      </text>
      <line x1={scale.left} x2={scale.left + scale.width} y1={RULER - 1} y2={RULER - 1} stroke="var(--ink)" />
      {ticks.map(({ stationMm, label }) => (
        <g key={stationMm} transform={`translate(${scale.x(stationMm)} 0)`}>
          <line
            y1={RULER - (label ? 12 : 6)}
            y2={RULER}
            stroke="var(--ink)"
            strokeWidth={label ? 1.4 : 0.8}
          />
          {label && Math.abs(scale.x(stationMm) - cursorX) > 52 && (
            <text y={RULER - 16} textAnchor="middle" fontSize="15" fill="var(--ink)">
              {label}
            </text>
          )}
        </g>
      ))}
    </g>
  );
}

/** What hangs on this member, in a lane of its own: crossmembers as blocks, hangers and mounts as pegs. */
function FittingLane({ frame, member, scale }: { frame: Frame; member: Member; scale: StripScale }) {
  if (member.role !== 'rail') return null;
  const inSight = (stationMm: number) =>
    scale.x(stationMm) >= scale.left - 1 && scale.x(stationMm) <= scale.left + scale.width + 1;
  const crossmembers = crossingsOn(frame, member).filter(({ stationMm }) => inSight(stationMm));
  const marks = fittingsOn(frame, member).filter((mark) => inSight(mark.stationMm));
  const y = RULER + LANE - 4;
  return (
    <g fontSize="12" fill="var(--soft)">
      {crossmembers.map(({ member: each, stationMm }) => (
        <g key={each.id} transform={`translate(${scale.x(stationMm)} 0)`}>
          <rect x={-5} y={y - 10} width={10} height={10} fill="none" stroke="var(--edge)" strokeWidth="1.5" />
          <text y={y - 14} textAnchor="middle">
            {each.id.replace('cross-', 'X')}
          </text>
          <title>{each.name}</title>
        </g>
      ))}
      {marks.map((mark) => (
        <g key={mark.id} transform={`translate(${scale.x(mark.stationMm)} ${y})`}>
          {mark.kind === 'axle' ? (
            <circle cy={-6} r={5} fill="none" stroke="var(--ink)" strokeWidth="1.8" />
          ) : (
            <path d="M-5 -10H5L0 0Z" fill="var(--ink)" />
          )}
          <title>{mark.name}</title>
        </g>
      ))}
    </g>
  );
}

function Faces({ member, scale, narrow }: { member: Member; scale: StripScale; narrow: boolean }) {
  return (
    <g>
      {facesOf(member.shape).map((face, k) => {
        const [top, bottom] = [scale.y(face.uStartMm), scale.y(face.uStartMm + face.widthMm)];
        const [first, ...rest] = faceWords(member, face.id).split(' ');
        return (
          <g key={face.id}>
            {k > 0 && (
              <line
                x1={scale.left}
                x2={scale.left + scale.width}
                y1={top}
                y2={top}
                stroke="var(--ink)"
                strokeWidth="1"
                strokeDasharray="11 3 2 3"
              />
            )}
            <text
              x={scale.left - 10}
              textAnchor="end"
              fontSize={narrow ? 12 : 14}
              fill="var(--ink)"
              y={(top + bottom) / 2 + (rest.length ? -3 : 5)}
            >
              {first}
              {rest.length > 0 && (
                <tspan x={scale.left - 10} dy="15" fill="var(--soft)">
                  {rest.join(' ')}
                </tspan>
              )}
              {member.hidden?.includes(face.id) && (
                <tspan x={scale.left - 10} dy="14" fontSize="11" fill="var(--soft)">
                  out of reach
                </tspan>
              )}
            </text>
          </g>
        );
      })}
      <rect
        x={scale.left}
        y={scale.top}
        width={scale.width}
        height={scale.height}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.6"
        pointerEvents="none"
      />
    </g>
  );
}

function CursorMark({
  member,
  cursor,
  scale,
  system,
}: {
  member: Member;
  cursor: Cursor;
  scale: StripScale;
  system: UnitSystem;
}) {
  const x = scale.x(cursor.stationMm);
  if (x < scale.left - 2 || x > scale.left + scale.width + 2) return null;
  const y = scale.y(cursorU(member, cursor));
  const words = lengthDigits(startsAtMm(member) + cursor.stationMm, system, 'length');
  const half = Math.max(24, words.length * 4.6 + 8);
  const flag = Math.min(Math.max(x, scale.left + half - 8), scale.left + scale.width - half + 10);
  return (
    <g pointerEvents="none">
      <line
        x1={x}
        x2={x}
        y1={RULER - 14}
        y2={scale.top + scale.height}
        stroke="var(--here)"
        strokeWidth="3"
      />
      <path d={`M${flag - half} 2H${flag + half}V${RULER - 20}H${flag - half}Z`} fill="var(--here)" />
      <text x={flag} y={RULER - 26} textAnchor="middle" fontSize="17" fontWeight="700" fill="var(--on-here)">
        {words}
      </text>
      <circle cx={x} cy={y} r="9" fill="none" stroke="var(--ink)" strokeWidth="5" />
      <circle cx={x} cy={y} r="9" fill="none" stroke="var(--here)" strokeWidth="3" />
    </g>
  );
}
