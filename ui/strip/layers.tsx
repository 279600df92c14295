'use client';

import { memo, useMemo } from 'react';
import { faceOf, uOnFace, type Member } from '@/core/frame';
import { LINE_LEVELS, type MapContours, type MapShape, type SoundEdge } from '@/core/probe';
import { contourLabels } from './contour-labels';
import type { StripScale } from './scale';

const KEPT_FILL = [
  'var(--kept-8)',
  'var(--kept-7)',
  'var(--kept-6)',
  'var(--kept-5)',
  'var(--kept-4)',
  'var(--kept-3)',
  'var(--kept-2)',
  'var(--kept-1)',
];

const pathOf = (shape: MapShape, scale: StripScale): string =>
  shape.rings
    .map(
      (ring) =>
        `M${ring.map(([station, u]) => `${scale.x(station).toFixed(1)} ${scale.y(u).toFixed(1)}`).join('L')}Z`,
    )
    .join('');

/** Thickness kept, one hue, with contour lines at fixed fractions; guesses hatched. */
export const MapLayer = memo(function MapLayer({
  contours,
  scale,
}: {
  contours: MapContours;
  scale: StripScale;
}) {
  return (
    <g pointerEvents="none">
      <rect x={scale.left} y={scale.top} width={scale.width} height={scale.height} fill={KEPT_FILL[0]} />
      {contours.regions.map((region, k) => (
        <path
          key={region.level}
          d={pathOf(region, scale)}
          fill={KEPT_FILL[k + 1]}
          fillRule="evenodd"
          stroke={LINE_LEVELS.includes(region.level) ? 'var(--oxide)' : 'none'}
          strokeWidth="0.9"
          strokeOpacity="0.75"
        />
      ))}
      <path d={pathOf(contours.guessed, scale)} fill="url(#strip-unseen)" fillRule="evenodd" />
    </g>
  );
});

/** The contour lines' fractions, beside the cursor rather than under it; where lines crowd, the outermost is named. */
export const ContourLabelLayer = memo(function ContourLabelLayer({
  contours,
  sheetMm,
  scale,
  labelAt,
}: {
  contours: MapContours;
  sheetMm: number;
  scale: StripScale;
  labelAt: readonly number[];
}) {
  const labels = useMemo(
    () => contourLabels(contours.regions, labelAt, sheetMm),
    [contours, labelAt, sheetMm],
  );
  const placed = labels.map(({ level, stationMm, uMm }) => ({
    level,
    x: scale.x(stationMm),
    y: scale.y(uMm) - 4,
  }));
  const clear = placed.filter(
    ({ x, y }) => !placed.some((other) => other.x === x && other.y < y && y - other.y < 17),
  );
  return (
    <g
      fontSize="13"
      fontWeight="600"
      textAnchor="middle"
      fill="var(--oxide)"
      stroke="var(--sheet)"
      strokeWidth="4"
      paintOrder="stroke"
      pointerEvents="none"
    >
      {clear.map(({ level, x, y }) => (
        <text key={`${level}-${x}`} x={x} y={y}>
          {Math.round(level * 100)} %
        </text>
      ))}
    </g>
  );
});

/** The sound edge: its conservative bound as a heavy line, the bracket below it as a pale band; dashes where nothing was read further down. */
export const EdgeLayer = memo(function EdgeLayer({
  member,
  edges,
  scale,
}: {
  member: Member;
  edges: readonly SoundEdge[];
  scale: StripScale;
}) {
  return (
    <g pointerEvents="none">
      {edges
        .filter((edge) => edge.columns.length > 0)
        .map((edge) => {
          const face = faceOf(member.shape, edge.face)!;
          const at = (station: number, height: number) =>
            `${scale.x(station).toFixed(1)} ${scale.y(uOnFace(face, height)).toFixed(1)}`;
          const upper = edge.columns.map((column) => at(column.stationMm, column.upperMm));
          const lower = edge.columns.map((column) => at(column.stationMm, column.lowerMm));
          return (
            <g key={edge.face}>
              <path
                d={`M${upper.join('L')}L${[...lower].reverse().join('L')}Z`}
                fill="var(--sheet)"
                fillOpacity="0.6"
              />
              {edge.columns.slice(1).map((column, k) => {
                const before = edge.columns[k]!;
                const isOpen =
                  column.kind === 'not read further down' ||
                  before.kind === 'not read further down' ||
                  column.stationMm - before.stationMm > 620;
                return (
                  <path
                    key={column.stationMm}
                    d={`M${at(before.stationMm, before.upperMm)}L${at(column.stationMm, column.upperMm)}`}
                    stroke="var(--ink)"
                    strokeWidth="3.4"
                    strokeLinecap="round"
                    fill="none"
                    {...(isOpen && { strokeDasharray: '2 8' })}
                  />
                );
              })}
            </g>
          );
        })}
    </g>
  );
});
