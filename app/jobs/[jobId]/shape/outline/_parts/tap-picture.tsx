'use client';

import { useRef, type ReactNode } from 'react';
import type { Point } from '@/core/geometry';

/** A picture that is tapped: a tap tells its place in the picture's own pixels. */
export function TapPicture({
  url,
  width,
  height,
  label,
  onTap,
  children,
}: {
  url: string;
  width: number;
  height: number;
  label: string;
  onTap: (pixel: Point) => void;
  children?: ReactNode;
}) {
  const holder = useRef<SVGSVGElement>(null);
  return (
    <svg
      ref={holder}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full cursor-crosshair touch-manipulation border border-edge"
      role="application"
      aria-label={label}
      onClick={(event) => {
        const box = holder.current!.getBoundingClientRect();
        onTap([
          ((event.clientX - box.left) / box.width) * width,
          ((event.clientY - box.top) / box.height) * height,
        ]);
      }}
    >
      <image href={url} width={width} height={height} />
      {children}
    </svg>
  );
}

/** A numbered cross where something was tapped. */
export function TapMark({ at: [x, y], words, size }: { at: Point; words: string; size: number }) {
  return (
    <g stroke="var(--here)" fill="none" strokeWidth={size / 8}>
      <path
        d={`M${x - size} ${y}H${x + size}M${x} ${y - size}V${y + size}`}
        stroke="#000"
        strokeWidth={size / 4}
      />
      <path d={`M${x - size} ${y}H${x + size}M${x} ${y - size}V${y + size}`} />
      <text
        x={x + size / 2}
        y={y - size / 2}
        fontSize={size * 1.4}
        fill="#000"
        stroke="var(--here)"
        strokeWidth={size / 3}
        paintOrder="stroke"
      >
        {words}
      </text>
    </g>
  );
}
