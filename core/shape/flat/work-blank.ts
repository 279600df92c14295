import { circleContour, roundedContour, type Contour, type Point } from '../../geometry';
import { CORNER_RADIUS_MM, STEEL_DENSITY_KG_PER_MM3 } from '../../reference';
import type { PartBend, WorkPart } from '../works/work';
import { blankFigures, type Blank, type BlankBend } from './blank';

/** A part with nothing to cut is none. */
const isThere = ({ lengthMm, widthMm, thicknessMm }: WorkPart): boolean =>
  lengthMm > 0 && widthMm > 0 && thicknessMm > 0;

const isFromSheet = (part: WorkPart): boolean => part.shape?.is !== 'length' && isThere(part);

/** A part as it is cut from sheet; undefined where it is bought to length, or there is nothing of it. */
export function blankOfPart(part: WorkPart, id: string, forWhat: string): Blank | undefined {
  if (!isFromSheet(part)) return undefined;
  const bends = part.shape?.is === 'sheet' ? (part.shape.bends ?? []) : [];
  return {
    id,
    name: part.name,
    for: forWhat,
    thicknessMm: part.thicknessMm,
    count: part.count,
    outline: outlineOf(part),
    cutouts: [],
    holes: (part.holes ?? []).map(({ at: [xMm, yMm], diameterMm }) => ({
      xMm,
      yMm,
      cutMm: diameterMm,
      purpose: 'hole',
    })),
    bends: bends.map((bend) => bendOf(part, bend)),
    scribes: [],
    ...(part.drillLater && { drillLater: part.drillLater }),
  };
}

function outlineOf({ shape, lengthMm, widthMm }: WorkPart): Contour {
  if (shape?.is === 'disc') return circleContour(lengthMm / 2, widthMm / 2, lengthMm / 2);
  if (shape?.is === 'triangle') return triangle(lengthMm, widthMm, shape.snipeMm);
  const corners: Point[] = [
    [0, 0],
    [lengthMm, 0],
    [lengthMm, widthMm],
    [0, widthMm],
  ];
  return roundedContour(corners, (shape?.is === 'sheet' ? shape.cornerMm : undefined) ?? CORNER_RADIUS_MM);
}

/** Its right angle at 0, 0, cut back so that one weld passes the other; a snipe longer than a leg leaves a tenth of it. */
function triangle(lengthMm: number, widthMm: number, snipeMm: number): Contour {
  const [sx, sy] = [Math.min(snipeMm, 0.9 * lengthMm), Math.min(snipeMm, 0.9 * widthMm)];
  const corners: Point[] = [[sx, 0], [lengthMm, 0], [0, widthMm], ...(sy > 0 ? [[0, sy] as const] : [])];
  return roundedContour(corners, 0);
}

function bendOf({ lengthMm, widthMm }: WorkPart, { runs, fromEnd, ...bend }: PartBend): BlankBend {
  const isAlong = runs === 'along';
  const atMm = fromEnd ? (isAlong ? widthMm : lengthMm) - bend.atMm : bend.atMm;
  return {
    from: isAlong ? [0, atMm] : [atMm, 0],
    to: isAlong ? [lengthMm, atMm] : [atMm, widthMm],
    halfWidthMm: bend.allowanceMm / 2,
    angleRad: Math.PI / 2,
    way: 'down',
    insideRadiusMm: bend.insideRadiusMm,
    allowanceMm: bend.allowanceMm,
  };
}

/** What of a work is cut from sheet, named so that an address can name it. */
export const blanksOfWork = (workId: string, place: string, parts: readonly WorkPart[]): Blank[] =>
  parts.flatMap((part, k) => blankOfPart(part, `${workId}-part-${k + 1}`, place) ?? []);

/** Mass of a part, all of its count: what its outline leaves, or its whole rectangle where it is bought to length. */
export function massOfPartKg(part: WorkPart): number {
  const blank = blankOfPart(part, '', '');
  if (blank) return blankFigures(blank).massKg * part.count;
  const { lengthMm, widthMm, thicknessMm, count } = part;
  return lengthMm * widthMm * thicknessMm * count * STEEL_DENSITY_KG_PER_MM3;
}
