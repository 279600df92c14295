import { ksiToMpa } from '../../quantity';
import { farthestEdgeMm, widestBoltPitchMm } from '../../reference';
import { lowerBound, type SectionKept } from '../../weigh';
import { boltRowsAt, facesBoltedOn, isBolted } from '../bolting';
import { coverageAt } from '../repair';
import type { EdgeLanding } from '../landing';
import type { RepairFinding } from '../repair-finding';
import { extentOf, type PieceStation, type RepairPicture } from '../repair-picture';

type Why = EdgeLanding['why'];

/** Rows of bolts that hold nothing somewhere: on bad metal, in a hole of the maker's, or where nobody read. Not one of them is counted there. */
export function boltsLand({ picture, repair, pieces }: RepairPicture): RepairFinding[] {
  if (!isBolted(repair)) return [];
  return pieces.flatMap(({ piece, stations }): RepairFinding[] => {
    const of = (...whys: readonly Why[]): PieceStation[] =>
      stations.filter(({ edges }) => edges.some(({ why }) => whys.includes(why)));
    const said = (code: RepairFinding['code'], weight: RepairFinding['weight'], at: PieceStation[]) =>
      at.length > 0
        ? [
            {
              code,
              weight,
              pieceId: piece.id,
              quantity: 'length',
              source: 'practice',
              at: extentOf(at),
            } as const,
          ]
        : [];
    const lands = stations.some(({ edges }) => edges.some((edge) => edge.lands));
    const isRead = picture.found !== undefined && stations.some(({ edges }) => edges.length > 0);
    if (!lands && isRead && of('not measured').length === 0)
      return said('no-bolt-holds', 'broken', [...stations]);
    return [
      ...said('bolts-unread', 'deviation', isRead ? of('not measured') : [...stations]),
      ...said('bolts-struck', 'deviation', of('struck')),
      ...said('bolts-not-counted', 'note', of('unsound', 'in a hole')),
    ];
  });
}

/** Faces that stand apart between bolts take water in, and thin metal buckles there. */
export function boltPitch({ picture, repair }: RepairPicture): RepairFinding[] {
  if (!isBolted(repair)) return [];
  const { pitchMm } = repair.bolts;
  return repair.pieces.flatMap((piece): RepairFinding[] => {
    const limit = widestBoltPitchMm(Math.min(piece.thicknessMm, picture.built.thicknessMm));
    return pitchMm > limit + 1e-6
      ? [
          {
            code: 'bolts-far-apart',
            weight: 'deviation',
            pieceId: piece.id,
            quantity: 'length',
            value: pitchMm,
            limit,
            source: 'boltPitch',
          },
        ]
      : [];
  });
}

/** A plate that stands out past its rows gapes at that edge: where two share their rows, those are the narrower one's. */
export function edgeBolted({ picture: { member }, repair }: RepairPicture): RepairFinding[] {
  if (!isBolted(repair)) return [];
  return repair.pieces.flatMap((piece): RepairFinding[] => {
    const stationMm = (piece.startMm + piece.endMm) / 2;
    const cover = coverageAt(member, piece, stationMm);
    const rows = boltRowsAt(member, repair, piece, stationMm);
    if (!cover || rows.length === 0) return [];
    const value = Math.max(Math.min(...rows) - cover.uFromMm, cover.uToMm - Math.max(...rows));
    const limit = farthestEdgeMm(piece.thicknessMm);
    return value > limit + 1e-6
      ? [
          {
            code: 'edge-unbolted',
            weight: 'broken',
            pieceId: piece.id,
            quantity: 'length',
            value,
            limit,
            source: 'boltPitch',
          },
        ]
      : [];
  });
}

/**
 * A flange is not drilled: on a heat-treated rail, or under a legal profile that forbids it, never, unless its maker says so; elsewhere it is said (common
 * practice, no source).
 */
export function flangeDrilled({ picture, repair }: RepairPicture): RepairFinding[] {
  if (!isBolted(repair)) return [];
  return repair.pieces.flatMap((piece): RepairFinding[] => {
    const flange = facesBoltedOn(picture.member, repair, piece).find(({ upright }) => !upright);
    return flange
      ? [
          {
            code: 'flange-drilled',
            weight:
              picture.steel.weldRepair === 'yes' && !picture.legal.flangesUndrilled ? 'deviation' : 'broken',
            pieceId: piece.id,
            quantity: 'count',
            source: 'practice',
            name: flange.id,
          },
        ]
      : [];
  });
}

/** Stronger than this, a rail is not matched by plate from the shelf, MPa: 50 ksi. */
const SHELF_YIELD_MPA = ksiToMpa(50);

/** Plates are counted as the rail's own steel: on a rail stronger than what a shop has on the shelf that is said. */
export const plateSteel = ({ picture: { steel }, repair }: RepairPicture): RepairFinding[] =>
  isBolted(repair) && steel.yieldMpa > SHELF_YIELD_MPA + 1e-6
    ? [
        {
          code: 'plate-of-its-steel',
          weight: 'deviation',
          quantity: 'count',
          source: 'practice',
          name: steel.name,
        },
      ]
    : [];

/** A profile that asks for a patch welded all round takes none that is bolted. */
export const boltedAllowed = ({ picture: { legal }, repair }: RepairPicture): RepairFinding[] =>
  isBolted(repair) && legal.seamsContinuous
    ? [
        {
          code: 'bolted-not-allowed',
          weight: 'broken',
          quantity: 'count',
          source: legal.basis === 'uk' ? 'ukStructure' : 'ownProfile',
        },
      ]
    : [];

/** Less than this of the section is no difference: a hundredth (ours). */
const NO_DIFFERENCE = 0.01;
const leastOf = ({ kept }: SectionKept): number =>
  Math.min(lowerBound(kept.modulusTop!), lowerBound(kept.modulusBottom!));

/** Where its plates do not carry yet, the holes alone are left: weaker than the metal was found, and said wherever that is. */
export function drilledWeaker({ picture, repair, restored }: RepairPicture): RepairFinding[] {
  if (!isBolted(repair)) return [];
  const worst = restored
    .flatMap((section) => {
      const found = picture.sections.find(({ stationMm }) => stationMm === section.stationMm);
      return found ? [{ stationMm: section.stationMm, value: leastOf(section), limit: leastOf(found) }] : [];
    })
    .sort((a, b) => a.value - a.limit - (b.value - b.limit))[0];
  return worst && worst.value < worst.limit - NO_DIFFERENCE
    ? [
        {
          code: 'drilled-weaker',
          weight: 'deviation',
          quantity: 'fraction',
          value: worst.value,
          limit: worst.limit,
          source: 'practice',
          at: { fromMm: worst.stationMm, toMm: worst.stationMm },
        },
      ]
    : [];
}

/** Every face that will touch another is coated before it is closed; bolts by the maker's torque. */
export const coatBetween = ({ repair }: RepairPicture): RepairFinding[] =>
  isBolted(repair) ? [{ code: 'coat-between', weight: 'note', quantity: 'count', source: 'practice' }] : [];
