'use client';

import { memo, useRef } from 'react';
import { placementOf, type Frame, type Member } from '@/core/frame';
import { useTapDrag } from '../controls';
import { KEPT_LEVELS } from '@/core/probe';
import { isJudged, lowerBound, type SectionKept, type Verdict } from '@/core/weigh';

/** What the Skeleton shows of a member: absent while it is still being worked out. */
export interface MemberMark {
  readonly verdict: Verdict;
  readonly sections: readonly Pick<SectionKept, 'stationMm' | 'kept' | 'guessedShare'>[];
  readonly crackStationsMm: readonly number[];
  readonly measured: boolean;
  /** What was found on foot, and where nobody could look. */ readonly found: readonly {
    readonly stationMm: number;
    readonly seen: boolean;
  }[];
  /** Something of it is left undone with its owner's word. */
  readonly stays: boolean;
}

/** What can be moved along the frame. */
export interface MovedPart {
  readonly kind: 'fitting' | 'member';
  readonly id: string;
}

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

const WIDTH = 206;
const RAIL = 30;
const LEFT_X = 38;
const RIGHT_X = WIDTH - 38 - RAIL;

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

/** What hangs on the frame without carrying it: drawn hollow. */
const HUNG: ReadonlySet<string> = new Set(['line', 'harness', 'tank', 'exhaust', 'tank strap']);

/** A member that is neither rail nor crossmember: a line in plan, a post where it stands upright. */
function Line({
  frame,
  member,
  mark,
  X,
  Y,
  isSelected,
  onSelect,
}: {
  frame: Frame;
  member: Member;
  mark: MemberMark | undefined;
  X: (yMm: number) => number;
  Y: (stationMm: number) => number;
  isSelected: boolean;
  onSelect: (id: string) => void;
}) {
  const { from, to } = placementOf(frame, member);
  const [x1, y1, x2, y2] = [X(from[1]), Y(from[0]), X(to[1]), Y(to[0])];
  const isPost = Math.hypot(x2 - x1, y2 - y1) < 8;
  const worst = mark?.sections.length
    ? Math.min(...mark.sections.map((section) => lowerBound(section.kept.modulusBottom!)))
    : undefined;
  const stroke = mark?.measured ? lossFill(worst ?? 1) : 'var(--sheet)';
  const hit = {
    x: Math.min(x1, x2) - 7,
    y: Math.min(y1, y2) - 7,
    width: Math.abs(x2 - x1) + 14,
    height: Math.abs(y2 - y1) + 14,
  };
  return (
    <Part member={member} mark={mark} isSelected={isSelected} onSelect={onSelect} hit={hit}>
      {isPost ? (
        <rect
          x={x1 - 5}
          y={y1 - 5}
          width="10"
          height="10"
          fill={stroke}
          stroke={isSelected ? 'var(--here)' : 'var(--ink)'}
          strokeWidth={isSelected ? 4 : 1.4}
        />
      ) : (
        <>
          <line
            x1={x1}
            y1={y1}
            x2={x2}
            y2={y2}
            stroke={isSelected ? 'var(--here)' : 'var(--ink)'}
            strokeWidth={isSelected ? 11 : 8}
          />
          <line x1={x1} y1={y1} x2={x2} y2={y2} stroke={stroke} strokeWidth="5" />
          {!mark?.measured && (
            <line
              x1={x1}
              y1={y1}
              x2={x2}
              y2={y2}
              stroke="var(--hatch)"
              strokeWidth="5"
              strokeDasharray="1.5 4"
            />
          )}
        </>
      )}
      <title>{`${member.name}: ${mark ? verdictWords(mark) : 'working'}`}</title>
    </Part>
  );
}

const VERDICT_INK: Readonly<Record<Verdict, string>> = {
  Leave: 'var(--good)',
  'Leave by hand': 'var(--good)',
  Watch: 'var(--ink)',
  'Can’t say': 'var(--soft)',
  Mend: 'var(--oxide)',
  Splice: 'var(--oxide)',
  Renew: 'var(--oxide)',
  Retire: 'var(--oxide)',
};

const lossFill = (kept: number): string =>
  `var(--kept-${KEPT_LEVELS.filter((level) => kept < level).length + 1})`;

interface PartProps {
  member: Member;
  mark: MemberMark | undefined;
  isSelected: boolean;
  cursorMm: number;
  onSelect: (id: string) => void;
}

