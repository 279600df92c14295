import { fittingsOn, type FittingKind } from '../../frame';
import { inchesToMm } from '../../quantity';
import { clashesUnder, isNotchedRound, jointsCutLoose, pastOf, type Clash } from '../clashes';
import { holesUnder } from '../holes';
import type { RepairFinding } from '../repair-finding';
import { reachOf } from '../repair';
import type { RepairPicture } from '../repair-picture';

/**
 * What a plate meets over its whole length, not at its ends alone: brackets, ends of crossmembers and outriggers. Each is passed by a notch, comes off
 * and goes back, or somebody looked and it is clear; else the plate cannot lie there.
 */
export function inTheWay({ picture, repair }: RepairPicture): RepairFinding[] {
  return repair.pieces.flatMap((piece) =>
    clashesUnder(picture.frame, picture.member, piece).flatMap((clash): RepairFinding[] => {
      const past = pastOf(repair, clash);
      if (past === 'clear of it' || isNotchedRound(piece, clash)) return [];
      const isOff = past === 'off and back';
      return [
        {
          ...at(clash),
          code: isOff ? 'off-and-back' : 'in-the-way',
          weight: isOff ? 'note' : 'broken',
          pieceId: piece.id,
        },
      ];
    }),
  );
}

const at = ({ name, fromMm, toMm }: Clash) =>
  ({ quantity: 'length', source: 'practice', name, at: { fromMm, toMm } }) as const;

/** Nothing that holds position is cut loose with the metal it stands on, unless it comes off and goes back. */
export function cutLoose({ picture, repair }: RepairPicture): RepairFinding[] {
  if (!repair.cutOut) return [];
  return jointsCutLoose(picture, repair)
    .filter((clash) => pastOf(repair, clash) !== 'off and back')
    .map((clash) => ({ ...at(clash), code: 'cut-beneath', weight: 'broken' }));
}

/** A maker's hole is repeated in the plate over it; one that the plate's edge half covers is neither open nor shut. */
export function holesBeneath({ picture, repair }: RepairPicture): RepairFinding[] {
  return repair.pieces.flatMap((piece) =>
    holesUnder(picture.member, piece).map(({ hole: { stationMm, diameterMm, face }, is }): RepairFinding => ({
      code: is === 'under it' ? 'hole-kept' : 'hole-half-covered',
      weight: is === 'under it' ? 'note' : 'broken',
      pieceId: piece.id,
      quantity: 'length',
      value: diameterMm,
      source: 'practice',
      name: face,
      at: { fromMm: stationMm, toMm: stationMm },
    })),
  );
}

/** What burns, melts or bursts beside a weld, and how near it is minded, mm (common practice, no source: 12 in). */
export const MINDS_HEAT: ReadonlySet<FittingKind> = new Set<FittingKind>([
  'line',
  'harness',
  'tank',
  'tank strap',
]);
const HEAT_REACH_MM = inchesToMm(12);

export function heatNear({ picture, repair }: RepairPicture): RepairFinding[] {
  const reach = reachOf(repair);
  const [fromMm, toMm] = [reach.fromMm - HEAT_REACH_MM, reach.toMm + HEAT_REACH_MM];
  return fittingsOn(picture.frame, picture.member)
    .filter(({ kind, stationMm }) => MINDS_HEAT.has(kind) && stationMm >= fromMm && stationMm <= toMm)
    .filter(
      ({ id, side }) =>
        !repair.beneath?.some(({ hostId }) => hostId === `${id} ${picture.member.side ?? side}`),
    )
    .map(({ name, stationMm }) => ({
      code: 'heat-near',
      weight: 'deviation',
      quantity: 'length',
      source: 'practice',
      name,
      limit: HEAT_REACH_MM,
      at: { fromMm: stationMm, toMm: stationMm },
    }));
}
