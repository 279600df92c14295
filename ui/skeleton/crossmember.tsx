'use client';

import { lowerBound } from '@/core/weigh';
import { RAIL, LEFT_X, RIGHT_X } from './measures';
import { lossFill, type PartProps, Part, Shading, Found, Stays, verdictWords } from './part';

export function Crossmember({
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
