import { z } from 'zod';

/** The cross-section a member was made with. Outside dimensions, mm. `thicknessMm` is the wall; where walls differ, the web's. */
const wall = z
  .number()
  .gt(0.3, 'a wall under 0.3 mm is not a frame member')
  .lt(40, 'a wall over 40 mm is not a frame member');
const side = z
  .number()
  .gt(10, 'a side under 10 mm is not a frame member')
  .lt(1000, 'a side over 1 m is not a frame member');

export const SHAPE_KINDS = ['channel', 'box', 'I', 'angle', 'hat', 'tube', 'flat', 'built-up'] as const;
export type ShapeKind = (typeof SHAPE_KINDS)[number];

export const shapeSchema = z
  .discriminatedUnion('kind', [
    z.object({ kind: z.literal('channel'), depthMm: side, flangeMm: side, thicknessMm: wall }),
    /** Rectangular or square tube. */
    z.object({ kind: z.literal('box'), depthMm: side, widthMm: side, thicknessMm: wall }),
    z.object({
      kind: z.literal('I'),
      depthMm: side,
      flangeMm: side,
      thicknessMm: wall,
      flangeThicknessMm: wall,
    }),
    /** Upright leg `depthMm`, leg lying out `flangeMm`. */
    z.object({ kind: z.literal('angle'), depthMm: side, flangeMm: side, thicknessMm: wall }),
    /** Open upwards, lips out: a floor rail under its floor. `widthMm` over the sides, without the lips. */
    z.object({ kind: z.literal('hat'), depthMm: side, widthMm: side, lipMm: side, thicknessMm: wall }),
    z.object({ kind: z.literal('tube'), depthMm: side, thicknessMm: wall }),
    /** A flat standing on edge. */
    z.object({ kind: z.literal('flat'), depthMm: side, thicknessMm: wall }),
    /** Three plates welded into a beam. */
    z.object({
      kind: z.literal('built-up'),
      depthMm: side,
      topMm: side,
      bottomMm: side,
      thicknessMm: wall,
      topThicknessMm: wall,
      bottomThicknessMm: wall,
    }),
  ])
  .superRefine((shape, context) => {
    const least =
      shape.kind === 'flat'
        ? shape.depthMm
        : Math.min(shape.depthMm, shape.kind === 'hat' ? shape.widthMm : breadthMm(shape));
    if (!(shape.thicknessMm < least / 3)) {
      context.addIssue({
        code: 'custom',
        path: ['thicknessMm'],
        message: 'the wall is more than a third of a side: that section cannot be folded',
      });
    }
    if ('flangeThicknessMm' in shape && !(shape.flangeThicknessMm < shape.depthMm / 3))
      context.addIssue({
        code: 'custom',
        path: ['flangeThicknessMm'],
        message: 'flanges this thick leave no web',
      });
  });
export type MemberShape = z.infer<typeof shapeSchema>;

export const FACE_IDS = ['top', 'web', 'bottom', 'outer', 'inner', 'outer lip', 'inner lip'] as const;
export const faceIdSchema = z.enum(FACE_IDS);
export type FaceId = z.infer<typeof faceIdSchema>;

/**
 * One face of the unrolled section. The developed coordinate u runs down the Strip:
 *
 *   channel    top flange from its tip to the fold, web down, bottom flange from the fold to its tip
 *   box, tube  top (inner → outer), outer side down, bottom (outer → inner), inner side up, round to the start; a tube in quarters
 *   I, built-up  top flange (outer tip → inner tip), web down, bottom flange (outer tip → inner tip); the web meets the flanges' middles
 *   angle      upright leg down, lying leg from the heel to its tip
 *   hat        outer lip from its tip to the fold, outer side down, bottom, inner side up, inner lip to its tip
 *   flat       its one face, down
 *
 * Height on a face is what a technician measures: up from the bottom corner on a side; out from the web (outer side, or outer tip) on a flange;
 * out from the fold on a lip.
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
  /** The wall it was made with. */
  readonly wallMm: number;
}

type FaceSeed = readonly [
  id: FaceId,
  widthMm: number,
  reversed: boolean,
  outward: readonly [number, number],
  wallMm?: number,
];
const UP = [0, 1] as const,
  DOWN = [0, -1] as const,
  OUT = [-1, 0] as const,
  IN = [1, 0] as const;

