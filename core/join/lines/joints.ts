import { SQUARE_BUTT_TO_MM } from '../../reference';
import { faceAtU, onSheet } from '../../frame';
import { coverageAt, isInside, type Piece, type RepairPicture } from '../../shape';
import { filletBase, positionOf, type BareLine } from './base';

/** Where a piece's lengths meet: a groove across it, right through, its strength the plate's own. It brings no force in. */
export const jointLines = (context: RepairPicture, piece: Piece): BareLine[] =>
  (piece.joints ?? []).flatMap((stationMm): BareLine[] => {
    const { member } = context.picture;
    const cover = coverageAt(member, piece, stationMm);
    if (!cover) return [];
    const face = faceAtU(member.shape, onSheet(member.shape, (cover.uFromMm + cover.uToMm) / 2));
    return [
      {
        ...filletBase(context, piece, piece.thicknessMm),
        type: piece.thicknessMm > SQUARE_BUTT_TO_MM ? 'bevel' : 'butt',
        place: 'joint',
        face: face.id,
        path: [
          [stationMm, cover.uFromMm],
          [stationMm, cover.uToMm],
        ],
        fromMm: stationMm,
        toMm: stationMm,
        lengthMm: cover.uToMm - cover.uFromMm,
        style: 'continuous',
        position: positionOf(face, { onBench: context.repair.onBench, inside: isInside(piece), isEnd: true }),
      },
    ];
  });
