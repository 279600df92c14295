'use client';

import { memo } from 'react';
import { faceOf, facesOf, uOnFace, type Member } from '@/core/frame';
import { firstGuessEdgeMm, signWeight, type Sign, type SignWeight } from '@/core/walk';
import type { StripScale } from './scale';

/** One mark a weight, told apart by shape: failed metal, doubtful, something that hides metal, something that holds it, a note, sound. */
export function SignMark({ weight, x = 0, y = 0 }: { weight: SignWeight; x?: number; y?: number }) {
  return (
    <>
      <circle cx={x} cy={y} r="11" fill="var(--sheet)" fillOpacity="0.85" />
      <Glyph weight={weight} x={x} y={y} />
    </>
  );
}

function Glyph({ weight, x, y }: { weight: SignWeight; x: number; y: number }) {
  const ink = { stroke: 'var(--ink)', strokeWidth: 1.6 };
  switch (weight) {
    case 'failed':
      return <path d={`M${x - 8} ${y + 6}L${x} ${y - 8}L${x + 8} ${y + 6}Z`} fill="var(--oxide)" {...ink} />;
    case 'doubtful':
      return <path d={`M${x - 8} ${y + 6}L${x} ${y - 8}L${x + 8} ${y + 6}Z`} fill="var(--sheet)" {...ink} />;
    case 'hides':
      return (
        <>
          <rect x={x - 7} y={y - 7} width="14" height="14" fill="var(--sheet)" {...ink} />
          <path
            d={`M${x - 7} ${y + 2}L${x + 2} ${y - 7}M${x - 7} ${y + 7}L${x + 7} ${y - 7}M${x - 2} ${y + 7}L${x + 7} ${y - 2}`}
            {...ink}
            strokeWidth={1.1}
          />
        </>
      );
    case 'holds':
      return (
        <path
          d={`M${x - 8} ${y - 5}H${x + 8}V${y}H${x + 3}V${y + 8}H${x - 3}V${y}H${x - 8}Z`}
          fill="var(--slate)"
          {...ink}
        />
      );
    case 'sound':
      return <path d={`M${x - 7} ${y}l5 6l9 -11`} fill="none" {...ink} strokeWidth={2.6} />;
    case 'note':
      return <circle cx={x} cy={y} r="6" fill="var(--sheet)" {...ink} />;
    default:
      return weight satisfies never;
  }
}

/** Signs where they hang, their reach along the member as a bar between ticks; the high-water line of debris as a first guess of the edge. */
export const SignLayer = memo(function SignLayer({
  member,
  signs,
  scale,
}: {
  member: Member;
  signs: readonly Sign[];
  scale: StripScale;
}) {
  return (
    <g pointerEvents="none">
      {signs.map((sign) => {
        const face = faceOf(member.shape, sign.face);
        if (!face) return null;
        const [x, y] = [scale.x(sign.stationMm), scale.y(uOnFace(face, sign.heightMm))];
        const to = sign.toMm === undefined ? undefined : scale.x(sign.toMm);
        const guess = firstGuessEdgeMm(sign);
        return (
          <g key={sign.id}>
            {to !== undefined && (
              <path
                d={`M${x} ${y}H${to}M${x} ${y - 6}v12M${to} ${y - 6}v12`}
                fill="none"
                stroke="var(--sheet)"
                strokeWidth="5"
              />
            )}
            {to !== undefined && (
              <path
                d={`M${x} ${y}H${to}M${x} ${y - 6}v12M${to} ${y - 6}v12`}
                fill="none"
                stroke="var(--ink)"
                strokeWidth="2"
              />
            )}
            {guess !== undefined &&
              facesOf(member.shape)
                .filter((each) => each.upright && guess <= each.widthMm)
                .map((each) => {
                  const level = scale.y(uOnFace(each, guess));
                  return (
                    <path
                      key={each.id}
                      d={`M${x} ${level}H${to ?? x + 60}`}
                      fill="none"
                      stroke="var(--ink)"
                      strokeWidth="1.6"
                      strokeDasharray="9 3 2 3"
                    />
                  );
                })}
            <SignMark weight={signWeight(sign.detail)} x={x} y={y} />
          </g>
        );
      })}
    </g>
  );
});
