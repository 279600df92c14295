'use client';

import { useMemo } from 'react';
import {
  breadthMm,
  facesOf,
  isClosed,
  surfacePoint,
  type Face,
  type Member,
  type MemberShape,
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

/** Where the section's own points stand in the drawing. */
interface View {
  readonly X: (x: number) => number;
  readonly Y: (y: number) => number;
  readonly scale: number;
  readonly points: (ring: Ring) => string;
}

function viewOf(shape: MemberShape, { mirrored, height }: Pick<SliceProps, 'mirrored' | 'height'>): View {
  const scale = Math.min((height - 76) / shape.depthMm, (WIDTH - 150) / breadthMm(shape));
  const x0 = (WIDTH - breadthMm(shape) * scale) / 2 + (mirrored ? 22 : -6);
  const y0 = 34 + shape.depthMm * scale;
  const X = (x: number) => (mirrored ? WIDTH - (x0 + x * scale) : x0 + x * scale);
  const Y = (y: number) => y0 - y * scale;
  const points = (ring: Ring) => ring.map(([x, y]) => `${X(x).toFixed(1)},${Y(y).toFixed(1)}`).join(' ');
  return { X, Y, scale, points };
}

/** A strip of the wall from here to there across its face. */
interface Row {
  readonly face: Face;
  readonly row: number;
  readonly uFrom: number;
  readonly uTo: number;
}
const rowsOf = ({ rowFace, edgeUMm }: Surface): Row[] =>
  rowFace.map((face, row) => ({ face, row, uFrom: edgeUMm[row]!, uTo: edgeUMm[row + 1]! }));

/** What the parts of a slice are drawn from. */
interface Drawn extends SliceProps {
  readonly view: View;
  readonly rows: readonly Row[];
}

/** The true cross-section at a station: as built in outline, the metal that is there in ink, plates in slate. */
export function Slice(props: SliceProps) {
  const { member, surface, system, height } = props;
  const view = viewOf(member.shape, props);
  const rows = useMemo(() => rowsOf(surface), [surface]);
  const drawn: Drawn = { ...props, view, rows };
  return (
    <svg
      width="100%"
      height={height}
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="img"
      aria-label={props.label}
      className="block"
    >
      <GuessPattern />
      <AsBuilt {...drawn} />
      <Wall {...drawn} />
      <Plates {...drawn} />
      <SoundEdges {...drawn} />
      <Cracks {...drawn} />
      <CursorRing point={platePoint(surface, props.cursorU, 0)} view={view} />
      <ThinnestNote {...drawn} />
      <text x={WIDTH / 2} y={18} textAnchor="middle" fontSize="13" fill="var(--soft)">
        {lengthDigits(props.builtMm, system, 'thickness')} {system} as built, dashed
      </text>
    </svg>
  );
}

const GuessPattern = () => (
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
);

const quad = ({ member, exaggeration, view }: Drawn, { face, uFrom, uTo }: Omit<Row, 'row'>, mm: number) =>
  view.points(wallRing(member.shape, face, [uFrom, uTo], mm * exaggeration));

function AsBuilt(drawn: Drawn) {
  const { shape } = drawn.member;
  const walls =
    shape.kind === 'tube'
      ? drawn.rows
      : facesOf(shape).map((face) => ({ face, uFrom: face.uStartMm, uTo: face.uStartMm + face.widthMm }));
  return walls.map((wall) => (
    <polygon
      key={wall.uFrom}
      points={quad(drawn, wall, (drawn.builtMm * wall.face.wallMm) / shape.thicknessMm)}
      fill="none"
      stroke="var(--edge)"
      strokeWidth="1"
      strokeDasharray="4 3"
    />
  ));
}

/** The metal that is there: solid where known, hatched where guessed, in outline where it is cut out. */
function Wall(drawn: Drawn) {
  const { wall, change, rows } = drawn;
  if (!wall) return null;
  const isCut = (u: number) => change.cuts.some((cut) => u > cut.uFromMm && u < cut.uToMm);
  return rows.map((each) => {
    const { row, uFrom, uTo } = each;
    const t = wall.thicknessMm[row]!;
    const cut = isCut((uFrom + uTo) / 2);
    if (!(t > 0.05) && !cut) return null;
    return (
      <polygon
        key={row}
        points={quad(drawn, each, t)}
        fill={cut ? 'none' : wall.known[row] === KNOWN.guess ? 'url(#slice-guess)' : 'var(--ink)'}
        stroke={cut ? 'var(--oxide)' : 'var(--ink)'}
        strokeWidth={cut ? 0.8 : 0.6}
        {...(cut && { strokeDasharray: '2 2' })}
      />
    );
  });
}

const Plates = ({ change, surface, exaggeration, view }: Drawn) =>
  change.plates.map((plate, k) => {
    const t = plate.thicknessMm * exaggeration;
    return (
      <g key={k}>
        <polygon
          points={view.points(plateRing(surface, plate, t))}
          fill="var(--slate)"
          fillOpacity={plate.carries ? 1 : 0.35}
          stroke="var(--slate)"
        />
        {plate.weldedAtUMm.map((u) => {
          const [x, y] = platePoint(surface, u, t / 2, plate.inside);
          return (
            <circle
              key={u}
              cx={view.X(x)}
              cy={view.Y(y)}
              r="4.5"
              fill="var(--sheet)"
              stroke="var(--slate)"
              strokeWidth="2.5"
            />
          );
        })}
      </g>
    );
  });

/** An open section leaves room inside for the words; a closed one has it outside only. */
function roomFor({ shape }: Member, mirrored: boolean) {
  const isBox = isClosed(shape) || shape.kind === 'hat';
  return {
    isBox,
    reach: isBox ? 30 : -38,
    anchor: (out: number) => (out < 0 === (mirrored === isBox) ? ('start' as const) : ('end' as const)),
    lines: (face: Face, height: string) =>
      isBox ? (face.id === 'inner' ? [] : ['sound', `from ${height}`]) : [`sound from ${height}`],
  };
}

function SoundEdges({ edges, member, mirrored, exaggeration, builtMm, system, view }: Drawn) {
  const { X, Y, scale } = view;
  const room = roomFor(member, mirrored);
  // Near the corner the words stand clear of the flange.
  const flangeMm = exaggeration * builtMm;
  return edges.map(({ face, upperMm }) => {
    const u = face.uStartMm + (face.reversed ? face.widthMm - upperMm : upperMm);
    const [x, y] = surfacePoint(member.shape, face, u);
    const out = face.outward[0];
    const labelY = !room.isBox && y < flangeMm + 14 / scale ? Y(flangeMm) - 6 : Y(y) + 4;
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
        <text fontSize="13" fill="var(--ink)" textAnchor={room.anchor(out)}>
          {room.lines(face, lengthDigits(upperMm, system, 'length')).map((words, k) => (
            <tspan key={k} x={X(x + (room.reach * out) / scale)} y={labelY + 15 * k}>
              {words}
            </tspan>
          ))}
        </text>
      </g>
    );
  });
}

