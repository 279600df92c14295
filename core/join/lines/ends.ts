import { pathLength, type Point } from '../../geometry';
import { faceAtU, onSheet } from '../../frame';
import {
  coverageAt,
  formOf,
  ringNPerMm,
  isInside,
  taperLengthMm,
  type Piece,
  type PieceStation,
  type RepairPicture,
} from '../../shape';
import { filletBase, positionOf, type BareLine } from './base';

/** The tapered ends: both slanted edges and the nose, one line an end. */
export function endLines(
  context: RepairPicture,
  piece: Piece,
  stations: readonly PieceStation[],
): BareLine[] {
  const { member } = context.picture;
  const taper = taperLengthMm(piece);
  const ends: { place: 'front end' | 'rear end'; tipMm: number; fullMm: number }[] = [];
  if (piece.startMm > 1)
    ends.push({ place: 'front end', tipMm: piece.startMm, fullMm: piece.startMm + taper });
  if (piece.endMm < member.lengthMm - 1)
    ends.push({ place: 'rear end', tipMm: piece.endMm, fullMm: piece.endMm - taper });
  return ends.map(({ place, tipMm, fullMm }) => {
    const [tip, full] = [coverageAt(member, piece, tipMm)!, coverageAt(member, piece, fullMm)!];
    const outline: Point[] = [
      [fullMm, full.uFromMm],
      [tipMm, tip.uFromMm],
      [tipMm, tip.uToMm],
      [fullMm, full.uToMm],
    ];
    const [fromMm, toMm] = [Math.min(tipMm, fullMm), Math.max(tipMm, fullMm)];
    const { wallMm, share } = beneath(
      stations.filter(({ stationMm }) => stationMm >= fromMm - 1 && stationMm <= toMm + 1),
    );
    const lengthMm = pathLength(outline);
    const face = faceAtU(member.shape, wrapU(context, (tip.uFromMm + tip.uToMm) / 2 - 1e-3));
    return {
      ...filletBase(context, piece, wallMm),
      ...(formOf(piece.kind).wraps && ringStrength(context, piece, wallMm)),
      place,
      face: face.id,
      path: outline,
      fromMm,
      toMm,
      lengthMm,
      ...(share < 1 && { countedMm: share * lengthMm }),
      style: 'continuous' as const,
      position: positionOf(face, { onBench: context.repair.onBench, inside: isInside(piece), isEnd: true }),
    };
  });
}

/**
 * What an end lies on: its lower-bound wall, nothing where nothing is known, and the share of its edges that lie on more than metal known to be bad. A leg
 * that hangs free of a rotten flange, or an edge over a hole, brings nothing in.
 */
function beneath(stations: readonly PieceStation[]): { readonly wallMm: number; readonly share: number } {
  const edges = stations.flatMap((station) => station.edges);
  const bearing = edges.filter(({ lands, why }) => lands || why === 'not measured');
  if (bearing.length === 0) return { wallMm: 0, share: edges.length === 0 ? 1 : 0 };
  return {
    wallMm: Math.min(...bearing.map(({ wallMm }) => wallMm)),
    share: bearing.length / edges.length,
  };
}

/** An end weld all round a tube is pulled across its length: filler and wall take more there than along a force. */
const ringStrength = ({ picture }: RepairPicture, piece: Piece, wallMm: number) => {
  const { filler, wall } = ringNPerMm(picture, piece, wallMm);
  return { fillerNPerMm: filler, baseNPerMm: wall };
};

const wrapU = (context: RepairPicture, uMm: number): number => onSheet(context.picture.member.shape, uMm);
