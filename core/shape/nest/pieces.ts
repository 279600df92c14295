import {
  mirroredContour,
  placedContour,
  extentOf,
  flattenContour,
  type Contour,
  type Point,
} from '../../geometry';
import { blankFigures, innerContours, type Blank } from '../flat/blank';
import type { Laid, NestPart } from './nest';

/** A blank, or its twin turned over, as something to lay on a sheet so many times. */
export interface NestPiece {
  readonly id: string;
  readonly blank: Blank;
  readonly isTwin: boolean;
  readonly count: number;
}

export const nestPiece = (blank: Blank, isTwin: boolean, count: number): NestPiece => ({
  id: isTwin ? `${blank.id} twin` : blank.id,
  blank,
  isTwin,
  count,
});

export function nestPart({ id, blank, isTwin, count }: NestPiece): NestPart {
  const turn = sideOf(blank, isTwin);
  return { id, outline: turn(blank.outline), inner: innerContours(blank).map(turn), count };
}

const sideOf = (blank: Blank, isTwin: boolean): ((contour: Contour) => Contour) => {
  const { lengthMm } = blankFigures(blank);
  return (contour) => (isTwin ? mirroredContour(contour, lengthMm) : contour);
};

/** Bend lines of a piece where it lies on its sheet, tangents and middle. */
export function laidBends({ blank, isTwin }: NestPiece, { turnRad, at }: Laid): [Point, Point][] {
  const { lengthMm } = blankFigures(blank);
  const side = sideOf(blank, isTwin);
  const box = extentOf(flattenContour(placedContour(side(blank.outline), turnRad, [0, 0]), 0.01));
  const [cos, sin] = [Math.cos(turnRad), Math.sin(turnRad)];
  const place = ([x, y]: Point): Point => {
    const across = isTwin ? lengthMm - x : x;
    return [across * cos - y * sin + at[0] - box.minX, across * sin + y * cos + at[1] - box.minY];
  };
  return blank.bends.flatMap(({ from, to, halfWidthMm }) => {
    const long = Math.hypot(to[0] - from[0], to[1] - from[1]);
    if (!(long > 0)) return [];
    const normal: Point = [-(to[1] - from[1]) / long, (to[0] - from[0]) / long];
    const off = ([x, y]: Point, mm: number): Point => place([x + normal[0] * mm, y + normal[1] * mm]);
    return [-halfWidthMm, 0, halfWidthMm].map((mm): [Point, Point] => [off(from, mm), off(to, mm)]);
  });
}
