import { memberChecks } from '../../weigh';
import type { RepairFinding } from '../repair-finding';
import type { RepairPicture } from '../repair-picture';

/** So many times over its limit, a plate welded on locks the bend in (our judgement); under that it is said and kept. */
const LOCKED_IN = 2;

/** A member out of straight beneath a plate is straightened, and measured again, before anything is welded over it. */
export function straightBeneath({ picture, repair }: RepairPicture): RepairFinding[] {
  const out = memberChecks(picture).filter(({ is }) => is === 'out');
  return out.flatMap(({ at, value, limit, quantity }): RepairFinding[] => {
    const isUnder = repair.pieces.some(
      ({ startMm, endMm }) => !at || (startMm <= at.toMm && endMm >= at.fromMm),
    );
    if (!isUnder) return [];
    return [
      {
        code: 'not-straight-beneath',
        weight: value > LOCKED_IN * limit ? 'broken' : 'deviation',
        quantity,
        value,
        limit,
        source: quantity === 'angle' ? 'practice' : 'millStraightness',
        ...(at && { at }),
      },
    ];
  });
}
