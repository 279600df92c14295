import { drainsOf } from '../drains';
import type { RepairFinding } from '../repair-finding';
import type { RepairPicture } from '../repair-picture';

/** An outlet wider than the stretch whose water it lets out would be drilled into the old floor beside it. */
export function drainRoom({ picture, repair }: RepairPicture): RepairFinding[] {
  const practice = { ...picture.practice, drains: picture.ways.drains };
  return repair.pieces.flatMap((piece) =>
    drainsOf(picture.member, repair, piece, { practice, zones: picture.zones })
      .filter(
        ({ isOpenAbove, stationMm, diameterMm }) =>
          isOpenAbove &&
          !picture.zones.some(
            ({ fromMm, toMm }) =>
              stationMm - diameterMm / 2 >= fromMm - 1e-6 && stationMm + diameterMm / 2 <= toMm + 1e-6,
          ),
      )
      .map(({ stationMm, diameterMm }): RepairFinding => ({
        code: 'no-drain-room',
        weight: 'deviation',
        pieceId: piece.id,
        quantity: 'length',
        value: diameterMm,
        source: 'practice',
        at: { fromMm: stationMm, toMm: stationMm },
      })),
  );
}
