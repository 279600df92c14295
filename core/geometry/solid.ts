import type { Point } from './polygon';

/** Right-handed: x, y, z in mm. */
export type Vector = readonly [x: number, y: number, z: number];

export const minus = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const unit = (a: Vector): Vector => {
  const length = Math.hypot(...a) || 1;
  return [a[0] / length, a[1] / length, a[2] / length];
};

/** Normal of a flat face by its corners' way round (Newell's sum): of length one, or nothing of a face without area. */
export function normalOf(corners: readonly Vector[]): Vector {
  let [x, y, z] = [0, 0, 0];
  corners.forEach((a, k) => {
    const b = corners[(k + 1) % corners.length]!;
    x += (a[1] - b[1]) * (a[2] + b[2]);
    y += (a[2] - b[2]) * (a[0] + b[0]);
    z += (a[0] - b[0]) * (a[1] + b[1]);
  });
  return unit([x, y, z]);
}

/** From where something is looked at: turned about the upright y axis, then tipped down towards it. Radians; 0, 0 looks along −z. */
export interface Look {
  readonly turnRad: number;
  readonly tipRad: number;
}

/** Right, up and towards the eye of a look, in the thing's own axes. */
export function eyeOf({ turnRad, tipRad }: Look): { right: Vector; up: Vector; toEye: Vector } {
  const [ct, st] = [Math.cos(turnRad), Math.sin(turnRad)];
  const [cp, sp] = [Math.cos(tipRad), Math.sin(tipRad)];
  return {
    right: [ct, 0, -st],
    up: [-st * sp, cp, -ct * sp],
    toEye: [st * cp, sp, ct * cp],
  };
}

/** A face on paper: its corners seen without perspective, and how much light it gets, 0 to 1. */
export interface SeenFace<Of> {
  readonly of: Of;
  readonly points: readonly Point[];
  readonly light: number;
}

/** Light from above the eye's left shoulder; a face turned from it still has this share. */
const LEAST_LIGHT = 0.8;

/**
 * Faces as seen, the farthest first: drawn in that order each hides what lies behind it. `lift` brings a face nearer to the eye, mm, where it lies closely on
 * another and the order by their middles would not tell.
 */
export function seenFrom<Of extends { readonly corners: readonly Vector[] }>(
  faces: readonly Of[],
  look: Look,
  lift: (of: Of, toEye: Vector) => number = () => 0,
): SeenFace<Of>[] {
  const { right, up, toEye } = eyeOf(look);
  const lamp = unit([0, 1, 2].map((k) => toEye[k]! + 0.8 * up[k]! - 0.4 * right[k]!) as unknown as Vector);
  return faces
    .map((of) => ({
      of,
      points: of.corners.map((corner): Point => [dot(corner, right), dot(corner, up)]),
      light: LEAST_LIGHT + (1 - LEAST_LIGHT) * Math.abs(dot(normalOf(of.corners), lamp)),
      near:
        of.corners.reduce((sum, corner) => sum + dot(corner, toEye), 0) / of.corners.length + lift(of, toEye),
    }))
    .sort((a, b) => a.near - b.near);
}
