import { shortestRunMm, SQUARE_BUTT_TO_MM, widestPitchMm, YOUNGS_MODULUS_MPA } from '../../reference';
import type { Point } from '../../geometry';
import { faceOf, type Face } from '../../frame';
import {
  coverageAt,
  formOf,
  isInside,
  taperLengthMm,
  type Piece,
  type PieceStation,
  type RepairPicture,
} from '../../shape';
import type { Runs, WeldPlace } from '../weld-line';
import { filletBase, positionOf, type BareLine } from './base';
import type { LinkFlows } from './flows';

/** Lengthwise edges over the straight part, one line per unbroken landed run. */
export function edgeLines(
  context: RepairPicture,
  piece: Piece,
  stations: readonly PieceStation[],
  flows: LinkFlows | undefined,
): BareLine[] {
  const { repair, picture } = context;
  if (formOf(piece.kind).wraps) return seamLines(context, piece);
  const straight = stations.filter(
    ({ stationMm }) =>
      stationMm >= piece.startMm + taperLengthMm(piece) - 1 &&
      stationMm <= piece.endMm - taperLengthMm(piece) + 1,
  );
  return [0, 1].flatMap((side) =>
    landedRuns(straight, side).map((run) => {
      const [first, last] = [run[0]!, run[run.length - 1]!];
      const face = first.edges[side]!.face;
      const wallMm = Math.min(...run.map((station) => station.edges[side]!.wallMm));
      const base = filletBase(context, piece, wallMm);
      const flow = flows && flowAlong(context, piece, side, run, flows);
      const lengthMm = last.stationMm - first.stationMm;
      return {
        ...base,
        place: edgePlace(piece, face, side),
        face: face.id,
        path: straightened(run.map(({ stationMm, edges }): Point => [stationMm, edges[side]!.uMm])),
        fromMm: first.stationMm,
        toMm: last.stationMm,
        lengthMm,
        style: repair.weldStyle,
        position: positionOf(face, { onBench: repair.onBench, inside: isInside(piece), isEnd: false }),
        ...(repair.weldStyle !== 'continuous' && {
          runs: runsOf(repair.weldStyle, base.legMm, piece.thicknessMm, picture),
        }),
        ...(flow !== undefined && { flowNPerMm: flow }),
      };
    }),
  );
}

/** Points of a course that lie on the straight way between their neighbours say nothing. */
const straightened = (points: readonly Point[]): Point[] =>
  points.filter(([x, u], k) => {
    const [before, after] = [points[k - 1], points[k + 1]];
    if (!before || !after) return true;
    return Math.abs((x - before[0]) * (after[1] - before[1]) - (u - before[1]) * (after[0] - before[0])) > 1;
  });

function landedRuns(stations: readonly PieceStation[], side: number): PieceStation[][] {
  const runs: PieceStation[][] = [];
  let open: PieceStation[] = [];
  const close = () => {
    if (open.length > 1) runs.push(open);
    open = [];
  };
  for (const station of stations) {
    if (station.edges[side]?.lands) open.push(station);
    else close();
  }
  close();
  return runs;
}

const edgePlace = ({ kind }: Piece, face: Face, side: number): WeldPlace =>
  kind === 'cover plate'
    ? 'edge on the flange'
    : !face.upright
      ? 'flange tip'
      : (side === 0) !== (face.id === 'inner')
        ? 'upper edge'
        : 'lower edge';

/** Both seams of a piece that goes all the way round: its halves welded to each other, which brings no force in. */
const seamLines = (context: RepairPicture, piece: Piece): BareLine[] =>
  (['outer', 'inner'] as const).map((id) => {
    const face = faceOf(context.picture.member.shape, id);
    const uMm = face ? face.uStartMm + face.widthMm / 2 : 0;
    return {
      ...filletBase(context, piece, piece.thicknessMm),
      type: piece.thicknessMm > SQUARE_BUTT_TO_MM ? 'bevel' : 'butt',
      place: 'seam',
      face: id,
      path: [
        [piece.startMm, uMm],
        [piece.endMm, uMm],
      ],
      fromMm: piece.startMm,
      toMm: piece.endMm,
      lengthMm: piece.endMm - piece.startMm,
      style: 'continuous',
      position: context.repair.onBench ? 'flat' : 'horizontal',
    };
  });

/** Skip: the shortest run allowed at the widest pitch that still stitches the plate. To continuous: the same runs laid skipping about until they meet. */
function runsOf(
  style: 'runs to continuous' | 'skip',
  legMm: number,
  plateMm: number,
  { steel: { yieldMpa }, practice: { weld } }: RepairPicture['picture'],
): Runs {
  const lengthMm = style === 'skip' ? shortestRunMm(legMm) : (weld.runMm ?? shortestRunMm(legMm));
  return {
    lengthMm,
    pitchMm:
      style === 'skip'
        ? Math.max(lengthMm, Math.min(widestPitchMm(plateMm, YOUNGS_MODULUS_MPA, yieldMpa), 4 * lengthMm))
        : lengthMm,
  };
}

/** Largest flow across the edge's weld link over a run, N/mm: looked at where it begins, in its middle and where it ends. */
function flowAlong(
  { picture: { member } }: RepairPicture,
  piece: Piece,
  side: number,
  run: readonly PieceStation[],
  flows: LinkFlows,
): number | undefined {
  const found = [run[0]!, run[run.length >> 1]!, run[run.length - 1]!].flatMap(({ stationMm }) => {
    const cover = coverageAt(member, piece, stationMm);
    if (!cover) return [];
    const edgeUMm = side === 0 ? cover.uFromMm : cover.uToMm;
    const link = flows(stationMm).find(
      ({ uMm, inside }) => inside === isInside(piece) && Math.abs(uMm - edgeUMm) < 1e-6,
    );
    return link ? [link.nPerMm] : [];
  });
  return found.length ? Math.max(...found) : undefined;
}
