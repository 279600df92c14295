import { homography, opposite, seenAt, type Homography } from '@/core/shape';
import type { Point } from '@/core/geometry';
import { fail, ok, type Outcome } from '@/core/quantity';

/** A photo as pixels, no larger than a tap needs. */
export interface Photo {
  readonly canvas: HTMLCanvasElement;
  readonly width: number;
  readonly height: number;
}

const MOST_PX = 2400;

/** Reads a picture file; fails where it is none. */
export async function readPhoto(file: File): Promise<Outcome<Photo>> {
  try {
    const bitmap = await createImageBitmap(file);
    const scale = Math.min(1, MOST_PX / Math.max(bitmap.width, bitmap.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(bitmap.width * scale);
    canvas.height = Math.round(bitmap.height * scale);
    canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    bitmap.close();
    return ok({ canvas, width: canvas.width, height: canvas.height });
  } catch {
    return fail(`${file.name} is no picture that this device can read; nothing was changed`);
  }
}

/** Room round the marks that is straightened too, share of the frame. */
const ROUND = 0.06;
const WIDE_PX = 1000;

/** A photo seen straight from above: a picture of the plane, so many pixels to a mm, from its own lower left corner. */
export interface Straightened {
  readonly url: string;
  readonly width: number;
  readonly height: number;
  readonly toMm: (pixel: Point) => Point;
  readonly toPixel: (placeMm: Point) => Point;
}

/** The plane of the marks, as the photo shows it; fails where the marks cannot be one frame's. */
export function straightened(
  photo: Photo,
  marks: readonly Point[],
  places: readonly Point[],
): Outcome<Straightened> {
  const found = homography(marks, places);
  if (!found.ok) return found;
  const [wideMm, highMm] = [places[1]![0], places[3]![1]];
  const [padX, padY] = [ROUND * wideMm, ROUND * highMm];
  const perMm = WIDE_PX / (wideMm + 2 * padX);
  const [width, height] = [WIDE_PX, Math.round((highMm + 2 * padY) * perMm)];
  const toMm = ([x, y]: Point): Point => [x / perMm - padX, (height - y) / perMm - padY];
  const toPixel = ([x, y]: Point): Point => [(x + padX) * perMm, height - (y + padY) * perMm];
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [width, height];
  const pen = canvas.getContext('2d')!;
  const drawn = pen.createImageData(width, height);
  fill(drawn, photo, opposite(found.value), toMm);
  pen.putImageData(drawn, 0, 0);
  return ok({ url: canvas.toDataURL('image/jpeg', 0.85), width, height, toMm, toPixel });
}

/** Each pixel of the plane from where the photo shows it; what it does not show stays clear. */
function fill(
  drawn: ImageData,
  { canvas, width, height }: Photo,
  toPhoto: Homography,
  toMm: (pixel: Point) => Point,
): void {
  const from = canvas.getContext('2d')!.getImageData(0, 0, width, height);
  for (let y = 0; y < drawn.height; y++)
    for (let x = 0; x < drawn.width; x++) {
      const [px, py] = seenAt(toPhoto, toMm([x + 0.5, y + 0.5]));
      const [column, row] = [Math.floor(px), Math.floor(py)];
      if (column < 0 || row < 0 || column >= width || row >= height) continue;
      const source = 4 * (row * width + column);
      const target = 4 * (y * drawn.width + x);
      for (let k = 0; k < 3; k++) drawn.data[target + k] = from.data[source + k]!;
      drawn.data[target + 3] = 255;
    }
}
