import { heightOnFace } from '../../frame';
import { chosenLegMm } from '../../reference';
import type { RepairFinding } from '../repair-finding';
import type { RepairPicture } from '../repair-picture';

/**
 * A fillet along a flat plate's edge needs a shelf of its leg beside it: a plate flush with the flange's edge takes a bevel groove or none, and one
 * wider than the flange hangs over (common practice; the leg by AWS D1.1).
 */
export function shelf({ picture, pieces }: RepairPicture): RepairFinding[] {
  return pieces.flatMap(({ piece, stations }): RepairFinding[] => {
    if (piece.kind !== 'cover plate') return [];
    const legMm = chosenLegMm(piece.thicknessMm, picture.built.thicknessMm);
    const beside = stations.flatMap(({ stationMm, edges }) =>
      edges.map(({ uMm, face }) => {
        const heightMm = heightOnFace(face, uMm);
        return { stationMm, roomMm: Math.min(heightMm, face.widthMm - heightMm) };
      }),
    );
    const least = beside.sort((a, b) => a.roomMm - b.roomMm)[0];
    if (!least || least.roomMm >= legMm - 1e-6) return [];
    return [
      {
        code: 'no-shelf',
        weight: 'broken',
        pieceId: piece.id,
        quantity: 'length',
        value: least.roomMm,
        limit: legMm,
        source: 'minimumLeg',
        at: { fromMm: least.stationMm, toMm: least.stationMm },
      },
    ];
  });
}
