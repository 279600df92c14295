import { baseMetalStrengthNPerMm, filletStrengthNPerMm } from '../../mechanics';
import { chosenLegMm, FILLER_TENSILE_MPA, maximumLegMm, minimumLegMm } from '../../reference';
import type { Face } from '../../frame';
import type { Piece, RepairPicture } from '../../shape';
import type { WeldLine, WeldPosition } from '../weld-line';

/** A line before it has its mark, and before anybody said anything of it. */
export type BareLine = Omit<WeldLine, 'id' | 'key' | 'access'>;

/** What every weld of a piece has in common: legs, and the strength of filler and wall. */
export function filletBase(context: RepairPicture, piece: Piece, wallMm: number) {
  const { picture } = context;
  const thinner = Math.min(piece.thicknessMm, picture.built.thicknessMm);
  const legMm = chosenLegMm(piece.thicknessMm, picture.built.thicknessMm);
  return {
    pieceId: piece.id,
    kind: 'fillet' as const,
    type: 'lap' as const,
    legMm,
    minimumLegMm: minimumLegMm(thinner),
    maximumLegMm: maximumLegMm(piece.thicknessMm),
    thinnerMm: thinner,
    wallMm,
    fillerNPerMm: filletStrengthNPerMm(legMm, FILLER_TENSILE_MPA),
    baseNPerMm: baseMetalStrengthNPerMm(
      Math.min(wallMm, piece.thicknessMm),
      picture.steel.yieldMpa,
      picture.steel.tensileMpa,
    ),
  };
}

/** Seen from the side the weld is made on: the bottom is welded from below outside and from above inside. */
export function positionOf(
  { id }: Face,
  {
    onBench,
    inside,
    isEnd,
  }: { readonly onBench: boolean; readonly inside: boolean; readonly isEnd: boolean },
): WeldPosition {
  if (onBench) return 'flat';
  if (id === 'bottom') return inside ? 'flat' : 'overhead';
  if (id === 'top') return inside ? 'overhead' : 'flat';
  return isEnd ? 'vertical' : 'horizontal';
}
