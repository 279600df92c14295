'use client';

import { useMemo } from 'react';
import {
  breadthMm,
  facesOf,
  isClosed,
  surfacePoint,
  type Face,
  type Member,
  type Surface,
} from '@/core/frame';
import { lengthDigits, type UnitSystem } from '@/core/quantity';
import { platePoint, plateRing, wallRing, type Ring, type SectionChange } from '@/core/weigh';
import { KNOWN, type WallProfile } from '@/core/probe';

export interface SliceProps {
  readonly member: Member;
  readonly surface: Surface;
  readonly builtMm: number;
  /** The wall to draw solid; absent when nothing was measured. */
  readonly wall?: WallProfile;
  readonly change: SectionChange;
  /** Heights of the sound edge's conservative bound by upright face. */
  readonly edges: readonly { readonly face: Face; readonly upperMm: number }[];
  /** Cracks at this station, as developed coordinates. */
  readonly cracksU: readonly number[];
  readonly cursorU: number;
  /** Walls drawn this many times as thick. */
  readonly exaggeration: 1 | 3;
  /** Drawn with the outer side to the right: a right-hand rail seen from behind. */
  readonly mirrored: boolean;
  readonly system: UnitSystem;
  readonly height: number;
  readonly label: string;
}

const WIDTH = 268;

/** The true cross-section at a station: as built in outline, the metal that is there in ink, plates in slate. */
export function Slice(props: SliceProps) {
  const { member, surface, wall, change, exaggeration, mirrored, system, height } = props;
  const { shape } = member;
  const scale = Math.min((height - 76) / shape.depthMm, (WIDTH - 150) / breadthMm(shape));
  const x0 = (WIDTH - breadthMm(shape) * scale) / 2 + (mirrored ? 22 : -6);
  const y0 = 34 + shape.depthMm * scale;
  const X = (x: number) => (mirrored ? WIDTH - (x0 + x * scale) : x0 + x * scale);
  const Y = (y: number) => y0 - y * scale;
  const points = (ring: Ring) => ring.map(([x, y]) => `${X(x).toFixed(1)},${Y(y).toFixed(1)}`).join(' ');
  const quad = (uFrom: number, uTo: number, face: Face, thicknessMm: number) =>
    points(wallRing(shape, face, [uFrom, uTo], thicknessMm * exaggeration));
  const rows = useMemo(
    () =>
      surface.rowFace.map((face, row) => ({
        face,
        row,
        uFrom: surface.edgeUMm[row]!,
        uTo: surface.edgeUMm[row + 1]!,
      })),
    [surface],
  );
  const isCut = (u: number) => change.cuts.some((cut) => u > cut.uFromMm && u < cut.uToMm);
  // An open section leaves room inside for the words; a closed one has it outside only.
  const isBox = isClosed(shape) || shape.kind === 'hat';
  const labelSide = {
    reach: isBox ? 30 : -38,
    anchor: (out: number) => (out < 0 === (mirrored === isBox) ? ('start' as const) : ('end' as const)),
    lines: (face: Face, height: string) =>
      isBox ? (face.id === 'inner' ? [] : ['sound', `from ${height}`]) : [`sound from ${height}`],
  };
  const thinnest =
    wall &&
    rows.reduce((best, { row }) => (wall.thicknessMm[row]! < wall.thicknessMm[best]! ? row : best), 0);

  return (
    <svg
      width="100%"
      height={height}
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="img"
      aria-label={props.label}
      className="block"
    >
      <defs>
        <pattern
          id="slice-guess"
          width="5"
          height="5"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="5" height="5" fill="var(--sheet)" />
          <path d="M0 0V5" stroke="var(--ink)" strokeWidth="2.2" />
        </pattern>
      </defs>
      {(shape.kind === 'tube'
        ? rows
        : facesOf(shape).map((face) => ({ face, uFrom: face.uStartMm, uTo: face.uStartMm + face.widthMm }))
      ).map(({ face, uFrom, uTo }) => (
        <polygon
          key={uFrom}
          points={quad(uFrom, uTo, face, (props.builtMm * face.wallMm) / shape.thicknessMm)}
          fill="none"
          stroke="var(--edge)"
          strokeWidth="1"
          strokeDasharray="4 3"
        />
      ))}
      {wall &&
        rows.map(({ face, row, uFrom, uTo }) => {
          const t = wall.thicknessMm[row]!;
          const cut = isCut((uFrom + uTo) / 2);
          if (!(t > 0.05) && !cut) return null;
          return (
            <polygon
              key={row}
              points={quad(uFrom, uTo, face, t)}
              fill={cut ? 'none' : wall.known[row] === KNOWN.guess ? 'url(#slice-guess)' : 'var(--ink)'}
              stroke={cut ? 'var(--oxide)' : 'var(--ink)'}
              strokeWidth={cut ? 0.8 : 0.6}
              {...(cut && { strokeDasharray: '2 2' })}
            />
          );
        })}
      {change.plates.map((plate, k) => {
        const t = plate.thicknessMm * exaggeration;
        return (
          <g key={k}>
            <polygon
              points={points(plateRing(surface, plate, t))}
              fill="var(--slate)"
              fillOpacity={plate.carries ? 1 : 0.35}
              stroke="var(--slate)"
            />
            {plate.weldedAtUMm.map((u) => {
              const [x, y] = platePoint(surface, u, t / 2, plate.inside);
              return (
                <circle
                  key={u}
                  cx={X(x)}
                  cy={Y(y)}
                  r="4.5"
                  fill="var(--sheet)"
                  stroke="var(--slate)"
                  strokeWidth="2.5"
                />
              );
            })}
          </g>
        );
      })}
      {props.edges.map(({ face, upperMm }) => {
        const [x, y] = surfacePoint(
          shape,
          face,
          face.reversed ? face.uStartMm + face.widthMm - upperMm : face.uStartMm + upperMm,
        );
        const out = face.outward[0];
        // Near the corner the words stand clear of the flange.
        const flangeMm = exaggeration * props.builtMm;
        const labelY = !isBox && y < flangeMm + 14 / scale ? Y(flangeMm) - 6 : Y(y) + 4;
        return (
          <g key={face.id}>
            <line
              x1={X(x + (out * 10) / scale)}
              x2={X(x - (out * 34) / scale)}
              y1={Y(y)}
              y2={Y(y)}
              stroke="var(--ink)"
              strokeWidth="2.4"
            />
            <text fontSize="13" fill="var(--ink)" textAnchor={labelSide.anchor(out)}>
              {labelSide.lines(face, lengthDigits(upperMm, system, 'length')).map((words, k) => (
                <tspan key={k} x={X(x + (labelSide.reach * out) / scale)} y={labelY + 15 * k}>
                  {words}
                </tspan>
              ))}
            </text>
          </g>
        );
      })}
      {props.cracksU.map((u, k) => {
        const [x, y] = platePoint(surface, u, 0);
        return (
          <path
            key={k}
            d={`M${X(x) - 8} ${Y(y) - 6}l6 4l-3 4l7 5`}
            fill="none"
            stroke="var(--oxide)"
            strokeWidth="2.6"
          />
        );
      })}
      <CursorRing point={platePoint(surface, props.cursorU, 0)} X={X} Y={Y} />
      {wall && thinnest !== undefined && (
        <ThinnestNote
          member={member}
          surface={surface}
          row={thinnest}
          thicknessMm={wall.thicknessMm[thinnest]!}
          system={system}
          X={X}
          Y={Y}
          guessed={wall.known[thinnest] === KNOWN.guess}
          height={height}
        />
      )}
      <text x={WIDTH / 2} y={18} textAnchor="middle" fontSize="13" fill="var(--soft)">
        {lengthDigits(props.builtMm, system, 'thickness')} {system} as built, dashed
      </text>
    </svg>
  );
}

