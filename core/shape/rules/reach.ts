import { hostsOf } from '../../frame';
import { facesCovered } from '../faces-covered';
import { isInside, type Piece } from '../repair';
import type { RepairFinding } from '../repair-finding';
import type { RepairPicture } from '../repair-picture';

/**
 * A face that the frame says cannot be reached: torch, drill and hand come to no seam there until what hides it is off. What that is, is named where a
 * skin, floor or bulkhead lies over the stretch. A plate inside an open wall is reached from the other side.
 */
export function reachedFaces({ picture: { frame, member }, repair }: RepairPicture): RepairFinding[] {
  const hidden = new Set(member.hidden ?? []);
  if (hidden.size === 0 || repair.onBench) return [];
  return repair.pieces
    .filter((piece) => !isInside(piece))
    .flatMap((piece) =>
      [...facesCovered(member.shape, piece)]
        .filter((face) => hidden.has(face))
        .map((face): RepairFinding => ({
          code: 'face-hidden',
          weight: 'deviation',
          pieceId: piece.id,
          quantity: 'length',
          source: 'practice',
          name: [face, ...panelsOver(frame, member.id, piece)].join(', behind '),
          at: { fromMm: piece.startMm, toMm: piece.endMm },
        })),
    );
}

const panelsOver = (frame: RepairPicture['picture']['frame'], memberId: string, piece: Piece): string[] =>
  hostsOf(frame)
    .filter(
      ({ on, spans }) =>
        on === 'panel' &&
        spans.some(
          (span) => span.memberId === memberId && span.fromMm < piece.endMm && span.toMm > piece.startMm,
        ),
    )
    .map(({ name }) => name.toLowerCase());
