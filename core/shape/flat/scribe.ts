import { developedWidthMm, startsAtMm, surfaceOf, type Member } from '../../frame';
import { roundedContour, drawContour, type Pen, type Point } from '../../geometry';
import { inchesToMm, lengthDigits, type UnitSystem } from '../../quantity';
import { cornerOutsideMm, CORNER_RADIUS_MM } from '../../reference';
import { foldsBetween } from '../../weigh';
import { coverage, isInside, outlineOnStrip, pieceName, type Repair } from '../repair';
import { flattened } from './piece-flat';
import type { Opening } from './opening';

/**
 * Paper laid round the member at 1:1 to scribe by, read from outside: x along it, from the front on a left-hand one, y up with the first face at the top. It lies on the outside, so each corner takes the
 * arc of the outside radius instead of two sharp sides.
 */
export interface ScribeSheet {
  readonly repairId: string;
  readonly memberName: string;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly folds: readonly number[];
  readonly plates: readonly { readonly name: string; readonly outline: readonly Point[] }[];
  readonly openings: readonly (readonly Point[])[];
  /** Station of the member at its front edge, told from the datum, mm. */
  readonly fromStationMm: number;
  /** Which edge of the paper lies to the front: it is read from outside the member. */
  readonly front: 'left' | 'right';
  readonly cornerMm: number;
}

export const SCRIBE_LAYERS = ['PLATE', 'OPENING', 'FOLD', 'MARK'] as const;

/** Paper past the plates, mm. */
const ROUND_MM = inchesToMm(1);

/** Plates on the outside and what is cut out beneath them; undefined where every plate lies inside the wall. */
export function scribeSheet(
  member: Member,
  repair: Repair,
  openings: readonly Opening[],
): ScribeSheet | undefined {
  const { shape } = member;
  const outside = repair.pieces.filter((piece) => !isInside(piece));
  if (outside.length === 0 || shape.kind === 'tube') return undefined;
  const covers = outside.map((piece) => coverage(shape, piece));
  const fromUMm = Math.max(0, Math.min(...covers.map(({ uFromMm }) => uFromMm)) - ROUND_MM);
  const toUMm = Math.min(developedWidthMm(shape), Math.max(...covers.map(({ uToMm }) => uToMm)) + ROUND_MM);
  const fromMm = Math.max(0, Math.min(...outside.map(({ startMm }) => startMm)) - ROUND_MM);
  const toMm = Math.min(member.lengthMm, Math.max(...outside.map(({ endMm }) => endMm)) + ROUND_MM);
  const folds = foldsBetween(surfaceOf(shape), fromUMm, toUMm);
  const cornerMm = cornerOutsideMm(shape.thicknessMm);
  const v = (uMm: number) => flattened(uMm, fromUMm, folds, cornerMm, (Math.PI / 2) * cornerMm);
  const widthMm = v(toUMm);
  const isRight = member.side === 'right';
  const onSheet = ([stationMm, uMm]: readonly [number, number]): Point => [
    isRight ? toMm - stationMm : stationMm - fromMm,
    widthMm - v(uMm),
  ];
  return {
    repairId: repair.id,
    memberName: member.name,
    lengthMm: toMm - fromMm,
    widthMm,
    folds: folds.map((fold) => widthMm - v(fold)),
    plates: outside.map((piece) => ({
      name: pieceName(piece),
      outline: outlineOnStrip(member, piece).map(onSheet),
    })),
    openings: openings
      .filter(({ pieceId }) => outside.some(({ id }) => id === pieceId))
      .map(({ outline }) => outline.map(onSheet)),
    fromStationMm: startsAtMm(member) + fromMm,
    front: isRight ? 'right' : 'left',
    cornerMm,
  };
}

/** Draws it: plates' outlines, the final cut of each opening with its round corners, folds, stations. */
export function drawScribe(pen: Pen, sheet: ScribeSheet, system: UnitSystem): void {
  const { plates, openings, folds, lengthMm, widthMm } = sheet;
  pen.layer('PLATE');
  for (const { outline } of plates) drawContour(pen, roundedContour(outline, CORNER_RADIUS_MM));
  pen.layer('OPENING');
  for (const outline of openings) drawContour(pen, roundedContour(outline, CORNER_RADIUS_MM));
  pen.layer('FOLD');
  for (const y of folds) {
    pen.moveTo(0, y);
    pen.lineTo(lengthMm, y);
  }
  pen.layer('MARK');
  drawStations(pen, sheet, system);
  pen.text(
    8,
    widthMm - 8,
    5,
    `${sheet.memberName}  ${sheet.front === 'left' ? '< front' : 'front >'}  laid round the outside, corners Ø ${lengthDigits(2 * sheet.cornerMm, system, 'length')} ${system}`,
  );
}

/** A tick at every inch or two centimetres, longer and named at every foot or ten. */
function drawStations(pen: Pen, { lengthMm, fromStationMm, front }: ScribeSheet, system: UnitSystem): void {
  const stepMm = system === 'in' ? inchesToMm(1) : 20;
  const named = system === 'in' ? 6 : 5;
  const first = Math.ceil(fromStationMm / stepMm - 1e-9);
  for (let k = first; k * stepMm <= fromStationMm + lengthMm + 1e-9; k++) {
    const along = k * stepMm - fromStationMm;
    const x = front === 'left' ? along : lengthMm - along;
    const isNamed = k % named === 0;
    pen.moveTo(x, 0);
    pen.lineTo(x, isNamed ? 6 : 3);
    if (isNamed) pen.text(x + 1, 7, 4, lengthDigits(k * stepMm, system, 'length'));
  }
}
