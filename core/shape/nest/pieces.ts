import { extentOf, flattenContour, placedContour, type Point } from '../../geometry';
import { innerContours, mirroredBlank, type Blank } from '../flat/blank';
import { bendLines } from '../flat/draw';
import type { Laid, NestPart } from './nest';

/** A blank as it is cut, or the other hand of one, to lay on a sheet so many times. */
export interface NestPiece {
  readonly id: string;
  readonly blank: Blank;
  readonly isTwin: boolean;
  readonly count: number;
}

export const nestPiece = (blank: Blank, isTwin: boolean, count: number): NestPiece => ({
  id: isTwin ? `${blank.id} twin` : blank.id,
  blank: isTwin ? mirroredBlank(blank) : blank,
  isTwin,
  count,
});

export const nestPart = ({ id, blank, count }: NestPiece): NestPart => ({
  id,
  outline: blank.outline,
  inner: innerContours(blank),
  count,
});

/** Bend lines of a piece where it lies on its sheet, tangents and middle. */
export function laidBends({ blank }: NestPiece, { turnRad, at }: Laid): [Point, Point][] {
  const box = extentOf(flattenContour(placedContour(blank.outline, turnRad, [0, 0]), 0.01));
  const [cos, sin] = [Math.cos(turnRad), Math.sin(turnRad)];
  const place = ([x, y]: Point): Point => [
    x * cos - y * sin + at[0] - box.minX,
    x * sin + y * cos + at[1] - box.minY,
  ];
  return blank.bends.flatMap((bend) =>
    bendLines(bend).map(([from, to]): [Point, Point] => [place(from), place(to)]),
  );
}
