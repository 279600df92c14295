'use client';

import { placementOf, type Frame, type Member } from '@/core/frame';
import { type MemberMark } from './mark';
import { lowerBound } from '@/core/weigh';
import { lossFill, Part, verdictWords } from './part';

/** What hangs on the frame without carrying it: drawn hollow. */
export const HUNG: ReadonlySet<string> = new Set(['line', 'harness', 'tank', 'exhaust', 'tank strap']);

/** A member that is neither rail nor crossmember: a line in plan, a post where it stands upright. */
export function Line({
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
        <Post x={x1} y={y1} fill={stroke} isSelected={isSelected} />
      ) : (
        <Lying ends={{ x1, y1, x2, y2 }} fill={stroke} isMeasured={mark?.measured} isSelected={isSelected} />
      )}
      <title>{`${member.name}: ${mark ? verdictWords(mark) : 'working'}`}</title>
    </Part>
  );
}

/** A member that stands upright, seen from above. */
const Post = ({ x, y, fill, isSelected }: { x: number; y: number; fill: string; isSelected: boolean }) => (
  <rect
    x={x - 5}
    y={y - 5}
    width="10"
    height="10"
    fill={fill}
    stroke={isSelected ? 'var(--here)' : 'var(--ink)'}
    strokeWidth={isSelected ? 4 : 1.4}
  />
);

/** A member that lies in plan; hatched where nobody measured it. */
const Lying = ({
  ends,
  fill,
  isMeasured,
  isSelected,
}: {
  ends: { x1: number; y1: number; x2: number; y2: number };
  fill: string;
  isMeasured: boolean | undefined;
  isSelected: boolean;
}) => (
  <>
    <line {...ends} stroke={isSelected ? 'var(--here)' : 'var(--ink)'} strokeWidth={isSelected ? 11 : 8} />
    <line {...ends} stroke={fill} strokeWidth="5" />
    {!isMeasured && <line {...ends} stroke="var(--hatch)" strokeWidth="5" strokeDasharray="1.5 4" />}
  </>
);