const Cracks = ({ cracksU, surface, view: { X, Y } }: Drawn) =>
  cracksU.map((u, k) => {
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
  });

function CursorRing({ point: [x, y], view: { X, Y } }: { point: readonly [number, number]; view: View }) {
  return (
    <g>
      <circle cx={X(x)} cy={Y(y)} r="7" fill="none" stroke="var(--ink)" strokeWidth="4.5" />
      <circle cx={X(x)} cy={Y(y)} r="7" fill="none" stroke="var(--here)" strokeWidth="2.6" />
    </g>
  );
}

function ThinnestNote({ member, surface, wall, rows, system, view: { X, Y }, height }: Drawn) {
  if (!wall) return null;
  const thinner = (best: number, { row }: Row) =>
    wall.thicknessMm[row]! < wall.thicknessMm[best]! ? row : best;
  const row = rows.reduce(thinner, 0);
  const [x, y] = surfacePoint(member.shape, surface.rowFace[row]!, surface.uMm[row]!);
  const labelY = height - 12;
  return (
    <g>
      <path d={`M${X(x)} ${Y(y) + 4}V${labelY - 14}`} stroke="var(--oxide)" strokeWidth="1.4" />
      <text x={WIDTH / 2} y={labelY} textAnchor="middle" fontSize="14" fontWeight="600" fill="var(--oxide)">
        {lengthDigits(wall.thicknessMm[row]!, system, 'thickness')} {system} thinnest
        {wall.known[row] === KNOWN.guess ? ', guessed' : ''}
      </text>
    </g>
  );
}
