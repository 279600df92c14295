'use client';

import { RAIL } from './measures';
import { VERDICT_INK, type PartProps, Part, Shading, Found, Stays } from './part';

export function Rail({
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
