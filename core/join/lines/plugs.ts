import { plugStrengthN } from '../../mechanics';
import type { Point } from '../../geometry';
import { FILLER_TENSILE_MPA } from '../../reference';
import { isInside, plugLayout, type Piece, type PieceStation, type RepairPicture } from '../../shape';
import { filletBase, positionOf, type BareLine } from './base';

/** Plug welds through the lapped edges where chosen: those that the flat pattern has holes for. */
export function plugLine(
  context: RepairPicture,
  piece: Piece,
  stations: readonly PieceStation[],
): BareLine[] {
  if (!context.repair.plugs) return [];
  const { rowsUMm, fromMm, toMm, pitchMm, diameterMm, count } = plugLayout(
    context.picture.member,
    piece,
    context.picture.practice.weld,
  );
  const middle = stations[stations.length >> 1];
  if (count === 0 || rowsUMm.length === 0 || !middle?.edges[0]) return [];
  const face = middle.edges[0].face;
  return [
    {
      ...filletBase(context, piece, middle.edges[0].wallMm),
      kind: 'plug',
      type: 'plug',
      place: 'plugs',
      face: face.id,
      path: rowsUMm.flatMap((uMm) =>
        Array.from({ length: count }, (_, k): Point => [piece.startMm + fromMm + k * pitchMm, uMm]),
      ),
      fromMm: piece.startMm + fromMm,
      toMm: piece.startMm + toMm,
      lengthMm: toMm - fromMm,
      style: 'skip',
      runs: { lengthMm: diameterMm, pitchMm },
      position: positionOf(face, { onBench: context.repair.onBench, inside: isInside(piece), isEnd: false }),
      plugs: {
        count: count * rowsUMm.length,
        diameterMm,
        strengthN: plugStrengthN(diameterMm, FILLER_TENSILE_MPA),
      },
    },
  ];
}
