'use client';

import { memo } from 'react';
import { facesOf, type Member } from '@/core/frame';
import { lengthsOf, outlineOnStrip, pieceName, type Piece, type PieceStation } from '@/core/shape';
import type { StripScale } from './scale';

export interface PlateDrawing {
  readonly piece: Piece;
  readonly stations: readonly PieceStation[];
  readonly chosen: boolean;
  /** Its bolts, where it is bolted on: in place of its welds. */
  readonly bolts?: readonly {
    readonly stationMm: number;
    readonly uMm: number;
    readonly strengthN?: number;
  }[];
}

/** Plates as slate sheets over the metal. With welds: solid where an edge lands, dotted where it is left free; or with its bolts, filled where they count. */
export const PlateLayer = memo(function PlateLayer({
  member,
  plates,
  scale,
  labels,
}: {
  member: Member;
  plates: readonly PlateDrawing[];
  scale: StripScale;
  labels: boolean;
}) {
  const perimeterMm = facesOf(member.shape).reduce((sum, face) => sum + face.widthMm, 0);
  return (
    <g pointerEvents="none">
      {plates.map(({ piece, stations, chosen, bolts }) => {
        const outline = outlineOnStrip(member, piece);
        const turns = outline.some(([, u]) => u < 0) ? [0, perimeterMm] : [0];
        return (
          <g key={piece.id}>
            {turns.map((turn) => (
              <path
                key={turn}
                d={lengthsOf(piece)
                  .map((span) => outlinePath(outlineOnStrip(member, piece, span), scale, turn))
                  .join('')}
                fill="var(--slate)"
                fillOpacity={chosen ? 0.2 : 0.1}
                stroke="var(--slate)"
                strokeWidth={chosen ? 2.6 : 1.6}
                strokeLinejoin="round"
              />
            ))}
            {bolts?.map(({ stationMm, uMm, strengthN }) => (
              <circle
                key={`${stationMm} ${uMm}`}
                cx={scale.x(stationMm)}
                cy={scale.y(wrapTo(uMm, perimeterMm))}
                r={3.4}
                fill={strengthN === undefined ? 'var(--sheet)' : 'var(--slate)'}
                stroke="var(--slate)"
                strokeWidth={1.4}
              />
            ))}
            {(bolts ? [] : [0, 1]).map((side) => {
              const landed = stations.map(({ stationMm, edges }) => ({ stationMm, edge: edges[side] }));
              return landed.slice(1).map(({ stationMm, edge }, k) => {
                const before = landed[k]!;
                if (!edge || !before.edge) return null;
                const lands = edge.lands && before.edge.lands;
                return (
                  <line
                    key={`${side}-${stationMm}`}
                    x1={scale.x(before.stationMm)}
                    x2={scale.x(stationMm)}
                    y1={scale.y(wrapTo(before.edge.uMm, perimeterMm))}
                    y2={scale.y(wrapTo(edge.uMm, perimeterMm))}
                    stroke="var(--slate)"
                    strokeWidth={lands ? 5.5 : 1.5}
                    {...(!lands && { strokeDasharray: '2 5' })}
                  />
                );
              });
            })}
            {labels && (
              <text
                x={scale.x(piece.startMm + (piece.endMm - piece.startMm) * 0.5)}
                y={scale.y(wrapTo(outline[1]![1], perimeterMm)) - 8}
                textAnchor="middle"
                fontSize="14"
                fontWeight="600"
                fill="var(--slate)"
                stroke="var(--sheet)"
                strokeWidth="3.5"
                paintOrder="stroke"
              >
                {pieceName(piece)}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
});

const outlinePath = (
  outline: readonly (readonly [number, number])[],
  scale: StripScale,
  turnMm: number,
): string =>
  `M${outline.map(([station, u]) => `${scale.x(station).toFixed(1)} ${scale.y(u + turnMm).toFixed(1)}`).join('L')}Z`;

const wrapTo = (uMm: number, perimeterMm: number): number => (uMm < 0 ? uMm + perimeterMm : uMm);
