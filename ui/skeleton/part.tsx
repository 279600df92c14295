'use client';

import { memo } from 'react';
import { type Member } from '@/core/frame';
import { type MemberMark } from './mark';
import { KEPT_LEVELS } from '@/core/probe';
import { isJudged, type Verdict } from '@/core/weigh';

export const VERDICT_INK: Readonly<Record<Verdict, string>> = {
  Leave: 'var(--good)',
  'Leave by hand': 'var(--good)',
  Watch: 'var(--ink)',
  'Can’t say': 'var(--soft)',
  Mend: 'var(--oxide)',
  Splice: 'var(--oxide)',
  Renew: 'var(--oxide)',
  Retire: 'var(--oxide)',
};

export const lossFill = (kept: number): string =>
  `var(--kept-${KEPT_LEVELS.filter((level) => kept < level).length + 1})`;

export interface PartProps {
  member: Member;
  mark: MemberMark | undefined;
  isSelected: boolean;
  cursorMm: number;
  onSelect: (id: string) => void;
}

export function Part({
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
export const Shading = memo(function Shading({
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
export const Found = ({ x, y, seen }: { x: number; y: number; seen: boolean }) => (
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
export const Stays = ({ x, y }: { x: number; y: number }) => (
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
export const verdictWords = (mark: MemberMark): string =>
  mark.stays ? `${mark.verdict}, left undone with the owner’s word` : mark.verdict;
