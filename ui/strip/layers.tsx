'use client';

import { memo, useMemo } from 'react';
import { facesOf, faceOf, uOnFace, type Member } from '@/core/frame';
import { lengthDigits, type UnitSystem } from '@/core/quantity';
import { LINE_LEVELS, type MapContours, type MapShape, type Reading, type SoundEdge } from '@/core/probe';
import { unrolledPath, type Crack } from '@/core/trace';
import { lengthsOf, outlineOnStrip, pieceName, type Piece, type PieceStation } from '@/core/shape';
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

/** Readings are drawn in bundles: a new one redraws the last bundle, not all of them. */
const BUNDLE = 150;

/** Readings as crosses (rings where felt), struck ones as faint bars. */
export const ReadingLayer = memo(function ReadingLayer({
  member,
  readings,
  struck,
  scale,
}: {
  member: Member;
  readings: readonly Reading[];
  struck: ReadonlySet<string>;
  scale: StripScale;
}) {
  const bundles = Array.from({ length: Math.ceil(readings.length / BUNDLE) }, (_, k) =>
    readings.slice(k * BUNDLE, (k + 1) * BUNDLE),
  );
  return (
    <g fill="none" pointerEvents="none">
      {bundles.map((bundle, k) => (
        <ReadingBundle key={k} member={member} readings={bundle} struck={struck} scale={scale} />
      ))}
    </g>
  );
});

const ReadingBundle = memo(
  function ReadingBundle({ member, readings, struck, scale }: Parameters<typeof ReadingLayer>[0]) {
    let crosses = '',
      rings = '',
      bars = '';
    for (const reading of readings) {
      const face = faceOf(member.shape, reading.face);
      if (!face) continue;
      const [x, y] = [
        scale.x(reading.stationMm).toFixed(1),
        scale.y(uOnFace(face, reading.heightMm)).toFixed(1),
      ];
      if (struck.has(reading.id)) bars += `M${x} ${y}m-6 4l12 -8`;
      else if (reading.method === 'feel') rings += `M${x} ${y}m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0`;
      else crosses += `M${x} ${y}m-4 0h8m-4 -4v8`;
    }
    return (
      <>
        {crosses && <path d={crosses} stroke="var(--sheet)" strokeWidth="3.6" strokeOpacity="0.7" />}
        {crosses && <path d={crosses} stroke="var(--ink)" strokeWidth="1.5" />}
        {rings && <path d={rings} stroke="var(--ink)" strokeWidth="1.5" />}
        {bars && <path d={bars} stroke="var(--soft)" strokeWidth="1.5" strokeDasharray="2 2" />}
      </>
    );
  },
  (before, after) =>
    before.member === after.member &&
    before.struck === after.struck &&
    before.scale === after.scale &&
    before.readings.length === after.readings.length &&
    before.readings.every((reading, k) => reading === after.readings[k]),
);

/** Figures beside readings within reach of a station, nearest first; one that would lie over another is left out. */
export function FigureLayer({
  member,
  readings,
  struck,
  scale,
  system,
  aboutMm,
  reachMm,
}: {
  member: Member;
  readings: readonly Reading[];
  struck: ReadonlySet<string>;
  scale: StripScale;
  system: UnitSystem;
  aboutMm: number;
  reachMm: number;
}) {
  const near = readings
    .filter((reading) => !struck.has(reading.id) && Math.abs(reading.stationMm - aboutMm) <= reachMm)
    .sort((a, b) => Math.abs(a.stationMm - aboutMm) - Math.abs(b.stationMm - aboutMm));
  const placed: { reading: Reading; x: number; y: number }[] = [];
  for (const reading of near) {
    const face = faceOf(member.shape, reading.face);
    if (!face) continue;
    const [x, y] = [scale.x(reading.stationMm) + 8, scale.y(uOnFace(face, reading.heightMm)) + 5];
    if (placed.every((other) => Math.abs(other.y - y) >= 12 || Math.abs(other.x - x) >= 38))
      placed.push({ reading, x, y });
  }
  return (
    <g
      fontSize="13"
      fontWeight="600"
      fill="var(--ink)"
      stroke="var(--sheet)"
      strokeWidth="3.5"
      paintOrder="stroke"
      pointerEvents="none"
    >
      {placed.map(({ reading, x, y }) => (
        <text key={reading.id} x={x} y={y}>
          {lengthDigits(reading.thicknessMm, system, 'thickness')}
        </text>
      ))}
    </g>
  );
}

/** Cracks: a dark line in a pale casing; a found end is a bar across, an open end an arrowhead with a question mark. */
export const CrackLayer = memo(function CrackLayer({
  member,
  cracks,
  scale,
  chosen,
}: {
  member: Member;
  cracks: readonly Crack[];
  scale: StripScale;
  /** A family of cracks is chosen as one. */
  chosen?: readonly string[];
}) {
  return (
    <g fill="none" pointerEvents="none">
      {cracks.map((crack) => {
        const points = unrolledPath(member.shape, crack.path).map(
          ([station, u]) => [scale.x(station), scale.y(u)] as const,
        );
        if (points.length === 0) return null;
        const d = `M${points.map(([x, y]) => `${x} ${y}`).join('L')}`;
        const ends = [
          [points[0]!, crack.startFound],
          [points[points.length - 1]!, crack.finishFound],
        ] as const;
        return (
          <g key={crack.id}>
            <path
              d={d}
              stroke={chosen?.includes(crack.id) ? 'var(--here)' : 'var(--sheet)'}
              strokeWidth={chosen?.includes(crack.id) ? 11 : 8}
              strokeLinejoin="round"
            />
            <path d={d} stroke="var(--ink)" strokeWidth="3.2" strokeLinejoin="bevel" />
            {ends.map(([[x, y], found], k) =>
              found ? (
                <path key={k} d={`M${x - 7} ${y}H${x + 7}`} stroke="var(--ink)" strokeWidth="2.6" />
              ) : (
                <text
                  key={k}
                  x={x}
                  y={y + (k ? 16 : -6)}
                  textAnchor="middle"
                  fontSize="16"
                  fontWeight="700"
                  fill="var(--oxide)"
                  stroke="var(--sheet)"
                  strokeWidth="3"
                  paintOrder="stroke"
                >
                  ?
                </text>
              ),
            )}
          </g>
        );
      })}
    </g>
  );
});

/** A crack being recorded: its points so far. */
export function DraftLayer({
  member,
  path,
  scale,
}: {
  member: Member;
  path: Crack['path'];
  scale: StripScale;
}) {
  const points = unrolledPath(member.shape, path).map(
    ([station, u]) => [scale.x(station), scale.y(u)] as const,
  );
  return (
    <g fill="none" pointerEvents="none">
      {points.length > 1 && (
        <path
          d={`M${points.map(([x, y]) => `${x} ${y}`).join('L')}`}
          stroke="var(--ink)"
          strokeWidth="3"
          strokeDasharray="6 3"
        />
      )}
      {points.map(([x, y], k) => (
        <circle key={k} cx={x} cy={y} r="5" fill="var(--here)" stroke="var(--ink)" strokeWidth="1.5" />
      ))}
    </g>
  );
}

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
