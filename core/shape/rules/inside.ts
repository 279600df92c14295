import { isClosed } from '../../frame';
import { inchesToMm } from '../../quantity';
import { openedAbove } from '../drains';
import { formOf } from '../forms';
import { isInside, type Piece } from '../repair';
import type { RepairFinding } from '../repair-finding';
import type { RepairPicture } from '../repair-picture';

/** A stretch of a closed section through which a hand and a torch go in. */
export interface Access {
  readonly fromMm: number;
  readonly toMm: number;
}

/** So far beyond an opening hand and torch still reach, mm (ours: 6 in). */
export const INSIDE_REACH_MM = inchesToMm(6);

/**
 * A plate inside a closed section is welded through its own floor while that is cut out, or through an opening that somebody planned; nobody reaches the rest.
 * It is welded, and looked at, before anything closes over it.
 */
export function insideReached(context: RepairPicture, accesses: readonly Access[]): RepairFinding[] {
  const { picture, repair } = context;
  if (!isClosed(picture.member.shape)) return [];
  const ways = [...floorOut(context), ...accesses];
  return repair.pieces.filter(isInside).map((piece): RepairFinding => {
    const beyondMm = farthestFrom(piece, ways);
    const isReached = beyondMm <= INSIDE_REACH_MM + 1e-6;
    return {
      code: isReached ? 'inside-first' : 'inside-not-reached',
      weight: isReached ? 'note' : 'broken',
      pieceId: piece.id,
      quantity: 'length',
      ...(Number.isFinite(beyondMm) && { value: beyondMm }),
      limit: INSIDE_REACH_MM,
      source: 'practice',
      at: { fromMm: piece.startMm, toMm: piece.endMm },
    };
  });
}

/** Where the floor is out while the repair is made: beneath its caps. */
const floorOut = ({ picture, repair }: RepairPicture): Access[] =>
  repair.pieces
    .filter((piece) => !isInside(piece) && formOf(piece.kind).replaces)
    .flatMap((cap) => openedAbove(picture.zones, repair, cap))
    .map(([fromMm, toMm]) => ({ fromMm, toMm }));

/** How far the farthest place of a piece lies from the nearest way in; the places are its ends, and the middles between two ways. */
function farthestFrom({ startMm, endMm }: Piece, ways: readonly Access[]): number {
  const away = (mm: number) =>
    Math.min(Infinity, ...ways.map(({ fromMm, toMm }) => Math.max(fromMm - mm, mm - toMm, 0)));
  const between = ways.flatMap((one) =>
    ways.flatMap((other) => (other.fromMm > one.toMm ? [(one.toMm + other.fromMm) / 2] : [])),
  );
  const places = [startMm, endMm, ...between.filter((mm) => mm > startMm && mm < endMm)];
  return Math.max(...places.map(away));
}
