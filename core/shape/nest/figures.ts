import {
  contourLength,
  placedContour,
  extentOf,
  flattenContour,
  type Contour,
  type Point,
} from '../../geometry';
import { STEEL_DENSITY_KG_PER_MM3 } from '../../reference';
import { cutInto, netArea } from './search';
import type { CutSheet, Laid, Nest, NestPart, NestWays } from './nest';

/** What a nest comes to. Shares are of one. */
export interface NestFigures {
  readonly pieces: number;
  readonly cutMm: number;
  readonly pierces: number;
  readonly massKg: number;
  /** Metal of the pieces over the sheets they are cut from, and over the strips that come off those sheets. */
  readonly ofSheets: number;
  readonly ofStrips: number;
  /** Fewest sheets that have the area, were there no waste: no nest uses fewer. */
  readonly fewestSheets: number;
}

export function nestFigures(nest: Nest, parts: readonly NestPart[], thicknessMm: number): NestFigures {
  const byId = new Map(parts.map((part) => [part.id, part]));
  const laid = nest.laid.map(({ partId }) => byId.get(partId)!);
  const areaMm2 = laid.reduce((sum, { outline, inner }) => sum + netArea(outline, inner), 0);
  const sheetsMm2 = nest.sheets.reduce((sum, { lengthMm, widthMm }) => sum + lengthMm * widthMm, 0);
  const stripsMm2 = nest.sheets.reduce((sum, sheet) => sum + cutInto(sheet), 0);
  return {
    pieces: laid.length,
    cutMm: laid.reduce(
      (sum, part) => sum + contoursOf(part).reduce((all, each) => all + contourLength(each), 0),
      0,
    ),
    pierces: laid.reduce((sum, part) => sum + contoursOf(part).length, 0),
    massKg: areaMm2 * thicknessMm * STEEL_DENSITY_KG_PER_MM3,
    ofSheets: sheetsMm2 > 0 ? areaMm2 / sheetsMm2 : 0,
    ofStrips: stripsMm2 > 0 ? areaMm2 / stripsMm2 : 0,
    fewestSheets: fewest(areaMm2, nest.sheets),
  };
}

const contoursOf = ({ outline, inner }: NestPart): Contour[] => [outline, ...inner];

/** The largest sheets first until their area is enough. */
function fewest(areaMm2: number, sheets: readonly CutSheet[]): number {
  const sizes = sheets.map(({ lengthMm, widthMm }) => lengthMm * widthMm).sort((a, b) => b - a);
  let sum = 0;
  const enough = sizes.findIndex((size) => (sum += size) >= areaMm2 - 1e-6);
  return enough < 0 ? sizes.length : enough + 1;
}

/** Everything cut of a piece where it lies on its sheet. */
export function laidContours(part: NestPart, { turnRad, at }: Laid): Contour[] {
  const turned = placedContour(part.outline, turnRad, [0, 0]);
  const { minX, minY } = extentOf(flattenContour(turned, 0.01));
  const move: Point = [at[0] - minX, at[1] - minY];
  return contoursOf(part).map((contour) => placedContour(contour, turnRad, move));
}

/** Left over of a sheet, a rectangle that goes back to the pile. */
export interface Remnant {
  readonly lengthMm: number;
  readonly widthMm: number;
}

/** Shorter or narrower than this nobody keeps it, mm (ours: 4 in). */
export const LEAST_REMNANT_MM = 101.6;

/**
 * What goes back to the pile of a sheet: cut off straight across beyond its pieces, and along them, or the other way about, whichever leaves the
 * larger piece. Kerf and the gap stay with the pieces.
 */
export function remnantsOf(
  { lengthMm, widthMm, usedLengthMm, usedWidthMm }: CutSheet,
  { kerfMm, gapMm }: Pick<NestWays, 'kerfMm' | 'gapMm'>,
): Remnant[] {
  const beyondMm = lengthMm - usedLengthMm - kerfMm - gapMm;
  const besideMm = widthMm - usedWidthMm - kerfMm - gapMm;
  const across: Remnant[] = [
    { lengthMm: beyondMm, widthMm },
    { lengthMm: usedLengthMm, widthMm: besideMm },
  ];
  const along: Remnant[] = [
    { lengthMm, widthMm: besideMm },
    { lengthMm: beyondMm, widthMm: usedWidthMm },
  ];
  const kept = (each: Remnant[]) =>
    each.filter((left) => Math.min(left.lengthMm, left.widthMm) >= LEAST_REMNANT_MM);
  const largest = (each: Remnant[]) => Math.max(0, ...each.map((left) => left.lengthMm * left.widthMm));
  const [one, other] = [kept(across), kept(along)];
  return largest(other) > largest(one) ? other : one;
}
