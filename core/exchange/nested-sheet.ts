import { drawContour, extentOf, flattenContour, type Pen } from '../geometry';
import type { UnitSystem } from '../quantity';
import { laidBends, laidContours, nestPart, type Nest, type NestPiece } from '../shape';
import { dxfOf } from './dxf';

export const SHEET_LAYERS = ['SHEET', 'CUT', 'BEND', 'MARK'] as const;

/** Letters on a nested piece, mm. */
const LETTER_MM = 8;

/** A sheet of a nest as DXF: its own rectangle, every piece as it lies on it, bends, names. The table's own kerf is not taken off the outlines. */
export const nestedSheetDxf = (
  nest: Nest,
  sheet: number,
  pieces: readonly NestPiece[],
  system: UnitSystem,
): string => dxfOf(SHEET_LAYERS, system, (pen) => drawSheet(pen, nest, sheet, pieces));

function drawSheet(pen: Pen, nest: Nest, sheet: number, pieces: readonly NestPiece[]): void {
  const { lengthMm, widthMm } = nest.sheets[sheet]!;
  pen.layer('SHEET');
  pen.moveTo(0, 0);
  pen.lineTo(lengthMm, 0);
  pen.lineTo(lengthMm, widthMm);
  pen.lineTo(0, widthMm);
  pen.close();
  const lying = nest.laid
    .filter((laid) => laid.sheet === sheet)
    .map((laid) => ({ laid, piece: pieces.find(({ id }) => id === laid.partId)! }));
  pen.layer('CUT');
  for (const { laid, piece } of lying)
    for (const contour of laidContours(nestPart(piece), laid)) drawContour(pen, contour);
  pen.layer('BEND');
  for (const { laid, piece } of lying)
    for (const [from, to] of laidBends(piece, laid)) {
      pen.moveTo(from[0], from[1]);
      pen.lineTo(to[0], to[1]);
    }
  pen.layer('MARK');
  for (const { laid, piece } of lying) {
    const box = extentOf(flattenContour(laidContours(nestPart(piece), laid)[0]!));
    const height = Math.min(LETTER_MM, (box.maxX - box.minX) / (piece.blank.name.length + 8));
    const words = `${piece.blank.name}${piece.isTwin ? ' TWIN' : ''}`;
    pen.text(box.minX + 0.15 * (box.maxX - box.minX), (box.minY + box.maxY) / 2, height, words);
  }
}
