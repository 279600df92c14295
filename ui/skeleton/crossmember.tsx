'use client';

import type { ReactNode } from 'react';
import { lowerBound } from '@/core/weigh';
import { RAIL, LEFT_X, RIGHT_X } from './measures';
import { lossFill, type PartProps, Part, Shading, Found, Stays, verdictWords } from './part';

/** Crossmembers run from rail to rail. */
const [X, WIDTH] = [LEFT_X + RAIL, RIGHT_X - LEFT_X - RAIL];

export function Crossmember({
  member,
  mark,
  y,
  nudge,
  isSelected,
  cursorMm,
  onSelect,
}: PartProps & { y: number; nudge: number }) {
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
      hit={{ x: X + 1, y: y - 22, width: WIDTH - 2, height: 44 }}
    >
      <rect
        x={X}
        y={y - 10 + nudge}
        width={WIDTH}
        height={20}
        fill={mark?.measured ? lossFill(worst ?? 1) : 'url(#skeleton-unseen)'}
        stroke="var(--ink)"
        strokeWidth="1.4"
      />
      {mark && (
        <Shading
          sections={mark.sections}
          lengthMm={member.lengthMm}
          originPx={X}
          perMm={WIDTH / member.lengthMm}
          across={y - 9 + nudge}
          width={18}
          upright={false}
        />
      )}
      {mark?.found.map(({ stationMm, seen }, k) => (
        <Found key={k} x={X + (stationMm / member.lengthMm) * WIDTH} y={y + nudge} seen={seen} />
      ))}
      {mark?.stays && <Stays x={X + WIDTH - 18} y={y + nudge} />}
      {isSelected && <Chosen y={y + nudge} cursorPx={(cursorMm / member.lengthMm) * WIDTH} />}
      <Label y={y + 5 + nudge}>
        {label}
        {mark && mark.verdict !== 'Can’t say' ? ` ${mark.verdict}` : ''}
      </Label>
      <title>{`${member.name}: ${mark ? verdictWords(mark) : 'working'}`}</title>
    </Part>
  );
}

/** Framed, with the cursor on it. */
const Chosen = ({ y, cursorPx }: { y: number; cursorPx: number }) => (
  <>
    <rect
      x={X - 2}
      y={y - 13}
      width={WIDTH + 4}
      height={26}
      fill="none"
      stroke="var(--here)"
      strokeWidth="4"
    />
    <rect
      x={X + cursorPx - 2}
      y={y - 14}
      width="4"
      height="28"
      fill="var(--here)"
      stroke="var(--ink)"
      strokeWidth="0.8"
    />
  </>
);

const Label = ({ y, children }: { y: number; children: ReactNode }) => (
  <text
    x={X + WIDTH / 2}
    y={y}
    textAnchor="middle"
    fontSize="13"
    fontWeight="600"
    fill="var(--ink)"
    stroke="var(--sheet)"
    strokeWidth="3.5"
    paintOrder="stroke"
  >
    {children}
  </text>
);