function Part({
  member,
  mark,
  isSelected,
  onSelect,
  hit,
  children,
}: Omit<PartProps, 'cursorMm'> & {
  hit: { x: number; y: number; width: number; height: number };
  children: React.ReactNode;
}) {
  return (
    <g
      role="button"
      tabIndex={0}
      aria-pressed={isSelected}
      aria-label={`${member.name}: ${mark ? verdictWords(mark) : 'working'}`}
      className="cursor-pointer"
      onClick={() => onSelect(member.id)}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        onSelect(member.id);
      }}
    >
      {children}
      <rect {...hit} fill="transparent" />
    </g>
  );
}

/** What is kept along a member, band by band; unread stretches hatched. Drawn anew only when the figures are. */
const Shading = memo(function Shading({
  sections,
  lengthMm,
  originPx,
  perMm,
  across,
  width,
  upright,
}: {
  sections: MemberMark['sections'];
  lengthMm: number;
  originPx: number;
  perMm: number;
  across: number;
  width: number;
  upright: boolean;
}) {
  return sections.map((section, k) => {
    const [from, to] = [
      originPx + section.stationMm * perMm,
      originPx + (sections[k + 1]?.stationMm ?? lengthMm) * perMm,
    ];
    const fill = isJudged(section)
      ? lossFill(Math.min(section.kept.modulusTop!.value, section.kept.modulusBottom!.value))
      : 'url(#skeleton-unseen)';
    const box = upright
      ? { x: across, y: from, width, height: to - from + 0.5 }
      : { x: from, y: across, width: to - from + 0.5, height: width };
    return <rect key={section.stationMm} {...box} fill={fill} />;
  });
});

/** Found on foot: a filled wedge; a place nobody could see: an open one with a stroke through it. */
const Found = ({ x, y, seen }: { x: number; y: number; seen: boolean }) => (
  <g pointerEvents="none">
    <path
      d={`M${x - 6} ${y - 5}H${x + 6}L${x} ${y + 6}Z`}
      fill={seen ? 'var(--oxide)' : 'var(--sheet)'}
      stroke="var(--ink)"
      strokeWidth="1.2"
    />
    {!seen && <path d={`M${x - 7} ${y + 5}L${x + 7} ${y - 5}`} stroke="var(--ink)" strokeWidth="1.4" />}
  </g>
);

/** A pennant: something here is left undone with its owner's word. */
const Stays = ({ x, y }: { x: number; y: number }) => (
  <g pointerEvents="none">
    <path d={`M${x} ${y + 9}V${y - 9}`} stroke="var(--ink)" strokeWidth="2" />
    <path
      d={`M${x} ${y - 9}H${x + 14}L${x + 9} ${y - 4}L${x + 14} ${y + 1}H${x}Z`}
      fill="var(--here)"
      stroke="var(--ink)"
      strokeWidth="1.2"
    />
  </g>
);
/** A member's verdict, and whether its owner lets it stay so. */
const verdictWords = (mark: MemberMark): string =>
  mark.stays ? `${mark.verdict}, left undone with the owner’s word` : mark.verdict;

