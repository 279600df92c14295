'use client';

import { useEffect, useRef, useState } from 'react';
import { printLength } from '@/core/quantity';
import { schoolMarginMm } from '@/core/reference';
import { useMember, usePlace, useReader, useRecordsLater, useWork } from '../../../_desk';

const HEIGHT = 74;

/** Sound metal below the top corner along the stretch in sight, on the Strip's own scale, against what the school wants. */
export function MarginLane() {
  const { file } = useRecordsLater();
  const { system } = useReader();
  const { member } = useMember();
  const { stretch, cursor } = usePlace();
  const { work } = useWork();
  const holder = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(760);
  useEffect(() => {
    const observer = new ResizeObserver(
      ([entry]) => entry && setWidth(Math.max(280, Math.floor(entry.contentRect.width))),
    );
    if (holder.current) observer.observe(holder.current);
    return () => observer.disconnect();
  }, []);
  const edges = work?.picture.edges.filter((edge) => edge.columns.length > 0) ?? [];
  const left = width < 500 ? 54 : 92;
  const inner = width - left - 14;
  const X = (stationMm: number) =>
    left + ((stationMm - stretch.fromMm) / (stretch.toMm - stretch.fromMm)) * inner;
  const tallest = member.shape.depthMm;
  const Y = (marginMm: number) => 8 + (1 - marginMm / tallest) * (HEIGHT - 18);
  const wanted = schoolMarginMm(file.practice.school);
  return (
    <div ref={holder} className="w-full">
      {edges.length > 0 && (
        <svg
          width={width}
          height={HEIGHT}
          role="img"
          aria-label={`Sound metal below the top corner along the member; the school wants ${printLength(wanted, system, 'length')}`}
          className="block"
        >
          <clipPath id="margin-clip">
            <rect x={left} y={0} width={inner} height={HEIGHT} />
          </clipPath>
          <text x={left - 10} y={24} textAnchor="end" fontSize="12" fill="var(--soft)">
            sound
          </text>
          <text x={left - 10} y={38} textAnchor="end" fontSize="12" fill="var(--soft)">
            below
          </text>
          <text x={left - 10} y={52} textAnchor="end" fontSize="12" fill="var(--soft)">
            top
          </text>
          <rect
            x={left}
            y={Y(tallest)}
            width={inner}
            height={Y(0) - Y(tallest)}
            fill="none"
            stroke="var(--rule)"
          />
          <g clipPath="url(#margin-clip)">
            <rect x={left} y={Y(wanted)} width={inner} height={Y(0) - Y(wanted)} fill="var(--oxide-wash)" />
            <line
              x1={left}
              x2={left + inner}
              y1={Y(wanted)}
              y2={Y(wanted)}
              stroke="var(--oxide)"
              strokeWidth="1.6"
              strokeDasharray="7 4"
            />
            {edges.map((edge, k) => (
              <path
                key={edge.face}
                d={`M${edge.columns.map((column) => `${X(column.stationMm).toFixed(1)} ${Y(edge.faceHeightMm - column.upperMm).toFixed(1)}`).join('L')}`}
                fill="none"
                stroke="var(--ink)"
                strokeWidth="2.2"
                {...(k > 0 && { strokeDasharray: '8 3' })}
              />
            ))}
            <line
              x1={X(cursor.stationMm)}
              x2={X(cursor.stationMm)}
              y1={0}
              y2={HEIGHT}
              stroke="var(--here)"
              strokeWidth="3"
            />
          </g>
          <text
            x={left + inner - 4}
            y={Y(wanted) - 4}
            textAnchor="end"
            fontSize="12"
            fontWeight="600"
            fill="var(--oxide)"
            stroke="var(--paper)"
            strokeWidth="3"
            paintOrder="stroke"
          >
            {printLength(wanted, system, 'length')} wanted
          </text>
        </svg>
      )}
    </div>
  );
}
