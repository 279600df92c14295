import type { Piece } from '../piece';

interface Bent {
  readonly folds: readonly number[];
  /** How far a bend's tangent lines lie from its fold, mm. */
  readonly cornerMm: number;
  readonly uFromMm: number;
  readonly uToMm: number;
}

/**
 * A recess that stops in a bend, or within a thickness of it, leaves a strip that the brake tears: it is cut on, a thickness past the bend's far
 * tangent, so that the bend ends at an edge (common practice, no source).
 */
export function relieved(piece: Piece, { folds, cornerMm, uFromMm, uToMm }: Bent): Piece {
  if (!piece.notches) return piece;
  const reachMm = cornerMm + piece.thicknessMm;
  const notches = piece.notches.map((notch) => {
    const isFirst = notch.edge === 'first';
    const bottomUMm = isFirst ? uFromMm + notch.deepMm : uToMm - notch.deepMm;
    const fold = folds.find((uMm) => Math.abs(bottomUMm - uMm) < reachMm);
    if (fold === undefined) return notch;
    return { ...notch, deepMm: isFirst ? fold + reachMm - uFromMm : uToMm - (fold - reachMm) };
  });
  return notches.every((notch, k) => notch === piece.notches![k]) ? piece : { ...piece, notches };
}
