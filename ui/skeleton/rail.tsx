'use client';

import { RAIL } from './measures';
import { type MemberMark } from './mark';
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
  const wall = { x, y: top, width: RAIL, height: bottom - top };
  const outside = member.side === 'left' ? x - 26 : x + RAIL + 26;
  return (
    <Part
      member={member}
      mark={mark}
      isSelected={isSelected}
      onSelect={onSelect}
      hit={{ x: x - 10, y: top, width: RAIL + 20, height: bottom - top }}
    >
      <rect {...wall} fill={mark?.measured ? 'var(--kept-1)' : 'url(#skeleton-unseen)'} />
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
      {mark && <FoundAlong mark={mark} x={x} Y={Y} />}
      <rect {...wall} fill="none" stroke="var(--ink)" strokeWidth="1.6" />
      {mark?.stays && <Stays x={x + 8} y={top + 16} />}
      {isSelected && <Selected x={x} top={top} bottom={bottom} cursorY={Y(cursorMm)} />}
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
      <Verdict mark={mark} x={outside + 4} y={(top + bottom) / 2} />
      <title>{`${member.name}; a finding near a peg is critical`}</title>
    </Part>
  );
}

/** Cracks across the rail, and what else was found along it. */
const FoundAlong = ({ mark, x, Y }: { mark: MemberMark; x: number; Y: (ownMm: number) => number }) => (
  <>
    {mark.crackStationsMm.map((stationMm) => (
      <path
        key={stationMm}
        d={`M${x - 5} ${Y(stationMm)}l10 -4l8 8l10 -8l12 4`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2.6"
      />
    ))}
    {mark.found.map(({ stationMm, seen }, k) => (
      <Found key={k} x={x + RAIL / 2} y={Y(stationMm)} seen={seen} />
    ))}
  </>
);

/** The frame round the chosen rail, and the cursor across it. */
const Selected = ({
  x,
  top,
  bottom,
  cursorY,
}: {
  x: number;
  top: number;
  bottom: number;
  cursorY: number;
}) => (
  <>
    <rect
      x={x - 3.5}
      y={top - 3.5}
      width={RAIL + 7}
      height={bottom - top + 7}
      fill="none"
      stroke="var(--here)"
      strokeWidth="4"
    />
    <rect
      x={x - 8}
      y={cursorY - 2.5}
      width={RAIL + 16}
      height="5"
      fill="var(--here)"
      stroke="var(--ink)"
      strokeWidth="0.8"
    />
  </>
);

/** The verdict's word beside the rail, read upwards. */
const Verdict = ({ mark, x, y }: { mark: MemberMark | undefined; x: number; y: number }) => (
  <text
    transform={`translate(${x} ${y}) rotate(-90)`}
    textAnchor="middle"
    fontSize="17"
    fontWeight="700"
    fill={mark ? VERDICT_INK[mark.verdict] : 'var(--soft)'}
  >
    {mark?.verdict}
    {mark?.stays && ' · stays'}
  </text>
);