function faceSeeds(shape: MemberShape): readonly FaceSeed[] {
  switch (shape.kind) {
    case 'channel':
      return [
        ['top', shape.flangeMm, true, UP],
        ['web', shape.depthMm, true, OUT],
        ['bottom', shape.flangeMm, false, DOWN],
      ];
    case 'box':
      return [
        ['top', shape.widthMm, true, UP],
        ['outer', shape.depthMm, true, OUT],
        ['bottom', shape.widthMm, false, DOWN],
        ['inner', shape.depthMm, false, IN],
      ];
    case 'tube': {
      const quarter = (Math.PI * shape.depthMm) / 4;
      return [
        ['top', quarter, true, UP],
        ['outer', quarter, true, OUT],
        ['bottom', quarter, false, DOWN],
        ['inner', quarter, false, IN],
      ];
    }
    case 'I':
      return [
        ['top', shape.flangeMm, false, UP, shape.flangeThicknessMm],
        ['web', shape.depthMm, true, OUT],
        ['bottom', shape.flangeMm, false, DOWN, shape.flangeThicknessMm],
      ];
    case 'built-up':
      return [
        ['top', shape.topMm, false, UP, shape.topThicknessMm],
        ['web', shape.depthMm, true, OUT],
        ['bottom', shape.bottomMm, false, DOWN, shape.bottomThicknessMm],
      ];
    case 'angle':
      return [
        ['web', shape.depthMm, true, OUT],
        ['bottom', shape.flangeMm, false, DOWN],
      ];
    case 'hat':
      return [
        ['outer lip', shape.lipMm, true, UP],
        ['outer', shape.depthMm, true, OUT],
        ['bottom', shape.widthMm, false, DOWN],
        ['inner', shape.depthMm, false, IN],
        ['inner lip', shape.lipMm, false, UP],
      ];
    case 'flat':
      return [['web', shape.depthMm, true, OUT]];
    default:
      return shape satisfies never;
  }
}

/** A shape never changes; its faces are asked for at every station of every plate. */
const FACES = new WeakMap<MemberShape, readonly Face[]>();

export function facesOf(shape: MemberShape): readonly Face[] {
  const known = FACES.get(shape) ?? unrolledFaces(shape);
  FACES.set(shape, known);
  return known;
}

function unrolledFaces(shape: MemberShape): Face[] {
  let uStartMm = 0;
  return faceSeeds(shape).map(([id, widthMm, reversed, outward, wallMm = shape.thicknessMm]) => {
    const face: Face = { id, widthMm, uStartMm, reversed, outward, upright: outward[1] === 0, wallMm };
    uStartMm += widthMm;
    return face;
  });
}

export const isClosed = (shape: MemberShape): boolean => shape.kind === 'box' || shape.kind === 'tube';
/** Holds dirt: closed by itself, or by the sheet it is welded to. */
export const isEnclosing = (shape: MemberShape): boolean => isClosed(shape) || shape.kind === 'hat';
/** A web that meets the middle of its flanges. */
export const isBranched = (shape: MemberShape): boolean => shape.kind === 'I' || shape.kind === 'built-up';

export function breadthMm(shape: MemberShape): number {
  switch (shape.kind) {
    case 'channel':
    case 'I':
    case 'angle':
      return shape.flangeMm;
    case 'box':
      return shape.widthMm;
    case 'hat':
      return shape.widthMm + 2 * shape.lipMm;
    case 'tube':
      return shape.depthMm;
    case 'flat':
      return shape.thicknessMm;
    case 'built-up':
      return Math.max(shape.topMm, shape.bottomMm);
    default:
      return shape satisfies never;
  }
}

/** The same section with another breadth, where it has one. */
export function withBreadth(shape: MemberShape, mm: number): MemberShape {
  switch (shape.kind) {
    case 'channel':
    case 'I':
    case 'angle':
      return { ...shape, flangeMm: mm };
    case 'box':
      return { ...shape, widthMm: mm };
    case 'hat':
      return { ...shape, widthMm: mm - 2 * shape.lipMm };
    case 'built-up':
      return { ...shape, topMm: mm, bottomMm: mm };
    case 'tube':
    case 'flat':
      return shape;
    default:
      return shape satisfies never;
  }
}

export const developedWidthMm = (shape: MemberShape): number =>
  facesOf(shape).reduce((sum, face) => sum + face.widthMm, 0);

/** Once round a closed section is where one began: u brought back onto the sheet. Open sections have a sheet with ends. */
export const onSheet = (shape: MemberShape, uMm: number): number =>
  isClosed(shape) ? wrapped(uMm, developedWidthMm(shape)) : uMm;
export const wrapped = (uMm: number, perimeterMm: number): number =>
  ((uMm % perimeterMm) + perimeterMm) % perimeterMm;

export const faceOf = (shape: MemberShape, id: FaceId): Face | undefined =>
  facesOf(shape).find((face) => face.id === id);