function Rail({
  member,
  mark,
  x,
  Y: frameY,
  isSelected,
  cursorMm,
  onSelect,
  whole,
}: PartProps & { x: number; Y: (stationMm: number) => number; whole: boolean }) {
  const Y = (ownMm: number) => frameY((member.startMm ?? 0) + ownMm);
  const [top, bottom] = [Y(0), Y(member.lengthMm)];
  const outside = member.side === 'left' ? x - 26 : x + RAIL + 26;
  return (
    <Part
      member={member}
      mark={mark}
      isSelected={isSelected}
      onSelect={onSelect}
      hit={{ x: x - 10, y: top, width: RAIL + 20, height: bottom - top }}
    >
      <rect
        x={x}
        y={top}
        width={RAIL}
        height={bottom - top}
        fill={mark?.measured ? 'var(--kept-1)' : 'url(#skeleton-unseen)'}
      />
      {mark && (
        <Shading
          sections={mark.sections}
          lengthMm={member.lengthMm}
          originPx={top}
          perMm={(bottom - top) / member.lengthMm}
          across={x}
          width={RAIL}
          upright
        />
      )}
      {mark?.crackStationsMm.map((stationMm) => (
        <path
          key={stationMm}
          d={`M${x - 5} ${Y(stationMm)}l10 -4l8 8l10 -8l12 4`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2.6"
        />
      ))}
      {mark?.found.map(({ stationMm, seen }, k) => (
        <Found key={k} x={x + RAIL / 2} y={Y(stationMm)} seen={seen} />
      ))}
      <rect
        x={x}
        y={top}
        width={RAIL}
        height={bottom - top}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.6"
      />
      {mark?.stays && <Stays x={x + 8} y={top + 16} />}
      {isSelected && (
        <rect
          x={x - 3.5}
          y={top - 3.5}
          width={RAIL + 7}
          height={bottom - top + 7}
          fill="none"
          stroke="var(--here)"
          strokeWidth="4"
        />
      )}
      {isSelected && (
        <rect
          x={x - 8}
          y={Y(cursorMm) - 2.5}
          width={RAIL + 16}
          height="5"
          fill="var(--here)"
          stroke="var(--ink)"
          strokeWidth="0.8"
        />
      )}
      {(whole || !member.startMm) && (
        <text
          x={x + RAIL / 2}
          y={whole ? bottom + 18 : top - 6}
          textAnchor="middle"
          fontSize="13"
          fill="var(--ink)"
        >
          {member.side}
        </text>
      )}
      <text
        transform={`translate(${outside + 4} ${(top + bottom) / 2}) rotate(-90)`}
        textAnchor="middle"
        fontSize="17"
        fontWeight="700"
        fill={mark ? VERDICT_INK[mark.verdict] : 'var(--soft)'}
      >
        {mark?.verdict}
        {mark?.stays && ' · stays'}
      </text>
      <title>{`${member.name}; a finding near a peg is critical`}</title>
    </Part>
  );
}

function Crossmember({
  member,
  mark,
  y,
  nudge,
  isSelected,
  cursorMm,
  onSelect,
}: PartProps & { y: number; nudge: number }) {
  const [x, width] = [LEFT_X + RAIL, RIGHT_X - LEFT_X - RAIL];
  const label = /^cross-\d+$/.test(member.id) ? member.id.replace('cross-', 'X') : '';
  const worst = mark?.sections.length
    ? Math.min(...mark.sections.map((section) => lowerBound(section.kept.modulusBottom!)))
    : undefined;
  return (
    <Part
      member={member}
      mark={mark}
      isSelected={isSelected}
      onSelect={onSelect}
      hit={{ x: x + 1, y: y - 22, width: width - 2, height: 44 }}
    >
      <rect
        x={x}
        y={y - 10 + nudge}
        width={width}
        height={20}
        fill={mark?.measured ? lossFill(worst ?? 1) : 'url(#skeleton-unseen)'}
        stroke="var(--ink)"
        strokeWidth="1.4"
      />
      {mark && (
        <Shading
          sections={mark.sections}
          lengthMm={member.lengthMm}
          originPx={x}
          perMm={width / member.lengthMm}
          across={y - 9 + nudge}
          width={18}
          upright={false}
        />
      )}
      {mark?.found.map(({ stationMm, seen }, k) => (
        <Found key={k} x={x + (stationMm / member.lengthMm) * width} y={y + nudge} seen={seen} />
      ))}
      {mark?.stays && <Stays x={x + width - 18} y={y + nudge} />}
      {isSelected && (
        <rect
          x={x - 2}
          y={y - 13 + nudge}
          width={width + 4}
          height={26}
          fill="none"
          stroke="var(--here)"
          strokeWidth="4"
        />
      )}
      {isSelected && (
        <rect
          x={x + (cursorMm / member.lengthMm) * width - 2}
          y={y - 14 + nudge}
          width="4"
          height="28"
          fill="var(--here)"
          stroke="var(--ink)"
          strokeWidth="0.8"
        />
      )}
      <text
        x={x + width / 2}
        y={y + 5 + nudge}
        textAnchor="middle"
        fontSize="13"
        fontWeight="600"
        fill="var(--ink)"
        stroke="var(--sheet)"
        strokeWidth="3.5"
        paintOrder="stroke"
      >
        {label}
        {mark && mark.verdict !== 'Can’t say' ? ` ${mark.verdict}` : ''}
      </text>
      <title>{`${member.name}: ${mark ? verdictWords(mark) : 'working'}`}</title>
    </Part>
  );
}
