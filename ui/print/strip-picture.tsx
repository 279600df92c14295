import { Line, Rect, Svg } from '@react-pdf/renderer';
import type { Point } from '@/core/geometry';
import { KNOWN } from '@/core/probe';
import { standingAgainst } from '@/core/metal';
import { unrolledPath } from '@/core/trace';
import type { MemberPicture } from '@/core/weigh';

/** A cell of the picture: what is left of the wall, or that nobody knows; points from the upper left. */
export interface StripCell {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** Share of the wall left; absent where it is a guess. */
  readonly kept?: number;
}

const COLUMNS = 72;

/** The map of a member in few cells, for print: read and interpolated metal by its mean, guessed metal not at all. */
export function stripCells({ map }: Pick<MemberPicture, 'map'>, width: number, height: number): StripCell[] {
  if (!map) return [];
  const { surface, stationsMm, thicknessMm, known } = map;
  const tall = surface.edgeUMm[surface.edgeUMm.length - 1]!;
  const columns = Math.min(COLUMNS, stationsMm.length);
  return surface.rowFace.flatMap((face, row) => {
    const [from, to] = [surface.edgeUMm[row]!, surface.edgeUMm[row + 1]!];
    return Array.from({ length: columns }, (_, k): StripCell => {
      const first = Math.floor((k * stationsMm.length) / columns);
      const last = Math.floor(((k + 1) * stationsMm.length) / columns);
      let [sum, count] = [0, 0];
      for (let column = first; column < last; column++) {
        const cell = row * stationsMm.length + column;
        if (known[cell] === KNOWN.guess) continue;
        sum += thicknessMm[cell]! / face.wallMm;
        count++;
      }
      return {
        x: (k * width) / columns,
        y: (from / tall) * height,
        width: width / columns,
        height: ((to - from) / tall) * height,
        ...(count > 0 && { kept: Math.min(1, sum / count) }),
      };
    });
  });
}

/** Lost metal is dark; a tenth lost is hardly seen, half of it is black. */
const greyOf = (kept: number): string => {
  const share = Math.min(1, Math.max(0, (1 - kept) / 0.5));
  const level = Math.round(245 - 225 * share)
    .toString(16)
    .padStart(2, '0');
  return `#${level}${level}${level}`;
};

/** A member unrolled in black and white: what is left where it was read, what stands against it along its lower edge, cracks as lines. */
export function StripPicture({
  picture,
  width,
  height,
}: {
  picture: MemberPicture;
  width: number;
  height: number;
}) {
  const { member, surface, account } = picture;
  const tall = surface.edgeUMm[surface.edgeUMm.length - 1]!;
  const x = (mm: number) => (mm / member.lengthMm) * width;
  const y = (uMm: number) => (((uMm % tall) + tall) % tall) * (height / tall);
  const folds = surface.faces.slice(1).map(({ uStartMm }) => y(uStartMm));
  return (
    <Svg width={width} height={height + 7} viewBox={`0 0 ${width} ${height + 7}`}>
      <Kept cells={stripCells(picture, width, height)} />
      <Rect
        x={0.4}
        y={0.4}
        width={width - 0.8}
        height={height - 0.8}
        stroke="#000"
        strokeWidth={0.8}
        fill="none"
      />
      {folds.map((at) => (
        <Line
          key={at}
          x1={0}
          x2={width}
          y1={at}
          y2={at}
          stroke="#000"
          strokeWidth={0.4}
          strokeDasharray="4 3"
        />
      ))}
      {standingAgainst(account).map((saying, k) => (
        <Rect
          key={k}
          x={x(saying.fromMm)}
          y={height + 2}
          width={Math.max(2, x(saying.toMm - saying.fromMm))}
          height={4}
          fill={saying.claim === 'doubtful' ? '#999' : '#000'}
        />
      ))}
      <Cracks picture={picture} at={([mm, u]) => [x(mm), y(u)]} />
    </Svg>
  );
}

/** What is left where it was read; the paper stays white where nobody knows. */
const Kept = ({ cells }: { cells: readonly StripCell[] }) =>
  cells.map(({ x, y, width, height, kept }, k) =>
    kept === undefined ? null : (
      <Rect key={k} x={x} y={y} width={width + 0.1} height={height + 0.1} fill={greyOf(kept)} />
    ),
  );

/** Stretch by stretch, so that one over the seam of the sheet is not drawn across it. */
function Cracks({
  picture: { member, cracks },
  at,
}: {
  picture: MemberPicture;
  at: (point: Point) => Point;
}) {
  return cracks.flatMap(({ id, path }) => {
    const points = unrolledPath(member.shape, path).map(at);
    return points
      .slice(1)
      .map(([x2, y2], k) => (
        <Line
          key={`${id} ${k}`}
          x1={points[k]![0]}
          y1={points[k]![1]}
          x2={x2}
          y2={y2}
          stroke="#000"
          strokeWidth={2}
        />
      ));
  });
}
