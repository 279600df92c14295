'use client';

import { memo } from 'react';
import { faceOf, uOnFace, type Member } from '@/core/frame';
import type { CutLine } from '@/core/probe';
import type { NextReading } from '@/core/weigh';
import type { StripScale } from './scale';

/** The opening cut as dots, the final cut as a long dash, in slate: what will be done, not what was found. */
export const CutLayer = memo(function CutLayer({
  member,
  first,
  final,
  scale,
}: {
  member: Member;
  first: readonly CutLine[];
  final: readonly CutLine[];
  scale: StripScale;
}) {
  const path = ({ face, points }: CutLine) =>
    `M${points.map((point) => `${scale.x(point.stationMm).toFixed(1)} ${scale.y(uOnFace(faceOf(member.shape, face)!, point.heightMm)).toFixed(1)}`).join('L')}`;
  return (
    <g fill="none" stroke="var(--slate)" pointerEvents="none">
      {first.map((line, k) => (
        <path key={`first-${k}`} d={path(line)} strokeWidth="2.2" strokeDasharray="2 5" />
      ))}
      {final.map((line, k) => (
        <path key={`final-${k}`} d={path(line)} strokeWidth="2.6" strokeDasharray="12 4" />
      ))}
    </g>
  );
});

/** Where the next readings would tell most: open squares, the first filled with the colour of here. */
export function NextLayer({
  member,
  next,
  scale,
}: {
  member: Member;
  next: readonly NextReading[];
  scale: StripScale;
}) {
  return (
    <g pointerEvents="none">
      {next.map((place, k) => {
        const face = faceOf(member.shape, place.face);
        if (!face) return null;
        const [x, y] = [scale.x(place.stationMm), scale.y(uOnFace(face, place.heightMm))];
        return (
          <rect
            key={`${place.face}-${place.stationMm}-${place.heightMm}`}
            x={x - 6}
            y={y - 6}
            width="12"
            height="12"
            fill={k === 0 ? 'var(--here)' : 'var(--sheet)'}
            stroke="var(--ink)"
            strokeWidth="1.8"
          />
        );
      })}
    </g>
  );
}
