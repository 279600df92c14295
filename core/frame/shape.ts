import { z } from 'zod';

/** The cross-section a member was made with. Outside dimensions, mm. */
const wall = z.number().gt(0.3, 'a wall under 0.3 mm is not a frame member').lt(40, 'a wall over 40 mm is not a frame member');
const side = z.number().gt(10, 'a side under 10 mm is not a frame member').lt(1000, 'a side over 1 m is not a frame member');

export const shapeSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('channel'), depthMm: side, flangeMm: side, thicknessMm: wall }),
  z.object({ kind: z.literal('box'), depthMm: side, widthMm: side, thicknessMm: wall }),
]).superRefine((shape, context) => {
  const breadthMm = shape.kind === 'channel' ? shape.flangeMm : shape.widthMm;
  if (!(shape.thicknessMm < Math.min(shape.depthMm, breadthMm) / 3)) {
    context.addIssue({ code: 'custom', path: ['thicknessMm'], message: 'the wall is more than a third of a side: that section cannot be folded' });
  }
});
export type MemberShape = z.infer<typeof shapeSchema>;

export const FACE_IDS = ['top', 'web', 'bottom', 'outer', 'inner'] as const;
export const faceIdSchema = z.enum(FACE_IDS);
export type FaceId = z.infer<typeof faceIdSchema>;

/**
 * One face of the unrolled section. The developed coordinate u runs down the Strip:
 *
 *   channel   u=0 ┌──── top flange: from its tip to the fold
 *                 │     web: from the top corner to the bottom corner
 *                 └──── bottom flange: from the fold to its tip
 *   box       top (inner corner → outer corner), outer side down, bottom (outer → inner), inner side up, round to the start
 *
 * Height on a face is what a technician measures: up from the bottom corner on a side, out from the web (outer side) on a flange.
 */
export interface Face {
  readonly id: FaceId;
  readonly widthMm: number;
  readonly uStartMm: number;
  /** Height falls as u grows. */
  readonly reversed: boolean;
  /** Unit outward normal in the section's axes (x away from the outer side, y up). */
  readonly outward: readonly [number, number];
  /** A side face: rust climbs it from below, so it has a sound edge. */
  readonly upright: boolean;
}

type FaceSeed = readonly [id: FaceId, widthMm: number, reversed: boolean, outward: readonly [number, number]];

export function facesOf(shape: MemberShape): readonly Face[] {
  const seeds: readonly FaceSeed[] = shape.kind === 'channel'
    ? [['top', shape.flangeMm, true, [0, 1]], ['web', shape.depthMm, true, [-1, 0]], ['bottom', shape.flangeMm, false, [0, -1]]]
    : [['top', shape.widthMm, true, [0, 1]], ['outer', shape.depthMm, true, [-1, 0]], ['bottom', shape.widthMm, false, [0, -1]], ['inner', shape.depthMm, false, [1, 0]]];
  let uStartMm = 0;
  return seeds.map(([id, widthMm, reversed, outward]) => {
    const face: Face = { id, widthMm, uStartMm, reversed, outward, upright: outward[1] === 0 };
    uStartMm += widthMm;
    return face;
  });
}

export const isClosed = (shape: MemberShape): boolean => shape.kind === 'box';
export const breadthMm = (shape: MemberShape): number => (shape.kind === 'channel' ? shape.flangeMm : shape.widthMm);
export const developedWidthMm = (shape: MemberShape): number => facesOf(shape).reduce((sum, face) => sum + face.widthMm, 0);
export const faceOf = (shape: MemberShape, id: FaceId): Face | undefined => facesOf(shape).find((face) => face.id === id);

export const uOnFace = (face: Face, heightMm: number): number => face.uStartMm + (face.reversed ? face.widthMm - heightMm : heightMm);
export const heightOnFace = (face: Face, uMm: number): number => (face.reversed ? face.uStartMm + face.widthMm - uMm : uMm - face.uStartMm);

/** The face under a developed coordinate; a fold belongs to the face that starts there. */
export function faceAtU(shape: MemberShape, uMm: number): Face {
  const faces = facesOf(shape);
  return faces.find((face) => uMm >= face.uStartMm && uMm < face.uStartMm + face.widthMm) ?? (uMm < 0 ? faces[0]! : faces[faces.length - 1]!);
}

/** A point of the outside surface, section axes: x = 0 on the outer side (back of the web), y = 0 underneath. */
export function surfacePoint(shape: MemberShape, face: Face, uMm: number): readonly [number, number] {
  const height = heightOnFace(face, uMm);
  switch (face.id) {
    case 'top': return [height, shape.depthMm];
    case 'bottom': return [height, 0];
    case 'web': case 'outer': return [0, height];
    case 'inner': return [breadthMm(shape), height];
    default: return face.id satisfies never;
  }
}

/** The midline point under a developed coordinate; at a fold, the corner of the two midlines. */
export function midlinePoint(shape: MemberShape, face: Face, uMm: number): readonly [number, number] {
  const half = shape.thicknessMm / 2;
  const [x, y] = surfacePoint(shape, face, uMm);
  const right = shape.kind === 'box' ? shape.widthMm - half : shape.flangeMm;
  return [Math.min(Math.max(x, half), right), Math.min(Math.max(y, half), shape.depthMm - half)];
}