export const uOnFace = (face: Face, heightMm: number): number =>
  face.uStartMm + (face.reversed ? face.widthMm - heightMm : heightMm);
export const heightOnFace = (face: Face, uMm: number): number =>
  face.reversed ? face.uStartMm + face.widthMm - uMm : uMm - face.uStartMm;

/** The face under a developed coordinate; a fold belongs to the face that starts there. */
export function faceAtU(shape: MemberShape, uMm: number): Face {
  const faces = facesOf(shape);
  return (
    faces.find((face) => uMm >= face.uStartMm && uMm < face.uStartMm + face.widthMm) ??
    (uMm < 0 ? faces[0]! : faces[faces.length - 1]!)
  );
}

/** A point of the outside surface, section axes: x = 0 on the outer side (back of the web), y = 0 underneath. */
export function surfacePoint(shape: MemberShape, face: Face, uMm: number): readonly [number, number] {
  return pointOffSurface(shape, face, uMm, 0);
}

/** The midline point under a developed coordinate; at a fold, the corner of the two midlines. */
export function midlinePoint(shape: MemberShape, face: Face, uMm: number): readonly [number, number] {
  const [x, y] = pointOffSurface(shape, face, uMm, face.wallMm / 2);
  if (shape.kind === 'tube' || shape.kind === 'flat') return [x, y];
  const [low, high] = yLimits(shape);
  const [near, far] = xLimits(shape, face);
  return [Math.min(Math.max(x, near), far), Math.min(Math.max(y, low), high)];
}

/** A point `inMm` inside the surface. */
export function pointOffSurface(
  shape: MemberShape,
  face: Face,
  uMm: number,
  inMm: number,
): readonly [number, number] {
  const height = heightOnFace(face, uMm);
  if (shape.kind === 'tube') {
    const radius = shape.depthMm / 2;
    const turn = Math.PI / 4 + uMm / radius;
    return [radius + (radius - inMm) * Math.cos(turn), radius + (radius - inMm) * Math.sin(turn)];
  }
  const breadth = breadthMm(shape);
  const left =
    shape.kind === 'built-up' ? (breadth - face.widthMm) / 2 : shape.kind === 'hat' ? shape.lipMm : 0;
  const webX = (isBranched(shape) ? (breadth - shape.thicknessMm) / 2 : left) + inMm;
  switch (face.id) {
    case 'top':
      return [left + height, shape.depthMm - inMm];
    case 'bottom':
      return [left + height, inMm];
    case 'web':
    case 'outer':
      return [webX, height];
    case 'inner':
      return [shape.kind === 'hat' ? left + shape.widthMm - inMm : breadth - inMm, height];
    // A lip's midline runs on to its side's.
    case 'outer lip':
      return [(left + inMm) * (1 - height / face.widthMm), shape.depthMm - inMm];
    case 'inner lip':
      return [breadth - (left + inMm) * (1 - height / face.widthMm), shape.depthMm - inMm];
    default:
      return face.id satisfies never;
  }
}

/** Where midlines turn: the outermost flange midlines up and down. */
function yLimits(shape: MemberShape): [number, number] {
  const half = shape.thicknessMm / 2;
  if (shape.kind === 'I') return [shape.flangeThicknessMm / 2, shape.depthMm - shape.flangeThicknessMm / 2];
  if (shape.kind === 'built-up')
    return [shape.bottomThicknessMm / 2, shape.depthMm - shape.topThicknessMm / 2];
  return shape.kind === 'angle' ? [half, shape.depthMm] : [half, shape.depthMm - half];
}

/** … and across: a corner lies on both walls' midlines, a free tip where the metal ends. */
function xLimits(shape: MemberShape, face: Face): [number, number] {
  const half = shape.thicknessMm / 2;
  const breadth = breadthMm(shape);
  switch (shape.kind) {
    case 'box':
      return [half, breadth - half];
    case 'hat': {
      const [outer, inner] = [shape.lipMm + half, shape.lipMm + shape.widthMm - half];
      return face.id === 'outer lip'
        ? [0, outer]
        : face.id === 'inner lip'
          ? [inner, breadth]
          : [outer, inner];
    }
    case 'I':
    case 'built-up':
      return [0, breadth];
    default:
      return [half, breadth];
  }
}

/** Where a member's nodes stand in its section: halfway up the web of a channel or angle, else the middle. */
export function referencePoint(shape: MemberShape): { xMm: number; yMm: number } {
  const yMm = shape.depthMm / 2;
  const xMm =
    shape.kind === 'channel' || shape.kind === 'angle' ? shape.thicknessMm / 2 : breadthMm(shape) / 2;
  return { xMm, yMm };
}
