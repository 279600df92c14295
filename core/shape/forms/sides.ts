import { faceOf, facesOf, type Face, type MemberShape } from '../../frame';

/** The side that heights of bent pieces are read on: the web, else the outer side. */
export const mainSide = (shape: MemberShape): Face | undefined =>
  shape.kind === 'tube' ? undefined : (faceOf(shape, 'web') ?? faceOf(shape, 'outer'));

/** The main side alone, where a section of one of these kinds has it. */
export const mainSideOf =
  (...kinds: readonly MemberShape['kind'][]) =>
  (shape: MemberShape): readonly Face[] => {
    const side = mainSide(shape);
    return side && kinds.includes(shape.kind) ? [side] : [];
  };

/** Flat faces of a section that stand, or that lie; a tube has none. */
export const flatFaces = (shape: MemberShape, upright: boolean): readonly Face[] =>
  shape.kind === 'tube' ? [] : facesOf(shape).filter((face) => face.upright === upright);
