import type { Member } from '../../frame';
import { coverageAt, isInside, type Piece, type Repair } from '../repair';
import type { RepairFinding } from '../repair-finding';

/** Plates that share less than this, along or across, meet edge to edge, mm. */
const MEET_MM = 2;

/** Where two pieces lie on the same wall, on the same side of it: their common stretch, if they share some of its width there too. */
function shared(member: Member, a: Piece, b: Piece): { fromMm: number; toMm: number } | undefined {
  const [fromMm, toMm] = [Math.max(a.startMm, b.startMm), Math.min(a.endMm, b.endMm)];
  if (isInside(a) !== isInside(b) || !(toMm - fromMm > MEET_MM)) return undefined;
  const lie = [0.05, 0.25, 0.5, 0.75, 0.95].some((part) => {
    const stationMm = fromMm + part * (toMm - fromMm);
    const [one, other] = [coverageAt(member, a, stationMm), coverageAt(member, b, stationMm)];
    return (
      one !== undefined &&
      other !== undefined &&
      Math.min(one.uToMm, other.uToMm) - Math.max(one.uFromMm, other.uFromMm) > MEET_MM
    );
  });
  return lie ? { fromMm, toMm } : undefined;
}

/** Two kept repairs are made apart: where one's plate lies over the other's, neither lands on the wall, and both would be counted as strength. */
export const overlaid = (member: Member, repair: Repair, others: readonly Repair[]): RepairFinding[] =>
  others.flatMap((other) =>
    repair.pieces.flatMap((piece) =>
      other.pieces.flatMap((above): RepairFinding[] => {
        const at = shared(member, piece, above);
        return at
          ? [
              {
                code: 'plates-overlaid',
                weight: 'broken',
                pieceId: piece.id,
                quantity: 'length',
                source: 'practice',
                at,
              },
            ]
          : [];
      }),
    ),
  );
