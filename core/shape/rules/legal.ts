import { isClosed } from '../../frame';
import { crackExtent } from '../../trace';
import type { RepairFinding } from '../repair-finding';
import type { RepairPicture } from '../repair-picture';

/** What the legal profile asks of a plate's welds. */
export function seamsAsked({ picture: { legal }, repair }: RepairPicture): RepairFinding[] {
  return [
    ...(legal.seamsContinuous && repair.weldStyle === 'skip'
      ? [
          {
            code: 'seam-not-continuous',
            weight: 'broken',
            quantity: 'count',
            source: legal.basis === 'uk' ? 'ukStructure' : 'ownProfile',
          } as const,
        ]
      : []),
    ...(legal.weldAsMaker
      ? [
          {
            code: 'weld-as-maker',
            weight: 'note',
            quantity: 'count',
            source: legal.basis === 'us' ? 'weldByMaker' : 'ownProfile',
          } as const,
        ]
      : []),
  ];
}

/** A closed section that a shop seals keeps whatever water it holds: said on every cap that closes one. */
export function sealedPocket({ picture, repair }: RepairPicture): RepairFinding[] {
  const closes = repair.pieces.find(({ kind }) => kind === 'bottom U');
  if (!closes || !isClosed(picture.member.shape) || picture.ways.drains === 'open') return [];
  return [
    { code: 'pocket-sealed', weight: 'deviation', pieceId: closes.id, quantity: 'count', source: 'practice' },
  ];
}

/** A shop that only welds cracks: it cracks again beside the weld (common practice, no source); said where a plate leaves one beside it. */
export function crackBeside({ picture, repair }: RepairPicture): RepairFinding[] {
  if (picture.ways.cracks !== 'weld only') return [];
  const isUnder = (crack: (typeof picture.cracks)[number]) =>
    repair.pieces.some(
      ({ startMm, endMm }) => startMm <= crackExtent(crack).fromMm && endMm >= crackExtent(crack).toMm,
    );
  return picture.cracks
    .filter((crack) => !isUnder(crack))
    .map((crack) => ({
      code: 'crack-welded-only',
      weight: 'note',
      quantity: 'length',
      source: 'practice',
      at: crackExtent(crack),
    }));
}
