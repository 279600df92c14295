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

/** How plates lie on the unrolled wall, which ends where it began. */
interface Laid {
  readonly member: Member;
  readonly scale: StripScale;
  readonly perimeterMm: number;
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
  const laid: Laid = { member, scale, perimeterMm };
  return (
    <g pointerEvents="none">
      {plates.map((plate) => (
        <g key={plate.piece.id}>
          <Sheet laid={laid} plate={plate} />
          {plate.bolts ? <Bolts laid={laid} bolts={plate.bolts} /> : <Edges laid={laid} plate={plate} />}
          {labels && <Name laid={laid} piece={plate.piece} />}
        </g>
      ))}
    </g>
  );
});

/** The sheet itself, length by length; one that runs over the wall's first line is drawn on both sides of it. */
function Sheet({
  laid: { member, scale, perimeterMm },
  plate: { piece, chosen },
}: {
  laid: Laid;
  plate: PlateDrawing;
}) {
  const turns = outlineOnStrip(member, piece).some(([, u]) => u < 0) ? [0, perimeterMm] : [0];
  return turns.map((turn) => (
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
  ));
}

const Bolts = ({
  laid: { scale, perimeterMm },
  bolts,
}: {
  laid: Laid;
  bolts: NonNullable<PlateDrawing['bolts']>;
}) =>
  bolts.map(({ stationMm, uMm, strengthN }) => (
    <circle
      key={`${stationMm} ${uMm}`}
      cx={scale.x(stationMm)}
      cy={scale.y(wrapTo(uMm, perimeterMm))}
      r={3.4}
      fill={strengthN === undefined ? 'var(--sheet)' : 'var(--slate)'}
      stroke="var(--slate)"
      strokeWidth={1.4}
    />
  ));

/** Both edges from station to station: solid where they land at either end, dotted else. */
const Edges = ({ laid: { scale, perimeterMm }, plate: { stations } }: { laid: Laid; plate: PlateDrawing }) =>
  [0, 1].flatMap((side) =>
    stations.slice(1).map(({ stationMm, edges }, k) => {
      const before = stations[k]!;
      const [from, to] = [before.edges[side], edges[side]];
      if (!from || !to) return null;
      const lands = from.lands && to.lands;
      return (
        <line
          key={`${side}-${stationMm}`}
          x1={scale.x(before.stationMm)}
          x2={scale.x(stationMm)}
          y1={scale.y(wrapTo(from.uMm, perimeterMm))}
          y2={scale.y(wrapTo(to.uMm, perimeterMm))}
          stroke="var(--slate)"
          strokeWidth={lands ? 5.5 : 1.5}
          {...(!lands && { strokeDasharray: '2 5' })}
        />
      );
    }),
  );

const Name = ({ laid: { member, scale, perimeterMm }, piece }: { laid: Laid; piece: Piece }) => (
  <text
    x={scale.x((piece.startMm + piece.endMm) / 2)}
    y={scale.y(wrapTo(outlineOnStrip(member, piece)[1]![1], perimeterMm)) - 8}
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
);

const outlinePath = (
  outline: readonly (readonly [number, number])[],
  scale: StripScale,
  turnMm: number,
): string =>
  `M${outline.map(([station, u]) => `${scale.x(station).toFixed(1)} ${scale.y(u + turnMm).toFixed(1)}`).join('L')}Z`;

const wrapTo = (uMm: number, perimeterMm: number): number => (uMm < 0 ? uMm + perimeterMm : uMm);
