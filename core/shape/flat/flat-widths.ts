import { surfaceOf, type MemberShape } from '../../frame';
import { foldsBetween } from '../../weigh';
import { coverage, type Piece } from '../repair';

/** Widths of a piece's flats at its full width: between its edges, its bends and whatever else holds it, such as rows of plugs, mm. */
export function flatWidths(shape: MemberShape, piece: Piece, heldAtUMm: readonly number[]): number[] {
  const { uFromMm, uToMm } = coverage(shape, piece);
  const stops = [uFromMm, ...foldsBetween(surfaceOf(shape), uFromMm, uToMm), ...heldAtUMm, uToMm].sort(
    (a, b) => a - b,
  );
  return stops.slice(1).map((mm, k) => mm - stops[k]!);
}
