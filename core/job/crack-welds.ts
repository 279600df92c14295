import { crackWelds, type CrackWeld } from '../join';
import { cutsAway, isBolted, type Repair } from '../shape';
import { crackExtent } from '../trace';
import type { MemberWork } from './member';

/**
 * A member's cracks as grooves to grind and fill before a plate goes over them: all but those that go with the metal that is cut out, and those that
 * plates are bolted over. None where the steel is not to be welded, or nobody has said what it is.
 */
export function toWeldShut({ picture, repairs }: Pick<MemberWork, 'picture' | 'repairs'>): CrackWeld[] {
  if (picture.steel.weldRepair !== 'yes') return [];
  const left = picture.cracks.filter(
    (crack) =>
      !repairs.some(
        ({ repair }) => cutsAway(picture, repair, crack) || isBoltedOver(repair, crackExtent(crack)),
      ),
  );
  return crackWelds(picture.member, left);
}

const isBoltedOver = (repair: Repair, { fromMm, toMm }: { readonly fromMm: number; readonly toMm: number }) =>
  isBolted(repair) && repair.pieces.some(({ startMm, endMm }) => startMm <= fromMm && endMm >= toMm);
