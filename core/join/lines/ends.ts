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
    const walls = stations
      .filter(({ stationMm }) => stationMm >= fromMm - 1 && stationMm <= toMm + 1)
      .flatMap(({ edges }) => edges.filter((edge) => edge.wallMm > 0).map((edge) => edge.wallMm));
    const face = faceAtU(member.shape, wrapU(context, (tip.uFromMm + tip.uToMm) / 2 - 1e-3));
    const wallMm = walls.length ? Math.min(...walls) : 0;
    return {
      ...filletBase(context, piece, wallMm),
      ...(formOf(piece.kind).wraps && ringStrength(context, piece, wallMm)),
      place,
      face: face.id,
      path: outline,
      fromMm,
      toMm,
      lengthMm: pathLength(outline),
      style: 'continuous' as const,
      position: positionOf(face, { onBench: context.repair.onBench, inside: isInside(piece), isEnd: true }),
    };
  });
}

/** An end weld all round a tube is pulled across its length: filler and wall take more there than along a force. */
const ringStrength = ({ picture }: RepairPicture, piece: Piece, wallMm: number) => {
  const { filler, wall } = ringNPerMm(picture, piece, wallMm);
  return { fillerNPerMm: filler, baseNPerMm: wall };
};

const wrapU = (context: RepairPicture, uMm: number): number => onSheet(context.picture.member.shape, uMm);