function CursorRing({
  point,
  X,
  Y,
}: {
  point: readonly [number, number];
  X: (x: number) => number;
  Y: (y: number) => number;
}) {
  return (
    <g>
      <circle cx={X(point[0])} cy={Y(point[1])} r="7" fill="none" stroke="var(--ink)" strokeWidth="4.5" />
      <circle cx={X(point[0])} cy={Y(point[1])} r="7" fill="none" stroke="var(--here)" strokeWidth="2.6" />
    </g>
  );
}

function ThinnestNote({
  member,
  surface,
  row,
  thicknessMm,
  system,
  X,
  Y,
  guessed,
  height,
}: {
  member: Member;
  surface: Surface;
  row: number;
  thicknessMm: number;
  system: UnitSystem;
  X: (x: number) => number;
  Y: (y: number) => number;
  guessed: boolean;
  height: number;
}) {
  const face = surface.rowFace[row]!;
  const [x, y] = surfacePoint(member.shape, face, surface.uMm[row]!);
  const labelY = height - 12;
  return (
    <g>
      <path d={`M${X(x)} ${Y(y) + 4}V${labelY - 14}`} stroke="var(--oxide)" strokeWidth="1.4" />
      <text x={WIDTH / 2} y={labelY} textAnchor="middle" fontSize="14" fontWeight="600" fill="var(--oxide)">
        {lengthDigits(thicknessMm, system, 'thickness')} {system} thinnest{guessed ? ', guessed' : ''}
      </text>
    </g>
  );
}
