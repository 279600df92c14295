'use client';

import { useMemo } from 'react';
import { extentOf, seenFrom, type Look } from '@/core/geometry';
import { liftOf, type RoundFace } from '@/core/job';
import { toneOf } from './tones';

/** The picture in the round as a drawing: where nothing turns it fast enough, and for whoever sees no moving picture. */
export function Still({ faces, look, label }: { faces: readonly RoundFace[]; look: Look; label: string }) {
  const seen = useMemo(() => seenFrom(faces, look, liftOf), [faces, look]);
  const box = extentOf(seen.flatMap(({ points }) => points));
  const pad = 0.03 * Math.max(box.maxX - box.minX, box.maxY - box.minY);
  return (
    <svg
      viewBox={`${box.minX - pad} ${-box.maxY - pad} ${box.maxX - box.minX + 2 * pad} ${box.maxY - box.minY + 2 * pad}`}
      className="h-full w-full"
      role="img"
      aria-label={label}
    >
      {seen.map(({ of, points, light }, k) => {
        const colour = `color-mix(in oklab, var(--${toneOf(of)}) ${Math.round(100 * light)}%, black)`;
        return (
          <polygon
            key={k}
            points={points.map(([x, y]) => `${x.toFixed(1)},${(-y).toFixed(1)}`).join(' ')}
            fill={colour}
            stroke={colour}
            strokeWidth={0.8}
          />
        );
      })}
    </svg>
  );
}
